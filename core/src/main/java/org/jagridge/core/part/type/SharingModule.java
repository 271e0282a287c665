package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.block.Burnable;

/**
 * {@code sharing-module}: one conductor SH carries Y as one half-wave and G as the other; both together are the full
 * wave. The module tells them apart by the sign of the DC that comes with a half-wave (±0.45 of the supply) and gives R
 * to its Y and G. W and O pass through as plain posts.
 */
final class SharingModule extends PartType {
    private static final double LEAST_SUPPLY = 16;
    private static final double LEAST_HALF = 0.2;

    SharingModule() {
        super("sharing-module", "Conductor-sharing module", "Gets Y and G out of one conductor.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("R", "C", "SH", "W", "O", "Y", "G");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.someOf(List.of("Y", "G"), "none", Burnable.BURNT);
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "power", "SH-C", "shared call");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch supply = draft.load("R", "C", Shape.BOX);
        Branch shared = draft.load("SH", "C", Shape.BOX);
        Splitter splitter = new Splitter(
                supply,
                shared,
                draft.contact("R", "Y", Shape.CONTACT_OPEN, false),
                draft.contact("R", "G", Shape.CONTACT_OPEN, false));
        return Burnable.lowVoltage(splitter, supply, shared);
    }

    record State(boolean y, boolean g) {}

    private record Splitter(Branch supply, Branch shared, Branch y, Branch g) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(false, false);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(supply, Complex.real(24 * 24 / 2.0));
            stamp.load(shared, Complex.real(2000));
            stamp.contact(y, s.y());
            stamp.contact(g, s.g());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            double fed = m.acVolts(supply);
            if (fed < LEAST_SUPPLY) {
                return Reaction.change(new State(false, false), Because.fallen(supply, fed, LEAST_SUPPLY));
            }
            double ac = m.acVolts(shared);
            double dc = m.dcVolts(shared);
            boolean half = Math.abs(dc) > LEAST_HALF * fed;
            boolean full = !half && ac > 0.7 * fed;
            boolean positive = half && dc > 0;
            State next = new State(full || positive, full || (half && !positive));
            boolean on = next.y() || next.g();
            return Reaction.change(
                    next,
                    on
                            ? Because.risen(shared, Math.hypot(ac, dc), LEAST_HALF * fed)
                            : Because.fallen(shared, Math.hypot(ac, dc), LEAST_HALF * fed));
        }

        @Override
        public String signal(State s) {
            return s.y() ? (s.g() ? "Y G" : "Y") : s.g() ? "G" : "none";
        }
    }
}
