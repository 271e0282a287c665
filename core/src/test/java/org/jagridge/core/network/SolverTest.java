package org.jagridge.core.network;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Random;
import org.ejml.data.ZMatrixRMaj;
import org.ejml.dense.row.CommonOps_ZDRM;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The sparse solver against the laws of circuits and against a dense library. */
public class SolverTest {
    /** A random network: a tree with bridges, a few sources, contacts open and closed, transformers. */
    private static final class RandomCase {
        final Network network;
        final Values values;

        RandomCase(long seed, int nodes) {
            Random random = new Random(seed);
            Network.Builder b = Network.builder();
            for (int i = 0; i < nodes; i++) {
                b.node();
            }
            for (int i = 1; i < nodes; i++) {
                b.branch(random.nextInt(i), i);
            }
            for (int i = 0; i < nodes / 4; i++) {
                b.branch(random.nextInt(nodes), random.nextInt(nodes));
            }
            b.branch(0, Network.EARTH);
            int primary = b.branch(1, 2);
            // every third is an autotransformer: its windings share a terminal
            int secondary = b.branch(seed % 3 == 0 ? 1 : nodes - 1, nodes - 2);
            b.coupling(primary, secondary);
            network = b.build();
            values = new Values(network);
            for (int i = 0; i < network.branches(); i++) {
                // from an open contact over a coil to a closed contact
                double kind = random.nextDouble();
                double ohms = kind < 0.5 ? 0.005 : 5 + 200 * random.nextDouble();
                if (random.nextDouble() > 0.15) {
                    values.admittance(i, 1 / ohms, kind < 0.5 ? 0 : -0.3 / ohms);
                }
                // a source drives its own branch's admittance; in an open branch it would drive the leaks
                if (random.nextDouble() < 0.05 && values.conducts(i)) {
                    values.source(i, 10 * random.nextDouble(), random.nextDouble());
                }
            }
            values.admittance(primary, 0.03, 0);
            values.admittance(secondary, 0.6, 0);
            values.mutual(0, -0.13);
        }
    }

    @DataProvider
    public Object[][] seeds() {
        Object[][] seeds = new Object[60][];
        for (int i = 0; i < seeds.length; i++) {
            seeds[i] = new Object[] {(long) i, 6 + 3 * i};
        }
        return seeds;
    }

    @Test(dataProvider = "seeds")
    public void currentsIntoEveryNodeSumToZero(long seed, int nodes) {
        RandomCase c = new RandomCase(seed, nodes);
        Solution s = new Solver(c.network).solve(c.values);
        double[] re = new double[nodes];
        double most = 1;
        for (int b = 0; b < c.network.branches(); b++) {
            Complex amps = s.amps(b);
            most = Math.max(most, amps.abs());
            if (c.network.from(b) >= 0) {
                re[c.network.from(b)] -= amps.re();
            }
            if (c.network.to(b) >= 0) {
                re[c.network.to(b)] += amps.re();
            }
        }
        for (int i = 0; i < nodes; i++) {
            // what is left may only be an island's leak
            double leak = Solver.ISLAND_LEAK * s.volts(i, Network.EARTH).abs();
            assertEquals(re[i], 0, 1e-7 * most + leak, "node " + i);
        }
    }

    @Test(dataProvider = "seeds")
    public void powerGivenIsPowerTaken(long seed, int nodes) {
        RandomCase c = new RandomCase(seed, nodes);
        Solution s = new Solver(c.network).solve(c.values);
        double balance = 0;
        double most = 1;
        for (int b = 0; b < c.network.branches(); b++) {
            Complex power = s.branchVolts(b).times(s.amps(b).conjugate());
            balance += power.re();
            most = Math.max(most, Math.abs(power.re()));
        }
        assertEquals(balance, 0, 1e-6 * most);
    }

