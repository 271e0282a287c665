package org.jagridge.core.part;

/**
 * Something that travels between 0 and 1 at an even pace. Immutable.
 *
 * @param from where it was at {@code since}
 * @param to where it goes; the same as {@code from} at rest
 */
record Travel(double from, double to, long since) {
    static Travel rest(double at) {
        return new Travel(at, at, 0);
    }

    double at(long now, long whole) {
        double way = (now - since) / (double) whole;
        return to > from ? Math.min(to, from + way) : Math.max(to, from - way);
    }

    /** The same thing, from now on toward another end; comes to rest when it is there. */
    Travel toward(double end, long now, long whole) {
        if (end != to) {
            return new Travel(at(now, whole), end, now);
        }
        return moves() && now >= arrives(whole) ? new Travel(to, to, now) : this;
    }

    boolean moves() {
        return from != to;
    }

    /** When it is there, or {@link Reaction#NEVER} at rest. */
    long arrives(long whole) {
        return moves() ? since + Math.round(Math.abs(to - from) * whole) : Reaction.NEVER;
    }
}
