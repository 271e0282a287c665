package org.jagridge.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntConsumer;

/**
 * Routes wires on a lattice, rightangled, around boxes. Each point of the lattice has a horizontal and a vertical slot;
 * going straight takes one of them, a bend or an end takes both. So two nets may cross, but they never share a piece of
 * line and never touch.
 *
 * <p>Shortest ways by A* over (point, orientation) with a price for bends, crossings and for lying over a wire of the
 * same net, and a rebate for running beside a core of the same cable, so that a cable's cores go as a bundle. Where a
 * wire finds no way, it takes the one that is in the way of the fewest others, those are taken up and routed again, and
 * the contested points become dearer (after L. McMurchie and C. Ebeling, "PathFinder: a negotiation-based
 * performance-driven router for FPGAs", FPGA 1995, 111–117).
 */
final class WireRouter {
    /**
     * A wire to route.
     *
     * @param net wires of one net may touch
     * @param cable the cable whose core it is, or null
     * @param points x and y of what it must pass: the point before one post, its cable's glands where it has some, the
     *     point before the other post
     */
    record Job(String wire, int net, String cable, List<int[]> points) {
        private int span() {
            int[] a = points.get(0);
            int[] b = points.get(points.size() - 1);
            return Math.abs(a[0] - b[0]) + Math.abs(a[1] - b[1]);
        }
    }

    private static final int STEP = 10;
    /** What a step is reckoned at when looking ahead: a little too much, for a way that is found much sooner. */
    private static final int HASTE = 12;

    private static final int HASTE_BESIDE_ITS_CABLE = 9;

    private static final int BEND = 38;
    private static final int CROSSING = 16;
    private static final int SHARING = 30;
    private static final int BESIDE_ITS_CABLE = 6;
    private static final int FOREIGN_PLACE = 7;
    private static final int CONFLICT = 500;
    private static final int HORIZONTAL = 0;
    private static final int VERTICAL = 1;
    private static final int MOST_ATTEMPTS_PER_WIRE = 12;

    private final int width;
    private final boolean[] blocked;
    /** Net that alone may use a point, or 0. */
    private final int[] reserved;
    /** Place that a point lies in, or 0; prices of passing through others' places. */
    private final int[] place;
    /** Net in each slot (point × 2 + orientation), how many of its wires, and what the slot has cost before. */
    private final int[] net;

    private final int[] uses;
    private final int[] history;
    /** Number of a cable whose core lies in a slot, or 0. */
    private final int[] cable;

    private final Map<String, Integer> cableNumbers = new HashMap<>();
    private final Set<String> routedCables = new HashSet<>();
    private final Map<String, int[]> paths = new HashMap<>();
    private final Map<String, Job> jobs = new HashMap<>();
    private final LongHeap open = new LongHeap();
    private final int[] cost;
    private final int[] from;
    private final int[] seen;
    private int search;

    WireRouter(int width, int height) {
        this.width = width;
        int n = width * height;
        blocked = new boolean[n];
        reserved = new int[n];
        place = new int[n];
        net = new int[2 * n];
        uses = new int[2 * n];
        history = new int[2 * n];
        cable = new int[2 * n];
        cost = new int[2 * n];
        from = new int[2 * n];
        seen = new int[2 * n];
    }

    /** No wire gets onto these points. */
    void block(int x1, int y1, int x2, int y2) {
        for (int y = y1; y <= y2; y++) {
            Arrays.fill(blocked, y * width + x1, y * width + x2 + 1, true);
        }
    }

    void place(int number, int x1, int y1, int x2, int y2) {
        for (int y = y1; y <= y2; y++) {
            Arrays.fill(place, y * width + x1, y * width + x2 + 1, number);
        }
    }

    /** Keeps the point before a post for the post's own net. */
    void reserve(int x, int y, int forNet) {
        reserved[y * width + x] = forNet;
    }

