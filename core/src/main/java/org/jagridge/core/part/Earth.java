package org.jagridge.core.part;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;

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
