package org.jagridge.core.part;

import java.util.function.Consumer;

/** A part that is always the same and signals nothing. */
record Fixed(Consumer<Stamp> values) implements Behaviour<String> {
    @Override
    public String start(Moment moment) {
        return "";
    }

    @Override
    public void stamp(String state, Stamp stamp) {
        values.accept(stamp);
    }
}
