package org.jagridge.core.drawing;

import java.util.Arrays;

/** A heap of states by cost, without boxes around the numbers. */
final class StateHeap {
    private long[] items = new long[1024];
    private int size;
    private int polledKey;

    void clear() {
        size = 0;
    }

    boolean isEmpty() {
        return size == 0;
    }

    /** The cost of the state that was polled last. */
    int polledKey() {
        return polledKey;
    }

    void add(int key, int value) {
        if (size == items.length) {
            items = Arrays.copyOf(items, 2 * size);
        }
        long item = ((long) key << 32) | value;
        int i = size++;
        while (i > 0 && items[(i - 1) >> 1] > item) {
            items[i] = items[(i - 1) >> 1];
            i = (i - 1) >> 1;
        }
        items[i] = item;
    }

    int poll() {
        long top = items[0];
        long last = items[--size];
        int i = 0;
        while (2 * i + 1 < size) {
            int child = 2 * i + 1;
            if (child + 1 < size && items[child + 1] < items[child]) {
                child++;
            }
            if (items[child] >= last) {
                break;
            }
            items[i] = items[child];
            i = child;
        }
        items[i] = last;
        polledKey = (int) (top >> 32);
        return (int) top;
    }
}
