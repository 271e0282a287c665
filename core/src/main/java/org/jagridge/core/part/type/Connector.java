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
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.block.HandContacts;

/** {@code connector}: a plug of several pins that is mated or not. */
final class Connector extends PartType {
    Connector() {
        super("connector", "Plug", "Pins that part together when the plug is pulled.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.number("pins", 4.0, "").within(1, 60));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>();
        for (int i = 1; i <= params.integer("pins"); i++) {
            names.addAll(List.of(i + "a", i + "b"));
        }
        return names;
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("mated", true));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("mated", "apart");
    }

    @Override
    public Set<String> above(Params params) {
        return terminals(params).stream().filter(t -> t.endsWith("a")).collect(Collectors.toSet());
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Branch> pins = new ArrayList<>();
        for (int i = 1; i <= draft.params().integer("pins"); i++) {
            pins.add(draft.contact(i + "a", i + "b", Shape.BAR, true));
        }
        return new HandContacts(pins, "mated", "mated", "apart");
    }
}
