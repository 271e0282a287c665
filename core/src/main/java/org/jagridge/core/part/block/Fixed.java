package org.jagridge.core.part.block;

import java.util.function.Consumer;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Stamp;

/** A part that is always the same and signals nothing. */
public record Fixed(Consumer<Stamp> values) implements Behaviour<String> {
    @Override
    public String start(Moment moment) {
        return "";
    }

    @Override
    public void stamp(String state, Stamp stamp) {
        values.accept(stamp);
    }
}
