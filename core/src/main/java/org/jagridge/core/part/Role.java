package org.jagridge.core.part;

/** What a branch is for, which decides how connections are followed and how it is drawn. */
public enum Role {
    /** A wire of the circuit. */
    WIRE,
    /** A bar, splice or link inside a part: always joined. */
    CONDUCTOR,
    /** A contact or switch: joined or not. */
    CONTACT,
    /** A fuse, breaker or link that opens on current: joined until then. */
    PROTECTION,
    /** The coil of a relay, contactor or the like. */
    COIL,
    /** Anything else that takes power. */
    LOAD,
    /** A source of volts between its hot pole (from) and its return pole (to). */
    SOURCE,
    /** The winding of a transformer that takes power. */
    PRIMARY,
    /** The winding of a transformer that gives power: hot pole (from), return pole (to). */
    SECONDARY,
    /** What an option would put there that isn't fitted: drawn pale, never joined. */
    ABSENT,
    /** Bonds to earth and stray capacitance: real, but not drawn. */
    EARTHING;

    /** Whether the branch joins its ends hard when it conducts. */
    public boolean joins() {
        return this == WIRE || this == CONDUCTOR || this == CONTACT || this == PROTECTION;
    }

    /** Whether the branch takes power: a place for a voltage drop. */
    public boolean consumes() {
        return this == COIL || this == LOAD || this == PRIMARY;
    }

    /** Whether the branch gives power. */
    public boolean gives() {
        return this == SOURCE || this == SECONDARY;
    }
}
