package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/** Groups the nodes of an assembly into nets. Nets are numbered in the order of their first terminal. */
final class Nets {
    private final int[] netOfNode;
    private final List<Net> nets = new ArrayList<>();

    Nets(Assembly assembly) {
        this(assembly, Nets::isMerged);
    }

    /** @param by what joins two nodes into one net */
    Nets(Assembly assembly, Predicate<Branch> by) {
        int n = assembly.nodeCount();
        NodeGroups merged = NodeGroups.of(assembly, by);
        netOfNode = new int[n];
        Arrays.fill(netOfNode, -1);
        Map<Integer, Integer> ofRoot = new HashMap<>();
        List<List<Terminal>> terminals = new ArrayList<>();
        List<List<Integer>> nodes = new ArrayList<>();
        for (Map.Entry<Terminal, Integer> e : assembly.nodes().entrySet()) {
            int net = ofRoot.computeIfAbsent(merged.root(e.getValue()), r -> ofRoot.size());
            if (net == terminals.size()) {
                terminals.add(new ArrayList<>());
                nodes.add(new ArrayList<>());
            }
            netOfNode[e.getValue()] = net;
            terminals.get(net).add(e.getKey());
            nodes.get(net).add(e.getValue());
        }
        // nodes inside parts belong to the net of the terminal they are joined to, where there is one
        for (int node = 0; node < n; node++) {
            if (netOfNode[node] < 0) {
                netOfNode[node] = ofRoot.getOrDefault(merged.root(node), -1);
            }
        }
        for (int i = 0; i < terminals.size(); i++) {
            nets.add(new Net(i, 0, List.copyOf(terminals.get(i)), List.copyOf(nodes.get(i))));
        }
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
