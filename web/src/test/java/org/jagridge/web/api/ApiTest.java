package org.jagridge.web.api;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.web.WebTest;
import org.springframework.core.io.ClassPathResource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The JSON interface, from outside. */
public class ApiTest extends WebTest {
    private static final JsonMapper JSON = JsonMapper.shared();

    private static String fanRelay() {
        try {
            return new ClassPathResource("cases/fan-relay.json").getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static JsonNode body(HttpResponse<String> response) {
        return JSON.readTree(response.body());
    }

    private double measure(double at, String reading) {
        String json = "{\"circuit\": %s, \"scenario\": %s, \"atSeconds\": %s, \"readings\": [%s]}"
                .formatted(part("circuit"), part("scenario"), at, reading);
        HttpResponse<String> response = post("/api/v1/measure", json);
        assertEquals(response.statusCode(), 200, response.body());
        return body(response).get("readings").get(0).get("value").doubleValue();
    }

    private static String part(String key) {
        return JSON.readTree(fanRelay()).get(key).toString();
    }

    @Test
    public void theFanRelayCaseAgreesThroughTheInterface() {
        String rg = "{\"mode\": \"ac-volts\", \"plus\": \"TH.R\", \"minus\": \"TH.G\"}";
        String gc = "{\"mode\": \"ac-volts\", \"plus\": \"TH.G\", \"minus\": \"T1.X2\"}";
        assertEquals(measure(5, rg), 26.43, 0.15);
        assertEquals(measure(20, rg), 0, 0.02);
        assertEquals(measure(5, gc), 0, 0.02);
        assertEquals(measure(20, gc), 26.28, 0.15);
        assertEquals(measure(20, "{\"mode\": \"amps\", \"wire\": \"w8\", \"turns\": 1}"), 0.88, 0.01);
    }

    private JsonNode reading(String circuit, String scenario, String request) {
        HttpResponse<String> response = post(
                "/api/v1/measure", "{%s, \"scenario\": %s, \"readings\": [%s]}".formatted(circuit, scenario, request));
        assertEquals(response.statusCode(), 200, response.body());
        return body(response).get("readings").get(0);
    }

    /** Live for every range; dead, with the bench's supply off, for those that feed the circuit. */
    @DataProvider
    public Object[][] ranges() {
        return new Object[][] {
            {"ac-volts", true, "\"plus\": \"T1.X1\", \"minus\": \"T1.X2\"", "V", false},
            {"dc-volts", true, "\"plus\": \"T1.X1\", \"minus\": \"T1.X2\"", "V", false},
            {"amps", true, "\"wire\": \"w14\"", "A", false},
            {"dc-amps", true, "\"wire\": \"w14\"", "A", false},
            {"ohms", true, "\"plus\": \"T1.X1\", \"minus\": \"T1.X2\"", "Ω", true},
            {"continuity", true, "\"plus\": \"T1.X1\", \"minus\": \"T1.X2\"", "Ω", true},
            {"capacitance", true, "\"plus\": \"T1.X1\", \"minus\": \"T1.X2\"", "µF", true},
            {"ohms", false, "\"plus\": \"K1.A1\", \"minus\": \"K1.A2\"", "Ω", false},
            {"continuity", false, "\"plus\": \"XT.3\", \"minus\": \"TH.G\"", "Ω", false},
        };
    }

    @Test(dataProvider = "ranges")
    public void everyRangeAnswersOrSaysWhyItWasNotTaken(
            String mode, boolean live, String leads, String unit, boolean refused) {
        String scenario = "{\"untilSeconds\": 10, \"start\": {\"M.on\": " + live + "}}";
        JsonNode r = reading("\"circuitId\": 1", scenario, "{\"mode\": \"" + mode + "\", " + leads + "}");
        assertEquals(r.has("refused"), refused, r.toString());
        assertEquals(r.get("value").isNull(), refused, r.toString());
        assertTrue(r.get("unit").stringValue().endsWith(unit), r.toString());
        assertTrue(r.get("says").stringValue().length() > 20, "a sentence: " + r);
        if (refused) {
            assertEquals(r.get("refused"), r.get("says"));
        }
    }

    /** Out and back in one clamp cancel; turned round, they count twice. */
    @Test
    public void twoConductorsInOneClampAreSummedWithTheirSigns() {
        double one = measure(20, "{\"mode\": \"amps\", \"wire\": \"w8\"}");
        assertTrue(one > 0.5, "w8 carries " + one);
        assertEquals(measure(20, "{\"mode\": \"amps\", \"wires\": [\"w8\", \"-w8\"]}"), 0, 1e-9);
        assertEquals(measure(20, "{\"mode\": \"amps\", \"wires\": [\"w8\", \"w8\"], \"turns\": 2}"), 4 * one, 1e-6);
    }

    @DataProvider
    public Object[][] wrongTypes() {
        return new Object[][] {
            {"{\"mode\": {}}", "/readings/0/mode"},
            {"{\"mode\": 3}", "/readings/0/mode"},
            {"[]", "/readings/0"},
            {"{\"mode\": \"amps\", \"wire\": []}", "/readings/0/wire"},
            {"{\"mode\": \"amps\", \"wires\": \"w8\"}", "/readings/0/wires"},
            {"{\"mode\": \"amps\", \"wires\": [8]}", "/readings/0/wires/0"},
            {"{\"mode\": \"amps\", \"wire\": \"w8\", \"turns\": \"two\"}", "/readings/0/turns"},
            {"{\"plus\": {\"a\": 1}, \"minus\": \"TH.R\"}", "/readings/0/plus"},
            {"{\"plus\": \"TH.R\", \"minus\": \"TH.G\", \"lowImpedance\": \"yes\"}", "/readings/0/lowImpedance"},
        };
    }

    @Test(dataProvider = "wrongTypes")
    public void aWrongTypeInAReadingIsToldAndNoFailure(String reading, String path) {
        HttpResponse<String> response = post(
                "/api/v1/measure",
                "{\"circuit\": %s, \"scenario\": %s, \"atSeconds\": 5, \"readings\": [%s]}"
                        .formatted(part("circuit"), part("scenario"), reading));
        assertEquals(response.statusCode(), 400, response.body());
        assertTrue(response.body().contains("\"" + path + "\""), response.body());
    }

    @Test
    public void aRangeThatTheMeterHasNotIsToldWithItsPlace() {
        HttpResponse<String> response = post(
                "/api/v1/measure",
                "{\"circuitId\": 1, \"scenario\": {\"untilSeconds\": 1}, \"readings\": ["
                        + "{\"mode\": \"henries\"}, {\"mode\": \"amps\", \"wire\": \"w999\"}]}");
        assertEquals(response.statusCode(), 400, response.body());
        assertTrue(response.body().contains("/readings/0/mode"), response.body());
        assertTrue(response.body().contains("/readings/1/wire"), response.body());
    }

    @Test
    public void aRunTellsEventsWithCausePathSignalsAndTheEnd() {
        HttpResponse<String> response = post("/api/v1/run", fanRelay().replace("\"expected\"", "\"ignored\""));
        assertEquals(response.statusCode(), 200, response.body());
        JsonNode run = body(response);
        JsonNode relay = null;
        for (JsonNode e : run.get("events")) {
            relay = e.get("signal").stringValue().equals("K1") ? e : relay;
        }
        assertEquals(relay.get("t").doubleValue(), 10.015, 1e-9);
        assertEquals(relay.get("because").get("kind").stringValue(), "volts");
        assertTrue(relay.get("because").get("volts").doubleValue() >= 18.72);
        assertEquals(relay.get("path").get(0).stringValue(), "M");
        int cause = relay.get("because").get("events").get(0).intValue();
        assertEquals(run.get("events").get(cause).get("part").stringValue(), "TH");
        assertEquals(run.get("signals").get("K1").toString(), "[[0.0,\"out\"],[10.015,\"in\"]]");
        assertEquals(run.get("final").get("FAN").stringValue(), "HI");
        assertEquals(run.get("problems").size(), 0);
    }

    @Test
    public void aStoredCircuitIsTakenByItsNumber() {
        HttpResponse<String> response = post("/api/v1/run", "{\"circuitId\": 1, \"scenario\": {\"untilSeconds\": 5}}");
        assertEquals(response.statusCode(), 200, response.body());
        assertEquals(body(response).get("final").get("K6").stringValue(), "in");
    }

    @DataProvider
    public Object[][] mistakes() {
        return new Object[][] {
            {"{\"circuit\": {", 400, "not JSON"},
            {"", 400, "JSON"},
            {"{}", 400, "circuitId"},
            {"{\"circuitId\": 999, \"scenario\": {\"untilSeconds\": 1}}", 404, "no circuit with the id 999"},
            {"{\"circuitId\": 1}", 400, "scenario"},
            {"{\"circuitId\": 1, \"scenario\": {\"untilSeconds\": -1}}", 400, "/scenario/untilSeconds"},
            {
                "{\"circuitId\": 1, \"scenario\": {\"untilSeconds\": 9, \"start\": {\"TH.fan\": \"fast\"}}}",
                400,
                "\\\"fast\\\" is not one of auto, on, circulate"
            },
            {
                "{\"circuitId\": 1, \"scenario\": {\"untilSeconds\": 9, \"start\": {\"TH.sail\": 1}}}",
                400,
                "TH has no input sail"
            },
        };
    }

    @Test(dataProvider = "mistakes")
    public void mistakesGetAProblemWithPathAndNoStackTrace(String json, int status, String words) {
        HttpResponse<String> response = post("/api/v1/run", json);
        assertEquals(response.statusCode(), status, response.body());
        assertTrue(response.body().contains(words), response.body());
        assertTrue(response.headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json"));
        assertFalse(response.body().contains("at org."), response.body());
    }

    @Test
    public void allMistakesOfACircuitComeAtOnce() {
        String json = fanRelay().replace("\"TH.G\"", "\"TH.Q\"").replace("\"id\": \"w7\"", "\"id\": \"w8\"");
        HttpResponse<String> response = post("/api/v1/run", json);
        assertEquals(response.statusCode(), 400);
        JsonNode problems = body(response).get("problems");
        assertEquals(problems.size(), 2, response.body());
        assertEquals(problems.get(0).get("path").stringValue(), "/circuit/wires/4/ends/0");
        assertEquals(problems.get(1).get("path").stringValue(), "/circuit/wires/7/id");
    }

    @Test
    public void wrongReadingsAreAllNamed() {
        String json = "{\"circuitId\": 1, \"scenario\": {\"untilSeconds\": 9}, \"readings\": ["
                + "{\"mode\": \"ac-volts\", \"plus\": \"TH.R\", \"minus\": \"XX.1\"}, {\"mode\": \"smell\"},"
                + "{\"mode\": \"amps\", \"wire\": \"w999\"}]}";
        HttpResponse<String> response = post("/api/v1/measure", json);
        assertEquals(response.statusCode(), 400);
        assertEquals(body(response).get("problems").size(), 3, response.body());
    }

    @Test
    public void sixMegabytesAreTooLarge() {
        HttpResponse<String> response = post("/api/v1/run", "{\"notes\": \"" + "x".repeat(6 * 1024 * 1024) + "\"}");
        assertEquals(response.statusCode(), 413);
        assertTrue(response.body().contains("5 MB"), response.body());
    }

    @Test
    public void aLoopOfTwoSourcesWithoutResistanceIsRefused() {
        String json = """
                {"circuit": {"format": "jagridge-circuit", "version": 1, "name": "Loop",
                  "places": [{"id": "u", "name": "Unit"}],
                  "parts": [{"id": "A", "type": "supply", "place": "u", "params": {"system": "single-120", "ohms": 0}},
                            {"id": "B", "type": "supply", "place": "u", "params": {"system": "single-120", "ohms": 0}}],
                  "wires": [{"id": "w1", "ends": ["A.L", "B.L"]}, {"id": "w2", "ends": ["A.N", "B.N"]}]},
                 "scenario": {"untilSeconds": 1}}""";
        HttpResponse<String> response = post("/api/v1/run", json);
        assertEquals(response.statusCode(), 400, response.body());
        assertTrue(response.body().contains("ohms must be more than 0"), response.body());
    }

    @Test
    public void drawingsComeAsSvgOrAsGeometry() {
        for (String drawing : new String[] {"ladder", "connection"}) {
            HttpResponse<String> svg = post("/api/v1/" + drawing, "{\"circuitId\": 1}", "Accept", "image/svg+xml");
            assertEquals(svg.statusCode(), 200);
            assertTrue(svg.body().startsWith("<svg xmlns="), svg.body());
            assertTrue(svg.body().contains("data-part=\"K1\""));
            HttpResponse<String> geometry =
                    post("/api/v1/" + drawing, "{\"circuitId\": 1}", "Accept", "application/json");
            assertTrue(body(geometry).get("width").doubleValue() > 100, geometry.body());
        }
    }

    @Test
    public void aRunComesAsATimingChartAsGeometryAndAsWaveforms() {
        String run = "{\"circuit\": " + part("circuit") + ", \"scenario\": " + part("scenario") + "}";
        HttpResponse<String> svg = post("/api/v1/timing", run, "Accept", "image/svg+xml");
        assertEquals(svg.statusCode(), 200, svg.body());
        assertTrue(svg.body().startsWith("<svg xmlns=") && svg.body().contains("data-part=\"K1\""), svg.body());
        JsonNode chart = body(post("/api/v1/timing", run, "Accept", "application/json"));
        assertTrue(chart.get("lanes").size() > 2, chart.toString());
        assertTrue(chart.get("arrows").size() > 0);
        String vcd = post("/api/v1/export/run.vcd", run).body();
        assertTrue(vcd.contains("$timescale") && vcd.contains("#10015000"), vcd);
        String csv = post("/api/v1/export/run.csv", run).body();
        assertTrue(csv.startsWith("t_s,part,signal") && csv.contains("10.015,K1,K1,out,in"), csv);
        String late = run.substring(0, run.length() - 1) + ", \"atSeconds\": 1e9}";
        assertEquals(post("/api/v1/timing", late, "Accept", "image/svg+xml").statusCode(), 400);
        assertEquals(post("/api/v1/export/run.vcd", "{\"circuitId\": 1}").statusCode(), 400);
    }

    @Test
    public void theSchemaIsServed() {
        assertEquals(
                body(get("/schema/jagridge-circuit-1.json")).get("title").stringValue(), "Jagridge circuit, version 1");
    }

    @Test
    public void pagesCarryAStrictPolicyAndFormsNeedTheirToken() {
        HttpResponse<String> home = get("/");
        String policy = home.headers().firstValue("Content-Security-Policy").orElse("");
        assertTrue(policy.contains("script-src 'self';"), policy);
        assertFalse(policy.contains("unsafe"), policy);
        assertEquals(home.headers().firstValue("X-Content-Type-Options").orElse(""), "nosniff");
        assertEquals(post("/bench/1/undo?s=0&t=0", "").statusCode(), 403);
    }

    /** A room that is heated and cools again all year makes more changes than one run keeps. */
    @Test
    public void aRunThatIsTooLongIsRefusedWithWhatKeptMoving() {
        String circuit = get("/circuits/wardens-cottage/circuit.json").body();
        HttpResponse<String> response = post(
                "/api/v1/run",
                "{\"circuit\": " + circuit
                        + ", \"scenario\": {\"untilSeconds\": 31536000, \"start\": {\"TH.mode\": \"heat\"}}}");
        assertEquals(response.statusCode(), 422, response.body());
        assertTrue(body(response).get("title").stringValue().contains("went over its limits"), response.body());
        assertTrue(response.body().contains("still moving: "), response.body());
    }

    private static final String COTTAGE = """
            {"indoor": {"kind": "air-handler", "stripsKw": 7.5, "transformerVa": 75},
             "outdoor": {"kind": "heat-pump", "valve": "O", "w2": true},
             "thermostat": {"terminals": ["R","C","Y","O","G","AUX"], "power": "either", "kind": "heat-pump"},
             "cables": [{"id":"TC","from":"thermostat","to":"indoor","cores":["red","white","green","blue"],"lengthMetres":14},
                        {"id":"OC","from":"indoor","to":"outdoor","cores":["red","blue"],"lengthMetres":22}]}""";

    @Test
    public void aPlanComesWithItsCircuitAndEachCallOfItRunsAgain() {
        HttpResponse<String> response = post("/api/v1/plan/wiring", COTTAGE);
        assertEquals(response.statusCode(), 200, response.body());
        JsonNode plans = body(response).get("plans");
        assertTrue(plans.size() >= 5, "plans: " + plans.size());
        for (JsonNode plan : plans) {
            for (JsonNode scenario : plan.get("circuit").get("scenarios")) {
                HttpResponse<String> run = post(
                        "/api/v1/run", "{\"circuit\": " + plan.get("circuit") + ", \"scenario\": " + scenario + "}");
                assertEquals(run.statusCode(), 200, run.body());
                JsonNode end = body(run).get("final");
                String call = scenario.get("name").stringValue();
                String runs = "";
                for (JsonNode mode : plan.get("modes")) {
                    runs = mode.get("call").stringValue().equals(call)
                            ? mode.get("runs").toString()
                            : runs;
                }
                assertEquals(end.get("CMP").stringValue().equals("running"), runs.contains("compressor"), call);
                assertEquals(end.get("HTR").stringValue().equals("on"), runs.contains("strips"), call);
                assertEquals(end.get("RV").stringValue().equals("on"), runs.contains("reversing-valve"), call);
            }
        }
    }

    @Test
    public void anInterlockIsPlannedAndItsCircuitProvedAgainWithTheSameFaults() {
        HttpResponse<String> response = post(
                "/api/v1/plan/interlock",
                "{\"openings\": [{\"id\": \"V1\", \"signal\": \"dc-always\", \"limitSwitch\": true}],"
                        + " \"heaters\": [{\"id\": \"H1\", \"control\": \"24V-pair\"}]}");
        assertEquals(response.statusCode(), 200, response.body());
        JsonNode plans = body(response).get("plans");
        assertTrue(plans.size() >= 2, "plans: " + plans.size());
        JsonNode last = plans.get(plans.size() - 1);
        HttpResponse<String> proof =
                post("/api/v1/prove", "{\"circuit\": " + last.get("circuit") + ", \"standing\": false}");
        assertEquals(proof.statusCode(), 200, proof.body());
        JsonNode result = body(proof).get("results").get(0);
        assertTrue(result.get("holds").booleanValue());
        assertEquals(result.get("failsHot").size(), last.get("failsHot").size());
        for (JsonNode breaker : result.get("breakers")) {
            String scenario = "{\"steps\": " + breaker.get("counterexample") + ", \"faults\": "
                    + breaker.get("faultsAtStart") + ", \"untilSeconds\": "
                    + (breaker.get("brokenAtSeconds").doubleValue() + 1) + "}";
            HttpResponse<String> run =
                    post("/api/v1/run", "{\"circuit\": " + last.get("circuit") + ", \"scenario\": " + scenario + "}");
            assertEquals(run.statusCode(), 200, run.body());
            assertEquals(body(run).get("final").get("H1").stringValue(), "burning", breaker.toString());
        }
    }

    /** A limit switch that sticks beside another one shows nowhere; when the other one sticks, too, the heat goes on. */
    @Test
    public void aSecondFaultBehindAHiddenOneIsFoundAndPlays() {
        HttpResponse<String> planned = post(
                "/api/v1/plan/interlock",
                "{\"place\": \"North bay\", \"openings\": [{\"id\": \"V1\", \"signal\": \"dc-always\", \"limitSwitch\": true}],"
                        + " \"heaters\": [{\"id\": \"H1\", \"control\": \"24V-pair\"}]}");
        JsonNode circuit = body(planned)
                .get("plans")
                .valueStream()
                .filter(p -> p.get("techniques").get("V1").stringValue().equals("two-limit-switches"))
                .findFirst()
                .orElseThrow()
                .get("circuit");
        assertTrue(
                circuit.get("name").stringValue().startsWith("North bay"),
                circuit.get("name").toString());
        HttpResponse<String> proof =
                post("/api/v1/prove", "{\"circuit\": " + circuit + ", \"standing\": false, \"secondFaults\": true}");
        assertEquals(proof.statusCode(), 200, proof.body());
        JsonNode stuck = body(proof)
                .get("results")
                .get(0)
                .get("latent")
                .valueStream()
                .filter(l -> l.get("fault").toString().contains("V1-L"))
                .findFirst()
                .orElseThrow();
        JsonNode second = stuck.get("second").get(0);
        String scenario = "{\"steps\": " + second.get("counterexample") + ", \"faults\": " + second.get("faultsAtStart")
                + ", \"untilSeconds\": " + (second.get("brokenAtSeconds").doubleValue() + 1) + "}";
        HttpResponse<String> run =
                post("/api/v1/run", "{\"circuit\": " + circuit + ", \"scenario\": " + scenario + "}");
        assertEquals(body(run).get("final").get("H1").stringValue(), "burning", second.toString());
        HttpResponse<String> alone = post(
                "/api/v1/prove", "{\"circuit\": " + circuit + ", \"singleFaults\": false, \"secondFaults\": true}");
        assertEquals(alone.statusCode(), 400);
        assertTrue(alone.body().contains("/secondFaults"), alone.body());
    }

    @Test
    public void aRuleThatIsNotUnderstoodIsToldWithItsWord() {
        HttpResponse<String> response = post(
                "/api/v1/prove",
                "{\"circuit\": " + part("circuit") + ", \"rules\": [\"Never K7 in\", {\"never\": \"K1=sideways\"},"
                        + " {\"id\": \"x\", \"text\": \"Sometimes K1 in\"}], \"singleFaults\": 1, \"changesInFlight\": 9}");
        assertEquals(response.statusCode(), 400, response.body());
        for (String told : List.of(
                "/rules/0",
                "K7",
                "/rules/1/never",
                "/rules/2/text",
                "Sometimes",
                "/singleFaults",
                "/changesInFlight")) {
            assertTrue(response.body().contains(told), told + " in " + response.body());
        }
    }

    @Test
    public void aRequestForAPlanIsToldAllItsMistakes() {
        HttpResponse<String> response = post(
                "/api/v1/plan/wiring",
                "{\"indoor\": {\"kind\": \"wood\", \"posts\": \"R\"}, \"outdoor\": {\"kind\": \"cooling\", \"valve\": \"O\"},"
                        + "\"thermostat\": {\"terminals\": [\"Q\"], \"power\": \"x\"}, \"foo\": 1,"
                        + "\"cables\": [{\"id\": \"T C\", \"from\": \"thermostat\", \"to\": \"attic\", \"cores\": [\"red\", \"red\"], \"dead\": [\"pink\"]}]}");
        assertEquals(response.statusCode(), 400, response.body());
        for (String path : List.of(
                "/indoor/kind",
                "/indoor/posts",
                "/thermostat/terminals/0",
                "/thermostat/power",
                "/foo",
                "/cables/0/id",
                "/cables/0/to",
                "/cables/0/cores",
                "/cables/0/dead/0")) {
            assertTrue(response.body().contains("\"" + path + "\""), path + " in " + response.body());
        }
    }
}
