package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Rating;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Heat;

/**
 * {@code fuse}: dh/dt = (m² − 1.21)/k over 1.1 × its amps, opens at h = 1; k = 1.5 s fast, 8 s slow; cools with
 * τ = 10 s. Example: 15.3 A through 3 A fast: m² = 26.0, opens after 1.5/24.8 = 60 ms.
 */
final class Fuse extends PartType {
    private static final double LIMIT = 1.1;
    private static final double COOLING_SECONDS = 10;

    /** The signal of a board whose own fuse is blown, whatever else it does. */
    static final String ON_BOARD_BLOWN = "fuse-blown";

    Fuse() {
        super("fuse", "Fuse", "Opens for good when too much current flows for too long.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("amps", 3.0, "A"), Field.choice("kind", "fast", "fast", "slow"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.momentary("replaced"));
    }

    @Override
    public List<String> cautions() {
        return List.of("Find out why it opened before you put in another. Never a larger one, never a link.");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.FUSE);
    }

    @Override
    public Rating rating(Params params) {
        return super.rating(params).withProtection(params.number("amps"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("intact", "blown");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("1");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch link = draft.branch("1", "2", "1-2", Role.PROTECTION, Shape.FUSE, true);
        double amps = draft.params().number("amps");
        double k = draft.params().is("kind", "slow") ? 8 : 1.5;
        return new Element(link, amps, k);
    }

    record State(boolean blown, Heat heat) {}

    /** A fuse inside another part, between two of its terminals. */
    static Element inside(PartDraft draft, String a, String b, double amps) {
        return new Element(draft.branch(a, b, a + "-" + b, Role.PROTECTION, Shape.FUSE, true), amps, 1.5);
    }

    record Element(Branch link, double rated, double k) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(false, Heat.COLD);
        }

        @Override
        public void stamp(State state, Stamp stamp) {
            stamp.contact(link, !state.blown());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            if (m.pushed("replaced") && s.blown()) {
                return Reaction.change(new State(false, Heat.COLD), Because.input("a new fuse was put in"));
            }
            if (s.blown()) {
                return Reaction.stay(s);
            }
            double amps = m.amps(link);
            Heat heat = s.heat().then(Heat.rate(amps / rated, LIMIT, k), COOLING_SECONDS, m.now());
            if (heat.full().hasCome(m.now())) {
                return Reaction.change(new State(true, Heat.COLD), over(amps));
            }
            boolean begins = heat.rate() > 0 && s.heat().rate() != heat.rate();
            return new Reaction<>(new State(false, heat), heat.full(), null, begins ? over(amps) : null);
        }

        private Because over(double amps) {
            return Because.amps(
                    () -> "%.1f A through a %s A fuse".formatted(amps, Numbers.plain(rated)),
                    link,
                    amps,
                    rated * LIMIT);
        }

        @Override
        public String signal(State state) {
            return state.blown() ? "blown" : "intact";
        }
    }
}
