package org.jagridge.core.drawing;

import java.util.Arrays;
import java.util.List;

/**
 * Finds about where a wire will go, on tiles of the lattice instead of its points: a wire is then looked for only on the
 * tiles of its corridor and those beside them. A step from the middle of one tile to that of the next costs what the
 * best of its lanes does.
 */
final class Corridors {
    private static final int SHIFT = 3;
    private static final int TILE = 1 << SHIFT;
    private static final int HALF = TILE / 2;
    private static final int NONE = -1;
    private static final int UNKNOWN = -2;
    /** What a step costs where every lane has something in it, but the seam between the tiles is open. */
    private static final int WINDING = 400;

    private final Lattice lattice;
    private final int columns;
    private final int rows;
    private final int stepPrice;
    private final int bend;
    private final int crossing;
    /** What the step east and that south from each tile cost. */
    private final int[] prices;

    private final int[] cost;
    private final int[] from;
    private final int[] seen;
    /** The search in which a tile belonged to the corridor, and that in which one with the same strand. */
    private final int[] inside;

    private final int[] own;
    private final StateHeap open = new StateHeap();
    private int search;

    Corridors(Lattice lattice, int stepPrice, int bend, int crossing) {
        this.lattice = lattice;
        this.stepPrice = stepPrice;
        this.bend = bend;
        this.crossing = crossing;
        columns = (lattice.width + TILE - 1) >> SHIFT;
        rows = (lattice.height + TILE - 1) >> SHIFT;
        int n = columns * rows;
        prices = new int[2 * n];
        Arrays.fill(prices, UNKNOWN);
        cost = new int[2 * n];
        from = new int[2 * n];
        seen = new int[2 * n];
        inside = new int[n];
        own = new int[n];
    }

    private int tile(int point) {
        return ((point / lattice.width) >> SHIFT) * columns + ((point % lattice.width) >> SHIFT);
    }

    /** Says that a path was put on the lattice or taken off. */
    void touched(int[] path) {
        int last = -1;
        for (int p : path) {
            int t = tile(p);
            if (t != last) {
                forget(t);
                if (t % columns > 0) {
                    forget(t - 1);
                }
                if (t >= columns) {
                    forget(t - columns);
                }
            }
            last = t;
        }
    }

    private void forget(int tile) {
        prices[2 * tile] = UNKNOWN;
        prices[2 * tile + 1] = UNKNOWN;
    }

    /** Whether a point lies in the corridor that was found last. */
    boolean has(int x, int y) {
        return inside[(y >> SHIFT) * columns + (x >> SHIFT)] == search;
    }

    /** Looks for a corridor; false where there is none. {@code kin} are ways of the same strand. */
    boolean find(int fromPoint, int toPoint, List<int[]> kin) {
        search++;
        open.clear();
        for (int[] path : kin) {
            for (int p : path) {
                own[tile(p)] = search;
            }
        }
        int start = tile(fromPoint);
        int goal = tile(toPoint);
        int homeA = lattice.place[fromPoint];
        int homeB = lattice.place[toPoint];
        reach(2 * start + Lattice.VERTICAL, 0, NONE, goal);
        while (!open.isEmpty()) {
            int state = open.poll();
            int tile = state >> 1;
            if (tile == goal) {
                mark(state);
                return true;
            }
            if (open.polledKey() > cost[state] + ahead(tile, goal)) {
                continue;
            }
            int x = tile % columns;
            for (int d = 0; d < 4; d++) {
                boolean can = d == 0
                        ? x > 0
                        : d == 1 ? x < columns - 1 : d == 2 ? tile >= columns : tile < columns * (rows - 1);
                if (!can) {
                    continue;
                }
                int next = d == 0 ? tile - 1 : d == 1 ? tile + 1 : d == 2 ? tile - columns : tile + columns;
                int out = d < 2 ? Lattice.HORIZONTAL : Lattice.VERTICAL;
                int price = price(Math.min(tile, next), out);
                if (own[tile] == search && own[next] == search) {
                    price = TILE * stepPrice / 3;
                } else if (price < 0) {
                    continue;
                }
                price += (state & 1) == out ? 0 : bend;
                price += TILE * WireRouter.abroad(lattice.place[middle(next)], homeA, homeB);
                reach(2 * next + out, cost[state] + price, state, goal);
            }
        }
        return false;
    }

    private int middle(int tile) {
        int x = Math.min(lattice.width - 1, (tile % columns) * TILE + HALF);
        int y = Math.min(lattice.height - 1, (tile / columns) * TILE + HALF);
        return lattice.at(x, y);
    }

    private void reach(int state, int total, int before, int goal) {
        if (seen[state] != search || total < cost[state]) {
            seen[state] = search;
            cost[state] = total;
            from[state] = before;
            open.add(total + ahead(state >> 1, goal), state);
        }
    }

    private int ahead(int tile, int goal) {
        return TILE
                * stepPrice
                * (Math.abs(tile % columns - goal % columns) + Math.abs(tile / columns - goal / columns));
    }

    private void mark(int goal) {
        for (int s = goal; s >= 0; s = from[s]) {
            int x = (s >> 1) % columns;
            int y = (s >> 1) / columns;
            for (int ny = Math.max(0, y - 1); ny <= Math.min(rows - 1, y + 1); ny++) {
                for (int nx = Math.max(0, x - 1); nx <= Math.min(columns - 1, x + 1); nx++) {
                    inside[ny * columns + nx] = search;
                }
            }
        }
    }

    private int price(int tile, int orientation) {
        int i = 2 * tile + orientation;
        if (prices[i] == UNKNOWN) {
            prices[i] = orientation == Lattice.HORIZONTAL ? east(tile) : south(tile);
        }
        return prices[i];
    }

    private int east(int tile) {
        int x = (tile % columns) * TILE + HALF;
        int y = (tile / columns) * TILE;
        int lanes = Math.min(TILE, lattice.height - y);
        int length = Math.min(TILE, lattice.width - x);
        return best(lattice.at(x, y), lattice.width, lanes, 1, length, Lattice.HORIZONTAL);
    }

    private int south(int tile) {
        int x = (tile % columns) * TILE;
        int y = (tile / columns) * TILE + HALF;
        int lanes = Math.min(TILE, lattice.width - x);
        int length = Math.min(TILE, lattice.height - y);
        return best(lattice.at(x, y), 1, lanes, lattice.width, length, Lattice.VERTICAL);
    }

    private int best(int first, int toLane, int lanes, int toNext, int length, int orientation) {
        int best = Integer.MAX_VALUE;
        boolean seam = false;
        for (int lane = 0; lane < lanes; lane++) {
            int crossed = 0;
            boolean free = true;
            for (int i = 0; i < length; i++) {
                int p = first + lane * toLane + i * toNext;
                boolean open = !lattice.blocked[p]
                        && lattice.reserved[p] == 0
                        && lattice.fan[p] == 0
                        && lattice.strand[2 * p + orientation] == 0;
                free &= open;
                seam |= open && i == HALF;
                crossed += lattice.strand[(2 * p + orientation) ^ 1] == 0 ? 0 : 1;
            }
            if (free) {
                best = Math.min(best, crossed);
            }
        }
        if (best < Integer.MAX_VALUE) {
            return TILE * stepPrice + best * crossing;
        }
        return seam ? TILE * stepPrice + WINDING : NONE;
    }
}
