package org.jagridge.core.part;

/** What a part is, for those who have to treat all such parts alike. A type says it of its parts; nobody guesses it. */
public enum Trait {
    /** Bonds its earth terminal to the ground. */
    BONDED,
    /** Supplies a building: where power comes from and fails. */
    MAINS,
    /** Makes its volts from its own mains or input, and is dead with these. */
    DERIVED_SOURCE,
    /** Gives so little that it hurts nobody. */
    HARMLESS_SOURCE,
    /** Keeps its charge when everything is off. */
    HOLDS_CHARGE,
    /** Opens for good on too much current. */
    FUSE,
    /** Opens to stop something dangerous. */
    SAFETY,
    /** Closes only when something else has been seen to work. */
    PROVING,
    /** Proves by the current in a conductor. */
    SENSES_CURRENT,
    /** Joins its common to one of several terminals, never two of them. */
    EXCLUSIVE_CONTACTS,
    /** Stays out until what called has gone and come again. */
    LOCKS_OUT,
    /** Has a dial for its time. */
    DIAL,
    /** Some of its poles may be solid bars. */
    BAR_POLES,
    /** Calls for heat, cold or air through terminals with the trade's letters. */
    THERMOSTAT,
    /** Watches the water of a cylinder. */
    CYLINDER,
    /** Defrosts an outdoor coil. */
    DEFROSTS,
    /** Its contacts follow its coil, or the part that it names, and nothing else. */
    FOLLOWS,
    /** Thrown by a hand. */
    HAND_SWITCH,
    /** A vent, door, damper or hood that stands shut, half or open. */
    OPENING,
    /** Makes heat. */
    HEAT_SOURCE,
    /** Overheats without moving air. */
    NEEDS_AIR,
    /** Draws by its resistance, so its amps follow its volts. */
    RESISTIVE,
    /** Moves the air of a building past what heats or cools it. */
    AIR_MOVER,
    /** May be the one that moves the air where nothing says what it drives. */
    PERHAPS_AIR_MOVER,
    COMPRESSOR,
    /** Turns a heat pump from heating to cooling. */
    REVERSING_VALVE,
    /** Has speed taps of which one at a time may be fed. */
    SPEED_TAPS,
    /** Has a 24 V call circuit with a transformer of its own. */
    OWN_PAIR,
    RECTIFIER,
    /** Numbered posts that conductors land on. */
    POSTS,
    /** A wire nut or joint: known by its wires. */
    JOINT,
    /** An earth: known by its mark. */
    EARTH
}
