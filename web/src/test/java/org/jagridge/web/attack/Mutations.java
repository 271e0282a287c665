package org.jagridge.web.attack;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.format.JsonText;

/** Makes wrong bodies and fields of right ones, the same ones for the same seed. */
final class Mutations {
    private static final String LONG = "long ".repeat(1200);
    private static final List<Object> VALUES = List.of(
            "",
            " ",
            "x",
            "K1.A1",
            "TH.R",
            "../../etc",
            "<script>alert(1)</script>",
            "\u0000\u202e\ud83d\udd25",
            LONG,
            "true",
            "NaN",
            "-1",
            0,
            -1,
            1,
            2,
            1e308,
            -1e308,
            1e-300,
            9_223_372_036_854_775_807L,
            new java.math.BigInteger("9223372036854775808"),
            0.1);

    private final Random random;

    Mutations(long seed) {
        random = new Random(seed);
    }

    Random random() {
        return random;
    }

    <T> T any(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** Anything that a program might put in the place of anything. */
    Object anything() {
        return switch (random.nextInt(6)) {
            case 0 -> null;
            case 1 -> random.nextBoolean();
            case 2 -> List.of();
            case 3 -> Map.of("a", List.of(List.of()));
            default -> any(VALUES);
        };
    }

    /** A form's field: something right, or anything. */
    String field(List<String> right) {
        return random.nextInt(3) > 0 ? any(right) : String.valueOf(anything());
    }

    /** A tree with one to three things in it changed, taken away or doubled; now and then broken as a text. */
    String json(Object right) {
        Object tree = right;
        for (int i = random.nextInt(3); i >= 0; i--) {
            tree = changed(tree, 0);
        }
        String text = JsonText.write(tree);
        if (random.nextInt(12) > 0) {
            return text;
        }
        int at = random.nextInt(text.length());
        return random.nextBoolean() ? text.substring(0, at) : text.substring(0, at) + "[,\"" + text.substring(at);
    }

    private Object changed(Object node, int depth) {
        if (random.nextInt(7) == 0 && depth > 0) {
            return anything();
        }
        if (node instanceof Map<?, ?> map && !map.isEmpty()) {
            Map<String, Object> copy = new LinkedHashMap<>();
            map.forEach((k, v) -> copy.put(String.valueOf(k), v));
            String key = any(new ArrayList<>(copy.keySet()));
            switch (random.nextInt(8)) {
                case 0 -> copy.remove(key);
                case 1 -> copy.put(key + "2", anything());
                default -> copy.put(key, changed(copy.get(key), depth + 1));
            }
            return copy;
        }
        if (node instanceof List<?> list && !list.isEmpty()) {
            List<Object> copy = new ArrayList<>(list);
            int at = random.nextInt(copy.size());
            switch (random.nextInt(8)) {
                case 0 -> copy.remove(at);
                case 1 -> copy.add(copy.get(at));
                case 2 -> copy.add(at, null);
                default -> copy.set(at, changed(copy.get(at), depth + 1));
            }
            return copy;
        }
        return anything();
    }
}
