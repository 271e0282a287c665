package org.jagridge.web.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.check.Check;
import org.jagridge.core.check.Finding;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.drawing.Connection;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.Timing;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.format.RunFiles;
import org.jagridge.core.format.RunWriter;
import org.jagridge.core.format.Schema;
import org.jagridge.core.format.WireListCsv;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Time;
import org.jagridge.core.plan.InterlockAnswerWriter;
import org.jagridge.core.plan.InterlockPlanner;
import org.jagridge.core.plan.InterlockRequest;
import org.jagridge.core.plan.InterlockRequestReader;
import org.jagridge.core.plan.WiringAnswerWriter;
import org.jagridge.core.plan.WiringPlanner;
import org.jagridge.core.plan.WiringRequestReader;
import org.jagridge.core.prove.ProofWriter;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Lanes;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.svg.ConnectionSvg;
import org.jagridge.web.svg.LadderSvg;
import org.jagridge.web.svg.Look;
import org.jagridge.web.svg.StandAlone;
import org.jagridge.web.svg.TimingSvg;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The JSON interface. Bodies are read as text so that every mistake can be told with its path. */
@RestController
class ApiController {
    private static final String SVG = "image/svg+xml";

    private final CircuitRepository circuits;
    private final CircuitStore store;

    ApiController(CircuitRepository circuits, CircuitStore store) {
        this.circuits = circuits;
        this.store = store;
    }

    @GetMapping(path = "/schema/jagridge-circuit-1.json", produces = "application/schema+json")
    String schema() {
        return Schema.text();
    }

    @PostMapping("/api/v1/run")
    Map<String, Object> run(@RequestBody(required = false) String body) {
        return RunWriter.toMap(simulated(body));
    }

    @PostMapping("/api/v1/plan/wiring")
    Map<String, Object> planWiring(@RequestBody(required = false) String body) {
        return WiringAnswerWriter.toMap(WiringPlanner.plan(WiringRequestReader.read(JsonText.plainValue(body))));
    }

    @PostMapping("/api/v1/plan/interlock")
    Map<String, Object> planInterlock(@RequestBody(required = false) String body) {
        InterlockRequest request = InterlockRequestReader.read(JsonText.plainValue(body));
        return InterlockAnswerWriter.toMap(InterlockPlanner.plan(request));
    }

    @PostMapping("/api/v1/prove")
    Map<String, Object> prove(@RequestBody(required = false) String body) {
        JsonNode tree = JsonText.parse(body);
        ProofRequest request = ProofRequest.read(tree, circuit(tree));
        return ProofWriter.toMap(request.verdicts());
    }

    @PostMapping("/api/v1/check")
    Map<String, Object> check(@RequestBody(required = false) String body) {
        List<Map<String, Object>> findings = new ArrayList<>();
        for (Finding f : Check.findings(circuit(JsonText.parse(body)))) {
            Map<String, Object> m = new LinkedHashMap<>();
            m.put("severity", f.severity().word());
            m.put("code", f.code());
            m.put("parts", f.parts());
            m.put("wires", f.wires());
            m.put("message", f.message());
            m.put("advice", f.advice());
            findings.add(m);
        }
        return Map.of("findings", findings);
    }

    @PostMapping("/api/v1/measure")
    Map<String, Object> measure(@RequestBody(required = false) String body) {
        JsonNode tree = JsonText.parse(body);
        Circuit circuit = circuit(tree);
        Scenario scenario = scenario(tree, circuit);
        List<Request> requests = ReadingRequests.read(tree, circuit);
        double at = ReadingRequests.atSeconds(tree, scenario);
        Run run = Simulation.run(circuit, scenario);
        Meter meter = Meter.at(run, Time.micros(at));
        List<Map<String, Object>> readings = new ArrayList<>();
        for (Request request : requests) {
            Reading r = meter.read(request);
            Map<String, Object> m = new LinkedHashMap<>();
            m.put("value", r.hasValue() ? r.value() : null);
            m.put("unit", r.unit());
            m.put("display", r.display());
            m.put("says", r.says());
            if (r.isRefused()) {
                m.put("refused", r.refused());
            }
            readings.add(m);
        }
        return Map.of("readings", readings);
    }

    @PostMapping(path = "/api/v1/ladder", produces = MediaType.APPLICATION_JSON_VALUE)
    Ladder ladderGeometry(@RequestBody(required = false) String body) {
        return drawn(JsonText.parse(body)).ladder();
    }

