package org.jagridge.core.part.type;

import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.block.DirectSource;

/** {@code battery}: weak ones hold 80 % of their volts behind ten times the resistance; flat ones give nothing. */
final class Battery extends PartType {
    Battery() {
        super("battery", "Battery", "Dry cells. Weak ones still show volts, but can't drive a load.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("volts", 3.0, "V"), Field.positive("ohms", 0.3, "Ω"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("+", "-");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.choice("state", "good", "good", "weak", "flat"));
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return Optional.of(new Isolation("state", "flat", "take out", true));
    }

    @Override
    public SourceRating source(Params params) {
        return SourceRating.dc(params.number("volts"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("good", "weak", "flat");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double volts = draft.params().number("volts");
        double ohms = draft.params().number("ohms");
        return new DirectSource(
                draft.source("+", "-", Role.SOURCE, Shape.BATTERY),
                m -> m.word("state"),
                c -> c.equals("good") ? volts : c.equals("weak") ? 0.8 * volts : 0,
                c -> c.equals("good") ? ohms : 10 * ohms);
    }
}
