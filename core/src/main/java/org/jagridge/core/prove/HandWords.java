package org.jagridge.core.prove;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;

/** What hands do, as somebody would be told it on site. */
public final class HandWords {
    private static final String CELSIUS = "°C";
    private static final String ON = "on";
    private static final String TARGET = "target";
    private static final String MOVED_BY = "movedBy";

    private final Assembly assembly;

    public HandWords(Assembly assembly) {
        this.assembly = assembly;
    }

    /** Sets of inputs, with commas between. */
    public String of(Map<Input, Object> sets) {
        return sets.isEmpty()
                ? "as it is"
                : sets.entrySet().stream()
                        .filter(e -> !e.getKey().name().equals(MOVED_BY)
                                || !sets.containsKey(new Input(e.getKey().part(), TARGET)))
                        .map(e -> of(e.getKey(), e.getValue())
                                + mover(sets.get(new Input(e.getKey().part(), MOVED_BY)), e.getKey()))
                        .collect(Collectors.joining(", "));
    }

    /** The steps of a way, one after the other. */
    public String of(List<Step> steps) {
        return steps.stream()
                .map(s -> {
                    Map<Input, Object> sets = new LinkedHashMap<>();
                    s.set().forEach((key, value) -> sets.put(Input.parse(key), value));
                    return of(sets);
                })
                .collect(Collectors.joining(", then "));
    }

    private String of(Input input, Object value) {
        Assembly.Member m = assembly.member(input.part()).orElseThrow();
        Field field = m.inputs().stream()
                .filter(f -> f.name().equals(input.name()))
                .findFirst()
                .orElseThrow();
        String part = m.part().title();
        if (field.name().equals(TARGET)) {
            return part + " " + (value.equals("half") ? "half open" : value);
        }
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

    private static String mover(Object by, Input input) {
        return by == null || !input.name().equals(TARGET) ? "" : by.equals("hand") ? ", by hand" : ", by its drive";
    }

    /** Whether it is a set point, which a person turns; a room's warmth has to come by itself. */
    static boolean isSetting(Input input) {
        return input.name().toLowerCase(Locale.ROOT).contains("setcelsius");
    }
}
