package org.jagridge.core.run;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;

/** Which terminals could ever be joined in the circuit as it was meant to be, without faults and links left in. */
final class Homes {
    private final Map<Terminal, Integer> homeOf = new HashMap<>();
    private final Map<String, Set<Integer>> homesOfPart = new HashMap<>();

    Homes(Assembly healthy) {
        NodeGroups joined = NodeGroups.of(healthy, b -> b.role() != Role.EARTHING);
        NodeGroups fed =
                NodeGroups.of(healthy, b -> b.role() != Role.EARTHING && !isMetalwork(b.a()) && !isMetalwork(b.b()));
        healthy.nodes().forEach((t, n) -> {
            homeOf.put(t, joined.root(n));
            if (!isMetalwork(t)) {
                homesOfPart.computeIfAbsent(t.part(), p -> new HashSet<>()).add(fed.root(n));
            }
        });
    }

    private static boolean isMetalwork(Terminal t) {
        return t != null && t.name().equals("PE");
    }

    /** Whether two branches belong to supplies that the circuit doesn't join. False where either is unknown. */
    boolean differ(Branch a, Branch b) {
        Integer x = home(a);
        Integer y = home(b);
        return x != null && y != null && !x.equals(y);
    }

    /** Whether two parts hang on one supply, or one of them on none, like a fault of the wiring. */
    boolean share(String one, String other) {
        Set<Integer> a = homesOfPart.get(one);
        Set<Integer> b = homesOfPart.get(other);
        return a == null || b == null || a.stream().anyMatch(b::contains);
    }

    private Integer home(Branch b) {
        if (b == null) {
            return null;
        }
        return homeOf.get(b.a() != null ? b.a() : b.b());
    }
}
