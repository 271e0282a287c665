package org.jagridge.core.edit;

import java.util.Collection;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** What somebody may have meant who wrote a word that is none. */
final class Nearest {
    /** Letters that may be wrong: one in two, and no more than two; a single letter is no slip of another. */
    private static final int MOST_SLIPS = 2;

    private Nearest() {}

    /** The one of several words that is written alike in any case, if it is only one. */
    static Optional<String> sameInAnyCase(String word, Collection<String> words) {
        var alike = words.stream().filter(w -> w.equalsIgnoreCase(word)).toList();
        return alike.size() == 1 ? Optional.of(alike.get(0)) : Optional.empty();
    }

    /** The first of the nearest words, by the letters that would have to change; empty where none is near. */
    static Optional<String> to(String word, Collection<String> words) {
        String small = word.toLowerCase(Locale.ROOT);
        int slips = Math.min(MOST_SLIPS, word.length() / 2);
        return words.stream()
                .filter(w -> distance(small, w) <= slips)
                .reduce((a, b) -> distance(small, a) <= distance(small, b) ? a : b);
    }

    private static int distance(String small, String other) {
        String known = other.toLowerCase(Locale.ROOT);
        return !small.equals(known) && sorted(small).equals(sorted(known))
                ? 1
                : LevenshteinDistance.getDefaultInstance().apply(small, known);
    }

    /** Letters that have changed places are one slip. */
    private static String sorted(String word) {
        return word.chars().sorted().mapToObj(Character::toString).collect(Collectors.joining());
    }

    /** The end of a sentence: {@code "; did you mean K1?"}, or a full stop. */
    static String hint(String word, Collection<String> words) {
        return to(word, words).map(w -> "; did you mean " + w + "?").orElse(".");
    }
}
