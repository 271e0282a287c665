package org.jagridge.core.network;

import java.util.Arrays;
import org.ejml.data.ZMatrixRMaj;

/**
 * Y = L·D·Lᵀ for a complex symmetric Y: the numbers, as often as wanted, over a {@link SparsePattern} found once.
 *
 * <p>The method is the up-looking one of T. A. Davis, "Algorithm 849: a concise sparse Cholesky factorization
 * package", ACM Transactions on Mathematical Software 31 (2005), 587–591, with two changes: the numbers are complex
 * (but the transpose is plain, not conjugate), and the pattern of each row of L is stored, since here the structure
 * outlives thousands of numeric factorisations.
 */
final class SparseFactor {
    /** Pivots under this many mhos are not trusted; the smallest true one is an island's leak, 1 nS. */
    private static final double LEAST_PIVOT = 1e-12;

    private final SparsePattern pattern;
    private final Network network;
    private final int n;
    private final int[] order;
    private final int[] colStart;
    private final int[] rowIndex;
    private final int[] rowStart;
    private final int[] rowCols;
    private final int[] lStart;
    private final double[] aRe;
    private final double[] aIm;
    private final double[] diagRe;
    private final double[] diagIm;
    private final int[] lRow;
    private final double[] lRe;
    private final double[] lIm;
    private final double[] dRe;
    private final double[] dIm;
    private final int[] filled;
    private final double[] workRe;
    private final double[] workIm;

    SparseFactor(Network network) {
        this.network = network;
        pattern = network.pattern();
        n = pattern.n;
        order = pattern.order;
        colStart = pattern.colStart;
        rowIndex = pattern.rowIndex;
        rowStart = pattern.rowStart;
        rowCols = pattern.rowCols;
        lStart = pattern.lStart;
        aRe = new double[rowIndex.length];
        aIm = new double[rowIndex.length];
        diagRe = new double[n];
        diagIm = new double[n];
        lRow = new int[lStart[n]];
        lRe = new double[lStart[n]];
        lIm = new double[lStart[n]];
        dRe = new double[n];
        dIm = new double[n];
        filled = new int[n];
        workRe = new double[n];
        workIm = new double[n];
    }

    /** Fills Y from the branches' values. */
    void assemble(Values values) {
        Arrays.fill(aRe, 0);
        Arrays.fill(aIm, 0);
        Arrays.fill(diagRe, 0);
        Arrays.fill(diagIm, 0);
        for (int b = 0; b < pattern.branchEntry.length; b++) {
            double re = values.yRe[b];
            double im = values.yIm[b];
            if (re == 0 && im == 0) {
                continue;
            }
            int i = pattern.ranked(network.from(b));
            int j = pattern.ranked(network.to(b));
            if (i == j) {
                continue;
            }
            if (i >= 0) {
                diagRe[i] += re;
                diagIm[i] += im;
            }
            if (j >= 0) {
                diagRe[j] += re;
                diagIm[j] += im;
            }
            if (pattern.branchEntry[b] >= 0) {
                aRe[pattern.branchEntry[b]] -= re;
                aIm[pattern.branchEntry[b]] -= im;
            }
        }
        for (int c = 0; c < network.couplings(); c++) {
            for (int e = 0; e < 4; e++) {
                double m = e == 0 || e == 3 ? values.mRe[c] : -values.mRe[c];
                int i = pattern.ranked(pattern.couplingNode(c, e, true));
                int j = pattern.ranked(pattern.couplingNode(c, e, false));
                if (i < 0 || j < 0) {
                    continue;
                }
                if (i == j) {
                    // both windings share this terminal, as in an autotransformer
                    diagRe[i] += 2 * m;
                } else {
                    aRe[pattern.couplingEntry[4 * c + e]] += m;
                }
            }
        }
    }

    void addToDiagonal(int node, double mhos) {
        diagRe[pattern.rank[node]] += mhos;
    }

