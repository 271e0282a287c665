package org.jagridge.core.format;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Rule;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rules and conditions of a file are read, and what could never hold is told with its place. */
public class RulesTest {
    private static final String LAMP = """
            {"format": "jagridge-circuit", "version": 1, "name": "Lamp",
             "places": [{"id": "attic", "name": "Attic"}],
             "parts": [
               {"id": "T1", "type": "transformer", "place": "attic"},
               {"id": "TH", "type": "thermostat", "place": "attic"},
               {"id": "SQ", "type": "sequencer", "place": "attic", "params": {"stages": 2}},
               {"id": "V1", "type": "opening", "place": "attic"},
               {"id": "K1", "type": "relay", "place": "attic"},
               {"id": "RM", "type": "room", "place": "attic"},
               {"id": "LPS", "type": "safety-switch", "place": "attic", "params": {"trips": [
                  {"while": "K1=in", "condition": "low-charge", "recloseWhile": {"not": "K1=in"}}]}},
               {"id": "LP", "type": "lamp", "place": "attic"}],
             "wires": [
               {"id": "w1", "ends": ["T1.X1", "LP.1"]},
               {"id": "w2", "ends": ["T1.X2", "LP.2"]}],
             "scenarios": [{"name": "On", "untilSeconds": 20, "faults": [%FAULT%]}],
             "rules": [%RULE%]}
            """;
    private static final String GOOD_FAULT = "{\"kind\": \"load-open\", \"part\": \"LP\"}";
    private static final String GOOD_RULE = "{\"id\": \"r\", \"text\": \"t\", \"never\": \"LP=on\"}";

    private static String file(String fault, String rule) {
        return LAMP.replace("%FAULT%", fault).replace("%RULE%", rule);
    }

    private static String rule(String claim) {
        return "{\"id\": \"r\", \"text\": \"t\", " + claim + "}";
    }

    @Test
    public void theRulesOfTheDemosAreReadAndWrittenAsTheyWere() {
        int rules = 0;
        for (String slug : Circuits.DEMOS) {
            Circuit circuit = Circuits.demo(slug);
            Circuit again = CircuitReader.read(CircuitWriter.write(circuit));
            assertEquals(again.rules(), circuit.rules());
            rules += circuit.rules().size();
        }
        assertTrue(rules >= 4, rules + " rules");
    }

    @DataProvider
    public Object[][] good() {
        return new Object[][] {
            {"\"never\": {\"all\": [\"LP=on\", \"V1!=shut\"]}"},
            {"\"always\": {\"not\": {\"any\": [\"TH=R-W R-G\", \"SQ=1 2\", \"TH=blank\"]}}"},
            {"\"within\": {\"when\": \"K1=in\", \"then\": \"LP=on\", \"seconds\": 2.5}"},
            {"\"before\": {\"first\": \"LP=on\", \"then\": \"K1=in\"}, \"graceSeconds\": 1"},
            {"\"never\": \"RM.celsius>=30.5\", \"inputs\": {\"V1.target\": [\"shut\", \"open\"]}"},
        };
    }

    @Test(dataProvider = "good")
    public void everyFormOfRuleGoesInAndOut(String claim) {
        Circuit circuit = CircuitReader.read(file(GOOD_FAULT, rule(claim)));
        Rule rule = circuit.rules().get(0);
        assertTrue(!rule.claim().conditions().isEmpty());
        assertEquals(CircuitReader.read(CircuitWriter.write(circuit)).rules(), List.of(rule));
    }

