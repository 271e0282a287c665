package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;

/** {@code start-thermistor}: 25 Ω cold; half a second of start current makes it 10 kΩ; cold again after 3 min. */
final class StartThermistor extends PartType {
    private static final double COLD_OHMS = 25;
    private static final double HOT_OHMS = 10_000;
    private static final double WARMS_AMPS = 0.5;
    private static final long WARMS = Time.SECOND / 2;
    private static final long COOLS = 180 * Time.SECOND;

    StartThermistor() {
        super(
                "start-thermistor",
                "Start thermistor",
                "A push for the start winding that takes itself out as it warms.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("cold", "hot");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Disc(draft.load("1", "2", Shape.RESISTOR));
    }

    /** @param due when it turns hot or cold, or {@link Instant#NEVER} */
    record State(boolean hot, Instant due) {}

    private record Disc(Branch branch) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(false, Instant.NEVER);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.resistance(branch, s.hot() ? HOT_OHMS : COLD_OHMS);
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean fed = s.hot() ? m.volts(branch) > 20 : m.amps(branch) > WARMS_AMPS;
            boolean turns = fed != s.hot();
            if (!turns) {
                return Reaction.stay(new State(s.hot(), Instant.NEVER));
            }
            Instant due = s.due().isNever() ? m.after(s.hot() ? COOLS : WARMS) : s.due();
            if (due.hasCome(m.now())) {
                return Reaction.change(
                        new State(!s.hot(), Instant.NEVER), Because.timer(s.hot() ? "it has cooled" : "it has warmed"));
            }
            return Reaction.waiting(new State(s.hot(), due), due);
        }

        @Override
        public String signal(State s) {
            return s.hot() ? "hot" : "cold";
        }
    }
}
