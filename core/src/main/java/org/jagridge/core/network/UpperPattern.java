package org.jagridge.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/** Collects where the strict upper triangle of a symmetric matrix has entries, then numbers them by columns. */
final class UpperPattern {
    private final List<TreeSet<Integer>> columns = new ArrayList<>();
    private int[] starts;
    private int[] rows;

    UpperPattern(int n) {
        for (int i = 0; i < n; i++) {
            columns.add(new TreeSet<>());
        }
    }

    /** Notes the entry of two indices; −1 stands for earth and has none. */
    void add(int i, int j) {
        if (i >= 0 && j >= 0 && i != j) {
            columns.get(Math.max(i, j)).add(Math.min(i, j));
        }
    }

    /** Start of each column in {@link #rows()}, length n + 1. */
    int[] starts() {
        if (starts == null) {
            starts = new int[columns.size() + 1];
            for (int k = 0; k < columns.size(); k++) {
                starts[k + 1] = starts[k] + columns.get(k).size();
            }
        }
        return starts;
    }

    /** Row of each entry, ascending within a column. */
    int[] rows() {
        if (rows == null) {
            rows = columns.stream()
                    .flatMap(TreeSet::stream)
                    .mapToInt(Integer::intValue)
                    .toArray();
        }
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
