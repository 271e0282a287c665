package org.jagridge.core.circuit;

/**
 * The address of something that a hand or the world sets: {@code PART.name}.
 *
 * @param name as the part's type declares it
 */
public record Input(String part, String name) {
    /**
     * Reads {@code PART.name}.
     *
     * @throws IllegalArgumentException where the text has another form
     */
    public static Input parse(String text) {
        if (!isWellFormed(text)) {
            throw new IllegalArgumentException("\"" + text + "\" is not an input; write PART.input, like TH.mode");
        }
        int dot = text.indexOf('.');
        return new Input(text.substring(0, dot), text.substring(dot + 1));
    }

    public static boolean isWellFormed(String text) {
        int dot = text.indexOf('.');
        return dot > 0 && dot < text.length() - 1;
    }

    public Input renamed(Rename names) {
        return new Input(names.part(part), name);
    }

    @Override
    public String toString() {
        return part + "." + name;
    }
}