    @Test(dataProvider = "seeds")
    public void branchVoltsAgreeWithDenseLu(long seed, int nodes) {
        RandomCase c = new RandomCase(seed, nodes);
        Solution s = new Solver(c.network).solve(c.values);
        ZMatrixRMaj x = dense(c);
        double scale = 1;
        for (int b = 0; b < c.network.branches(); b++) {
            scale = Math.max(scale, s.branchMagnitude(b));
        }
        for (int b = 0; b < c.network.branches(); b++) {
            int from = c.network.from(b);
            int to = c.network.to(b);
            if (!c.values.conducts(b)) {
                // across an open branch stand the volts between two islands, and those hang on their leaks alone
                continue;
            }
            double re = real(x, from) - real(x, to);
            double im = imaginary(x, from) - imaginary(x, to);
            assertEquals(s.branchVolts(b).re(), re, 1e-7 * scale, "branch " + b);
            assertEquals(s.branchVolts(b).im(), im, 1e-7 * scale, "branch " + b);
        }
    }

    private static double real(ZMatrixRMaj x, int node) {
        return node < 0 ? 0 : x.getReal(node, 0);
    }

    private static double imaginary(ZMatrixRMaj x, int node) {
        return node < 0 ? 0 : x.getImag(node, 0);
    }

    /** The same equations, built by hand and solved by EJML. */
    private static ZMatrixRMaj dense(RandomCase c) {
        int n = c.network.nodes();
        ZMatrixRMaj y = matrix(c);
        ZMatrixRMaj i = new ZMatrixRMaj(n, 1);
        for (int b = 0; b < c.network.branches(); b++) {
            Complex amps = new Complex(c.values.jRe[b], c.values.jIm[b]);
            add(i, c.network.from(b), 0, amps, 1);
            add(i, c.network.to(b), 0, amps, -1);
        }
        new Islands(c.network)
                .forEachLeak(c.network, c.values, node -> add(y, node, node, Complex.real(Solver.ISLAND_LEAK), 1));
        ZMatrixRMaj x = new ZMatrixRMaj(n, 1);
        assertTrue(CommonOps_ZDRM.solve(y, i, x));
        return x;
    }

    /** The nodal admittances, without the leaks. */
    private static ZMatrixRMaj matrix(RandomCase c) {
        int n = c.network.nodes();
        ZMatrixRMaj y = new ZMatrixRMaj(n, n);
        for (int b = 0; b < c.network.branches(); b++) {
            int from = c.network.from(b);
            int to = c.network.to(b);
            if (from == to) {
                continue;
            }
            Complex g = c.values.admittance(b);
            add(y, from, from, g, 1);
            add(y, to, to, g, 1);
            add(y, from, to, g, -1);
            add(y, to, from, g, -1);
        }
        int p = c.network.primary(0);
        int s = c.network.secondary(0);
        Complex m = Complex.real(c.values.mRe[0]);
        int[] ps = {c.network.from(p), c.network.to(p)};
        int[] ss = {c.network.from(s), c.network.to(s)};
        for (int a = 0; a < 2; a++) {
            for (int b = 0; b < 2; b++) {
                add(y, ps[a], ss[b], m, a == b ? 1 : -1);
                add(y, ss[b], ps[a], m, a == b ? 1 : -1);
            }
        }
        return y;
    }

    private static void add(ZMatrixRMaj m, int row, int col, Complex value, double factor) {
        if (row >= 0 && col >= 0) {
            m.set(row, col, m.getReal(row, col) + factor * value.re(), m.getImag(row, col) + factor * value.im());
        }
    }

