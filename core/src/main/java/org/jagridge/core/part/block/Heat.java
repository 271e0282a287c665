package org.jagridge.core.part.block;

import org.jagridge.core.part.Clocked;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Time;

/**
 * Heat that gathers in a fuse, breaker or winding and opens it at level 1: dh/dt = rate while the current is high,
 * dh/dt = −h/τ while it isn't. Immutable.
 *
 * @param level heat at the time {@code at}
 * @param rate growth per second; 0 while cooling
 * @param cooling τ in seconds
 * @param at when it was so; of no matter while it is cold
 */
public record Heat(double level, double rate, double cooling, Instant at) implements Clocked {
    public static final Heat COLD = new Heat(0, 0, 1, Instant.START);

    /** The heat at {@code now}, from which it goes on with {@code newRate}. */
    public Heat then(double newRate, double coolingSeconds, Instant now) {
        // a rate that stays the same keeps its starting point, so that the crossing doesn't drift
        if (newRate == rate && (rate > 0 || level == 0)) {
            return this;
        }
        double reached = levelAt(now);
        return reached == 0 && newRate == 0 ? COLD : new Heat(reached, newRate, coolingSeconds, now);
    }

    public double levelAt(Instant now) {
        if (level == 0 && rate == 0) {
            return 0;
        }
        double dt = Time.seconds(now.since(at));
        double l = rate > 0 ? level + rate * dt : level * Math.exp(-dt / cooling);
        return l < 1e-6 ? 0 : l;
    }

    /** When level 1 is reached, or {@link Instant#NEVER}. */
    public Instant full() {
        return rate <= 0 ? Instant.NEVER : at.plus(Time.micros((1 - level) / rate));
    }

    @Override
    public Heat asOf(Instant now) {
        double l = Clocked.rounded(levelAt(now));
        return l == 0 && rate == 0 ? new Heat(0, 0, COLD.cooling, now) : new Heat(l, rate, cooling, now);
    }

    /** Growth for the multiple {@code m} of rated current: (m² − limit²)/k over the limit, else 0. */
    public static double rate(double m, double limit, double k) {
        return m > limit ? (m * m - limit * limit) / k : 0;
    }
}
