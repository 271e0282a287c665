package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The thermostat cable of the lab bench: red, blue, green, yellow and white, 6 m of AWG 18. */
public class CableTestTest {
    private static final Circuit LAB = Circuits.demo("lab-bench");

    private static CableTest.Outcome test(Circuit circuit, String cable, Fault... faults) {
        Cable c = circuit.cables().stream()
                .filter(k -> k.id().equals(cable))
                .findFirst()
                .orElseThrow();
        return CableTest.of(circuit, c, List.of(faults));
    }

    @Test
    public void aSoundCableBeepsTiedAndShowsNothingApart() {
        CableTest.Outcome o = test(LAB, "TC");
        assertEquals(o.expected(), 2 * 6 * 0.02095, 1e-6);
        assertEquals(o.ties().size(), 10);
        for (CableTest.Tie t : o.ties()) {
            assertEquals(t.apart(), Double.POSITIVE_INFINITY);
            assertEquals(t.ohms(), 0.2614, 0.001);
            assertTrue(t.beeps().isEmpty());
        }
        o.toEarth().values().forEach(z -> assertEquals(z, Double.POSITIVE_INFINITY));
        assertEquals(o.verdicts(), List.of());
    }

    @DataProvider
    public Object[][] faults() {
        return new Object[][] {
            {Fault.of(FaultKind.WIRE_OPEN, "wire", "w11"), List.of("green is open.")},
            {Fault.of(FaultKind.WIRE_EARTHED, "wire", "w12"), List.of("yellow touches earth.")},
            {
                Fault.of(FaultKind.SHORT, "between", List.of("TH.R", "TH.C"), "ohms", 0.1),
                List.of("red and blue are shorted to each other.")
            },
            {
                Fault.of(FaultKind.SWAPPED, "wires", List.of("w11", "w12"), "end", 1),
                List.of(
                        "The far green is the near yellow: swapped, or it changes colour at a splice.",
                        "The far yellow is the near green: swapped, or it changes colour at a splice.")
            },
            // elsewhere than in this cable
            {Fault.of(FaultKind.WIRE_OPEN, "wire", "w14"), List.of()},
            {Fault.of(FaultKind.COIL_OPEN, "part", "K1"), List.of()}
        };
    }

    @Test(dataProvider = "faults")
    public void whatIsWrongFollowsFromTheReadings(Fault fault, List<String> verdicts) {
        assertEquals(test(LAB, "TC", fault).verdicts(), verdicts);
    }

    @Test
    public void aSwappedPairBeepsWhereItShouldNot() {
        CableTest.Outcome o = test(LAB, "TC", Fault.of(FaultKind.SWAPPED, "wires", List.of("w11", "w12"), "end", 1));
        CableTest.Tie redGreen = o.ties().stream()
                .filter(t -> t.one().equals("red") && t.other().equals("green"))
                .findFirst()
                .orElseThrow();
        assertEquals(redGreen.ohms(), Double.POSITIVE_INFINITY);
        assertEquals(redGreen.beeps(), List.of("red–yellow"));
    }

    @Test
    public void twoFaultsAreBothFoundAndTwoCoresNeedAThird() {
        assertEquals(
                test(
                                LAB,
                                "TC",
                                Fault.of(FaultKind.WIRE_OPEN, "wire", "w11"),
                                Fault.of(FaultKind.WIRE_EARTHED, "wire", "w13"))
                        .verdicts(),
                List.of("white touches earth.", "green is open."));
        List<String> pair = test(Circuits.demo("wardens-cottage"), "UC", Fault.of(FaultKind.WIRE_OPEN, "wire", "w23"))
                .verdicts();
        assertEquals(pair.size(), 1);
        assertTrue(pair.get(0).startsWith("One of red and blue is open"), pair.toString());
    }
}