    @Test(dataProvider = "seeds")
    public void aMeterReadsWhatABranchInItsPlaceWouldHave(long seed, int nodes) {
        RandomCase c = new RandomCase(seed, nodes);
        // a source of 24 V behind 2 Ω between two points that a meter is put across, so that there is something to read
        c.values.admittance(0, 0.5, 0);
        c.values.source(0, 12, 0);
        int plus = c.network.from(0);
        int minus = c.network.to(0);
        Solver solver = new Solver(c.network);
        Solution open = solver.solve(c.values);
        double loaded = solver.loadedVolts(open, plus, minus, 1 / 30.0).abs();
        double alone = open.volts(plus, minus).abs();
        assertTrue(loaded > 1e-3, "nothing to read: " + loaded);
        assertTrue(loaded < alone * (1 - 1e-6), "a meter of 30 Ω loads what it reads: " + loaded + " of " + alone);

        Network.Builder b = Network.builder();
        for (int i = 0; i < c.network.nodes(); i++) {
            b.node();
        }
        for (int i = 0; i < c.network.branches(); i++) {
            b.branch(c.network.from(i), c.network.to(i));
        }
        b.coupling(c.network.primary(0), c.network.secondary(0));
        int meter = b.branch(plus, minus);
        Network with = b.build();
        Values values = new Values(with);
        for (int i = 0; i < c.network.branches(); i++) {
            values.admittance(i, c.values.yRe[i], c.values.yIm[i]);
            values.source(i, c.values.jRe[i], c.values.jIm[i]);
        }
        values.mutual(0, c.values.mRe[0]);
        values.admittance(meter, 1 / 30.0, 0);
        assertEquals(loaded, new Solver(with).solve(values).branchMagnitude(meter), 1e-6 * (1 + loaded));
    }

    @Test
    public void oneBranchChangedIsSolvedAsIfAnew() {
        int updates = 0;
        for (int seed = 0; seed < 60; seed++) {
            RandomCase c = new RandomCase(seed, 6 + 3 * seed);
            Random random = new Random(seed);
            Solver solver = new Solver(c.network);
            for (int change = 0; change < 12; change++) {
                Solution near = solver.solve(c.values);
                int branch = random.nextInt(c.network.branches() - 2);
                double[] mhos = {0, 200, 0.01, 10};
                c.values.source(branch, 0, 0);
                c.values.admittance(branch, mhos[random.nextInt(mhos.length)], 0);
                long before = solver.factorisations();
                Solution now = solver.solveNear(near, c.values);
                updates += solver.factorisations() == before ? 1 : 0;
                Solution anew = new Solver(c.network).solve(c.values);
                sameInBranches(c, now, anew, "seed " + seed + ", branch " + branch);
            }
        }
        assertTrue(updates > 60, "only " + updates + " solutions were updates");
    }

    private static void sameInBranches(RandomCase c, Solution now, Solution anew, String where) {
        double volts = 1;
        double amps = 1;
        for (int b = 0; b < c.network.branches(); b++) {
            volts = Math.max(volts, anew.branchMagnitude(b));
            amps = Math.max(amps, anew.amps(b).abs());
        }
        for (int b = 0; b < c.network.branches(); b++) {
            if (c.values.conducts(b)) {
                assertEquals(now.branchVolts(b).re(), anew.branchVolts(b).re(), 1e-9 * volts, where);
                assertEquals(now.branchVolts(b).im(), anew.branchVolts(b).im(), 1e-9 * volts, where);
                assertEquals(now.amps(b).abs(), anew.amps(b).abs(), 1e-6 * amps, where);
            }
        }
    }

    @Test
    public void anIslandWithoutEarthIsStillSolved() {
        Network.Builder b = Network.builder();
        int plus = b.node();
        int minus = b.node();
        int source = b.branch(plus, minus);
        b.returnPole(minus);
        Network network = b.build();
        Values values = new Values(network);
        values.admittance(source, 2, 0);
        values.source(source, 48, 0);
        Solver solver = new Solver(network);
        Solution s = solver.solve(values);
        assertEquals(s.volts(plus, minus).re(), 24, 1e-9);
        assertEquals(s.volts(minus, Network.EARTH).re(), 0, 1e-9);
        assertEquals(solver.denseFallbacks(), 0);
    }

    @Test(dataProvider = "seeds")
    public void theMatrixHandedToTheDenseSolverIsTheSame(long seed, int nodes) {
        RandomCase c = new RandomCase(seed, nodes);
        SparseFactor factor = new SparseFactor(c.network);
        factor.assemble(c.values);
        ZMatrixRMaj found = factor.matrix();
        ZMatrixRMaj hand = matrix(c);
        for (int i = 0; i < nodes; i++) {
            for (int j = 0; j < nodes; j++) {
                assertEquals(found.getReal(i, j), hand.getReal(i, j), 1e-9, i + ", " + j);
                assertEquals(found.getImag(i, j), hand.getImag(i, j), 1e-9, i + ", " + j);
            }
        }
    }

