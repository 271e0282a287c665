package org.jagridge.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Stream;
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
    private final Spots spots;
    private final Predicate<Branch> isolates;
    private final Map<Integer, List<Branch>> atNet = new TreeMap<>();
    private final Map<Branch, Placed> placed = new LinkedHashMap<>();
    private final int hotRail;
    private final int returnRail;
    private final Terminal hotPole;
    private final Terminal returnPole;
    private final Flow flow;
    private int rows;

    /**
     * @param isolates what stands over the rails even where the circuit doesn't branch behind it: a disconnect, a fuse
     */
    LadderSection(List<Branch> branches, Spots spots, Predicate<Branch> isolates) {
        this.isolates = isolates;
        this.branches = branches;
        this.spots = spots;
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
        boolean fed = source.role().gives();
        hotPole = fed ? source.a() : null;
        returnPole = !fed ? null : second == null ? source.b() : second.a();
        hotRail = hot;
        // a source shorted at its own poles leaves one rail
        returnRail = ret != hot ? ret : b(source) != hot ? b(source) : NONE;
        flow = new Flow(new Ends(), hotRail, returnRail);
        place();
    }

    /** What {@link Flow} asks of a section. */
    private final class Ends implements Flow.Lines {
        @Override
        public List<Branch> at(int net) {
            return LadderSection.this.at(net);
        }

        @Override
        public int other(Branch b, int net) {
            return LadderSection.this.other(b, net);
        }

        @Override
        public Set<Integer> nets() {
            return atNet.keySet();
        }
    }

    private int a(Branch b) {
        return spots.ofNode(b.nodeA());
    }

    private int b(Branch b) {
        return spots.ofNode(b.nodeB());
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
        return first;
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
        return flow.columns();
    }

    int levelOf(int net) {
        return flow.levelOf(net);
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

    /** Whether a row leads from rail to rail. */
    boolean isShort(int row) {
        List<Placed> on = placed.values().stream().filter(p -> p.row() == row).toList();
        return on.stream().anyMatch(p -> p.left() == hotRail) && on.stream().anyMatch(p -> p.right() == returnRail);
    }

    /** Whether a row begins or ends where nothing goes on. */
    boolean isOpen(int row) {
        return placed.values().stream()
                .filter(p -> p.row() == row)
                .flatMap(p -> Stream.of(p.left(), p.right()))
                .anyMatch(net -> net != hotRail && net != returnRail && ends(net) == 1);
    }

    /** The equipment that feeds the section from within, and is called by closing it; empty where a source is drawn. */
    Optional<Branch> equipment() {
        return branches.stream()
                .filter(b -> b.role().gives() && b.shape() == Shape.BOX)
                .findFirst();
    }

    /** Whether a source is in it. */
    boolean isFed() {
        return hotPole != null;
    }

    private void place() {
        for (List<Branch> group : groups()) {
            Set<Branch> loops =
                    new LinkedHashSet<>(group.stream().filter(b -> a(b) == b(b)).toList());
            List<Branch> chains = group.stream().filter(b -> !loops.contains(b)).toList();
            List<Integer> starts = chains.stream()
                    .map(this::leftNet)
                    .distinct()
                    .sorted(Comparator.comparingInt(flow::levelOf).thenComparing(n -> n))
                    .toList();
            for (Rungs.Row row : Rungs.of(chains, starts, flow, hotRail, returnRail, this::other)) {
                for (int i = 0; i < row.branches().size(); i++) {
                    put(row.branches().get(i), row.nets().get(i), row.nets().get(i + 1));
                }
                rows++;
            }
            for (Branch b : loops) {
                int net = a(b);
                int column = Math.min(levelOf(net), columns() - 1);
                placed.put(b, new Placed(b, net, net, rows, column, false));
                rows += 2;
            }
        }
    }

    /** A load stands before the return rail, or before the second pole that leads there. */
    private void put(Branch b, int left, int right) {
        boolean load = !b.role().joins() && !Spots.isSwitch(b);
        boolean last = load && (right == returnRail || (flow.isBack(right) && !flow.isBack(left)));
        int column = last ? levelOf(right) - 1 : levelOf(left);
        placed.put(b, new Placed(b, left, right, rows, column, a(b) != left));
    }

    private int leftNet(Branch b) {
        return a(b) == b(b) || flow.isBefore(a(b), b(b)) ? a(b) : b(b);
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
}
