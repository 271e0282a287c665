package org.jagridge.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Branch;

/**
 * The order in which current meets the nets of a ladder's section, and the level of each: how many symbols lie between it
 * and its rail at the least.
 *
 * <p>The order is that of the volts which the nets would have with every contact closed, so that a switch around others
 * doesn't turn the sequence of those others round. Nets that current reaches from the return rail through contacts alone
 * (a second pole) are counted back from there.
 */
final class Flow {
    private static final double CONTACT_MHOS = 1;
    private static final double LOAD_MHOS = 0.01;
    /** Parts of the volts from rail to rail that are told apart. */
    private static final double ALIKE = 1e6;

    private final Lines at;
    private final int hot;
    private final int ret;
    private final Map<Integer, Integer> rank = new HashMap<>();
    private final Map<Integer, Integer> level = new HashMap<>();
    private final Set<Integer> back = new HashSet<>();
    private int columns;

    /** What lies at each net of a section. */
    interface Lines {
        List<Branch> at(int net);

        int other(Branch b, int net);

        Set<Integer> nets();
    }

    /** @param ret the return rail, or {@link LadderSection#NONE} */
    Flow(Lines at, int hot, int ret) {
        this.at = at;
        this.hot = hot;
        this.ret = ret;
        order();
        findBack();
        levels();
    }

    /** Symbols side by side from rail to rail. */
    int columns() {
        return columns;
    }

    int levelOf(int net) {
        return level.get(net);
    }

    /** Whether current meets one net before another. */
    boolean isBefore(int net, int other) {
        return rank.get(net) < rank.get(other);
    }

    /** The nets, the last that current meets first. */
    List<Integer> fromTheEnd() {
        return rank.keySet().stream()
                .sorted(Comparator.comparingInt((Integer n) -> -rank.get(n)))
                .toList();
    }

    /** Whether a net is joined to the return rail by contacts alone, or is that rail. */
    boolean isBack(int net) {
        return net == ret || back.contains(net);
    }

    /** The branches that lead on from a net, the way current goes. */
    List<Branch> onward(int net) {
        return at.at(net).stream()
                .filter(b -> at.other(b, net) != net && isBefore(net, at.other(b, net)))
                .toList();
    }

    // ---- order

    private void order() {
        Map<Integer, Integer> distance = distances();
        Map<Integer, Double> volts = volts();
        List<Integer> nets = new ArrayList<>(at.nets());
        nets.sort(Comparator.comparingInt((Integer n) -> n == hot ? 0 : n == ret ? 2 : 1)
                .thenComparingLong(n -> -Math.round(ALIKE * volts.getOrDefault(n, 0.0)))
                .thenComparingInt(distance::get)
                .thenComparingInt(n -> n));
        nets.forEach(n -> rank.put(n, rank.size()));
    }

    /** Branches from the hot rail to each net, not through the return rail; from there on where there is no other way. */
    private Map<Integer, Integer> distances() {
        Map<Integer, Integer> distance = new HashMap<>();
        distance.put(hot, 0);
        spread(hot, ret, distance);
        if (ret != LadderSection.NONE) {
            distance.put(ret, distance.size());
            spread(ret, hot, distance);
        }
        return distance;
    }

    private void spread(int start, int wall, Map<Integer, Integer> distance) {
        Deque<Integer> queue = new ArrayDeque<>(List.of(start));
        while (!queue.isEmpty()) {
            int net = queue.pollFirst();
            for (Branch b : at.at(net)) {
                int next = at.other(b, net);
                if (next != wall && distance.putIfAbsent(next, distance.get(net) + 1) == null) {
                    queue.addLast(next);
                }
            }
        }
    }

