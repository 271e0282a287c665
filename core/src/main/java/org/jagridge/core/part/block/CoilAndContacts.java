package org.jagridge.core.part.block;

import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;

/** What relays and contactors have in common: the armature's position decides every contact. */
public final class CoilAndContacts implements Behaviour<Coil.State> {
    /** Writes the contacts for an armature that is in or out. */
    public interface Contacts {
        void stamp(boolean in, Stamp stamp);
    }

    /** The input of a part whose armature a hand can press in. */
    public static final String PRESSED = "pressed";

    private final Coil coil;
    private final Contacts contacts;
    private final boolean pressable;

    public CoilAndContacts(Coil coil, Contacts contacts) {
        this(coil, contacts, false);
    }

    /** @param pressable whether the part has the input {@link #PRESSED} */
    public CoilAndContacts(Coil coil, Contacts contacts, boolean pressable) {
        this.coil = coil;
        this.contacts = contacts;
        this.pressable = pressable;
    }

    @Override
    public Coil.State start(Moment moment) {
        return Coil.State.OUT;
    }

    @Override
    public void stamp(Coil.State state, Stamp stamp) {
        coil.stamp(state, stamp);
        contacts.stamp(state.in(), stamp);
    }

    @Override
    public Reaction<Coil.State> react(Coil.State state, Moment moment) {
        return pressable && moment.flag(PRESSED) ? coil.pressed(state, moment) : coil.react(state, moment);
    }

    @Override
    public String signal(Coil.State state) {
        return state.word();
    }

    @Override
    public Coil.State chattering(Coil.State state) {
        return coil.chattering(state);
    }
}
