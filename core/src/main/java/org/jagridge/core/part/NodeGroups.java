package org.jagridge.core.part;

import java.util.function.Predicate;

/** Which nodes of an assembly, earth among them, are joined by some of its branches. */
public final class NodeGroups {
    /** The node before each in its group, or itself for the one that stands for the group; earth, −1, comes first. */
    private final int[] parent;

    private NodeGroups(int nodes) {
        parent = new int[nodes + 1];
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
    }

    /** The nodes of an assembly joined by those of its branches. */
    public static NodeGroups of(Assembly assembly, Predicate<Branch> by) {
        NodeGroups groups = new NodeGroups(assembly.nodeCount());
        for (Branch b : assembly.branches()) {
            if (by.test(b)) {
                groups.join(b.nodeA(), b.nodeB());
            }
        }
        return groups;
    }

    private void join(int a, int b) {
        int ra = root(a) + 1;
        int rb = root(b) + 1;
        parent[Math.max(ra, rb)] = Math.min(ra, rb);
    }

    /** The node that stands for a node's group: of all in it the first, earth before any other. */
    public int root(int node) {
        int i = node + 1;
        while (parent[i] != i) {
            parent[i] = parent[parent[i]];
            i = parent[i];
        }
        return i - 1;
    }

    public boolean together(int a, int b) {
        return root(a) == root(b);
    }
}
