package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Travel;

/** {@code opening}: a vent, door or damper that takes {@code travelSeconds} from shut to open. It has no terminals. */
final class Opening extends PartType {
    Opening() {
        super("opening", "Opening", "A vent, door, damper or hood. Half open is neither shut nor open.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.text("kind", "vent"), Field.positive("travelSeconds", 12.0, "s"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of();
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(
                Field.choice("target", "shut", "shut", "half", "open"),
                Field.choice("movedBy", "opener", "opener", "hand"));
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.STUCK, "at", List.of("shut", "half", "open"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.OPENING);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("shut", "moving", "half", "open").restsOnlyAt("shut");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Leaf(Time.micros(draft.params().number("travelSeconds")));
    }

    /** @param byHand who moves it */
    record State(Travel travel, boolean byHand) {}

    private record Leaf(long whole) implements Behaviour<State> {
        private static double position(String word) {
            return switch (word) {
                case "open" -> 1;
                case "half" -> 0.5;
                default -> 0;
            };
        }

        @Override
        public State start(Moment m) {
            return new State(Travel.rest(position(m.word("target")), whole), false);
        }

        @Override
        public void stamp(State state, Stamp stamp) {}

        @Override
        public Reaction<State> react(State s, Moment m) {
            Travel now = s.travel().toward(end(s.travel(), m), m.now());
            boolean hand = m.word("movedBy").equals("hand");
            boolean turned = now.to() != s.travel().to();
            long way = s.travel().moves() ? m.now().since(s.travel().since()) : 0;
            Because because = turned
                    ? Because.input(hand ? "moved by hand" : "the opener runs")
                    : Because.timer(() -> "the way takes " + Time.words(way));
            return new Reaction<>(
                    new State(now, turned ? hand : s.byHand()), now.arrives(), because, turned ? because : null);
        }

        /** Where it can go: a leaf that sticks at a place goes no farther than that place. */
        private double end(Travel travel, Moment m) {
            double target = position(m.word("target"));
            PartDefect.Stuck stuck = m.fault(PartDefect.Stuck.class);
            return stuck == null ? target : travel.sticking(position(stuck.position()), target, m.now());
        }

        @Override
        public String signal(State s) {
            if (s.travel().moves()) {
                return "moving";
            }
            return s.travel().to() == 0 ? "shut" : s.travel().to() == 1 ? "open" : "half";
        }
    }
}
