package org.jagridge.core.network;

import java.util.Arrays;

/**
 * What a network's matrix and its factor look like, whatever the numbers: the elimination order, where Y has entries,
 * and the rows of L. Found once a network and shared by all its solvers. Immutable.
 */
final class SparsePattern {
    final Network network;
    final int n;
    /** order[k] = node eliminated as the k-th; rank is its inverse. */
    final int[] order;

    final int[] rank;
    /** Upper triangle of the permuted Y by columns; the diagonal is kept apart. */
    final int[] colStart;

    final int[] rowIndex;
    /** Where the off-diagonal entry of each branch lies in the arrays a, or −1. */
    final int[] branchEntry;
    /** Four entries a coupling: from–from, from–to, to–from, to–to of primary and secondary. */
    final int[] couplingEntry;
    /** Row k of L: columns rowCols[rowStart[k] … rowStart[k+1]). */
    final int[] rowStart;

    final int[] rowCols;
    /** Column k of L begins at lStart[k]; its rows are filled in order. */
    final int[] lStart;

    SparsePattern(Network network) {
        this.network = network;
        n = network.nodes();
        order = EliminationOrder.leastDegree(network);
        rank = new int[n];
        for (int k = 0; k < n; k++) {
            rank[order[k]] = k;
        }
        UpperPattern pattern = new UpperPattern(n);
        branchEntry = new int[network.branches()];
        for (int b = 0; b < network.branches(); b++) {
            pattern.add(ranked(network.from(b)), ranked(network.to(b)));
        }
        for (int c = 0; c < network.couplings(); c++) {
            for (int e = 0; e < 4; e++) {
                pattern.add(ranked(couplingNode(c, e, true)), ranked(couplingNode(c, e, false)));
            }
        }
        colStart = pattern.starts();
        rowIndex = pattern.rows();
        for (int b = 0; b < network.branches(); b++) {
            branchEntry[b] = pattern.position(ranked(network.from(b)), ranked(network.to(b)));
        }
        couplingEntry = new int[4 * network.couplings()];
        for (int c = 0; c < network.couplings(); c++) {
            for (int e = 0; e < 4; e++) {
                couplingEntry[4 * c + e] =
                        pattern.position(ranked(couplingNode(c, e, true)), ranked(couplingNode(c, e, false)));
            }
        }
        int[] parent = new int[n];
        int[] mark = new int[n];
        int[] columnCount = new int[n];
        rowStart = new int[n + 1];
        int[][] rows = new int[n][];
        int[] row = new int[n];
        for (int k = 0; k < n; k++) {
            parent[k] = -1;
            mark[k] = k;
            int length = 0;
            for (int p = colStart[k]; p < colStart[k + 1]; p++) {
                for (int i = rowIndex[p]; mark[i] != k; i = parent[i]) {
                    if (parent[i] == -1) {
                        parent[i] = k;
                    }
                    row[length++] = i;
                    columnCount[i]++;
                    mark[i] = k;
                }
            }
            rows[k] = Arrays.copyOf(row, length);
            Arrays.sort(rows[k]);
            rowStart[k + 1] = rowStart[k] + length;
        }
        rowCols = new int[rowStart[n]];
        for (int k = 0; k < n; k++) {
            System.arraycopy(rows[k], 0, rowCols, rowStart[k], rows[k].length);
        }
        lStart = new int[n + 1];
        for (int k = 0; k < n; k++) {
            lStart[k + 1] = lStart[k] + columnCount[k];
        }
    }

    int ranked(int node) {
        return node < 0 ? -1 : rank[node];
    }

    /** The primary's or the secondary's node of entry e (0 … 3) of coupling c. */
    int couplingNode(int c, int e, boolean primary) {
        int branch = primary ? network.primary(c) : network.secondary(c);
        boolean first = primary ? e < 2 : (e & 1) == 0;
        return first ? network.from(branch) : network.to(branch);
    }
}
