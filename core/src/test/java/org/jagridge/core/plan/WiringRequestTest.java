package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is asked of the planner: mistakes with their places, and what is taken as usual. */
public class WiringRequestTest {
    @DataProvider
    public Object[][] mistakes() {
        return new Object[][] {
            {"[]", ""},
            {"{}", "/thermostat"},
            {"{\"thermostat\": {\"terminals\": [\"R\", \"W\"]}}", ""},
            {"{\"indoor\": {\"kind\": \"stove\"}, \"thermostat\": {\"terminals\": [\"R\"]}}", "/indoor/kind"},
            {"{\"indoor\": 5, \"thermostat\": {\"terminals\": [\"R\"]}}", "/indoor"},
            {
                "{\"indoor\": {\"kind\": \"gas-furnace\", \"stripsKw\": -1}, \"thermostat\": {\"terminals\": [\"R\"]}}",
                "/indoor/stripsKw"
            },
            {
                "{\"indoor\": {\"kind\": \"gas-furnace\", \"fanRunsItself\": 1}, \"thermostat\": {\"terminals\": [\"R\"]}}",
                "/indoor/fanRunsItself"
            },
            {
                "{\"indoor\": {\"kind\": \"gas-furnace\"}, \"thermostat\": {\"terminals\": [\"W\", \"Y\"]}}",
                "/thermostat/terminals"
            },
            {
                "{\"indoor\": {\"kind\": \"gas-furnace\"}, \"thermostat\": {\"terminals\": [\"R\", 4]}}",
                "/thermostat/terminals/1"
            },
            {
                "{\"indoor\": {\"kind\": \"gas-furnace\"}, \"thermostat\": {\"terminals\": [\"R\"], \"power\": \"common\"}}",
                "/thermostat/power"
            },
            {"{\"hydronics\": {\"kind\": \"three-valves\"}}", "/hydronics/kind"},
            {"{\"hydronics\": {\"kind\": \"one-valve\"}, \"indoor\": {\"kind\": \"gas-furnace\"}}", "/hydronics"},
            {"{\"hydronics\": {\"kind\": \"one-valve\"}, \"allow\": [\"magic\"]}", "/allow/0"},
            {"{\"hydronics\": {\"kind\": \"one-valve\"}, \"stock\": {\"string\": 3}}", "/stock/string"},
            {"{\"hydronics\": {\"kind\": \"one-valve\"}, \"accessories\": \"fan\"}", "/accessories"},
            {
                "{\"hydronics\": {\"kind\": \"one-valve\"}, \"cables\": [{\"id\": \"A\", \"from\": \"indoor\", \"to\": \"indoor\", \"cores\": []}]}",
                "/cables/0/to"
            },
            {
                "{\"hydronics\": {\"kind\": \"one-valve\"}, \"cables\": [{\"from\": \"indoor\", \"to\": \"thermostat\"}]}",
                "/cables/0/cores"
            },
            {
                "{\"hydronics\": {\"kind\": \"one-valve\"}, \"cables\": [{\"from\": \"indoor\", \"to\": \"thermostat\", \"cores\": [\"a\"], \"size\": \"9AWG\"}]}",
                "/cables/0/size"
            },
            {
                "{\"hydronics\": {\"kind\": \"one-valve\"}, \"cables\": [{\"from\": \"indoor\", \"to\": \"thermostat\", \"cores\": [\"a\"], \"lengthMetres\": \"far\"}]}",
                "/cables/0/lengthMetres"
            },
            {"{\"hydronics\": {\"kind\": \"one-valve\"}, \"transformers\": {\"count\": 3}}", "/transformers/count"},
            {"{\"hydronics\": {\"kind\": \"one-valve\"}, \"landings\": [{\"core\": \"red\"}]}", "/landings/0/cable"},
        };
    }

    @Test(dataProvider = "mistakes")
    public void aMistakeIsToldWithItsPath(String json, String path) {
        MalformedException e =
                expectThrows(MalformedException.class, () -> WiringRequestReader.read(JsonText.plainValue(json)));
        assertTrue(
                e.problems().stream().anyMatch(p -> p.path().equals(path)),
                path + " isn't among "
                        + e.problems().stream().map(Problem::path).collect(Collectors.toList()));
    }

    @Test
    public void whatIsLeftOutIsTakenAsUsualAndSaid() {
        WiringRequest r = WiringRequestReader.read(JsonText.plainValue("""
                {"indoor": {"kind": "gas-furnace"}, "outdoor": {"kind": "cooling", "valve": "O", "w2": true},
                 "thermostat": {"terminals": ["R", "W", "R"]}, "stock": {},
                 "cables": [{"id": "TC", "from": "thermostat", "to": "indoor", "cores": ["red", "white"]}]}"""));
        assertEquals(r.thermostat().terminals(), List.of("R", "W"));
        assertEquals(r.stock(), null);
        assertEquals(r.outdoor().w2(), false);
        String said = String.join("\n", r.assumed());
        assertTrue(said.contains("posts R C W Y G") && said.contains("40 VA") && said.contains("15 m long"), said);
        assertTrue(said.contains("only a heat pump has them"), said);
    }
}
