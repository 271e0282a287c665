package org.jagridge.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.budget.Budget;

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
    /** What a step is reckoned at when looking ahead: the more, the sooner a way is found. */
    private static final int HASTE = 16;

    /** A crossing is worth a way around of a tenth of the drawing's width and height, within bounds. */
    private static final int LEAST_CROSSING = 200;

    private static final int MOST_CROSSING = 500;
    private static final int BEND = 38;
    /** A step on a wire of the same strand: they become one line with branches. */
    private static final int SHARED_STEP = 1;

    /** A step in a place that neither end is in, and one outside of the place that both are in: a wire stays in its panel. */
    private static final int FOREIGN_PLACE = 7;

    private static final int OUTSIDE_ITS_PLACE = 400;
    /** A step beside a core of the same cable, and what that crosses: cores keep together. */
    private static final int BESIDE_ITS_CABLE = 7;

    private static final int CROSSING_BESIDE = 60;
    /** A wire is looked for near its ends first. */
    private static final int MARGIN = 20;

    private static final int CONFLICT = 2500;
    private static final int VERTICAL = Lattice.VERTICAL;
    /** After so many points, less one, it is asked whether there is time for more. */
    private static final int ASKED = 1023;

    private static final int MOST_ATTEMPTS_PER_WIRE = 3;
    /** How often all wires together are looked at again; each at least once, and no more often than this. */
    private static final int SECOND_LOOKS = 900;

    private static final int MOST_ROUNDS = 4;
    /** What a cell tells of its slot, in bits: the strand, whether nothing gets in, whether what is there stays, the place. */
    private static final int STRAND = 0xffff;

    private static final int CLOSED = 1 << 16;
    private static final int FIXED = 1 << 17;
    private static final int PLACE = 18;

    private final Lattice lattice;
    private final int width;
    private final int crossing;
    /** What has been paid for each slot before. */
    private final int[] history;

    private final Map<String, int[]> paths = new HashMap<>();
    private final Map<String, Job> jobs = new HashMap<>();
    private final List<Job> order = new ArrayList<>();
    private final StateHeap open = new StateHeap();
    private final Map<Integer, List<int[]>> kin = new HashMap<>();
    private final Corridors corridors;
    private final int[] cell;
    private final int[] cost;
    private final int[] from;
    /** Twice the number of the search that reached a state, one more once it is done with. */
    private final int[] seen;

    private int search;
    private int polled;

    WireRouter(Lattice lattice) {
        this.lattice = lattice;
        width = lattice.width;
        crossing = Math.max(LEAST_CROSSING, Math.min(MOST_CROSSING, STEP * (lattice.width + lattice.height) / 10));
        corridors = new Corridors(lattice, STEP, BEND, crossing);
        int n = lattice.blocked.length;
        history = new int[2 * n];
        cell = new int[2 * n];
        for (int i = 0; i < 2 * n; i++) {
            boolean closed = lattice.blocked[i >> 1] || lattice.reserved[i >> 1] != 0 || lattice.fan[i >> 1] != 0;
            cell[i] = lattice.strand[i]
                    | (closed ? CLOSED : 0)
                    | (lattice.fixed[i] ? FIXED : 0)
                    | (lattice.place[i >> 1] << PLACE);
        }
        cost = new int[2 * n];
        from = new int[2 * n];
        seen = new int[2 * n];
    }

    /**
     * Routes all wires, short ones before long ones.
     *
     * @return whether they all fit
     */
    boolean route(List<Job> all) {
        order.addAll(all);
        order.sort(Comparator.comparingInt(this::span));
        Deque<Job> queue = new ArrayDeque<>(order);
        all.forEach(j -> jobs.put(j.id(), j));
        int attempts = MOST_ATTEMPTS_PER_WIRE * all.size() + 20;
        while (!queue.isEmpty()) {
            Job job = queue.pollFirst();
            int[] path = firstWay(job);
            if (path == null) {
                return false;
            }
            Set<String> inTheWay = conflicts(job, path);
            if (!inTheWay.isEmpty() && attempts-- < 0) {
                return false;
            }
            for (String id : inTheWay) {
                Job other = jobs.get(id);
                take(paths.remove(id), other, -1);
                queue.addLast(other);
            }
            take(path, job, 1);
            paths.put(job.id(), path);
        }
        return true;
    }

    /** Looks at each wire again, now that all others lie: a few times where there are few, so that it doesn't take long. */
    void again() {
        int rounds = Math.max(1, Math.min(MOST_ROUNDS, SECOND_LOOKS / Math.max(1, order.size())));
        for (int i = 0; i < rounds; i++) {
            order.forEach(this::again);
        }
    }

    /** The points of each wire by its id. */
    Map<String, int[]> paths() {
        return paths;
    }

    /** How many points were looked at until now. */
    int steps() {
        return polled;
    }

    /**
     * Routes all wires where they don't all fit beside each other: the cheapest way of each, on other wires where it can't be
     * without, and straight across what stands in between where there is none at all.
     */
    Map<String, int[]> routeOnOthers(List<Job> all) {
        for (Job job : all) {
            int[] path = firstWay(job);
            path = path == null ? straight(job) : path;
            take(path, job, 1);
            paths.put(job.id(), path);
        }
        return paths;
    }

    /** Level first, then up or down. */
    private int[] straight(Job job) {
        int goalX = job.to() % width;
        int x = job.from() % width;
        int y = job.from() / width;
        List<Integer> points = new ArrayList<>(List.of(job.from()));
        while (x != goalX || y != job.to() / width) {
            y += x == goalX ? Integer.signum(job.to() / width - y) : 0;
            x += Integer.signum(goalX - x);
            points.add(lattice.at(x, y));
        }
        return points.stream().mapToInt(Integer::intValue).toArray();
    }

    private void take(int[] path, Job job, int by) {
        lattice.take(path, job.strand(), job.cable(), by);
        lattice.slots(path, slot -> cell[slot] = (cell[slot] & ~STRAND) | lattice.strand[slot]);
        corridors.touched(path);
        List<int[]> alike = kin.computeIfAbsent(job.strand(), k -> new ArrayList<>());
        if (by > 0) {
            alike.add(path);
        } else {
            alike.remove(path);
        }
    }

    /** Takes a wire up and routes it once more, now that all others lie. */
    private void again(Job job) {
        int[] before = paths.get(job.id());
        take(before, job, -1);
        int[] path = wayNear(job, false);
        int[] best = path == null ? before : path;
        take(best, job, 1);
        paths.put(job.id(), best);
    }

    private int span(Job job) {
        return Math.abs(job.from() % width - job.to() % width) + Math.abs(job.from() / width - job.to() / width);
    }

    private Set<String> conflicts(Job job, int[] path) {
        Set<Integer> contested = new HashSet<>();
        lattice.slots(path, slot -> {
            if (lattice.strand[slot] != 0 && lattice.strand[slot] != job.strand()) {
                contested.add(slot);
                history[slot] += CONFLICT / 4;
            }
        });
        Set<String> wires = new TreeSet<>();
        if (contested.isEmpty()) {
            return Set.of();
        }
        paths.forEach((wire, other) -> lattice.slots(other, slot -> {
            if (contested.contains(slot)) {
                wires.add(wire);
            }
        }));
        return wires;
    }

    /** A way in the corridor where it has room; or the cheapest, which may lie on other wires; or null. */
    private int[] firstWay(Job job) {
        if (corridors.find(job.from(), job.to(), kin.getOrDefault(job.strand(), List.of()))) {
            int[] way = way(job, false, corridors, lattice.width + lattice.height);
            if (way != null) {
                return way;
            }
        }
        return wayNear(job, true);
    }

    /** The cheapest way, or null; {@code pushing} allows to lie on other wires, at a price. */
    private int[] wayNear(Job job, boolean pushing) {
        int[] near = way(job, pushing, null, MARGIN + span(job) / 4);
        return near != null ? near : way(job, pushing, null, lattice.width + lattice.height);
    }

    /**
     * @param within null for everywhere
     * @param margin points around the box of both ends that are looked at
     */
    private int[] way(Job job, boolean pushing, Corridors within, int margin) {
        search++;
        open.clear();
        int goal = job.to();
        int goalX = goal % width;
        int goalY = goal / width;
        int homeA = lattice.place[job.from()];
        int homeB = lattice.place[goal];
        int fromX = job.from() % width;
        int fromY = job.from() / width;
        int left = Math.max(0, Math.min(fromX, goalX) - margin);
        int right = Math.min(width - 1, Math.max(fromX, goalX) + margin);
        int top = Math.max(0, Math.min(fromY, goalY) - margin);
        int bottom = Math.min(lattice.height - 1, Math.max(fromY, goalY) + margin);
        int start = 2 * job.from() + VERTICAL;
        cost[start] = 0;
        seen[start] = 2 * search;
        from[start] = -1;
        open.add(0, start);
        while (!open.isEmpty()) {
            int state = open.poll();
            if ((++polled & ASKED) == 0) {
                Budget.check();
            }
            if (seen[state] == 2 * search + 1) {
                continue;
            }
            seen[state] = 2 * search + 1;
            int point = state >> 1;
            if (point == goal) {
                return trace(state);
            }
            int y = point / width;
            int x = point - y * width;
            int back = from[state] >> 1;
            for (int d = 0; d < 4; d++) {
                int nextX = d == 0 ? x - 1 : d == 1 ? x + 1 : x;
                int nextY = d == 2 ? y - 1 : d == 3 ? y + 1 : y;
                int next = d == 0 ? point - 1 : d == 1 ? point + 1 : d == 2 ? point - width : point + width;
                if (next == back || nextX < left || nextX > right || nextY < top || nextY > bottom) {
                    continue;
                }
                int out = d >> 1;
                int target = 2 * next + out;
                if (seen[target] == 2 * search + 1
                        || ((cell[target] & CLOSED) != 0 && next != goal && !isOwnFan(job, next))
                        || (within != null && !within.has(nextX, nextY))) {
                    continue;
                }
                int price = price(job, state, out, target, homeA, homeB, pushing, next == goal);
                if (price < 0) {
                    continue;
                }
                int total = cost[state] + price;
                if (seen[target] != 2 * search || total < cost[target]) {
                    seen[target] = 2 * search;
                    cost[target] = total;
                    from[target] = state;
                    int dx = Math.abs(nextX - goalX);
                    int dy = Math.abs(nextY - goalY);
                    open.add(total + ahead(out, dx, dy), target);
                }
            }
        }
        return null;
    }

    private boolean isOwnFan(Job job, int point) {
        int post = lattice.fan[point] - 1;
        return post >= 0 && (post == job.from() || post == job.to());
    }

    /** What the way from here will cost at about the least: its length, and the bends that it can't do without. */
    private int ahead(int orientation, int dx, int dy) {
        int bends = dx == 0 ? (orientation == VERTICAL || dy == 0 ? 0 : 1) : orientation == VERTICAL ? 2 : 1;
        return HASTE * (dx + dy) + BEND * bends;
    }

    /** The price of a step from a state in a direction, or -1 where another strand is in the way. */
    private int price(Job job, int state, int out, int slot, int homeA, int homeB, boolean pushing, boolean last) {
        int ahead = cell[slot];
        boolean shared = (ahead & STRAND) == job.strand() && (ahead & FIXED) == 0;
        boolean beside = job.cable() != 0 && lattice.isBeside(slot, job.cable());
        int sum = shared ? SHARED_STEP : beside ? BESIDE_ITS_CABLE : STEP;
        if ((state & 1) != out) {
            int foreign = slotPrice(job, state ^ 1, pushing);
            if (foreign < 0) {
                return -1;
            }
            sum += BEND + foreign;
        }
        if (last) {
            return sum;
        }
        int taken = slotPrice(job, slot, pushing);
        if (taken < 0) {
            return -1;
        }
        sum += taken;
        int across = cell[slot ^ 1] & STRAND;
        if (!shared && across != 0 && across != job.strand()) {
            sum += beside ? CROSSING_BESIDE : crossing;
        }
        int there = ahead >>> PLACE;
        return sum + abroad(there, homeA, homeB);
    }

    /** The price of a step in a place for a wire between two others, or within one. */
    static int abroad(int there, int homeA, int homeB) {
        if (there == homeA || there == homeB) {
            return 0;
        }
        return homeA == homeB ? OUTSIDE_ITS_PLACE : there == 0 ? 0 : FOREIGN_PLACE;
    }

    private int slotPrice(Job job, int slot, boolean pushing) {
        int here = cell[slot];
        if ((here & FIXED) != 0) {
            return -1;
        }
        if ((here & STRAND) == 0 || (here & STRAND) == job.strand()) {
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
