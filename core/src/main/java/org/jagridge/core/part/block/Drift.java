package org.jagridge.core.part.block;

import org.jagridge.core.part.Clocked;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Time;

/**
 * A temperature that drifts toward an end value: T(t) = end + (from − end)·exp(−(t − since)/τ). Immutable.
 *
 * @param since when it began to drift so
 * @param tau seconds; 0 for one that stands still
 */
public record Drift(double from, double end, double tau, Instant since) implements Clocked {
    /** Temperatures closer than this are the same. */
    public static final double EPSILON = 1e-6;

    public static Drift still(double celsius, Instant now) {
        return new Drift(celsius, celsius, 0, now);
    }

    public double at(Instant now) {
        return tau == 0 ? from : end + (from - end) * Math.exp(-Time.seconds(now.since(since)) / tau);
    }

    /** The same temperature, from now on toward another end. */
    public Drift toward(double newEnd, double newTau, Instant now) {
        return newEnd == end && newTau == tau ? this : new Drift(at(now), newEnd, newTau, now);
    }

    /** When {@code target} is next reached, strictly after now, or {@link Instant#NEVER}. */
    public Instant when(double target, Instant now) {
        double here = at(now);
        double gone = here - end;
        double left = target - end;
        if (tau == 0 || gone * left <= 0 || Math.abs(left) >= Math.abs(gone) || Math.abs(here - target) < EPSILON) {
            return Instant.NEVER;
        }
        return now.plus(Math.max(1, Time.micros(tau * Math.log(gone / left))));
    }

    @Override
    public Drift asOf(Instant now) {
        return new Drift(Clocked.rounded(at(now)), Clocked.rounded(end), tau, now);
    }
}