    /** The volts of each net with one volt between the rails. */
    private Map<Integer, Double> volts() {
        Map<Integer, Double> volts = new HashMap<>();
        if (ret == LadderSection.NONE) {
            return volts;
        }
        Network.Builder builder = Network.builder();
        Map<Integer, Integer> node = new HashMap<>();
        at.nets().forEach(net -> node.put(net, builder.node()));
        int source = builder.branch(node.get(ret), node.get(hot));
        Map<Branch, Integer> lines = new LinkedHashMap<>();
        for (int net : at.nets()) {
            for (Branch b : at.at(net)) {
                if (at.other(b, net) != net && !lines.containsKey(b)) {
                    lines.put(b, builder.branch(node.get(net), node.get(at.other(b, net))));
                }
            }
        }
        Network network = builder.build();
        Values values = new Values(network);
        values.admittance(source, CONTACT_MHOS, 0);
        values.source(source, CONTACT_MHOS, 0);
        lines.forEach((b, line) -> values.admittance(line, joins(b) ? CONTACT_MHOS : LOAD_MHOS, 0));
        Solution solution = network.solver().solve(values);
        double whole = solution.volts(node.get(hot), node.get(ret)).re();
        node.forEach((net, n) -> volts.put(net, solution.volts(n, node.get(ret)).re() / whole));
        return volts;
    }

    // ---- levels

    private void findBack() {
        if (ret == LadderSection.NONE) {
            return;
        }
        Set<Integer> fed = joinedTo(hot, ret);
        back.addAll(joinedTo(ret, hot));
        back.removeAll(fed);
        back.remove(ret);
        // what comes after a second pole, and what hangs on the return rail alone, stands on that side, too
        List<Integer> order = new ArrayList<>(rank.keySet());
        order.sort(Comparator.comparingInt(rank::get));
        Map<Integer, Integer> withoutReturn = new HashMap<>(Map.of(hot, 0));
        spread(hot, ret, withoutReturn);
        for (int net : order) {
            if (net != ret && !withoutReturn.containsKey(net)) {
                back.add(net);
            }
            if (back.contains(net)) {
                onward(net).stream()
                        .map(b -> at.other(b, net))
                        .filter(n -> n != ret)
                        .forEach(back::add);
            }
        }
    }

    /** Whether it is drawn as a contact or as a line. */
    private static boolean joins(Branch b) {
        return b.role().joins() || Spots.isSwitch(b);
    }

    private Set<Integer> joinedTo(int rail, int wall) {
        Set<Integer> joined = new HashSet<>(List.of(rail));
        Deque<Integer> queue = new ArrayDeque<>(joined);
        while (!queue.isEmpty()) {
            int net = queue.pollFirst();
            for (Branch b : at.at(net)) {
                int next = at.other(b, net);
                if (joins(b) && next != wall && joined.add(next)) {
                    queue.addLast(next);
                }
            }
        }
        return joined;
    }

    private void levels() {
        List<Integer> fromTheEnd = fromTheEnd();
        Map<Integer, Integer> depth = new HashMap<>();
        for (int net : fromTheEnd) {
            if (back.contains(net)) {
                int deepest = onward(net).stream()
                        .mapToInt(b -> depth.getOrDefault(at.other(b, net), 0))
                        .max()
                        .orElse(0);
                depth.put(net, deepest + 1);
            }
        }
        level.put(hot, 0);
        columns = 1;
        for (int i = fromTheEnd.size() - 1; i >= 0; i--) {
            int net = fromTheEnd.get(i);
            if (net == ret || back.contains(net)) {
                continue;
            }
            int here = level.computeIfAbsent(net, n -> 0);
            columns = Math.max(columns, here + 1);
            for (Branch b : onward(net)) {
                int next = at.other(b, net);
                if (isBack(next)) {
                    columns = Math.max(columns, here + 1 + depth.getOrDefault(next, 0));
                } else {
                    level.merge(next, here + 1, Math::max);
                }
            }
        }
        columns = Math.max(
                columns,
                depth.values().stream().mapToInt(Integer::intValue).max().orElse(0) + 1);
        depth.forEach((net, d) -> level.put(net, columns - d));
        if (ret != LadderSection.NONE) {
            level.put(ret, columns);
        }
    }
}
