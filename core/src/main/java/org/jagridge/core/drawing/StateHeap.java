package org.jagridge.core.drawing;

import java.util.Arrays;

/** States by cost, in a list for each cost; of those that cost the same, the last comes first. */
final class StateHeap {
    private static final int NONE = -1;

    /** The newest entry of each cost, and for each entry its state and the one before it. */
    private int[] newest = new int[1024];

    private int[] states = new int[1024];
    private int[] before = new int[1024];
    private int entries;
    private int size;
    private int lowest;
    private int highest = NONE;
    private int polledKey;

    StateHeap() {
        Arrays.fill(newest, NONE);
    }

    void clear() {
        Arrays.fill(newest, 0, highest + 1, NONE);
        entries = 0;
        size = 0;
        lowest = 0;
        highest = NONE;
    }

    boolean isEmpty() {
        return size == 0;
    }

    /** The cost of the state that was polled last. */
    int polledKey() {
        return polledKey;
    }

    void add(int key, int value) {
        if (key >= newest.length) {
            int old = newest.length;
            newest = Arrays.copyOf(newest, Math.max(key + 1, 2 * old));
            Arrays.fill(newest, old, newest.length, NONE);
        }
        if (entries == states.length) {
            states = Arrays.copyOf(states, 2 * entries);
            before = Arrays.copyOf(before, 2 * entries);
        }
        states[entries] = value;
        before[entries] = newest[key];
        newest[key] = entries++;
        lowest = size++ == 0 ? key : Math.min(lowest, key);
        highest = Math.max(highest, key);
    }

    int poll() {
        while (newest[lowest] == NONE) {
            lowest++;
        }
        int entry = newest[lowest];
        newest[lowest] = before[entry];
        size--;
        polledKey = lowest;
        return states[entry];
    }
}
