package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;

/**
 * A part's ratings as one types them in a line: {@code primaryVolts=240 va=40}; lists with commas ({@code
 * poles=contact,bar}), lists of pairs as {@code senses=w5x10,w6}, what opens a safety in words ({@link TripText}),
 * a number with its unit behind it ({@code opensAt=42.8°F}), anything deeper as JSON.
 */
public final class PartText {
    /** How the name of a rating ends that can be written in more than one unit, by the one that it is kept in. */
    private static final Map<String, String> UNITS =
            Map.of(Quantity.CELSIUS, "Celsius", Quantity.METRES, "Metres", Quantity.KELVIN, "K");

    private PartText() {}

    /** The line of a part's ratings. */
    public static String write(Map<String, Object> params) {
        return params.entrySet().stream()
                .map(e -> e.getKey() + "=" + value(e.getValue()))
                .collect(Collectors.joining(" "));
    }

    /** The same with lists of pairs as people write them: {@code senses=w5x10}. */
    public static String write(Map<String, Object> params, PartDeclaration type) {
        return params.entrySet().stream()
                .map(e -> e.getKey() + "="
                        + type.params().stream()
                                .filter(f -> f.name().equals(e.getKey()))
                                .findFirst()
                                .flatMap(f -> f.isTrips() ? trips(e.getValue()) : pairs(f, e.getValue()))
                                .orElseGet(() -> value(e.getValue())))
                .collect(Collectors.joining(" "));
    }

    private static Optional<String> trips(Object value) {
        return TripText.write(value).map(JsonText::write);
    }

    /** A list of pairs in short; empty where the field has no such form or the value doesn't fit it. */
    private static Optional<String> pairs(Field field, Object value) {
        if (!isPairs(field) || !(value instanceof List<?> list)) {
            return Optional.empty();
        }
        List<String> words = new ArrayList<>();
        for (Object entry : list) {
            if (!(entry instanceof Map<?, ?> m)
                    || !(m.get(field.choices().get(0)) instanceof String first)
                    || m.size() > (m.containsKey(field.choices().get(1)) ? 2 : 1)) {
                return Optional.empty();
            }
            Object second = m.get(field.choices().get(1));
            words.add(second == null ? first : first + field.unit() + value(second));
        }
        return Optional.of(String.join(",", words));
    }

    private static boolean isPairs(Field field) {
        return field.kind() == Field.Kind.STRUCTURE && field.choices().size() == 2;
    }

    /** {@code w5x10} as an entry; text that isn't one stays text, for the part type to refuse. */
    private static Object pair(Field field, String text) {
        Matcher m = Pattern.compile("(.+?)\\s*" + Pattern.quote(field.unit()) + "\\s*([-+]?[0-9]+(?:\\.[0-9]+)?)")
                .matcher(text);
        Map<String, Object> entry = new LinkedHashMap<>();
        entry.put(field.choices().get(0), m.matches() ? m.group(1) : text);
        if (m.matches()) {
            entry.put(field.choices().get(1), Double.valueOf(m.group(2)));
        }
        return entry;
    }

    /** One rating, as {@link #write} writes it after its name. */
    static String value(Object v) {
        if (v instanceof List<?> list && list.stream().allMatch(PartText::isSimple)) {
            return list.stream().map(PartText::value).collect(Collectors.joining(","));
        }
        if (v instanceof Number n && n.doubleValue() == Math.rint(n.doubleValue())) {
            return Long.toString(n.longValue());
        }
        if (v instanceof List || v instanceof Map || (v instanceof String s && !isSimple(s))) {
            return JsonText.write(v);
        }
        return String.valueOf(v);
    }

    /** A word or number that needs no quotes. */
    private static boolean isSimple(Object v) {
        return v instanceof Number || v instanceof Boolean || (v instanceof String s && s.matches("[^\\s,\"\\[{]+"));
    }

