package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ColourLetters;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.PartTypes;

/**
 * Reads the fields of a row as people type them: names of kinds, places and cables in any case, {@code 18 awg}, {@code 40
 * ft}. What can't be read is collected, each mistake with its field, the word, and what would do in its place where that
 * can be told.
 */
public final class RowWords {
    private static final Pattern ID = Pattern.compile("[A-Za-z][A-Za-z0-9_-]{0,31}");

    private final Circuit circuit;
    private final List<Problem> problems = new ArrayList<>();

    public RowWords(Circuit circuit) {
        this.circuit = circuit;
    }

    /** Whether everything that was asked so far could be read. */
    public boolean allRead() {
        return problems.isEmpty();
    }

    /** @throws MalformedException with all that couldn't be read */
    public void done() {
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
    }

    /** Something that can't be read, with what would do or null. */
    public void wrong(String field, String message, String instead) {
        problems.add(new Problem("/" + field, message, instead));
    }

    /** A word that must be there; empty text, and told, where it isn't. */
    public String required(String field, String value) {
        if (value == null) {
            wrong(field, field + " is missing", null);
        }
        return value == null ? "" : value;
    }

    /** An id that can be one; null for none, which is left to be found. */
    public String id(String field, String text) {
        if (text != null && !ID.matcher(text).matches()) {
            wrong(
                    field,
                    "\"" + text
                            + "\" can't be an id: it begins with a letter, and has up to 32 letters, digits, - and _",
                    null);
        }
        return text;
    }

    /** The kind of part that a word names: as in the file format, or as the catalogue shows it, in any case. */
    static Optional<PartType> type(String kind) {
        String word = plain(kind);
        return PartTypes.catalogue().all().stream()
                .filter(t -> t.type().equals(word) || plain(t.title()).equals(word))
                .findFirst();
    }

