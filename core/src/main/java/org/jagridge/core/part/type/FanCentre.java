package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.block.Coil;
import org.jagridge.core.part.block.Windings;

/**
 * {@code fan-centre}: transformer and fan relay in one. L and N in, 24 V on R and C; a thermostat across R and G pulls
 * the relay. W and Y are plain posts.
 */
final class FanCentre extends PartType {
    FanCentre() {
        super("fan-centre", "Fan centre", "A transformer and a relay in one box: R–G pulls the relay.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("va", 40.0, "VA"), Field.flag("joined", true));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("L", "N", "COM", "NO", "NC", "R", "C", "G", "W", "Y");
    }

    @Override
    public List<String> cautions() {
        return List.of("Line voltage at COM, NO and NC in a low-voltage box.");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("out", "in", "burnt", "chatter");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("L", "N", "COM", "NO", "NC");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch joint = draft.params().flag("joined") ? draft.link("L", "COM") : null;
        return new Box(
                Windings.between(draft, "L", "N", "R", "C"),
                Coil.small(draft.coil("G", "C")),
                draft.contact("COM", "NO", Shape.CONTACT_OPEN, false),
                draft.contact("COM", "NC", Shape.CONTACT_CLOSED, true),
                joint);
    }

    record State(Windings.State windings, Coil.State coil) {}

    private record Box(Windings windings, Coil coil, Branch open, Branch closed, Branch joint)
            implements Behaviour<State> {
        @Override
        public State start(Moment m) {
            return new State(windings.start(m), Coil.State.OUT);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            windings.stamp(s.windings(), stamp);
            coil.stamp(s.coil(), stamp);
            stamp.contact(open, s.coil().in());
            stamp.contact(closed, !s.coil().in());
            if (joint != null) {
                stamp.contact(joint, true);
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            return Reaction.both(coil.react(s.coil(), m), windings.react(s.windings(), m), (c, w) -> new State(w, c));
        }

        @Override
        public String signal(State s) {
            return s.windings().whole() ? s.coil().word() : "burnt";
        }

        @Override
        public State chattering(State s) {
            return new State(s.windings(), coil.chattering(s.coil()));
        }
    }
}
