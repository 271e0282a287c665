package org.jagridge.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * The order in which nodes are eliminated: least degree first, ties by index (W. F. Tinney and J. W. Walker, "Direct
 * solutions of sparse network equations by optimally ordered triangular factorization", Proc. IEEE 55 (1967),
 * 1801–1809, their scheme 2). Control circuits are nearly trees, so the fill is small and plain neighbour sets do.
 */
final class EliminationOrder {
    private final int[][] neighbours;
    private final int[] degree;
    /** By degree: the nodes that have so many neighbours and aren't eliminated yet. */
    private final List<BitSet> byDegree = new ArrayList<>();

    private EliminationOrder(Network network) {
        neighbours = new int[network.nodes()][4];
        degree = new int[network.nodes()];
        for (int b = 0; b < network.branches(); b++) {
            link(network.from(b), network.to(b));
        }
        for (int c = 0; c < network.couplings(); c++) {
            int p = network.primary(c);
            int s = network.secondary(c);
            link(network.from(p), network.from(s));
            link(network.from(p), network.to(s));
            link(network.to(p), network.from(s));
            link(network.to(p), network.to(s));
        }
    }

    /** Returns order[k] = node eliminated as the k-th. */
    static int[] leastDegree(Network network) {
        return new EliminationOrder(network).eliminated();
    }

    private int[] eliminated() {
        for (int i = 0; i < degree.length; i++) {
            ofDegree(degree[i]).set(i);
        }
        int[] order = new int[degree.length];
        for (int k = 0; k < order.length; k++) {
            int node = first();
            order[k] = node;
            ofDegree(degree[node]).clear(node);
            int[] around = Arrays.copyOf(neighbours[node], degree[node]);
            for (int a : around) {
                ofDegree(degree[a]).clear(a);
                unlink(a, node);
            }
            for (int i = 0; i < around.length; i++) {
                for (int j = i + 1; j < around.length; j++) {
                    link(around[i], around[j]);
                }
            }
            for (int a : around) {
                ofDegree(degree[a]).set(a);
            }
        }
        return order;
    }

    private int first() {
        for (BitSet nodes : byDegree) {
            int node = nodes.nextSetBit(0);
            if (node >= 0) {
                return node;
            }
        }
        throw new IllegalStateException("no node is left");
    }

    private BitSet ofDegree(int d) {
        while (byDegree.size() <= d) {
            byDegree.add(new BitSet(degree.length));
        }
        return byDegree.get(d);
    }

    private void link(int a, int b) {
        if (a >= 0 && b >= 0 && a != b && !areLinked(a, b)) {
            add(a, b);
            add(b, a);
        }
    }

    private boolean areLinked(int a, int b) {
        int from = degree[a] < degree[b] ? a : b;
        int to = from == a ? b : a;
        for (int i = 0; i < degree[from]; i++) {
            if (neighbours[from][i] == to) {
                return true;
            }
        }
        return false;
    }

    private void add(int node, int neighbour) {
        if (degree[node] == neighbours[node].length) {
            neighbours[node] = Arrays.copyOf(neighbours[node], 2 * degree[node]);
        }
        neighbours[node][degree[node]++] = neighbour;
    }

    private void unlink(int node, int neighbour) {
        int i = 0;
        while (neighbours[node][i] != neighbour) {
            i++;
        }
        neighbours[node][i] = neighbours[node][--degree[node]];
    }
}
