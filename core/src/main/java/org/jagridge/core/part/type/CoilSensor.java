package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
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
import org.jagridge.core.part.Temperature;
import org.jagridge.core.part.block.Drift;

/**
 * {@code coil-sensor}: closes at −1 °C, opens at 13 °C. Its temperature is an input, or with {@code outdoors} and
 * {@code runs} a first-order model of the outdoor coil: it tends to 8 K under the outdoors while the part {@code runs}
 * runs, to 30 °C while {@code defrost} is in defrost, else to the outdoors, with the time constant of the mode. With
 * {@code valve} it knows the reversing valve: while that is set to cool, the running coil tends to 15 K over the
 * outdoors.
 */
final class CoilSensor extends PartType {
    CoilSensor() {
        super("coil-sensor", "Coil sensor", "Closes when the outdoor coil is cold enough to frost.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.number("closesAtCelsius", -1.0, "°C"),
                Field.number("opensAtCelsius", 13.0, "°C"),
                Field.temperatureOf("outdoors"),
                Field.part("runs"),
                Field.part("defrost"),
                Field.part("valve"),
                Field.positive("coolingSeconds", 300.0, "s"),
                Field.positive("defrostSeconds", 240.0, "s"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return params.has("outdoors") ? List.of() : List.of(Field.number("coilCelsius", 10.0, "°C"));
    }

    @Override
    public List<String> numbers(Params params) {
        return params.has("outdoors") ? List.of("celsius") : List.of("celsius", "coilCelsius");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("open", "closed");
    }

    @Override
    public Map<Input, Object> frost(Part part, Params params) {
        return params.has("outdoors") ? Map.of() : Map.of(new Input(part.id(), "coilCelsius"), -6.0);
    }

    @Override
    public Map<Input, List<Double>> cuts(Part part, Params params) {
        return params.has("outdoors")
                ? Map.of()
                : Map.of(
                        new Input(part.id(), "coilCelsius"),
                        List.of(params.number("closesAtCelsius"), params.number("opensAtCelsius")));
    }

    /** The coil's temperature is set by hand instead of following from what runs. */
    @Override
    public Part still(Part part, Params params) {
        return part.without("outdoors", "runs", "defrost", "valve");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        boolean coolsEnergised = !p.has("valve")
                || draft.paramsOf(p.text("valve"))
                        .map(v -> v.is("energised", "cools"))
                        .orElse(true);
        return new CoilModel(draft.contact("1", "2", Shape.TEMPERATURE, false), p, coolsEnergised);
    }

    record State(boolean closed, Drift coil) {}

    private static final class CoilModel implements Behaviour<State>, Temperature<State> {
        private static final double BELOW_OUTDOORS = 8;
        private static final double ABOVE_OUTDOORS = 15;
        private static final double DEFROST_CELSIUS = 30;

        private final Branch contact;
        private final Params p;
        private final boolean coolsEnergised;

        CoilModel(Branch contact, Params p, boolean coolsEnergised) {
            this.contact = contact;
            this.p = p;
            this.coolsEnergised = coolsEnergised;
        }

        private Drift target(Drift now, Moment m) {
            if (!p.has("outdoors")) {
                return Drift.still(m.number("coilCelsius"), m.now());
            }
            double outdoors = m.celsiusOf(p.text("outdoors"));
            boolean defrost = p.has("defrost") && "defrost".equals(m.signalOf(p.text("defrost")));
            boolean runs = p.has("runs") && m.isAtWork(p.text("runs"));
            boolean cools = p.has("valve") && coolsEnergised == "on".equals(m.signalOf(p.text("valve")));
            double end = defrost
                    ? DEFROST_CELSIUS
                    : !runs ? outdoors : cools ? outdoors + ABOVE_OUTDOORS : outdoors - BELOW_OUTDOORS;
            double tau = defrost ? p.number("defrostSeconds") : p.number("coolingSeconds");
            return now.toward(end, tau, m.now());
        }

        @Override
        public State start(Moment m) {
            double t = p.has("outdoors") ? m.celsiusOf(p.text("outdoors")) : m.number("coilCelsius");
            return new State(t <= p.number("closesAtCelsius"), Drift.still(t, m.now()));
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.contact(contact, s.closed());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            Drift coil = target(s.coil(), m);
            double t = coil.at(m.now());
            double closes = p.number("closesAtCelsius");
            double opens = p.number("opensAtCelsius");
            boolean closed = s.closed() ? t < opens - Drift.EPSILON : t <= closes + Drift.EPSILON;
            Instant wake = coil.when(closed ? opens : closes, m.now());
            Because because = Because.temperature(() -> "coil %.1f °C".formatted(t));
            return new Reaction<>(new State(closed, coil), wake, because, null);
        }

        @Override
        public String signal(State s) {
            return s.closed() ? "closed" : "open";
        }

        @Override
        public double celsius(State s, Instant now) {
            return s.coil().at(now);
        }

        @Override
        public Instant when(State s, double target, Instant now) {
            return s.coil().when(target, now);
        }
    }
}
