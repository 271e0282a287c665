package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;

/**
 * A part's ratings as one types them in a line: {@code primaryVolts=240 va=40}; lists with commas ({@code
 * poles=contact,bar}), anything deeper as JSON.
 */
public final class PartText {
    private PartText() {}

    /** The line of a part's ratings. */
    public static String write(Map<String, Object> params) {
        return params.entrySet().stream()
                .map(e -> e.getKey() + "=" + value(e.getValue()))
                .collect(Collectors.joining(" "));
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
     * @throws MalformedException where a word has no {@code =} or a value can't be read; whether the type has the
     *     parameter and takes the value is for the circuit's reader to say
     */
    public static Map<String, Object> read(String line, PartDeclaration type) {
        Map<String, Object> params = new LinkedHashMap<>();
        for (String word : words(line.strip())) {
            int equals = word.indexOf('=');
            if (equals < 1) {
                throw new MalformedException(List.of(new Problem(
                        "/params", "\"" + word + "\" is no rating; write name=value, like " + example(type))));
            }
            String name = word.substring(0, equals);
            String text = word.substring(equals + 1);
            Field field = type.params().stream()
                    .filter(f -> f.name().equals(name))
                    .findFirst()
                    .orElse(null);
            params.put(name, field == null ? text : value(field, text));
        }
        return params;
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
            return JsonText.plainValue(text);
        }
        return switch (field.kind()) {
            case NUMBER -> number(text);
            case FLAG ->
                text.equals("true") || text.equals("yes")
                        ? (Object) true
                        : text.equals("false") || text.equals("no") ? (Object) false : text;
            case TEXTS -> Arrays.stream(text.split(",")).map(String::strip).toList();
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
