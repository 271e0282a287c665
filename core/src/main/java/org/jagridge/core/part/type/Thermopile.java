package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.DirectSource;

/**
 * {@code thermopile}: 750 mV open circuit behind 2 Ω while the pilot burns. The loop's resistance decides whether the
 * valve holds. Example: 2 Ω inside, a coil of 2.4 Ω and 0.53 Ω of wire: 750 mV × 2.4/4.93 = 365 mV at the coil.
 */
final class Thermopile extends PartType {
    Thermopile() {
        super("thermopile", "Thermopile", "Makes under a volt from the pilot flame. Every ohm in its loop counts.");
    }

    @Override
    public String letters() {
        return "TP";
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("millivolts", 750.0, "mV"), Field.positive("ohms", 2.0, "Ω"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("+", "-");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("pilotLit", true));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.HARMLESS_SOURCE);
    }

    @Override
    public SourceRating source(Params params) {
        return SourceRating.dc(0);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("on", "off");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double volts = draft.params().number("millivolts") / 1000;
        double ohms = draft.params().number("ohms");
        return new DirectSource(
                draft.source("+", "-", Role.SOURCE, Shape.THERMOPILE),
                m -> m.flag("pilotLit") ? "on" : "off",
                c -> c.equals("on") ? volts : 0,
                c -> ohms);
    }
}