    @PostMapping(path = "/api/v1/connection", produces = MediaType.APPLICATION_JSON_VALUE)
    Connection connectionGeometry(@RequestBody(required = false) String body) {
        return drawn(JsonText.parse(body)).connection();
    }

    @PostMapping(path = "/api/v1/ladder", produces = SVG)
    ResponseEntity<String> ladder(@RequestBody(required = false) String body) {
        Drawn drawn = drawn(JsonText.parse(body));
        return svg(LadderSvg.write(
                drawn.ladder(), null, Look.USUAL, drawn.circuit().name(), StandAlone.style()));
    }

    @PostMapping(path = "/api/v1/connection", produces = SVG)
    ResponseEntity<String> connection(@RequestBody(required = false) String body) {
        Drawn drawn = drawn(JsonText.parse(body));
        return svg(ConnectionSvg.write(drawn.connection(), drawn.assembly(), null, StandAlone.style()));
    }

    @PostMapping(path = "/api/v1/timing", produces = MediaType.APPLICATION_JSON_VALUE)
    Timing timingGeometry(@RequestBody(required = false) String body) {
        return Charted.of(this, body).timing();
    }

    @PostMapping(path = "/api/v1/timing", produces = SVG)
    ResponseEntity<String> timing(@RequestBody(required = false) String body) {
        Charted c = Charted.of(this, body);
        return svg(TimingSvg.whole(c.timing(), c.run(), c.cursor(), StandAlone.style()));
    }

    /** A run with its chart. */
    private record Charted(Run run, long cursor, Timing timing) {
        private static final double PLOT = 900;
        private static final double NAMES = 128;

        static Charted of(ApiController api, String body) {
            JsonNode tree = JsonText.parse(body);
            Circuit circuit = api.circuit(tree);
            Scenario scenario = scenario(tree, circuit);
            long cursor = tree.has("atSeconds") ? Time.micros(ReadingRequests.atSeconds(tree, scenario)) : 0;
            Run run = Simulation.run(circuit, scenario);
            return new Charted(
                    run, cursor, Timing.of(run, Lanes.withSupplies(run), new Timing.Wish(cursor, PLOT, NAMES, true)));
        }
    }

    @PostMapping(path = "/api/v1/export/run.vcd", produces = "text/plain;charset=UTF-8")
    String vcd(@RequestBody(required = false) String body) {
        return RunFiles.vcd(simulated(body));
    }

    @PostMapping(path = "/api/v1/export/run.csv", produces = "text/csv;charset=UTF-8")
    String runCsv(@RequestBody(required = false) String body) {
        return RunFiles.csv(simulated(body));
    }

    private Run simulated(String body) {
        JsonNode tree = JsonText.parse(body);
        Circuit circuit = circuit(tree);
        return Simulation.run(circuit, scenario(tree, circuit));
    }

    @PostMapping(path = "/api/v1/export/wires.csv", produces = "text/csv")
    String wires(@RequestBody(required = false) String body) {
        return WireListCsv.write(circuit(JsonText.parse(body)));
    }

    @PostMapping(path = "/api/v1/export/parts.csv", produces = "text/csv")
    String parts(@RequestBody(required = false) String body) {
        return WireListCsv.writeParts(circuit(JsonText.parse(body)));
    }

    private static ResponseEntity<String> svg(String text) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(SVG))
                .header("Content-Security-Policy", StandAlone.policy())
                .body(text);
    }

    private Circuit circuit(JsonNode tree) {
        if (tree.has("circuit")) {
            return CircuitReader.read(tree.get("circuit"), "/circuit");
        }
        return stored(tree).circuit();
    }

    private Drawn drawn(JsonNode tree) {
        return tree.has("circuit") ? Drawn.of(circuit(tree)) : stored(tree);
    }

    private Drawn stored(JsonNode tree) {
        JsonNode id = tree.get("circuitId");
        if (id == null || !id.isIntegralNumber() || !id.canConvertToLong()) {
            throw new MalformedException(
                    List.of(new Problem("", "send a \"circuit\" or the number of a stored one as \"circuitId\"")));
        }
        CircuitRepository.Row row = circuits.find(id.longValue())
                .orElseThrow(() -> new NotFoundException("There is no circuit with the id " + id.longValue() + "."));
        return store.revision(row.revisionId());
    }

    private static Scenario scenario(JsonNode tree, Circuit circuit) {
        if (!tree.has("scenario")) {
            throw new MalformedException(
                    List.of(new Problem("/scenario", "a \"scenario\" is needed; the least is {\"untilSeconds\": 60}")));
        }
        return CircuitReader.readScenario(tree.get("scenario"), "/scenario", circuit);
    }
}
