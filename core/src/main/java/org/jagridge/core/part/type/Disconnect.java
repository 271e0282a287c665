package org.jagridge.core.part.type;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.block.HandContacts;

/** {@code disconnect}: opens both legs by hand. */
final class Disconnect extends PartType {
    Disconnect() {
        super("disconnect", "Disconnect", "Opens both legs by hand, in sight of the unit.");
    }

    @Override
    public String letters() {
        return "DS";
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("L1", "L2", "T1", "T2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("closed", true));
    }

    @Override
    public List<String> cautions() {
        return List.of("An open disconnect leaves its line side live. Lock it out and tag it.");
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return Optional.of(new Isolation("closed", false, "open, lock, tag", false));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("closed", "open");
    }

    @Override
    public Set<String> above(Params params) {
        return terminals(params).stream().filter(t -> t.startsWith("L")).collect(Collectors.toSet());
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new HandContacts(
                List.of(draft.contact("L1", "T1", Shape.SWITCH, true), draft.contact("L2", "T2", Shape.SWITCH, true)),
                "closed",
                "closed",
                "open");
    }
}
