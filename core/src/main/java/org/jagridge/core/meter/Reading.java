package org.jagridge.core.meter;

/**
 * What the meter shows.
 *
 * @param value in {@code unit}
 * @param display the digits as on the meter, like {@code 26.4}
 * @param says what the reading proves, in the circuit's own words
 */
public record Reading(double value, String unit, String display, String says) {}
