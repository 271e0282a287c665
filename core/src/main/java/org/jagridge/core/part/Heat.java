package org.jagridge.core.part;

/**
 * Heat that gathers in a fuse, breaker or winding and opens it at level 1: dh/dt = rate while the current is high,
 * dh/dt = −h/τ while it isn't. Immutable.
 *
 * @param level heat at the time {@code at}
 * @param rate growth per second; 0 while cooling
 * @param at microseconds
 */
record Heat(double level, double rate, long at) {
    static final Heat COLD = new Heat(0, 0, 0);

    /** The heat at {@code now}, from which it goes on with {@code newRate}. */
    Heat then(double newRate, double coolingSeconds, long now) {
        // a rate that stays the same keeps its starting point, so that the crossing doesn't drift
        if (newRate == rate && (rate > 0 || level == 0)) {
            return this;
        }
        return new Heat(levelAt(now, coolingSeconds), newRate, now);
    }

    double levelAt(long now, double coolingSeconds) {
        double dt = Time.seconds(now - at);
        double l = rate > 0 ? level + rate * dt : level * Math.exp(-dt / coolingSeconds);
        return l < 1e-6 ? 0 : l;
    }

    /** When level 1 is reached, or {@link Reaction#NEVER}. */
    long full() {
        return rate <= 0 ? Reaction.NEVER : at + Time.micros((1 - level) / rate);
    }

    /** Growth for the multiple {@code m} of rated current: (m² − limit²)/k over the limit, else 0. */
    static double rate(double m, double limit, double k) {
        return m > limit ? (m * m - limit * limit) / k : 0;
    }
}
