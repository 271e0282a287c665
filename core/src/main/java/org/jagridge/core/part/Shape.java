package org.jagridge.core.part;

/** The symbol a branch is drawn with: each function has its own. */
public enum Shape {
    NONE,
    /** A solid pole of a contactor. */
    BAR,
    CONTACT_OPEN,
    CONTACT_CLOSED,
    SWITCH,
    PUSH_BUTTON,
    THERMOSTAT,
    /** Moved by a temperature that it doesn't regulate: a fan switch, a coil's sensor. */
    TEMPERATURE,
    /** Opens when it gets too hot. */
    LIMIT,
    ROLLOUT,
    FUSIBLE_LINK,
    LOW_PRESSURE,
    HIGH_PRESSURE,
    FLOAT,
    FREEZE,
    /** Closes once air or draught is there. */
    PROVING,
    /** Closes once another conductor carries current. */
    CURRENT,
    ON_DELAY,
    /** Holds its load on for a while. */
    OFF_DELAY,
    /** Blocks the next start for a while. */
    BLOCKS_RESTART,
    INTERVAL,
    REPEAT,
    CAPACITOR,
    FUSE,
    BREAKER,
    COIL,
    LAMP,
    BUZZER,
    MOTOR,
    UNIT_HEATER,
    RESISTOR,
    SOLENOID,
    WINDING,
    SUPPLY,
    DC_SUPPLY,
    BATTERY,
    THERMOPILE,
    BOX;

    /** Whether it is a contact that something measured moves. */
    public boolean watches() {
        return switch (this) {
            case TEMPERATURE,
                    LIMIT,
                    ROLLOUT,
                    FUSIBLE_LINK,
                    LOW_PRESSURE,
                    HIGH_PRESSURE,
                    FLOAT,
                    FREEZE,
                    PROVING,
                    CURRENT -> true;
            default -> false;
        };
    }
}
