package org.jagridge.core.plan;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** A constant that the interface writes in small letters with hyphens. */
public interface Worded {
    /** Places that are called after what hangs there, and what else is named in a request. */
    enum Spot implements Worded {
        THERMOSTAT,
        TRANSFORMER
    }

    String name();

    /** As the interface writes it: {@code gas-furnace} for {@code GAS_FURNACE}. */
    default String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The words of all constants of a kind. */
    static <E extends Enum<E> & Worded> List<String> all(Class<E> kind) {
        return Arrays.stream(kind.getEnumConstants()).map(Worded::word).toList();
    }

    /**
     * The constant that a word stands for.
     *
     * @throws IllegalArgumentException where there is none
     */
    static <E extends Enum<E> & Worded> E of(Class<E> kind, String word) {
        return Arrays.stream(kind.getEnumConstants())
                .filter(e -> e.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(word));
    }
}
