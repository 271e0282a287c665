package org.jagridge.core.trace;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;

/**
 * What each idle coil and load is waiting for at one instant: the open contacts on the way with the fewest of them from
 * the feed, and what the parts that own them wait for in turn. A deadlock shows as two parts that wait for each other.
 */
public final class Waiting {
    /** One part and what it waits for, in the order of the feed. */
    public record Wait(String part, List<String> on) {
        /** {@code K1 for TH R–G, then LIM 1–2}. */
        public String words() {
            return part + " for " + String.join(", then ", on);
        }
    }

    private final Frame frame;
    private final long now;
    private final Assembly assembly;
    private final Reach reach;
    private final Map<Integer, List<Branch>> atGroup = new HashMap<>();

    private Waiting(Frame frame, long now) {
        this.frame = frame;
        this.now = now;
        assembly = frame.assembly();
        reach = new Reach(frame);
        for (Branch b : assembly.branches()) {
            if (b.role() == Role.CONTACT || b.role() == Role.PROTECTION || b.role() == Role.WIRE) {
                atGroup.computeIfAbsent(reach.groupOf(b.nodeA()), g -> new ArrayList<>())
                        .add(b);
                atGroup.computeIfAbsent(reach.groupOf(b.nodeB()), g -> new ArrayList<>())
                        .add(b);
            }
        }
    }

    /** The waits at a time, in the order of the circuit. Parts that no contact could ever feed are left out. */
    public static List<Wait> in(Run run, long now) {
        return new Waiting(run.at(now), now).waits();
    }

    private List<Wait> waits() {
        Map<String, List<String>> waits = new LinkedHashMap<>();
        for (Branch b : assembly.branches()) {
            boolean idle = (b.role() == Role.COIL || b.role() == Role.LOAD)
                    && b.shape() != Shape.BOX
                    && b.isDrawn()
                    && frame.amps(b) < 1e-3;
            if (idle && !waits.containsKey(b.owner())) {
                List<String> on = opensToTheFeed(b);
                if (!on.isEmpty()) {
                    waits.put(b.owner(), on);
                }
            }
        }
        for (Assembly.Member m : assembly.members()) {
            String own = frame.waitsFor(m, now);
            if (own != null) {
                waits.put(m.part().id(), List.of(own));
            }
        }
        return waits.entrySet().stream()
                .map(e -> new Wait(e.getKey(), e.getValue()))
                .toList();
    }

    /** From the load's dead side breadth first across open contacts to a hot pole that isn't its other side's. */
    private List<String> opensToTheFeed(Branch load) {
        int a = reach.groupOf(load.nodeA());
        int b = reach.groupOf(load.nodeB());
        boolean aDead = reach.polesOf(load.nodeA()).isEmpty();
        boolean bDead = reach.polesOf(load.nodeB()).isEmpty();
        if (!aDead && !bDead) {
            return List.of();
        }
        int start = aDead ? a : b;
        Map<Integer, Branch> cameBy = new HashMap<>();
        Map<Integer, Integer> cameFrom = new HashMap<>(Map.of(start, -1));
        Deque<Integer> queue = new ArrayDeque<>(List.of(start));
        while (!queue.isEmpty()) {
            int g = queue.pollFirst();
            for (Branch c : atGroup.getOrDefault(g, List.of())) {
                int other = reach.groupOf(c.nodeA()) == g ? reach.groupOf(c.nodeB()) : reach.groupOf(c.nodeA());
                if (cameFrom.putIfAbsent(other, g) == null) {
                    cameBy.put(other, c);
                    if (isHot(c, other)) {
                        return names(other, cameBy, cameFrom);
                    }
                    queue.addLast(other);
                }
            }
        }
        return List.of();
    }

    private boolean isHot(Branch c, int group) {
        int node = reach.groupOf(c.nodeA()) == group ? c.nodeA() : c.nodeB();
        Reach.Side side = reach.sideOf(node);
        return side != null && side != Reach.Side.RETURN;
    }

    private static List<String> names(int end, Map<Integer, Branch> cameBy, Map<Integer, Integer> cameFrom) {
        List<String> names = new ArrayList<>();
        for (int g = end; cameBy.containsKey(g); g = cameFrom.get(g)) {
            names.add(cameBy.get(g).title().replace('-', '–'));
        }
        return names;
    }
}