    /** Computes L and D; false where a pivot is too small to trust. */
    boolean factor() {
        Arrays.fill(filled, 0);
        for (int k = 0; k < n; k++) {
            for (int p = colStart[k]; p < colStart[k + 1]; p++) {
                workRe[rowIndex[p]] = aRe[p];
                workIm[rowIndex[p]] = aIm[p];
            }
            double pivotRe = diagRe[k];
            double pivotIm = diagIm[k];
            for (int q = rowStart[k]; q < rowStart[k + 1]; q++) {
                int i = rowCols[q];
                double yRe = workRe[i];
                double yIm = workIm[i];
                workRe[i] = 0;
                workIm[i] = 0;
                int begin = lStart[i];
                int end = begin + filled[i];
                double l0 = 0;
                double l1 = 0;
                if (yRe != 0 || yIm != 0) {
                    for (int p = begin; p < end; p++) {
                        int row = lRow[p];
                        workRe[row] -= lRe[p] * yRe - lIm[p] * yIm;
                        workIm[row] -= lRe[p] * yIm + lIm[p] * yRe;
                    }
                    double square = dRe[i] * dRe[i] + dIm[i] * dIm[i];
                    l0 = (yRe * dRe[i] + yIm * dIm[i]) / square;
                    l1 = (yIm * dRe[i] - yRe * dIm[i]) / square;
                    pivotRe -= l0 * yRe - l1 * yIm;
                    pivotIm -= l0 * yIm + l1 * yRe;
                }
                lRow[end] = k;
                lRe[end] = l0;
                lIm[end] = l1;
                filled[i]++;
            }
            if (!(pivotRe * pivotRe + pivotIm * pivotIm > LEAST_PIVOT * LEAST_PIVOT)) {
                Arrays.fill(workRe, 0);
                Arrays.fill(workIm, 0);
                return false;
            }
            dRe[k] = pivotRe;
            dIm[k] = pivotIm;
        }
        return true;
    }

    /** Replaces the right-hand side (amps into each node) by the solution (volts). Lengths: nodes. */
    void solve(double[] re, double[] im) {
        double[] xRe = new double[n];
        double[] xIm = new double[n];
        for (int k = 0; k < n; k++) {
            xRe[k] = re[order[k]];
            xIm[k] = im[order[k]];
        }
        for (int i = 0; i < n; i++) {
            double vRe = xRe[i];
            double vIm = xIm[i];
            if (vRe == 0 && vIm == 0) {
                continue;
            }
            int end = lStart[i + 1];
            for (int p = lStart[i]; p < end; p++) {
                int row = lRow[p];
                xRe[row] -= lRe[p] * vRe - lIm[p] * vIm;
                xIm[row] -= lRe[p] * vIm + lIm[p] * vRe;
            }
        }
        for (int i = 0; i < n; i++) {
            double square = dRe[i] * dRe[i] + dIm[i] * dIm[i];
            double r = (xRe[i] * dRe[i] + xIm[i] * dIm[i]) / square;
            xIm[i] = (xIm[i] * dRe[i] - xRe[i] * dIm[i]) / square;
            xRe[i] = r;
        }
        for (int i = n - 1; i >= 0; i--) {
            double vRe = xRe[i];
            double vIm = xIm[i];
            int end = lStart[i + 1];
            for (int p = lStart[i]; p < end; p++) {
                int row = lRow[p];
                vRe -= lRe[p] * xRe[row] - lIm[p] * xIm[row];
                vIm -= lRe[p] * xIm[row] + lIm[p] * xRe[row];
            }
            xRe[i] = vRe;
            xIm[i] = vIm;
        }
        for (int k = 0; k < n; k++) {
            re[order[k]] = xRe[k];
            im[order[k]] = xIm[k];
        }
    }

    /** The assembled Y in the order of nodes, for the dense fallback. */
    ZMatrixRMaj matrix() {
        ZMatrixRMaj full = new ZMatrixRMaj(n, n);
        for (int k = 0; k < n; k++) {
            full.set(order[k], order[k], diagRe[k], diagIm[k]);
            for (int p = colStart[k]; p < colStart[k + 1]; p++) {
                full.set(order[rowIndex[p]], order[k], aRe[p], aIm[p]);
                full.set(order[k], order[rowIndex[p]], aRe[p], aIm[p]);
            }
        }
        return full;
    }
}
