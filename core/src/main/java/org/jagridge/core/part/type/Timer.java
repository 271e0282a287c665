package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.ContactSets;
import org.jagridge.core.part.block.Stress;

/**
 * {@code timer}, in two forms. {@code series}: two wires IN–OUT in series with the load, 20 kΩ off and 4 Ω made; it
 * times while its setting's volts stand across it and holds while at least 5 mA flow. {@code relay}: its own supply
 * A1–A2, a changeover set, and a trigger TR for the functions that begin when something ends.
 *
 * <table>
 * <caption>Functions</caption>
 * <tr><td>delay-on-make</td><td>input on → wait → made; any loss of input resets at once</td></tr>
 * <tr><td>delay-on-break</td><td>made at once; after the end it blocks a new start (anti-short-cycle)</td></tr>
 * <tr><td>off-delay</td><td>made at once; holds the load on for the delay after the end (fan overrun)</td></tr>
 * <tr><td>interval</td><td>made at once, for the delay</td></tr>
 * <tr><td>repeat</td><td>made and off in turn, each for the delay</td></tr>
 * </table>
 */
final class Timer extends PartType {
    private static final double OFF_OHMS = 20_000;
    private static final double MADE_OHMS = 4;
    private static final double LEAST_VOLTS = 12;
    private static final double LEAST_LINE_VOLTS = 60;
    private static final double HOLDING_AMPS = 0.005;
    private static final double OWN_OHMS = 24 * 24 / 2.0;

    Timer() {
        super("timer", "Timer", "Delays, blocks, holds or repeats.");
    }

