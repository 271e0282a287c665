package org.jagridge.core.circuit;

import java.util.Comparator;
import java.util.regex.Pattern;

/**
 * One screw or tab: the terminal {@code name} of the part (or, for {@code PE}, the place) {@code part}.
 *
 * @param part id of a part or place; with a {@code ~} before it that of a wire with a {@link BareEnd}
 * @param name free text without spaces, dots or {@code >}
 */
public record Terminal(String part, String name) implements Comparable<Terminal> {
    private static final Pattern FORM = Pattern.compile("~?[A-Za-z][A-Za-z0-9_-]{0,31}\\.[^\\s.>]+");

    /** Whether {@code text} has the form {@code PART.TERMINAL}. */
    public static boolean isWellFormed(String text) {
        return FORM.matcher(text).matches();
    }

    /**
     * Reads {@code PART.TERMINAL}.
     *
     * @throws IllegalArgumentException where the text has another form
     */
    public static Terminal parse(String text) {
        if (!isWellFormed(text)) {
            throw new IllegalArgumentException("\"" + text + "\" is not a terminal; write PART.TERMINAL, like K1.A1");
        }
        int dot = text.indexOf('.');
        return new Terminal(text.substring(0, dot), text.substring(dot + 1));
    }

    @Override
    public int compareTo(Terminal other) {
        return Comparator.comparing(Terminal::part)
                .thenComparing(Terminal::name)
                .compare(this, other);
    }

    @Override
    public String toString() {
        return part + "." + name;
    }
}
