package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.meter.CheckSheet.School;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;

/**
 * The way from a source's hot pole through every contact and terminal to a load and back, as a finger goes along a
 * diagram: through contacts whether they are made or not, but rather through made ones, and by the shortest way
 * (Dijkstra). At each stop a meter is read by either school of checking.
 */
public final class Walk {
    /** What a way costs: an open contact is passed only where there is no made one. */
    private static final int MADE = 1;

    private static final int OPEN = 1000;

    /**
     * A stop.
     *
     * @param by the wire or part one came through to get here; null at the pole
     * @param made whether that joins now
     * @param toCommon volts from here to the return pole
     * @param across volts from the hot pole to here
     */
    public record Stop(Terminal terminal, Branch by, boolean made, boolean load, Reading toCommon, Reading across) {
        /** What a school reads here. */
        public Reading read(School school) {
            return school == School.ACROSS ? across : toCommon;
        }
    }

    private final Frame frame;
    private final Assembly assembly;
    private final Map<Integer, List<Branch>> atNode = new HashMap<>();

    private Walk(Frame frame) {
        this.frame = frame;
        assembly = frame.assembly();
        for (Branch b : assembly.branches()) {
            if (b.role().joins()) {
                atNode.computeIfAbsent(b.nodeA(), n -> new ArrayList<>()).add(b);
                atNode.computeIfAbsent(b.nodeB(), n -> new ArrayList<>()).add(b);
            }
        }
    }

    /** The branches that can be walked to: what takes power, in the circuit's order. */
    public static List<Branch> loads(Assembly assembly) {
        return assembly.branches().stream()
                .filter(b -> b.isDrawn() && b.role().consumes())
                .toList();
    }

    /** How a load is named in addresses: {@code K1:A1-A2}. */
    public static String key(Branch load) {
        return load.owner() + ":" + load.label();
    }

    /** The stops of a load; empty where no source can reach both of its ends. */
    public static List<Stop> to(Branch load, Frame frame) {
        return new Walk(frame).stops(load);
    }

    /**
     * The terminals that read something else than they do in a sound circuit, with the ranges of a {@link CheckSheet}.
     * What the supply itself has more or less does not count, as long as that is no more than a tenth.
     */
    public static Set<Terminal> astray(List<Stop> now, List<Stop> sound, School school) {
        if (now.isEmpty() || sound.isEmpty()) {
            return Set.of();
        }
        Map<Terminal, Stop> should = new HashMap<>();
        sound.forEach(s -> should.put(s.terminal(), s));
        double expected = sound.get(0).toCommon().value();
        double supply = now.get(0).toCommon().value();
        boolean supplied = Math.abs(supply - expected) <= CheckSheet.SUPPLY_RANGE * Math.abs(expected);
        double share = supplied ? supply / expected : 1;
        double beyond = CheckSheet.LINE_RANGE * expected;
        Set<Terminal> astray = new LinkedHashSet<>();
        boolean before = true;
        for (Stop s : now) {
            before &= !s.load();
            Stop right = should.get(s.terminal());
            if (right == null) {
                continue;
            }
            // without any drop the feed's side is at the supply's volts from common, the way back's at none
            double ideal = before == (school == School.TO_COMMON) ? expected : 0;
            double is = right.read(school).value();
            double low = Math.min(is, ideal) - beyond;
            double high = Math.max(is, ideal) + beyond;
            double value = s.read(school).value();
            if (!(value >= share * low && value <= share * high)) {
                astray.add(s.terminal());
            }
        }
        return astray;
    }

    /** A pole of a source, with the way to it from one end of the load. */
    private record Way(int pole, Terminal terminal, boolean hot, String owner, List<Branch> branches, int cost) {}

    private record Step(int node, int cost) {}

    private List<Stop> stops(Branch load) {
        Map<Integer, Branch> toA = new HashMap<>();
        Map<Integer, Branch> toB = new HashMap<>();
        Map<Integer, Integer> costA = search(load.nodeA(), toA);
        Map<Integer, Integer> costB = search(load.nodeB(), toB);
        Optional<Way[]> best = Optional.empty();
        int least = Integer.MAX_VALUE;
        List<Way> poles = poles();
        for (Way feed : poles) {
            for (Way back : poles) {
                if (!feed.hot() || feed.pole() == back.pole() || !feed.owner().equals(back.owner())) {
                    continue;
                }
                for (boolean fromA : new boolean[] {true, false}) {
                    Integer up = (fromA ? costA : costB).get(feed.pole());
                    Integer down = (fromA ? costB : costA).get(back.pole());
                    if (up != null && down != null && up + down < least) {
                        least = up + down;
                        best = Optional.of(new Way[] {
                            with(feed, way(feed.pole(), fromA ? toA : toB)),
                            with(back, way(back.pole(), fromA ? toB : toA))
                        });
                    }
                }
            }
        }
        return best.map(w -> read(w[0], load, w[1])).orElse(List.of());
    }

