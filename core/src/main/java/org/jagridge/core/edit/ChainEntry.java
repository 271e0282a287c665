package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.PartTypes;

/**
 * Reads a rung as one reads it off a diagram: {@code T1.X1 > F1 > TH.R-W > LIM > GV > T1.X2} makes the wires between.
 *
 * <p>A piece is a terminal ({@code T1.X1}), a contact or other way through a part named by two terminals ({@code
 * TH.R-W}: in at R, out at W), or a part that has just two terminals ({@code F1}: in at one, out at the other; at the
 * end that is already wired to its neighbour in the chain, where there is one). A place stands for its metalwork. After
 * {@code >} the wire's colour may follow in brackets: {@code >(red)}. What is already wired isn't wired again, so a line
 * may begin with pieces that are there.
 */
public final class ChainEntry {
    private static final Pattern COLOUR = Pattern.compile("^\\(\\s*([^()]+?)\\s*\\)\\s*(.*)$");

    private final Circuit circuit;
    private final Wire.Run run;
    private final List<Problem> problems = new ArrayList<>();

    private ChainEntry(Circuit circuit, Wire.Run run) {
        this.circuit = circuit;
        this.run = run;
    }

    /** A piece of the chain: where it is entered and where it is left. */
    private record Piece(Terminal in, Terminal out, String colour) {
        Piece turned() {
            return new Piece(out, in, colour);
        }
    }

    /**
     * The wires that a line asks for and that aren't there yet, without ids.
     *
     * @throws MalformedException with every piece that can't be read, each with its place in the line
     */
    public static List<Wire> read(String line, Circuit circuit, Wire.Run run) {
        return new ChainEntry(circuit, run).read(line);
    }

    private List<Wire> read(String line) {
        String[] texts = line.strip().split(">", -1);
        if (texts.length < 2) {
            throw new MalformedException(
                    List.of(new Problem("", "a chain needs at least two pieces with > between them, like T1.X1 > F1")));
        }
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < texts.length; i++) {
            pieces.add(piece(texts[i].strip(), i));
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
                wires.add(new Wire("", from, to, pieces.get(i).colour(), null, null, run, null, null, List.of()));
            }
        }
        if (problems.isEmpty() && wires.isEmpty()) {
            problems.add(new Problem("", "all of this is already wired"));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return wires;
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

    private final List<Piece> turnable = new ArrayList<>();

    private boolean isWired(Terminal a, Terminal b) {
        return circuit.wires().stream()
                .anyMatch(w ->
                        (w.from().equals(a) && w.to().equals(b)) || (w.from().equals(b) && w.to().equals(a)));
    }

    private Piece piece(String text, int index) {
        String colour = null;
        String name = text;
        Matcher bracket = COLOUR.matcher(text);
        if (bracket.matches()) {
            colour = bracket.group(1);
            name = bracket.group(2);
        }
        int dot = name.indexOf('.');
        String id = dot < 0 ? name : name.substring(0, dot);
        Optional<Part> part = circuit.part(id);
        if (part.isEmpty() && circuit.place(id).isPresent() && (dot < 0 || name.endsWith(".PE"))) {
            Terminal metalwork = new Terminal(id, "PE");
            return new Piece(metalwork, metalwork, colour);
        }
        if (part.isEmpty()) {
            return problem(
                    index,
                    id.isEmpty() ? "nothing stands here" : "there is no part " + id + "; add it to the parts first");
        }
        List<String> terminals = PartTypes.catalogue()
                .require(part.get())
                .terminals(new Params(
                        PartTypes.catalogue().require(part.get()).params(),
                        part.get().params()));
        return dot < 0
                ? whole(id, terminals, colour, index)
                : named(id, name.substring(dot + 1), terminals, colour, index);
    }

    private Piece whole(String id, List<String> terminals, String colour, int index) {
        if (terminals.size() != 2) {
            return problem(
                    index,
                    id + " has the terminals " + String.join(", ", terminals) + "; say which, as " + id + "."
                            + (terminals.isEmpty() ? "1" : terminals.get(0))
                            + (terminals.size() > 1
                                    ? " or " + id + "." + terminals.get(0) + "-" + terminals.get(1)
                                    : ""));
        }
        Piece piece = new Piece(new Terminal(id, terminals.get(0)), new Terminal(id, terminals.get(1)), colour);
        turnable.add(piece);
        return piece;
    }

    private Piece named(String id, String name, List<String> terminals, String colour, int index) {
        if (terminals.contains(own(id, name, terminals))) {
            Terminal t = new Terminal(id, own(id, name, terminals));
            return new Piece(t, t, colour);
        }
        for (int dash = name.indexOf('-'); dash >= 0; dash = name.indexOf('-', dash + 1)) {
            String in = own(id, name.substring(0, dash), terminals);
            String out = own(id, name.substring(dash + 1), terminals);
            if (terminals.contains(in) && terminals.contains(out)) {
                return new Piece(new Terminal(id, in), new Terminal(id, out), colour);
            }
        }
        return problem(index, id + " has no terminal " + name + "; it has " + String.join(", ", terminals));
    }

    /** The terminal's own name where a maker's mark was written. */
    private String own(String id, String written, List<String> terminals) {
        String address = id + "." + written;
        return Terminal.isWellFormed(address)
                ? circuit.named(address, t -> terminals.contains(t.name())).name()
                : written;
    }

    private Piece problem(int index, String message) {
        problems.add(new Problem("/" + index, "piece " + (index + 1) + ": " + message));
        return null;
    }
}
