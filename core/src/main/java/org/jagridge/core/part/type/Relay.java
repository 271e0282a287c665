package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Coil;
import org.jagridge.core.part.block.CoilAndContacts;
import org.jagridge.core.part.block.ContactSets;

/** {@code relay}: a coil A1–A2 and one to four changeover sets. In after 15 ms, out after 10 ms. */
final class Relay extends PartType {
    Relay() {
        super(
                "relay",
                "Relay",
                "A coil that moves one to four sets of contacts. Pulls in at 78 % of its rated volts, lets go at 45 %.");
    }

    @Override
    public String letters() {
        return "K";
    }

    @Override
    public List<Field> params() {
        List<Field> fields = Coil.params(3.5, 6);
        fields.add(Field.number("sets", 1.0, "").within(1, 4));
        return fields;
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("A1", "A2"));
        names.addAll(ContactSets.terminals(params.integer("sets")));
        return names;
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.FOLLOWS);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("out", "in", "burnt", "chatter");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("A1", "A2");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        ContactSets sets = new ContactSets(draft, draft.params().integer("sets"));
        Coil coil = Coil.of(draft.coil("A1", "A2"), draft.params(), 15, 10);
        return new CoilAndContacts(coil, sets::stamp);
    }
}
