package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.block.Coil;
import org.jagridge.core.part.block.CoilAndContacts;

/** {@code start-relay}: a potential coil 2–5 opens the contact 1–2 once the start winding's volts have risen. */
final class StartRelay extends PartType {
    private static final double COIL_OHMS = 6000;

    StartRelay() {
        super("start-relay", "Start relay", "Takes the start capacitor out once the machine is up to speed.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("pickUpVolts", 180.0, "V"), Field.positive("dropOutVolts", 60.0, "V"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2", "5");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("out", "in", "burnt", "chatter");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch contact = draft.contact("1", "2", Shape.CONTACT_CLOSED, true);
        Coil coil = Coil.line(
                draft.coil("2", "5"),
                Complex.impedance(COIL_OHMS, 0.6),
                draft.params().number("pickUpVolts"),
                draft.params().number("dropOutVolts"));
        return new CoilAndContacts(coil, (in, stamp) -> stamp.contact(contact, !in));
    }
}
