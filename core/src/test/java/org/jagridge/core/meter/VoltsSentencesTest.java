package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Volts and amps in a circuit so small that all that can be said of them is seen at a glance, to the letter: a fuse, a
 * switch and a relay on 24 V (no load 26.9 V), and a lamp of 60 W at 120 V behind its contact.
 */
public class VoltsSentencesTest {
    private static final Map<String, Object> OFF = Map.of("M.on", false);
    private static final Map<String, Object> ON = Map.of();
    private static final Map<String, Object> MADE = Map.of("S.closed", true);
    private static final String FULL = "Full voltage across an open switch";
    private static final String CHECK = " A dead supply reads 0 V as well: check the source first.";
    private static final String APART = " T1.X1 to T1.X2 helps to tell these apart.";

    private final Assembly circuit = Assembly.of(small());

    private static Circuit small() {
        return Circuits.control()
                .part("F1", "fuse", "unit")
                .part("S", "switch", "unit")
                .part("K", "relay", "unit")
                .part("LP", "lamp", "unit", "volts", 120.0, "watts", 60.0)
                .wire("T1.X1", "F1.1")
                .wire("F1.2", "S.1")
                .wire("S.2", "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("M.L", "K.11")
                .wire("K.14", "LP.1")
                .wire("LP.2", "M.N")
                .build();
    }

    private static Object[] volts(String plus, String minus, Map<String, Object> set, Fault fault, String says) {
        return new Object[] {Request.volts(plus, minus), set, fault, says};
    }

    private static Object[] amps(String wire, Map<String, Object> set, Fault fault, String says) {
        return new Object[] {Request.amps(wire), set, fault, says};
    }

    private static Fault broken(String wire) {
        return Fault.of(FaultKind.WIRE_OPEN, "wire", wire);
    }

    private static Fault poor(double ohms) {
        return Fault.of(FaultKind.WIRE_RESISTIVE, "wire", "w5", "ohms", ohms);
    }

    @DataProvider
    public Object[][] readings() {
        Fault none = null;
        return new Object[][] {
            volts(
                    "T1.X1",
                    "T1.X2",
                    ON,
                    none,
                    "This is the supply itself: T1 gives 26.9 V. It says nothing of any load yet."),
            volts(
                    "T1.X1",
                    "T1.X2",
                    OFF,
                    none,
                    "0 V: T1.X1 and T1.X2 are joined to no live source. Both are dead now, if the meter proves itself on a known"
                            + " live point before and after."),
            volts(
                    "F1.2",
                    "T1.X2",
                    ON,
                    none,
                    "26.9 V, all that T1 gives: both ways to it are whole. It says nothing yet of what comes after."),
            volts(
                    "S.1",
                    "S.2",
                    ON,
                    none,
                    FULL
                            + ", S 1-2. S.1 is live. S.2 is not powered. If all is sound, this is T1.X2 seen through K across the"
                            + " open contact S 1-2. It shows the same if this is what T1 gives."),
            volts(
                    "S.1",
                    "S.2",
                    MADE,
                    none,
                    "About 0 V across a closed contact, S 1-2. If all is sound, S 1-2 is closed and both are live."
                            + CHECK + " It is the same if S 1-2 is closed on the return." + APART),
            volts(
                    "K.A1",
                    "K.A2",
                    ON,
                    none,
                    "0 V between K.A1 and K.A2. K.A1 is not powered. If all is sound, no current flows through K and K.A1 rests"
                            + " at the voltage of K.A2." + CHECK + " It is the same if K.A1 is joined to nothing."
                            + APART),
            volts(
                    "K.A1",
                    "K.A2",
                    MADE,
                    none,
                    "26.8 V across K (A1–A2): it is fed and its return is sound. It doesn't say yet that K takes its current:"
                            + " that takes amps."),
            volts(
                    "K.A1",
                    "K.A2",
                    MADE,
                    poor(60),
                    "18.2 V across K (A1–A2): less than it should have; the rest is lost before or behind it. A sound circuit"
                            + " shows 26.8 V here. 8 of the single faults tried would explain it, in LP, S, 6 wires."),
            // 26.88 V over 20 Ω and the sealed coil's 57.6 + j154 Ω
            volts(
                    "S.2",
                    "K.A1",
                    MADE,
                    poor(20),
                    "3.10 V across the wire w5, where a sound one shows next to none: a poor joint. It takes that from the load."
                            + " A sound circuit shows 0.001 V here. Of the single faults tried only one explains it: w5 with a"
                            + " poor joint of about 16 Ω."),
            volts(
                    "K.A2",
                    "T1.X2",
                    MADE,
                    broken("w6"),
                    FULL
                            + ": the broken wire w6. K.A2 is off, but live: it hangs on T1.X1 through K, and the way there is whole."
                            + " A sound circuit shows 0.001 V here. Of the single faults tried only one explains it: w6 open."),
            volts(
                    "M.N",
                    "LP.2",
                    MADE,
                    broken("w9"),
                    FULL
                            + ": the broken wire w9. LP.2 is off, but live: it hangs on M.L through LP, and the way there is whole."
                            + " A sound circuit shows 0.002 V here. Of the single faults tried only one explains it: w9 open."),
            volts(
                    "K.11",
                    "K.14",
                    MADE,
                    none,
                    "About 0 V across a closed contact, K 11-14. If all is sound, K 11-14 is closed and both are live."
                            + CHECK
                            + " K.11 to M.N tells the two apart. Danger: K.11 and K.14 may be at more than 30 V to earth."),
            volts(
                    "M.L",
                    "T1.X1",
                    ON,
                    none,
                    "63.8 V between M.L and T1.X1. M.L is live. If all is sound, these are stray volts between two supplies that"
                            + " nothing joins. It shows the same if T1.X1 is joined to nothing live and the volts are stray."
                            + " T1.X1 to M.N tells the two apart."),
            volts(
                    "LP.1",
                    "M.N",
                    ON,
                    none,
                    "0 V between LP.1 and M.N. LP.1 is not powered. If all is sound, no current flows through LP and LP.1 rests"
                            + " at the voltage of M.N. It shows the same if LP.1 is joined to nothing. M.L to LP.1 tells the two"
                            + " apart."),
            amps(
                    "w5",
                    ON,
                    none,
                    "No current in w5 (S.2 to K.A1). Nothing it feeds is switched on now. That says nothing of its volts."),
            amps(
                    "w5",
                    MADE,
                    none,
                    "Current flows in w5 (S.2 to K.A1), so its circuit is complete. It is what K 0.163 A should be."),
            amps(
                    "w8",
                    MADE,
                    Fault.of(FaultKind.LOAD_OPEN, "part", "LP"),
                    "No current in w8 (K.14 to LP.1). In a sound circuit LP 0.500 A would draw through it now. With volts at the"
                            + " load, no current means that it is open inside; without, go on toward the feed. 23 of the single"
                            + " faults tried would explain it, in 5 parts, 9 wires."),
        };
    }

    @Test(dataProvider = "readings")
    public void theMeterSaysWhatThatProves(Request request, Map<String, Object> set, Fault fault, String says) {
        List<Fault> faults = fault == null ? List.of() : List.of(fault);
        Run run = Simulation.run(circuit, new Scenario("Small", set, List.of(), faults, 60));
        assertEquals(Meter.at(run, 30_000_000).read(request).says(), says);
    }

    private static boolean isHot(double ohms) {
        Assembly across = Assembly.of(Circuits.control().wire("T1.X1", "T1.X2").build());
        Fault joint = Fault.of(FaultKind.WIRE_RESISTIVE, "wire", "w3", "ohms", ohms);
        Run run = Simulation.run(across, new Scenario("Across", ON, List.of(), List.of(joint), 60));
        Frame frame = run.at(1_000_000);
        Terminal hot = Terminal.parse("T1.X1");
        int node = across.node(hot).orElseThrow();
        return new VoltsAt(frame, new Reach(frame), hot, hot, node, node, 0, false).isHot(node);
    }

    /** Both poles on one conductor: a poor joint of 100 Ω leaves the source its volts, one of 0.1 Ω takes them. */
    @Test
    public void aShortedPoleIsNotHotAndAPoorJointIsNoShort() {
        assertEquals(isHot(100), true);
        assertEquals(isHot(0.1), false);
    }
}
