package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ColourLetters;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/**
 * What is said of a wire in brackets before the piece that it leads to.
 *
 * @param colour or null
 * @param cable the cable that it is a core of, or null
 * @param core the core's colour in it, or null
 * @param run who puts it in, or null where that isn't said
 */
record WireWords(String colour, String cable, String core, Wire.Run run) {
    private static final Pattern BRACKETS = Pattern.compile("^\\(\\s*([^()]*?)\\s*\\)\\s*(.*)$");
    private static final WireWords NOTHING = new WireWords(null, null, null, null);

    /** Takes a word that can't be read, what is meant by it if that can be told, and what there is to say. */
    interface Wrong {
        void accept(String word, Optional<String> meant, String message);
    }

    /** What stands after the brackets. */
    static String after(String piece) {
        Matcher m = BRACKETS.matcher(piece);
        return m.matches() ? m.group(2) : piece;
    }

    /**
     * What stands in the brackets.
     *
     * @param wrong takes what can't be read, and what would do
     */
    static WireWords before(String piece, Circuit circuit, Wrong wrong) {
        Matcher m = BRACKETS.matcher(piece);
        if (!m.matches() || m.group(1).isEmpty()) {
            return NOTHING;
        }
        Wire.Run run = null;
        Cable cable = null;
        List<String> colour = new ArrayList<>();
        for (String word : m.group(1).split("\\s+", -1)) {
            Optional<Cable> named = circuit.cables().stream()
                    .filter(c -> c.id().equalsIgnoreCase(word))
                    .findFirst();
            String small = word.toLowerCase(Locale.ROOT);
            if (small.equals("factory") || small.equals("field")) {
                run = small.equals("field") ? Wire.Run.FIELD : Wire.Run.FACTORY;
            } else if (named.isPresent() && cable == null) {
                cable = named.get();
            } else {
                colour.add(word);
            }
        }
        String said = colour.isEmpty() ? null : String.join(" ", colour);
        return cable == null ? ofItsOwn(said, run, wrong) : core(said, cable, run, wrong);
    }

    private static WireWords ofItsOwn(String colour, Wire.Run run, Wrong wrong) {
        if (colour != null && !ColourLetters.known().contains(colour.toLowerCase(Locale.ROOT))) {
            // other colours there are, but one that is nearly a known one is a slip
            Nearest.to(colour, ColourLetters.known())
                    .ifPresent(near -> wrong.accept(
                            colour, Optional.of(near), "\"" + colour + "\" is no colour; did you mean " + near + "?"));
        }
        return new WireWords(colour, null, null, run);
    }

    private static WireWords core(String colour, Cable cable, Wire.Run run, Wrong wrong) {
        Optional<String> core = colour == null ? Optional.empty() : Nearest.sameInAnyCase(colour, cable.cores());
        if (core.isEmpty()) {
            wrong.accept(
                    colour == null ? "" : colour,
                    colour == null ? Optional.empty() : Nearest.to(colour, cable.cores()),
                    (colour == null ? "say which core of " + cable.id() : cable.id() + " has no core " + colour)
                            + "; it has " + String.join(", ", cable.cores()));
        }
        return new WireWords(null, cable.id(), core.orElse(null), run);
    }

    /** The wire, without an id. */
    Wire between(Terminal from, Terminal to, Wire.Run usual) {
        return new Wire(
                "",
                from,
                to,
                colour == null ? null : colour.toLowerCase(Locale.ROOT),
                null,
                null,
                run == null ? usual : run,
                cable,
                core,
                List.of());
    }
}
