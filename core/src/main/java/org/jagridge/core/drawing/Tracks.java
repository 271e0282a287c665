package org.jagridge.core.drawing;

import java.util.BitSet;

/**
 * The columns, or the rows, of a lattice that wires can use: those near a box, a frame's edge or a gland. Of the empty
 * space between boxes that a hand has moved far apart only the rims are kept, so that a drawing costs what is in it.
 */
final class Tracks {
    /** Steps around what is there. */
    private static final int RIM = 60;
    /** Steps around everything for wires that go outside of all frames. */
    private static final int OUTSIDE = 8;

    private final int first;
    private final int[] at;
    private final int[] index;

    /**
     * @param from the first step that something is on
     * @param to the last
     * @param busy the steps that something is on, counted from {@code from}
     */
    Tracks(int from, int to, BitSet busy) {
        first = from - OUTSIDE;
        int steps = to - from + 1 + 2 * OUTSIDE;
        BitSet kept = new BitSet(steps);
        busy.stream().forEach(b -> kept.set(Math.max(0, b + OUTSIDE - RIM), Math.min(steps, b + OUTSIDE + RIM + 1)));
        at = kept.stream().map(i -> i + first).toArray();
        index = new int[steps];
        int next = 0;
        for (int i = 0; i < steps; i++) {
            index[i] = Math.min(next, at.length - 1);
            next += kept.get(i) ? 1 : 0;
        }
    }

    int count() {
        return at.length;
    }

    /** The number of the track at a step, or of the next one where that step has none. */
    int of(int step) {
        return index[step - first];
    }

    /** The step of a track. */
    int step(int track) {
        return at[track];
    }
}
