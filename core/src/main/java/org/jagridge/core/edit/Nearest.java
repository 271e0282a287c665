package org.jagridge.core.edit;

import java.util.Collection;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** What somebody may have meant who wrote a word that is none. */
final class Nearest {
    /** Letters that may be wrong: one in two, and no more than two. */
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
        int slips = Math.min(MOST_SLIPS, Math.max(1, word.length() / 2));
        return words.stream()
                .filter(w -> distance(small, w) <= slips)
                .reduce((a, b) -> distance(small, a) <= distance(small, b) ? a : b);
    }

    private static int distance(String small, String other) {
        return LevenshteinDistance.getDefaultInstance().apply(small, other.toLowerCase(Locale.ROOT));
    }

    /** The end of a sentence: {@code "; did you mean K1?"}, or a full stop. */
    static String hint(String word, Collection<String> words) {
        return to(word, words).map(w -> "; did you mean " + w + "?").orElse(".");
    }
}
