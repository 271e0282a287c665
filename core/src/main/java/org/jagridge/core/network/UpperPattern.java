package org.jagridge.core.network;

import java.util.Arrays;

/** Collects where the strict upper triangle of a symmetric matrix has entries, then numbers them by columns. */
final class UpperPattern {
    private final int n;
    /** Column and row of each noted entry in one number; some come several times. */
    private long[] noted = new long[64];

    private int size;
    private int[] starts;
    private int[] rows;

    UpperPattern(int n) {
        this.n = n;
    }

    /** Notes the entry of two indices; −1 stands for earth and has none. */
    void add(int i, int j) {
        if (i >= 0 && j >= 0 && i != j) {
            if (size == noted.length) {
                noted = Arrays.copyOf(noted, 2 * size);
            }
            noted[size++] = (long) Math.max(i, j) << 32 | Math.min(i, j);
        }
    }

    private void number() {
        if (rows == null) {
            long[] entries = Arrays.stream(noted, 0, size).sorted().distinct().toArray();
            rows = Arrays.stream(entries).mapToInt(e -> (int) e).toArray();
            starts = new int[n + 1];
            for (long e : entries) {
                starts[(int) (e >> 32) + 1]++;
            }
            for (int k = 0; k < n; k++) {
                starts[k + 1] += starts[k];
            }
        }
    }

    /** Start of each column in {@link #rows()}, length n + 1. */
    int[] starts() {
        number();
        return starts;
    }

    /** Row of each entry, ascending within a column. */
    int[] rows() {
        number();
        return rows;
    }

    /** Position of an entry in {@link #rows()}, or −1 where the pair has none. */
    int position(int i, int j) {
        if (i < 0 || j < 0 || i == j) {
            return -1;
        }
        int column = Math.max(i, j);
        return Arrays.binarySearch(rows(), starts()[column], starts()[column + 1], Math.min(i, j));
    }
}
