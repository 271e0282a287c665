package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Rating;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.block.Heat;

/**
 * {@code breaker}: one or two poles that open together; by heat as a fuse with k = 40 s, at once from
 * {@code instantTimes} × its amps. Tripped stays tripped until it is switched off and on again.
 */
final class Breaker extends PartType {
    private static final double LIMIT = 1.1;
    private static final double K = 40;
    private static final double COOLING_SECONDS = 10;

    Breaker() {
        super("breaker", "Breaker", "A switch that opens by itself on overload. Off, then on, resets it.");
    }

    @Override
    public String letters() {
        return "CB";
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("amps", 15.0, "A"),
                Field.number("poles", 1.0, "").within(1, 2),
                Field.positive("instantTimes", 8.0, ""));
    }

    @Override
    public List<String> terminals(Params params) {
        return params.integer("poles") == 2 ? List.of("1", "2", "3", "4") : List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("closed", true));
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return Optional.of(new Isolation("closed", false, "open, lock, tag", false));
    }

    @Override
    public Rating rating(Params params) {
        return super.rating(params).withProtection(params.number("amps"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("closed", "open", "tripped");
    }

    @Override
    public Set<String> above(Params params) {
        return terminals(params).stream().filter(t -> t.matches("[135]")).collect(Collectors.toSet());
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Branch> poles = new ArrayList<>();
        poles.add(draft.branch("1", "2", "1-2", Role.PROTECTION, Shape.BREAKER, true));
        if (draft.params().integer("poles") == 2) {
            poles.add(draft.branch("3", "4", "3-4", Role.PROTECTION, Shape.BREAKER, true));
        }
        return new Element(poles, draft.params().number("amps"), draft.params().number("instantTimes"));
    }

    /** @param handle where the handle was last put */
    record State(boolean handle, boolean tripped, Heat heat) {}

    private record Element(List<Branch> poles, double rated, double instantTimes) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(moment.flag("closed"), false, Heat.COLD);
        }

        @Override
        public void stamp(State state, Stamp stamp) {
            poles.forEach(b -> stamp.contact(b, state.handle() && !state.tripped()));
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean handle = m.flag("closed");
            if (handle != s.handle()) {
                State moved = new State(handle, s.tripped() && handle, s.heat());
                return Reaction.change(moved, Because.input(handle ? "switched on" : "switched off"));
            }
            if (s.tripped() || !s.handle()) {
                return Reaction.stay(s);
            }
            Branch worst = poles.get(0);
            for (Branch pole : poles) {
                worst = m.amps(pole) > m.amps(worst) ? pole : worst;
            }
            double amps = m.amps(worst);
            double times = amps / rated;
            Heat heat = s.heat().then(Heat.rate(times, LIMIT, K), COOLING_SECONDS, m.now());
            if (times >= instantTimes || heat.full().hasCome(m.now())) {
                return Reaction.change(new State(true, true, Heat.COLD), over(worst, amps));
            }
            boolean begins = heat.rate() > 0 && s.heat().rate() != heat.rate();
            return new Reaction<>(new State(true, false, heat), heat.full(), null, begins ? over(worst, amps) : null);
        }

        private Because over(Branch pole, double amps) {
            return Because.amps(
                    () -> "%.1f A through a %s A breaker".formatted(amps, Numbers.plain(rated)),
                    pole,
                    amps,
                    rated * LIMIT);
        }

        @Override
        public String signal(State state) {
            return state.tripped() ? "tripped" : state.handle() ? "closed" : "open";
        }
    }
}
