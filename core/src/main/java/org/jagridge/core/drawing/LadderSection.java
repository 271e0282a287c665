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
import java.util.TreeMap;
import java.util.function.Predicate;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/**
 * One section of a ladder: a galvanic component with its rails, its branches placed in rows and columns. No
 * coordinates yet.
 */
final class LadderSection {
    /** A branch in its place: between the levels of its two nets, on one row, its symbol in one column. */
    record Placed(Branch branch, int left, int right, int row, int column, boolean flipped) {
        /** Whether both ends are on one net; the way back takes the next row. */
        boolean loops() {
            return left == right;
        }
    }

    /** In place of the return rail where both poles are one net. */
    static final int NONE = -1;

    private final List<Branch> branches;
    private final Nets nets;
    private final Predicate<Branch> isolates;
    private final Map<Integer, List<Branch>> atNet = new TreeMap<>();
    private final Map<Integer, Integer> level = new HashMap<>();
    private final Map<Branch, Placed> placed = new LinkedHashMap<>();
    private final int hotRail;
    private final int returnRail;
    private final Terminal hotPole;
    private final Terminal returnPole;
    private int rows;
    private int columns;

    /** Two live poles of a supply whose inside isn't drawn. */
    record Poles(int hot, Terminal hotPole, int other, Terminal otherPole) {}

    /**
     * @param isolates what stands over the rails even where the circuit doesn't branch behind it: a disconnect, a fuse
     * @param poles where no source is drawn, the poles that stand for it; or null
     */
    LadderSection(List<Branch> branches, Nets nets, Predicate<Branch> isolates, Poles poles) {
        this.isolates = isolates;
        this.branches = branches;
        this.nets = nets;
        for (Branch b : branches) {
            at(a(b)).add(b);
            if (a(b) != b(b)) {
                at(b(b)).add(b);
            }
        }
        Branch source = branches.stream()
                .filter(b -> b.role().gives())
                .min(Comparator.comparingInt(Branch::index))
                .orElse(branches.get(0));
        int hot = advance(a(source), source);
        int ret = b(source);
        Branch second = branches.stream()
                .filter(b -> b.role().gives()
                        && b.index() != source.index()
                        && b.owner().equals(source.owner())
                        && b(b) == b(source))
                .findFirst()
                .orElse(null);
        ret = second == null ? advance(ret, source) : advance(a(second), second);
        boolean between = !source.role().gives() && poles != null;
        hotPole = between ? poles.hotPole() : source.role().gives() ? source.a() : null;
        returnPole =
                between ? poles.otherPole() : !source.role().gives() ? null : second == null ? source.b() : second.a();
        hotRail = between ? poles.hot() : hot;
        // a source shorted at its own poles leaves one rail
        returnRail = between ? poles.other() : ret != hot ? ret : b(source) != hot ? b(source) : NONE;
        place();
    }

    private int a(Branch b) {
        return nets.ofNode(b.nodeA());
    }

    private int b(Branch b) {
        return nets.ofNode(b.nodeB());
    }

    private int other(Branch branch, int net) {
        return a(branch) == net ? b(branch) : a(branch);
    }

    private List<Branch> at(int net) {
        return atNet.computeIfAbsent(net, n -> new ArrayList<>());
    }

    int hotRail() {
        return hotRail;
    }

    int returnRail() {
        return returnRail;
    }

    /** The source's pole that the hot rail comes from; null where it has none with a name, or there is no source. */
    Terminal hotPole() {
        return hotPole;
    }

    /** The same of the return rail; of a supply with two hot legs the second. */
    Terminal returnPole() {
        return returnPole;
    }

    /** Rows in which a source stands between the rails, with what is in its feed: they come first. */
    int supplyRows() {
        int first = 0;
        while (first < rows && isSupply(first)) {
            first++;
        }
        return first < rows ? first : 0;
    }

    private boolean isSupply(int row) {
        List<Branch> on = placed.values().stream()
                .filter(p -> p.row() == row)
                .map(Placed::branch)
                .toList();
        return on.stream().anyMatch(b -> b.role().gives())
                && on.stream().allMatch(b -> b.role().gives() || isInTheFeed(b));
    }

