package org.jagridge.web.api;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Assembly;
import tools.jackson.databind.JsonNode;

/** Reads what the caller wants measured; reports all mistakes at once. */
final class ReadingRequests {
    private final Circuit circuit;
    private final Assembly assembly;
    private final List<Problem> problems = new ArrayList<>();

    private ReadingRequests(Circuit circuit) {
        this.circuit = circuit;
        assembly = Assembly.of(circuit);
    }

    static List<Request> read(JsonNode tree, Circuit circuit) {
        ReadingRequests reader = new ReadingRequests(circuit);
        List<Request> requests = reader.readAll(tree.get("readings"));
        if (!reader.problems.isEmpty()) {
            throw new MalformedException(reader.problems);
        }
        return requests;
    }

    /** The time of the readings; the end of the scenario where none was given. */
    static double atSeconds(JsonNode tree, Scenario scenario) {
        JsonNode at = tree.get("atSeconds");
        if (at == null) {
            return scenario.untilSeconds();
        }
        if (!at.isNumber() || at.doubleValue() < 0 || at.doubleValue() > scenario.untilSeconds()) {
            throw new MalformedException(List.of(new Problem(
                    "/atSeconds",
                    at + " must be a number of seconds from 0 to the scenario's untilSeconds, "
                            + scenario.untilSeconds())));
        }
        return at.doubleValue();
    }

    private List<Request> readAll(JsonNode list) {
        List<Request> requests = new ArrayList<>();
        if (list == null || !list.isArray() || list.isEmpty()) {
            problems.add(new Problem("/readings", "a list of at least one reading is needed"));
            return requests;
        }
        for (int i = 0; i < list.size(); i++) {
            requests.add(one(list.get(i), "/readings/" + i));
        }
        return requests;
    }

    private Request one(JsonNode node, String path) {
        String word = node.has("mode") ? node.get("mode").asString() : "ac-volts";
        Optional<Request.Mode> mode = Request.Mode.of(word);
        if (mode.isEmpty()) {
            problems.add(new Problem(path + "/mode", "\"" + word + "\" is no range of this meter"));
            return null;
        }
        double turns = node.has("turns") && node.get("turns").isNumber()
                ? node.get("turns").doubleValue()
                : 1;
        if (mode.get().clamps()) {
            String wire = node.has("wire") ? node.get("wire").asString() : "";
            if (circuit.wire(wire).isEmpty()) {
                problems.add(new Problem(path + "/wire", "there is no wire \"" + wire + "\" to clamp"));
            }
            return new Request(mode.get(), null, null, wire, turns, false);
        }
        if (mode.get() == Request.Mode.CELSIUS) {
            return new Request(mode.get(), lead(node, "plus", path), null, null, 1, false);
        }
        boolean low = node.has("lowImpedance") && node.get("lowImpedance").asBoolean(false);
        return new Request(mode.get(), lead(node, "plus", path), lead(node, "minus", path), null, 1, low);
    }

    private Terminal lead(JsonNode node, String key, String path) {
        String text = node.has(key) ? node.get(key).asString() : "";
        if (!Terminal.isWellFormed(text) || assembly.node(Terminal.parse(text)).isEmpty()) {
            problems.add(new Problem(path + "/" + key, "there is no terminal \"" + text + "\" in this circuit"));
            return null;
        }
        return Terminal.parse(text);
    }
}
