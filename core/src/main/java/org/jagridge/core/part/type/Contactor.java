package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Coil;
import org.jagridge.core.part.block.CoilAndContacts;

/** {@code contactor}: a coil A1–A2 and poles L1–T1, L2–T2 …, each a contact or a solid bar. In 25 ms, out 15 ms. */
final class Contactor extends PartType {
    Contactor() {
        super(
                "contactor",
                "Contactor",
                "A coil that closes power poles. A pole that is only a solid bar stays live to the load with the "
                        + "contactor out.");
    }

    @Override
    public String letters() {
        return "CC";
    }

    @Override
    public List<Field> params() {
        List<Field> fields = Coil.params(7.5, 30);
        fields.removeIf(f -> f.name().equals("contactAmps"));
        fields.add(Field.positive("contactAmps", 30.0, "A"));
        fields.add(Field.texts("poles", List.of("contact", "contact")).outOf("contact", "bar"));
        return fields;
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("A1", "A2"));
        for (int i = 1; i <= params.texts("poles").size(); i++) {
            names.addAll(List.of("L" + i, "T" + i));
        }
        return names;
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag(CoilAndContacts.PRESSED, false));
    }

    @Override
    public List<String> cautions() {
        return List.of(
                "Pressed in by hand it starts the load without its safeties: only to test, with someone at the disconnect.",
                "A solid bar keeps one side of the load live with the contactor out. Open the disconnect.");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.BAR_POLES, Trait.FOLLOWS);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("out", "in", "burnt", "chatter");
    }

    @Override
    public Set<String> above(Params params) {
        return terminals(params).stream()
                .filter(t -> t.equals("A1") || t.startsWith("L"))
                .collect(Collectors.toSet());
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Branch> contacts = new ArrayList<>();
        List<Branch> bars = new ArrayList<>();
        List<String> poles = draft.params().texts("poles");
        for (int i = 1; i <= poles.size(); i++) {
            String line = "L" + i;
            String load = "T" + i;
            if (poles.get(i - 1).equals("bar")) {
                bars.add(draft.branch(line, load, line + "-" + load, Role.CONDUCTOR, Shape.BAR, true));
            } else {
                contacts.add(draft.contact(line, load, Shape.CONTACT_OPEN, false));
            }
        }
        Coil coil = Coil.of(draft.coil("A1", "A2"), draft.params(), 25, 15);
        return new CoilAndContacts(
                coil,
                (in, stamp) -> {
                    contacts.forEach(b -> stamp.contact(b, in));
                    bars.forEach(b -> stamp.contact(b, true));
                },
                true);
    }
}
