package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
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
import org.jagridge.core.part.block.Fixed;

/** {@code splice}: a wire nut; all its posts are joined by 0.1 mΩ. */
final class Splice extends PartType {
    Splice() {
        super("splice", "Splice", "Joins all wires under one nut.");
    }

    @Override
    public String letters() {
        return "J";
    }

    @Override
    public List<Field> params() {
        return List.of(Field.number("posts", 3.0, "").within(2, 50));
    }

    @Override
    public List<String> terminals(Params params) {
        return TerminalStrip.numbered(params.integer("posts"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.JOINT);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Branch> joints = new ArrayList<>();
        for (int i = 2; i <= draft.params().integer("posts"); i++) {
            joints.add(draft.branch("1", "" + i, "1-" + i, Role.CONDUCTOR, Shape.NONE, true));
        }
        return new Fixed(stamp -> joints.forEach(b -> stamp.resistance(b, 1e-4)));
    }
}
