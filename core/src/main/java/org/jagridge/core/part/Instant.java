package org.jagridge.core.part;

/**
 * An instant on a run's clock. Whatever a part's state remembers of time is one of these, so that a state can be moved
 * along the clock without knowing what part it is of.
 *
 * @param micros microseconds from the start of the run
 */
public record Instant(long micros) {
    public static final Instant START = new Instant(0);
    /** Not at all: no wish to be woken, no clock running. */
    public static final Instant NEVER = new Instant(Long.MAX_VALUE);

    public static Instant earliest(Instant a, Instant b) {
        return b.micros < a.micros ? b : a;
    }

    public boolean isNever() {
        return micros == Long.MAX_VALUE;
    }

    /** This instant, {@code span} microseconds later; never stays never. */
    public Instant plus(long span) {
        return isNever() ? NEVER : new Instant(micros + span);
    }

    /** This instant, {@code span} microseconds earlier. */
    public Instant minus(long span) {
        return plus(-span);
    }

    /** Microseconds from {@code earlier} to this instant. */
    public long since(Instant earlier) {
        return micros - earlier.micros;
    }

    /** This instant, or {@code least} where it is longer ago than that. */
    public Instant notBefore(Instant least) {
        return micros < least.micros ? least : this;
    }

    /** Whether it has come by {@code now}. */
    public boolean hasCome(Instant now) {
        return micros <= now.micros;
    }
}
