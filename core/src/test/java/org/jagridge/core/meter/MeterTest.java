package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The meter's dial, its digits and its probe. */
public class MeterTest {
    private static Meter meter(Circuit.Builder circuit) {
        Run run = Simulation.run(circuit.build(), new Scenario("Now", Map.of(), List.of(), List.of(), 60));
        return Meter.at(run, 30_000_000);
    }

    private static Request request(Request.Mode mode, String plus, String minus) {
        return new Request(mode, Terminal.parse(plus), minus == null ? null : Terminal.parse(minus), null, 1, false);
    }

    @DataProvider
    public Object[][] digits() {
        return new Object[][] {
            {0.0, "0.000"},
            {-0.0001, "0.000"},
            {-0.5, "-0.500"},
            {9.9994, "9.999"},
            {10.0, "10.00"},
            {99.994, "99.99"},
            {100.0, "100.0"},
            {-240.04, "-240.0"},
        };
    }

    @Test(dataProvider = "digits")
    public void itShowsFourPlaces(double value, String display) {
        assertEquals(Meter.digits(value), display);
    }

    @Test
    public void theDisplayHasItsUnitWhereThereIsANumber() {
        Meter meter = meter(Circuits.control()
                .part("K", "relay", "unit")
                .wire("T1.X1", "K.A1")
                .wire("K.A2", "T1.X2"));
        assertEquals(meter.display(request(Request.Mode.AC_VOLTS, "M.L", "M.N")), "120.0 V");
        assertEquals(meter.display(request(Request.Mode.DC_VOLTS, "M.L", "M.N")), "0.000 V");
        assertEquals(meter.display(Request.amps("w3")), "0.163 A");
        assertEquals(meter.display(request(Request.Mode.OHMS, "K.11", "K.12")), "OL");
        assertEquals(meter.display(request(Request.Mode.OHMS, "K.11", "K.14")), "0.005 Ω");
        assertEquals(meter.shown(Request.amps("w3")), new Reading(meter.value(Request.amps("w3")), "A", "0.163", ""));
        assertEquals(meter.shown(Request.volts("M.L", "M.N")).unit(), "V");
        Request ten = Request.clamp(Request.Mode.AMPS, List.of("w3", "-w4"), 10);
        assertEquals(ten.key(), "amps w3,-w4");
        assertEquals(meter.value(ten), 0, 1e-6);
        assertEquals(meter.value(Request.clamp(Request.Mode.AMPS, List.of("w3"), 10)), 1.63, 0.005);
    }

    @Test
    public void theRangeForASupplyIsTheOneThatShowsMoreOfIt() {
        Meter meter = meter(Circuits.control()
                .part("D", "dc-supply", "unit")
                .part("LP", "lamp", "unit")
                .wire("D.+", "LP.1")
                .wire("LP.2", "D.-"));
        assertEquals(meter.volts(Terminal.parse("D.+"), Terminal.parse("D.-")), Request.Mode.DC_VOLTS);
        assertEquals(meter.volts(Terminal.parse("D.-"), Terminal.parse("D.+")), Request.Mode.DC_VOLTS);
        assertEquals(meter.volts(Terminal.parse("T1.X1"), Terminal.parse("T1.X2")), Request.Mode.AC_VOLTS);
        assertEquals(meter.volts(Terminal.parse("M.N"), Terminal.parse("M.N")), Request.Mode.AC_VOLTS);
    }

    @Test
    public void aProbeReadsWhatThePartIsOrReads() {
        Meter meter = meter(Circuits.control()
                .part("OUT", "outdoors", "unit")
                .part("ROOM", "room", "unit", "outdoors", "OUT", "timeConstantHours", 1e6)
                .part("TH", "thermostat", "unit", "kind", "conventional", "reads", "ROOM")
                .part("S", "sensor", "unit")
                .part("K", "relay", "unit"));
        for (String[] at :
                new String[][] {{"TH.R", "20.0", "It is 20.0 °C at TH."}, {"S.1", "20.0", "It is 20.0 °C at S."}}) {
            Reading r = meter.read(request(Request.Mode.CELSIUS, at[0], null));
            assertEquals(r.display() + "|" + r.says(), at[1] + "|" + at[2]);
            assertEquals(meter.display(request(Request.Mode.CELSIUS, at[0], null)), at[1] + " °C");
        }
        Reading none = meter.read(request(Request.Mode.CELSIUS, "K.A1", null));
        assertTrue(none.isRefused());
        assertFalse(none.hasValue());
        assertEquals(
                none.refused(), "There is nothing to probe at K: put the probe where a sensor or a thermostat is.");
        assertEquals(meter.display(request(Request.Mode.CELSIUS, "K.A1", null)), "––");
    }

    @Test
    public void aPlaceThatIsNotThereIsTold() {
        Meter meter = meter(Circuits.control());
        assertEquals(
                expectThrows(
                                IllegalArgumentException.class,
                                () -> meter.read(request(Request.Mode.AC_VOLTS, "T1.X9", "M.N")))
                        .getMessage(),
                "there is no terminal T1.X9");
        assertEquals(
                expectThrows(IllegalArgumentException.class, () -> meter.value(Request.amps("w99")))
                        .getMessage(),
                "there is no wire w99");
        assertEquals(
                expectThrows(IllegalArgumentException.class, () -> meter.read(Request.amps("w99")))
                        .getMessage(),
                "there is no wire w99");
    }

    @Test
    public void theDialHasWordsOfItsOwn() {
        assertEquals(
                List.of(Request.Mode.values()).stream().map(Request.Mode::title).toList(),
                List.of(
                        "AC volts",
                        "DC volts",
                        "AC amps",
                        "DC amps",
                        "ohms",
                        "continuity",
                        "capacitance",
                        "temperature"));
        assertEquals(
                List.of(Request.Mode.values()).stream()
                        .filter(Request.Mode::isVolts)
                        .toList(),
                List.of(Request.Mode.AC_VOLTS, Request.Mode.DC_VOLTS));
        assertEquals(Request.volts("A.1", "B.2").key(), "ac-volts A.1 B.2");
        assertEquals(Request.amps("w1").at(t -> Terminal.parse("C.3")), Request.amps("w1"));
        assertEquals(
                Request.volts("A.1", "B.2")
                        .at(t -> Terminal.parse(t.part() + ".9"))
                        .key(),
                "ac-volts A.9 B.9");
    }
}
