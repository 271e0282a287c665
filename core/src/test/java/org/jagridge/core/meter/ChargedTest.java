package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A capacitor of 10 µF on 120 V, cut off by a switch on each side: it keeps its charge until something lies beside it; and
 * what a worn one has.
 */
public class ChargedTest {
    private static final String CHARGED =
            "Not on a charged capacitor: C 1-2 was cut off with a charge on it. Discharge it through a resistor, prove it dead,"
                    + " then measure.";

    private static Circuit.Builder circuit() {
        return Circuits.control()
                .part("S", "switch", "unit", "rest", "closed")
                .part("S2", "switch", "unit", "rest", "closed")
                .part("B", "switch", "unit")
                .part("LP", "lamp", "unit", "volts", 120.0)
                .part("C", "capacitor", "unit", "form", "single", "microfarads", 10.0)
                .wire("M.L", "S.1")
                .wire("S.2", "C.1")
                .wire("C.2", "S2.1")
                .wire("S2.2", "M.N")
                .wire("C.1", "B.1")
                .wire("B.2", "LP.1")
                .wire("LP.2", "C.2");
    }

    /** Switched on, cut off at 10 s, with the lamp beside it from 20 to 25 s if asked for; the mains off at 30 s. */
    private static Run run(boolean bleeds, List<Fault> faults) {
        return Simulation.run(
                circuit().build(),
                new Scenario(
                        "Cut off",
                        Map.of(),
                        List.of(
                                new Scenario.Step(10, Map.of("S.closed", false, "S2.closed", false), List.of()),
                                new Scenario.Step(20, Map.of("B.closed", bleeds), List.of()),
                                new Scenario.Step(25, Map.of("B.closed", false), List.of()),
                                new Scenario.Step(30, Map.of("M.on", false), List.of())),
                        faults,
                        60));
    }

    private static Reading read(Run run, Request.Mode mode, double seconds) {
        return Meter.at(run, (long) (seconds * 1e6))
                .read(new Request(mode, Terminal.parse("C.1"), Terminal.parse("C.2"), null, 1, false));
    }

    @Test
    public void whatWasCutOffChargedIsNotMeasured() {
        Run kept = run(false, List.of());
        for (double seconds : new double[] {12, 22, 28, 40}) {
            assertEquals(read(kept, Request.Mode.CAPACITANCE, seconds).refused(), CHARGED, "at " + seconds);
            assertEquals(read(kept, Request.Mode.OHMS, seconds).refused(), CHARGED, "at " + seconds);
        }
        Run bled = run(true, List.of());
        assertEquals(read(bled, Request.Mode.CAPACITANCE, 12).refused(), CHARGED);
        assertNull(read(bled, Request.Mode.OHMS, 22).refused());
        assertEquals(
                read(bled, Request.Mode.CAPACITANCE, 22).refused(),
                "Something lies beside C 1-2 (14.4 kΩ): the reading would be of both. Take the wires off one of its posts"
                        + " first.");
        assertEquals(read(bled, Request.Mode.CAPACITANCE, 40).display(), "10.00");
    }

    @Test
    public void whatWasNeverLiveIsMeasured() {
        Run off = Simulation.run(
                circuit().build(),
                new Scenario(
                        "Off", Map.of("M.on", false, "S.closed", false, "S2.closed", false), List.of(), List.of(), 60));
        assertEquals(
                read(off, Request.Mode.CAPACITANCE, 30).says(),
                "C 1-2 is good: 10.0 µF are printed on it, and 6 % off is allowed.");
    }

    @DataProvider
    public Object[][] worn() {
        return new Object[][] {
            {
                FaultKind.CAPACITOR_WEAK,
                "C 1-2 has 50 % less than the 10.0 µF printed on it; more than 6 % off is worn out. Replace it."
            },
            {FaultKind.CAPACITOR_OPEN, "Next to nothing at C 1-2: it is open. 10.0 µF are printed on it."},
        };
    }

    @Test(dataProvider = "worn")
    public void whatAWornOneHas(FaultKind kind, String says) {
        Fault fault = Fault.of(kind, "part", "C", "section", "1-2");
        Run run = Simulation.run(
                circuit().build(),
                new Scenario(
                        "Off",
                        Map.of("M.on", false, "S.closed", false, "S2.closed", false),
                        List.of(),
                        List.of(fault),
                        60));
        assertEquals(read(run, Request.Mode.CAPACITANCE, 30).says(), says);
    }
}
