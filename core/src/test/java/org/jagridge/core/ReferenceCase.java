package org.jagridge.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A reference case: circuit, scenario and values computed by an independent dense program. */
public record ReferenceCase(String name, Circuit circuit, Scenario scenario, JsonNode expected, JsonNode events) {
    public static ReferenceCase load(String name) {
        try (InputStream in = ReferenceCase.class.getResourceAsStream("/cases/" + name + ".json")) {
            JsonNode tree = JsonMapper.shared().readTree(in);
            Circuit circuit = CircuitReader.read(tree.get("circuit"), "/circuit");
            Scenario scenario = CircuitReader.readScenario(tree.get("scenario"), "/scenario", circuit);
            return new ReferenceCase(name, circuit, scenario, tree.get("expected"), tree.get("events"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public String toString() {
        return name;
    }
}
