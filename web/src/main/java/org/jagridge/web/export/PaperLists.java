package org.jagridge.web.export;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ColourLetters;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/** What belongs to the drawings on paper: the devices, the wires, and a terminal plan of each strip. */
final class PaperLists {
    /** Lines that fit on a sheet under its heading, and letters of the longest cell on one of them. */
    private static final int LINES = 27;

    private static final int LETTERS = 70;

    private final Circuit circuit;
    private final Assembly assembly;
    private final Map<Terminal, Integer> nets = new HashMap<>();

    PaperLists(Assembly assembly, Ladder ladder) {
        this.assembly = assembly;
        circuit = assembly.circuit();
        ladder.nets().forEach(n -> n.terminals().forEach(t -> nets.put(t, n.number())));
    }

    /** A sheet's table. */
    record Table(String title, List<String> heads, List<List<String>> rows) {}

    /** All tables, each cut so that it fits on a sheet. */
    List<Table> all() {
        List<Table> tables = new ArrayList<>(cut(devices()));
        tables.addAll(cut(wires()));
        circuit.parts().stream().filter(p -> PartTypes.is(p, Trait.POSTS)).forEach(p -> tables.addAll(cut(posts(p))));
        return tables;
    }

    private static List<Table> cut(Table t) {
        List<Table> pages = new ArrayList<>();
        List<List<String>> page = new ArrayList<>();
        int lines = 0;
        for (List<String> row : t.rows()) {
            int longest = row.stream().mapToInt(String::length).max().orElse(0);
            int needs = Math.max(1, (longest + LETTERS - 1) / LETTERS);
            if (lines + needs > LINES) {
                pages.add(new Table(t.title(), t.heads(), page));
                page = new ArrayList<>();
                lines = 0;
            }
            page.add(row);
            lines += needs;
        }
        if (!page.isEmpty()) {
            pages.add(new Table(t.title(), t.heads(), page));
        }
        return pages;
    }

    private Table devices() {
        List<List<String>> rows = circuit.parts().stream()
                .map(p -> List.of(
                        p.id(),
                        p.title(),
                        PartTypes.catalogue().require(p).title(),
                        place(p.place()),
                        RatingWords.of(p),
                        p.fitted() ? "" : p.whenNotFitted() == Part.WhenNotFitted.BYPASS ? "no, bypassed" : "no"))
                .toList();
        return new Table("Devices", List.of("Device", "Name", "Kind", "Place", "Ratings", "Fitted"), rows);
    }

    private Table wires() {
        List<List<String>> rows = circuit.wires().stream()
                .map(w -> List.of(
                        w.id(),
                        net(w.from()),
                        w.from().toString(),
                        w.to().toString(),
                        colours(w),
                        w.cable() == null ? "" : w.cable(),
                        w.size() == null ? "" : w.size().word(),
                        w.lengthMetres() == null ? "" : w.lengthMetres() + " m",
                        w.run() == Wire.Run.FACTORY ? "factory" : "field"))
                .toList();
        return new Table(
                "Wires", List.of("Wire", "Net", "From", "To", "Colour", "Cable", "Size", "Length", "Put in"), rows);
    }

    private Table posts(Part strip) {
        Assembly.Member member = assembly.member(strip.id()).orElseThrow();
        List<List<String>> rows = member.type().terminals(member.params()).stream()
                .map(name -> new Terminal(strip.id(), name))
                .map(t -> List.of(t.name(), strip.labels().getOrDefault(t.name(), ""), net(t), conductors(t)))
                .toList();
        return new Table(
                "Terminal plan " + strip.id(), List.of("Post", "Marked", "Net", "Conductors and where they go"), rows);
    }

    private String conductors(Terminal post) {
        List<String> words = new ArrayList<>();
        for (Wire w : circuit.wires()) {
            for (int end = 0; end < 2; end++) {
                if (w.end(end).equals(post)) {
                    String colour = ColourLetters.at(circuit, w, end);
                    words.add(w.id() + (colour.isEmpty() ? "" : " " + colour) + " to " + w.end(1 - end));
                }
            }
        }
        return String.join("; ", words);
    }

    private String colours(Wire w) {
        String from = ColourLetters.at(circuit, w, 0);
        String to = ColourLetters.at(circuit, w, 1);
        return from.equals(to) ? from : from + " / " + to;
    }

    private String net(Terminal t) {
        Integer number = nets.get(t);
        return number == null || number == 0 ? "" : number.toString();
    }

    private String place(String id) {
        return circuit.place(id).map(Place::name).orElse(id);
    }
}
