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
 * {@code furnace-control}: an integrated gas furnace control. On W: inducer → draft proved within 30 s → purge 15 s →
 * igniter 17 s → gas, trial 4 s → flame → blower 30 s later. W off: gas off, post-purge 15 s, blower off after 90 s.
 * Three failed trials lock out for an hour or until the power is cut. Limit open: gas off, blower on, tries again.
 *
 * <p>The safeties hang between its terminals: the board feeds PS1, LIM1, RO1 from R and watches the other ends. Flame
 * is sensed only with an earth and the right polarity.
 */
final class FurnaceControl extends PartType {
    FurnaceControl() {
        super(
                "furnace-control",
                "Gas furnace control",
                "Runs inducer, ignition, gas and blower in their order and watches the safeties.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.part("flame"),
                Field.part("igniter"),
                Field.positive("provingSeconds", 30.0, "s"),
                Field.number("purgeSeconds", 15.0, "s").within(0, 600),
                Field.number("igniterSeconds", 17.0, "s").within(0, 600),
                Field.positive("trialSeconds", 4.0, "s"),
                Field.number("blowerOnSeconds", 30.0, "s").within(0, 600),
                Field.number("blowerOffSeconds", 90.0, "s").within(0, 600),
                Field.number("postPurgeSeconds", 15.0, "s").within(0, 600),
                Field.positive("lockoutSeconds", 3600.0, "s"),
                Field.number("trials", 3.0, "").within(1, 10),
                Field.positive("fuseAmps", 3.0, "A"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of(
                "L", "N", "PE", "X1", "X2", "R", "C", "W", "Y", "G", "IND", "IGN", "BLH", "BLC", "BLF", "GV", "PS1",
                "PS2", "LIM1", "LIM2", "RO1", "RO2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.momentary("replaced"));
    }

    @Override
    public List<String> cautions() {
        return List.of(
                "Gas: licensed people only.", "A roll-out that opened means flame where none belongs. Find out why.");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.CONDITION, "condition", List.of("no-flame"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.HEAT_SOURCE);
    }

    @Override
    public boolean makesHeat(Params params, String signal) {
        return signal.equals("heating");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of(
                "idle",
                "purge",
                "igniter",
                "trial",
                "heating",
                "post-purge",
                "limit",
                "lockout",
                "cooling",
                "fan",
                Fuse.ON_BOARD_BLOWN,
                Burnable.BURNT);
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of(
                "X1-X2",
                "power",
                "PS2-C",
                "draft proved",
                "LIM2-C",
                "limit shut",
                "RO2-C",
                "roll-out shut",
                "L-PE",
                "flame sense");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("L", "N", "PE", "IND", "IGN", "BLH", "BLC", "BLF");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        FurnaceBoard board = new FurnaceBoard(draft);
        return new Burnable<>(board, 24, board.inputs(), List.of(), m -> true);
    }
}
