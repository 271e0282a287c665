package org.jagridge.core.network;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

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
        Values kept = values.copy();
        factor(kept);
        double[] re = new double[network.nodes()];
        double[] im = new double[network.nodes()];
        for (int b = 0; b < network.branches(); b++) {
            inject(re, network.from(b), kept.jRe[b]);
            inject(im, network.from(b), kept.jIm[b]);
            inject(re, network.to(b), -kept.jRe[b]);
            inject(im, network.to(b), -kept.jIm[b]);
        }
        backSolve(re, im);
        Solution solution = new Solution(network, kept, re, im, couplingOf);
        cache.put(kept, solution);
        return solution;
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
        if (factored != solution.values()) {
            factor(solution.values());
        }
        double[] re = new double[network.nodes()];
        double[] im = new double[network.nodes()];
        inject(re, plus, 1);
        inject(re, minus, -1);
        backSolve(re, im);
        double zRe = (plus < 0 ? 0 : re[plus]) - (minus < 0 ? 0 : re[minus]);
        double zIm = (plus < 0 ? 0 : im[plus]) - (minus < 0 ? 0 : im[minus]);
        return new Complex(zRe, zIm);
    }

    private static void inject(double[] currents, int node, double amps) {
        if (node >= 0) {
            currents[node] += amps;
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
