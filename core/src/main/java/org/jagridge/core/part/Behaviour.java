package org.jagridge.core.part;

/**
 * The living side of one part of one circuit.
 *
 * @param <S> its state: an immutable value with equality
 */
public interface Behaviour<S> {
    /** The state before anything happened. */
    S start(Moment moment);

    /** Writes what the part's branches are in this state. */
    void stamp(S state, Stamp stamp);

    /** The next state. Must be pure, and must come to rest: reacting again to the same moment changes nothing. */
    default Reaction<S> react(S state, Moment moment) {
        return Reaction.stay(state);
    }

    /** The main signal in this state, or null for parts that have none. */
    default String signal(S state) {
        return null;
    }

    /**
     * What a part waits for, besides volts at its terminals; null where there is nothing to say.
     */
    default String waitsFor(S state, Instant now) {
        return null;
    }

    /** The state in which a part that chatters is frozen. */
    default S chattering(S state) {
        return state;
    }

    /**
     * The same state without what can no longer matter: clocks that have run out, delays that began longer ago than
     * they last. Two states that go on alike from {@code now} are to be equal then; it only serves to compare them.
     */
    default S canonical(S state, Instant now) {
        return state;
    }
}
