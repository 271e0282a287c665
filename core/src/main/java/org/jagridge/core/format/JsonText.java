package org.jagridge.core.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Problem;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** JSON text to trees and trees to plain values. */
public final class JsonText {
    static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();

    private JsonText() {}

    /** Plain values, lists and maps as a tree. */
    public static JsonNode tree(Object plain) {
        return MAPPER.valueToTree(plain);
    }

    /**
     * The tree of a JSON text.
     *
     * @throws MalformedException with line and column where the text isn't JSON
     */
    public static JsonNode parse(String text) {
        try {
            JsonNode tree = text == null ? null : MAPPER.readTree(text);
            if (tree == null || tree.isMissingNode()) {
                throw new MalformedException(List.of(new Problem("", "nothing was sent; JSON was expected")));
            }
            return tree;
        } catch (JacksonException e) {
            String where = e.getLocation() == null
                    ? ""
                    : "line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr() + ": ";
            throw new MalformedException(
                    List.of(new Problem("", where + "this is not JSON: " + e.getOriginalMessage())));
        }
    }

    /** Maps, lists, texts, numbers and truth values; whole numbers become Integer or Long, others Double. */
    static Object plain(JsonNode node) {
        if (node.isObject()) {
            return map(node);
        }
        if (node.isArray()) {
            List<Object> list = new ArrayList<>();
            node.forEach(n -> list.add(plain(n)));
            return list;
        }
        if (node.isString()) {
            return node.stringValue();
        }
        if (node.isBoolean()) {
            return node.booleanValue();
        }
        if (node.isNumber()) {
            return node.isIntegralNumber() ? node.numberValue() : Double.valueOf(node.doubleValue());
        }
        return null;
    }

    static Map<String, Object> map(JsonNode node) {
        Map<String, Object> map = new LinkedHashMap<>();
        node.properties().forEach(e -> map.put(e.getKey(), plain(e.getValue())));
        return map;
    }

    /** A plain value as JSON. */
    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    /**
     * The plain value of a JSON text.
     *
     * @throws MalformedException where the text isn't JSON
     */
    public static Object plainValue(String text) {
        return plain(parse(text));
    }

    static String text(JsonNode node, String key) {
        JsonNode value = node.get(key);
        return value != null && value.isString() ? value.stringValue() : null;
    }

    static Double number(JsonNode node, String key) {
        JsonNode value = node.get(key);
        return value != null && value.isNumber() ? value.doubleValue() : null;
    }
}
