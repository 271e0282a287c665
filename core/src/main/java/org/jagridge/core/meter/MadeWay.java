package org.jagridge.core.meter;

import java.util.List;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Ways;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** The contacts and fuses through which one point is joined to another now, by the way of fewest branches. */
final class MadeWay {
    private MadeWay() {}

    /** What can be open on the way, from {@code from} on; empty also where wires alone join the two. */
    static List<Branch> between(Frame frame, Reach reach, int from, int to) {
        return Ways.ofNodes(frame.assembly(), b -> b.role().joins() && frame.conducts(b))
                .way(from, n -> n == to, b -> reach.joined(b.nodeA(), from) && reach.joined(b.nodeB(), from))
                .orElse(List.of())
                .stream()
                .filter(b -> b.role() == Role.CONTACT || b.role() == Role.PROTECTION)
                .toList();
    }
}
