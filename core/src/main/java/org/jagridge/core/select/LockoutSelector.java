package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;

/** A lockout relay: whether its impedance works with this contactor, found by running both. */
final class LockoutSelector implements Selector {
    private static final double VOLTS = 24;

    @Override
    public String key() {
        return "lockout";
    }

    @Override
    public String title() {
        return "Lockout relay";
    }

    @Override
    public String about() {
        return "Whether a lockout relay's coil works with the contactor that it is in series with after a safety has opened.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("lockout coil", Field.positive("coilOhms", 900.0, "Ω").within(1, 100_000)),
                new Ask("it pulls in at", Field.positive("pullIn", 15.0, "V").within(1, 30)),
                new Ask("it drops out at", Field.positive("dropOut", 6.0, "V").within(0.1, 30)),
                new Ask("contactor, sealed", Field.positive("sealed", 7.5, "VA").within(0.01, 200)),
                new Ask(
                        "contactor, inrush",
                        Field.positive("inrush", 30.0, "VA").within(0.01, 800)),
                new Ask(
                        "fed by a transformer of",
                        Field.positive("va", 40.0, "VA").within(5, 500)));
    }

    @Override
    public Result choose(Params p) {
        double lockout = p.number("coilOhms");
        double open = VOLTS * VOLTS / p.number("inrush");
        Trial trial = trial(p);
        Trials.Tried t = new Trials.Tried(trial.circuit(), trial.scenario());
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                "contactor's coil, armature open",
                "24² V / %.1f VA".formatted(p.number("inrush")),
                "%.1f Ω".formatted(open)));
        working.add(new Working(
                "the lockout coil's share",
                "%.0f / (%.0f + %.1f)".formatted(lockout, lockout, open),
                "about %.0f %% of the volts".formatted(100 * lockout / (lockout + open))));
        working.add(new Working(
                "called, safety closed",
                "run",
                "contactor %s, lockout relay %s".formatted(t.signal("CC", 30), t.signal("LR", 30))));
        working.add(new Working(
                "safety open",
                "run",
                "contactor %s with %.1f V, lockout relay %s with %.1f V"
                        .formatted(t.signal("CC", 90), t.volts("CC", 90), t.signal("LR", 90), t.volts("LR", 90))));
        working.add(new Working(
                "safety closed again",
                "run",
                "contactor %s, lockout relay %s".formatted(t.signal("CC", 150), t.signal("LR", 150))));
        working.add(new Working(
                "call taken off and made again",
                "run",
                "contactor %s, lockout relay %s".formatted(t.signal("CC", 250), t.signal("LR", 250))));
        String wrong = wrong(t);
        return new Result(
                wrong.isEmpty()
                        ? "It works with this contactor: it locks out, stays, and is reset by its feed."
                        : wrong,
                wrong.isEmpty(),
                working,
                List.of(
                        "It is reset by taking away its feed: fed from Y, a thermostat that cycles resets it; fed from R, only a"
                                + " switch does.",
                        "It shows that a safety has opened, not why. Never bridge the safety."),
                trial);
    }

    private static String wrong(Trials.Tried t) {
        if (!"in".equals(t.signal("CC", 30))) {
            return "The contactor doesn't come in with this transformer, with the safety closed.";
        }
        if ("in".equals(t.signal("CC", 90))) {
            return "The contactor stays in through the lockout coil: its impedance is too low against the contactor's.";
        }
        if (!"in".equals(t.signal("LR", 90))) {
            return "The lockout relay gets %.1f V and doesn't pull in: its share is too small for this contactor, and nothing"
                            .formatted(t.volts("LR", 90))
                    + " locks out.";
        }
        if ("in".equals(t.signal("CC", 150))) {
            return "It doesn't hold: the contactor comes in again when the safety closes.";
        }
        return "in".equals(t.signal("CC", 250)) ? "" : "It can't be reset by taking the call away.";
    }

    private static Trial trial(Params p) {
        Circuit circuit = Trials.circuit(
                "lockout",
                Map.of(
                        "COIL_OHMS", p.number("coilOhms"),
                        "PULL_IN", p.number("pullIn"),
                        "DROP_OUT", p.number("dropOut"),
                        "SEALED", p.number("sealed"),
                        "INRUSH", p.number("inrush"),
                        "VA", p.number("va")));
        List<Scenario.Step> steps = List.of(
                step(5, "Y.closed", true),
                step(60, "SAFE.tripped", true),
                step(120, "SAFE.tripped", false),
                step(200, "Y.closed", false),
                step(205, "Y.closed", true));
        return new Trial(circuit, new Scenario("A safety opens and closes", Map.of(), steps, List.of(), 260), 90);
    }

    private static Scenario.Step step(double at, String input, boolean value) {
        return new Scenario.Step(at, Map.of(input, value), List.of());
    }
}
