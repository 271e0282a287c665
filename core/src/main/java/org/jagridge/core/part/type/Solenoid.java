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
 * {@code solenoid}: the coil of a gas, oil or reversing valve; by VA and power factor, or by plain ohms. A reversing valve
 * also says what the heat pump does while it is energised: {@code cools} (made for O) or {@code heats} (made for B).
 */
final class Solenoid extends PartType {
    Solenoid() {
        super("solenoid", "Solenoid valve", "The coil of a gas, oil or reversing valve. Open while it has its volts.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("volts", 24.0, "V"),
                Field.positive("va", 8.0, "VA"),
                Field.positive("pf", 0.4, "").within(0.01, 1),
                Field.positive("ohms", null, "Ω"),
                Field.choice("kind", "gas valve", "gas valve", "reversing valve", "oil valve"),
                Field.choice("energised", "cools", "cools", "heats"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(params.is("kind", "reversing valve") ? Trait.REVERSING_VALVE : Trait.HEAT_SOURCE);
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
        Params p = draft.params();
        double volts = p.number("volts");
        Complex z = p.has("ohms")
                ? Complex.real(p.number("ohms"))
                : Complex.impedance(volts * volts / p.number("va"), p.number("pf"));
        return new Load(draft.load("1", "2", Shape.SOLENOID), z, volts, Load.ON, true);
    }
}