    /**
     * Routes all wires: cables first, core by core, then the rest, short ones before long ones.
     *
     * @return the points of each wire by its id, x and y alternating; empty where they don't all fit
     */
    Optional<Map<String, List<int[]>>> route(List<Job> all) {
        List<Job> order = new ArrayList<>(all);
        Map<String, Integer> cableSpan = new HashMap<>();
        all.forEach(j -> {
            if (j.cable() != null) {
                cableSpan.merge(j.cable(), j.span(), Math::max);
            }
        });
        order.sort(Comparator.comparingInt((Job j) -> j.cable() == null ? j.span() : cableSpan.get(j.cable()))
                .thenComparing(j -> j.cable() == null ? "" : j.cable()));
        Deque<Job> queue = new ArrayDeque<>(order);
        all.forEach(j -> jobs.put(j.wire(), j));
        int attempts = MOST_ATTEMPTS_PER_WIRE * all.size() + 20;
        while (!queue.isEmpty()) {
            Job job = queue.pollFirst();
            int[] path = way(job, false);
            if (path == null) {
                path = way(job, true);
                if (path == null || attempts-- < 0) {
                    return Optional.empty();
                }
                for (String inTheWay : conflicts(job, path)) {
                    take(jobs.get(inTheWay), paths.remove(inTheWay), -1);
                    queue.addLast(jobs.get(inTheWay));
                }
            }
            take(job, path, 1);
            paths.put(job.wire(), path);
            if (job.cable() != null) {
                routedCables.add(job.cable());
            }
        }
        Map<String, List<int[]>> points = new HashMap<>();
        paths.forEach((wire, path) -> points.put(
                wire,
                Arrays.stream(path)
                        .mapToObj(p -> new int[] {p % width, p / width})
                        .toList()));
        return Optional.of(points);
    }

    /** Calls {@code each} with every slot that a path takes. */
    private void slots(int[] path, IntConsumer each) {
        for (int i = 0; i < path.length; i++) {
            boolean end = i == 0 || i == path.length - 1;
            int in = end ? -1 : orientation(path[i - 1], path[i]);
            int out = end ? -1 : orientation(path[i], path[i + 1]);
            if (end || in != out) {
                each.accept(2 * path[i] + HORIZONTAL);
                each.accept(2 * path[i] + VERTICAL);
            } else {
                each.accept(2 * path[i] + in);
            }
        }
    }

    private int orientation(int a, int b) {
        return Math.abs(a - b) == 1 ? HORIZONTAL : VERTICAL;
    }

    private void take(Job job, int[] path, int by) {
        slots(path, slot -> {
            uses[slot] += by;
            net[slot] = uses[slot] == 0 ? 0 : job.net();
            cable[slot] = by > 0 ? numberOf(job) : 0;
        });
    }

    private int numberOf(Job job) {
        return job.cable() == null ? 0 : cableNumbers.computeIfAbsent(job.cable(), c -> cableNumbers.size() + 1);
    }

    private Set<String> conflicts(Job job, int[] path) {
        Set<Integer> contested = new HashSet<>();
        slots(path, slot -> {
            if (net[slot] != 0 && net[slot] != job.net()) {
                contested.add(slot);
                history[slot] += CONFLICT / 4;
            }
        });
        Set<String> wires = new TreeSet<>();
        paths.forEach((wire, other) -> slots(other, slot -> {
            if (contested.contains(slot)) {
                wires.add(wire);
            }
        }));
        return wires;
    }

    /** The cheapest way through all points, or null; {@code pushing} allows to lie on other nets, at a price. */
    private int[] way(Job job, boolean pushing) {
        int[] whole = {at(job.points().get(0))};
        for (int i = 1; i < job.points().size(); i++) {
            int arrived = whole.length == 1 ? VERTICAL : orientation(whole[whole.length - 2], whole[whole.length - 1]);
            int[] leg = leg(job, whole[whole.length - 1], arrived, job.points().get(i), pushing);
            if (leg == null) {
                return null;
            }
            int[] longer = Arrays.copyOf(whole, whole.length + leg.length - 1);
            System.arraycopy(leg, 1, longer, whole.length, leg.length - 1);
            whole = longer;
        }
        return whole;
    }

    private int at(int[] p) {
        return p[1] * width + p[0];
    }

