package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;

/** Amps and kW of electric heat at the volts that were measured. */
final class HeaterSelector implements Selector {
    private static final double MORE = 1.05;
    private static final double LESS = 0.90;

    @Override
    public String key() {
        return "heater";
    }

    @Override
    public String title() {
        return "Electric heat";
    }

    @Override
    public String about() {
        return "Amps and kW of elements at the volts measured, and the amps within which they are sound.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("rated", Field.positive("kw", 7.5, "kW").within(0.01, 100)),
                new Ask("at", Field.positive("ratedVolts", 240.0, "V").within(12, 600)),
                new Ask("measured there", Field.positive("volts", 231.0, "V").within(12, 600)));
    }

    @Override
    public Result choose(Params p) {
        double rated = p.number("ratedVolts");
        double volts = p.number("volts");
        double ohms = rated * rated / (1000 * p.number("kw"));
        double amps = volts / ohms;
        double kw = volts * amps / 1000;
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                "ohms", "%.0f² V / %.0f W".formatted(rated, 1000 * p.number("kw")), "%.2f Ω".formatted(ohms)));
        working.add(new Working("amps", "%.0f V / %.2f Ω".formatted(volts, ohms), "%.1f A".formatted(amps)));
        working.add(new Working(
                "power", "%.2f kW × (%.0f / %.0f)²".formatted(p.number("kw"), volts, rated), "%.2f kW".formatted(kw)));
        working.add(new Working(
                "sound within",
                "%.1f A × %.2f to × %.2f".formatted(amps, LESS, MORE),
                "%.1f to %.1f A".formatted(amps * LESS, amps * MORE)));
        return new Result(
                "%.1f A and %.2f kW at %.0f V.".formatted(amps, kw, volts),
                true,
                working,
                List.of(
                        "Fewer amps than that: an element or a link is open, or a leg is lost. Measure at the element's own"
                                + " terminals.",
                        "Wire and breaker: the local code's tables decide."),
                null);
    }
}
