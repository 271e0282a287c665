package org.jagridge.core.check;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.testng.annotations.Test;

/** What must be open for a place to be dead, worked out by hand for circuits of a few parts. */
public class DeadProofTest {
    /** A panel with a supply and a breaker; a unit behind it with a service switch, a transformer and a motor. */
    private static Circuit.Builder unit() {
        return Circuit.builder("Unit")
                .place("panel", "Panel", Place.Access.PANEL)
                .place("unit", "Unit", Place.Access.OUTDOOR)
                .part("M", "supply", "panel", "system", "single-120")
                .part("B1", "breaker", "panel")
                .part("SW", "switch", "unit", "kind", "service", "rest", "closed")
                .part("T1", "transformer", "unit")
                .part("FAN", "motor", "unit", "volts", 120.0)
                .part("CAP", "capacitor", "unit", "form", "single", "microfarads", 10.0)
                .part("SPARE", "capacitor", "panel", "form", "single", "microfarads", 10.0)
                .wire("M.L", "B1.1")
                .wire("B1.2", "SW.1")
                .wire("SW.2", "T1.P1")
                .wire("SW.2", "FAN.1")
                .wire("FAN.2", "M.N")
                .wire("T1.P2", "M.N")
                .wire("M.PE", "unit.PE");
    }

    private static DeadProof.Sheet sheet(Circuit.Builder b, String place) {
        return DeadProof.of(b.build(), place);
    }

    private static List<String> open(DeadProof.Sheet sheet) {
        return sheet.open().stream().map(DeadProof.Isolator::input).toList();
    }

    @Test
    public void theLineSideOfAServiceSwitchIsDeadOnlyWithWhatIsBeforeIt() {
        DeadProof.Sheet sheet = sheet(unit(), "unit");
        assertTrue(sheet.dead());
        assertEquals(open(sheet), List.of("B1.closed"), "the breaker is nearer than the supply");
        assertEquals(sheet.open().get(0).off(), false);
        assertTrue(sheet.open().get(0).words().contains("B1): open, lock, tag"), sheet.toString());
        assertEquals(sheet.worstVolts(), 0, 0.01);
    }

    @Test
    public void aSwitchOutsideThePlaceIsEnough() {
        Circuit.Builder b = unit();
        b.place("wall", "Wall", Place.Access.WALL);
        b.parts().replaceAll(p -> p.id().equals("SW") ? p.withPlace("wall") : p);
        assertEquals(open(sheet(b, "unit")), List.of("SW.closed"), "as near as the breaker, and nearer to the load");
    }

    @Test
    public void aSwitchThatIsNoServiceSwitchIsNoIsolator() {
        Circuit.Builder b = unit();
        b.place("wall", "Wall", Place.Access.WALL);
        b.parts().replaceAll(p -> p.id().equals("SW") ? p.withPlace("wall").withParams(Map.of("rest", "closed")) : p);
        assertEquals(open(sheet(b, "unit")), List.of("B1.closed"));
    }

    @Test
    public void thePanelItselfIsDeadOnlyWithTheSupplyOff() {
        DeadProof.Sheet sheet = sheet(unit(), "panel");
        assertEquals(open(sheet), List.of("M.on"));
        assertTrue(sheet.open().get(0).words().endsWith("off at its source"), sheet.toString());
    }

    @Test
    public void whatKeepsItsChargeInThePlaceIsDischargedAndNothingElse() {
        assertEquals(sheet(unit(), "unit").discharge(), List.of("CAP"));
        assertEquals(sheet(unit(), "panel").discharge(), List.of("SPARE"));
    }

    @Test
    public void provedAreTheTerminalsWhereWiresComeInAndThePolesInside() {
        List<String> points =
                sheet(unit(), "unit").points().stream().map(Terminal::toString).toList();
        assertEquals(points, List.of("SW.1", "FAN.2", "T1.P2", "T1.P1", "T1.X1", "T1.X2"));
        List<String> panel =
                sheet(unit(), "panel").points().stream().map(Terminal::toString).toList();
        assertEquals(panel, List.of("B1.2", "M.N", "M.L"), "no earth is proved dead");
    }

    @Test
    public void aPlaceThatNothingFeedsWantsNothingOpen() {
        Circuit.Builder b = unit();
        b.place("shed", "Shed", Place.Access.HAND).part("LP", "lamp", "shed");
        DeadProof.Sheet sheet = sheet(b, "shed");
        assertTrue(sheet.dead());
        assertEquals(open(sheet), List.of());
        assertEquals(sheet.points(), List.of());
    }

    /** The contactor is out, the bar isn't: the fan behind the solid pole stays live until the breaker is open. */
    @Test
    public void aSolidBarLeadsOnWhateverTheContactorDoes() {
        Circuit.Builder b = Circuits.control()
                .place("roof", "Roof", Place.Access.ROOF)
                .part("B1", "breaker", "unit")
                .part("CC", "contactor", "unit", "poles", List.of("bar", "contact"))
                .part("FAN", "motor", "roof", "volts", 120.0)
                .wire("M.L", "B1.1")
                .wire("B1.2", "CC.L1")
                .wire("CC.T1", "FAN.1");
        assertEquals(open(DeadProof.of(b.build(), "roof")), List.of("B1.closed"));
    }

    /** A contact may weld: an open relay is no isolation. */
    @Test
    public void anOpenContactCutsNoRoute() {
        Circuit.Builder b = Circuits.control()
                .place("roof", "Roof", Place.Access.ROOF)
                .part("K1", "relay", "unit")
                .part("LP", "lamp", "roof", "volts", 120.0)
                .wire("M.L", "K1.11")
                .wire("K1.14", "LP.1");
        assertEquals(open(DeadProof.of(b.build(), "roof")), List.of("M.on"));
    }

    /** Fed from its secondary a transformer makes line voltage: both supplies have to be off. */
    @Test
    public void aTransformerLeadsBothWays() {
        Circuit.Builder b = unit();
        b.part("M2", "supply", "panel", "system", "single-120")
                .part("T2", "transformer", "panel")
                .wire("M2.L", "T2.P1")
                .wire("T2.P2", "M2.N")
                .wire("T2.X1", "T1.X1")
                .wire("T2.X2", "T1.X2");
        assertEquals(open(sheet(b, "unit")), List.of("B1.closed", "M2.on"));
    }

    @Test
    public void findingsComeWorstFirstThenByTheirCodesAndParts() {
        Circuit.Builder b = Circuits.control()
                .part("TD2", "timer", "unit", "seconds", 900.0)
                .part("TD1", "timer", "unit", "seconds", 900.0)
                .part("K", "relay", "unit")
                .part("S", "switch", "unit")
                .wire("T1.X1", "K.A1")
                .wire("T1.X1", "S.1")
                .wire("S.2", "T1.X2")
                .wire("M.L", "M.N");
        List<Finding> findings = Check.findings(b.build());
        List<Finding> sorted = findings.stream()
                .sorted(Comparator.comparing(Finding::severity)
                        .thenComparing(Finding::code)
                        .thenComparing(f -> String.join(" ", f.parts())))
                .toList();
        assertEquals(findings, sorted);
        assertEquals(findings.get(0).code(), "short-circuit");
        assertEquals(findings.get(0).severity(), Finding.Severity.DANGER);
        List<String> dials = findings.stream()
                .filter(f -> f.code().equals("timer-out-of-range"))
                .map(f -> f.parts().get(0))
                .toList();
        assertEquals(dials, List.of("TD1", "TD2"));
        assertFalse(findings.stream().anyMatch(f -> f.advice().isBlank()));
    }
}
