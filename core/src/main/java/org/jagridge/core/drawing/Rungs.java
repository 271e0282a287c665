package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToIntBiFunction;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/**
 * Cuts what hangs together apart from the rails into rungs, and puts them in order: first the longest chain of contacts
 * from rail to rail, under it what is parallel to it, then the order that has the fewest crossings.
 */
final class Rungs {
    /** A row: branches one behind the other. */
    record Row(List<Branch> branches, List<Integer> nets) {
        int first() {
            return nets.get(0);
        }

        int last() {
            return nets.get(nets.size() - 1);
        }
    }

    private static final int NOWHERE = -1_000_000;

    /** As many other symbols as this on the way count less than one contact more. */
    private static final int A_CONTACT = 100;

    private final Flow flow;
    private final int ret;
    private final ToIntBiFunction<Branch, Integer> other;
    private final Map<Integer, Integer> ahead = new HashMap<>();
    /** The parts whose coils lie on the way from each net on. */
    private final Map<Integer, Set<String>> coilsAhead = new HashMap<>();

    private final Set<Branch> open = new HashSet<>();
    private final Set<Integer> visited = new HashSet<>();
    private final List<Row> rows = new ArrayList<>();

    private Rungs(Flow flow, int hot, int ret, ToIntBiFunction<Branch, Integer> other) {
        this.flow = flow;
        this.ret = ret;
        this.other = other;
        visited.addAll(List.of(hot, ret));
        for (int net : flow.fromTheEnd()) {
            int most = net == ret ? 0 : NOWHERE;
            for (Branch b : flow.onward(net)) {
                most = Math.max(most, weight(b) + ahead.get(other.applyAsInt(b, net)));
            }
            ahead.put(net, most);
            Set<String> coils = new HashSet<>();
            for (Branch b : flow.onward(net)) {
                coils.addAll(coilsAhead.get(other.applyAsInt(b, net)));
                if (b.role() == Role.COIL) {
                    coils.add(b.owner());
                }
            }
            coilsAhead.put(net, coils);
        }
    }

    /**
     * The rows of a group.
     *
     * @param starts the nets that rows may begin at, in the order of the current
     */
    static List<Row> of(
            List<Branch> group,
            List<Integer> starts,
            Flow flow,
            int hot,
            int ret,
            ToIntBiFunction<Branch, Integer> other) {
        Rungs rungs = new Rungs(flow, hot, ret, other);
        rungs.open.addAll(group);
        starts.forEach(rungs::follow);
        return RowOrder.best(rungs.rows, flow, hot, ret);
    }

    private static int weight(Branch b) {
        return Spots.isSwitch(b) ? A_CONTACT : -1;
    }

    private void follow(int net) {
        for (Branch next = best(net); next != null; next = best(net)) {
            List<Branch> chain = new ArrayList<>();
            List<Integer> nets = new ArrayList<>(List.of(net));
            int at = net;
            for (Branch b = next; b != null; b = visited.add(at) ? best(at) : null) {
                open.remove(b);
                chain.add(b);
                at = other.applyAsInt(b, at);
                nets.add(at);
            }
            rows.add(new Row(chain, nets));
            for (int i = nets.size() - 2; i > 0; i--) {
                follow(nets.get(i));
            }
            if (at != ret) {
                follow(at);
            }
        }
    }

    /** Whether a contact holds its own coil: it stands under the button that it seals. */
    private boolean isSeal(Branch b, int net) {
        return b.role() == Role.CONTACT
                && coilsAhead.get(other.applyAsInt(b, net)).contains(b.owner());
    }

    /** Of the branches on from a net the one with the most contacts ahead, of those the one with the fewest symbols. */
    private Branch best(int net) {
        return flow.onward(net).stream()
                .filter(open::contains)
                .max(Comparator.comparingInt((Branch b) -> weight(b) + ahead.get(other.applyAsInt(b, net)))
                        .thenComparingInt(b -> isSeal(b, net) ? 0 : 1)
                        .thenComparingInt(b -> -b.index()))
                .orElse(null);
    }
}
