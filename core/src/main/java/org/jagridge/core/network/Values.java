package org.jagridge.core.network;

import java.util.Arrays;

/**
 * What a network's branches are at one instant. Mutable; solutions keep a copy.
 *
 * <p>Arrays by branch: admittance in mhos and the Norton source current in amps that flows inside the branch from
 * its {@code to} node to its {@code from} node (so that a source with volts E from {@code to} up to {@code from} and
 * admittance y has J = E·y). By coupling: the mutual admittance in mhos, negative for a winding in phase.
 */
public final class Values {
    final double[] yRe;
    final double[] yIm;
    final double[] jRe;
    final double[] jIm;
    final double[] mRe;
    /** The sum of what {@link #mixed} makes of each value: kept as values are written, since solutions are kept by it. */
    private long hash;

    public Values(Network network) {
        yRe = new double[network.branches()];
        yIm = new double[network.branches()];
        jRe = new double[network.branches()];
        jIm = new double[network.branches()];
        mRe = new double[network.couplings()];
    }

    private Values(double[] yRe, double[] yIm, double[] jRe, double[] jIm, double[] mRe, long hash) {
        this.yRe = yRe;
        this.yIm = yIm;
        this.jRe = jRe;
        this.jIm = jIm;
        this.mRe = mRe;
        this.hash = hash;
    }

    public Values copy() {
        return new Values(yRe.clone(), yIm.clone(), jRe.clone(), jIm.clone(), mRe.clone(), hash);
    }

    /** A copy to be kept: what is the same in another kept one is there once only. Neither may be written any more. */
    Values kept(Values other) {
        return new Values(
                kept(yRe, other.yRe),
                kept(yIm, other.yIm),
                kept(jRe, other.jRe),
                kept(jIm, other.jIm),
                kept(mRe, other.mRe),
                hash);
    }

    private static double[] kept(double[] values, double[] other) {
        return Arrays.equals(values, other) ? other : values.clone();
    }

    public void clear() {
        Arrays.fill(yRe, 0);
        Arrays.fill(yIm, 0);
        Arrays.fill(jRe, 0);
        Arrays.fill(jIm, 0);
        Arrays.fill(mRe, 0);
        hash = 0;
    }

    public void admittance(int branch, double re, double im) {
        write(yRe, 0, branch, re);
        write(yIm, 1, branch, im);
    }

    public void source(int branch, double re, double im) {
        write(jRe, 2, branch, re);
        write(jIm, 3, branch, im);
    }

    public void mutual(int coupling, double mhos) {
        write(mRe, 4, coupling, mhos);
    }

    private void write(double[] values, int kind, int place, double written) {
        // no value is −0, or two that are equal wouldn't be known as such
        double value = written + 0.0;
        double old = values[place];
        if (old != value) {
            hash += mixed(kind, place, value) - mixed(kind, place, old);
            values[place] = value;
        }
    }

    /** A number for a value in its place, 0 for 0; the last steps are those of Steele, Lea and Flood's SplitMix (2014). */
    private static long mixed(int kind, int place, double value) {
        if (value == 0) {
            return 0;
        }
        long z = Double.doubleToLongBits(value) + 0x9E3779B97F4A7C15L * (5L * place + kind + 1);
        z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
        z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
        return z ^ (z >>> 31);
    }

    public Complex admittance(int branch) {
        return new Complex(yRe[branch], yIm[branch]);
    }

    public boolean conducts(int branch) {
        return yRe[branch] != 0 || yIm[branch] != 0;
    }

    /** Whether any branch drives a current. */
    public boolean hasSource() {
        for (int i = 0; i < jRe.length; i++) {
            if (jRe[i] != 0 || jIm[i] != 0) {
                return true;
            }
        }
        return false;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Values o
                && hash == o.hash
                && Arrays.equals(yRe, o.yRe)
                && Arrays.equals(yIm, o.yIm)
                && Arrays.equals(jRe, o.jRe)
                && Arrays.equals(jIm, o.jIm)
                && Arrays.equals(mRe, o.mRe);
    }

    @Override
    public int hashCode() {
        return Long.hashCode(hash);
    }
}
