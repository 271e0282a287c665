package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Ways;
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
    /** What can be open, between the groups. */
    private final Ways opens;

    private Waiting(Frame frame, long now) {
        this.frame = frame;
        this.now = now;
        assembly = frame.assembly();
        reach = new Reach(frame);
        opens = Ways.of(
                assembly,
                b -> b.role() == Role.CONTACT || b.role() == Role.PROTECTION || b.role() == Role.WIRE,
                reach::groupOf);
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
        List<String> names =
                new ArrayList<>(opens.way(start, g -> g != start && isHot(g), c -> true).orElse(List.of()).stream()
                        .map(c -> c.title().replace('-', '–'))
                        .toList());
        // from the feed on, as the current would come
        Collections.reverse(names);
        return names;
    }

    private boolean isHot(int group) {
        Reach.Side side = reach.sideOfGroup(group);
        return side != null && side != Reach.Side.RETURN;
    }
}
