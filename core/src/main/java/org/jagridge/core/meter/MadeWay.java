package org.jagridge.core.meter;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** The contacts and fuses through which one point is joined to another now, by the way of fewest branches. */
final class MadeWay {
    private MadeWay() {}

    /** What can be open on the way, from {@code from} on; empty also where wires alone join the two. */
    static List<Branch> between(Frame frame, Reach reach, int from, int to) {
        Map<Integer, List<Branch>> at = new HashMap<>();
        for (Branch b : frame.assembly().branches()) {
            boolean joins = b.role().joins() && !b.role().consumes() && frame.conducts(b);
            if (joins && reach.joined(b.nodeA(), from) && reach.joined(b.nodeB(), from)) {
                at.computeIfAbsent(b.nodeA(), n -> new ArrayList<>()).add(b);
                at.computeIfAbsent(b.nodeB(), n -> new ArrayList<>()).add(b);
            }
        }
        Map<Integer, Branch> by = new HashMap<>();
        Deque<Integer> next = new ArrayDeque<>(List.of(from));
        while (!next.isEmpty() && !by.containsKey(to)) {
            int node = next.poll();
            for (Branch b : at.getOrDefault(node, List.of())) {
                int other = b.nodeA() == node ? b.nodeB() : b.nodeA();
                if (other != from && by.putIfAbsent(other, b) == null) {
                    next.add(other);
                }
            }
        }
        List<Branch> way = new ArrayList<>();
        for (int node = to; by.containsKey(node); ) {
            Branch b = by.get(node);
            if (b.role() == Role.CONTACT || b.role() == Role.PROTECTION) {
                way.add(b);
            }
            node = b.nodeA() == node ? b.nodeB() : b.nodeA();
        }
        Collections.reverse(way);
        return way;
    }
}
