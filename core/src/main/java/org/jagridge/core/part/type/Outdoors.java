package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Temperature;

/** {@code outdoors}: the weather. */
final class Outdoors extends PartType {
    Outdoors() {
        super("outdoors", "Outdoors", "The temperature outside.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of();
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.number("celsius", 5.0, "°C").within(-60, 60));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    @Override
    public Map<Input, Object> frost(Part part, Params params) {
        return Map.of(new Input(part.id(), "celsius"), -5.0);
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Weather();
    }

    private static final class Weather implements Behaviour<Double>, Temperature<Double> {
        @Override
        public Double start(Moment m) {
            return m.number("celsius");
        }

        @Override
        public void stamp(Double state, Stamp stamp) {}

        @Override
        public Reaction<Double> react(Double state, Moment m) {
            return Reaction.stay(m.number("celsius"));
        }

        @Override
        public double celsius(Double state, Instant now) {
            return state;
        }

        @Override
        public Instant when(Double state, double target, Instant now) {
            return Instant.NEVER;
        }
    }
}
