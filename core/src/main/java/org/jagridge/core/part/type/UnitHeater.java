package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
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
import org.jagridge.core.part.block.Windings;

/**
 * {@code unit-heater}: a radiant tube or fan heater with its own ignition. Called by joining R and W of its own 24 V, or
 * by its line supply. Call → purge → burning; after the call it runs on to clear itself, for which it needs its supply:
 * break the call, never the supply.
 */
final class UnitHeater extends PartType {
    UnitHeater() {
        super("unit-heater", "Unit heater", "A tube or fan heater that lights itself on a call and purges after it.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("call", "24V-pair", "24V-pair", "line"),
                Field.positive("volts", 120.0, "V"),
                Field.positive("amps", 1.5, "A"),
                Field.number("purgeSeconds", 30.0, "s").within(0, 600),
                Field.number("overrunSeconds", 60.0, "s").within(0, 600),
                Field.number("trials", 3.0, "").within(1, 10),
                Field.positive("va", 20.0, "VA"));
    }

    @Override
    public List<String> terminals(Params params) {
        return params.is("call", "line") ? List.of("L", "N") : List.of("L", "N", "R", "W");
    }

    @Override
    public List<String> cautions() {
        return List.of(
                "Break its call, never its supply: it must purge.",
                "Its 24 V is its own. Never parallel the pairs of two heaters.");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.CONDITION, "condition", List.of("no-flame", "blocked-flue"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return params.is("call", "24V-pair") ? Set.of(Trait.HEAT_SOURCE, Trait.OWN_PAIR) : Set.of(Trait.HEAT_SOURCE);
    }

    @Override
    public boolean makesHeat(Params params, String signal) {
        return signal.equals("burning");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "purge", "burning", "overrun", "lockout");
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("L-N", "burner and fan");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("L", "N");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Burner(draft);
    }

    enum Phase {
        OFF("off"),
        PURGE("purge"),
        BURNING("burning"),
        OVERRUN("overrun"),
        LOCKOUT("lockout");

        private final String word;

        Phase(String word) {
            this.word = word;
        }
    }

    record State(Phase phase, Instant due, int failures, Windings.State windings) {
        State to(Phase next, Instant until) {
            return new State(next, until, failures, windings);
        }
    }

    private static final class Burner implements Behaviour<State> {
        private static final double ON = 0.7;
        private static final double CALL_VOLTS = 16;
        private static final Instant NEVER = Instant.NEVER;

        private final Branch line;
        private final Branch call;
        private final Windings windings;
        private final double volts;
        private final double amps;
        private final long purge;
        private final long overrun;
        private final int trials;

        Burner(PartDraft d) {
            Params p = d.params();
            line = d.load("L", "N", Shape.UNIT_HEATER);
            boolean pair = p.is("call", "24V-pair");
            windings = pair ? Windings.between(d, "L", "N", "R", "_C") : null;
            call = pair ? d.branch("W", "_C", "W", Role.LOAD, Shape.BOX, false) : null;
            volts = p.number("volts");
            amps = p.number("amps");
            purge = Time.micros(p.number("purgeSeconds"));
            overrun = Time.micros(p.number("overrunSeconds"));
            trials = p.integer("trials");
        }

        @Override
        public State start(Moment m) {
            return new State(Phase.OFF, NEVER, 0, windings == null ? null : windings.start(m));
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            boolean idle = s.phase() == Phase.OFF || s.phase() == Phase.LOCKOUT;
            stamp.load(line, Complex.impedance(volts / (idle ? 0.02 * amps : amps), 0.8));
            if (windings != null) {
                windings.stamp(s.windings(), stamp);
                stamp.load(call, Complex.real(24 * 24 / 3.0));
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            Reaction<Windings.State> w = windings == null ? null : windings.react(s.windings(), m);
            State fresh = w == null ? s : new State(s.phase(), s.due(), s.failures(), w.state());
            Reaction<State> r = burn(fresh, m);
            return w == null ? r : r.wake(w.wakeAt());
        }

        private Reaction<State> burn(State s, Moment m) {
            double fed = m.acVolts(line);
            if (fed < ON * volts) {
                State dead = new State(Phase.OFF, NEVER, 0, s.windings());
                return Reaction.change(dead, Because.fallen(line, fed, ON * volts));
            }
            double asked = call == null ? fed : m.acVolts(call);
            boolean calls = call == null || asked >= CALL_VOLTS;
            Because voltsNow = call == null
                    ? Because.risen(line, fed, ON * volts)
                    : calls ? Because.risen(call, asked, CALL_VOLTS) : Because.fallen(call, asked, CALL_VOLTS);
            boolean due = s.due().hasCome(m.now());
            return switch (s.phase()) {
                case OFF -> calls ? to(s, Phase.PURGE, m.after(purge), voltsNow) : Reaction.stay(s);
                case PURGE ->
                    !calls
                            ? to(s, Phase.OVERRUN, m.after(overrun), voltsNow)
                            : due ? light(s, m) : Reaction.waiting(s, s.due());
                case BURNING ->
                    !calls
                            ? to(s, Phase.OVERRUN, m.after(overrun), voltsNow)
                            : isDisturbed(m)
                                    ? to(
                                            s,
                                            Phase.PURGE,
                                            m.after(purge),
                                            Because.link(
                                                    m.condition("no-flame")
                                                            ? "the flame is lost"
                                                            : "the flue is blocked: no draft"))
                                    : Reaction.stay(s);
                case OVERRUN ->
                    calls
                            ? to(s, Phase.PURGE, m.after(purge), voltsNow)
                            : due
                                    ? to(s, Phase.OFF, NEVER, Because.timer("overrun is over"))
                                    : Reaction.waiting(s, s.due());
                case LOCKOUT ->
                    calls
                            ? Reaction.stay(s)
                            : to(new State(s.phase(), NEVER, 0, s.windings()), Phase.OFF, NEVER, voltsNow);
            };
        }

        private static boolean isDisturbed(Moment m) {
            return m.condition("no-flame") || m.condition("blocked-flue");
        }

        private Reaction<State> light(State s, Moment m) {
            if (!isDisturbed(m)) {
                State lit = new State(Phase.BURNING, NEVER, 0, s.windings());
                return Reaction.change(lit, Because.timer("purged for " + Time.words(purge)));
            }
            int failures = s.failures() + 1;
            State next = new State(s.phase(), NEVER, failures, s.windings());
            return failures >= trials
                    ? to(next, Phase.LOCKOUT, NEVER, Because.timer("it didn't light, " + failures + " times"))
                    : to(next, Phase.PURGE, m.after(purge), Because.timer("it didn't light"));
        }

        private static Reaction<State> to(State s, Phase next, Instant until, Because because) {
            return new Reaction<>(s.to(next, until), until, because, until.isNever() ? null : because);
        }

        @Override
        public String signal(State s) {
            return s.phase().word;
        }
    }
}