    int rows() {
        return rows;
    }

    /** Columns of symbols; levels run from 0 (hot rail) to this number (return rail). */
    int columns() {
        return columns;
    }

    int levelOf(int net) {
        return level.get(net);
    }

    /** The placed branches in the order of rows and columns. */
    List<Placed> placed() {
        return placed.values().stream()
                .sorted(Comparator.comparingInt(Placed::row).thenComparingInt(Placed::column))
                .toList();
    }

    Set<Integer> nets() {
        return atNet.keySet();
    }

    int ends(int net) {
        return at(net).size();
    }

    /**
     * From a pole through fuses, breakers, disconnects and switches in series to the net where the circuit begins to
     * branch, or to the last fuse or disconnect. A switch in a chain that never branches belongs to its rung.
     */
    private int advance(int pole, Branch source) {
        int branching = pole;
        int net = pole;
        Branch cameBy = source;
        while (true) {
            Branch from = cameBy;
            List<Branch> onward =
                    at(net).stream().filter(b -> b.index() != from.index()).toList();
            if (onward.size() != 1 || !isInTheFeed(onward.get(0))) {
                return branching;
            }
            cameBy = onward.get(0);
            net = other(cameBy, net);
            if (at(net).size() >= 3 || (isolates.test(cameBy) && at(net).size() == 2)) {
                branching = net;
            }
        }
    }

    /** Fuses, breakers and what a hand opens; a contact that a coil moves belongs to a rung. */
    private static boolean isInTheFeed(Branch b) {
        return b.role() == Role.PROTECTION || (b.role() == Role.CONTACT && b.shape() == Shape.SWITCH);
    }

    /** Whether the section is fed by the mains or another source of its own, not by a transformer. */
    boolean isLine() {
        return branches.stream().anyMatch(b -> b.role() == Role.SOURCE);
    }

    private void place() {
        levels();
        Set<Branch> done = new HashSet<>();
        for (List<Branch> group : groups()) {
            Set<Integer> visited = new HashSet<>();
            List<Branch> starts = new ArrayList<>(group);
            starts.sort(Comparator.comparingInt((Branch b) -> touches(b, hotRail) ? 0 : 1)
                    .thenComparingInt(b -> Math.min(level.get(a(b)), level.get(b(b))))
                    .thenComparingInt(Branch::index));
            for (Branch b : starts) {
                if (!done.contains(b)) {
                    follow(b, rows++, done, visited);
                }
            }
        }
    }

    private boolean touches(Branch b, int net) {
        return a(b) == net || b(b) == net;
    }

    /** Places a branch on a row and goes on along the same row as far as the chain leads. */
    private void follow(Branch first, int row, Set<Branch> done, Set<Integer> visited) {
        Branch b = first;
        while (b != null) {
            done.add(b);
            int left = leftNet(b);
            int right = other(b, left);
            boolean toReturn = right == returnRail;
            int column = toReturn && b.role().consumes() ? columns - 1 : level.get(left);
            if (left == right) {
                column = Math.min(level.get(left), columns - 1);
                placed.put(b, new Placed(b, left, right, row, column, false));
                rows++;
                break;
            }
            placed.put(b, new Placed(b, left, right, row, column, a(b) != left));
            if (right == returnRail || right == hotRail || !visited.add(right)) {
                break;
            }
            List<Branch> onward = at(right).stream()
                    .filter(n -> !done.contains(n) && leftNet(n) == right)
                    .sorted(Comparator.comparingInt(Branch::index))
                    .toList();
            for (Branch n : onward.subList(Math.min(1, onward.size()), onward.size())) {
                later.addLast(n);
            }
            b = onward.isEmpty() ? null : onward.get(0);
        }
        while (!later.isEmpty()) {
            Branch n = later.pollFirst();
            if (!done.contains(n)) {
                follow(n, rows++, done, visited);
            }
        }
    }

    private final Deque<Branch> later = new ArrayDeque<>();

