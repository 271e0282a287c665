package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jagridge.core.check.Finding;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.ModeTable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a plan claims is tried: run again by others' means, taken away, or held against its rivals. */
@SuppressWarnings("unchecked")
public class WiringPlannerTest {
    private static final String COTTAGE = """
            {"indoor": {"kind": "air-handler", "stripsKw": 7.5, "transformerVa": 75},
             "outdoor": {"kind": "heat-pump", "valve": "O", "w2": true},
             "thermostat": {"terminals": ["R","C","Y","O","G","AUX"], "power": "either", "kind": "heat-pump"},
             "cables": [{"id":"TC","from":"thermostat","to":"indoor","cores":["red","white","green","blue"],"lengthMetres":14},
                        {"id":"OC","from":"indoor","to":"outdoor","cores":["red","blue"],"lengthMetres":22}]}""";

    private static Map<String, Object> plain(String json) {
        return new LinkedHashMap<>((Map<String, Object>) JsonText.plainValue(json));
    }

    private static WiringAnswer plan(Map<String, Object> request) {
        return WiringPlanner.plan(WiringRequestReader.read(request));
    }

    private static Map<String, Object> with(String json, String key, Object value) {
        Map<String, Object> m = plain(json);
        m.put(key, value);
        return m;
    }

    @Test
    public void noPlanIsBeatenByAnotherOnAllThree() {
        List<WiringPlan> plans = plan(plain(COTTAGE)).plans();
        for (WiringPlan one : plans) {
            for (WiringPlan other : plans) {
                boolean beaten = one.rank() != other.rank()
                        && one.lost().containsAll(other.lost())
                        && other.cost().parts() <= one.cost().parts()
                        && other.cost().minutes() <= one.cost().minutes();
                assertFalse(beaten, one.title() + " is beaten by " + other.title());
            }
        }
    }

    /** Each core of a plan is needed: with it cut, some call that held fails. */
    @Test
    public void aPlanWithAConductorLessFails() {
        WiringPlan plan =
                plan(plain(COTTAGE.replace("either", "common"))).plans().get(0);
        for (WiringPlan.Conductor k : plan.schedule()) {
            Circuit.Builder b = plan.circuit().toBuilder();
            b.wires().removeIf(w -> w.id().equals(k.wire()));
            Circuit cut = b.build();
            boolean same = cut.scenarios().stream().allMatch(s -> end(cut, s).equals(end(plan.circuit(), s)));
            // W2 serves only the defrost, which is no scenario of the plan
            assertEquals(same, k.carries().equals("W2"), k.toString());
        }
    }

    private static Map<String, String> end(Circuit circuit, Scenario scenario) {
        Run run = Simulation.run(circuit, scenario);
        return run.frames().get(run.frames().size() - 1).signals();
    }

    @Test
    public void whatMayPassASharingModuleByIsToldByRunningBoth() {
        Map<String, Object> request = with(COTTAGE, "allow", List.of("sharing-pair", "batteries"));
        request.put(
                "cables",
                List.of(
                        cable("TC", "thermostat", "indoor", "red", "white", "green", "blue", "x"),
                        cable("OC", "indoor", "outdoor", "red", "blue", "y", "o", "w")));
        WiringPlan plan = plan(request).plans().stream()
                .filter(p -> p.moves().contains(Move.SHARING_PAIR))
                .findFirst()
                .orElseThrow();
        Map<String, String> why = plan.schedule().stream()
                .filter(k -> k.cable().equals("TC"))
                .collect(Collectors.toMap(WiringPlan.Conductor::carries, WiringPlan.Conductor::why));
        assertTrue(why.get("SH").contains("must go through the module"), why.get("SH"));
        assertTrue(why.get("O").contains("may pass the module by"), why.get("O"));
    }