    private int[] leg(Job job, int startPoint, int arrived, int[] to, boolean pushing) {
        search++;
        open.clear();
        int start = 2 * startPoint + arrived;
        int goalPoint = at(to);
        int homeA = place[at(job.points().get(0))];
        int homeB = place[at(job.points().get(job.points().size() - 1))];
        int sibling = job.cable() != null && routedCables.contains(job.cable()) ? numberOf(job) : 0;
        int least = sibling > 0 ? HASTE_BESIDE_ITS_CABLE : HASTE;
        cost[start] = 0;
        seen[start] = search;
        from[start] = -1;
        open.add(0, start);
        int goal = -1;
        while (!open.isEmpty()) {
            int state = open.poll();
            int point = state >> 1;
            int in = state & 1;
            if (point == goalPoint) {
                goal = state;
                break;
            }
            if (open.polledKey() > cost[state] + ahead(point, in, to, least)) {
                continue;
            }
            int x = point % width;
            for (int d = 0; d < 4; d++) {
                int next = d == 0 ? point - 1 : d == 1 ? point + 1 : d == 2 ? point - width : point + width;
                boolean inside = d == 0 ? x > 0 : d == 1 ? x < width - 1 : next >= 0 && next < blocked.length;
                int out = d < 2 ? HORIZONTAL : VERTICAL;
                if (!inside || blocked[next] || (reserved[next] != 0 && reserved[next] != job.net())) {
                    continue;
                }
                int price = price(job, sibling, point, in, out, next, homeA, homeB, pushing);
                if (price < 0) {
                    continue;
                }
                int target = 2 * next + out;
                int total = cost[state] + price;
                if (seen[target] != search || total < cost[target]) {
                    seen[target] = search;
                    cost[target] = total;
                    from[target] = state;
                    open.add(total + ahead(next, out, to, least), target);
                }
            }
        }
        return goal < 0 ? null : trace(goal);
    }

    /** What the way from here will cost at about the least: its length, and the bends that it can't do without. */
    private int ahead(int point, int orientation, int[] to, int perStep) {
        int dx = Math.abs(point % width - to[0]);
        int dy = Math.abs(point / width - to[1]);
        int bends = dx == 0 ? (orientation == VERTICAL || dy == 0 ? 0 : 1) : orientation == VERTICAL ? 2 : 1;
        return perStep * (dx + dy) + BEND * bends;
    }

    /** The price of a step, or -1 where another net is in the way. */
    private int price(
            Job job, int sibling, int point, int in, int out, int next, int homeA, int homeB, boolean pushing) {
        int sum = sibling > 0 && besideItsCable(sibling, next, out) ? BESIDE_ITS_CABLE : STEP;
        if (in != out) {
            int foreign = slotPrice(job, 2 * point + out, pushing);
            if (foreign < 0) {
                return -1;
            }
            sum += BEND + foreign;
        }
        int slot = 2 * next + out;
        int ahead = slotPrice(job, slot, pushing);
        if (ahead < 0) {
            return -1;
        }
        sum += ahead;
        if (net[slot] == job.net()) {
            sum += SHARING;
        }
        int across = net[slot ^ 1];
        if (across != 0 && across != job.net()) {
            sum += CROSSING;
        }
        int there = place[next];
        return there != 0 && there != homeA && there != homeB ? sum + FOREIGN_PLACE : sum;
    }

    private int slotPrice(Job job, int slot, boolean pushing) {
        if (net[slot] == 0 || net[slot] == job.net()) {
            return 0;
        }
        return pushing ? CONFLICT + history[slot] : -1;
    }

    private boolean besideItsCable(int number, int point, int orientation) {
        int across = orientation == HORIZONTAL ? width : 1;
        return holds(2 * (point - across) + orientation, number) || holds(2 * (point + across) + orientation, number);
    }

    private boolean holds(int slot, int number) {
        return slot >= 0 && slot < cable.length && cable[slot] == number;
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

    /** A heap of states by cost, without boxes around the numbers. */
    private static final class LongHeap {
        private long[] items = new long[1024];
        private int size;
        private int polledKey;

        void clear() {
            size = 0;
        }

        boolean isEmpty() {
            return size == 0;
        }

        int polledKey() {
            return polledKey;
        }

        void add(int key, int value) {
            if (size == items.length) {
                items = Arrays.copyOf(items, 2 * size);
            }
            long item = ((long) key << 32) | value;
            int i = size++;
            while (i > 0 && items[(i - 1) >> 1] > item) {
                items[i] = items[(i - 1) >> 1];
                i = (i - 1) >> 1;
            }
            items[i] = item;
        }

        int poll() {
            long top = items[0];
            long last = items[--size];
            int i = 0;
            while (2 * i + 1 < size) {
                int child = 2 * i + 1;
                if (child + 1 < size && items[child + 1] < items[child]) {
                    child++;
                }
                if (items[child] >= last) {
                    break;
                }
                items[i] = items[child];
                i = child;
            }
            items[i] = last;
            polledKey = (int) (top >> 32);
            return (int) top;
        }
    }
}
