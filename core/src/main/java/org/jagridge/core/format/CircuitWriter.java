package org.jagridge.core.format;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Wire;

/** Writes circuits as JSON. Reading what was written gives the same circuit. */
public final class CircuitWriter {
    private CircuitWriter() {}

    /** The circuit file, indented. */
    public static String write(Circuit circuit) {
        return JsonText.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(toMap(circuit));
    }

    public static Map<String, Object> toMap(Circuit c) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("format", "jagridge-circuit");
        m.put("version", 1);
        m.put("name", c.name());
        put(m, "notes", c.notes());
        m.put("places", c.places().stream().map(CircuitWriter::place).toList());
        m.put("parts", c.parts().stream().map(CircuitWriter::part).toList());
        putFilled(m, "cables", c.cables().stream().map(CircuitWriter::cable).toList());
        m.put("wires", c.wires().stream().map(CircuitWriter::wire).toList());
        putFilled(
                m,
                "scenarios",
                c.scenarios().stream().map(CircuitWriter::scenario).toList());
        putFilled(m, "rules", c.rules().stream().map(RuleText::write).toList());
        if (!c.layout().isEmpty()) {
            m.put("layout", c.layout());
        }
        return m;
    }

    private static void put(Map<String, Object> m, String key, Object value) {
        if (value != null) {
            m.put(key, value);
        }
    }

    private static void putFilled(Map<String, Object> m, String key, List<?> list) {
        if (!list.isEmpty()) {
            m.put(key, list);
        }
    }

    private static Map<String, Object> place(Place p) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("id", p.id());
        m.put("name", p.name());
        m.put("access", p.access().word());
        return m;
    }

    private static Map<String, Object> part(Part p) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("id", p.id());
        m.put("type", p.type());
        m.put("place", p.place());
        put(m, "name", p.name());
        if (!p.params().isEmpty()) {
            m.put("params", p.params());
        }
        if (!p.fitted()) {
            m.put("fitted", false);
            m.put("whenNotFitted", p.whenNotFitted() == Part.WhenNotFitted.BYPASS ? "bypass" : "open");
        }
        if (!p.labels().isEmpty()) {
            m.put("labels", p.labels());
        }
        return m;
    }

    private static Map<String, Object> cable(Cable c) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("id", c.id());
        m.put("from", c.from());
        m.put("to", c.to());
        put(m, "lengthMetres", c.lengthMetres());
        put(m, "size", c.size() == null ? null : c.size().word());
        m.put("cores", c.cores());
        return m;
    }

    private static Map<String, Object> wire(Wire w) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("id", w.id());
        m.put("ends", List.of(w.from().toString(), w.to().toString()));
        put(m, "colour", w.colour());
        put(m, "size", w.size() == null ? null : w.size().word());
        put(m, "lengthMetres", w.lengthMetres());
        if (w.run() == Wire.Run.FACTORY) {
            m.put("run", "factory");
        }
        put(m, "cable", w.cable());
        put(m, "core", w.core());
        putFilled(m, "colourAtEnds", w.colourAtEnds());
        return m;
    }

    /** A scenario as it stands in a file. */
    public static Map<String, Object> scenario(Scenario s) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("name", s.name());
        m.put("start", s.start());
        m.put("steps", s.steps().stream().map(CircuitWriter::step).toList());
        putFilled(m, "faults", s.faults().stream().map(CircuitWriter::fault).toList());
        m.put("untilSeconds", s.untilSeconds());
        return m;
    }

    private static Map<String, Object> step(Scenario.Step s) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("atSeconds", s.atSeconds());
        m.put("set", s.set());
        putFilled(m, "faults", s.faults().stream().map(CircuitWriter::fault).toList());
        return m;
    }

    /** A fault as the file has it. */
    public static Map<String, Object> fault(Fault f) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("kind", f.kind().word());
        m.putAll(f.defect().details());
        put(m, "atSeconds", f.atSeconds());
        put(m, "untilSeconds", f.untilSeconds());
        return m;
    }
}