    @DataProvider
    public Object[][] badRules() {
        return new Object[][] {
            {"\"never\": \"LP=bright\"", "/rules/0/never", "never \"bright\"; it can be off, on, burnt"},
            {"\"never\": \"LX=on\"", "/rules/0/never", "there is no part LX, but the rule r names it"},
            {"\"never\": {\"all\": [\"LP=on\", \"V1=ajar\"]}", "/rules/0/never", "it can be shut, moving, half, open"},
            {"\"always\": \"TH=R-G R-W\"", "/rules/0/always", "some of R-W R-Y R-G"},
            {"\"always\": \"SQ=3\"", "/rules/0/always", "some of 1 2"},
            {"\"always\": \"LP.celsius>=3\"", "/rules/0/always", "LP has no number celsius; it has none"},
            {"\"always\": \"RM=warm\"", "/rules/0/always", "it shows nothing"},
            {"\"always\": \"LP\"", "/rules/0/always", "is no condition"},
            {"\"always\": 5", "/rules/0/always", "is no condition"},
            {"\"within\": {\"when\": \"LP=on\", \"then\": \"LP=on\"}", "/rules/0/within", "\"seconds\" is missing"},
            {"\"within\": {\"when\": \"LP=on\", \"then\": \"LP=x\", \"seconds\": 3}", "/rules/0/within/then", "never"},
            {"\"before\": \"LP=on\"", "/rules/0/before", "an object with first, then was expected"},
            {"\"before\": {\"first\": \"LP=on\", \"then\": \"LP=on\", \"so\": 1}", "/rules/0/before/so", "takes first"},
            {"\"never\": \"LP=on\", \"always\": \"LP=on\"", "/rules/0", "one of always, before, never, within"},
            {"\"forever\": \"LP=on\"", "/rules/0", "one of always, before, never, within"},
            {"\"never\": \"LP=on\", \"grace\": 2", "/rules/0/grace", "a rule has no \"grace\""},
            {"\"never\": \"LP=on\", \"graceSeconds\": -1", "/rules/0/graceSeconds", "seconds"},
            {"\"never\": \"LP=on\", \"inputs\": {\"V1.target\": [\"ajar\"]}", "/rules/0/inputs/V1.target/0", "one of"},
            {"\"never\": \"LP=on\", \"inputs\": {\"V1.goal\": [1]}", "/rules/0/inputs/V1.goal/0", "no input goal"},
            {"\"never\": \"LP=on\", \"inputs\": {\"V1.target\": []}", "/rules/0/inputs/V1.target", "a list of values"},
        };
    }

    @Test(dataProvider = "badRules")
    public void aRuleThatCouldNeverHoldIsToldWithItsPlace(String claim, String path, String words) {
        told(file(GOOD_FAULT, rule(claim)), path, words);
    }

    @Test
    public void aTripThatCouldNeverComeIsToldWithItsPlace() {
        told(
                file(GOOD_FAULT, GOOD_RULE).replace("\"while\": \"K1=in\"", "\"while\": \"K1=pulled\""),
                "/parts/6/params/trips/0/while",
                "it is never \"pulled\"; it can be out, in, burnt, chatter");
        told(
                file(GOOD_FAULT, GOOD_RULE).replace("\"while\": \"K1=in\"", "\"while\": \"KX=in\""),
                "/parts/6/params/trips",
                "there is no part KX, but LPS names it in trips");
    }

    @DataProvider
    public Object[][] badFaults() {
        return new Object[][] {
            {"{\"kind\": \"coil-open\", \"part\": \"LP\"}", "LP, a lamp, can't have the fault coil open LP"},
            {"{\"kind\": \"armature-stuck\", \"part\": \"LP\"}", "it can have load-open, load-shorted"},
            {"{\"kind\": \"stuck\", \"part\": \"V1\", \"at\": \"ajar\"}", "stuck V1 half, stuck V1 open, stuck V1 shut"
            },
            {"{\"kind\": \"stuck\", \"part\": \"LP\", \"at\": \"shut\"}", "can't have the fault stuck LP shut"},
            {"{\"kind\": \"winding-open\", \"part\": \"K1\", \"winding\": \"primary\"}", "can't have"},
            {"{\"kind\": \"motor-seized\", \"part\": \"LP\"}", "can't have"},
            {"{\"kind\": \"output-dead\", \"part\": \"TH\", \"output\": \"C\"}", "output dead TH W"},
            {"{\"kind\": \"condition\", \"part\": \"LPS\", \"condition\": \"no-flame\"}", "condition LPS low-charge"},
            {"{\"kind\": \"contact-open\", \"part\": \"K1\", \"contact\": \"A1-A2\"}", "contact open K1 11-14"},
            {"{\"kind\": \"load-open\", \"part\": \"V1\"}", "it can have stuck"},
        };
    }

    @Test(dataProvider = "badFaults")
    public void aFaultThatThePartCantHaveIsRefused(String fault, String words) {
        told(file(fault, GOOD_RULE), "/scenarios/0/faults/0", words);
    }

    private static void told(String json, String path, String words) {
        List<Problem> problems = expectThrows(MalformedException.class, () -> CircuitReader.read(json))
                .problems();
        assertTrue(
                problems.stream()
                        .anyMatch(p -> p.path().equals(path) && p.message().contains(words)),
                problems.toString());
    }
}
