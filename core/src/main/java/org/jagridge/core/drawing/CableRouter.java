package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.jagridge.core.budget.Budget;

/**
 * Routes a cable from the gland of one place to that of another as one bundle: a square as wide as the cable has cores
 * moves over the lattice, and each core keeps its track in it, so that they stay side by side in their order.
 */
final class CableRouter {
    private static final int STEP = 10;
    private static final int BEND = 60;
    private static final int CROSSING = 150;
    private static final int THROUGH_A_PLACE = 60;
    /** After so many points, less one, it is asked whether there is time for more. */
    private static final int ASKED = 1023;
    /** East, south, west, north. */
    private static final int[] DX = {1, 0, -1, 0};

    private static final int[] DY = {0, 1, 0, -1};

    private final Lattice lattice;
    private final StateHeap open = new StateHeap();
    private final Sums walls;
    private final Sums places;
    /** Made anew for each cable: where posts and other cables are. */
    private Sums ends;

    private List<Sums> strands = List.of();
    private int polled;
    private final int[] cost;
    private final int[] before;

    CableRouter(Lattice lattice) {
        this.lattice = lattice;
        cost = new int[4 * lattice.blocked.length];
        before = new int[4 * lattice.blocked.length];
        walls = new Sums(p -> lattice.blocked[p]);
        places = new Sums(p -> lattice.place[p] != 0);
    }

    /** Where a cable begins or ends: the point of its first core, all others to the right of it or below. */
    record Gland(int x, int y) {}

    /**
     * The ways of the cores, from the point outside of one frame to that outside of the other; empty where there is none.
     *
     * @param out 0 east, 1 south, 2 west, 3 north: that in which the cable leaves
     * @param in that in which it arrives
     */
    Optional<List<int[]>> route(int cores, Gland from, int out, Gland to, int in) {
        int start = square(from, cores, out, false);
        int goal = square(to, cores, in, true);
        Arrays.fill(cost, Integer.MAX_VALUE);
        ends = new Sums(p -> lattice.reserved[p] != 0 || lattice.fan[p] != 0);
        strands = List.of(new Sums(p -> lattice.strand[2 * p] != 0), new Sums(p -> lattice.strand[2 * p + 1] != 0));
        if (start < 0 || goal < 0 || !isFree(start, cores, out)) {
            return Optional.empty();
        }
        open.clear();
        cost[4 * start + out] = 0;
        before[4 * start + out] = -1;
        open.add(0, 4 * start + out);
        while (!open.isEmpty()) {
            int state = open.poll();
            if ((++polled & ASKED) == 0) {
                Budget.check();
            }
            int at = state >> 2;
            int dir = state & 3;
            if (at == goal && dir == in) {
                return Optional.of(cores(squares(state, before), cores));
            }
            if (open.polledKey() > cost[state] + ahead(at, goal)) {
                continue;
            }
            for (int next = 0; next < 4; next++) {
                if (((next + 2) & 3) == dir || (next != dir && !turns(at, cores))) {
                    continue;
                }
                // after a turn it goes straight for its own width, so that it can't turn back into itself
                int steps = next == dir ? 1 : cores;
                int price = next == dir ? 0 : BEND;
                int to2 = at;
                for (int i = 0; i < steps && price >= 0; i++) {
                    int step = step(to2, next, cores);
                    price = step < 0 ? -1 : price + step;
                    to2 += DX[next] + DY[next] * lattice.width;
                }
                if (price < 0) {
                    continue;
                }
                int total = cost[state] + price;
                if (total < cost[4 * to2 + next]) {
                    cost[4 * to2 + next] = total;
                    before[4 * to2 + next] = state;
                    open.add(total + ahead(to2, goal), 4 * to2 + next);
                }
            }
        }
        return Optional.empty();
    }

    /** The upper left corner of the square that begins, or ends, at a gland; -1 where it doesn't fit. */
    private int square(Gland g, int cores, int direction, boolean end) {
        boolean backX = (direction == 2 && !end) || (direction == 0 && end);
        boolean backY = (direction == 3 && !end) || (direction == 1 && end);
        int x = backX ? g.x() - cores + 1 : g.x();
        int y = backY ? g.y() - cores + 1 : g.y();
        boolean inside = x >= 0 && y >= 0 && x + cores <= lattice.width && y + cores <= lattice.height;
        return inside ? lattice.at(x, y) : -1;
    }

    private int ahead(int at, int goal) {
        int w = lattice.width;
        return STEP * (Math.abs(at % w - goal % w) + Math.abs(at / w - goal / w));
    }

    private boolean isFree(int at, int cores, int direction) {
        int x = at % lattice.width;
        int y = at / lattice.width;
        return walls.in(x, y, cores, cores) == 0 && strands.get(direction & 1).in(x, y, cores, cores) == 0;
    }

