package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Fixed;

/** {@code earth}: a bond to earth of 1 mΩ. */
final class Earth extends PartType {
    Earth() {
        super("earth", "Earth", "A bond to earth.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("E");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.BONDED, Trait.EARTH);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch bond = draft.bond("E");
        return new Fixed(stamp -> stamp.resistance(bond, 0.001));
    }
}
