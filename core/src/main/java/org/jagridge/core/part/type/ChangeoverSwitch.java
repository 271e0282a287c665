package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;

/** {@code changeover-switch}: joins C to 1 or to 2. */
final class ChangeoverSwitch extends PartType {
    ChangeoverSwitch() {
        super("changeover-switch", "Changeover switch", "Joins its common to one of two terminals.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("C", "1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.choice("position", "1", "1", "2"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.EXCLUSIVE_CONTACTS);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("1", "2");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("C");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Throw(draft.contact("C", "1", Shape.SWITCH, true), draft.contact("C", "2", Shape.SWITCH, false));
    }

    private record Throw(Branch one, Branch two) implements Behaviour<String> {
        @Override
        public String start(Moment moment) {
            return moment.word("position");
        }

        @Override
        public void stamp(String position, Stamp stamp) {
            stamp.contact(one, position.equals("1"));
            stamp.contact(two, position.equals("2"));
        }

        @Override
        public Reaction<String> react(String position, Moment m) {
            return Reaction.change(m.word("position"), Because.input("thrown by hand"));
        }

        @Override
        public String signal(String position) {
            return position;
        }
    }
}
