package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;

/** A timer: its function, range and setting; in the two-wire form also whether its load holds it. */
final class TimerSelector implements Selector {
    private static final double[][] RANGES = {{0.1, 10}, {1, 100}, {6, 480}, {60, 3600}, {600, 36_000}};
    private static final double LEAST_AMPS = 0.020;
    private static final double OFF_OHMS = 20_000;
    private static final double MADE_OHMS = 4;
    private static final double LINE_FROM = 60;
    private static final String SERIES = "two wires in series";
    private static final String BREAK = "delay-on-break";
    private static final String MAKE = "delay-on-make";
    private static final String OFF = "off-delay";

    @Override
    public String key() {
        return "timers";
    }

    @Override
    public String title() {
        return "Timer";
    }

    @Override
    public String about() {
        return "Function, range, setting and form of a timer, and the least load of a two-wire one.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("function", Field.choice("function", MAKE, MAKE, BREAK, OFF, "interval")),
                new Ask("time", Field.positive("seconds", 30.0, "s").within(0.1, 36_000)),
                new Ask("form", Field.choice("form", SERIES, SERIES, "supply of its own")),
                new Ask("volts", Field.positive("volts", 24.0, "V").within(12, 250)),
                new Ask(
                        "what it feeds draws",
                        Field.positive("milliamps", 150.0, "mA").within(0.1, 15_000)));
    }

    @Override
    public Result choose(Params p) {
        double seconds = p.number("seconds");
        double volts = p.number("volts");
        double amps = p.number("milliamps") / 1000;
        boolean series = p.is("form", SERIES);
        String function = p.text("function");
        double[] range = range(seconds);
        List<Working> working = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        working.add(new Working(
                "setting",
                "%s s of %s s".formatted(plain(seconds), plain(range[1])),
                "%.0f %% of the dial".formatted(100 * seconds / range[1])));
        working.add(new Working("volts setting", "%.0f V".formatted(volts), volts >= LINE_FROM ? "line" : "24 V"));
        notes.add("The line setting never times on 24 V; the 24 V setting burns out on line voltage.");
        notes.add(
                switch (function) {
                    case MAKE -> "Any loss of its input starts the wait anew.";
                    case BREAK -> "It stops at once and blocks the next start; it doesn't hold its load.";
                    case OFF -> "It holds its load for that long after its input has gone.";
                    default -> "It feeds its load for that long, however long the input lasts.";
                });
        String what = "%s timer, %s to %s s, set to %s s, %s."
                .formatted(
                        function.replace('-', ' '),
                        plain(range[0]),
                        plain(range[1]),
                        plain(seconds),
                        series ? "two wires in series with its load" : "relay form with a supply of its own");
        String answer = Character.toUpperCase(what.charAt(0)) + what.substring(1);
        if (series && function.equals(OFF)) {
            return new Result(
                    "An off delay holds its load when its input has gone, so it needs a supply of its own: take the"
                            + " relay form.",
                    false,
                    working,
                    notes,
                    null);
        }
        if (!series) {
            notes.add("Its contact feeds the load: mind its rating; there is no least load.");
            return new Result(answer, true, working, notes, null);
        }
        working.add(new Working(
                "least load",
                "%.0f mA against %.0f mA".formatted(amps * 1000, LEAST_AMPS * 1000),
                amps >= LEAST_AMPS ? "enough" : "too little: it may not hold"));
        working.add(new Working(
                "passes while off",
                "%.0f V / %.0f kΩ".formatted(volts, OFF_OHMS / 1000),
                "%.1f mA".formatted(1000 * volts / OFF_OHMS)));
        working.add(new Working(
                "loses while made",
                "%.0f Ω × %.2f A".formatted(MADE_OHMS, amps),
                "%.1f V".formatted(MADE_OHMS * amps)));
        Trial trial = trial(p, range, function);
        String ran = ran(trial, function, seconds);
        working.add(new Working("tried", "as on the bench", ran.isEmpty() ? "its load comes as it should" : ran));
        boolean fits = amps >= LEAST_AMPS && ran.isEmpty();
        if (amps < LEAST_AMPS) {
            notes.add("Put a resistor beside the load so that both together draw %.0f mA, or take the relay form."
                    .formatted(LEAST_AMPS * 1000));
        }
        return new Result(answer, fits, working, notes, trial);
    }

    private static double[] range(double seconds) {
        for (double[] r : RANGES) {
            if (seconds >= r[0] && seconds <= r[1]) {
                return r;
            }
        }
        return RANGES[RANGES.length - 1];
    }

    private static Trial trial(Params p, double[] range, String function) {
        double volts = p.number("volts");
        double seconds = p.number("seconds");
        Circuit circuit = Trials.circuit(
                "timer-trial",
                Map.of(
                        "VOLTS",
                        volts,
                        "FUNCTION",
                        function,
                        "SECONDS",
                        seconds,
                        "LEAST",
                        range[0],
                        "MOST",
                        range[1],
                        "FORM",
                        "series",
                        "SETTING",
                        volts >= LINE_FROM ? "line" : "24V",
                        "LOAD_WATTS",
                        volts * p.number("milliamps") / 1000));
        List<Scenario.Step> steps = new ArrayList<>();
        steps.add(step(1, true));
        if (function.equals(BREAK)) {
            steps.add(step(3, false));
            steps.add(step(3.05, true));
        }
        double until = 5 + 1.2 * seconds;
        return new Trial(circuit, new Scenario("Called", Map.of(), steps, List.of(), until), until - 0.5);
    }

    private static Scenario.Step step(double at, boolean closed) {
        return new Scenario.Step(at, Map.of("CALL.closed", closed), List.of());
    }

    /** What went otherwise than it should; empty where nothing did. */
    private static String ran(Trial trial, String function, double seconds) {
        Trials.Tried tried = new Trials.Tried(trial.circuit(), trial.scenario());
        double early = seconds * 0.9;
        return switch (function) {
            case MAKE ->
                isOn(tried, 1 + early)
                        ? "its load is on before the time"
                        : isOn(tried, 1 + seconds * 1.1) ? "" : "its load doesn't come on";
            case BREAK ->
                !isOn(tried, 2)
                        ? "its load doesn't come on"
                        : isOn(tried, 3 + early)
                                ? "it doesn't block"
                                : isOn(tried, 3 + seconds * 1.1) ? "" : "it stays off";
            default ->
                !isOn(tried, 1 + early)
                        ? "its load doesn't come on"
                        : isOn(tried, 1 + seconds * 1.1) ? "its load stays on" : "";
        };
    }

    /** More than half of the rated volts across the load. */
    private static boolean isOn(Trials.Tried tried, double seconds) {
        return "on".equals(tried.signal("LOAD", seconds));
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
    }
}
