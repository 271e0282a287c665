package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
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
