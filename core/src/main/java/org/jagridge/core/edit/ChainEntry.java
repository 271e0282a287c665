package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.PartTypes;

/**
 * Reads a rung as one reads it off a diagram: {@code T1.X1 > F1 > TH.R-W > LIM > GV > T1.X2} makes the wires between.
 *
 * <p>A piece is a terminal ({@code T1.X1}), a contact or other way through a part named by two terminals ({@code
 * TH.R-W}: in at R, out at W), or a part that has just two terminals ({@code F1}: in at one, out at the other; at the
 * end that is already wired to its neighbour in the chain, where there is one). A place stands for its metalwork. A part
 * that isn't there yet is made by naming what it is, and where it is if the pieces before it are elsewhere: {@code
 * F9:fuse}, {@code K9:relay@panel}. Ids and names are understood in any case. After {@code >} may follow in brackets what
 * the wire is: its colour, or a cable and its core, and who puts it in: {@code >(red factory)}, {@code >(TC red)}. What
 * is already wired isn't wired again, so a line may begin with pieces that are there.
 */
public final class ChainEntry {
    private static final Problem WIRED = new Problem("", "all of this is already wired");

    private final Circuit circuit;
    private final Wire.Run run;
    private final List<Problem> problems = new ArrayList<>();
    /** The parts that the line makes, by id. */
    private final Map<String, Part> made = new LinkedHashMap<>();

    private final List<Piece> turnable = new ArrayList<>();
    private String[] texts = {};

    private ChainEntry(Circuit circuit, Wire.Run run) {
        this.circuit = circuit;
        this.run = run;
    }

    /** What a line asks for and isn't there yet: parts, and wires without ids. */
    public record Rung(List<Part> parts, List<Wire> wires) {}

    /** A piece of the chain: where it is entered and where it is left, and the wire that leads to it. */
    private record Piece(Terminal in, Terminal out, WireWords wire) {
        Piece turned() {
            return new Piece(out, in, wire);
        }
    }

    /**
     * The parts and wires that a line asks for and that aren't there yet.
     *
     * @throws MalformedException with every piece that can't be read, each with its place in the line
     */
    public static Rung read(String line, Circuit circuit, Wire.Run run) {
        try {
            return new ChainEntry(circuit, run).read(line);
        } catch (MalformedException e) {
            throw new MalformedException(ChainSlips.mended(line, e.problems(), l -> reads(l, circuit, run)));
        }
    }

    private static boolean reads(String line, Circuit circuit, Wire.Run run) {
        try {
            new ChainEntry(circuit, run).read(line);
            return true;
        } catch (MalformedException e) {
            return e.problems().equals(List.of(WIRED));
        }
    }

