package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Load;

/**
 * {@code resistive-load}: a heating element or the like, R = V²/W. Example: 7.5 kW at 240 V is 7.68 Ω; at 231 V it
 * draws 30.1 A and gives 6.9 kW.
 */
final class ResistiveLoad extends PartType {
    ResistiveLoad() {
        super("resistive-load", "Resistive load", "An element whose power falls with the square of its volts.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("volts", 240.0, "V"),
                Field.positive("watts", 1000.0, "W"),
                Field.text("kind", "heater"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return params.text("kind").contains("strip")
                ? Set.of(Trait.RESISTIVE, Trait.HEAT_SOURCE, Trait.NEEDS_AIR)
                : Set.of(Trait.RESISTIVE);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "on", "burnt");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double volts = draft.params().number("volts");
        Complex z = Complex.real(volts * volts / draft.params().number("watts"));
        return new Load(draft.load("1", "2", Shape.RESISTOR), z, volts, Load.ON, false);
    }
}
