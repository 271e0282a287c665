package org.jagridge.core.prove;

import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.part.Time;

/**
 * Looks at one rule all along a way. What it has to remember is one instant: since when something has been wrong, or
 * {@link #FINE}. A rule is broken once that has lasted for its grace, or for the time within which something must come.
 */
final class Watch {
    /** Nothing is wrong. */
    static final long FINE = Long.MAX_VALUE;

    private final Rule rule;
    private final long lasts;

    Watch(Rule rule) {
        this.rule = rule;
        lasts = asksForOneState()
                ? 0
                : Time.micros(rule.claim() instanceof Claim.Within w ? w.seconds() : rule.graceSeconds());
    }

    Rule rule() {
        return rule;
    }

    /**
     * Since when something is wrong, at an instant at which something has moved.
     *
     * @param since what this gave at the instant before, {@link #FINE} at the start
     * @param before what was seen just before, null at the start
     */
    long next(long since, Condition.Signals before, Condition.Signals now, long micros) {
        return isWrong(since, before, now) ? Math.min(since, micros) : FINE;
    }

    private boolean isWrong(long since, Condition.Signals before, Condition.Signals now) {
        Claim claim = rule.claim();
        if (claim instanceof Claim.Never c) {
            return c.of().holds(now);
        }
        if (claim instanceof Claim.Always c) {
            return !c.of().holds(now);
        }
        if (claim instanceof Claim.Within c) {
            return c.when().holds(now) && !c.then().holds(now);
        }
        if (claim instanceof Claim.Before c) {
            boolean begins = before == null || !c.then().holds(before);
            return c.then().holds(now) && !c.first().holds(now) && (since != FINE || begins);
        }
        return ((Claim.Possible) claim).of().holds(now);
    }

    /** Whether what has been wrong since then breaks the rule if it lasts until {@code micros}. */
    boolean isBroken(long since, long micros) {
        return since != FINE && micros - since >= lasts;
    }

    /** The instant at which what is wrong breaks the rule. */
    long breaksAt(long since) {
        return since + lasts;
    }

    /** Whether the rule asks for a state that can be reached; then what "breaks" it here is the way there. */
    boolean asksForOneState() {
        return rule.claim() instanceof Claim.Possible;
    }
}