    private static Map<String, Object> cable(String id, String from, String to, String... cores) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("id", id);
        m.put("from", from);
        m.put("to", to);
        m.put("cores", List.of(cores));
        return m;
    }

    @Test
    public void theWrongAnswerToOOrBFailsInItsModes() {
        Map<String, Object> request = plain(COTTAGE);
        request.put(
                "cables",
                List.of(
                        cable("TC", "thermostat", "indoor", "red", "white", "green", "blue", "y", "o"),
                        cable("OC", "indoor", "outdoor", "red", "blue", "y", "o", "w")));
        WiringPlan plan = plan(request).plans().get(0);
        Circuit.Builder b = plan.circuit().toBuilder();
        b.parts()
                .replaceAll(p -> p.id().equals("RV")
                        ? p.withParams(Map.of("kind", "reversing valve", "energised", "heats"))
                        : p);
        Circuit wrong = b.build();
        assertEquals(
                ModeTable.of(plan.circuit()).rows().stream()
                        .filter(ModeTable.Row::isWrong)
                        .count(),
                0);
        assertTrue(ModeTable.of(wrong).rows().stream().anyMatch(ModeTable.Row::isWrong));
    }

    @Test
    public void aLetterThatMeansTwoThingsIsAskedAboutUntilItIsAnswered() {
        Map<String, Object> request = plain(COTTAGE.replace("\"valve\": \"O\", ", ""));
        assertEquals(plan(request).questions().get(0).about(), "TH.O");
        request.put("answers", Map.of("TH.O", "O"));
        assertEquals(plan(request).questions(), List.of());

        Map<String, Object> b =
                plain(COTTAGE.replace("\"O\",\"G\"", "\"B\",\"G\"").replace("\"valve\": \"O\"", "\"valve\": \"B\""));
        assertTrue(plan(b).questions().stream()
                .anyMatch(q -> q.about().equals("TH.B") && q.answers().contains("common")));
    }

    @Test
    public void anOldConductorIsWhatItsOtherEndSays() {
        Map<String, Object> request = plain("""
                {"indoor": {"kind": "gas-furnace"}, "outdoor": {"kind": "cooling"},
                 "thermostat": {"terminals": ["R","C","W","Y","G"], "power": "common"},
                 "cables": [{"id":"TC","from":"thermostat","to":"indoor","cores":["red","blue","white","yellow","green"]},
                            {"id":"OC","from":"indoor","to":"outdoor","cores":["yellow","blue"]}],
                 "landings": [{"cable":"TC","core":"blue","at":"C","other":"FC.Y"},
                              {"cable":"TC","core":"yellow","at":"Y","other":"FC.C"},
                              {"cable":"TC","core":"green","at":"G"}]}""");
        WiringPlan plan = plan(request).plans().get(0);
        Map<String, String> carries = plan.schedule().stream()
                .filter(k -> k.cable().equals("TC"))
                .collect(Collectors.toMap(WiringPlan.Conductor::core, WiringPlan.Conductor::carries));
        assertEquals(carries.get("blue"), "Y");
        assertEquals(carries.get("yellow"), "C");
        String said = String.join("\n", plan.said());
        assertTrue(said.contains("TC blue was on C, but its other end is on FC.Y: it is Y"), said);
        assertTrue(said.contains("TC green was on G; where its other end lands isn't known"), said);
    }

    @Test
    public void aTransformerThatIsTooSmallIsMeasuredAndALargerOneTried() {
        Map<String, Object> request = plain(COTTAGE.replace("\"transformerVa\": 75", "\"transformerVa\": 20"));
        WiringPlan plan = plan(request).plans().get(0);
        assertTrue(
                plan.budget().stream().anyMatch(WiringPlan.Budget::isShort),
                plan.budget().toString());
        assertTrue(plan.said().stream().anyMatch(s -> s.startsWith("T1 is too small at 20 VA; run again with")));
    }

    @Test
    public void pricesThatAreChangedChangeTheOrder() {
        Map<String, Object> cheap =
                with(COTTAGE, "prices", Map.of("wireless-module", Map.of("parts", 0, "minutes", 1)));
        assertEquals(plan(cheap).plans().get(0).title(), "Wireless module outdoors");
        MalformedException wrong = expectThrows(
                MalformedException.class, () -> plan(with(COTTAGE, "prices", Map.of("gold", Map.of("parts", 1)))));
        assertEquals(wrong.problems().get(0).path(), "/prices/gold");
    }

    @DataProvider(parallel = true)
    public static Object[][] seeds() {
        return IntStream.range(0, 24).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    /** Set-ups that nobody thought of: whatever is planned runs again as it says, and no finding calls it a danger. */
    @Test(dataProvider = "seeds")
    public void whateverIsPlannedRunsAgainAsItSays(int seed) {
        WiringAnswer answer = plan(random(new Random(seed)));
        assertTrue(!answer.plans().isEmpty() || !answer.noWay().isEmpty(), "neither a plan nor a reason");
        for (WiringPlan plan : answer.plans()) {
            assertTrue(plan.findings().stream().noneMatch(f -> f.severity() == Finding.Severity.DANGER));
            for (Scenario s : plan.circuit().scenarios()) {
                Map<String, String> end = end(plan.circuit(), s);
                WiringPlan.Mode mode = plan.modes().stream()
                        .filter(m -> m.call().equals(s.name()))
                        .findFirst()
                        .orElseThrow();
                assertEquals("running".equals(end.get("CMP")), mode.runs().contains(Duty.COMPRESSOR), s.name());
                assertEquals("on".equals(end.get("HTR")), mode.runs().contains(Duty.STRIPS), s.name());
                assertEquals("on".equals(end.get("RV")), mode.runs().contains(Duty.REVERSING_VALVE), s.name());
                assertEquals(
                        "in".equals(end.get("K2"))
                                && plan.circuit()
                                        .part("K2")
                                        .orElseThrow()
                                        .place()
                                        .equals("outdoor")
                                && mode.runs().contains(Duty.SECOND_STAGE),
                        mode.runs().contains(Duty.SECOND_STAGE),
                        s.name());
            }
        }
    }

    private static Map<String, Object> random(Random random) {
        Map<String, Object> m = new LinkedHashMap<>();
        List<String> indoors = List.of(
                "gas-furnace", "oil-furnace", "air-handler", "fan-centre-boiler", "zone-panel", "hydronic-coil");
        List<String> outdoors = List.of("none", "cooling", "heat-pump");
        String outdoor = outdoors.get(random.nextInt(3));
        Map<String, Object> in = new LinkedHashMap<>();
        in.put(
                "kind",
                indoors.get(outdoor.equals("heat-pump") ? 2 * random.nextInt(2) : random.nextInt(indoors.size())));
        in.put("stripsKw", random.nextInt(3) * 5);
        in.put("fanRunsItself", random.nextInt(4) == 0);
        m.put("indoor", in);
        List<String> terminals = new ArrayList<>(random.nextBoolean() ? List.of("R") : List.of("RH", "RC"));
        terminals.addAll(List.of("C", "Y", "G"));
        terminals.addAll(outdoor.equals("heat-pump") ? List.of("O", "B", "AUX", "E") : List.of("W"));
        if (!outdoor.equals("none")) {
            Map<String, Object> out = new LinkedHashMap<>();
            out.put("kind", outdoor);
            out.put("stages", 1 + random.nextInt(2));
            if (outdoor.equals("heat-pump")) {
                out.put("valve", random.nextBoolean() ? "O" : "B");
                out.put("w2", random.nextBoolean());
            }
            m.put("outdoor", out);
            terminals.add("Y2");
        }
        Map<String, Object> th = new LinkedHashMap<>();
        th.put("terminals", terminals);
        th.put("power", List.of("either", "common", "battery").get(random.nextInt(3)));
        m.put("thermostat", th);
        m.put("transformers", Map.of("count", 1 + random.nextInt(2), "inPhase", random.nextBoolean()));
        List<Object> cables = new ArrayList<>();
        List<String> colours = List.of("red", "blue", "white", "yellow", "green", "orange", "brown", "black", "grey");
        cables.add(cable(
                "TC",
                "thermostat",
                "indoor",
                colours.subList(0, 2 + random.nextInt(7)).toArray(String[]::new)));
        if (!outdoor.equals("none")) {
            cables.add(cable(
                    "OC",
                    "indoor",
                    "outdoor",
                    colours.subList(0, 2 + random.nextInt(5)).toArray(String[]::new)));
        }
        m.put("cables", cables);
        return m;
    }
}
