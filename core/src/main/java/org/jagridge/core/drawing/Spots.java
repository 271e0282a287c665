package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;

/**
 * The nets as a ladder draws them: a net with a contact across it (a safety with a jumper, an option that isn't fitted) is
 * cut at its jumper, so that the contact stands in series on its rung and the jumper goes around it.
 */
final class Spots {
    private final Nets whole;
    private final Nets fine;
    private final Set<Branch> jumpers = new HashSet<>();

    Spots(Assembly assembly, Nets nets) {
        whole = nets;
        for (Branch b : assembly.branches()) {
            if (b.isDrawn() && !Nets.isMerged(b) && isSwitch(b) && nets.ofNode(b.nodeA()) == nets.ofNode(b.nodeB())) {
                cut(assembly, b);
            }
        }
        fine = jumpers.isEmpty() ? nets : new Nets(assembly, b -> Nets.isMerged(b) && !jumpers.contains(b));
    }

    /** Whether a branch is drawn as something that opens and shuts, fitted or not. */
    static boolean isSwitch(Branch b) {
        return b.shape().watches()
                || switch (b.shape()) {
                    case BAR,
                            CONTACT_OPEN,
                            CONTACT_CLOSED,
                            SWITCH,
                            PUSH_BUTTON,
                            THERMOSTAT,
                            FUSE,
                            BREAKER,
                            ON_DELAY,
                            OFF_DELAY,
                            BLOCKS_RESTART,
                            INTERVAL,
                            REPEAT -> true;
                    default -> false;
                };
    }

    /** Finds the one link without which a contact's ends would be apart. */
    private void cut(Assembly assembly, Branch contact) {
        List<Branch> links = new ArrayList<>(assembly.branches().stream()
                .filter(b -> Nets.isMerged(b)
                        && !jumpers.contains(b)
                        && whole.ofNode(b.nodeA()) == whole.ofNode(contact.nodeA()))
                .toList());
        links.sort(Comparator.comparingInt((Branch b) -> isAcross(b, contact) ? 0 : 1)
                .thenComparingInt(Branch::index));
        for (Branch link : links) {
            NodeGroups left = NodeGroups.of(assembly, b -> Nets.isMerged(b) && !jumpers.contains(b) && !b.equals(link));
            boolean parts = !left.together(contact.nodeA(), contact.nodeB())
                    && left.together(contact.nodeA(), link.nodeA()) != left.together(contact.nodeA(), link.nodeB());
            if (parts) {
                jumpers.add(link);
                return;
            }
        }
    }

    private static boolean isAcross(Branch link, Branch contact) {
        return (link.nodeA() == contact.nodeA() && link.nodeB() == contact.nodeB())
                || (link.nodeA() == contact.nodeB() && link.nodeB() == contact.nodeA());
    }

    Set<Branch> jumpers() {
        return jumpers;
    }

    int ofNode(int node) {
        return fine.ofNode(node);
    }

    int count() {
        return fine.all().size();
    }

    /** What lies at a spot. */
    Net at(int spot) {
        return fine.all().get(spot);
    }

    /** The whole net that a spot belongs to. */
    Net netOf(int spot) {
        return whole.all().get(whole.ofNode(fine.all().get(spot).nodes().get(0)));
    }
}
