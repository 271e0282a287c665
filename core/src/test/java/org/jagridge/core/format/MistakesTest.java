package org.jagridge.core.format;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Problem;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One mistake in an otherwise good file is one problem, that says where it is and what would do instead. */
public class MistakesTest {
    private static final String GOOD = """
            {"format": "jagridge-circuit", "version": 1, "name": "Fan relay",
             "places": [{"id": "attic", "name": "Attic"}, {"id": "hall", "name": "Hall"}],
             "parts": [
               {"id": "M", "type": "supply", "place": "attic", "params": {"system": "single-120"}},
               {"id": "T1", "type": "transformer", "place": "attic", "params": {"va": 40}},
               {"id": "K1", "type": "relay", "place": "attic", "labels": {"A1": "coil"}},
               {"id": "S1", "type": "switch", "place": "hall"}],
             "cables": [{"id": "TC", "from": "attic", "to": "hall", "cores": ["red", "green"]}],
             "wires": [
               {"id": "w1", "ends": ["M.L", "T1.P1"], "size": "14AWG"},
               {"id": "w2", "ends": ["M.N", "T1.P2"], "size": "14AWG"},
               {"id": "w3", "ends": ["T1.X1", "S1.1"], "cable": "TC", "core": "red"},
               {"id": "w4", "ends": ["S1.2", "K1.A1"], "cable": "TC", "core": "green"},
               {"id": "w5", "ends": ["K1.A2", "T1.X2"]},
               {"id": "w6", "ends": ["M.PE", "attic.PE"]}],
             "scenarios": [{"name": "Fan", "untilSeconds": 20, "start": {"S1.closed": false},
               "faults": [{"kind": "wire-open", "wire": "w4"}],
               "steps": [{"atSeconds": 5, "set": {"S1.closed": true}}]}]}
            """;

    private static final String FAULT = "{\"kind\": \"wire-open\", \"wire\": \"w4\"}";
    private static final String AT = "/scenarios/0/faults/0";

    @Test
    public void theFileItselfIsGood() {
        assertEquals(CircuitReader.read(GOOD).wires().size(), 6);
    }

