package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.Test;

/** A ladder reads as a practitioner expects it to. */
public class LadderReadingTest {
    private static Ladder of(Circuit circuit) {
        return LadderLayout.of(Assembly.of(circuit));
    }

    private static Ladder.Symbol symbol(Ladder ladder, String part, String label) {
        return ladder.symbols().stream()
                .filter(s ->
                        s.branch().owner().equals(part) && s.branch().label().equals(label))
                .findFirst()
                .orElseThrow();
    }

    private static int rung(Ladder ladder, String part, String label) {
        return symbol(ladder, part, label).rung();
    }

    private static List<String> words(Ladder ladder, Ladder.TextKind kind) {
        return ladder.texts().stream()
                .filter(t -> t.kind() == kind)
                .map(Ladder.Text::text)
                .toList();
    }

    /** A start button and the contact that seals it in: the button on the rung, the contact under it. */
    @Test
    public void aSealStandsUnderItsButton() {
        Ladder ladder = of(Circuits.control()
                .part("K", "relay", "unit", "sets", 1.0)
                .part("STOP", "switch", "unit")
                .part("START", "switch", "unit")
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "LP.1")
                .wire("LP.2", "T1.X2")
                .wire("T1.X1", "STOP.1")
                .wire("STOP.2", "K.11")
                .wire("K.14", "K.A1")
                .wire("STOP.2", "START.1")
                .wire("START.2", "K.A1")
                .wire("K.A2", "T1.X2")
                .build());
        int main = rung(ladder, "K", "A1-A2");
        assertEquals(rung(ladder, "STOP", "1-2"), main);
        assertEquals(rung(ladder, "START", "1-2"), main);
        assertEquals(rung(ladder, "K", "11-14"), main + 1);
        assertTrue(symbol(ladder, "STOP", "1-2").x()
                < symbol(ladder, "START", "1-2").x());
        assertTrue(words(ladder, Ladder.TextKind.FUNCTION).contains("also by K 11–14"));
    }

    /** A switch around the first two of three doesn't turn round the order of those. */
    @Test
    public void aWayAroundLeavesTheOrderOfTheChain() {
        Circuit.Builder b = Circuits.control()
                .part("BY", "switch", "unit")
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "BY.1");
        for (int i = 1; i <= 3; i++) {
            b.part("S" + i, "switch", "unit");
        }
        Ladder ladder = of(b.wire("T1.X1", "S1.1")
                .wire("S1.2", "S2.1")
                .wire("S2.2", "S3.1")
                .wire("BY.2", "S2.2")
                .wire("S3.2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build());
        int main = rung(ladder, "LP", "1-2");
        double x = 0;
        for (int i = 1; i <= 3; i++) {
            Ladder.Symbol s = symbol(ladder, "S" + i, "1-2");
            assertEquals(s.rung(), main, "S" + i);
            assertTrue(s.x() > x, "S" + i);
            x = s.x();
        }
        assertEquals(rung(ladder, "BY", "1-2"), main + 1);
    }

    /** Run winding, then capacitor and start winding under it, ends at the same two upright lines. */
    @Test
    public void aCapacitorRunMachineIsOneGroup() {
        Ladder ladder = of(Circuits.demo("cold-store"));
        assertEquals(rung(ladder, "CAP", "C-HERM"), rung(ladder, "CMP", "S-C"));
        assertEquals(Math.abs(rung(ladder, "CMP", "S-C") - rung(ladder, "CMP", "R-C")), 1);
        assertEquals(Math.abs(rung(ladder, "OF", "S-C") - rung(ladder, "OF", "R-C")), 1);
        assertEquals(
                symbol(ladder, "CMP", "S-C").x(), symbol(ladder, "CMP", "R-C").x());
        assertTrue(symbol(ladder, "CAP", "C-HERM").x()
                < symbol(ladder, "CMP", "S-C").x());
        assertTrue(
                symbol(ladder, "CC", "L2-T2").x() > symbol(ladder, "CMP", "R-C").x(), "the second pole on the right");
    }

    /** A safety with a jumper, and an option that a link stands in for, keep their place on the rung. */
    @Test
    public void whatIsBypassedStandsInSeriesAndSaysSo() {
        Circuit.Builder b = Circuits.control()
                .part("S", "switch", "unit")
                .part("LIM", "safety-switch", "unit")
                .part("LP", "lamp", "unit");
        b.parts()
                .add(new Part(
                        "FL",
                        "safety-switch",
                        "unit",
                        null,
                        Map.of("kind", "float"),
                        false,
                        Part.WhenNotFitted.BYPASS,
                        Map.of()));
        Ladder ladder = of(b.wire("T1.X1", "S.1")
                .wire("S.2", "LIM.1")
                .wire("LIM.1", "LIM.2")
                .wire("LIM.2", "FL.1")
                .wire("FL.2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build());
        int main = rung(ladder, "LP", "1-2");
        assertEquals(rung(ladder, "LIM", "1-2"), main);
        assertEquals(rung(ladder, "FL", "1-2"), main);
        assertTrue(
                symbol(ladder, "LIM", "1-2").x() < symbol(ladder, "FL", "1-2").x());
        List<String> details = words(ladder, Ladder.TextKind.DETAIL);
        assertTrue(details.contains("1–2 bypassed"), details.toString());
        assertTrue(details.contains("not fitted, bypassed"), details.toString());
        assertEquals(GeometryCheck.ladder(ladder), List.of());
        assertEquals(GeometryCheck.netsRebuilt(ladder), List.of());
    }

    /** The pair of a heater that is called by joining it: the heater stands over its rails. */
    @Test
    public void aDryLoopShowsWhatItCalls() {
        Ladder ladder = of(Circuit.builder("Dry")
                .place("shop", "Shop", Place.Access.PANEL)
                .part("M", "supply", "shop", "system", "single-120")
                .part("UH", "unit-heater", "shop")
                .part("TH", "line-thermostat", "shop")
                .wire("M.L", "UH.L")
                .wire("M.N", "UH.N")
                .wire("UH.R", "TH.1")
                .wire("TH.2", "UH.W")
                .build());
        assertEquals(rung(ladder, "UH", "R-W"), 0);
        assertTrue(words(ladder, Ladder.TextKind.RAIL).containsAll(List.of("R", "W")));
        List<String> functions = words(ladder, Ladder.TextKind.FUNCTION);
        assertTrue(functions.stream().anyMatch(f -> f.startsWith("calls Unit heater UH")), functions.toString());
        assertTrue(functions.stream().noneMatch(f -> f.startsWith("No source")), functions.toString());
    }

    /** A switch whose far end is wired to another that leads nowhere is no second way to anything. */
    @Test
    public void whatLeadsNowhereSaysSo() {
        Ladder ladder = of(Circuits.control()
                .part("LP", "lamp", "unit")
                .part("S1", "switch", "unit")
                .part("S2", "switch", "unit")
                .wire("T1.X1", "LP.1")
                .wire("LP.2", "T1.X2")
                .wire("T1.X1", "S1.1")
                .wire("S1.2", "S2.1")
                .build());
        List<String> functions = words(ladder, Ladder.TextKind.FUNCTION);
        assertTrue(functions.contains("S1 1–2: no load behind it"), functions.toString());
    }

    /** Nor is one that hangs on the return rail with its far end. */
    @Test
    public void whatComesFromNowhereSaysSo() {
        Ladder ladder = of(Circuits.control()
                .part("LP", "lamp", "unit")
                .part("S1", "switch", "unit")
                .part("S2", "switch", "unit")
                .wire("T1.X1", "LP.1")
                .wire("LP.2", "T1.X2")
                .wire("T1.X2", "S1.2")
                .wire("S1.1", "S2.1")
                .build());
        List<String> functions = words(ladder, Ladder.TextKind.FUNCTION);
        assertTrue(functions.contains("S1 1–2: no load behind it"), functions.toString());
    }

    /** Each zone's coil names its own pump and the boiler's call, not those of the other zones. */
    @Test
    public void crossReferencesArePerCoil() {
        Ladder ladder = of(Circuits.demo("old-hall"));
        int boiler = rung(ladder, "ZP", "X1-X2");
        for (int zone = 1; zone <= 3; zone++) {
            Ladder.Symbol coil = symbol(ladder, "ZP", "W" + zone + "-C" + zone);
            String expected = "NO " + rung(ladder, "ZP", "L-P" + zone) + ", " + boiler;
            assertTrue(
                    ladder.texts().stream()
                            .anyMatch(t -> t.text().equals(expected)
                                    && t.x() == coil.x()
                                    && t.y() > coil.y()
                                    && t.y() < coil.y() + 30),
                    expected);
        }
        assertTrue(words(ladder, Ladder.TextKind.FUNCTION).contains("Zone panel: zone 2 call"));
    }

    /** Line voltage first, then the transformers, then direct current, then the loops of equipment. */
    @Test
    public void sectionsComeInTheOrderOfTheTrade() {
        Ladder ladder = of(Circuits.demo("propagation-house"));
        assertTrue(rung(ladder, "UH1", "L-N") < rung(ladder, "KT", "A1-A2"));
        assertTrue(symbol(ladder, "TI", "X1-X2").y()
                < symbol(ladder, "O1", "S1-S2").y());
        assertTrue(
                symbol(ladder, "O1", "S1-S2").y() < symbol(ladder, "UH1", "R-W").y());
    }
}
