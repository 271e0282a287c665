package org.jagridge.core.part.type;

import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.block.Windings;

/** {@code plug-supply}: a plug-in transformer with its own mains. */
final class PlugSupply extends PartType {
    PlugSupply() {
        super("plug-supply", "Plug-in transformer", "A transformer in a plug: control volts from any socket.");
    }

    @Override
    public List<Field> params() {
        return new Transformer().params();
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("X1", "X2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("plugged", true));
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return Optional.of(new Isolation("plugged", false, "unplug", true));
    }

    @Override
    public SourceRating source(Params params) {
        return SourceRating.ac(params.number("secondaryVolts"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("live", "dead", "burnt", "cut-out");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double primary = draft.params().number("primaryVolts");
        Branch mains = draft.branch("_P1", "_P2", "mains", Role.SOURCE, Shape.NONE, false);
        return new Plug(mains, Windings.between(draft, "_P1", "_P2", "X1", "X2"), primary);
    }

    record State(boolean plugged, Windings.State windings) {}

    private record Plug(Branch mains, Windings windings, double volts) implements Behaviour<State> {
        @Override
        public State start(Moment m) {
            return new State(m.flag("plugged"), windings.start(m));
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            if (s.plugged()) {
                stamp.acSource(mains, Complex.real(volts), 0.05);
            } else {
                stamp.open(mains);
            }
            windings.stamp(s.windings(), stamp);
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean plugged = m.flag("plugged");
            Reaction<Windings.State> r = windings.react(s.windings(), m);
            return new Reaction<>(new State(plugged, r.state()), r.wakeAt(), r.because(), r.arms());
        }

        @Override
        public String signal(State s) {
            return windings.signal(s.windings());
        }
    }
}
