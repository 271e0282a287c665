package org.jagridge.web.edit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Arrangement;
import org.jagridge.core.edit.ChainEntry;
import org.jagridge.core.edit.Edit;
import org.jagridge.core.edit.Edits;
import org.jagridge.core.edit.MarksText;
import org.jagridge.core.edit.PartText;
import org.jagridge.core.edit.RowWords;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.format.WireListCsv;
import org.jagridge.core.part.PartType;

/** Reads what a form of the editor asks for. Every field is text; an empty one is as good as none. */
final class FormEdits {
    private final Map<String, String> fields;
    private final Circuit circuit;

    private FormEdits(Map<String, String> fields, Circuit circuit) {
        this.fields = fields;
        this.circuit = circuit;
    }

    /**
     * The edit that a form asks for.
     *
     * @param what the last part of the form's address
     * @throws MalformedException where a field can't be read
     */
    static Edit read(String what, Map<String, String> fields, Circuit circuit) {
        return new FormEdits(fields, circuit).read(what);
    }

    private Edit read(String what) {
        return switch (what) {
            case "wire" -> Edits.wire(field("old"), wire());
            case "part" -> Edits.part(field("old"), part());
            case "cable" -> Edits.cable(field("old"), cable());
            case "place" -> Edits.place(field("old"), place());
            case "remove-wire" -> Edits.removeWire(required("old"));
            case "remove-part" -> Edits.removePart(required("old"));
            case "remove-cable" -> Edits.removeCable(required("old"));
            case "remove-place" -> Edits.removePlace(required("old"));
            case "chain" -> Edits.rung(ChainEntry.read(required("line"), circuit, run()));
            case "copies" -> copies();
            case "join" -> Edits.wires(List.of(join()));
            case "paste" -> Edits.wires(pasted());
            case "wire-list" -> wireList();
            case "name" -> Edits.name(required("name"), field("notes"));
            case "move" -> move();
            case "scenario" -> Edits.scenario(index(), SentenceForm.read(fields, circuit));
            case "remove-scenario" -> Edits.removeScenario(index() == null ? -1 : index());
            case "arrange" -> Edits.layout("arranged the drawing anew", Arrangement::without);
            case "circuit" -> Edits.replace("read in from a file", CircuitReader.read(required("json")));
            default -> throw problem("there is no change called " + what);
        };
    }

    private String field(String name) {
        String value = fields.getOrDefault(name, "").strip();
        return value.isEmpty() ? null : value;
    }

    private String required(String name) {
        String value = field(name);
        if (value == null) {
            throw problem(name + " is missing");
        }
        return value;
    }

    private static MalformedException problem(String message) {
        return new MalformedException(List.of(new Problem("", message)));
    }

    private Integer index() {
        String old = field("old");
        if (old != null && !old.matches("\\d{1,4}")) {
            throw problem("\"" + old + "\" is no number of a scenario");
        }
        return old == null ? null : Integer.valueOf(old);
    }

    private Wire.Run run() {
        return "factory".equals(field("run")) ? Wire.Run.FACTORY : Wire.Run.FIELD;
    }

    private Wire wire() {
        RowWords words = new RowWords(circuit);
        String old = field("old");
        String id = words.id("id", field("id"));
        Cable cable = field("cable") == null ? null : words.cable("cable", field("cable"));
        boolean own = field("cable") == null;
        Terminal from = words.terminal("from", field("from"));
        Terminal to = words.terminal("to", field("to"));
        // in a cable the colour tells the core
        String core = cable == null ? null : words.core("colour", field("colour"), cable);
        String colour = own ? words.colour("colour", field("colour")) : null;
        ConductorSize size = words.size("size", field("size"));
        Double length = words.metres("length", field("length"));
        if (cable != null && words.allRead()) {
            words.betweenPlaces("cable", cable, from, to);
        }
        words.done();
        List<String> atEnds = old == null
                ? List.of()
                : circuit.wire(old).map(Wire::colourAtEnds).orElse(List.of());
        return new Wire(
                id == null ? old == null ? "" : old : id,
                from,
                to,
                colour,
                size,
                length,
                run(),
                cable == null ? null : cable.id(),
                core,
                atEnds);
    }

    private Wire join() {
        RowWords words = new RowWords(circuit);
        Terminal from = words.terminal("from", field("from"));
        Terminal to = words.terminal("to", field("to"));
        words.done();
        return new Wire("", from, to, field("colour"), null, null, run(), null, null, List.of());
    }

