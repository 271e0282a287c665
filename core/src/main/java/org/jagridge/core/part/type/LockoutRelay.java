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
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Coil;
import org.jagridge.core.part.block.CoilAndContacts;

/**
 * {@code lockout-relay} (reset relay): a high-impedance coil SUP–LOAD, a normally closed contact SUP–CHAIN in series
 * with the safeties, a normally open one SUP–LAMP. Contact and chain short the coil until a safety opens; then it is in
 * series with the contactor's coil, takes nearly all the volts, pulls in and stays. Nothing here says so: it follows
 * from the impedances.
 */
final class LockoutRelay extends PartType {
    private static final double POWER_FACTOR = 0.6;

    LockoutRelay() {
        super(
                "lockout-relay",
                "Lockout relay",
                "Holds the equipment off after a safety has opened, until its feed is taken away.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("coilOhms", 900.0, "Ω"),
                Field.positive("pullInVolts", 15.0, "V"),
                Field.positive("dropOutVolts", 6.0, "V"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("SUP", "LOAD", "CHAIN", "LAMP");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.LOCKS_OUT);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("out", "in", "burnt", "chatter");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("SUP");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        Branch chain = draft.contact("SUP", "CHAIN", Shape.CONTACT_CLOSED, true);
        Branch lamp = draft.contact("SUP", "LAMP", Shape.CONTACT_OPEN, false);
        Coil coil = Coil.plain(
                draft.coil("SUP", "LOAD"),
                Complex.impedance(p.number("coilOhms"), POWER_FACTOR),
                p.number("pullInVolts"),
                p.number("dropOutVolts"),
                15,
                10);
        return new CoilAndContacts(coil, (in, stamp) -> {
            stamp.contact(chain, !in);
            stamp.contact(lamp, in);
        });
    }
}
