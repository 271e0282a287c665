package org.jagridge.core.meter;

/**
 * What the meter shows.
 *
 * @param value in {@code unit}; NaN where it shows none
 * @param display the digits as on the meter, like {@code 26.4}; {@code OL} beyond its range
 * @param says what the reading proves, in the circuit's own words
 * @param refused why it wasn't taken, or null
 */
public record Reading(double value, String unit, String display, String says, String refused) {
    public Reading(double value, String unit, String display, String says) {
        this(value, unit, display, says, null);
    }

    /** A reading that would harm the meter or mean nothing. */
    static Reading refused(String unit, String why) {
        return new Reading(Double.NaN, unit, "––", why, why);
    }

    /** More than the meter can show. */
    static Reading overRange(String unit, String says) {
        return new Reading(Double.NaN, unit, "OL", says, null);
    }

    public boolean isRefused() {
        return refused != null;
    }

    /** Whether there is a number. */
    public boolean hasValue() {
        return !Double.isNaN(value);
    }
}
