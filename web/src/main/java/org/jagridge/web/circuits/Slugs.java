package org.jagridge.web.circuits;

import java.util.Locale;
import java.util.function.Predicate;

/** The words by which an address names something. */
public final class Slugs {
    private static final int LONGEST = 50;

    private Slugs() {}

    /**
     * An address word made of a name, with a number after it where it is taken.
     *
     * @param otherwise for a name without a letter or digit in it
     */
    public static String free(String name, String otherwise, Predicate<String> taken) {
        String plain =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        String stem = plain.isEmpty() ? otherwise : plain.substring(0, Math.min(LONGEST, plain.length()));
        String slug = stem;
        for (int i = 2; taken.test(slug); i++) {
            slug = stem + "-" + i;
        }
        return slug;
    }
}
