package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Burnable;

/**
 * {@code defrost-control}: counts compressor time; at the interval with the coil sensor closed it throws the valve to
 * cooling (O on, or B off), stops the outdoor fan and calls W2, until the sensor opens, after 10 min, or when Y drops
 * (then it resumes with what is left). The thermostat doesn't know.
 */
final class DefrostControl extends PartType {
    DefrostControl() {
        super(
                "defrost-control",
                "Defrost control",
                "Clears the outdoor coil of frost by running backwards for a while.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("intervalMinutes", 60.0, "min"),
                Field.positive("maxDefrostMinutes", 10.0, "min"),
                Field.choice("valve", "O", "O", "B"),
                Field.flag("countsOnlyCold", false));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("R", "C", "Y", "O", "B", "W2", "CC", "OF1", "OF2", "RV", "DF1", "DF2");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        String other = params.is("valve", "O") ? "B" : "O";
        return List.of(Fault.of(FaultKind.WRONG_SETTING, "part", part.id(), "param", "valve", "value", other));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.DEFROSTS);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("idle", "running", "defrost", Burnable.BURNT);
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "power", "DF2-C", "coil sensor");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("OF1", "OF2");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        DefrostBoard board = new DefrostBoard(draft);
        return new Burnable<>(board, 24, board.inputs(), List.of(), m -> true);
    }
}
