package org.jagridge.core.part.block;

import org.jagridge.core.part.Clocked;
import org.jagridge.core.part.Instant;

/**
 * Something that travels between 0 and 1 at an even pace. Immutable.
 *
 * @param from where it was at {@code since}
 * @param to where it goes; the same as {@code from} at rest
 * @param since when it set out; of no matter at rest
 * @param whole microseconds for the whole way
 */
public record Travel(double from, double to, Instant since, long whole) implements Clocked {
    public static Travel rest(double at, long whole) {
        return new Travel(at, at, Instant.START, whole);
    }

    public double at(Instant now) {
        double way = now.since(since) / (double) whole;
        return to > from ? Math.min(to, from + way) : Math.max(to, from - way);
    }

    /** The same thing, stopped where it is. */
    public Travel stopped(Instant now) {
        return moves() ? rest(at(now), whole) : this;
    }

    /** The same thing, from now on toward another end; comes to rest when it is there. */
    public Travel toward(double end, Instant now) {
        if (end != to) {
            return new Travel(at(now), end, now, whole);
        }
        return moves() && arrives().hasCome(now) ? new Travel(to, to, now, whole) : this;
    }

    /** The end that it goes to where it sticks at a place: once there, it goes no farther. */
    public double sticking(double place, double end, Instant now) {
        double here = at(now);
        boolean passes = (here <= place && end >= place) || (here >= place && end <= place);
        return passes ? place : end;
    }

    public boolean moves() {
        return from != to;
    }

    /** When it is there, or {@link Instant#NEVER} at rest. */
    public Instant arrives() {
        return moves() ? since.plus(Math.round(Math.abs(to - from) * whole)) : Instant.NEVER;
    }

    @Override
    public Travel asOf(Instant now) {
        return new Travel(moves() ? Clocked.rounded(at(now)) : to, to, now, whole);
    }
}