    private Part part() {
        RowWords words = new RowWords(circuit);
        PartType type = words.type("type", field("type"));
        String id = words.id("id", field("id"));
        String old = field("old");
        String place = field("place") == null ? usualPlace() : field("place");
        place = words.place("place", place);
        Map<String, Object> params = Map.of();
        Map<String, String> labels =
                old == null ? Map.of() : circuit.part(old).map(Part::labels).orElse(Map.of());
        if (type != null) {
            try {
                params = field("params") == null ? Map.of() : PartText.read(field("params"), type);
                // a form without the cell leaves the marks as they were
                labels = fields.containsKey("marks")
                        ? MarksText.read(fields.get("marks"), type.terminals(new Params(type.params(), params)))
                        : labels;
            } catch (MalformedException e) {
                e.problems().forEach(p -> words.wrong(p.path().replace("/", ""), p.message(), p.instead()));
            }
        }
        words.done();
        String fitted = field("fitted");
        return new Part(
                id == null ? Edits.freePartId(circuit.parts(), type) : id,
                type.type(),
                place,
                field("name"),
                params,
                fitted == null || fitted.equals("yes"),
                "bypassed".equals(fitted) ? Part.WhenNotFitted.BYPASS : Part.WhenNotFitted.OPEN,
                labels);
    }

    /** Where the last part was put; empty where there is no place. */
    private String usualPlace() {
        List<Part> parts = circuit.parts();
        return !parts.isEmpty()
                ? parts.get(parts.size() - 1).place()
                : circuit.places().isEmpty() ? "" : circuit.places().get(0).id();
    }

    private Cable cable() {
        RowWords words = new RowWords(circuit);
        String id = words.required("id", words.id("id", field("id")));
        String from = words.place("from", words.required("from", field("from")));
        String to = words.place("to", words.required("to", field("to")));
        String cores = words.required("cores", field("cores"));
        ConductorSize size = words.size("size", field("size"));
        Double length = words.metres("length", field("length"));
        words.done();
        return new Cable(
                id,
                from,
                to,
                length,
                size,
                Arrays.stream(cores.split(",", -1))
                        .map(String::strip)
                        .filter(s -> !s.isEmpty())
                        .toList());
    }

    private Place place() {
        RowWords words = new RowWords(circuit);
        String id = words.required("id", words.id("id", field("id")));
        Place.Access access = field("access") == null ? Place.Access.PANEL : words.access("access", field("access"));
        words.done();
        return new Place(id, field("name") == null ? id : field("name"), access);
    }

    private Edit copies() {
        List<String> ids = Arrays.stream(required("parts").split("[\\s,;]+", -1))
                .filter(s -> !s.isEmpty())
                .toList();
        return Edits.copies(ids, "yes".equals(field("outside")));
    }

    /** Rows from a spreadsheet, with a header or with the columns from, to, colour. */
    private List<Wire> pasted() {
        String text = required("text");
        String first = text.lines().findFirst().orElse("").toLowerCase(Locale.ROOT);
        boolean header = first.contains("from") && first.contains("to");
        char delimiter = first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',';
        return WireListCsv.read(
                header ? text : String.join(String.valueOf(delimiter), headless(first, delimiter)) + "\n" + text);
    }

    private static List<String> headless(String first, char delimiter) {
        List<String> names = List.of("from", "to", "colour", "size", "length_m", "run", "cable", "core");
        int columns = first.split(Pattern.quote(String.valueOf(delimiter)), -1).length;
        return names.subList(0, Math.max(2, Math.min(columns, names.size())));
    }

    /** A wire list in place of all wires that are there. */
    private Edit wireList() {
        List<Wire> wires = WireListCsv.read(required("text"));
        return new Edit("read in a wire list of " + wires.size() + " wires", c -> {
            Circuit.Builder b = c.toBuilder();
            b.wires().clear();
            Circuit bare = b.build();
            Circuit.Builder filled = bare.toBuilder();
            wires.stream().filter(w -> !w.id().isEmpty()).forEach(filled.wires()::add);
            List<Wire> nameless = wires.stream().filter(w -> w.id().isEmpty()).toList();
            return Edits.wires(nameless).change().apply(filled.build());
        });
    }

    private Edit move() {
        String id = required("id");
        int dx = steps("dx");
        int dy = steps("dy");
        return Edits.layout("moved " + id, c -> {
            try {
                return Arrangement.moved(c, id, dx, dy);
            } catch (IllegalArgumentException e) {
                throw problem(e.getMessage());
            }
        });
    }

    private int steps(String name) {
        try {
            return Integer.parseInt(required(name));
        } catch (NumberFormatException e) {
            throw problem(name + " is not a whole number of steps");
        }
    }
}
