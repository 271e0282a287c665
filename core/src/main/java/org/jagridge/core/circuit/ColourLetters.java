package org.jagridge.core.circuit;

import java.util.Locale;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** The letters of insulation colours, for drawings without colour (IEC 60757; a second conductor of a colour gets its number). */
public final class ColourLetters {
    private static final Map<String, String> LETTERS = Map.ofEntries(
            Map.entry("black", "BK"),
            Map.entry("brown", "BN"),
            Map.entry("red", "RD"),
            Map.entry("orange", "OG"),
            Map.entry("yellow", "YE"),
            Map.entry("green", "GN"),
            Map.entry("blue", "BU"),
            Map.entry("purple", "VT"),
            Map.entry("violet", "VT"),
            Map.entry("grey", "GY"),
            Map.entry("gray", "GY"),
            Map.entry("white", "WH"),
            Map.entry("pink", "PK"),
            Map.entry("turquoise", "TQ"),
            Map.entry("bare", "BARE"));

    private static final Pattern WORD = Pattern.compile("[a-z]+|[0-9]+");

    private ColourLetters() {}

    /** The colours that have letters of their own. */
    public static SortedSet<String> known() {
        return new TreeSet<>(LETTERS.keySet());
    }

    /** The letters of a colour's name, those of its two where it is striped; empty where it is unknown. */
    public static String of(String colour) {
        if (colour == null) {
            return "";
        }
        StringBuilder letters = new StringBuilder();
        WORD.matcher(colour.toLowerCase(Locale.ROOT))
                .results()
                .map(MatchResult::group)
                .forEach(word -> letters.append(LETTERS.getOrDefault(
                        word, word.substring(0, Math.min(2, word.length())).toUpperCase(Locale.ROOT))));
        return letters.toString();
    }

    /** The letters of a wire's colour at one of its ends. */
    public static String at(Circuit circuit, Wire wire, int end) {
        return of(
                wire.colourAtEnds().isEmpty()
                        ? circuit.colourOf(wire)
                        : wire.colourAtEnds().get(end));
    }
}
