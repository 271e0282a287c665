package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;

/**
 * What was found in the field: at each terminal a colour and where it goes, or that it goes nowhere, or that nobody
 * knows yet. Compared with a drawing by nets: it doesn't matter by which way two terminals are joined.
 */
public record AsFound(List<Row> rows) {
    private static final Set<String> NOWHERE = Set.of("none", "nowhere", "cut", "-", "–");
    private static final Set<String> UNKNOWN = Set.of("", "?");

    /**
     * One landing.
     *
     * @param to the other end; null where it goes nowhere or isn't known yet
     * @param known whether it has been traced
     */
    public record Row(Terminal at, String colour, Terminal to, boolean known) {}

    /** How the found wiring differs from a drawing. */
    public enum Kind {
        /** Joined by the drawing, apart in the field. */
        APART,
        /** Joined in the field, not by the drawing. */
        JOINED,
        COLOUR,
        /** In the drawing and not looked at yet. */
        OPEN_QUESTION
    }

    /** A difference in words. */
    public record Difference(Kind kind, String words) {}

    public AsFound {
        rows = List.copyOf(rows);
    }

    /**
     * Reads rows of terminal, colour, goes to; with tabs, semicolons or commas; a heading and blank lines are passed over.
     *
     * @throws MalformedException with every mistake; paths are {@code /lines/3}
     */
    public static AsFound read(String text, Circuit circuit) {
        List<Problem> problems = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        Set<Terminal> known = terminals(circuit);
        List<String> lines = text.lines().toList();
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i).strip();
            if (line.isEmpty() || line.toLowerCase(java.util.Locale.ROOT).startsWith("terminal")) {
                continue;
            }
            String delimiter = line.contains("\t") ? "\t" : line.contains(";") ? ";" : ",";
            String[] cells = line.split(Pattern.quote(delimiter), -1);
            String to = cells.length > 2 ? cells[2].strip() : "";
            Terminal at = terminal(cells[0].strip(), known, i, problems);
            boolean nowhere = NOWHERE.contains(to.toLowerCase(java.util.Locale.ROOT));
            boolean unknown = UNKNOWN.contains(to);
            Terminal end = nowhere || unknown ? null : terminal(to, known, i, problems);
            if (at != null && at.equals(end)) {
                problems.add(new Problem("/lines/" + (i + 1), at + " can't go to itself"));
            }
            rows.add(new Row(at, cells.length > 1 ? cells[1].strip() : "", end, !unknown));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return new AsFound(rows);
    }

    private static Terminal terminal(String text, Set<Terminal> known, int line, List<Problem> problems) {
        if (!Terminal.isWellFormed(text)) {
            problems.add(new Problem(
                    "/lines/" + (line + 1), "\"" + text + "\" is not a terminal; write PART.TERMINAL, like TH.G"));
            return null;
        }
        Terminal t = Terminal.parse(text);
        if (!known.contains(t)) {
            problems.add(new Problem("/lines/" + (line + 1), "the circuit has no terminal " + t));
        }
        return t;
    }

    private static Set<Terminal> terminals(Circuit circuit) {
        Set<Terminal> all = new LinkedHashSet<>();
        circuit.parts().forEach(p -> {
            var type = org.jagridge.core.part.PartTypes.catalogue().require(p);
            type.terminals(new org.jagridge.core.circuit.Params(type.params(), p.params()))
                    .forEach(t -> all.add(new Terminal(p.id(), t)));
        });
        circuit.places().forEach(p -> all.add(new Terminal(p.id(), "PE")));
        return all;
    }

    /** The wires that were traced, each once; both ends may have been written down. */
    public List<Wire> wires() {
        Map<Set<Terminal>, Wire> wires = new LinkedHashMap<>();
        for (Row r : rows) {
            if (r.to() != null) {
                wires.putIfAbsent(
                        Set.of(r.at(), r.to()),
                        Wire.between("", r.at(), r.to()).withColour(r.colour().isEmpty() ? null : r.colour()));
            }
        }
        return List.copyOf(wires.values());
    }

    /** What differs from a drawing, the dangerous first: what is joined in the field and not by the drawing. */
    public List<Difference> compare(Circuit drawn) {
        Groups byDrawing = new Groups();
        drawn.wires().forEach(w -> byDrawing.join(w.from(), w.to()));
        Groups found = new Groups();
        wires().forEach(w -> found.join(w.from(), w.to()));
        Set<Terminal> seen = new TreeSet<>(java.util.Comparator.comparing(Terminal::toString));
        rows.forEach(r -> {
            if (r.known()) {
                seen.add(r.at());
            }
            if (r.to() != null) {
                seen.add(r.to());
            }
        });
        List<Difference> differences = new ArrayList<>();
        found.groups(seen).forEach(net -> {
            List<String> parts = split(net, byDrawing);
            if (parts.size() > 1) {
                differences.add(new Difference(
                        Kind.JOINED, String.join(" and ", parts) + " are joined, and not by the drawing"));
            }
        });
        byDrawing.groups(seen).forEach(net -> {
            List<String> parts = split(net, found);
            if (parts.size() > 1) {
                differences.add(new Difference(
                        Kind.APART, String.join(" and ", parts) + " belong together by the drawing, and are apart"));
            }
        });
        colours(drawn, differences);
        Set<Terminal> open = new TreeSet<>(java.util.Comparator.comparing(Terminal::toString));
        drawn.wires().forEach(w -> {
            open.add(w.from());
            open.add(w.to());
        });
        open.removeAll(seen);
        if (!open.isEmpty()) {
            differences.add(new Difference(Kind.OPEN_QUESTION, "not looked at yet: " + names(open)));
        }
        return differences;
    }

    private void colours(Circuit drawn, List<Difference> differences) {
        Map<Set<Terminal>, String> written = new HashMap<>();
        drawn.wires().forEach(w -> written.put(Set.of(w.from(), w.to()), drawn.colourOf(w)));
        for (Wire w : wires()) {
            String colour = written.get(Set.of(w.from(), w.to()));
            if (colour != null && w.colour() != null && !colour.equals(w.colour())) {
                differences.add(new Difference(
                        Kind.COLOUR,
                        w.from() + " to " + w.to() + " is " + w.colour() + ", " + colour + " by the drawing"));
            }
        }
    }

    /** A net's terminals by the groups that they have elsewhere, each in words. */
    private static List<String> split(Set<Terminal> net, Groups other) {
        Map<Terminal, Set<Terminal>> parts = new LinkedHashMap<>();
        net.forEach(t ->
                parts.computeIfAbsent(other.root(t), r -> new LinkedHashSet<>()).add(t));
        return parts.values().stream().map(AsFound::names).toList();
    }

    private static String names(Set<Terminal> terminals) {
        return String.join(", ", terminals.stream().map(Terminal::toString).toList());
    }

    /** What to beep next: the first landing whose other end isn't known, against the others of its kind, same colour first. */
    public List<String> next() {
        List<Row> unknown = rows.stream().filter(r -> !r.known()).toList();
        if (unknown.size() < 2) {
            return unknown.isEmpty()
                    ? List.of()
                    : List.of(
                            "The other end of " + unknown.get(0).at()
                                    + " is written down nowhere: lift it, and beep it against what is left at the other places.");
        }
        Row first = unknown.get(0);
        return unknown.stream()
                .skip(1)
                .filter(r -> !r.at().part().equals(first.at().part()))
                .sorted(java.util.Comparator.comparing((Row r) -> !r.colour().equals(first.colour())))
                .map(r ->
                        "Beep " + first.at() + " (" + first.colour() + ") against " + r.at() + " (" + r.colour() + ")")
                .toList();
    }

    /** Terminals that are joined. */
    private static final class Groups {
        private final Map<Terminal, Terminal> parent = new HashMap<>();

        Terminal root(Terminal t) {
            Terminal r = t;
            while (parent.containsKey(r)) {
                r = parent.get(r);
            }
            return r;
        }

        void join(Terminal a, Terminal b) {
            Terminal x = root(a);
            Terminal y = root(b);
            if (!x.equals(y)) {
                parent.put(x, y);
            }
        }

        /** The groups of some terminals, in their order. */
        List<Set<Terminal>> groups(Set<Terminal> of) {
            Map<Terminal, Set<Terminal>> groups = new LinkedHashMap<>();
            of.forEach(t ->
                    groups.computeIfAbsent(root(t), r -> new LinkedHashSet<>()).add(t));
            return List.copyOf(groups.values());
        }
    }
}
