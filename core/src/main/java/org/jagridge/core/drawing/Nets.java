package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/** Groups the nodes of an assembly into nets. Nets are numbered in the order of their first terminal. */
final class Nets {
    private final int[] netOfNode;
    private final List<Net> nets = new ArrayList<>();

    Nets(Assembly assembly) {
        int n = assembly.nodeCount();
        int[] parent = new int[n];
        for (int i = 0; i < n; i++) {
            parent[i] = i;
        }
        for (Branch b : assembly.branches()) {
            if (isMerged(b)) {
                int x = root(parent, b.nodeA());
                int y = root(parent, b.nodeB());
                parent[Math.max(x, y)] = Math.min(x, y);
            }
        }
        netOfNode = new int[n];
        Arrays.fill(netOfNode, -1);
        int[] ofRoot = new int[n];
        Arrays.fill(ofRoot, -1);
        List<List<Terminal>> terminals = new ArrayList<>();
        List<List<Integer>> nodes = new ArrayList<>();
        for (Map.Entry<Terminal, Integer> e : assembly.nodes().entrySet()) {
            int r = root(parent, e.getValue());
            if (ofRoot[r] < 0) {
                ofRoot[r] = terminals.size();
                terminals.add(new ArrayList<>());
                nodes.add(new ArrayList<>());
            }
            netOfNode[e.getValue()] = ofRoot[r];
            terminals.get(ofRoot[r]).add(e.getKey());
            nodes.get(ofRoot[r]).add(e.getValue());
        }
        // nodes inside parts belong to the net of the terminal they are joined to, where there is one
        for (int node = 0; node < n; node++) {
            if (netOfNode[node] < 0) {
                netOfNode[node] = ofRoot[root(parent, node)];
            }
        }
        for (int i = 0; i < terminals.size(); i++) {
            nets.add(new Net(i, 0, List.copyOf(terminals.get(i)), List.copyOf(nodes.get(i))));
        }
    }

    private static int root(int[] parent, int i) {
        int r = i;
        while (parent[r] != r) {
            r = parent[r];
        }
        return r;
    }

    /** Whether a branch is part of a line rather than something on it. */
    static boolean isMerged(Branch b) {
        boolean link = b.role() == Role.CONDUCTOR || b.role() == Role.PROTECTION;
        return b.isWire() || (link && b.shape() == Shape.NONE);
    }

    int ofNode(int node) {
        return netOfNode[node];
    }

    List<Net> all() {
        return nets;
    }
}