    private static Way with(Way pole, List<Branch> branches) {
        return new Way(pole.pole(), pole.terminal(), pole.hot(), pole.owner(), branches, 0);
    }

    private List<Way> poles() {
        List<Way> poles = new ArrayList<>();
        for (Branch b : assembly.branches()) {
            if (b.role().gives() && b.a() != null) {
                poles.add(new Way(b.nodeA(), b.a(), true, b.owner(), List.of(), 0));
            }
            // a leg of a star has no return of its own: the other leg is the way back
            if (b.role().gives() && b.b() != null) {
                poles.add(new Way(b.nodeB(), b.b(), false, b.owner(), List.of(), 0));
            }
        }
        return poles;
    }

    /** Costs of reaching every node from one, and by which branch each was reached. */
    private Map<Integer, Integer> search(int from, Map<Integer, Branch> by) {
        Map<Integer, Integer> cost = new HashMap<>();
        PriorityQueue<Step> queue =
                new PriorityQueue<>(Comparator.comparingInt(Step::cost).thenComparingInt(Step::node));
        cost.put(from, 0);
        queue.add(new Step(from, 0));
        while (!queue.isEmpty()) {
            Step step = queue.poll();
            if (step.cost() > cost.get(step.node())) {
                continue;
            }
            for (Branch b : atNode.getOrDefault(step.node(), List.of())) {
                int next = b.nodeA() == step.node() ? b.nodeB() : b.nodeA();
                int sum = step.cost() + (frame.conducts(b) ? MADE : OPEN);
                if (sum < cost.getOrDefault(next, Integer.MAX_VALUE)) {
                    cost.put(next, sum);
                    by.put(next, b);
                    queue.add(new Step(next, sum));
                }
            }
        }
        return cost;
    }

    /** The branches from a pole to the load, in that order. */
    private static List<Branch> way(int pole, Map<Integer, Branch> by) {
        List<Branch> branches = new ArrayList<>();
        int node = pole;
        while (by.containsKey(node)) {
            Branch b = by.get(node);
            branches.add(b);
            node = b.nodeA() == node ? b.nodeB() : b.nodeA();
        }
        return branches;
    }

    private List<Stop> read(Way feed, Branch load, Way back) {
        List<Stop> stops = new ArrayList<>();
        Leads leads = new Leads(feed.terminal(), back.terminal());
        stops.add(leads.at(feed.terminal(), null, false));
        int node = feed.pole();
        for (Branch b : feed.branches()) {
            node = pass(b, node, false, stops, leads);
        }
        node = pass(load, node, true, stops, leads);
        List<Branch> home = new ArrayList<>(back.branches());
        Collections.reverse(home);
        for (Branch b : home) {
            node = pass(b, node, false, stops, leads);
        }
        return stops;
    }

    private int pass(Branch b, int from, boolean load, List<Stop> stops, Leads leads) {
        boolean forward = b.nodeA() == from;
        Terminal to = forward ? b.b() : b.a();
        if (to != null) {
            stops.add(leads.at(to, b, load));
        }
        return forward ? b.nodeB() : b.nodeA();
    }

    /** A meter between the poles of one source: AC or DC, as the source is. */
    private final class Leads {
        private final Terminal hot;
        private final Terminal common;
        private final Meter meter = new Meter(frame);
        private final Request.Mode mode;

        Leads(Terminal hot, Terminal common) {
            this.hot = hot;
            this.common = common;
            mode = meter.volts(hot, common);
        }

        private Reading read(Request.Mode m, Terminal plus, Terminal minus) {
            return meter.shown(new Request(m, plus, minus, null, 1, false));
        }

        Stop at(Terminal t, Branch by, boolean load) {
            boolean made = by == null || frame.conducts(by);
            return new Stop(t, by, made, load, read(mode, t, common), read(mode, hot, t));
        }
    }
}
