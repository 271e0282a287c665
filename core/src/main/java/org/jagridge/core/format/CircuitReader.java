package org.jagridge.core.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads circuits, scenarios and faults. Everything it returns has been checked; all mistakes come at once. */
public final class CircuitReader {
    private CircuitReader() {}

    /**
     * Reads a circuit file.
     *
     * @throws MalformedException with every mistake, each with its path
     */
    public static Circuit read(String json) {
        return read(JsonText.parse(json), "");
    }

    /** Reads what the application stored, perhaps when less was checked: what no run can go by is no reason to lose it. */
    public static Circuit readStored(String json) {
        return read(JsonText.parse(json), "", true);
    }

    /** Reads a circuit that lies at {@code path} of a larger document. */
    public static Circuit read(JsonNode tree, String path) {
        return read(tree, path, false);
    }

    private static Circuit read(JsonNode tree, String path, boolean stored) {
        List<Problem> problems = new ArrayList<>();
        Schema.problemsOf(tree).forEach(p -> problems.add(new Problem(path + p.path(), p.message())));
        if (tree.isObject()) {
            problems.addAll(new CircuitCheck(tree, path, stored).problems());
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return circuit(tree);
    }

    /**
     * Reads a scenario for a circuit.
     *
     * @throws MalformedException with every mistake
     */
    public static Scenario readScenario(JsonNode tree, String path, Circuit circuit) {
        return scenario(checked(tree, path, circuit, "scenarios"));
    }

    /**
     * Reads a rule for a circuit.
     *
     * @throws MalformedException with every mistake
     */
    public static Rule readRule(JsonNode tree, String path, Circuit circuit) {
        return RuleText.read(JsonText.map(checked(tree, path, circuit, "rules")));
    }

    /** Something that is checked as if it stood in a list of the circuit's file, with the same schema. */
    private static JsonNode checked(JsonNode tree, String path, Circuit circuit, String list) {
        JsonNode file = JsonText.MAPPER.valueToTree(CircuitWriter.toMap(circuit));
        ((ObjectNode) file).putArray(list).add(tree);
        String prefix = "/" + list + "/0";
        List<Problem> problems = new ArrayList<>(Schema.problemsOf(file));
        problems.addAll(new CircuitCheck(file, "", false).problems());
        if (!problems.isEmpty()) {
            throw new MalformedException(problems.stream()
                    .map(p -> new Problem(
                            p.path().startsWith(prefix) ? path + p.path().substring(prefix.length()) : p.path(),
                            p.message()))
                    .toList());
        }
        return tree;
    }

    private static Circuit circuit(JsonNode tree) {
        Circuit.Builder b = Circuit.builder(JsonText.text(tree, "name")).notes(JsonText.text(tree, "notes"));
        each(tree, "places").forEach(n -> b.places().add(place(n)));
        each(tree, "parts").forEach(n -> b.parts().add(part(n)));
        each(tree, "cables").forEach(n -> b.cables().add(cable(n)));
        each(tree, "wires").forEach(n -> b.wires().add(wire(n)));
        each(tree, "scenarios").forEach(n -> b.scenarios().add(scenario(n)));
        each(tree, "rules").forEach(n -> b.rules().add(RuleText.read(JsonText.map(n))));
        if (tree.has("layout")) {
            b.layout().putAll(JsonText.map(tree.get("layout")));
        }
        return b.build();
    }

    private static List<JsonNode> each(JsonNode node, String key) {
        JsonNode list = node.get(key);
        return list == null
                ? List.of()
                : StreamSupport.stream(list.spliterator(), false).toList();
    }

    private static Place place(JsonNode n) {
        String access = JsonText.text(n, "access");
        return new Place(
                JsonText.text(n, "id"),
                JsonText.text(n, "name"),
                access == null ? Place.Access.PANEL : Place.Access.of(access));
    }

    private static Part part(JsonNode n) {
        Map<String, String> labels = new LinkedHashMap<>();
        if (n.has("labels")) {
            n.get("labels")
                    .properties()
                    .forEach(e -> labels.put(e.getKey(), e.getValue().stringValue()));
        }
        return new Part(
                JsonText.text(n, "id"),
                JsonText.text(n, "type"),
                JsonText.text(n, "place"),
                JsonText.text(n, "name"),
                n.has("params") ? JsonText.map(n.get("params")) : Map.of(),
                !n.has("fitted") || n.get("fitted").booleanValue(),
                "bypass".equals(JsonText.text(n, "whenNotFitted"))
                        ? Part.WhenNotFitted.BYPASS
                        : Part.WhenNotFitted.OPEN,
                labels);
    }

    private static Cable cable(JsonNode n) {
        return new Cable(
                JsonText.text(n, "id"),
                JsonText.text(n, "from"),
                JsonText.text(n, "to"),
                JsonText.number(n, "lengthMetres"),
                size(n),
                each(n, "cores").stream().map(JsonNode::stringValue).toList());
    }

    private static ConductorSize size(JsonNode n) {
        String word = JsonText.text(n, "size");
        return word == null ? null : ConductorSize.of(word).orElseThrow();
    }

    private static Wire wire(JsonNode n) {
        return new Wire(
                JsonText.text(n, "id"),
                Terminal.parse(n.get("ends").get(0).stringValue()),
                Terminal.parse(n.get("ends").get(1).stringValue()),
                JsonText.text(n, "colour"),
                size(n),
                JsonText.number(n, "lengthMetres"),
                "factory".equals(JsonText.text(n, "run")) ? Wire.Run.FACTORY : Wire.Run.FIELD,
                JsonText.text(n, "cable"),
                JsonText.text(n, "core"),
                each(n, "colourAtEnds").stream().map(JsonNode::stringValue).toList());
    }

    private static Scenario scenario(JsonNode n) {
        List<Scenario.Step> steps = each(n, "steps").stream()
                .map(s -> new Scenario.Step(
                        JsonText.number(s, "atSeconds"),
                        s.has("set") ? JsonText.map(s.get("set")) : Map.of(),
                        faults(s)))
                .toList();
        String name = JsonText.text(n, "name");
        return new Scenario(
                name == null ? "Scenario" : name,
                n.has("start") ? JsonText.map(n.get("start")) : Map.of(),
                steps,
                faults(n),
                JsonText.number(n, "untilSeconds"));
    }

    private static List<Fault> faults(JsonNode n) {
        return each(n, "faults").stream().map(CircuitReader::fault).toList();
    }

    /** Reads a fault that has been checked before. */
    public static Fault readFault(JsonNode tree) {
        return fault(tree);
    }

    private static Fault fault(JsonNode n) {
        FaultKind kind = FaultKind.of(JsonText.text(n, "kind")).orElseThrow();
        Map<String, Object> details = new LinkedHashMap<>();
        kind.details().stream()
                .filter(d -> n.has(d.key()))
                .forEach(d -> details.put(d.key(), JsonText.plain(n.get(d.key()))));
        return new Fault(kind, details, JsonText.number(n, "atSeconds"), JsonText.number(n, "untilSeconds"));
    }
}
