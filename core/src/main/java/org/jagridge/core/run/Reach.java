package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.core.network.Network;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Ways;

/**
 * How each terminal is connected in one frame: hard to a pole of a source (through wires and closed contacts), through
 * a load, or to nothing.
 */
public final class Reach {
    /** Mhos from which a conductor counts as joining: a poor joint still does, the electronics of a timer don't. */
    private static final double JOINS = 1 / 1000.0;
    /** Mhos from which a bond to earth counts as joining. */
    private static final double BONDS = 1 / 20.0;
    /** Volts under which a source counts as dead. A thermopile gives half a volt and lives. */
    private static final double DEAD_VOLTS = 0.1;

    /** Which side of a source a pole is. */
    public enum Side {
        /** The hot pole: L, L1, X1, +. */
        HOT,
        /** The second hot leg of a split supply. */
        SECOND_HOT,
        /** The return pole: N, X2, −. */
        RETURN
    }

    /** One pole of a live source. */
    public record Pole(String source, Side side, String terminal) {}

    private final Assembly assembly;
    private final Frame frame;
    private final int[] group;
    private final List<Set<Pole>> poles = new ArrayList<>();
    /** Loads, and electronic contacts that are off, between the groups; found when somebody asks for them. */
    private Ways loads;
    /** What has been found of a group: the same is asked for again and again. */
    private final Map<Integer, Optional<ThroughLoad>> ways = new ConcurrentHashMap<>();

    public Reach(Frame frame) {
        assembly = frame.assembly();
        this.frame = frame;
        int n = assembly.network().nodes();
        group = new int[n + 1];
        NodeGroups joined = NodeGroups.of(assembly, b -> joins(b, frame));
        int[] numbers = new int[n + 1];
        for (int i = 0; i <= n; i++) {
            int root = index(joined.root(i == n ? Network.EARTH : i), n);
            if (numbers[root] == 0) {
                poles.add(new LinkedHashSet<>());
                numbers[root] = poles.size();
            }
            group[i] = numbers[root] - 1;
        }
        for (Branch b : assembly.branches()) {
            if (b.role().gives() && isLive(b, frame)) {
                note(b);
            }
        }
    }

    private synchronized Ways loads() {
        if (loads == null) {
            loads = Ways.of(
                    assembly,
                    b -> frame.conducts(b) && (b.role().consumes() || letsLittleThrough(b, frame)),
                    this::groupOf);
        }
        return loads;
    }

    private static boolean joins(Branch b, Frame frame) {
        if (b.role() == Role.EARTHING) {
            return frame.ac().values().admittance(b.index()).re() > BONDS;
        }
        return b.role().joins() && frame.ac().values().admittance(b.index()).re() > JOINS;
    }

    /** An electronic contact that is off is no open one: what lies behind it hangs on it as on a load. */
    private static boolean letsLittleThrough(Branch b, Frame frame) {
        return b.role() == Role.CONTACT && !joins(b, frame);
    }

    private static boolean isLive(Branch b, Frame frame) {
        return frame.conducts(b) && frame.volts(b) > DEAD_VOLTS;
    }

    private void note(Branch source) {
        Side hot = source.role() == Role.SOURCE
                        && source.a() != null
                        && source.a().name().equals("L2")
                ? Side.SECOND_HOT
                : Side.HOT;
        poles.get(groupOf(source.nodeA()))
                .add(new Pole(
                        source.owner(),
                        hot,
                        source.a() == null ? source.owner() : source.a().toString()));
        if (source.b() != null) {
            poles.get(groupOf(source.nodeB()))
                    .add(new Pole(source.owner(), Side.RETURN, source.b().toString()));
        }
    }

    private static int index(int node, int earth) {
        return node == Network.EARTH ? earth : node;
    }

    /** The number of the hard-joined group that a node is in. */
    public int groupOf(int node) {
        return group[index(node, group.length - 1)];
    }

    /** The poles a node is joined to hard. */
    public Set<Pole> polesOf(int node) {
        return poles.get(groupOf(node));
    }

    /** Whether a wire, contact or the like joins its ends hard. */
    public boolean isMade(Branch branch) {
        return joins(branch, frame);
    }

    /** Whether a node is joined hard to the other. */
    public boolean joined(int a, int b) {
        return groupOf(a) == groupOf(b);
    }

    /** The side a node is on, or null where it is joined hard to no live pole. Hot wins over return. */
    public Side sideOf(int node) {
        return sideOfGroup(groupOf(node));
    }

    /** The same for a group by its number. */
    public Side sideOfGroup(int number) {
        Side side = null;
        for (Pole p : poles.get(number)) {
            if (p.side() != Side.RETURN) {
                return p.side();
            }
            side = Side.RETURN;
        }
        return side;
    }

    /**
     * A way from a node through loads to poles.
     *
     * @param poles all that the way's end is joined to, at least one
     */
    public record ThroughLoad(List<Branch> loads, Set<Pole> poles) {
        public Pole pole() {
            return poles.iterator().next();
        }

        /** A pole of that source where the way ends at one, or else the first. */
        public Pole pole(String source) {
            return poles.stream()
                    .filter(p -> p.source().equals(source))
                    .findFirst()
                    .orElseGet(this::pole);
        }
    }

    /**
     * The nearest pole that a node reaches through loads, by the fewest of them, or null where there is none. The
     * empty list of loads stands for a hard joint. An electronic contact that is off counts as a load where nothing else
     * leads to a pole.
     */
    public ThroughLoad throughLoads(int node) {
        return ways.computeIfAbsent(
                        groupOf(node), g -> throughLoads(node, false).or(() -> throughLoads(node, true)))
                .orElse(null);
    }

    /** @param leaking whether an electronic contact that is off is gone through as well */
    private Optional<ThroughLoad> throughLoads(int node, boolean leaking) {
        return loads().way(
                        groupOf(node),
                        g -> !poles.get(g).isEmpty(),
                        b -> leaking || b.role().consumes())
                .map(way -> new ThroughLoad(way, poles.get(endOf(node, way))));
    }

    /** The group in which a way from a node ends. */
    private int endOf(int node, List<Branch> way) {
        int g = groupOf(node);
        for (Branch b : way) {
            g = groupOf(b.nodeA()) == g ? groupOf(b.nodeB()) : groupOf(b.nodeA());
        }
        return g;
    }

    /** The open contacts, and broken joints, between the groups of two nodes; empty where none lies right between. */
    public List<Branch> opensBetween(int a, int b) {
        List<Branch> opens = new ArrayList<>();
        for (Branch branch : assembly.branches()) {
            boolean between = (joined(branch.nodeA(), a) && joined(branch.nodeB(), b))
                    || (joined(branch.nodeA(), b) && joined(branch.nodeB(), a));
            if (between && branch.role().joins() && !isMade(branch)) {
                opens.add(branch);
            }
        }
        return opens;
    }
}
