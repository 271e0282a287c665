package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.part.Branch;

/**
 * Puts the rows of a group in the order with the fewest crossings that is found by taking out each row and trying it
 * everywhere, until nothing gets better (sifting, after R. Rudell, "Dynamic variable ordering for ordered binary decision
 * diagrams", ICCAD 1993, 42–47).
 */
final class RowOrder {
    private static final long CROSSING = 30;
    private static final long UPRIGHT = 1;
    private static final long OF_ONE_PART = 4;
    /** For each row above the longest chain. */
    private static final long ABOVE_THE_FIRST = 6;
    /** Reckoned row by row and net by net; more is not worth the wait. */
    private static final long MOST_STEPS = 30_000_000L;

    private final int n;
    private final int[] from;
    private final int[] to;
    /** The nets of each row that have an upright line, as indices. */
    private final int[][] uprights;

    private final int[] levelOf;
    /** Rows by pairs that hold two loads of one part. */
    private final List<int[]> together = new ArrayList<>();

    private final int[] low;
    private final int[] high;
    private long steps;

    private RowOrder(List<Rungs.Row> rows, Flow flow, int hot, int ret) {
        n = rows.size();
        from = new int[n];
        to = new int[n];
        uprights = new int[n][];
        Map<Integer, Integer> rowsAt = new HashMap<>();
        rows.forEach(r -> r.nets().forEach(net -> rowsAt.merge(net, 1, Integer::sum)));
        Map<Integer, Integer> index = new HashMap<>();
        Map<String, Integer> rowOfLoad = new HashMap<>();
        for (int i = 0; i < n; i++) {
            Rungs.Row row = rows.get(i);
            from[i] = flow.levelOf(row.first());
            to[i] = flow.levelOf(row.last());
            uprights[i] = row.nets().stream()
                    .filter(net -> net != hot && net != ret && rowsAt.get(net) > 1)
                    .mapToInt(net -> index.computeIfAbsent(net, x -> index.size()))
                    .toArray();
            for (Branch b : row.branches()) {
                if (b.role().consumes()) {
                    Integer earlier = rowOfLoad.put(b.owner(), i);
                    if (earlier != null && earlier != i) {
                        together.add(new int[] {earlier, i});
                    }
                }
            }
        }
        levelOf = new int[index.size()];
        index.forEach((net, i) -> levelOf[i] = flow.levelOf(net));
        low = new int[levelOf.length];
        high = new int[levelOf.length];
    }

    static List<Rungs.Row> best(List<Rungs.Row> rows, Flow flow, int hot, int ret) {
        if (rows.size() < 3) {
            return rows;
        }
        RowOrder order = new RowOrder(rows, flow, hot, ret);
        List<Rungs.Row> best = new ArrayList<>();
        for (int i : order.sifted()) {
            best.add(rows.get(i));
        }
        return best;
    }

    private int[] sifted() {
        int[] order = new int[n];
        for (int i = 0; i < n; i++) {
            order[i] = i;
        }
        long cost = cost(order);
        boolean better = true;
        while (better && steps < MOST_STEPS) {
            better = false;
            for (int row = 0; row < n && steps < MOST_STEPS; row++) {
                Budget.check();
                int at = indexOf(order, row);
                int[] best = order;
                for (int to = 0; to < n; to++) {
                    int[] tried = moved(order, at, to);
                    long c = to == at ? cost : cost(tried);
                    if (c < cost) {
                        cost = c;
                        best = tried;
                        better = true;
                    }
                }
                order = best;
            }
        }
        return order;
    }

    private static int indexOf(int[] order, int row) {
        for (int i = 0; i < order.length; i++) {
            if (order[i] == row) {
                return i;
            }
        }
        throw new IllegalStateException("no row " + row);
    }

    private static int[] moved(int[] order, int at, int to) {
        int[] moved = order.clone();
        int row = moved[at];
        if (at < to) {
            System.arraycopy(order, at + 1, moved, at, to - at);
        } else {
            System.arraycopy(order, to, moved, to + 1, at - to);
        }
        moved[to] = row;
        return moved;
    }

    private long cost(int[] order) {
        Arrays.fill(low, Integer.MAX_VALUE);
        Arrays.fill(high, -1);
        int[] at = new int[n];
        for (int i = 0; i < n; i++) {
            at[order[i]] = i;
            for (int net : uprights[order[i]]) {
                low[net] = Math.min(low[net], i);
                high[net] = i;
            }
        }
        long sum = ABOVE_THE_FIRST * at[0];
        for (int net = 0; net < levelOf.length; net++) {
            sum += UPRIGHT * (high[net] - low[net]);
            for (int i = low[net] + 1; i < high[net]; i++) {
                int row = order[i];
                if (from[row] < levelOf[net] && levelOf[net] < to[row] && !holds(row, net)) {
                    sum += CROSSING;
                }
            }
            steps += high[net] - low[net] + 1;
        }
        for (int[] pair : together) {
            sum += OF_ONE_PART * (Math.abs(at[pair[0]] - at[pair[1]]) - 1);
        }
        return sum;
    }

    private boolean holds(int row, int net) {
        for (int own : uprights[row]) {
            if (own == net) {
                return true;
            }
        }
        return false;
    }
}
