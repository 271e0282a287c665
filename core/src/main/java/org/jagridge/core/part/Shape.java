package org.jagridge.core.part;

/** The symbol a branch is drawn with. */
public enum Shape {
    NONE,
    CONTACT_OPEN,
    CONTACT_CLOSED,
    SWITCH,
    PUSH_BUTTON,
    THERMOSTAT,
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
