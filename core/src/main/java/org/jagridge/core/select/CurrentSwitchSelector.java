package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;

/** A current switch: turns and direction of the conductors through it, and what its contact may switch. */
final class CurrentSwitchSelector implements Selector {
    private static final double CLOSES = 0.8;
    private static final double OPENS = 0.7;
    private static final double CONTACT = 1.5;
    private static final double VOLTS = 120;
    /** The supply of the trial sags by less than that under such loads. */
    private static final double SAG = 1.001;

    private static final double NEXT_TO_NOTHING = 1e-3;

    @Override
    public String key() {
        return "current-switches";
    }

    @Override
    public String title() {
        return "Current switch";
    }

    @Override
    public String about() {
        return "Turns and direction of the conductors through a current switch.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("conductor carries", Field.positive("amps", 3.0, "A").within(0.001, 100)),
                new Ask("turns", Field.positive("turns", 1.0, "").within(1, 20)),
                new Ask("second conductor", Field.choice("other", "none", "none", "same way", "other way")),
                new Ask("carrying", Field.positive("otherAmps", 3.0, "A").within(0.001, 100)),
                new Ask("its turns", Field.positive("otherTurns", 1.0, "").within(1, 20)),
                new Ask(
                        "its contact switches",
                        Field.positive("contactAmps", 0.2, "A").within(0.001, 20)));
    }

    @Override
    public Result choose(Params p) {
        double amps = p.number("amps");
        int turns = p.integer("turns");
        int sign = p.is("other", "none") ? 0 : p.is("other", "same way") ? 1 : -1;
        double other = p.number("otherAmps") * p.integer("otherTurns") * sign;
        double sensed = Math.abs(amps * turns + other);
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                "what it senses",
                sign == 0
                        ? "%.2f A × %d".formatted(amps, turns)
                        : "%.2f A × %d %s %.2f A × %d"
                                .formatted(
                                        amps,
                                        turns,
                                        sign > 0 ? "+" : "−",
                                        p.number("otherAmps"),
                                        p.integer("otherTurns")),
                "%.2f A".formatted(sensed)));
        working.add(new Working(
                "closes, opens",
                "at %s A, at %s A".formatted(CLOSES, OPENS),
                sensed >= CLOSES ? "closes" : "stays open"));
        if (sign == 0) {
            working.add(new Working(
                    "turns needed", "%s A / %.2f A, rounded up".formatted(CLOSES, amps), Long.toString((long)
                            Math.ceil(CLOSES / amps - 1e-9))));
        }
        working.add(new Working(
                "its contact",
                "%.2f A of %s A".formatted(p.number("contactAmps"), CONTACT),
                p.number("contactAmps") <= CONTACT ? "within its rating" : "too much: put a relay between"));
        Trial trial = trial(p, turns, sign);
        Trials.Tried t = new Trials.Tried(trial.circuit(), trial.scenario());
        boolean closes = "closed".equals(t.signal("CS", 5));
        boolean opens = "open".equals(t.signal("CS", 9));
        working.add(new Working(
                "tried",
                "load on, load off",
                (closes ? "closes" : "stays open") + ", " + (opens ? "opens" : "stays closed")));
        boolean fits = closes && opens && p.number("contactAmps") <= CONTACT;
        return new Result(
                fits
                        ? "It closes with the load and opens without it."
                        : closes ? "Its contact switches more than it may." : "It doesn't close with this load.",
                fits,
                working,
                List.of(
                        "Amps times turns count: more turns sense less current. Out and back through it cancel each other.",
                        "AC only. It proves current, not airflow: a seized blower passes."),
                trial);
    }

    private static Trial trial(Params p, int turns, int sign) {
        Circuit circuit = Trials.circuit(
                "current-switch-trial",
                Map.of(
                        "LOAD_WATTS",
                        SAG * VOLTS * p.number("amps"),
                        "OTHER_WATTS",
                        sign == 0 ? NEXT_TO_NOTHING : VOLTS * p.number("otherAmps"),
                        "TURNS",
                        turns,
                        "OTHER_TURNS",
                        sign < 0 ? -p.integer("otherTurns") : p.integer("otherTurns"),
                        "OUT_WATTS",
                        VOLTS * p.number("contactAmps")));
        return new Trial(
                circuit,
                new Scenario(
                        "Load on and off",
                        Map.of(),
                        List.of(
                                new Scenario.Step(2, Map.of("CALL.closed", true), List.of()),
                                new Scenario.Step(7, Map.of("CALL.closed", false), List.of())),
                        List.of(),
                        10),
                5);
    }
}
