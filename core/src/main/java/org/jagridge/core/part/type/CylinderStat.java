package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;

/** {@code cylinder-stat}: joins C to 1 while the water is to be heated, to 2 when it is hot enough. */
final class CylinderStat extends PartType {
    private static final double SET_CELSIUS = 60;

    CylinderStat() {
        super("cylinder-stat", "Cylinder thermostat", "Joins its common to 1 while it calls, to 2 when satisfied.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.number("differentialK", 3.0, "K").within(0, 20), Field.temperatureOf("reads"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("C", "1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        Field set = Field.number("setCelsius", SET_CELSIUS, "°C").within(20, 90);
        return params.has("reads")
                ? List.of(set)
                : List.of(Field.number("celsius", 40.0, "°C").within(-20, 110), set);
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.EXCLUSIVE_CONTACTS, Trait.CYLINDER);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("calls", "satisfied");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("C");
    }

    @Override
    public Map<Input, List<Double>> cuts(Part part, Params params) {
        return Map.of(
                new Input(params.has("reads") ? params.text("reads") : part.id(), "celsius"),
                List.of(SET_CELSIUS - params.number("differentialK"), SET_CELSIUS));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Bimetal(
                draft.contact("C", "1", Shape.THERMOSTAT, true),
                draft.contact("C", "2", Shape.THERMOSTAT, false),
                draft.params().number("differentialK"),
                draft.params().textOrNull("reads"));
    }

    private record Bimetal(Branch calls, Branch satisfied, double differential, String reads)
            implements Behaviour<Boolean> {
        private double water(Moment m) {
            return reads == null ? m.number("celsius") : m.celsiusOf(reads);
        }

        @Override
        public Boolean start(Moment m) {
            return m.number("setCelsius") > water(m);
        }

        @Override
        public void stamp(Boolean on, Stamp stamp) {
            stamp.contact(calls, on);
            stamp.contact(satisfied, !on);
        }

        @Override
        public Reaction<Boolean> react(Boolean was, Moment m) {
            double water = water(m);
            double set = m.number("setCelsius");
            boolean now = was ? water < set : water <= set - differential;
            Instant wake = reads == null
                    ? Instant.NEVER
                    : Instant.earliest(m.whenCelsius(reads, set), m.whenCelsius(reads, set - differential));
            return new Reaction<>(
                    now, wake, Because.temperature(() -> "water %.1f °C, set %.1f °C".formatted(water, set)), null);
        }

        @Override
        public String signal(Boolean on) {
            return on ? "calls" : "satisfied";
        }
    }
}
