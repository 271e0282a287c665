package org.jagridge.core.part.block;

import org.jagridge.core.part.Because;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Time;

/**
 * How long something has been treated in a way that destroys it in the end. Immutable; the clock starts when the
 * treatment begins and is forgotten when it ends.
 */
public record Stress(Kind kind, Instant since) {
    /** Volts over which a coil, lamp or control burns out, as a multiple of its rating. */
    public static final double OVERVOLTAGE = 1.3;

    public static final Stress NONE = new Stress(Kind.NONE, Instant.NEVER);

    /** What is being done to it. */
    public enum Kind {
        NONE(0, ""),
        OVERVOLTAGE(5, "over 1.3 × its rated volts for 5 s"),
        OVERHEATED(60, "current of an open armature for 60 s"),
        DIRECT_CURRENT(60, "direct current through an AC coil for 60 s"),
        TWO_TAPS(20, "two speed taps energised for 20 s");

        private final int seconds;
        private final String words;

        Kind(int seconds, String words) {
            this.seconds = seconds;
            this.words = words;
        }
    }

    /** The stress from now on, given what is done now. */
    public Stress under(Kind now, Instant at) {
        return now == kind ? this : now == Kind.NONE ? NONE : new Stress(now, at);
    }

    /** The stress from now on, given the volts across it. */
    public Stress byVolts(double volts, double rated, Instant at) {
        return under(volts > OVERVOLTAGE * rated ? Kind.OVERVOLTAGE : Kind.NONE, at);
    }

    /** When it gives way, or {@link Instant#NEVER}. */
    public Instant breaksAt() {
        return kind == Kind.NONE ? Instant.NEVER : since.plus(kind.seconds * Time.SECOND);
    }

    public boolean broken(Instant now) {
        return breaksAt().hasCome(now);
    }

    /** Why it burnt out. */
    public Because because(Branch focus, double volts, double rated) {
        return new Because(
                Because.Kind.VOLTS,
                () -> "burnt out: %s (%.1f V on %.1f V)".formatted(kind.words, volts, rated),
                volts,
                rated * OVERVOLTAGE,
                focus,
                false,
                true);
    }
}
