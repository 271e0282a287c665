package org.jagridge.core.network;

import org.ejml.data.ZMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_ZDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;

/** Dense LU with pivoting by EJML: slow, but sure. */
final class DenseFactor {
    private final LinearSolverDense<ZMatrixRMaj> solver;
    private final int n;

    /**
     * Factors {@code y}, which is overwritten.
     *
     * @throws SingularNetworkException where the matrix has no inverse
     */
    DenseFactor(ZMatrixRMaj y) {
        n = y.getNumRows();
        solver = LinearSolverFactory_ZDRM.lu(n);
        if (!solver.setA(y)) {
            throw new SingularNetworkException(0);
        }
    }

    /** Replaces the right-hand side (amps) by the solution (volts). */
    void solve(double[] re, double[] im) {
        ZMatrixRMaj b = new ZMatrixRMaj(n, 1);
        ZMatrixRMaj x = new ZMatrixRMaj(n, 1);
        for (int i = 0; i < n; i++) {
            b.set(i, 0, re[i], im[i]);
        }
        solver.solve(b, x);
        for (int i = 0; i < n; i++) {
            re[i] = x.getReal(i, 0);
            im[i] = x.getImag(i, 0);
            if (!Double.isFinite(re[i]) || !Double.isFinite(im[i])) {
                throw new SingularNetworkException(i);
            }
        }
    }
}
