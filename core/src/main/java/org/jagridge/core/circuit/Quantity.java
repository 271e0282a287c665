package org.jagridge.core.circuit;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Numbers as people write them, with a comma or a point, in the unit that they are kept in: lengths in metres,
 * temperatures in degrees Celsius and differences in kelvin also from feet and Fahrenheit, where that stands behind them.
 */
public final class Quantity {
    public static final String CELSIUS = "°C";
    public static final String METRES = "m";
    /** Of a difference of temperatures. */
    public static final String KELVIN = "K";

    /** Of what each metre of a conductor or cable has. */
    public static final String PER_METRE = "per m";

    /** The international foot, exactly. */
    public static final double METRES_PER_FOOT = 0.3048;

    private static final double FREEZING_FAHRENHEIT = 32;
    private static final double FAHRENHEIT_PER_KELVIN = 1.8;
    /** What is read from Fahrenheit is kept to a thousandth, so that it is shown as it was written. */
    private static final double THOUSAND = 1000;

    private static final double TEN_THOUSAND = 10_000;

    private static final Pattern WRITTEN = Pattern.compile("([-−+]?[0-9]+(?:[.,][0-9]+)?)\\s*(\\D*)");

    private Quantity() {}

    /**
     * A number in a unit.
     *
     * @param unit that it is kept in; may be empty or null for a plain number
     * @return empty where it is no number, or in a unit that isn't known there
     */
    public static OptionalDouble read(String text, String unit) {
        Matcher m = WRITTEN.matcher(text.strip());
        if (!m.matches()) {
            return OptionalDouble.empty();
        }
        double number = Double.parseDouble(m.group(1).replace(',', '.').replace('−', '-'));
        String behind = m.group(2).strip().toLowerCase(Locale.ROOT);
        if (behind.isEmpty() || behind.equals(unit == null ? "" : unit.toLowerCase(Locale.ROOT))) {
            return OptionalDouble.of(number);
        }
        if (METRES.equals(unit)) {
            return switch (behind) {
                case "metre", "metres", "meter", "meters" -> OptionalDouble.of(number);
                case "ft", "foot", "feet", "'" -> OptionalDouble.of(metres(number));
                default -> OptionalDouble.empty();
            };
        }
        if (CELSIUS.equals(unit)) {
            return switch (behind) {
                case "c" -> OptionalDouble.of(number);
                case "f", "°f" -> OptionalDouble.of(Math.round(celsius(number) * THOUSAND) / THOUSAND);
                default -> OptionalDouble.empty();
            };
        }
        if (PER_METRE.equals(unit)) {
            return behind.equals("per ft")
                    ? OptionalDouble.of(Math.round(number / METRES_PER_FOOT * THOUSAND) / THOUSAND)
                    : OptionalDouble.empty();
        }
        if (KELVIN.equals(unit)) {
            return switch (behind) {
                case "c", "°c" -> OptionalDouble.of(number);
                case "f", "°f" -> OptionalDouble.of(Math.round(number / FAHRENHEIT_PER_KELVIN * THOUSAND) / THOUSAND);
                default -> OptionalDouble.empty();
            };
        }
        return OptionalDouble.empty();
    }

    /** Feet in metres, to a tenth of a millimetre. */
    public static double metres(double feet) {
        return Math.round(feet * METRES_PER_FOOT * TEN_THOUSAND) / TEN_THOUSAND;
    }

    public static double celsius(double fahrenheit) {
        return (fahrenheit - FREEZING_FAHRENHEIT) / FAHRENHEIT_PER_KELVIN;
    }

    public static double fahrenheit(double celsius) {
        return celsius * FAHRENHEIT_PER_KELVIN + FREEZING_FAHRENHEIT;
    }

    /** A difference of temperatures, kelvin, in degrees Fahrenheit. */
    public static double fahrenheitBetween(double kelvin) {
        return kelvin * FAHRENHEIT_PER_KELVIN;
    }
}
