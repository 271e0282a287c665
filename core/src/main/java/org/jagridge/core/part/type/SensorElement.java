package org.jagridge.core.part.type;

import java.util.List;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Temperature;

/**
 * {@code sensor}: a 10 kΩ NTC, R = 10000·exp(B·(1/T − 1/298.15)) with T in kelvin. Example, B = 3977: 25 °C 10.0 kΩ,
 * 0 °C 33.9 kΩ.
 */
final class SensorElement extends PartType {
    /** What whoever reads one takes it for. */
    static final double KELVIN_B = 3977;

    SensorElement() {
        super("sensor", "Temperature sensor", "A resistor that falls as it warms.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("kelvinB", KELVIN_B, "K"), Field.temperatureOf("reads"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return params.has("reads")
                ? List.of()
                : List.of(Field.number("celsius", 20.0, "°C").within(-60, 150));
    }

    /** Ohms at a temperature. */
    static double ohms(double celsius, double kelvinB) {
        return 10_000 * Math.exp(kelvinB * (1 / (celsius + 273.15) - 1 / 298.15));
    }

    /** The temperature at which it has so many ohms, °C. */
    static double celsius(double ohms, double kelvinB) {
        return 1 / (Math.log(ohms / 10_000) / kelvinB + 1 / 298.15) - 273.15;
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Bead(
                draft.load("1", "2", Shape.RESISTOR),
                draft.params().number("kelvinB"),
                draft.params().textOrNull("reads"));
    }

    private record Bead(Branch branch, double kelvinB, String reads) implements Behaviour<Double>, Temperature<Double> {
        /** It follows in steps, so that a drifting room doesn't solve the network without end. */
        private static final double STEP = 0.1;

        @Override
        public Double start(Moment m) {
            return reads == null ? m.number("celsius") : m.celsiusOf(reads);
        }

        @Override
        public void stamp(Double celsius, Stamp stamp) {
            stamp.resistance(branch, ohms(celsius, kelvinB));
        }

        @Override
        public Reaction<Double> react(Double was, Moment m) {
            double now = start(m);
            double then = Math.abs(now - was) < STEP - 1e-6 ? was : now;
            Instant wake = reads == null
                    ? Instant.NEVER
                    : Instant.earliest(m.whenCelsius(reads, then - STEP), m.whenCelsius(reads, then + STEP));
            return Reaction.waiting(then, wake);
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
