package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
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

/** {@code temperature-switch}: opens at one temperature and closes at another. */
final class TemperatureSwitch extends PartType {
    TemperatureSwitch() {
        super(
                "temperature-switch",
                "Temperature switch",
                "A bimetal that opens at one temperature and closes at another.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("form", "two", "two", "changeover"),
                Field.number("opensAtCelsius", 90.0, "°C"),
                Field.number("closesAtCelsius", 70.0, "°C"),
                Field.temperatureOf("reads"));
    }

    @Override
    public List<Problem> mistakesIn(Params params) {
        return params.number("opensAtCelsius") == params.number("closesAtCelsius")
                ? List.of(new Problem("closesAtCelsius", "must differ from opensAtCelsius"))
                : List.of();
    }

    @Override
    public List<String> terminals(Params params) {
        return params.is("form", "changeover") ? List.of("C", "NC", "NO") : List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return params.has("reads") ? List.of() : List.of(Field.number("celsius", 20.0, "°C"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("closed", "open");
    }

    @Override
    public Map<Input, List<Double>> cuts(Part part, Params params) {
        return Map.of(
                new Input(params.has("reads") ? params.text("reads") : part.id(), "celsius"),
                List.of(params.number("opensAtCelsius"), params.number("closesAtCelsius")));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        boolean changeover = p.is("form", "changeover");
        return new Bimetal(
                changeover
                        ? draft.contact("C", "NC", Shape.TEMPERATURE, true)
                        : draft.contact("1", "2", Shape.TEMPERATURE, true),
                changeover ? draft.contact("C", "NO", Shape.TEMPERATURE, false) : null,
                p.number("opensAtCelsius"),
                p.number("closesAtCelsius"),
                p.textOrNull("reads"));
    }

    private record Bimetal(Branch closed, Branch open, double opensAt, double closesAt, String reads)
            implements Behaviour<Boolean> {
        @Override
        public Boolean start(Moment m) {
            return isOpen(false, m);
        }

        private double celsius(Moment m) {
            return reads == null ? m.number("celsius") : m.celsiusOf(reads);
        }

        private boolean isOpen(boolean was, Moment m) {
            double t = celsius(m);
            boolean onRise = opensAt > closesAt;
            if (onRise ? t >= opensAt : t <= opensAt) {
                return true;
            }
            return was && (onRise ? t > closesAt : t < closesAt);
        }

        @Override
        public void stamp(Boolean isOpen, Stamp stamp) {
            stamp.contact(closed, !isOpen);
            if (open != null) {
                stamp.contact(open, isOpen);
            }
        }

        @Override
        public Reaction<Boolean> react(Boolean was, Moment m) {
            boolean now = isOpen(was, m);
            double t = celsius(m);
            Instant wake = reads == null ? Instant.NEVER : m.whenCelsius(reads, now ? closesAt : opensAt);
            Because because = Because.temperature(
                    () -> "%.1f °C, %s at %.1f °C".formatted(t, now ? "opens" : "closes", now ? opensAt : closesAt));
            return new Reaction<>(now, wake, because, null);
        }

        @Override
        public String signal(Boolean isOpen) {
            return isOpen ? "open" : "closed";
        }
    }
}
