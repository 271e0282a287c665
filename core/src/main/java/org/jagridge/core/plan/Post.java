package org.jagridge.core.plan;

/**
 * A terminal of a board on which a conductor from elsewhere can land.
 *
 * @param letter what is printed at it
 * @param at {@code PART.TERMINAL}
 * @param place where the board hangs
 */
record Post(String letter, Line line, String at, String place, How how) {
    /** What lies behind a terminal. */
    enum How {
        /** The hot side of a supply. */
        FEED,
        /** The return side of a supply. */
        COMMON,
        /** Something works while it is fed. */
        NEEDS,
        /** It hears a call that it can do without. */
        LISTENS,
        /** Feeds something elsewhere by itself. */
        GIVES,
        /** Nothing: it only holds conductors together. */
        POST
    }
}
