package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/**
 * Which safety devices a link between two terminals would go around: those that every way from the one terminal to the
 * other through wires and contacts, made or not, has to pass. A link from R to W at the thermostat goes around none,
 * since the limit comes after W; one from R to the gas valve goes around the limit.
 */
public final class Bypass {
    private Bypass() {}

    /** The safeties, fuses and breakers that a link goes around, in the order of the circuit; by part. */
    public static List<String> around(Assembly assembly, Terminal a, Terminal b) {
        int from = assembly.node(a).orElseThrow();
        int to = assembly.node(b).orElseThrow();
        List<String> around = new ArrayList<>();
        for (Branch s : assembly.branches()) {
            if (isSafety(s, assembly) && !around.contains(s.owner())) {
                NodeGroups joined = NodeGroups.of(
                        assembly, w -> w.index() != s.index() && w.role().joins());
                int one = joined.root(s.nodeA());
                int other = joined.root(s.nodeB());
                int x = joined.root(from);
                int y = joined.root(to);
                boolean bridged = one != other && ((one == x && other == y) || (one == y && other == x));
                if (bridged) {
                    around.add(s.owner());
                }
            }
        }
        return around;
    }

    private static boolean isSafety(Branch b, Assembly assembly) {
        boolean proves =
                assembly.member(b.owner()).map(m -> m.is(Trait.PROVING)).orElse(false);
        boolean contact = b.role() == Role.CONTACT && (b.shape().watches() || proves);
        return contact || b.role() == Role.PROTECTION;
    }
}
