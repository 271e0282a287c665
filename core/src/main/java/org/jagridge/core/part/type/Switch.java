package org.jagridge.core.part.type;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.HandContacts;

/** {@code switch}: two terminals joined or not, as a hand puts it. */
final class Switch extends PartType {
    Switch() {
        super("switch", "Switch", "Two terminals that a hand joins or parts.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("kind", "toggle", "toggle", "door", "push", "service"),
                Field.choice("rest", "open", "open", "closed"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("closed", params.is("rest", "closed")));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.HAND_SWITCH);
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return params.is("kind", "service")
                ? Optional.of(new Isolation("closed", false, "open, lock, tag", false))
                : Optional.empty();
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("closed", "open");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Shape shape = draft.params().is("kind", "push") ? Shape.PUSH_BUTTON : Shape.SWITCH;
        Branch contact = draft.contact("1", "2", shape, draft.params().is("rest", "closed"));
        return new HandContacts(List.of(contact), "closed", "closed", "open");
    }
}
