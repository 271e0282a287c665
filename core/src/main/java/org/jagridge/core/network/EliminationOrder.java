package org.jagridge.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * The order in which nodes are eliminated: least degree first, ties by index (W. F. Tinney and J. W. Walker, "Direct
 * solutions of sparse network equations by optimally ordered triangular factorization", Proc. IEEE 55 (1967),
 * 1801–1809, their scheme 2). Control circuits are nearly trees, so the fill is small and plain neighbour sets do.
 */
final class EliminationOrder {
    private EliminationOrder() {}

    /** Returns order[k] = node eliminated as the k-th. */
    static int[] leastDegree(Network network) {
        int n = network.nodes();
        List<Set<Integer>> neighbours = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            neighbours.add(new TreeSet<>());
        }
        for (int b = 0; b < network.branches(); b++) {
            link(neighbours, network.from(b), network.to(b));
        }
        for (int c = 0; c < network.couplings(); c++) {
            int p = network.primary(c);
            int s = network.secondary(c);
            link(neighbours, network.from(p), network.from(s));
            link(neighbours, network.from(p), network.to(s));
            link(neighbours, network.to(p), network.from(s));
            link(neighbours, network.to(p), network.to(s));
        }
        TreeSet<Long> byDegree = new TreeSet<>();
        for (int i = 0; i < n; i++) {
            byDegree.add(key(neighbours, i));
        }
        int[] order = new int[n];
        for (int k = 0; k < n; k++) {
            int node = (int) (byDegree.pollFirst() & 0xFFFFFFFFL);
            order[k] = node;
            List<Integer> around = List.copyOf(neighbours.get(node));
            for (int a : around) {
                byDegree.remove(key(neighbours, a));
                neighbours.get(a).remove(node);
            }
            for (int i = 0; i < around.size(); i++) {
                for (int j = i + 1; j < around.size(); j++) {
                    link(neighbours, around.get(i), around.get(j));
                }
            }
            for (int a : around) {
                byDegree.add(key(neighbours, a));
            }
        }
        return order;
    }

    private static long key(List<Set<Integer>> neighbours, int node) {
        return ((long) neighbours.get(node).size() << 32) | node;
    }

    private static void link(List<Set<Integer>> neighbours, int a, int b) {
        if (a >= 0 && b >= 0 && a != b) {
            neighbours.get(a).add(b);
            neighbours.get(b).add(a);
        }
    }
}
