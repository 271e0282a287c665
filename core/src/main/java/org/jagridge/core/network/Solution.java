package org.jagridge.core.network;

/** Volts at every node and amps in every branch, for one set of values. Immutable. */
public final class Solution {
    private final Network network;
    private final Values values;
    private final double[] vRe;
    private final double[] vIm;
    private final int[] couplingOf;

    Solution(Network network, Values values, double[] vRe, double[] vIm, int[] couplingOf) {
        this.network = network;
        this.values = values;
        this.vRe = vRe;
        this.vIm = vIm;
        this.couplingOf = couplingOf;
    }

    public Network network() {
        return network;
    }

    public Values values() {
        return values;
    }

    private double re(int node) {
        return node == Network.EARTH ? 0 : vRe[node];
    }

    private double im(int node) {
        return node == Network.EARTH ? 0 : vIm[node];
    }

    /** Volts of {@code plus} over {@code minus}. */
    public Complex volts(int plus, int minus) {
        return new Complex(re(plus) - re(minus), im(plus) - im(minus));
    }

    /** Volts across a branch, its {@code from} node over its {@code to} node. */
    public Complex branchVolts(int branch) {
        return volts(network.from(branch), network.to(branch));
    }

    /** Magnitude of the volts across a branch. */
    public double branchMagnitude(int branch) {
        int a = network.from(branch);
        int b = network.to(branch);
        return Complex.length(re(a) - re(b), im(a) - im(b));
    }

    /**
     * Amps through a branch from its {@code from} node to its {@code to} node: y·v − J, and for a winding the share
     * that the other winding's volts drive, m·v_other.
     */
    public Complex amps(int branch) {
        // by its numbers, since it is asked of every branch that a current could take
        int a = network.from(branch);
        int b = network.to(branch);
        double voltsRe = re(a) - re(b);
        double voltsIm = im(a) - im(b);
        double yRe = values.yRe[branch];
        double yIm = values.yIm[branch];
        double ampsRe = yRe * voltsRe - yIm * voltsIm - values.jRe[branch];
        double ampsIm = yRe * voltsIm + yIm * voltsRe - values.jIm[branch];
        int c = couplingOf[branch];
        if (c >= 0) {
            int other = network.primary(c) == branch ? network.secondary(c) : network.primary(c);
            Complex driven = branchVolts(other).times(values.mRe[c]);
            ampsRe += driven.re();
            ampsIm += driven.im();
        }
        return new Complex(ampsRe, ampsIm);
    }
}
