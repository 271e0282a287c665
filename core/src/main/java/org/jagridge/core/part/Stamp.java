package org.jagridge.core.part;

import java.util.stream.IntStream;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Values;

/**
 * Where parts write what their branches are. AC and DC are two networks of the same structure; most branches are the
 * same in both.
 */
public final class Stamp {
    /** A closed contact, breaker, fuse, link or bar, mhos (5 mΩ). */
    public static final double CLOSED = 1 / 0.005;

    private final Values ac;
    private final Values dc;
    private final double[] forced;
    private final double[] most;
    private final double[] left;
    private final double radiansPerSecond;

    /**
     * @param forced by branch: mhos that a fault puts in place of what the part says, or NaN
     * @param most by branch: mhos that a worn contact has at the most, closed; infinite for a good one
     * @param left by branch: the share of a capacitor's farads that it still has
     */
    public Stamp(Values ac, Values dc, double[] forced, double[] most, double[] left, double hertz) {
        this.ac = ac;
        this.dc = dc;
        this.forced = forced;
        this.most = most;
        this.left = left;
        radiansPerSecond = 2 * Math.PI * hertz;
    }

    /** The branches that faults hold otherwise here than in another stamp of the same assembly. */
    public IntStream heldOtherwise(Stamp other) {
        return IntStream.range(0, forced.length)
                .filter(i -> differs(forced, other.forced, i)
                        || differs(most, other.most, i)
                        || differs(left, other.left, i));
    }

    private static boolean differs(double[] one, double[] two, int i) {
        return one != two && Double.compare(one[i], two[i]) != 0;
    }

    public void contact(Branch branch, boolean closed) {
        conductance(branch, closed ? CLOSED : 0);
    }

    public void conductance(Branch branch, double mhos) {
        double s = Double.isNaN(forced[branch.index()]) ? Math.min(mhos, most[branch.index()]) : forced[branch.index()];
        ac.admittance(branch.index(), s, 0);
        dc.admittance(branch.index(), s, 0);
        ac.source(branch.index(), 0, 0);
        dc.source(branch.index(), 0, 0);
    }

    public void resistance(Branch branch, double ohms) {
        conductance(branch, 1 / ohms);
    }

    public void open(Branch branch) {
        conductance(branch, 0);
    }

    /** A load with the impedance {@code z} on AC and its real part on DC. */
    public void load(Branch branch, Complex z) {
        load(branch, z, z.re());
    }

    public void load(Branch branch, Complex z, double dcOhms) {
        if (Double.isNaN(forced[branch.index()])) {
            Complex y = z.inverse();
            ac.admittance(branch.index(), y.re(), y.im());
            dc.admittance(branch.index(), 1 / dcOhms, 0);
        } else {
            conductance(branch, 0);
        }
    }

    /** A source of {@code emf} AC volts, first end over second, behind {@code ohms}. */
    public void acSource(Branch branch, Complex emf, double ohms) {
        conductance(branch, 1 / ohms);
        if (Double.isNaN(forced[branch.index()])) {
            ac.source(branch.index(), emf.re() / ohms, emf.im() / ohms);
        }
    }

    /** A source of {@code emf} DC volts, first end over second, behind {@code ohms}. */
    public void dcSource(Branch branch, double emf, double ohms) {
        conductance(branch, 1 / ohms);
        if (Double.isNaN(forced[branch.index()])) {
            dc.source(branch.index(), emf / ohms, 0);
        }
    }

    /** A conductance that only AC sees. */
    public void acOnly(Branch branch, double mhos) {
        conductance(branch, 0);
        if (Double.isNaN(forced[branch.index()])) {
            ac.admittance(branch.index(), mhos, 0);
        }
    }

    /** A capacitor: conducts on AC only. */
    public void capacitance(Branch branch, double farads) {
        conductance(branch, 0);
        if (Double.isNaN(forced[branch.index()])) {
            ac.admittance(branch.index(), 0, left[branch.index()] * farads * radiansPerSecond);
        }
    }

    /**
     * A transformer's two windings, loaded to the ratio a = primary volts / no-load secondary volts, with the series
     * impedance {@code ohms} referred to the secondary: admittance two-port y/a², −y/a, y with y = 1/ohms. On DC the
     * windings are plain resistances and not coupled.
     *
     * @param polarity 1 where the hot ends of both windings are in phase, −1 where they are reversed
     * @param primaryOhms what the primary shows to direct current; the secondary shows {@code ohms}/2
     * @param magnetising no-load current of the primary over its volts, mhos, purely inductive
     */
    public void transformer(
            Branch primary,
            Branch secondary,
            int coupling,
            double a,
            double ohms,
            double primaryOhms,
            int polarity,
            double magnetising) {
        double y = 1 / ohms;
        boolean healthy = Double.isNaN(forced[primary.index()]) && Double.isNaN(forced[secondary.index()]);
        if (healthy) {
            ac.admittance(primary.index(), y / (a * a), -magnetising);
            ac.admittance(secondary.index(), y, 0);
            ac.mutual(coupling, -polarity * y / a);
        } else {
            // one winding is open: the other is only its own iron
            ac.mutual(coupling, 0);
            boolean primaryOpen = !Double.isNaN(forced[primary.index()]);
            ac.admittance(primary.index(), 0, primaryOpen ? 0 : -magnetising);
            boolean secondaryOpen = !Double.isNaN(forced[secondary.index()]);
            ac.admittance(secondary.index(), 0, secondaryOpen ? 0 : -magnetising * a * a);
        }
        dc.admittance(primary.index(), windingConductance(primary, primaryOhms), 0);
        dc.admittance(secondary.index(), windingConductance(secondary, ohms / 2), 0);
    }

    /** A transformer whose windings have burnt through. */
    public void openTransformer(Branch primary, Branch secondary, int coupling) {
        open(primary);
        open(secondary);
        ac.mutual(coupling, 0);
    }

    private double windingConductance(Branch winding, double ohms) {
        return Double.isNaN(forced[winding.index()]) ? 1 / ohms : forced[winding.index()];
    }
}