    private Rung read(String line) {
        texts = line.strip().split(">", -1);
        if (texts.length < 2) {
            throw new MalformedException(
                    List.of(new Problem("", "a chain needs at least two pieces with > between them, like T1.X1 > F1")));
        }
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < texts.length; i++) {
            pieces.add(piece(texts[i].strip(), i, pieces));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        List<Wire> wires = new ArrayList<>();
        for (int i = 1; i < pieces.size(); i++) {
            settle(pieces, i);
            Terminal from = pieces.get(i - 1).out();
            Terminal to = pieces.get(i).in();
            if (from.equals(to)) {
                problems.add(new Problem("/" + i, "the chain goes from " + from + " to itself"));
            } else if (!isWired(from, to)) {
                Wire wire = pieces.get(i).wire().between(from, to, run);
                mistakeIn(wire, i);
                wires.add(wire);
            }
        }
        if (problems.isEmpty() && wires.isEmpty()) {
            problems.add(WIRED);
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return new Rung(List.copyOf(made.values()), wires);
    }

    /** A core runs between its cable's two places, and nowhere else. */
    private void mistakeIn(Wire wire, int index) {
        circuit.cable(wire.cable() == null ? "" : wire.cable()).ifPresent(cable -> {
            RowWords.misplaced(cable, wire.from(), placeOf(wire.from()), wire.to(), placeOf(wire.to()))
                    .ifPresent(words -> problem(index, words));
        });
    }

    private String placeOf(Terminal t) {
        return part(t.part()).map(Part::place).orElse(t.part());
    }

    /** Turns a part around where it is already wired to the piece before it at its other end. */
    private void settle(List<Piece> pieces, int i) {
        Piece here = pieces.get(i);
        Terminal before = pieces.get(i - 1).out();
        boolean turn = !isWired(before, here.in()) && isWired(before, here.out());
        if (!turn && i + 1 < pieces.size() && !isWired(before, here.in())) {
            Terminal after = pieces.get(i + 1).in();
            turn = isWired(here.in(), after) && !isWired(here.out(), after);
        }
        if (turn && turnable.contains(here)) {
            pieces.set(i, here.turned());
        }
    }

    private boolean isWired(Terminal a, Terminal b) {
        return circuit.wires().stream()
                .anyMatch(w ->
                        (w.from().equals(a) && w.to().equals(b)) || (w.from().equals(b) && w.to().equals(a)));
    }

    // ---- one piece

    private Piece piece(String text, int index, List<Piece> before) {
        if (text.startsWith("(") && text.indexOf(')') < 0) {
            return problem(
                    index, "its bracket isn't closed; what a wire is stands before where it goes, like (red) F1");
        }
        WireWords wire = WireWords.before(text, circuit, (word, meant, message) -> slip(index, word, meant, message));
        String name = WireWords.after(text);
        if (name.isEmpty()) {
            return problem(index, "nothing stands here");
        }
        int dot = name.indexOf('.');
        String head = dot < 0 ? name : name.substring(0, dot);
        String rest = dot < 0 ? null : name.substring(dot + 1);
        if (head.indexOf(':') >= 0) {
            Part part = make(head, index, before);
            return part == null ? null : through(part, rest, wire, index);
        }
        Optional<Part> part = named(head);
        if (part.isPresent()) {
            return through(part.get(), rest, wire, index);
        }
        Optional<Place> place = place(head);
        if (place.isPresent() && (rest == null || rest.equalsIgnoreCase("PE"))) {
            Terminal metalwork = place.get().metalwork();
            return new Piece(metalwork, metalwork, wire);
        }
        return slip(
                index,
                head,
                Nearest.to(head, ids()),
                "there is no part " + head + Nearest.hint(head, ids())
                        + (canBePart(head) ? " To make it, say what it is, like " + PartTypes.example(head) : ""));
    }

    private static boolean canBePart(String id) {
        return Terminal.isWellFormed(id + ".1");
    }

    private List<String> ids() {
        return Stream.concat(circuit.parts().stream(), made.values().stream())
                .map(Part::id)
                .toList();
    }

    private Optional<Part> part(String id) {
        return circuit.part(id).or(() -> Optional.ofNullable(made.get(id)));
    }

    /** By id; in any case where that can't be mistaken; by its name. */
    private Optional<Part> named(String word) {
        return part(word)
                .or(() -> Nearest.sameInAnyCase(word, ids()).flatMap(this::part))
                .or(() -> {
                    List<Part> alike = circuit.parts().stream()
                            .filter(p -> word.equalsIgnoreCase(p.name()))
                            .toList();
                    return alike.size() == 1 ? Optional.of(alike.get(0)) : Optional.empty();
                });
    }

    private Optional<Place> place(String word) {
        return RowWords.place(circuit, word);
    }

    /** The part that {@code F9:fuse} or {@code F9:fuse@panel} makes. */
    private Part make(String head, int index, List<Piece> before) {
        int colon = head.indexOf(':');
        int at = head.indexOf('@', colon);
        String id = head.substring(0, colon).strip();
        String kind = (at < 0 ? head.substring(colon + 1) : head.substring(colon + 1, at)).strip();
        if (!canBePart(id)) {
            return refuse(index, "\"" + id + "\" can't be the name of a part; letters, digits, - and _ can");
        }
        Optional<PartType> type = RowWords.type(kind);
        if (type.isEmpty()) {
            slip(
                    index,
                    kind,
                    Nearest.to(kind, RowWords.kinds()),
                    "there is no kind of part \"" + kind + "\"" + Nearest.hint(kind, RowWords.kinds())
                            + " The catalogue lists them all");
            return null;
        }
        Optional<Part> there = named(id);
        if (there.isPresent()) {
            return there.get().type().equals(type.get().type())
                    ? there.get()
                    : refuse(
                            index,
                            there.get().id() + " is there already, as a "
                                    + there.get().type());
        }
        Optional<String> where = at < 0
                ? usualPlace(before)
                : place(head.substring(at + 1).strip()).map(Place::id);
        if (where.isEmpty()) {
            return refuse(
                    index,
                    circuit.places().isEmpty()
                            ? "there is no place yet to put " + id + " in; add one under Places and cables"
                            : "say where " + id + " is: " + id + ":" + kind + "@"
                                    + circuit.places().get(0).id());
        }
        Part part =
                new Part(id, type.get().type(), where.get(), null, Map.of(), true, Part.WhenNotFitted.OPEN, Map.of());
        made.put(id, part);
        return part;
    }

    /** Where the piece before is, or the only place that there is. */
    private Optional<String> usualPlace(List<Piece> before) {
        for (int i = before.size() - 1; i >= 0; i--) {
            if (before.get(i) != null) {
                return Optional.of(placeOf(before.get(i).out()));
            }
        }
        return circuit.places().size() == 1
                ? Optional.of(circuit.places().get(0).id())
                : Optional.empty();
    }

    /** @param rest what stands after the point, or null */
    private Piece through(Part part, String rest, WireWords wire, int index) {
        PartType type = PartTypes.catalogue().require(part);
        List<String> terminals = type.terminals(new Params(type.params(), part.params()));
        return rest == null
                ? whole(part.id(), terminals, wire, index)
                : terminals(part.id(), rest, terminals, wire, index);
    }

    private Piece whole(String id, List<String> terminals, WireWords wire, int index) {
        if (terminals.size() != 2) {
            return problem(
                    index,
                    id + " has the terminals " + String.join(", ", terminals) + "; say which, as " + id + "."
                            + (terminals.isEmpty() ? "1" : terminals.get(0))
                            + (terminals.size() > 1
                                    ? " or " + id + "." + terminals.get(0) + "-" + terminals.get(1)
                                    : ""));
        }
        Piece piece = new Piece(new Terminal(id, terminals.get(0)), new Terminal(id, terminals.get(1)), wire);
        turnable.add(piece);
        return piece;
    }

    private Piece terminals(String id, String name, List<String> terminals, WireWords wire, int index) {
        if (terminals.contains(own(id, name, terminals))) {
            Terminal t = new Terminal(id, own(id, name, terminals));
            return new Piece(t, t, wire);
        }
        for (int dash = name.indexOf('-'); dash >= 0; dash = name.indexOf('-', dash + 1)) {
            String in = own(id, name.substring(0, dash), terminals);
            String out = own(id, name.substring(dash + 1), terminals);
            if (terminals.contains(in) && terminals.contains(out)) {
                if (in.equals(out)) {
                    return problem(
                            index, id + "." + name + " is no way through: it goes in and out at the same terminal");
                }
                return new Piece(new Terminal(id, in), new Terminal(id, out), wire);
            }
        }
        return slip(
                index,
                name,
                Nearest.to(name, terminals),
                id + " has no terminal " + name + "; it has " + String.join(", ", terminals));
    }

    /** The terminal's own name where a maker's mark was written, or its name in another case. */
    private String own(String id, String written, List<String> terminals) {
        String address = id + "." + written;
        String name = Terminal.isWellFormed(address)
                ? circuit.named(address, t -> terminals.contains(t.name())).name()
                : written;
        return terminals.contains(name)
                ? name
                : Nearest.sameInAnyCase(name, terminals).orElse(name);
    }

    private Part refuse(int index, String message) {
        problem(index, message);
        return null;
    }

    /** A word of a piece that is none, with the line in which what was meant stands in its place. */
    private Piece slip(int index, String word, Optional<String> meant, String message) {
        String instead = meant.map(m -> {
                    String[] mended = texts.clone();
                    mended[index] = mended[index].replace(word, m);
                    return String.join(
                            " > ", Arrays.stream(mended).map(String::strip).toList());
                })
                .orElse(null);
        problems.add(new Problem("/" + index, piece(index, message), instead));
        return null;
    }

    private static String piece(int index, String message) {
        return "piece " + (index + 1) + ": " + message;
    }

    private Piece problem(int index, String message) {
        problems.add(new Problem("/" + index, piece(index, message)));
        return null;
    }
}
