package org.jagridge.core.part;

/** The symbol a branch is drawn with. */
public enum Shape {
    NONE,
    /** A solid pole of a contactor. */
    BAR,
    CONTACT_OPEN,
    CONTACT_CLOSED,
    SWITCH,
    PUSH_BUTTON,
    THERMOSTAT,
    SAFETY,
    TIMER,
    CAPACITOR,
    FUSE,
    BREAKER,
    COIL,
    LAMP,
    MOTOR,
    RESISTOR,
    SOLENOID,
    WINDING,
    SUPPLY,
    BOX
}
