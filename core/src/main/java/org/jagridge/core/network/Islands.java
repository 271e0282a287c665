package org.jagridge.core.network;

import java.util.Arrays;
import java.util.function.IntConsumer;

/**
 * Which nodes hang together by conductors at one instant. Each island without a bond to earth gets one leak, so that
 * its volts to earth are defined.
 */
final class Islands {
    private final int[] parent;
    private final int earth;
    private final int[] leakNode;

    Islands(Network network) {
        earth = network.nodes();
        parent = new int[earth + 1];
        leakNode = new int[earth + 1];
    }

    /** Calls {@code leak} once for the chosen node of each island that has no bond to earth. */
    void forEachLeak(Network network, Values values, IntConsumer leak) {
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
        for (int b = 0; b < network.branches(); b++) {
            if (values.conducts(b) && network.isGalvanic(b)) {
                join(index(network.from(b)), index(network.to(b)));
            }
        }
        Arrays.fill(leakNode, -1);
        for (int n = 0; n < earth; n++) {
            int root = root(n);
            if (leakNode[root] < 0 || network.leakRank(n) < network.leakRank(leakNode[root])) {
                leakNode[root] = n;
            }
        }
        int earthed = root(earth);
        for (int r = 0; r < earth + 1; r++) {
            if (leakNode[r] >= 0 && r != earthed) {
                leak.accept(leakNode[r]);
            }
        }
    }

    private int index(int node) {
        return node == Network.EARTH ? earth : node;
    }

    private void join(int a, int b) {
        int ra = root(a);
        int rb = root(b);
        if (ra != rb) {
            parent[Math.max(ra, rb)] = Math.min(ra, rb);
        }
    }

    private int root(int n) {
        int r = n;
        while (parent[r] != r) {
            r = parent[r];
        }
        int walk = n;
        while (parent[walk] != r) {
            int next = parent[walk];
            parent[walk] = r;
            walk = next;
        }
        return r;
    }
}
