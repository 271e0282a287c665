package org.jagridge.core.run;

import java.util.HashMap;
import java.util.Map;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** Which terminals could ever be joined in the circuit as it was meant to be, without faults and links left in. */
final class Homes {
    private final Map<Terminal, Integer> homeOf = new HashMap<>();

    Homes(Assembly healthy) {
        int[] parent = new int[healthy.nodeCount()];
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
        for (Branch b : healthy.branches()) {
            if (b.role() != Role.EARTHING) {
                parent[root(parent, b.nodeA())] = root(parent, b.nodeB());
            }
        }
        healthy.nodes().forEach((t, n) -> homeOf.put(t, root(parent, n)));
    }

    private static int root(int[] parent, int i) {
        int r = i;
        while (parent[r] != r) {
            parent[r] = parent[parent[r]];
            r = parent[r];
        }
        return r;
    }

    /** Whether two branches belong to supplies that the circuit doesn't join. False where either is unknown. */
    boolean differ(Branch a, Branch b) {
        Integer x = home(a);
        Integer y = home(b);
        return x != null && y != null && !x.equals(y);
    }

    private Integer home(Branch b) {
        if (b == null) {
            return null;
        }
        return homeOf.get(b.a() != null ? b.a() : b.b());
    }
}
