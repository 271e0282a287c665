package org.jagridge.core.network;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.IntStream;
import org.jagridge.core.budget.Budget;

/**
 * Solves Y·v = i for one network, again and again with other values.
 *
 * <p>Call order: construct once a network, then {@link #solve} for every state; {@link #loadedVolts} answers what a
 * meter reads that itself draws current. Solutions are cached by their values, because the states of a circuit come
 * back. Not safe for use by several threads at once.
 *
 * <p>Y is n × n, complex symmetric, in mhos, n = nodes without earth. Values handed in are never modified.
 */
public final class Solver {
    /** Conductance from an island without an earth bond to earth, mhos. */
    public static final double ISLAND_LEAK = 1e-9;

    private static final int CACHE = 512;
    /** Updates whose divisor is smaller than this would lose more than three of a double's sixteen figures. */
    private static final double LEAST_DIVISOR = 1e-3;

    private final Network network;
    private final Islands islands;
    private final SparseFactor factor;
    private final int[] couplingOf;
    private final Map<Values, Solution> cache = new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Values, Solution> eldest) {
            return size() > CACHE;
        }
    };
    private Values factored;
    private Values lastKept;
    private DenseFactor dense;
    private long denseFallbacks;
    private long factorisations;

    public Solver(Network network) {
        this.network = network;
        islands = new Islands(network);
        factor = new SparseFactor(network);
        couplingOf = new int[network.branches()];
        Arrays.fill(couplingOf, -1);
        for (int c = 0; c < network.couplings(); c++) {
            couplingOf[network.primary(c)] = c;
            couplingOf[network.secondary(c)] = c;
        }
    }

    /** How often the sparse factorisation had to give way to the dense one. */
    public long denseFallbacks() {
        return denseFallbacks;
    }

    /** How often a matrix was factored, cached solutions not counted. */
    public long factorisations() {
        return factorisations;
    }

    /**
     * The solution for {@code values}.
     *
     * @throws SingularNetworkException where there is no unique one
     */
    public Solution solve(Values values) {
        Solution known = cache.get(values);
        if (known != null) {
            return known;
        }
        Budget.check();
        Values kept = kept(values);
        factor(kept);
        double[] re = new double[network.nodes()];
        double[] im = new double[network.nodes()];
        fromSources(kept, re, im);
        Solution solution = new Solution(network, kept, re, im, couplingOf);
        cache.put(kept, solution);
        return solution;
    }

    /**
     * The solution for {@code values}, found from that of nearby ones. Where the two differ in the admittance of one
     * branch only, no matrix is factored: with Δy between the nodes a and b, v = v₀ − x·Δy·v₀(ab)/(1 + Δy·x(ab)), where x
     * are the volts that one amp from b to a makes in the network of {@code near} (J. Sherman and W. J. Morrison,
     * "Adjustment of an inverse matrix corresponding to a change in one element of a given matrix", Annals of
     * Mathematical Statistics 21 (1950), 124–127). Else it is {@link #solve}. A run keeps to that one, so that its
     * figures don't depend on what was solved before.
     */
    public Solution solveNear(Solution near, Values values) {
        Budget.check();
        int branch = onlyChange(near.values(), values);
        if (branch < 0) {
            return solve(values);
        }
        factorFor(near);
        double[] toRe = new double[network.nodes()];
        double[] toIm = new double[network.nodes()];
        inject(toRe, network.from(branch), 1);
        inject(toRe, network.to(branch), -1);
        backSolve(toRe, toIm);
        Complex delta = values.admittance(branch).minus(near.values().admittance(branch));
        Complex divisor = delta.times(across(toRe, toIm, branch)).plus(Complex.real(1));
        if (divisor.abs() < LEAST_DIVISOR) {
            return solve(values);
        }
        Values kept = kept(values);
        double[] re = new double[network.nodes()];
        double[] im = new double[network.nodes()];
        fromSources(kept, re, im);
        Complex k = delta.times(across(re, im, branch)).over(divisor);
        for (int i = 0; i < re.length; i++) {
            re[i] -= toRe[i] * k.re() - toIm[i] * k.im();
            im[i] -= toRe[i] * k.im() + toIm[i] * k.re();
        }
        return new Solution(network, kept, re, im, couplingOf);
    }

    private Values kept(Values values) {
        Values like = lastKept != null ? lastKept : network.lastKept().get();
        lastKept = like == null ? values.copy() : values.kept(like);
        network.lastKept().set(lastKept);
        return lastKept;
    }

    /** The one branch in whose admittance two sets of values differ while the leaks are the same, or −1. */
    private int onlyChange(Values near, Values values) {
        if (!Arrays.equals(values.mRe, near.mRe)) {
            return -1;
        }
        int changed = -1;
        for (int b = 0; b < network.branches(); b++) {
            if (values.yRe[b] != near.yRe[b] || values.yIm[b] != near.yIm[b]) {
                if (changed >= 0) {
                    return -1;
                }
                changed = b;
            }
        }
        boolean mayJoin = changed >= 0 && values.conducts(changed) != near.conducts(changed);
        return mayJoin && !Arrays.equals(leaks(near), leaks(values)) ? -1 : changed;
    }

    private int[] leaks(Values values) {
        IntStream.Builder nodes = IntStream.builder();
        islands.forEachLeak(network, values, nodes::add);
        return nodes.build().toArray();
    }

    private Complex across(double[] re, double[] im, int branch) {
        return between(re, im, network.from(branch), network.to(branch));
    }

    private static Complex between(double[] re, double[] im, int a, int b) {
        return new Complex((a < 0 ? 0 : re[a]) - (b < 0 ? 0 : re[b]), (a < 0 ? 0 : im[a]) - (b < 0 ? 0 : im[b]));
    }

    /** The volts that the sources make in the factored network. */
    private void fromSources(Values values, double[] re, double[] im) {
        for (int b = 0; b < network.branches(); b++) {
            inject(re, network.from(b), values.jRe[b]);
            inject(im, network.from(b), values.jIm[b]);
            inject(re, network.to(b), -values.jRe[b]);
            inject(im, network.to(b), -values.jIm[b]);
        }
        backSolve(re, im);
    }

    /**
     * Volts between two nodes with a further conductance across them, as a meter is: by the rank-one update of
     * Sherman and Morrison, v = v₀/(1 + g·z), where z is the impedance that the network shows between the nodes.
     *
     * @param mhos conductance of the meter, e.g. 1e-7 for 10 MΩ
     */
    public Complex loadedVolts(Solution solution, int plus, int minus, double mhos) {
        Complex z = impedance(solution, plus, minus);
        Complex divisor = new Complex(1 + mhos * z.re(), mhos * z.im());
        return solution.volts(plus, minus).over(divisor);
    }

    /** The impedance in ohms that the network shows between two nodes, with its sources at rest. */
    public Complex impedance(Solution solution, int plus, int minus) {
        factorFor(solution);
        double[] re = new double[network.nodes()];
        double[] im = new double[network.nodes()];
        inject(re, plus, 1);
        inject(re, minus, -1);
        backSolve(re, im);
        return between(re, im, plus, minus);
    }

    private static void inject(double[] currents, int node, double amps) {
        if (node >= 0) {
            currents[node] += amps;
        }
    }

    /** A solution keeps the very values that it was made from, so that these are known again without a comparison. */
    @SuppressWarnings("ReferenceEquality")
    private void factorFor(Solution solution) {
        if (factored != solution.values()) {
            factor(solution.values());
        }
    }

    private void factor(Values values) {
        factorisations++;
        factor.assemble(values);
        islands.forEachLeak(network, values, node -> factor.addToDiagonal(node, ISLAND_LEAK));
        dense = null;
        if (!factor.factor()) {
            denseFallbacks++;
            dense = new DenseFactor(factor.matrix());
        }
        factored = values;
    }

    private void backSolve(double[] re, double[] im) {
        if (dense != null) {
            dense.solve(re, im);
        } else {
            factor.solve(re, im);
        }
    }
}
