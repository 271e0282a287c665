package org.jagridge.core.plan;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.prove.Acceptance;
import org.jagridge.core.prove.Limits;
import org.jagridge.core.prove.ProofWriter;
import org.jagridge.core.prove.Prover;
import org.jagridge.core.prove.Standing;
import org.jagridge.core.prove.Verdict;

/**
 * The demo's glasshouse planned anew from its openings: writes the plan, its proof with all single and second faults, and
 * its acceptance sheet, so that the demo opens with them and doesn't have to work for a minute first. A test holds the
 * files against what comes out today.
 *
 * <p>{@code mvn -pl core test-compile}, then run this class in the folder of the project.
 */
public final class PlannedGlasshouse {
    static final String FOLDER = "/demo/planned/";

    private PlannedGlasshouse() {}

    static InterlockRequest request() {
        List<Map<String, Object>> openings = new ArrayList<>();
        IntStream.rangeClosed(1, 8).forEach(i -> openings.add(opening("V" + i, "dc-always", 28, 12 + 4 * i)));
        IntStream.rangeClosed(9, 11)
                .forEach(i -> openings.add(opening("V" + i, "ac-while-open", 24, 10 + 5 * (i - 8))));
        return InterlockRequestReader.read(Map.of(
                "place",
                "Propagation glasshouse, planned anew",
                "openings",
                openings,
                "heaters",
                List.of(
                        Map.of("id", "TUBE", "control", "line-thermostat", "amps", 1.2),
                        Map.of("id", "UH1", "control", "24V-pair", "amps", 2),
                        Map.of("id", "UH2", "control", "24V-pair", "amps", 2)),
                "matrix",
                Map.of(
                        "TUBE", List.of("V1", "V2", "V3", "V4"),
                        "UH1", List.of("V5", "V6", "V7", "V8"),
                        "UH2", List.of("V9", "V10", "V11")),
                "frost",
                true));
    }

    private static Map<String, Object> opening(String id, String signal, double volts, double metres) {
        return Map.of("id", id, "signal", signal, "volts", volts, "limitSwitch", true, "metres", metres);
    }

    static List<Verdict> proof(Circuit circuit) {
        List<Rule> rules = new ArrayList<>(circuit.rules());
        rules.addAll(Standing.of(circuit));
        return Prover.prove(circuit, rules, true, Limits.usual());
    }

    static String acceptance(Circuit circuit) {
        Acceptance.Sheet sheet = Acceptance.of(circuit);
        List<Map<String, Object>> lines = new ArrayList<>();
        for (Acceptance.Line l : sheet.lines()) {
            Map<String, Object> m = new LinkedHashMap<>();
            m.put("number", l.number());
            m.put("act", l.act());
            m.put("see", l.see());
            m.put("within", l.within());
            lines.add(m);
        }
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("lines", lines);
        all.put("notCovered", sheet.notCovered());
        return JsonText.write(all);
    }

    public static void main(String[] args) throws IOException {
        Path folder = Path.of("core/src/main/resources" + FOLDER);
        Files.createDirectories(folder);
        Circuit circuit = InterlockPlanner.plan(request()).plans().get(0).circuit();
        Files.writeString(folder.resolve("propagation-planned.json"), CircuitWriter.write(circuit));
        List<Verdict> verdicts = Prover.secondFaults(circuit, proof(circuit), Limits.usual());
        Files.writeString(folder.resolve("proof.json"), JsonText.write(ProofWriter.toMap(verdicts)));
        Files.writeString(folder.resolve("acceptance.json"), acceptance(circuit));
    }
}