    private static String plain(String words) {
        return words.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s_-]+", "-");
    }

    static List<String> kinds() {
        return PartTypes.catalogue().all().stream()
                .flatMap(t -> Stream.of(t.type(), t.title()))
                .toList();
    }

    /** The kind of a part; null where it can't be read. */
    public PartType type(String field, String kind) {
        if (kind == null) {
            wrong(field, "say what it is, like relay; the catalogue lists all kinds", null);
            return null;
        }
        Optional<PartType> type = type(kind);
        if (type.isEmpty()) {
            near(field, "there is no kind of part \"" + kind + "\"", kind, kinds(), "; the catalogue lists them all");
        }
        return type.orElse(null);
    }

    /** The id of a place, by its id or name. */
    public String place(String field, String word) {
        Optional<Place> place = place(circuit, word);
        if (place.isEmpty()) {
            List<String> ids = circuit.places().stream().map(Place::id).toList();
            near(field, "there is no place \"" + word + "\"", word, ids, ids.isEmpty() ? "; add it first" : anyOf(ids));
        }
        return place.map(Place::id).orElse("");
    }

    static Optional<Place> place(Circuit circuit, String word) {
        return circuit.places().stream()
                .filter(p -> word.equalsIgnoreCase(p.id()) || word.equalsIgnoreCase(p.name()))
                .findFirst();
    }

    /** How a place is reached. */
    public Place.Access access(String field, String word) {
        List<String> words =
                Arrays.stream(Place.Access.values()).map(Place.Access::word).toList();
        Optional<String> known = Nearest.sameInAnyCase(word, words);
        if (known.isEmpty()) {
            near(field, "\"" + word + "\" is no way to reach a place", word, words, anyOf(words));
        }
        return known.map(Place.Access::of).orElse(Place.Access.PANEL);
    }

    /** A conductor size: {@code 18AWG}, {@code 18 awg}, {@code #18}, {@code 1.5 mm²}; null for none. */
    public ConductorSize size(String field, String text) {
        if (text == null) {
            return null;
        }
        String word = text.toLowerCase(Locale.ROOT)
                .replaceAll("[\\s#]+", "")
                .replace(',', '.')
                .replace("mm²", "mm2");
        String number = word.replaceAll("(awg|mm2|sq|mm)", "");
        boolean metric = word.contains("mm") || word.contains("sq") || number.contains(".");
        for (ConductorSize size : ConductorSize.values()) {
            String known = size.word().toLowerCase(Locale.ROOT);
            if (known.equals(word)
                    || (known.endsWith("mm2") == metric && same(known.replaceAll("(awg|mm2)", ""), number))) {
                return size;
            }
        }
        List<String> words =
                Arrays.stream(ConductorSize.values()).map(ConductorSize::word).toList();
        near(field, "\"" + text + "\" is no conductor size", word, words, "; sizes are " + String.join(", ", words));
        return null;
    }

    private static boolean same(String a, String b) {
        return b.matches("[0-9]+(\\.[0-9]+)?") && Double.parseDouble(a) == Double.parseDouble(b);
    }

    /** A length in metres; feet where that is written behind it; null for none. */
    public Double metres(String field, String text) {
        if (text == null) {
            return null;
        }
        OptionalDouble length = Quantity.read(text, Quantity.METRES);
        if (length.isEmpty() || length.getAsDouble() < 0) {
            wrong(field, "the length \"" + text + "\" is not a number of metres; write 12, 12.5 m or 40 ft", null);
            return null;
        }
        return length.getAsDouble();
    }

    /** A terminal that is there; its id and name in any case, also by the maker's mark. */
    public Terminal terminal(String field, String text) {
        Terminal nowhere = new Terminal("?", "?");
        if (text == null) {
            wrong(field, field + " is missing: write part and terminal, like " + example(), null);
            return nowhere;
        }
        int dot = text.indexOf('.');
        String head = dot < 0 ? text : text.substring(0, dot);
        String name = dot < 0 ? "" : text.substring(dot + 1);
        Optional<Place> place = place(circuit, head);
        if (place.isPresent()
                && (dot < 0 || name.equalsIgnoreCase("PE"))
                && circuit.part(head).isEmpty()) {
            return place.get().metalwork();
        }
        List<String> ids = circuit.parts().stream().map(Part::id).toList();
        Optional<Part> part = circuit.part(head)
                .or(() -> Nearest.sameInAnyCase(head, ids).flatMap(circuit::part))
                .or(() -> circuit.parts().stream()
                        .filter(p -> head.equalsIgnoreCase(p.name()))
                        .findFirst());
        if (part.isEmpty()) {
            String instead = Nearest.to(head, ids)
                    .map(id -> dot < 0 ? id : id + "." + name)
                    .orElse(null);
            wrong(
                    field,
                    "there is no part \"" + head + "\""
                            + (instead == null ? "; add it under Parts first" : "; did you mean " + instead + "?"),
                    instead);
            return nowhere;
        }
        List<String> terminals = PartTypes.terminalsOf(part.get());
        if (name.isEmpty()) {
            wrong(
                    field,
                    part.get().id() + " is a part; say which terminal of it: " + String.join(", ", terminals),
                    terminals.isEmpty() ? null : part.get().id() + "." + terminals.get(0));
            return nowhere;
        }
        Optional<String> own = own(part.get(), name, terminals);
        if (own.isEmpty()) {
            Optional<String> near =
                    Nearest.to(name, terminals).map(t -> part.get().id() + "." + t);
            wrong(
                    field,
                    part.get().id() + " has no terminal \"" + name + "\""
                            + near.map(n -> "; did you mean " + n + "?").orElse("")
                            + (near.isPresent() ? " It has " : "; it has ") + String.join(", ", terminals),
                    near.orElse(null));
        }
        return own.map(t -> new Terminal(part.get().id(), t)).orElse(nowhere);
    }

    private Optional<String> own(Part part, String written, List<String> terminals) {
        String address = part.id() + "." + written;
        String name = Terminal.isWellFormed(address)
                ? circuit.named(address, t -> terminals.contains(t.name())).name()
                : written;
        return terminals.contains(name) ? Optional.of(name) : Nearest.sameInAnyCase(name, terminals);
    }

    private String example() {
        return circuit.parts().stream()
                .filter(p -> !PartTypes.terminalsOf(p).isEmpty())
                .findFirst()
                .map(p -> p.id() + "." + PartTypes.terminalsOf(p).get(0))
                .orElse("K1.A1");
    }

    /** The colour of a wire of its own. Other colours than the known ones there are; one that is nearly known is a slip. */
    public String colour(String field, String text) {
        if (text == null) {
            return null;
        }
        String colour = text.toLowerCase(Locale.ROOT);
        if (!ColourLetters.known().contains(colour)) {
            Nearest.to(colour, ColourLetters.known())
                    .ifPresent(near -> wrong(field, "\"" + text + "\" is no colour; did you mean " + near + "?", near));
        }
        return colour;
    }

    /** The id of a cable; null where it can't be read. */
    public Cable cable(String field, String text) {
        List<String> ids = circuit.cables().stream().map(Cable::id).toList();
        Optional<Cable> cable = Nearest.sameInAnyCase(text, ids).flatMap(circuit::cable);
        if (cable.isEmpty()) {
            near(
                    field,
                    "there is no cable \"" + text + "\"",
                    text,
                    ids,
                    ids.isEmpty() ? "; add it under Places and cables first" : anyOf(ids));
        }
        return cable.orElse(null);
    }

    /** A core of a cable, in any case. */
    public String core(String field, String text, Cable cable) {
        Optional<String> core = text == null ? Optional.empty() : Nearest.sameInAnyCase(text, cable.cores());
        if (core.isEmpty()) {
            String why =
                    text == null ? "say which core of " + cable.id() : cable.id() + " has no core \"" + text + "\"";
            near(field, why, text == null ? "" : text, cable.cores(), "; it has " + String.join(", ", cable.cores()));
        }
        return core.orElse(null);
    }

    /** A core runs between its cable's two places, and nowhere else. */
    public void betweenPlaces(String field, Cable cable, Terminal from, Terminal to) {
        misplaced(cable, from, placeOf(from), to, placeOf(to)).ifPresent(words -> wrong(field, words, null));
    }

    private String placeOf(Terminal t) {
        return circuit.part(t.part()).map(Part::place).orElse(t.part());
    }

    /** Why a core of a cable can't run between two terminals that are in places {@code a} and {@code b}; empty where it can. */
    static Optional<String> misplaced(Cable cable, Terminal from, String a, Terminal to, String b) {
        boolean fits =
                (a.equals(cable.from()) && b.equals(cable.to())) || (a.equals(cable.to()) && b.equals(cable.from()));
        return fits
                ? Optional.empty()
                : Optional.of(cable.id() + " runs from " + cable.from() + " to " + cable.to() + ", but " + from
                        + " is in " + a + " and " + to + " in " + b);
    }

    private static String anyOf(List<String> words) {
        return "; there " + (words.size() == 1 ? "is " : "are ") + String.join(", ", words);
    }

    /** @param otherwise the end of the sentence where no word is near */
    private void near(String field, String why, String word, Collection<String> words, String otherwise) {
        Optional<String> near = word.isEmpty() ? Optional.empty() : Nearest.to(word, words);
        wrong(field, near.map(n -> why + "; did you mean " + n + "?").orElse(why + otherwise), near.orElse(null));
    }
}
