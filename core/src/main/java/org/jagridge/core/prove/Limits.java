package org.jagridge.core.prove;

import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;

/**
 * How far a search goes.
 *
 * @param changesInFlight how many changes may come before everything is at rest again, the first counted; 1 or more
 * @param mostSteps instants at which something moves, of one search; what is left then is said to be left
 * @param done counts such instants of all searches, for whoever shows progress
 * @param unwanted whether nobody waits for it any more
 */
public record Limits(int changesInFlight, int mostSteps, AtomicLong done, BooleanSupplier unwanted) {
    /** What is usual: two changes in flight. */
    public static final int CHANGES_IN_FLIGHT = 2;

    private static final int MOST_STEPS = 150_000;

    public static Limits usual() {
        return new Limits(CHANGES_IN_FLIGHT, MOST_STEPS, new AtomicLong(), () -> false);
    }

    /** The same for somebody who looks on and may lose interest. */
    public Limits watchedBy(AtomicLong counter, BooleanSupplier lost) {
        return new Limits(changesInFlight, mostSteps, counter, lost);
    }

    /** The same with so many changes in flight. */
    public Limits withChanges(int changes) {
        return new Limits(changes, mostSteps, done, unwanted);
    }

    Limits with(int changes, int steps) {
        return new Limits(changes, steps, done, unwanted);
    }

    void step() {
        done.incrementAndGet();
        if (unwanted.getAsBoolean()) {
            throw new CancellationException("the proof was cancelled");
        }
    }
}