    /**
     * Reads a line of ratings for a part type.
     *
     * @throws MalformedException with every word that has no {@code =} or names no rating; whether a rating takes its value
     *     is for the circuit's reader to say
     */
    public static Map<String, Object> read(String line, PartDeclaration type) {
        Map<String, Object> params = new LinkedHashMap<>();
        List<Problem> problems = new ArrayList<>();
        for (String word : words(line.strip())) {
            int equals = word.indexOf('=');
            if (equals < 1) {
                problems.add(new Problem(
                        "/params", "\"" + word + "\" is no rating; write name=value, like " + example(type)));
                continue;
            }
            String written = word.substring(0, equals);
            String text = word.substring(equals + 1);
            List<String> names = type.params().stream().map(Field::name).toList();
            String name = Nearest.sameInAnyCase(written, names)
                    .or(() -> withItsUnit(written, type))
                    .orElse(written);
            Optional<Field> field =
                    type.params().stream().filter(f -> f.name().equals(name)).findFirst();
            if (field.isEmpty()) {
                String why = "a " + type.type() + " has no rating " + written;
                Optional<String> near = Nearest.to(written, names);
                problems.add(new Problem(
                        "/params",
                        why
                                + near.map(n -> "; did you mean " + n + "?")
                                        .orElse("; it has " + (names.isEmpty() ? "none" : String.join(", ", names))),
                        near.map(n -> line.replace(written + "=", n + "=")).orElse(null)));
                continue;
            }
            params.put(name, value(field.get(), text));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return params;
    }

    /** {@code opensAt} for {@code opensAtCelsius}, where the unit stands behind the number. */
    private static Optional<String> withItsUnit(String written, PartDeclaration type) {
        List<String> names = type.params().stream()
                .filter(f -> UNITS.containsKey(f.unit()))
                .map(Field::name)
                .toList();
        return UNITS.values().stream()
                .flatMap(unit -> Nearest.sameInAnyCase(written + unit, names).stream())
                .findFirst();
    }

    private static String example(PartDeclaration type) {
        return type.params().stream()
                .filter(f -> f.initial() != null)
                .findFirst()
                .map(f -> f.name() + "=" + value(f.initial()))
                .orElse("volts=24");
    }

    private static Object value(Field field, String text) {
        if (text.startsWith("[") || text.startsWith("{") || text.startsWith("\"")) {
            Object plain = JsonText.plainValue(text);
            return field.isTrips() && plain instanceof String words
                    ? TripText.read(words).map(Object.class::cast).orElse(List.of(words))
                    : plain;
        }
        return switch (field.kind()) {
            case NUMBER -> {
                OptionalDouble number = Quantity.read(text, field.unit());
                yield number.isPresent() ? (Object) number.getAsDouble() : number(text);
            }
            case FLAG ->
                text.equals("true") || text.equals("yes")
                        ? (Object) true
                        : text.equals("false") || text.equals("no") ? (Object) false : text;
            case TEXTS -> Arrays.stream(text.split(",")).map(String::strip).toList();
            case STRUCTURE ->
                Arrays.stream(text.split(","))
                        .map(String::strip)
                        .map(t -> isPairs(field) ? pair(field, t) : t)
                        .toList();
            case NUMBERS -> Arrays.stream(text.split(",")).map(PartText::number).toList();
            default -> text;
        };
    }

    private static Object number(String text) {
        try {
            return Double.valueOf(text.strip());
        } catch (NumberFormatException e) {
            return text;
        }
    }

    /** Splits at spaces outside of quotes and brackets. */
    private static List<String> words(String line) {
        List<String> words = new ArrayList<>();
        StringBuilder word = new StringBuilder();
        int depth = 0;
        boolean quoted = false;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (c == '"' && (i == 0 || line.charAt(i - 1) != '\\')) {
                quoted = !quoted;
            } else if (!quoted && (c == '[' || c == '{')) {
                depth++;
            } else if (!quoted && (c == ']' || c == '}')) {
                depth--;
            }
            if (Character.isWhitespace(c) && !quoted && depth <= 0) {
                if (!word.isEmpty()) {
                    words.add(word.toString());
                    word.setLength(0);
                }
            } else {
                word.append(c);
            }
        }
        if (!word.isEmpty()) {
            words.add(word.toString());
        }
        return words;
    }
}
