package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.part.Time;
import org.jagridge.core.plan.InterlockRequest.Opening;
import org.jagridge.core.prove.ProofWriter;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** What the demo opens with is what planner, prover and acceptance give; else run {@link PlannedGlasshouse} again. */
public class PlannedGlasshouseTest {
    private static final List<String> KINDS = List.of("failsHot", "failsCold", "shows", "hidden", "open");

    private static Circuit circuit() {
        return CircuitReader.read(Circuits.text(PlannedGlasshouse.FOLDER + "propagation-planned.json"));
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> proved() {
        return (List<Map<String, Object>>)
                ((Map<String, Object>) JsonText.plainValue(Circuits.text(PlannedGlasshouse.FOLDER + "proof.json")))
                        .get("results");
    }

    @Test
    public void theCircuitIsWhatThePlannerPutsTogether() {
        InterlockRequest request = PlannedGlasshouse.request();
        List<Map<String, InterlockKit.Technique>> drafts = new ArrayList<>();
        for (InterlockKit.Strategy s : InterlockKit.strategies()) {
            Map<String, InterlockKit.Technique> techniques = new LinkedHashMap<>();
            for (Opening o : request.openings()) {
                techniques.put(
                        o.id(),
                        InterlockKit.technique(s, o, request.loopsOf(o.id())).orElseThrow());
            }
            drafts.add(techniques);
        }
        Circuit shipped = circuit();
        String text = CircuitWriter.write(shipped);
        assertTrue(
                drafts.stream()
                        .map(t -> new InterlockKit(request, t).circuit(shipped.name()))
                        .anyMatch(c -> CircuitWriter.write(c).equals(text)),
                "no strategy makes that circuit");
    }

    @Test
    public void theProofIsWhatTheProverSays() {
        List<Map<String, Object>> shipped = proved();
        List<Map<String, Object>> now = new ArrayList<>();
        PlannedGlasshouse.proof(circuit()).forEach(v -> now.add(plain(v)));
        assertEquals(shipped.size(), now.size());
        for (int i = 0; i < now.size(); i++) {
            assertEquals(shipped.get(i).get("holds"), now.get(i).get("holds"));
            assertEquals(shipped.get(i).get("bound"), now.get(i).get("bound"));
            for (String kind : KINDS) {
                Set<Object> was = new HashSet<>((List<?>) shipped.get(i).get(kind));
                assertEquals(
                        was,
                        new HashSet<>((List<?>) now.get(i).get(kind)),
                        now.get(i).get("rule") + " " + kind);
            }
        }
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> plain(org.jagridge.core.prove.Verdict v) {
        Map<String, Object> all =
                (Map<String, Object>) JsonText.plainValue(JsonText.write(ProofWriter.toMap(List.of(v))));
        return ((List<Map<String, Object>>) all.get("results")).get(0);
    }

    /** Each second fault behind a hidden one is run again as it is written down: heat is on while a vent is open. */
    @Test
    @SuppressWarnings("unchecked")
    public void eachSecondFaultPlays() {
        Circuit circuit = circuit();
        int played = 0;
        for (Map<String, Object> result : proved()) {
            for (Map<String, Object> latent : (List<Map<String, Object>>) result.get("latent")) {
                for (Map<String, Object> second : (List<Map<String, Object>>) latent.get("second")) {
                    if (second.get("counterexample") == null) {
                        continue;
                    }
                    double broken = ((Number) second.get("brokenAtSeconds")).doubleValue();
                    Scenario s = CircuitReader.readScenario(
                            JsonText.tree(Map.of(
                                    "name",
                                    "again",
                                    "steps",
                                    second.get("counterexample"),
                                    "faults",
                                    second.get("faultsAtStart"),
                                    "untilSeconds",
                                    broken + 1)),
                            "",
                            circuit);
                    Run run = Simulation.run(circuit, s);
                    Map<String, String> then = run.at(Time.micros(broken)).signals();
                    String heater = result.get("rule").toString().replace("shut-", "");
                    assertEquals(then.get(heater), "burning", latent.get("fault") + " then " + second.get("fault"));
                    assertTrue(
                            then.entrySet().stream()
                                    .anyMatch(e -> e.getKey().matches("V\\d+")
                                            && !e.getValue().equals("shut")),
                            "every vent is shut");
                    played++;
                }
            }
        }
        assertFalse(played == 0);
    }

    @Test
    public void theAcceptanceSheetIsTheCircuits() {
        assertEquals(
                Circuits.text(PlannedGlasshouse.FOLDER + "acceptance.json"), PlannedGlasshouse.acceptance(circuit()));
    }
}
