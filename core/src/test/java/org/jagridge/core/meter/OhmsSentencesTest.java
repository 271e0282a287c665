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
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Ohms and microfarads in a circuit so small that every number is worked out by hand, to the letter. The relay has
 * 24²/6 · 0.6 = 57.6 Ω, the lamp beside it 24²/1 = 576 Ω, both together 52.4 Ω; the transformer's copper is 6 % of
 * 24²/40 and of 120²/40: 0.864 Ω and 21.6 Ω; the capacitor has 40 and 5 µF.
 */
public class OhmsSentencesTest {
    private static final Map<String, Object> OFF = Map.of("M.on", false);
    private static final Map<String, Object> MADE = Map.of("M.on", false, "S.closed", true);
    private static final Map<String, Object> ON = Map.of();

    private final Assembly circuit = Assembly.of(small());

    private static Circuit small() {
        return Circuits.control()
                .part("F1", "fuse", "unit")
                .part("S", "switch", "unit")
                .part("K", "relay", "unit")
                .part("LP", "lamp", "unit")
                .part("CAP", "capacitor", "unit")
                .wire("T1.X1", "F1.1")
                .wire("F1.2", "S.1")
                .wire("S.2", "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("S.2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
    }

    private static Object[] row(
            Request.Mode mode,
            String plus,
            String minus,
            Map<String, Object> set,
            Fault fault,
            String display,
            String says) {
        return new Object[] {
            new Request(mode, Terminal.parse(plus), Terminal.parse(minus), null, 1, false), set, fault, display, says
        };
    }

    private static Object[] ohms(String plus, String minus, Fault fault, String display, String says) {
        return row(Request.Mode.OHMS, plus, minus, OFF, fault, display, says);
    }

    private static Object[] farads(String plus, String minus, Fault fault, String display, String says) {
        return row(Request.Mode.CAPACITANCE, plus, minus, OFF, fault, display, says);
    }

    private static Fault part(FaultKind kind, String part) {
        return Fault.of(kind, "part", part);
    }

    @DataProvider
    public Object[][] readings() {
        Fault none = null;
        Fault broken = Fault.of(FaultKind.WIRE_OPEN, "wire", "w3");
        String beside = " LP lies beside it and takes part in the reading; take a wire off to measure K alone.";
        return new Object[][] {
            ohms("K.A1", "K.A2", none, "52.36 Ω", "52.4 Ω across K A1-A2: the way through it is whole." + beside),
            ohms("K.A2", "K.A1", none, "52.36 Ω", "52.4 Ω across K A1-A2: the way through it is whole." + beside),
            ohms(
                    "K.A1",
                    "K.A2",
                    part(FaultKind.COIL_OPEN, "K"),
                    "576.0 Ω",
                    "576 Ω, but not of K A1-A2, which is open; a sound one has 57.6 Ω." + beside),
            ohms(
                    "K.A1",
                    "K.A2",
                    part(FaultKind.COIL_SHORTED, "K"),
                    "0.100 Ω",
                    "0.100 Ω between K.A1 and K.A2. It is a dead short, inside or beside it. A sound circuit shows 52.4 Ω here."
                            + " It is one of: coil shorted K; load shorted LP; w7 landed on LP.2 by its second end (of the single faults tried)."),
            ohms(
                    "LP.1",
                    "LP.2",
                    part(FaultKind.LOAD_SHORTED, "LP"),
                    "0.100 Ω",
                    "0.100 Ω between LP.1 and LP.2. It is a dead short, inside or beside it. A sound circuit shows 52.4 Ω here."
                            + " It is one of: coil shorted K; load shorted LP; w5 landed on K.A2 by its second end (of the single faults tried)."),
            ohms(
                    "K.A1",
                    "K.A1",
                    none,
                    "0.000 Ω",
                    "Both leads are on the same terminal: this is the meter's own lead resistance."),
            ohms("K.11", "K.14", none, "OL Ω", "OL: the contact K 11-14 is open as it stands now."),
            ohms("K.11", "K.12", none, "0.005 Ω", "0.005 Ω: K 11-12 is closed."),
            ohms("K.11", "LP.1", none, "OL Ω", "OL: nothing joins K.11 and LP.1."),
            ohms("F1.1", "F1.2", none, "0.005 Ω", "0.005 Ω: F1 1-2 is closed."),
            // blown by what is gone again
            ohms(
                    "F1.1",
                    "F1.2",
                    Fault.of(FaultKind.CONTACT_OPEN, "part", "F1", "contact", "1-2"),
                    "OL Ω",
                    "OL: F1 1-2 is open: blown or tripped. Find out why before it is replaced."),
            ohms(
                    "T1.X1",
                    "F1.1",
                    none,
                    "0.005 Ω",
                    "0.005 Ω: T1.X1 and F1.1 are joined; the way between them is whole."),
            ohms("T1.X1", "F1.1", broken, "OL Ω", "OL: the wire w3 is broken."),
            row(Request.Mode.CONTINUITY, "T1.X1", "F1.1", OFF, broken, "OL Ω", "No beep. OL: the wire w3 is broken."),
            row(Request.Mode.CONTINUITY, "F1.1", "F1.2", OFF, none, "0.005 Ω", "It beeps. 0.005 Ω: F1 1-2 is closed."),
            ohms(
                    "S.1",
                    "S.2",
                    none,
                    "53.25 Ω",
                    "53.3 Ω is what T1 and K show beside it: the contact S 1-2 is open as it stands now. Take a wire off one"
                            + " side to test it alone."),
            row(Request.Mode.OHMS, "S.1", "S.2", MADE, none, "0.005 Ω", "0.005 Ω: S 1-2 is closed."),
            row(
                    Request.Mode.OHMS,
                    "F1.2",
                    "K.A1",
                    MADE,
                    none,
                    "0.015 Ω",
                    "0.015 Ω: F1.2 and K.A1 are joined; the way between them is whole."),
            ohms("T1.P1", "T1.P2", none, "21.60 Ω", "21.6 Ω across T1 P1-P2: the way through it is whole."),
            ohms("T1.X1", "T1.X2", none, "0.864 Ω", "0.864 Ω across T1 X1-X2: the way through it is whole."),
            // 5 Ω beside 57.6 + 576
            ohms(
                    "K.A2",
                    "T1.X2",
                    Fault.of(FaultKind.WIRE_RESISTIVE, "wire", "w6", "ohms", 5.0),
                    "4.961 Ω",
                    "4.96 Ω between K.A2 and T1.X2, where a sound joint shows 0.005 Ω: a worn contact or a loose joint."),
            row(
                    Request.Mode.OHMS,
                    "T1.X1",
                    "T1.X2",
                    ON,
                    none,
                    "–– Ω",
                    "Not on a live circuit: 26.9 V stand between T1.X1 and T1.X2. Switch off what feeds it (T1), prove it dead,"
                            + " then measure."),
            row(
                    Request.Mode.OHMS,
                    "K.A1",
                    "K.A2",
                    ON,
                    none,
                    "–– Ω",
                    "Not on a live circuit: K.A2 is on the return of a live supply (T1.X2). Switch off what feeds it (T1), prove"
                            + " it dead, then measure."),
            farads("K.A1", "K.A2", none, "0.000 µF", "There is no capacitor between K.A1 and K.A2."),
            farads(
                    "CAP.C",
                    "CAP.HERM",
                    none,
                    "40.00 µF",
                    "CAP C-HERM is good: 40.0 µF are printed on it, and 6 % off is allowed."),
            farads(
                    "CAP.C",
                    "CAP.HERM",
                    Fault.of(FaultKind.CAPACITOR_OPEN, "part", "CAP", "section", "HERM"),
                    "0.000 µF",
                    "Next to nothing at CAP C-HERM: it is open. 40.0 µF are printed on it."),
            farads(
                    "CAP.HERM",
                    "CAP.FAN",
                    none,
                    "4.444 µF",
                    "4.44 µF of two sections in series: CAP C-HERM and CAP C-FAN. Measure each from the common post."),
            ohms(
                    "CAP.C",
                    "CAP.HERM",
                    none,
                    "OL Ω",
                    "OL across the capacitor CAP C-HERM: ohms say only that it isn't shorted. Measure its µF."),
        };
    }

    @Test(dataProvider = "readings")
    public void theMeterSaysWhatLiesBetweenItsLeads(
            Request request, Map<String, Object> set, Fault fault, String display, String says) {
        List<Fault> faults = fault == null ? List.of() : List.of(fault);
        Run run = Simulation.run(circuit, new Scenario("Small", set, List.of(), faults, 60));
        Reading r = Meter.at(run, 30_000_000).read(request);
        assertEquals(r.display() + " " + r.unit(), display);
        assertEquals(r.isRefused() ? r.refused() : r.says(), says);
    }

    /** What is named is whole, but the reading isn't a sound circuit's: that is said, too. */
    @Test
    public void aWholePartInACircuitThatIsNotSoundIsNotPraisedAlone() {
        Run run = Simulation.run(
                circuit, new Scenario("Small", OFF, List.of(), List.of(part(FaultKind.LOAD_OPEN, "LP")), 60));
        Reading r = Meter.at(run, 30_000_000)
                .read(new Request(Request.Mode.OHMS, Terminal.parse("K.A1"), Terminal.parse("K.A2"), null, 1, false));
        assertEquals(r.display(), "57.60");
        assertEquals(r.says().contains("A sound circuit shows 52.4 Ω here."), true, r.says());
    }
}
