package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;

/** The smallest conductor that carries the amps and loses no more than may be lost. */
final class ConductorSelector implements Selector {
    private static final double FLEXIBLE = 1.10;
    private static final String AWG = "AWG";

    @Override
    public String key() {
        return "conductor";
    }

    @Override
    public String title() {
        return "Conductor";
    }

    @Override
    public String about() {
        return "Size of a conductor by its amps and by the volts that it loses, out and back.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("length, one way", Field.positive("metres", 30.0, "m").within(0.1, 1000)),
                new Ask("amps", Field.positive("amps", 1.5, "A").within(0.001, 50)),
                new Ask(
                        "volts at its beginning",
                        Field.positive("volts", 24.0, "V").within(0.1, 600)),
                new Ask("may lose", Field.positive("percent", 5.0, "%").within(0.1, 50)),
                new Ask("sizes in", Field.choice("sizes", AWG, AWG, "mm²")),
                new Ask("stranded, flexible", Field.flag("flexible", false)));
    }

    @Override
    public Result choose(Params p) {
        double amps = p.number("amps");
        double percent = p.number("percent");
        List<Working> working = new ArrayList<>();
        List<ConductorSize> sizes = Arrays.stream(ConductorSize.values())
                .filter(s -> s.word().endsWith(AWG) == p.is("sizes", AWG))
                .sorted(Comparator.comparingDouble(ConductorSize::ohmsPerKilometre)
                        .reversed())
                .toList();
        for (ConductorSize s : sizes) {
            double perKm = s.ohmsPerKilometre() * (p.flag("flexible") ? FLEXIBLE : 1);
            double ohms = 2 * p.number("metres") * perKm / 1000;
            double lost = amps * ohms;
            double share = 100 * lost / p.number("volts");
            boolean carries = amps <= s.amps();
            working.add(new Working(
                    s.word().replace("mm2", " mm²").replace(AWG, " AWG"),
                    "2 × %s m × %.2f Ω/km × %s A".formatted(plain(p.number("metres")), perKm, plain(amps)),
                    "%.2f V, %.1f %%%s"
                            .formatted(lost, share, carries ? "" : "; carries " + plain(s.amps()) + " A only")));
            if (carries && share <= percent) {
                return new Result(
                        "%s: %.1f V are left at its end."
                                .formatted(
                                        s.word().replace("mm2", " mm²").replace(AWG, " AWG"), p.number("volts") - lost),
                        true,
                        working,
                        List.of(
                                "The largest fuse or breaker that usually protects it: %s A. Local codes come first."
                                        .formatted(plain(s.protectionAmps())),
                                "Solid copper at 20 °C; the drop counts both ways."),
                        null);
            }
        }
        return new Result(
                "None of these sizes does: feed it from nearer by, or with more volts.",
                false,
                working,
                List.of("Solid copper at 20 °C; the drop counts both ways."),
                null);
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
    }
}
