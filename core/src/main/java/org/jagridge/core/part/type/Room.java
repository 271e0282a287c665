package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Temperature;
import org.jagridge.core.part.block.Drift;

/**
 * {@code room}: dT/dt = (outdoors − T)/τ + Σ gains of the parts at work. Example: τ = 6 h, outdoors 0 °C, a heater of
 * 4 K/h: it tends to 24 °C.
 */
final class Room extends PartType {
    Room() {
        super("room", "Room", "A room that warms and cools, so that thermostats cycle by themselves.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("timeConstantHours", 6.0, "h"),
                Field.pairs("gains", "part", "kelvinPerHour", ":"),
                Field.temperatureOf("outdoors"));
    }

    @Override
    public List<Problem> mistakesIn(Params params) {
        List<Problem> problems = new ArrayList<>();
        int i = 0;
        for (Object g : params.list("gains")) {
            if (!(g instanceof Map<?, ?> m)
                    || !(m.get("part") instanceof String)
                    || !(m.get("kelvinPerHour") instanceof Number)) {
                problems.add(new Problem("gains/" + i, "each is {\"part\": \"HTR\", \"kelvinPerHour\": 4}"));
            }
            i++;
        }
        return problems;
    }

    @Override
    public List<Reference> references(Params params) {
        List<Reference> references = new ArrayList<>(super.references(params));
        params.structures("gains").forEach(g -> references.add(new Reference("gains", (String) g.get("part"), false)));
        return references;
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of();
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.number("celsius", 20.0, "°C").within(-50, 80));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    /** So slow that it stays where it is set for as long as anybody looks. */
    @Override
    public Part still(Part part, Params params) {
        return part.without("gains", "outdoors").with("timeConstantHours", 1e9);
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Air(draft.params());
    }

    /** @param set the input that the temperature was last set by */
    record State(double set, Drift air) {}

    private static final class Air implements Behaviour<State>, Temperature<State> {
        private static final double MILD = 10;

        private final Params p;
        private final double tau;

        Air(Params p) {
            this.p = p;
            tau = 3600 * p.number("timeConstantHours");
        }

        private double end(Moment m) {
            double end = p.has("outdoors") ? m.celsiusOf(p.text("outdoors")) : MILD;
            for (Map<String, Object> g : p.structures("gains")) {
                if (m.isAtWork((String) g.get("part"))) {
                    end += ((Number) g.get("kelvinPerHour")).doubleValue() * tau / 3600;
                }
            }
            return end;
        }

        @Override
        public State start(Moment m) {
            double t = m.number("celsius");
            return new State(t, Drift.still(t, m.now()));
        }

        @Override
        public void stamp(State state, Stamp stamp) {}

        @Override
        public Reaction<State> react(State s, Moment m) {
            double set = m.number("celsius");
            Drift air = set == s.set() ? s.air() : Drift.still(set, m.now());
            return Reaction.stay(new State(set, air.toward(end(m), tau, m.now())));
        }

        @Override
        public double celsius(State s, Instant now) {
            return s.air().at(now);
        }

        @Override
        public Instant when(State s, double target, Instant now) {
            return s.air().when(target, now);
        }
    }
}
