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
        if (!node.isObject()) {
            problems.add(new Problem(path, "a reading is an object with a mode and its leads or its wire"));
            return null;
        }
        String word = node.has("mode") ? text(node, "mode") : "ac-volts";
        Optional<Request.Mode> mode = Request.Mode.of(word);
        if (mode.isEmpty()) {
            problems.add(new Problem(path + "/mode", "\"" + word + "\" is no range of this meter"));
            return null;
        }
        double turns = turns(node, path);
        if (mode.get().clamps()) {
            return Request.clamp(mode.get(), clamped(node, path), turns);
        }
        if (mode.get() == Request.Mode.CELSIUS) {
            return new Request(mode.get(), lead(node, "plus", path), null, null, 1, false);
        }
        boolean low = false;
        if (node.has("lowImpedance")) {
            if (!node.get("lowImpedance").isBoolean()) {
                problems.add(new Problem(path + "/lowImpedance", "must be true or false"));
            }
            low = node.get("lowImpedance").asBoolean(false);
        }
        return new Request(mode.get(), lead(node, "plus", path), lead(node, "minus", path), null, 1, low);
    }

    private double turns(JsonNode node, String path) {
        if (!node.has("turns")) {
            return 1;
        }
        if (!node.get("turns").isNumber() || !(node.get("turns").doubleValue() > 0)) {
            problems.add(new Problem(path + "/turns", "must be a number of turns greater than 0"));
            return 1;
        }
        return node.get("turns").doubleValue();
    }

    /** The conductors in a clamp: {@code wire}, or {@code wires} with "-" before one that passes the other way. */
    private List<String> clamped(JsonNode node, String path) {
        if (!node.has("wires")) {
            String wire = text(node, "wire");
            isThere(wire, path + "/wire");
            return List.of(wire);
        }
        JsonNode list = node.get("wires");
        if (!list.isArray() || list.isEmpty()) {
            problems.add(new Problem(path + "/wires", "must be a list of at least one wire, like [\"w7\", \"-w8\"]"));
            return List.of("");
        }
        List<String> wires = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            String wire = list.get(i).isString()
                    ? list.get(i).stringValue()
                    : list.get(i).toString();
            isThere(wire.startsWith("-") ? wire.substring(1) : wire, path + "/wires/" + i);
            wires.add(wire);
        }
        return wires;
    }

    private void isThere(String wire, String path) {
        if (circuit.wire(wire).isEmpty()) {
            problems.add(new Problem(path, "there is no wire \"" + wire + "\" to clamp"));
        }
    }

    private Terminal lead(JsonNode node, String key, String path) {
        String text = text(node, key);
        if (!Terminal.isWellFormed(text)
                || assembly.node(circuit.named(text, t -> assembly.node(t).isPresent()))
                        .isEmpty()) {
            problems.add(new Problem(path + "/" + key, "there is no terminal \"" + text + "\" in this circuit"));
            return null;
        }
        return circuit.named(text, t -> assembly.node(t).isPresent());
    }

    /** A text, or what else was written there as it was written; empty where there is nothing. */
    private static String text(JsonNode node, String key) {
        JsonNode value = node.get(key);
        return value == null ? "" : value.isString() ? value.stringValue() : value.toString();
    }
}
