package org.jagridge.core.part;

/**
 * A piece of state that runs on by itself, such as heat or a drifting temperature: the same course can be written from
 * any of its instants.
 */
public interface Clocked {
    /**
     * The same course, written from {@code now} and rounded, so that two that go on alike are equal. For comparing only:
     * going on from it may move what follows by a microsecond.
     */
    Object asOf(Instant now);

    /** Rounded to a millionth, under what any threshold looks at. */
    static double rounded(double value) {
        return Math.rint(value * 1e6) / 1e6 + 0.0;
    }
}
