package org.jagridge.web.circuits;

import java.util.List;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;

/** What people type into a heading, fitted to its column. */
public final class Texts {
    private Texts() {}

    /** Without blanks around it, and no longer than {@code most} letters. */
    public static String cut(String text, int most) {
        String t = text.strip();
        return t.length() <= most ? t : t.substring(0, most);
    }

    /**
     * Without blanks around it.
     *
     * @param what it is, as the beginning of a sentence
     * @throws MalformedException where it is longer than {@code most} letters; nothing is cut off without a word
     */
    public static String within(String text, int most, String what) {
        String t = text.strip();
        if (t.length() > most) {
            throw new MalformedException(List.of(new Problem(
                    "",
                    what + " has " + t.length() + " letters; there is room for " + most + ". Nothing was stored.")));
        }
        return t;
    }
}
