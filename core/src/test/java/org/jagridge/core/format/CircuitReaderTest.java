package org.jagridge.core.format;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.stream.Collectors;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Problem;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Files in, circuits or all mistakes out. */
public class CircuitReaderTest {
    private static final String HEAD = """
            {"format": "jagridge-circuit", "version": 1, "name": "T",
             "places": [{"id": "u", "name": "Unit"}],
            """;

    private static List<Problem> problems(String json) {
        return expectThrows(MalformedException.class, () -> CircuitReader.read(json))
                .problems();
    }

    private static String words(List<Problem> problems) {
        return problems.stream().map(p -> p.path() + ": " + p.message()).collect(Collectors.joining("\n"));
    }

    @Test
    public void everyMistakeIsReportedAtOnceWithItsPath() {
        List<Problem> problems = problems(HEAD + """
                "parts": [
                  {"id": "K1", "type": "relay", "place": "u"},
                  {"id": "K1", "type": "relay", "place": "attic", "params": {"sealedVa": -3, "colour": "red"}},
                  {"id": "X", "type": "flux-capacitor", "place": "u"}],
                "wires": [
                  {"id": "w1", "ends": ["K1.A9", "K1.A2"]},
                  {"id": "w2", "ends": ["NOPE.1", "K1.A1"], "kolour": "red"},
                  {"id": "w3", "ends": ["K1.A1", "K1.A2"], "cable": "C9", "core": "red"}],
                "scenarios": [{"untilSeconds": 10, "start": {"K1.speed": 3}, "faults": [{"kind": "coil-open", "part": "K7"}]}]
                }""");
        String all = words(problems);
        for (String expected : List.of(
                "/parts/1/id: the id K1 is already used at /parts/0",
                "/parts/1/place: there is no place attic",
                "/parts/1/params/sealedVa: -3 is out of range; sealedVa must be more than 0",
                "/parts/1/params/colour: a relay has no parameter colour",
                "/parts/2/type: there is no part type \"flux-capacitor\"",
                "/wires/0/ends/0: K1 has no terminal A9; it has 11, 12, 14, A1, A2",
                "/wires/1/ends/0: there is no part NOPE",
                "/wires/2/cable: there is no cable C9",
                "/scenarios/0/start/K1.speed: K1 has no input speed",
                "/scenarios/0/faults/0/part: there is no part K7")) {
            assertTrue(all.contains(expected), "missing " + expected + " in\n" + all);
        }
        assertTrue(all.contains("kolour"), all);
    }

    @Test
    public void twistedWiresMustBeTwoAndEndWhereTheFaultSays() {
        String twisted = HEAD + """
                "parts": [{"id": "K1", "type": "relay", "place": "u"}, {"id": "K2", "type": "relay", "place": "u"}],
                "wires": [
                  {"id": "w1", "ends": ["K1.A1", "K2.A1"]},
                  {"id": "w2", "ends": ["K1.A2", "K2.A2"]}],
                "scenarios": [{"untilSeconds": 10, "faults": [{"kind": "twisted", "wires": ["w1", "%s"], "between": ["K1.A1", "%s"]}]}]
                }""";
        assertEquals(
                words(problems(twisted.formatted("w2", "K1.11"))),
                "/scenarios/0/faults/0/between/1: w2 doesn't end at K1.11");
        assertEquals(
                words(problems(twisted.formatted("w1", "K2.A1"))),
                "/scenarios/0/faults/0/wires: a wire can't be twisted with itself");
        Circuit circuit = CircuitReader.read(twisted.formatted("w2", "K1.A2"));
        assertEquals(circuit.scenarios().get(0).faults().get(0).kind(), FaultKind.TWISTED);
    }

    @Test
    public void onlyTwistsAreOfMoreThanTwoWires() {
        String faults = HEAD + """
                "parts": [{"id": "K1", "type": "relay", "place": "u"}, {"id": "K2", "type": "relay", "place": "u"}],
                "wires": [
                  {"id": "w1", "ends": ["K1.A1", "K2.A1"]},
                  {"id": "w2", "ends": ["K1.A2", "K2.A2"]},
                  {"id": "w3", "ends": ["K1.11", "K2.11"]}],
                "scenarios": [{"untilSeconds": 10, "faults": [{"kind": %s, "wires": ["w1", "w2", "w3"], %s}]}]
                }""";
        String between = "\"between\": [\"K1.A1\", \"K1.A2\"%s]";
        Circuit circuit = CircuitReader.read(faults.formatted("\"twisted\"", between.formatted(", \"K2.11\"")));
        assertEquals(
                circuit.scenarios().get(0).faults().get(0).words(), "twisted w1 to w2 to w3 K1.A1 to K1.A2 to K2.11");
        assertEquals(
                words(problems(faults.formatted("\"twisted\"", between.formatted("")))),
                "/scenarios/0/faults/0: each twisted wire needs the terminal that it is taken off: there are 3 wires"
                        + " and 2 terminals");
        assertEquals(
                words(problems(faults.formatted("\"swapped\"", "\"end\": 1"))),
                "/scenarios/0/faults/0: a fault swapped is about two wires, not 3");
    }

    @Test
    public void textThatIsNotJsonIsRefusedWithLineAndColumn() {
        List<Problem> problems = problems("{\"format\": \"jagridge-circuit\",\n  \"version\": }");
        assertEquals(problems.size(), 1);
        assertTrue(problems.get(0).message().startsWith("line 2, column"), words(problems));
    }

    @Test
    public void aSourceWithoutResistanceIsRefusedSinceALoopOfTwoCouldNotBeSolved() {
        List<Problem> problems = problems(HEAD + """
                "parts": [
                  {"id": "M1", "type": "supply", "place": "u", "params": {"system": "single-120", "ohms": 0}},
                  {"id": "M2", "type": "supply", "place": "u", "params": {"system": "single-120", "ohms": 0}}],
                "wires": [
                  {"id": "w1", "ends": ["M1.L", "M2.L"], "size": "14AWG", "lengthMetres": 0},
                  {"id": "w2", "ends": ["M1.N", "M2.N"], "size": "14AWG", "lengthMetres": 0}]
                }""");
        assertEquals(problems.size(), 2, words(problems));
        assertTrue(problems.get(0).message().contains("must be more than 0"), words(problems));
    }

    @DataProvider
    public Object[][] oddities() {
        return new Object[][] {
            {"", "nothing was sent"},
            {"[]", "object"},
            {"null", "object"},
            {"{}", "required"},
            {"{\"format\": \"jagridge-circuit\"} trailing", "not JSON"},
            {"{\"format\": \"a\", \"format\": \"b\"}", "Duplicate"},
        };
    }

    @Test(dataProvider = "oddities")
    public void oddFilesAreRefusedInWords(String json, String expected) {
        assertTrue(words(problems(json)).contains(expected), words(problems(json)));
    }

    @Test
    public void whatWasWrittenReadsBackTheSame() {
        String once = CircuitWriter.write(Circuits.demo("lab-bench"));
        Circuit again = CircuitReader.read(once);
        assertEquals(CircuitWriter.write(again), once);
        assertEquals(again.wires().size(), 53);
    }

    @Test
    public void aWireInACableTakesItsResistanceFromIt() {
        Circuit bench = Circuits.demo("lab-bench");
        double ohms = bench.ohmsOf(bench.wires().stream()
                .filter(w -> w.cable() != null)
                .findFirst()
                .orElseThrow());
        assertEquals(ohms, 6 * 20.95 / 1000, 1e-9);
    }
}
