package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
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

/**
 * {@code boiler}: with its own controls inside. Called by a switched live SL, or in the dry form by joining 1 and 2. Its
 * pump terminal PL is live while it burns and during the overrun, so L must be a feed of its own.
 */
final class Boiler extends PartType {
    private static final double ON = 0.7;

    Boiler() {
        super("boiler", "Boiler", "Burns on a call and may run its pump on afterwards.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("form", "switched-live", "switched-live", "dry"),
                Field.positive("volts", 230.0, "V"),
                Field.positive("watts", 60.0, "W"),
                Field.number("overrunSeconds", 0.0, "s").within(0, 3600));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("L", "N"));
        names.addAll(params.is("form", "dry") ? List.of("1", "2") : List.of("SL"));
        names.add("PL");
        return names;
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.DERIVED_SOURCE, Trait.HEAT_SOURCE);
    }

    @Override
    public boolean makesHeat(Params params, String signal) {
        return signal.equals("on");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "on", "overrun");
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("L-N", "power", "SL-N", "call");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("L", "N", "SL", "PL");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        boolean dry = draft.params().is("form", "dry");
        return new Controls(draft, dry);
    }

    /** @param overrunUntil when the pump stops, or {@link Instant#NEVER} */
    record State(boolean burns, Instant overrunUntil, boolean powered) {}

    private static final class Controls implements Behaviour<State> {
        private final Branch own;
        private final Branch call;
        private final Branch listens;
        private final Branch pump;
        private final double volts;
        private final double watts;
        private final long overrun;

        Controls(PartDraft d, boolean dry) {
            own = d.load("L", "N", Shape.BOX);
            // the dry contact closes a small loop of the boiler's own
            listens = dry ? d.branch("1", "_S", "1", Role.SOURCE, Shape.NONE, false) : null;
            call = dry ? d.branch("_S", "2", "2", Role.LOAD, Shape.NONE, false) : d.load("SL", "N", Shape.BOX);
            pump = d.contact("L", "PL", Shape.CONTACT_OPEN, false);
            volts = d.params().number("volts");
            watts = d.params().number("watts");
            overrun = Time.micros(d.params().number("overrunSeconds"));
        }

        @Override
        public State start(Moment moment) {
            return new State(false, Instant.NEVER, false);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(own, Complex.real(volts * volts / (s.burns() ? watts : 3)));
            if (listens == null) {
                stamp.load(call, Complex.real(volts * volts / 0.5));
            } else {
                stamp.resistance(call, 1000);
                if (s.powered()) {
                    stamp.acSource(listens, Complex.real(24), 1000);
                } else {
                    stamp.resistance(listens, 1000);
                }
            }
            stamp.contact(pump, s.burns() || !s.overrunUntil().isNever());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean powered = m.volts(own) >= ON * volts;
            double asked = m.volts(call);
            double threshold = listens == null ? ON * volts : 6;
            boolean burns = powered && asked >= threshold;
            Instant until =
                    burns || !powered ? Instant.NEVER : s.burns() && overrun > 0 ? m.after(overrun) : s.overrunUntil();
            if (!until.isNever() && until.hasCome(m.now())) {
                State off = new State(false, Instant.NEVER, true);
                return Reaction.change(off, Because.timer("the pump overrun of " + Time.words(overrun) + " is over"));
            }
            Because because = burns
                    ? Because.risen(call, asked, threshold)
                    : powered ? Because.fallen(call, asked, threshold) : Because.fallen(own, m.volts(own), ON * volts);
            return new Reaction<>(new State(burns, until, powered), until, because, null);
        }

        @Override
        public String signal(State s) {
            return s.burns() ? "on" : !s.overrunUntil().isNever() ? "overrun" : "off";
        }
    }
}