    @DataProvider
    public Object[][] mistakes() {
        return new Object[][] {
            // what, instead, where, words
            {"\"id\": \"w2\"", "\"id\": \"w1\"", "/wires/1/id", "the id w1 is already used at /wires/0"},
            {
                "\"place\": \"hall\"",
                "\"place\": \"cellar\"",
                "/parts/3/place",
                "there is no place cellar; known are attic, hall"
            },
            {"\"to\": \"hall\"", "\"to\": \"cellar\"", "/cables/0/to", "there is no place cellar"},
            {"\"relay\"", "\"relais\"", "/parts/2/type", "there is no part type \"relais\""},
            {"\"va\": 40", "\"va\": \"forty\"", "/parts/1/params/va", "forty"},
            {"\"va\": 40", "\"va\": 0", "/parts/1/params/va", "must be more than 0"},
            {"\"va\": 40", "\"watts\": 40", "/parts/1/params/watts", "a transformer has no parameter watts; it has"},
            {"single-120", "three-600", "/parts/0/params/system", "is not one of"},
            {
                "\"A1\": \"coil\"",
                "\"A3\": \"coil\"",
                "/parts/2/labels/A3",
                "K1 has no terminal A3; it has 11, 12, 14, A1, A2"
            },
            {"[\"red\", \"green\"]", "[\"red\", \"green\", \"red\"]", "/cables/0/cores/2", "the core red is there twice"
            },
            {", \"core\": \"red\"", "", "/wires/2", "must say which core it is; TC has green, red"},
            {"\"core\": \"red\"", "\"core\": \"blue\"", "/wires/2/core", "cable TC has no core blue; it has green, red"
            },
            {
                "\"cable\": \"TC\", \"core\": \"red\"",
                "\"core\": \"red\"",
                "/wires/2/core",
                "a core was named without its cable"
            },
            {
                "\"cable\": \"TC\", \"core\": \"red\"",
                "\"cable\": \"TD\", \"core\": \"red\"",
                "/wires/2/cable",
                "there is no cable TD; known are TC"
            },
            {"[\"K1.A2\", \"T1.X2\"]", "[\"K1.A2\", \"K1.A2\"]", "/wires/4/ends", "both ends are at K1.A2"},
            {"[\"K1.A2\", \"T1.X2\"]", "[\"K1.A2\", \"T1.X9\"]", "/wires/4/ends/1", "T1 has no terminal X9"},
            {
                "[\"K1.A2\", \"T1.X2\"]",
                "[\"K1.A2\", \"K9.1\"]",
                "/wires/4/ends/1",
                "there is no part K9, so no terminal K9.1"
            },
            {"attic.PE", "attic.N", "/wires/5/ends/1", "the place attic has only the terminal attic.PE"},
            {
                "{\"S1.closed\": false}",
                "{\"closed\": false}",
                "/scenarios/0/start/closed",
                "there is no input closed; write PART.input"
            },
            {
                "{\"S1.closed\": false}",
                "{\"S9.closed\": false}",
                "/scenarios/0/start/S9.closed",
                "there is no input S9.closed"
            },
            {
                "{\"S1.closed\": false}",
                "{\"S1.shut\": false}",
                "/scenarios/0/start/S1.shut",
                "S1 has no input shut; it has closed"
            },
            {"{\"S1.closed\": true}", "{\"S1.closed\": 3}", "/scenarios/0/steps/0/set/S1.closed", "3"},
            {FAULT, "{\"kind\": \"wire-open\"}", AT, "a fault wire-open needs \"wire\""},
            {FAULT, "{\"kind\": \"wire-open\", \"wire\": \"w40\"}", AT + "/wire", "there is no wire w40"},
            {
                FAULT,
                "{\"kind\": \"wire-open\", \"wire\": \"w4\", \"contact\": \"11-14\"}",
                AT + "/contact",
                "a fault wire-open has no \"contact\""
            },
            {FAULT, "{\"kind\": \"coil-open\", \"part\": \"K9\"}", AT + "/part", "there is no part K9"},
            {
                FAULT,
                "{\"kind\": \"contact-welded\", \"part\": \"K1\", \"contact\": \"11-15\"}",
                AT + "/contact",
                "K1 has no contact 11-15; name it by two of its terminals"
            },
            {
                FAULT,
                "{\"kind\": \"contact-welded\", \"part\": \"K1\", \"contact\": \"first\"}",
                AT + "/contact",
                "K1 has no contact first"
            },
            {
                FAULT,
                "{\"kind\": \"landed\", \"wire\": \"w4\", \"end\": 1, \"at\": \"anywhere\"}",
                AT + "/at",
                "\"anywhere\" is not a terminal; write PART.TERMINAL"
            },
            {
                FAULT,
                "{\"kind\": \"landed\", \"wire\": \"w4\", \"end\": 1, \"at\": \"K1.B1\"}",
                AT + "/at",
                "K1 has no terminal B1"
            },
            {
                FAULT,
                "{\"kind\": \"wrong-setting\", \"part\": \"T1\", \"param\": \"watts\", \"value\": 5}",
                AT + "/param",
                "there is no parameter watts; known are"
            },
            {
                FAULT,
                "{\"kind\": \"wrong-setting\", \"part\": \"T1\", \"param\": \"va\", \"value\": -5}",
                AT + "/value",
                "must be more than 0"
            },
            {
                FAULT,
                "{\"kind\": \"twisted\", \"wires\": [\"w4\", \"w5\"], \"between\": [\"K1.A1\", \"K1.A1\"]}",
                AT + "/between/1",
                "w5 doesn't end at K1.A1"
            },
            {FAULT, "{\"kind\": \"haunted\", \"wire\": \"w4\"}", AT + "/kind", "wire-open"},
        };
    }

    @Test(dataProvider = "mistakes")
    public void isOneProblemWithItsPlaceAndAWayOut(String what, String instead, String path, String words) {
        assertTrue(GOOD.contains(what), what);
        String bad = GOOD.replaceFirst(Pattern.quote(what), Matcher.quoteReplacement(instead));
        MalformedException e = expectThrows(MalformedException.class, () -> CircuitReader.read(bad));
        assertEquals(e.problems().size(), 1, e.problems().toString());
        Problem p = e.problems().get(0);
        assertEquals(p.path(), path);
        assertTrue(p.message().contains(words), p.message());
    }
}
