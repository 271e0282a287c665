package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
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
import org.jagridge.core.part.Trait;

/** {@code limit-switch}: actuated only while its opening is in exactly one state; moving and half are neither. */
final class LimitSwitch extends PartType {
    LimitSwitch() {
        super("limit-switch", "Limit switch", "Actuated only with its opening fully shut (or fully open).");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.part("opening"), Field.choice("actuatedWhen", "shut", "shut", "open"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("C", "NO", "NC");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.FOLLOWS);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("free", "actuated");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("C");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Element(
                draft.contact("C", "NO", Shape.SWITCH, false),
                draft.contact("C", "NC", Shape.SWITCH, true),
                draft.params().textOrNull("opening"),
                draft.params().text("actuatedWhen"));
    }

    private record Element(Branch open, Branch closed, String opening, String when) implements Behaviour<Boolean> {
        @Override
        public Boolean start(Moment moment) {
            return false;
        }

        @Override
        public void stamp(Boolean actuated, Stamp stamp) {
            stamp.contact(open, actuated);
            stamp.contact(closed, !actuated);
        }

        @Override
        public Reaction<Boolean> react(Boolean was, Moment m) {
            String state = opening == null ? null : m.signalOf(opening);
            boolean actuated = when.equals(state);
            return actuated == was
                    ? Reaction.stay(was)
                    : Reaction.change(actuated, Because.link(opening + " is " + state));
        }

        @Override
        public String waitsFor(Boolean actuated, Instant now) {
            return actuated || opening == null ? null : opening + " to be " + when;
        }

        @Override
        public String signal(Boolean actuated) {
            return actuated ? "actuated" : "free";
        }
    }
}
