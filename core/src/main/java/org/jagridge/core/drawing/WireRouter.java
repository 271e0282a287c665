package org.jagridge.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Routes wires on a {@link Lattice}, rightangled, around boxes.
 *
 * <p>Shortest ways by A* over (point, orientation) with a price for bends, crossings and for lying on a wire of the same
 * strand. Where a wire finds no way, it takes the one that is in the way of the fewest others, those are taken up and
 * routed again, and the contested points become dearer (after L. McMurchie and C. Ebeling, "PathFinder: a
 * negotiation-based performance-driven router for FPGAs", FPGA 1995, 111–117).
 */
final class WireRouter {
    /**
     * A piece of a wire to route.
     *
     * @param id one of a kind
     * @param net wires of one net may begin and end at the same point
     * @param strand wires of one net and colour: they may lie on each other
     * @param cable number of the cable that it is a core of, or 0
     * @param from lattice point that it begins at
     * @param to where it ends
     */
    record Job(String id, int net, int strand, int cable, int from, int to) {}

    private static final int STEP = 10;
    /** Wires times points of the lattice up to which every wire is looked for with patience. */
    private static final long PATIENCE = 40_000_000L;

    private static final int BEND = 38;
    /** A step on a wire of the same strand: they become one line with branches. */
    private static final int SHARED_STEP = 3;

    private static final int FOREIGN_PLACE = 7;
    /** A step beside a core of the same cable, and what that crosses: cores keep together. */
    private static final int BESIDE_ITS_CABLE = 7;

    private static final int CROSSING_BESIDE = 60;
    /** A wire is looked for near its ends first. */
    private static final int MARGIN = 20;

    private static final int CONFLICT = 2500;
    private static final int HORIZONTAL = Lattice.HORIZONTAL;
    private static final int VERTICAL = Lattice.VERTICAL;
    private static final int MOST_ATTEMPTS_PER_WIRE = 12;

    private final Lattice lattice;
    private final int width;
    /** What has been paid for each slot before. */
    private final int[] history;

    private final Map<String, int[]> paths = new HashMap<>();
    private final Map<String, Job> jobs = new HashMap<>();
    private final StateHeap open = new StateHeap();
    private final int[] cost;
    private final int[] from;
    private final int[] seen;
    private int search;
    /** What a crossing costs, and what a step is reckoned at when looking ahead: the more, the sooner a way is found. */
    private int crossing = 250;

    private int haste = 16;

    WireRouter(Lattice lattice) {
        this.lattice = lattice;
        width = lattice.width;
        int n = lattice.blocked.length;
        history = new int[2 * n];
        cost = new int[2 * n];
        from = new int[2 * n];
        seen = new int[2 * n];
    }

    /**
     * Routes all wires, short ones before long ones.
     *
     * @param inHaste the first way that is found will do
     * @return the points of each by its id; empty where they don't all fit
     */
    Optional<Map<String, int[]>> route(List<Job> all, boolean inHaste) {
        List<Job> order = new ArrayList<>(all);
        order.sort(Comparator.comparingInt(this::span));
        Deque<Job> queue = new ArrayDeque<>(order);
        all.forEach(j -> jobs.put(j.id(), j));
        boolean patient = !inHaste && (long) all.size() * lattice.blocked.length < PATIENCE;
        if (!patient) {
            crossing = 40;
            haste = 22;
        }
        int attempts = MOST_ATTEMPTS_PER_WIRE * all.size() + 20;
        while (!queue.isEmpty()) {
            Job job = queue.pollFirst();
            int[] path = way(job, true);
            if (path == null) {
                return Optional.empty();
            }
            Set<String> inTheWay = conflicts(job, path);
            if (!inTheWay.isEmpty() && attempts-- < 0) {
                return Optional.empty();
            }
            for (String id : inTheWay) {
                Job other = jobs.get(id);
                lattice.take(paths.remove(id), other.strand(), other.cable(), -1);
                queue.addLast(other);
            }
            lattice.take(path, job.strand(), job.cable(), 1);
            paths.put(job.id(), path);
        }
        if (patient) {
            order.forEach(this::again);
        }
        return Optional.of(paths);
    }

    /** Takes a wire up and routes it once more, now that all others lie. */
    private void again(Job job) {
        int[] before = paths.get(job.id());
        lattice.take(before, job.strand(), job.cable(), -1);
        int[] path = way(job, false);
        int[] best = path == null ? before : path;
        lattice.take(best, job.strand(), job.cable(), 1);
        paths.put(job.id(), best);
    }

    private int span(Job job) {
        return Math.abs(job.from() % width - job.to() % width) + Math.abs(job.from() / width - job.to() / width);
    }

    private Set<String> conflicts(Job job, int[] path) {
        Set<Integer> contested = new HashSet<>();
        Lattice.slots(path, slot -> {
            if (lattice.strand[slot] != 0 && lattice.strand[slot] != job.strand()) {
                contested.add(slot);
                history[slot] += CONFLICT / 4;
            }
        });
        Set<String> wires = new TreeSet<>();
        if (contested.isEmpty()) {
            return Set.of();
        }
        paths.forEach((wire, other) -> Lattice.slots(other, slot -> {
            if (contested.contains(slot)) {
                wires.add(wire);
            }
        }));
        return wires;
    }

    /** The cheapest way, or null; {@code pushing} allows to lie on other wires, at a price. */
    private int[] way(Job job, boolean pushing) {
        int[] near = way(job, pushing, MARGIN + span(job) / 4);
        return near != null ? near : way(job, pushing, lattice.width + lattice.height);
    }

    /** @param margin points around the box of both ends that are looked at */
    private int[] way(Job job, boolean pushing, int margin) {
        search++;
        open.clear();
        int goalPoint = job.to();
        int[] to = {goalPoint % width, goalPoint / width};
        int start = 2 * job.from() + VERTICAL;
        int homeA = lattice.place[job.from()];
        int homeB = lattice.place[goalPoint];
        int fromX = job.from() % width;
        int fromY = job.from() / width;
        int left = Math.min(fromX, to[0]) - margin;
        int right = Math.max(fromX, to[0]) + margin;
        int top = (Math.min(fromY, to[1]) - margin) * width;
        int bottom = (Math.max(fromY, to[1]) + margin + 1) * width;
        cost[start] = 0;
        seen[start] = search;
        from[start] = -1;
        open.add(0, start);
        while (!open.isEmpty()) {
            int state = open.poll();
            int point = state >> 1;
            int in = state & 1;
            if (point == goalPoint) {
                return trace(state);
            }
            if (open.polledKey() > cost[state] + ahead(point, in, to)) {
                continue;
            }
            int x = point % width;
            for (int d = 0; d < 4; d++) {
                int next = d == 0 ? point - 1 : d == 1 ? point + 1 : d == 2 ? point - width : point + width;
                boolean inside = d == 0 ? x > 0 : d == 1 ? x < width - 1 : next >= 0 && next < lattice.blocked.length;
                int out = d < 2 ? HORIZONTAL : VERTICAL;
                int nextX = d == 0 ? x - 1 : d == 1 ? x + 1 : x;
                inside = inside && nextX >= left && nextX <= right && next >= top && next < bottom;
                if (!inside || lattice.blocked[next] || (lattice.reserved[next] != 0 && next != goalPoint)) {
                    continue;
                }
                int price = price(job, point, in, out, next, homeA, homeB, pushing, next == goalPoint);
                if (price < 0) {
                    continue;
                }
                int target = 2 * next + out;
                int total = cost[state] + price;
                if (seen[target] != search || total < cost[target]) {
                    seen[target] = search;
                    cost[target] = total;
                    from[target] = state;
                    open.add(total + ahead(next, out, to), target);
                }
            }
        }
        return null;
    }

    /** What the way from here will cost at about the least: its length, and the bends that it can't do without. */
    private int ahead(int point, int orientation, int[] to) {
        int dx = Math.abs(point % width - to[0]);
        int dy = Math.abs(point / width - to[1]);
        int bends = dx == 0 ? (orientation == VERTICAL || dy == 0 ? 0 : 1) : orientation == VERTICAL ? 2 : 1;
        return haste * (dx + dy) + BEND * bends;
    }

    /** The price of a step, or -1 where another strand is in the way. */
    private int price(
            Job job, int point, int in, int out, int next, int homeA, int homeB, boolean pushing, boolean last) {
        int slot = 2 * next + out;
        boolean shared = lattice.strand[slot] == job.strand() && !lattice.fixed[slot];
        boolean beside = job.cable() != 0 && lattice.isBeside(slot, job.cable());
        int sum = shared ? SHARED_STEP : beside ? BESIDE_ITS_CABLE : STEP;
        if (in != out) {
            int foreign = slotPrice(job, 2 * point + out, pushing);
            if (foreign < 0) {
                return -1;
            }
            sum += BEND + foreign;
        }
        if (last) {
            return sum;
        }
        int ahead = slotPrice(job, slot, pushing);
        if (ahead < 0) {
            return -1;
        }
        sum += ahead;
        int across = lattice.strand[slot ^ 1];
        if (!shared && across != 0 && across != job.strand()) {
            sum += beside ? Math.min(CROSSING_BESIDE, crossing) : crossing;
        }
        int there = lattice.place[next];
        boolean abroad = homeA == homeB ? there != homeA : there != 0 && there != homeA && there != homeB;
        return abroad ? sum + FOREIGN_PLACE : sum;
    }

    private int slotPrice(Job job, int slot, boolean pushing) {
        if (lattice.fixed[slot]) {
            return -1;
        }
        if (lattice.strand[slot] == 0 || lattice.strand[slot] == job.strand()) {
            return 0;
        }
        return pushing ? CONFLICT + history[slot] : -1;
    }

    private int[] trace(int goal) {
        int length = 0;
        for (int s = goal; s >= 0; s = from[s]) {
            length++;
        }
        int[] path = new int[length];
        for (int s = goal; s >= 0; s = from[s]) {
            path[--length] = s >> 1;
        }
        return path;
    }
}
