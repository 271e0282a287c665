package org.jagridge.core.circuit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The values of a part's parameters, given ones over the catalogue's defaults. */
public final class Params {
    private final Map<String, Object> values = new LinkedHashMap<>();

    public Params(List<Field> declared, Map<String, Object> given) {
        declared.forEach(f -> values.put(f.name(), f.initial()));
        values.putAll(given);
    }

    /** Whether the parameter was given or has a default. */
    public boolean has(String name) {
        return values.get(name) != null;
    }

    public double number(String name) {
        return ((Number) require(name)).doubleValue();
    }

    /** The number, or {@code otherwise} where it was not given and has no default. */
    public double number(String name, double otherwise) {
        return has(name) ? number(name) : otherwise;
    }

    public int integer(String name) {
        return (int) Math.round(number(name));
    }

    public String text(String name) {
        return (String) require(name);
    }

    /** The text, or null where it was not given and has no default. */
    public String textOrNull(String name) {
        return (String) values.get(name);
    }

    public boolean is(String name, String word) {
        return word.equals(values.get(name));
    }

    public boolean flag(String name) {
        return (Boolean) require(name);
    }

    public List<String> texts(String name) {
        return ((List<?>) require(name)).stream().map(String.class::cast).toList();
    }

    public List<Double> numbers(String name) {
        Object value = require(name);
        return value instanceof Number one
                ? List.of(one.doubleValue())
                : ((List<?>) value)
                        .stream().map(n -> ((Number) n).doubleValue()).toList();
    }

    /** A list of objects, empty where it was not given. */
    @SuppressWarnings("unchecked")
    public List<Map<String, Object>> structures(String name) {
        return has(name) ? (List<Map<String, Object>>) values.get(name) : List.of();
    }

    /** A list of anything, empty where it was not given. */
    public List<?> list(String name) {
        return has(name) ? (List<?>) values.get(name) : List.of();
    }

    private Object require(String name) {
        Object value = values.get(name);
        if (value == null) {
            throw new IllegalStateException("parameter " + name + " has neither a value nor a default");
        }
        return value;
    }
}