    /** Whether nothing at all is under a square, so that the cable may turn there. */
    private boolean turns(int at, int cores) {
        return isFree(at, cores, 0) && isFree(at, cores, 1);
    }

    /** The price of moving a square by one, or -1 where it can't. */
    private int step(int at, int dir, int cores) {
        int w = lattice.width;
        int x = at % w + (dir == 0 ? cores : dir == 2 ? -1 : 0);
        int y = at / w + (dir == 1 ? cores : dir == 3 ? -1 : 0);
        boolean across = (dir & 1) == 0;
        if (x < 0 || y < 0 || x + (across ? 1 : cores) > w || y + (across ? cores : 1) > lattice.height) {
            return -1;
        }
        int wide = across ? 1 : cores;
        int high = across ? cores : 1;
        if (walls.in(x, y, wide, high)
                        + ends.in(x, y, wide, high)
                        + strands.get(dir & 1).in(x, y, wide, high)
                > 0) {
            return -1;
        }
        boolean crosses = strands.get((dir & 1) ^ 1).in(x, y, wide, high) > 0;
        boolean inside = places.in(x, y, wide, high) > 0;
        return STEP + (crosses ? CROSSING : 0) + (inside ? THROUGH_A_PLACE : 0);
    }

    /** How many points of any rectangle have something, by sums over all rectangles from the corner. */
    private final class Sums {
        private final int[] sums = new int[(lattice.width + 1) * (lattice.height + 1)];

        Sums(IntPredicate has) {
            int w = lattice.width + 1;
            for (int y = 0; y < lattice.height; y++) {
                int row = 0;
                for (int x = 0; x < lattice.width; x++) {
                    row += has.test(lattice.at(x, y)) ? 1 : 0;
                    sums[(y + 1) * w + x + 1] = sums[y * w + x + 1] + row;
                }
            }
        }

        int in(int x, int y, int wide, int high) {
            int w = lattice.width + 1;
            int top = y * w + x;
            int bottom = top + high * w;
            return sums[bottom + wide] - sums[bottom] - sums[top + wide] + sums[top];
        }
    }

    private static List<int[]> squares(int goal, int[] before) {
        List<int[]> way = new ArrayList<>();
        for (int s = goal; s >= 0; s = before[s]) {
            way.add(new int[] {s >> 2, s & 3});
        }
        Collections.reverse(way);
        return way;
    }

    /** The points of each core: its track in the square, turned with the direction, bends where the tracks meet. */
    private List<int[]> cores(List<int[]> squares, int cores) {
        int w = lattice.width;
        List<int[]> ways = new ArrayList<>();
        for (int i = 0; i < cores; i++) {
            int first = squares.get(0)[1];
            int left = Glands.left(first, i, cores);
            List<int[]> corners = new ArrayList<>();
            for (int k = 0; k < squares.size(); k++) {
                int x = squares.get(k)[0] % w;
                int y = squares.get(k)[0] / w;
                int dir = squares.get(k)[1];
                int next = k + 1 < squares.size() ? squares.get(k + 1)[1] : dir;
                if (k == 0) {
                    corners.add(track(x, y, dir, left, cores, dir == 0 || dir == 1 ? 0 : cores - 1));
                }
                if (next != dir) {
                    int[] a = track(x, y, dir, left, cores, 0);
                    int[] b = track(x, y, next, left, cores, 0);
                    corners.add((dir & 1) == 0 ? new int[] {b[0], a[1]} : new int[] {a[0], b[1]});
                }
                if (k == squares.size() - 1) {
                    corners.add(track(x, y, dir, left, cores, dir == 0 || dir == 1 ? cores - 1 : 0));
                }
            }
            ways.add(points(corners));
        }
        return ways;
    }

    /** Where a core is in a square that moves in a direction, so many points along it. */
    private static int[] track(int x, int y, int dir, int left, int cores, int along) {
        return switch (dir) {
            case 0 -> new int[] {x + along, y + left};
            case 1 -> new int[] {x + cores - 1 - left, y + along};
            case 2 -> new int[] {x + along, y + cores - 1 - left};
            default -> new int[] {x + left, y + along};
        };
    }

    private int[] points(List<int[]> corners) {
        List<Integer> points = new ArrayList<>(List.of(lattice.at(corners.get(0)[0], corners.get(0)[1])));
        for (int i = 1; i < corners.size(); i++) {
            int[] a = corners.get(i - 1);
            int[] b = corners.get(i);
            int dx = Integer.signum(b[0] - a[0]);
            int dy = Integer.signum(b[1] - a[1]);
            int steps = Math.abs(b[0] - a[0]) + Math.abs(b[1] - a[1]);
            for (int s = 1; s <= steps; s++) {
                points.add(lattice.at(a[0] + s * dx, a[1] + s * dy));
            }
        }
        return points.stream().mapToInt(Integer::intValue).toArray();
    }
}
