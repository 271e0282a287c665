package org.jagridge.core.part.type;

import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.block.DirectSource;

/** {@code dc-supply}: direct current between + and −. */
final class DcSupply extends PartType {
    DcSupply() {
        super("dc-supply", "DC supply", "Gives direct current, as some openers and control loops use.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("volts", 28.0, "V"), Field.positive("ohms", 0.5, "Ω"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("+", "-");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("on", true));
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return Optional.of(new Isolation("on", false, "off at its source", true));
    }

    @Override
    public SourceRating source(Params params) {
        return SourceRating.dc(params.number("volts"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("on", "off");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double volts = draft.params().number("volts");
        double ohms = draft.params().number("ohms");
        Branch source = draft.source("+", "-", Role.SOURCE, Shape.DC_SUPPLY);
        return new DirectSource(
                source,
                m -> m.flag("on") ? "on" : "off",
                c -> c.equals("on") ? volts : 0,
                c -> c.equals("on") ? ohms : 1e6);
    }
}
