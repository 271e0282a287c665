package org.jagridge.benchmarks;

import java.util.concurrent.TimeUnit;
import org.ejml.data.ZMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_ZDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Refactor and solve: ours against the library's dense complex LU, on the same matrices. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class SolverBenchmark {
    /** More states than the solver caches, so that every solve is a new factorisation. */
    private static final int STATES = 1024;

    @Param({"120", "400"})
    public int nodes;

    private Ladders ladders;
    private Solver solver;
    private ZMatrixRMaj[] matrices;
    private LinearSolverDense<ZMatrixRMaj> lu;
    private ZMatrixRMaj rightSide;
    private ZMatrixRMaj x;
    private int next;

    @Setup
    public void setUp() {
        ladders = new Ladders(nodes, STATES);
        solver = new Solver(ladders.network);
        matrices = new ZMatrixRMaj[8];
        for (int i = 0; i < matrices.length; i++) {
            matrices[i] = ladders.dense(i);
        }
        int n = ladders.network.nodes();
        lu = LinearSolverFactory_ZDRM.lu(n);
        rightSide = new ZMatrixRMaj(n, 1);
        rightSide.set(0, 0, 15.6, 0);
        rightSide.set(1, 0, -15.6, 0);
        x = new ZMatrixRMaj(n, 1);
    }

    @Benchmark
    public Solution sparse() {
        next = (next + 1) % STATES;
        return solver.solve(ladders.states[next]);
    }

    @Benchmark
    public ZMatrixRMaj denseLibrary() {
        next = (next + 1) % matrices.length;
        lu.setA(matrices[next].copy());
        lu.solve(rightSide.copy(), x);
        return x;
    }
}
