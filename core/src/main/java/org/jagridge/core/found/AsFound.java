package org.jagridge.core.found;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Groups;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

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
        COLOUR
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
            if (line.isEmpty() || line.toLowerCase(Locale.ROOT).startsWith("terminal")) {
                continue;
            }
            String delimiter = line.contains("\t") ? "\t" : line.contains(";") ? ";" : ",";
            String[] cells = line.split(Pattern.quote(delimiter), -1);
            String to = cells.length > 2 ? cells[2].strip() : "";
            Terminal at = terminal(cells[0].strip(), circuit, known, i, problems);
            boolean nowhere = NOWHERE.contains(to.toLowerCase(Locale.ROOT));
            boolean unknown = UNKNOWN.contains(to);
            Terminal end = nowhere || unknown ? null : terminal(to, circuit, known, i, problems);
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

    private static Terminal terminal(
            String text, Circuit circuit, Set<Terminal> known, int line, List<Problem> problems) {
        if (!Terminal.isWellFormed(text)) {
            problems.add(new Problem(
                    "/lines/" + (line + 1), "\"" + text + "\" is not a terminal; write PART.TERMINAL, like TH.G"));
            return null;
        }
        Terminal t = circuit.named(text, known::contains);
        if (!known.contains(t)) {
            problems.add(new Problem("/lines/" + (line + 1), "the circuit has no terminal " + t));
        }
        return t;
    }

    private static Set<Terminal> terminals(Circuit circuit) {
        Set<Terminal> all = new LinkedHashSet<>();
        circuit.parts().forEach(p -> {
            var type = PartTypes.catalogue().require(p);
            type.terminals(new Params(type.params(), p.params())).forEach(t -> all.add(new Terminal(p.id(), t)));
        });
        circuit.places().forEach(p -> all.add(new Terminal(p.id(), "PE")));
        return all;
    }

    /** The landings whose other end nobody knows yet, as ends to be traced. */
    public List<Tracing.End> open() {
        return rows.stream()
                .filter(r -> !r.known())
                .map(r -> new Tracing.End(r.at(), r.colour()))
                .toList();
    }

    /** This record with what was traced: where it said that nobody knows, and what it had nothing of. */
    public AsFound with(Tracing tracing) {
        List<Row> all = new ArrayList<>(rows);
        for (Set<Integer> conductor : tracing.conductors()) {
            List<Tracing.End> ends = conductor.stream().map(tracing.ends()::get).toList();
            for (int i = 0; i < ends.size(); i++) {
                Tracing.End end = ends.get(i);
                Terminal to = ends.size() == 1 ? null : ends.get(i == 0 ? 1 : 0).at();
                Row traced = new Row(end.at(), end.colour(), to, true);
                int open = all.indexOf(new Row(end.at(), end.colour(), null, false));
                if (open >= 0) {
                    all.set(open, traced);
                } else if (!all.contains(traced)) {
                    all.add(traced);
                }
            }
        }
        return new AsFound(all);
    }

    /** As {@link #read} reads it. */
    public String text() {
        return rows.stream()
                .map(r -> r.at() + ", " + r.colour() + ", " + (r.to() != null ? r.to() : r.known() ? "nowhere" : "?"))
                .collect(Collectors.joining("\n"));
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
        Groups<Terminal> byDrawing = new Groups<>();
        Groups<Terminal> found = new Groups<>();
        joinedInside(drawn, byDrawing);
        joinedInside(drawn, found);
        drawn.wires().forEach(w -> byDrawing.join(w.from(), w.to()));
        wires().forEach(w -> found.join(w.from(), w.to()));
        Set<Terminal> seen = seen();
        List<Difference> differences = new ArrayList<>();
        found.of(seen).forEach(net -> {
            List<String> parts = split(net, byDrawing);
            if (parts.size() > 1) {
                differences.add(new Difference(
                        Kind.JOINED, String.join(" and ", parts) + " are joined, and not by the drawing"));
            }
        });
        byDrawing.of(seen).forEach(net -> {
            List<String> parts = split(net, found);
            if (parts.size() > 1) {
                differences.add(new Difference(
                        Kind.APART, String.join(" and ", parts) + " belong together by the drawing, and are apart"));
            }
        });
        colours(drawn, differences);
        return differences;
    }

    /** The terminals that somebody has looked at. */
    private Set<Terminal> seen() {
        Set<Terminal> seen = new TreeSet<>();
        rows.forEach(r -> {
            if (r.known()) {
                seen.add(r.at());
            }
            if (r.to() != null) {
                seen.add(r.to());
            }
        });
        return seen;
    }

    /** The wired terminals of a drawing that nobody has looked at yet; splices are not asked for. */
    public List<Terminal> notLookedAt(Circuit drawn) {
        Set<String> splices = drawn.parts().stream()
                .filter(part -> PartTypes.is(part, Trait.JOINT))
                .map(Part::id)
                .collect(Collectors.toSet());
        Set<Terminal> seen = seen();
        return drawn.wires().stream()
                .flatMap(w -> Stream.of(w.from(), w.to()))
                .filter(t -> !splices.contains(t.part()) && !seen.contains(t))
                .distinct()
                .sorted()
                .toList();
    }

    /** What bars, splices and links inside parts join, here as there. */
    private static void joinedInside(Circuit drawn, Groups<Terminal> groups) {
        Assembly assembly = Assembly.of(drawn);
        Map<Integer, Terminal> first = new HashMap<>();
        Groups<Integer> nodes = new Groups<>();
        assembly.branches().stream()
                .filter(b -> b.role() == Role.CONDUCTOR && drawn.part(b.owner()).isPresent())
                .forEach(b -> nodes.join(b.nodeA(), b.nodeB()));
        terminals(drawn)
                .forEach(t -> assembly.node(t).ifPresent(n -> {
                    Terminal other = first.putIfAbsent(nodes.root(n), t);
                    if (other != null) {
                        groups.join(other, t);
                    }
                }));
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
    private static List<String> split(Set<Terminal> net, Groups<Terminal> other) {
        return other.of(net).stream().map(AsFound::names).toList();
    }

    private static String names(Set<Terminal> terminals) {
        return String.join(", ", terminals.stream().map(Terminal::toString).toList());
    }
}
