package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.block.Windings;

/**
 * {@code transformer}: steps down to X1 (hot) and X2 (common). No-load volts are rated × (1 + r) × actual primary /
 * tap; the series impedance referred to the secondary is r·V²/VA. Example: 24 V 40 VA with r = 0.12: 26.88 V with no
 * load, 1.728 Ω; R shorted to C draws 15.6 A.
 *
 * <p>Overloaded without a fuse the winding burns out: dh/dt = (m² − 1.44)/k for m = I/In over 1.2, k such that a dead
 * short takes {@code burnoutSeconds}; it cools with τ = 60 s.
 */
final class Transformer extends PartType {

    Transformer() {
        super("transformer", "Transformer", "Makes the control voltage. X1 becomes R, X2 becomes C.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("primaryVolts", 120.0, "V"),
                Field.positive("secondaryVolts", 24.0, "V"),
                Field.positive("va", 40.0, "VA"),
                Field.positive("regulation", 0.12, "").within(0.001, 0.9),
                Field.flag("reversed", false),
                Field.positive("burnoutSeconds", 30.0, "s"),
                Field.positive("cutoutAmps", null, "A"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("P1", "P2", "X1", "X2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return params.has("cutoutAmps") ? List.of(Field.momentary("reset")) : List.of();
    }

    @Override
    public List<String> cautions() {
        return List.of("Never link R to C: without a fuse the winding burns out and stays dead.");
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
    public Set<String> above(Params params) {
        return Set.of("P1", "P2");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return Windings.between(draft, "P1", "P2", "X1", "X2");
    }
}
