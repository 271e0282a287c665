package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Where a drawing is cut so that each strip fits on paper: through as little as can be, with a strip of paper that both
 * neighbours show. Found by dynamic programming over the places where a cut can be.
 */
final class Cuts {
    /** What both neighbours show, in units of the drawing. */
    static final double OVERLAP = 24;

    private static final double GRID = 4;
    /** A cut through a box is worse than one through any number of lines. */
    static final double BOX = 1000;
    /** What a step away from strips of the same length costs. */
    private static final double UNEVEN = 0.005;

    private final double length;
    private final double most;
    private final double[] through;

    private Cuts(double length, double most, List<Span> spans) {
        this.length = length;
        this.most = most;
        through = new double[(int) (length / GRID) + 1];
        for (Span s : spans) {
            for (int i = Math.max(0, (int) (s.from / GRID)); i < through.length && i * GRID < s.to; i++) {
                through[i] += i * GRID > s.from ? s.weight : 0;
            }
        }
    }

    /** What lies across a range, and how bad it is to cut it. */
    record Span(double from, double to, double weight) {
        /** A box, which is whole where either neighbour shows all of it. */
        static Span box(double from, double to, double weight) {
            return new Span(from + OVERLAP / 2, to - OVERLAP / 2, weight);
        }
    }

    /** Start and length of strips of at most {@code most}: as few as can be, or one more where that cuts no box. */
    static List<double[]> strips(double length, double most, List<Span> spans) {
        if (length <= most) {
            return List.<double[]>of(new double[] {0, length});
        }
        Cuts cuts = new Cuts(length, most, spans);
        int least = (int) Math.ceil((length - OVERLAP) / (most - OVERLAP));
        double[] few = cuts.at(least - 1);
        double[] more = few == null || cuts.cost(few) >= BOX ? cuts.at(least) : few;
        return cuts.strips(few == null || (more != null && cuts.cost(more) < BOX) ? more : few);
    }

    private double cost(double[] cuts) {
        return Arrays.stream(cuts).map(c -> through[(int) Math.round(c / GRID)]).sum();
    }

    /** The cheapest so many cuts; null where strips would be too long on the grid. */
    private double[] at(int count) {
        int n = through.length;
        double[][] best = new double[count][n];
        int[][] before = new int[count][n];
        for (int k = 0; k < count; k++) {
            Arrays.fill(best[k], Double.MAX_VALUE);
            double even = (k + 1) * length / (count + 1);
            for (int i = 1; i < n; i++) {
                double at = i * GRID;
                double here = through[i] + UNEVEN * Math.abs(at - even) / GRID;
                for (int j = k == 0 ? 0 : i - 1; j >= 0 && fits(k == 0 ? 0 : j * GRID - OVERLAP / 2, at); j--) {
                    double sum = here + (k == 0 ? 0 : best[k - 1][j]);
                    if (sum < best[k][i]) {
                        best[k][i] = sum;
                        before[k][i] = j;
                    }
                    if (k == 0) {
                        break;
                    }
                }
            }
        }
        int last = -1;
        for (int i = n - 1; i > 0 && length - (i * GRID - OVERLAP / 2) <= most; i--) {
            last = last < 0 || best[count - 1][i] < best[count - 1][last] ? i : last;
        }
        if (last < 0 || best[count - 1][last] == Double.MAX_VALUE) {
            return null;
        }
        double[] cuts = new double[count];
        for (int k = count - 1; k >= 0; k--) {
            cuts[k] = last * GRID;
            last = before[k][last];
        }
        return cuts;
    }

    private boolean fits(double start, double cut) {
        return cut + OVERLAP / 2 - start <= most;
    }

    private List<double[]> strips(double[] cuts) {
        List<double[]> strips = new ArrayList<>();
        double start = 0;
        for (double cut : cuts) {
            strips.add(new double[] {start, cut + OVERLAP / 2 - start});
            start = cut - OVERLAP / 2;
        }
        strips.add(new double[] {start, length - start});
        return strips;
    }
}
