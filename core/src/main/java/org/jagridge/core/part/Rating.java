package org.jagridge.core.part;

import org.jagridge.core.circuit.Params;

/**
 * What a part's plate says; 0 for what it doesn't have.
 *
 * @param coilVolts volts of its coil
 * @param contactAmps amps that one of its contacts may carry for long
 * @param protectionAmps amps from which it opens, in the end, what feeds others: a fuse, a breaker
 * @param voltAmperes what its secondary may give for long
 * @param secondaryVolts nominal volts of its secondary
 * @param primaryVolts nominal volts of its primary
 * @param loadVolts nominal volts of what it is as a load
 * @param loadWatts what it takes at these
 * @param workingAmps what it draws at work, where its resistance doesn't say
 */
public record Rating(
        double coilVolts,
        double contactAmps,
        double protectionAmps,
        double voltAmperes,
        double secondaryVolts,
        double primaryVolts,
        double loadVolts,
        double loadWatts,
        double workingAmps) {
    /** Of a secondary where nobody says. */
    private static final double CONTROL_VOLTS = 24;

    /** What the usual parameters say. */
    static Rating usual(Params p) {
        return new Rating(
                of(p, "coilVolts"),
                p.has("maxContactAmps") ? of(p, "maxContactAmps") : of(p, "contactAmps"),
                0,
                of(p, "va"),
                p.has("secondaryVolts") ? of(p, "secondaryVolts") : p.has("va") ? CONTROL_VOLTS : 0,
                of(p, "primaryVolts"),
                of(p, "volts"),
                of(p, "watts"),
                of(p, "runAmps"));
    }

    private static double of(Params p, String name) {
        return p.has(name) ? p.number(name) : 0;
    }

    public Rating withProtection(double amps) {
        return new Rating(
                coilVolts,
                contactAmps,
                amps,
                voltAmperes,
                secondaryVolts,
                primaryVolts,
                loadVolts,
                loadWatts,
                workingAmps);
    }

    public Rating withWorkingAmps(double amps) {
        return new Rating(
                coilVolts,
                contactAmps,
                protectionAmps,
                voltAmperes,
                secondaryVolts,
                primaryVolts,
                loadVolts,
                loadWatts,
                amps);
    }
}