    @Test
    public void theOrderOfEliminationIsTheOneFoundByCounting() {
        for (int seed = 0; seed < 20; seed++) {
            RandomCase c = new RandomCase(seed, 6 + 3 * seed);
            int n = c.network.nodes();
            boolean[][] near = new boolean[n][n];
            for (int b = 0; b < c.network.branches(); b++) {
                beside(near, c.network.from(b), c.network.to(b));
            }
            int[] p = {c.network.from(c.network.primary(0)), c.network.to(c.network.primary(0))};
            int[] s = {c.network.from(c.network.secondary(0)), c.network.to(c.network.secondary(0))};
            for (int i = 0; i < 4; i++) {
                beside(near, p[i / 2], s[i % 2]);
            }
            boolean[] gone = new boolean[n];
            for (int node : EliminationOrder.leastDegree(c.network)) {
                int least = -1;
                for (int i = n - 1; i >= 0; i--) {
                    if (!gone[i] && (least < 0 || degree(near[i], gone) <= degree(near[least], gone))) {
                        least = i;
                    }
                }
                assertEquals(node, least);
                gone[node] = true;
                for (int i = 0; i < n; i++) {
                    for (int j = 0; j < n; j++) {
                        if (near[node][i] && near[node][j]) {
                            beside(near, i, j);
                        }
                    }
                }
            }
        }
    }

    private static void beside(boolean[][] near, int a, int b) {
        if (a >= 0 && b >= 0 && a != b) {
            near[a][b] = true;
            near[b][a] = true;
        }
    }

    private static int degree(boolean[] near, boolean[] gone) {
        int degree = 0;
        for (int i = 0; i < near.length; i++) {
            degree += near[i] && !gone[i] ? 1 : 0;
        }
        return degree;
    }

    @Test
    public void whatWasFactoredSinceDoesNoHarm() {
        RandomCase c = new RandomCase(4, 18);
        Solver solver = new Solver(c.network);
        Solution first = solver.solve(c.values);
        double ohms = solver.impedance(first, 0, 5).abs();
        c.values.admittance(3, 0.2, 0.1);
        c.values.admittance(6, 0.7, 0);
        Values later = c.values.copy();
        solver.solve(later);
        assertEquals(solver.impedance(first, 0, 5).abs(), ohms, 1e-9 * ohms);

        Values near = first.values().copy();
        near.admittance(5, 3, 0);
        solver.solve(later.copy());
        solver.factorisations();
        solver.impedance(solver.solve(later), 0, 1);
        sameInBranches(c, solver.solveNear(first, near), new Solver(c.network).solve(near), "after another");
    }

    @Test
    public void onlyOneChangeIsAnUpdate() {
        RandomCase c = new RandomCase(4, 18);
        Solver solver = new Solver(c.network);
        Solution first = solver.solve(c.values);
        long before = solver.factorisations();
        assertTrue(solver.solveNear(first, c.values.copy()) == first, "nothing changed");
        Values one = c.values.copy();
        one.admittance(0, 3, 0.5);
        solver.solveNear(first, one);
        assertEquals(solver.factorisations(), before);
        one.admittance(4, 1, -0.25);
        sameInBranches(c, solver.solveNear(first, one), new Solver(c.network).solve(one), "two branches");
        assertEquals(solver.factorisations(), before + 1);
        Values coupled = c.values.copy();
        coupled.mutual(0, -0.1);
        coupled.admittance(4, 1, -0.25);
        sameInBranches(c, solver.solveNear(first, coupled), new Solver(c.network).solve(coupled), "and the coupling");
        assertEquals(solver.factorisations(), before + 2);
    }

    @Test
    public void statesThatComeBackAreNotSolvedAgain() {
        RandomCase c = new RandomCase(7, 30);
        Solver solver = new Solver(c.network);
        Solution first = solver.solve(c.values);
        c.values.admittance(0, 0, 0);
        solver.solve(c.values);
        c.values.admittance(
                0,
                first.values().admittance(0).re(),
                first.values().admittance(0).im());
        assertTrue(solver.solve(c.values) == first);
        assertEquals(solver.factorisations(), 2);
    }
}
