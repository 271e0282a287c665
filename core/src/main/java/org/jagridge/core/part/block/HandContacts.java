package org.jagridge.core.part.block;

import java.util.List;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;

/**
 * Contacts that a hand puts on and off together by a flag.
 *
 * @param on the main signal with the contacts joined
 */
public record HandContacts(List<Branch> contacts, String flag, String on, String off) implements Behaviour<Boolean> {
    @Override
    public Boolean start(Moment moment) {
        return moment.flag(flag);
    }

    @Override
    public void stamp(Boolean closed, Stamp stamp) {
        contacts.forEach(b -> stamp.contact(b, closed));
    }

    @Override
    public Reaction<Boolean> react(Boolean closed, Moment m) {
        boolean now = m.flag(flag);
        return Reaction.change(now, Because.input(now ? "put on by hand" : "put off by hand"));
    }

    @Override
    public String signal(Boolean closed) {
        return closed ? on : off;
    }
}