    @Override
    public String letters() {
        return "TD";
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice(
                        "function",
                        "delay-on-make",
                        "delay-on-make",
                        "delay-on-break",
                        "off-delay",
                        "interval",
                        "repeat"),
                Field.positive("seconds", 300.0, "s"),
                Field.positive("minSeconds", 6.0, "s"),
                Field.positive("maxSeconds", 480.0, "s"),
                Field.choice("form", "series", "series", "relay"),
                Field.choice("setting", "24V", "24V", "line"));
    }

    @Override
    public List<String> terminals(Params params) {
        if (params.is("form", "series")) {
            return List.of("IN", "OUT");
        }
        List<String> names = new ArrayList<>(List.of("A1", "A2", "11", "12", "14"));
        if (params.is("function", "delay-on-break") || params.is("function", "off-delay")) {
            names.add("TR");
        }
        return names;
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        String other = params.is("setting", "24V") ? "line" : "24V";
        return List.of(Fault.of(FaultKind.WRONG_SETTING, "part", part.id(), "param", "setting", "value", other));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.DIAL);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("idle", "timing", "made", "blocked", "burnt");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("IN");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        long delay = Time.micros(p.number("seconds"));
        double least = p.is("setting", "line") ? LEAST_LINE_VOLTS : LEAST_VOLTS;
        double rated = p.is("setting", "line") ? 240 : 24;
        if (p.is("form", "series")) {
            Branch way = draft.branch("IN", "OUT", "IN-OUT", Role.CONTACT, shape(p), false);
            return new Series(way, p.text("function"), delay, least, rated);
        }
        boolean triggered = draft.terminals().contains("TR");
        return new RelayForm(
                draft.load("A1", "A2", shape(p)),
                triggered ? draft.load("TR", "A2", Shape.BOX) : null,
                new ContactSets(draft, 1),
                p.text("function"),
                delay,
                least,
                rated);
    }

    private static Shape shape(Params params) {
        return switch (params.text("function")) {
            case "delay-on-make" -> Shape.ON_DELAY;
            case "delay-on-break" -> Shape.BLOCKS_RESTART;
            case "interval" -> Shape.INTERVAL;
            case "repeat" -> Shape.REPEAT;
            default -> Shape.OFF_DELAY;
        };
    }

    enum Phase {
        IDLE("idle"),
        TIMING("timing"),
        MADE("made"),
        BLOCKED("blocked"),
        BURNT("burnt");

        private final String word;

        Phase(String word) {
            this.word = word;
        }
    }

    /** @param until when the present phase ends, or {@link Instant#NEVER} */
    record State(Phase phase, Instant until, boolean input, Stress stress) {
        static final State IDLE = new State(Phase.IDLE, Instant.NEVER, false, Stress.NONE);

        State to(Phase next, Instant end, boolean on) {
            return new State(next, end, on, stress);
        }
    }

    /** The next phase by the function's rule, for an input that is on or off now. */
    private static State step(State s, String function, long delay, boolean on, Instant now) {
        boolean over = s.until().hasCome(now);
        boolean begins = on && !s.input();
        boolean ends = !on && s.input();
        return switch (function) {
            case "delay-on-make" -> {
                if (!on) {
                    yield s.to(Phase.IDLE, Instant.NEVER, false);
                }
                if (s.phase() == Phase.IDLE) {
                    yield s.to(Phase.TIMING, now.plus(delay), true);
                }
                yield over ? s.to(Phase.MADE, Instant.NEVER, true) : s;
            }
            case "delay-on-break" -> {
                if (s.phase() == Phase.BLOCKED) {
                    yield over
                            ? s.to(on ? Phase.MADE : Phase.IDLE, Instant.NEVER, on)
                            : s.to(Phase.BLOCKED, s.until(), on);
                }
                if (s.phase() == Phase.MADE && !on) {
                    yield s.to(Phase.BLOCKED, now.plus(delay), false);
                }
                yield on ? s.to(Phase.MADE, Instant.NEVER, true) : s;
            }
            case "off-delay" -> {
                if (on) {
                    yield s.to(Phase.MADE, Instant.NEVER, true);
                }
                if (ends) {
                    yield s.to(Phase.TIMING, now.plus(delay), false);
                }
                yield over ? s.to(Phase.IDLE, Instant.NEVER, false) : s;
            }
            case "interval" -> {
                if (!on) {
                    yield s.to(Phase.IDLE, Instant.NEVER, false);
                }
                yield begins
                        ? s.to(Phase.MADE, now.plus(delay), true)
                        : over ? s.to(Phase.IDLE, Instant.NEVER, true) : s;
            }
            default -> {
                if (!on) {
                    yield s.to(Phase.IDLE, Instant.NEVER, false);
                }
                if (begins || (over && s.phase() == Phase.TIMING)) {
                    yield s.to(Phase.MADE, now.plus(delay), true);
                }
                yield over ? s.to(Phase.TIMING, now.plus(delay), true) : s;
            }
        };
    }

    /** The time that is left of a phase, or null for one that has no end. */
    private static String left(State s, Instant now) {
        return s.until().isNever() ? null : Time.words(Math.max(0, s.until().since(now))) + " more";
    }

    /** Whether the contact is made in a phase: an off delay's time is one during which it still holds. */
    private static boolean made(State s, String function) {
        return s.phase() == Phase.MADE || (s.phase() == Phase.TIMING && function.equals("off-delay"));
    }

    private static Reaction<State> reaction(
            State s, State next, Branch sense, double volts, double least, boolean on, long delay) {
        boolean byTime = !s.until().isNever() && next.input() == s.input() && next.phase() != s.phase();
        Because because = byTime
                ? Because.timer(Time.words(delay) + " are over")
                : on ? Because.risen(sense, volts, least) : Because.fallen(sense, volts, least);
        boolean begins = !next.until().equals(s.until()) && !next.until().isNever();
        Instant wake = Instant.earliest(next.until(), next.stress().breaksAt());
        return new Reaction<>(next, wake, because, begins ? because : null);
    }

    private record Series(Branch way, String function, long delay, double least, double rated)
            implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return State.IDLE;
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            if (s.phase() == Phase.BURNT) {
                stamp.open(way);
            } else {
                stamp.resistance(way, made(s, function) ? MADE_OHMS : OFF_OHMS);
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            if (s.phase() == Phase.BURNT) {
                return Reaction.stay(s);
            }
            double volts = m.volts(way);
            Stress stress = s.stress().byVolts(volts, rated, m.now());
            if (stress.broken(m.now())) {
                return Reaction.change(
                        new State(Phase.BURNT, Instant.NEVER, false, Stress.NONE), stress.because(way, volts, rated));
            }
            boolean made = made(s, function);
            boolean on = made ? m.amps(way) >= HOLDING_AMPS : volts >= least;
            State fresh = new State(s.phase(), s.until(), s.input(), stress);
            State next = step(fresh, function, delay, on, m.now());
            Reaction<State> reaction = reaction(s, next, way, volts, least, on, delay);
            return made && !on ? Reaction.change(next, lost(m)).wake(reaction.wakeAt()) : reaction;
        }

        /** It lives on what its load draws. */
        private Because lost(Moment m) {
            double amps = m.amps(way);
            return new Because(
                    Because.Kind.AMPS,
                    () -> "%.1f mA through it: it holds from 5 mA on".formatted(amps * 1000),
                    amps,
                    HOLDING_AMPS,
                    way,
                    true,
                    false);
        }

        @Override
        public String waitsFor(State s, Instant now) {
            return left(s, now);
        }

        @Override
        public String signal(State s) {
            return s.phase().word;
        }
    }

    private record RelayForm(
            Branch supply, Branch trigger, ContactSets sets, String function, long delay, double least, double rated)
            implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return State.IDLE;
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            if (s.phase() == Phase.BURNT) {
                stamp.open(supply);
            } else {
                stamp.load(supply, Complex.real(OWN_OHMS * rated * rated / (24 * 24)));
            }
            if (trigger != null) {
                stamp.load(trigger, Complex.real(10 * OWN_OHMS));
            }
            sets.stamp(made(s, function), stamp);
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            if (s.phase() == Phase.BURNT) {
                return Reaction.stay(s);
            }
            double volts = m.volts(supply);
            Stress stress = s.stress().byVolts(volts, rated, m.now());
            if (stress.broken(m.now())) {
                return Reaction.change(
                        new State(Phase.BURNT, Instant.NEVER, false, Stress.NONE),
                        stress.because(supply, volts, rated));
            }
            boolean powered = volts >= least;
            Branch sense = trigger == null ? supply : trigger;
            boolean on = powered && m.volts(sense) >= least;
            State fresh = new State(s.phase(), s.until(), s.input(), stress);
            State next = powered
                    ? step(fresh, function, delay, on, m.now())
                    : new State(Phase.IDLE, Instant.NEVER, false, stress);
            return reaction(s, next, powered ? sense : supply, powered ? m.volts(sense) : volts, least, on, delay);
        }

        @Override
        public String waitsFor(State s, Instant now) {
            return left(s, now);
        }

        @Override
        public String signal(State s) {
            return s.phase().word;
        }
    }
}
