package org.jagridge.core.circuit;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;

/**
 * Declares one parameter or input of a part type: its name, what values it takes and what it is without one.
 *
 * @param initial the default; null for a parameter that is optional and has none
 * @param choices the words of a {@link Kind#CHOICE}, of which the first is not necessarily the default; of a {@link
 *     Kind#STRUCTURE} whose entries can be written in short, the two keys of an entry
 * @param min least value of a number (inclusive unless {@code overMin})
 * @param overMin whether {@code min} itself is out of range
 */
public record Field(
        String name,
        Kind kind,
        Object initial,
        List<String> choices,
        String unit,
        double min,
        double max,
        boolean overMin) {

    private static final String TRIPS = "trips";
    private static final double UNBOUNDED = 1e9;

    /** What a value is. */
    public enum Kind {
        NUMBER("a number"),
        CHOICE("a word"),
        FLAG("true or false"),
        TEXT("text"),
        /** Names another part of the circuit. */
        PART("the id of a part"),
        /** Names a wire of the circuit. */
        WIRE("the id of a wire"),
        TEXTS("a list of texts"),
        /** One number stands for a list of one. */
        NUMBERS("a list of numbers"),
        /** A list or object that the part type reads itself. */
        STRUCTURE("a list or object"),
        /** A push: acts at the instant it is set and holds nothing. */
        MOMENTARY("true");

        private final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    public static Field number(String name, Double initial, String unit) {
        return new Field(name, Kind.NUMBER, initial, List.of(), unit, -UNBOUNDED, UNBOUNDED, false);
    }

    /** A number over 0: a rating, an impedance, a time. */
    public static Field positive(String name, Double initial, String unit) {
        return new Field(name, Kind.NUMBER, initial, List.of(), unit, 0, UNBOUNDED, true);
    }

    public static Field choice(String name, String initial, String... choices) {
        return new Field(name, Kind.CHOICE, initial, List.of(choices), "", 0, 0, false);
    }

    public static Field flag(String name, boolean initial) {
        return new Field(name, Kind.FLAG, initial, List.of(), "", 0, 0, false);
    }

    public static Field text(String name, String initial) {
        return new Field(name, Kind.TEXT, initial, List.of(), "", 0, 0, false);
    }

    /** An optional parameter that names another part. */
    public static Field part(String name) {
        return new Field(name, Kind.PART, null, List.of(), "", 0, 0, false);
    }

    /** An optional parameter that names a part whose temperature is read. */
    public static Field temperatureOf(String name) {
        return new Field(name, Kind.PART, null, List.of(), "°C", 0, 0, false);
    }

    /** Whether it names a part whose temperature is read. */
    public boolean isTemperature() {
        return kind == Kind.PART && unit.equals("°C");
    }

    /** An optional parameter that names a wire. */
    public static Field wire(String name) {
        return new Field(name, Kind.WIRE, null, List.of(), "", 0, 0, false);
    }

    public static Field texts(String name, List<String> initial) {
        return new Field(name, Kind.TEXTS, initial, List.of(), "", 0, 0, false);
    }

    public static Field numbers(String name, List<Double> initial, String unit) {
        return new Field(name, Kind.NUMBERS, initial, List.of(), unit, 0, UNBOUNDED, false);
    }

    public static Field structure(String name) {
        return new Field(name, Kind.STRUCTURE, null, List.of(), "", 0, 0, false);
    }

    /** A list of objects of two keys, which people write as {@code first unit second}: {@code w5 x10}, {@code HTR +4}. */
    public static Field pairs(String name, String first, String second, String between) {
        return new Field(name, Kind.STRUCTURE, null, List.of(first, second), between, 0, 0, false);
    }

    /** What opens a safety, which people write in words. */
    public static Field trips(String name) {
        return new Field(name, Kind.STRUCTURE, null, List.of(), TRIPS, 0, 0, false);
    }

    public boolean isTrips() {
        return kind == Kind.STRUCTURE && unit.equals(TRIPS);
    }

    public static Field momentary(String name) {
        return new Field(name, Kind.MOMENTARY, false, List.of(), "", 0, 0, false);
    }

    /** This list of texts, each out of {@code allowed}. */
    public Field outOf(String... allowed) {
        return new Field(name, kind, initial, List.of(allowed), unit, min, max, overMin);
    }

    public Field within(double least, double most) {
        return new Field(name, kind, initial, choices, unit, least, most, false);
    }

    /** Whether a number has a least and a most of its own. */
    public boolean isBounded() {
        return min > -UNBOUNDED && max < UNBOUNDED;
    }

    /**
     * What is wrong with {@code value} for this field, in words that say what was expected; null where it fits.
     */
    public String mistakeIn(Object value) {
        return switch (kind) {
            case NUMBER -> numberMistake(value);
            case CHOICE ->
                value instanceof String && choices.contains(value)
                        ? null
                        : show(value) + " is not one of " + String.join(", ", choices);
            case FLAG, MOMENTARY -> value instanceof Boolean ? null : expected(value);
            case TEXT, PART, WIRE -> value instanceof String ? null : expected(value);
            case TEXTS -> listMistake(value, this::textMistake);
            case NUMBERS -> value instanceof Number ? numberMistake(value) : listMistake(value, this::numberMistake);
            case STRUCTURE -> value instanceof List || value instanceof Map ? null : expected(value);
        };
    }

    private String numberMistake(Object value) {
        if (!(value instanceof Number number)) {
            return expected(value);
        }
        double d = number.doubleValue();
        if (d < min || d > max || (overMin && d == min)) {
            String low = overMin ? "more than " + plain(min) : "at least " + plain(min);
            return show(value) + " is out of range; " + name + " must be " + low
                    + (max < UNBOUNDED ? " and at most " + plain(max) : "") + (unit.isEmpty() ? "" : " " + unit);
        }
        return null;
    }

    private String textMistake(Object value) {
        if (!(value instanceof String)) {
            return expected(value);
        }
        return choices.isEmpty() || choices.contains(value)
                ? null
                : show(value) + " is not one of " + String.join(", ", choices);
    }

    private String listMistake(Object value, Function<Object, String> each) {
        if (!(value instanceof List<?> list)) {
            return expected(value);
        }
        return list.stream().map(each).filter(Objects::nonNull).findFirst().orElse(null);
    }

    private String expected(Object value) {
        return show(value) + " was given, but " + name + " takes " + kind.words;
    }

    private static String show(Object value) {
        return value instanceof String ? "\"" + value + "\"" : String.valueOf(value);
    }

    private static String plain(double d) {
        return d == Math.rint(d) ? Long.toString((long) d) : Double.toString(d);
    }
}
