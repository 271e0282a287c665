package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;

/** A control transformer and its fuse: the smallest that holds everything and pulls in the largest coil last. */
final class TransformerSelector implements Selector {
    private static final double[] SIZES = {20, 40, 60, 75, 100, 150, 250};
    private static final double[] FUSES = {1, 2, 3, 5, 7.5, 10, 15};
    private static final double VOLTS = 24;
    private static final double REGULATION = 0.12;
    private static final double SHARE = 0.8;
    private static final double IN = 0.78;
    private static final double INRUSH = 1.7;
    /** How long a fast fuse holds at √(2.21) of its amps; see the fuse's own heating. */
    private static final double FAST_SECONDS = 1.5;

    private static final double HOLDS = 1.21;

    @Override
    public String key() {
        return "transformers";
    }

    @Override
    public String title() {
        return "Transformer and fuse";
    }

    @Override
    public String about() {
        return "The smallest control transformer that carries the sealed coils and still pulls in the largest one.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask(
                        "largest coil, sealed",
                        Field.positive("bigSealed", 7.5, "VA").within(0.1, 200)),
                new Ask(
                        "largest coil, inrush",
                        Field.positive("bigInrush", 30.0, "VA").within(0.1, 800)),
                new Ask(
                        "all the others, sealed",
                        Field.positive("rest", 12.0, "VA").within(0.1, 200)),
                new Ask(
                        "volts at its primary",
                        Field.positive("primaryVolts", 120.0, "V").within(80, 300)),
                new Ask("tap", Field.positive("tap", 120.0, "V").within(100, 300)));
    }

    @Override
    public Result choose(Params p) {
        double sealed = p.number("bigSealed") + p.number("rest");
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                "sealed together",
                "(%.1f + %.1f) VA / %s".formatted(p.number("bigSealed"), p.number("rest"), SHARE),
                "%.1f VA at the least".formatted(sealed / SHARE)));
        double factor = p.number("primaryVolts") / p.number("tap");
        working.add(new Working(
                "volts with no load",
                "24 V × %.2f × %.0f / %.0f".formatted(1 + REGULATION, p.number("primaryVolts"), p.number("tap")),
                "%.1f V".formatted(VOLTS * (1 + REGULATION) * factor)));
        for (double va : SIZES) {
            if (va < sealed / SHARE) {
                continue;
            }
            Trial trial = trial(p, va);
            Trials.Tried t = new Trials.Tried(trial.circuit(), trial.scenario());
            boolean in = "in".equals(t.signal("BIG", 8)) && "in".equals(t.signal("REST", 8));
            working.add(new Working(
                    "%.0f VA, tried".formatted(va),
                    "the largest coil last",
                    "%s; %.1f V at the worst, %.1f V then"
                            .formatted(
                                    in ? "both in" : "it doesn't pull in",
                                    t.leastVolts("REST", 4.9),
                                    t.volts("REST", 8))));
            if (in) {
                return chosen(p, va, working, trial);
            }
        }
        return new Result(
                factor < IN / (1 + REGULATION)
                        ? "On this tap no coil pulls in: the primary gets too little for it."
                        : "No usual control transformer does: split the loads, or feed the large coil through a relay.",
                false,
                working,
                List.of(),
                null);
    }

    private static Result chosen(Params p, double va, List<Working> working, Trial trial) {
        double ohms = REGULATION * VOLTS * VOLTS / va;
        double fuse = fuse(va);
        double open = VOLTS * (1 + REGULATION) * p.number("primaryVolts") / p.number("tap");
        double shorted = open / ohms;
        double times = shorted / fuse;
        working.add(new Working(
                "its fuse",
                "%.0f VA / 24 V = %.2f A, the next size".formatted(va, va / VOLTS),
                "%s A".formatted(plain(fuse))));
        working.add(
                new Working("R shorted to C", "%.1f V / %.2f Ω".formatted(open, ohms), "%.1f A".formatted(shorted)));
        working.add(new Working(
                "a fast fuse opens in",
                "%s s / (%.1f² − %s)".formatted(FAST_SECONDS, times, HOLDS),
                times * times > HOLDS
                        ? "%.2f s".formatted(FAST_SECONDS / (times * times - HOLDS))
                        : "never: it would burn out first"));
        ConductorSize wire = Arrays.stream(ConductorSize.values())
                .filter(s -> s.protectionAmps() >= fuse)
                .min((a, b) -> Double.compare(a.protectionAmps(), b.protectionAmps()))
                .orElseThrow();
        List<String> notes = new ArrayList<>();
        double actual = p.number("primaryVolts") / p.number("tap");
        if (actual < 0.9 || actual > 1.1) {
            notes.add("The primary is on a tap for %.0f V and gets %.0f V: use the tap that fits."
                    .formatted(p.number("tap"), p.number("primaryVolts")));
        }
        notes.add("Conductors from %s on are protected by that fuse. R is never linked to C.".formatted(wire.word()));
        return new Result("%.0f VA with a %s A fuse in R.".formatted(va, plain(fuse)), true, working, notes, trial);
    }

    private static double fuse(double va) {
        return Arrays.stream(FUSES).filter(f -> f >= va / VOLTS).findFirst().orElse(FUSES[FUSES.length - 1]);
    }

    private static Trial trial(Params p, double va) {
        Circuit circuit = Trials.circuit(
                "transformer-trial",
                Map.of(
                        "PRIMARY_VOLTS", p.number("primaryVolts"),
                        "TAP", p.number("tap"),
                        "VA", va,
                        "FUSE", fuse(va),
                        "BIG_SEALED", p.number("bigSealed"),
                        "BIG_INRUSH", p.number("bigInrush"),
                        "REST_SEALED", p.number("rest"),
                        "REST_INRUSH", INRUSH * p.number("rest")));
        return new Trial(
                circuit,
                new Scenario(
                        "The largest coil last",
                        Map.of(),
                        List.of(new Scenario.Step(5, Map.of("CALL.closed", true), List.of())),
                        List.of(),
                        10),
                8);
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
    }
}
