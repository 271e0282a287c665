package org.jagridge.core.part;

/**
 * A temperature that drifts toward an end value: T(t) = end + (from − end)·exp(−(t − since)/τ). Immutable.
 *
 * @param since microseconds
 * @param tau seconds; 0 for one that stands still
 */
record Drift(double from, double end, double tau, long since) {
    /** Temperatures closer than this are the same. */
    static final double EPSILON = 1e-6;

    static Drift still(double celsius, long now) {
        return new Drift(celsius, celsius, 0, now);
    }

    double at(long now) {
        return tau == 0 ? from : end + (from - end) * Math.exp(-Time.seconds(now - since) / tau);
    }

    /** The same temperature, from now on toward another end. */
    Drift toward(double newEnd, double newTau, long now) {
        return newEnd == end && newTau == tau ? this : new Drift(at(now), newEnd, newTau, now);
    }

    /** When {@code target} is next reached, strictly after now, or {@link Reaction#NEVER}. */
    long when(double target, long now) {
        double here = at(now);
        double gone = here - end;
        double left = target - end;
        if (tau == 0 || gone * left <= 0 || Math.abs(left) >= Math.abs(gone) || Math.abs(here - target) < EPSILON) {
            return Reaction.NEVER;
        }
        return now + Math.max(1, Time.micros(tau * Math.log(gone / left)));
    }
}
