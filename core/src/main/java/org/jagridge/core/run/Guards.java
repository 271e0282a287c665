package org.jagridge.core.run;

import java.util.Arrays;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Time;

/**
 * What guards a machine against parts that never come to rest: one that flips often without time passing gets the
 * response time that real ones have, one that chatters on is frozen or starts again later. By the part's place in the
 * assembly.
 */
final class Guards {
    /** A part that flips more often than this without time passing is held for its response time. */
    private static final int MOST_FLIPS_AT_ONE_INSTANT = 6;

    private static final long RESPONSE = 20 * Time.MILLISECOND;
    /** How long electronics that chatter stay down before they try again. */
    private static final long RESTART = 5 * Time.SECOND;

    private static final int CHATTER_CHANGES = 20;
    /** Microseconds within which changes are counted. */
    static final long CHATTER_WINDOW = 2 * Time.SECOND;

    private static final long[] NO_CHANGES = {};

    private final boolean[] frozen;
    private final Instant[] heldUntil;
    private final long[][] changes;
    private final int[] flips;
    private Instant flipsAt = Instant.NEVER;

    Guards(int parts) {
        frozen = new boolean[parts];
        heldUntil = new Instant[parts];
        changes = new long[parts][];
        flips = new int[parts];
    }

    /** As if nothing had moved yet. */
    void begin() {
        Arrays.fill(frozen, false);
        Arrays.fill(heldUntil, Instant.START);
        Arrays.fill(changes, NO_CHANGES);
        flipsAt = Instant.NEVER;
    }

    void load(Configuration c) {
        System.arraycopy(c.frozen, 0, frozen, 0, frozen.length);
        System.arraycopy(c.heldUntil, 0, heldUntil, 0, heldUntil.length);
        System.arraycopy(c.changes, 0, changes, 0, changes.length);
        flipsAt = Instant.NEVER;
    }

    /** Takes over from another circuit's that a part is frozen. */
    void takeOver(int part, Guards old, int was) {
        frozen[part] = old.frozen[was];
    }

    boolean[] frozen() {
        return frozen.clone();
    }

    Instant[] heldUntil() {
        return heldUntil.clone();
    }

    long[][] changes() {
        return changes.clone();
    }

    /** A round of reactions begins; flips are counted by instant. */
    void roundBegins(Instant now) {
        if (!now.equals(flipsAt)) {
            Arrays.fill(flips, 0);
            flipsAt = now;
        }
    }

    /** Whether a part isn't asked now. */
    boolean holds(int part, Instant now) {
        return frozen[part] || !heldUntil[part].hasCome(now);
    }

    /** When a part that is held is to be asked again. */
    Instant until(int part) {
        return frozen[part] ? Instant.NEVER : heldUntil[part];
    }

    /**
     * A part's signal changes.
     *
     * @param counts whether the change counts as chatter
     * @return whether it is held from now on
     */
    boolean flips(int part, Instant now, boolean counts) {
        if (counts) {
            long[] times = Arrays.copyOf(changes[part], changes[part].length + 1);
            times[times.length - 1] = now.micros();
            changes[part] = times;
        }
        if (++flips[part] <= MOST_FLIPS_AT_ONE_INSTANT) {
            return false;
        }
        heldUntil[part] = now.plus(RESPONSE);
        return true;
    }

    /** Whether a part changed too often; changes that are too old to count are forgotten. */
    boolean chatters(int part, Instant now) {
        long since = now.micros() - CHATTER_WINDOW;
        if (changes[part].length > 0 && changes[part][0] < since) {
            changes[part] = Arrays.stream(changes[part]).filter(c -> c >= since).toArray();
        }
        return changes[part].length > CHATTER_CHANGES;
    }

    /** Whether a part that chatters does it by itself: a lamp that only follows a chattering relay is none. */
    boolean chattersLong(int part) {
        return changes[part].length > 2 * CHATTER_CHANGES;
    }

    void freeze(int part) {
        frozen[part] = true;
    }

    /** A part that chatters stays down for a while. */
    void restartLater(int part, Instant now) {
        heldUntil[part] = now.plus(RESTART);
    }
}
