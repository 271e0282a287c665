package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.Test;

public class OutputSheetTest {
    private static OutputSheet sheet(String slug, String control) {
        Circuit c = Circuits.demo(slug);
        return OutputSheet.of(Assembly.of(c), c.part(control).orElseThrow());
    }

    private static List<String> rows(OutputSheet sheet) {
        return sheet.rows().stream()
                .map(r -> r.call().key() + " " + r.made() + " " + r.at() + "–" + r.to())
                .toList();
    }

    /** A furnace board: each call shows where its conductor lands, against the board's own common. */
    @Test
    public void eachCallShowsAtTheBoard() {
        OutputSheet sheet = sheet("seminar-room", "TH");
        assertEquals(
                rows(sheet),
                List.of("fan RC-G FC.G–FC.X2", "cool RC-Y FC.Y–FC.X2", "cool RC-G FC.G–FC.X2", "heat RH-W FC.W–FC.X2"));
        for (OutputSheet.Row r : sheet.rows()) {
            assertTrue(r.before().value() < 1, r.call().name());
            assertTrue(r.after().value() > 22, r.call().name());
            assertFalse(r.follows().isEmpty());
        }
        assertEquals(sheet.bare(), List.of());
    }

    /** Of two supplies the leads go to the one by which the call shows. */
    @Test
    public void theOtherLeadGoesToTheSupplyThatTheCallSwitches() {
        for (String thermostat : List.of("TH", "TH2", "TH3")) {
            for (OutputSheet.Row r : sheet("old-hall", thermostat).rows()) {
                assertTrue(
                        r.after().value() > 20,
                        thermostat + " " + r.at() + "–" + r.to() + " "
                                + r.after().display());
            }
        }
    }

    /** A timer has no return of its own: the other lead goes to the relay beside it; in a place without one to the source. */
    @Test
    public void theOtherLeadIsWhereOnePersonReachesIt() {
        Circuit c = Circuits.control()
                .place("closet", "Closet", Place.Access.PANEL)
                .place("wall", "Wall", Place.Access.WALL)
                .part("TH", "thermostat", "wall", "terminals", List.of("R", "Y", "G"), "power", "battery")
                .part("TD", "timer", "closet", "function", "delay-on-make", "form", "series", "seconds", 20)
                .part("K", "relay", "closet")
                .part("TD2", "timer", "wall", "function", "delay-on-make", "form", "series", "seconds", 20)
                .wire("T1.X1", "TH.R")
                .wire("TH.Y", "TD.IN")
                .wire("TD.OUT", "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("TH.G", "TD2.IN")
                .wire("TD2.OUT", "K.A1")
                .build();
        OutputSheet sheet = OutputSheet.of(Assembly.of(c), c.part("TH").orElseThrow());
        assertEquals(rows(sheet), List.of("fan R-G TD2.IN–T1.X2", "cool R-Y TD.IN–K.A2", "cool R-G TD2.IN–T1.X2"));
        assertEquals(
                sheet.rows().get(1).follows().stream()
                        .map(f -> f.part() + " " + f.value() + " " + f.after() / 1_000_000)
                        .toList(),
                List.of("TD timing 0", "TD2 timing 0", "K in 20"));
        assertEquals(OutputSheet.controls(c).stream().map(Part::id).toList(), List.of("TH"));
    }

    @Test
    public void nothingReadIsToldFromAllThatMayBe() {
        Circuit c = Circuits.demo("chapel");
        Assembly assembly = Assembly.of(c);
        OutputSheet.Row row =
                OutputSheet.of(assembly, c.part("TH").orElseThrow()).rows().get(0);
        String words = row.ifNothing(assembly);
        assertTrue(words.contains("single faults") && words.contains("HL"), words);
    }

    @Test
    public void aCallWithoutAConductorIsNamed() {
        Circuit demo = Circuits.demo("seminar-room");
        Circuit.Builder b = demo.toBuilder();
        b.wires()
                .removeIf(w ->
                        w.from().toString().equals("TH.W") || w.to().toString().equals("TH.W"));
        Circuit c = b.build();
        OutputSheet sheet = OutputSheet.of(Assembly.of(c), c.part("TH").orElseThrow());
        assertEquals(sheet.bare(), List.of("Heating"));
    }
}