    private int leftNet(Branch b) {
        int la = level.get(a(b));
        int lb = level.get(b(b));
        if (la == lb) {
            return Math.min(a(b), b(b));
        }
        return la < lb ? a(b) : b(b);
    }

    /** Branches that hang together apart from the rails, in the order in which a reader meets their loads. */
    private List<List<Branch>> groups() {
        List<List<Branch>> groups = new ArrayList<>();
        Set<Branch> taken = new HashSet<>();
        for (Branch start : branches) {
            if (!taken.add(start)) {
                continue;
            }
            List<Branch> group = new ArrayList<>();
            Deque<Branch> queue = new ArrayDeque<>(List.of(start));
            while (!queue.isEmpty()) {
                Branch b = queue.pollFirst();
                group.add(b);
                for (int net : new int[] {a(b), b(b)}) {
                    if (net == hotRail || net == returnRail) {
                        continue;
                    }
                    for (Branch n : at(net)) {
                        if (taken.add(n)) {
                            queue.addLast(n);
                        }
                    }
                }
            }
            groups.add(group);
        }
        groups.sort(Comparator.comparingInt(LadderSection::rank).thenComparingInt(LadderSection::orderOf));
        return groups;
    }

    /** Sources first, then what feeds another section, then the rest. */
    private static int rank(List<Branch> group) {
        if (group.stream().anyMatch(b -> b.role().gives())) {
            return 0;
        }
        return group.stream().anyMatch(b -> b.role() == Role.PRIMARY) ? 1 : 2;
    }

    private static int orderOf(List<Branch> group) {
        return group.stream()
                .filter(b -> b.role().consumes())
                .mapToInt(Branch::index)
                .min()
                .orElseGet(() -> group.stream().mapToInt(Branch::index).min().orElse(0));
    }

    /**
     * Levels: nets are ordered by their distance from the hot rail, every branch points from the earlier net to the
     * later one, and a net's level is the longest way to it. The return rail comes after all. What hangs on the return
     * rail only is counted back from there in the same way.
     */
    private void levels() {
        Map<Integer, Integer> forward = longestWays(hotRail, returnRail);
        Map<Integer, Integer> backward = returnRail == NONE ? new HashMap<>() : longestWays(returnRail, hotRail);
        backward.keySet().removeIf(net -> forward.containsKey(net) || net == returnRail);
        int deepest =
                forward.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        int longestBack =
                backward.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        boolean loadOnly = at(hotRail).stream().anyMatch(b -> other(b, hotRail) == returnRail);
        columns = Math.max(Math.max(deepest + 1, longestBack + 1), loadOnly ? 1 : 2);
        level.putAll(forward);
        if (returnRail != NONE) {
            level.put(returnRail, columns);
        }
        backward.forEach((net, steps) -> level.put(net, columns - steps));
    }

    /** Longest ways from a net to all that are reached without passing through {@code wall}, which is left out. */
    private Map<Integer, Integer> longestWays(int from, int wall) {
        Map<Integer, Integer> distance = new HashMap<>();
        Deque<Integer> queue = new ArrayDeque<>(List.of(from));
        distance.put(from, 0);
        while (!queue.isEmpty()) {
            int net = queue.pollFirst();
            for (Branch b : at(net)) {
                int next = other(b, net);
                if (next != wall && distance.putIfAbsent(next, distance.get(net) + 1) == null) {
                    queue.addLast(next);
                }
            }
        }
        List<Integer> order = new ArrayList<>(distance.keySet());
        order.sort(Comparator.comparingInt((Integer n) -> distance.get(n)).thenComparingInt(n -> n));
        Map<Integer, Integer> rank = new HashMap<>();
        order.forEach(net -> rank.put(net, rank.size()));
        Map<Integer, Integer> longest = new HashMap<>();
        longest.put(from, 0);
        for (int net : order) {
            for (Branch b : at(net)) {
                int next = other(b, net);
                if (next != wall && rank.get(next) > rank.get(net)) {
                    longest.merge(next, longest.get(net) + 1, Math::max);
                }
            }
        }
        return longest;
    }
}
