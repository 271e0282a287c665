package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;

/**
 * {@code rectifier}, full wave: DC volts = 0.9 × AC − 1.4; AC amps = 0.9 × DC amps, in phase. A load on the AC side and
 * a source on the DC side, each from the other's last solution, until neither moves.
 */
final class Rectifier extends PartType {
    private static final double FORM = 0.9;
    private static final double DIODE_VOLTS = 1.4;
    private static final double OHMS = 0.05;

    Rectifier() {
        super("rectifier", "Rectifier", "Makes DC from AC. Its minus isn't isolated from the AC side.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("~1", "~2", "+", "-");
    }

    @Override
    public List<String> cautions() {
        return List.of("Never tie its minus to C: that shorts a diode.");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.DERIVED_SOURCE, Trait.RECTIFIER);
    }

    @Override
    public SourceRating source(Params params) {
        return SourceRating.dc(22);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("live", "dead");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("~1", "~2");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Bridge(
                draft.branch("~1", "~2", "~1-~2", Role.LOAD, Shape.BOX, false),
                draft.source("+", "-", Role.SOURCE, Shape.BOX));
    }

    /**
     * What it makes.
     *
     * @param volts DC open-circuit volts
     * @param mhos what the AC side draws
     */
    record State(double volts, double mhos) {}

    private record Bridge(Branch ac, Branch dc) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(0, 0);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.acOnly(ac, s.mhos());
            if (s.volts() > 0) {
                stamp.dcSource(dc, s.volts(), OHMS);
            } else {
                stamp.open(dc);
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            double volts = m.acVolts(ac);
            double emf = Math.max(0, FORM * volts - DIODE_VOLTS);
            // the source's amps leave at its plus
            double amps = Math.max(0, -m.dcAmps(dc));
            double mhos = volts < 0.1 ? 0 : FORM * amps / volts;
            boolean close = Math.abs(emf - s.volts()) <= 1e-5 * (1 + emf) && Math.abs(mhos - s.mhos()) <= 1e-7;
            State next = close ? s : new State(emf, mhos);
            Because because = emf > 0 ? Because.risen(ac, volts, 2) : Because.fallen(ac, volts, 2);
            return Reaction.change(next, because);
        }

        @Override
        public String signal(State s) {
            return s.volts() > 0.5 ? "live" : "dead";
        }
    }
}
