package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Problem;

/** Reads fields out of plain values and keeps every mistake with its path. */
final class Fields {
    private final List<Problem> problems = new ArrayList<>();

    List<Problem> problems() {
        return problems;
    }

    void wrong(String path, String message) {
        problems.add(new Problem(path, message));
    }

    /** An object, or an empty one where there is none. */
    @SuppressWarnings("unchecked")
    Map<String, Object> object(Object value, String path) {
        if (value instanceof Map<?, ?> m) {
            return (Map<String, Object>) m;
        }
        if (value != null || path.isEmpty()) {
            wrong(path, "an object was expected");
        }
        return Map.of();
    }

    void known(Map<String, Object> m, String path, String... keys) {
        for (String key : m.keySet()) {
            if (!List.of(keys).contains(key)) {
                wrong(path + "/" + key, "nothing here has this name; expected some of " + String.join(", ", keys));
            }
        }
    }

    List<Object> list(Map<String, Object> m, String key, String path) {
        Object value = m.get(key);
        if (value instanceof List<?> l) {
            return new ArrayList<>(l);
        }
        if (value != null) {
            wrong(path + "/" + key, "a list was expected");
        }
        return List.of();
    }

    /** @param usual where it is left out; null where it must be there */
    String text(Map<String, Object> m, String key, String path, String usual) {
        Object value = m.get(key);
        if (value instanceof String s) {
            return s;
        }
        if (value != null || usual == null) {
            wrong(path + "/" + key, value == null ? "this is needed" : "a text was expected");
        }
        return usual == null ? "" : usual;
    }

    String choice(Map<String, Object> m, String key, String path, List<String> words, String usual) {
        String word = text(m, key, path, usual);
        if (!words.contains(word)) {
            if (m.get(key) instanceof String) {
                wrong(
                        path + "/" + key,
                        "\"" + word + "\" isn't known here; expected one of " + String.join(", ", words));
            }
            return usual == null ? words.get(words.size() - 1) : usual;
        }
        return word;
    }

    List<String> texts(Map<String, Object> m, String key, String path, List<String> usual) {
        if (m.get(key) == null) {
            if (usual == null) {
                wrong(path + "/" + key, "this list is needed");
            }
            return usual == null ? List.of() : usual;
        }
        List<String> texts = new ArrayList<>();
        List<Object> list = list(m, key, path);
        for (int i = 0; i < list.size(); i++) {
            if (list.get(i) instanceof String s && !s.isBlank()) {
                texts.add(s);
            } else {
                wrong(path + "/" + key + "/" + i, "a text was expected");
            }
        }
        return texts;
    }

    Set<String> choices(Map<String, Object> m, String key, String path, List<String> words, List<String> usual) {
        Set<String> chosen = new LinkedHashSet<>();
        List<String> texts = texts(m, key, path, usual);
        for (int i = 0; i < texts.size(); i++) {
            if (words.contains(texts.get(i))) {
                chosen.add(texts.get(i));
            } else {
                wrong(
                        path + "/" + key + "/" + i,
                        "\"" + texts.get(i) + "\" isn't known here; expected some of " + String.join(", ", words));
            }
        }
        return chosen;
    }

    double number(Map<String, Object> m, String key, String path, double usual, double least, double most) {
        Object value = m.get(key);
        if (value == null) {
            return usual;
        }
        if (value instanceof Number n && n.doubleValue() >= least && n.doubleValue() <= most) {
            return n.doubleValue();
        }
        wrong(path + "/" + key, "a number from " + least + " to " + most + " was expected");
        return usual;
    }

    boolean flag(Map<String, Object> m, String key, String path, boolean usual) {
        Object value = m.get(key);
        if (value instanceof Boolean b) {
            return b;
        }
        if (value != null) {
            wrong(path + "/" + key, "true or false was expected");
        }
        return usual;
    }
}
