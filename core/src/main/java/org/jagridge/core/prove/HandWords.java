package org.jagridge.core.prove;

import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;

/** What hands do, as somebody would be told it on site. */
final class HandWords {
    private static final String CELSIUS = "°C";
    private static final String ON = "on";

    private final Assembly assembly;

    HandWords(Assembly assembly) {
        this.assembly = assembly;
    }

    String of(Map<Input, Object> sets) {
        return sets.isEmpty()
                ? "as it is"
                : sets.entrySet().stream()
                        .map(e -> of(e.getKey(), e.getValue()))
                        .collect(Collectors.joining(", "));
    }

    private String of(Input input, Object value) {
        Assembly.Member m = assembly.member(input.part()).orElseThrow();
        Field field = m.inputs().stream()
                .filter(f -> f.name().equals(input.name()))
                .findFirst()
                .orElseThrow();
        String part = m.part().title();
        if (field.unit().equals(CELSIUS) && value instanceof Number n) {
            return isSetting(input)
                    ? "%s turned to %.1f °C".formatted(part, n.doubleValue())
                    : "%s at %.1f °C".formatted(part, n.doubleValue());
        }
        if (field.kind() == Field.Kind.FLAG && field.name().equals(ON)) {
            return part + (Boolean.TRUE.equals(value) ? " on" : " off");
        }
        if (field.kind() == Field.Kind.FLAG) {
            return part + (Boolean.TRUE.equals(value) ? " " : " not ") + field.name();
        }
        return m.inputs().size() == 1 ? part + " to " + value : part + ", " + field.name() + " to " + value;
    }

    /** Whether it is a set point, which a person turns; a room's warmth has to come by itself. */
    static boolean isSetting(Input input) {
        return input.name().toLowerCase(Locale.ROOT).contains("setcelsius");
    }
}
