package org.jagridge.core.circuit;

/**
 * What a defect does to the branches of one part or wire.
 *
 * @param owner id of the part or wire
 * @param which of its branches
 * @param label of the contact or section, where {@code which} asks for one; null for all
 * @param value mhos, or for {@link Effect#SHARE} a share of 1
 */
public record Hold(String owner, Which which, String label, Effect effect, double value) {
    private static final double SHORTED_OHMS = 0.1;
    /** A closed contact, mhos (5 mΩ). */
    private static final double CLOSED = 1 / 0.005;

    /** Which branches. */
    public enum Which {
        ALL,
        CONTACT,
        /** The contacts that share the common of a named one and stand the other way at rest. */
        OPPOSITE,
        COIL,
        LOAD,
        PRIMARY,
        SECONDARY,
        /** A section of a capacitor, by the post that is not the common one. */
        SECTION
    }

    /** What is done to them. */
    public enum Effect {
        /** They conduct just so, whatever the part says. */
        CONDUCTANCE,
        /** They conduct so much at the most, and open as good ones do. */
        AT_MOST,
        /** They have this share left of their farads. */
        SHARE
    }

    static Hold open(String owner, Which which, String label) {
        return new Hold(owner, which, label, Effect.CONDUCTANCE, 0);
    }

    static Hold shorted(String owner, Which which) {
        return new Hold(owner, which, null, Effect.CONDUCTANCE, 1 / SHORTED_OHMS);
    }

    static Hold closed(String owner, String contact) {
        return new Hold(owner, Which.CONTACT, contact, Effect.CONDUCTANCE, CLOSED);
    }

    static Hold ohms(String owner, Which which, String label, double ohms, Effect effect) {
        return new Hold(owner, which, label, effect, 1 / Math.max(1e-4, ohms));
    }
}
