package org.jagridge.core.check;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.demo;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is tried on a circuit, and what comes of it. */
public class TrialsTest {
    private static List<String> found(Circuit circuit, String code) {
        return Check.findings(circuit).stream()
                .filter(f -> f.code().equals(code))
                .map(Finding::message)
                .toList();
    }

    private static Circuit with(String slug, String id, String from, String to) {
        Circuit.Builder b = demo(slug).toBuilder();
        b.wires().add(Wire.between(id, Terminal.parse(from), Terminal.parse(to)));
        return b.build();
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    /** Nothing is found by trial on circuits that are as they should be, and what was tried is told. */
    @Test(dataProvider = "demos")
    public void aRightCircuitStaysQuiet(String slug) {
        Check.Report report = Check.report(demo(slug));
        List<String> trials =
                List.of("call-crossed", "call-without-effect", "runs-uncalled", "safety-bypassed", "heat-with-opening");
        assertEquals(
                report.findings().stream()
                        .filter(f -> trials.contains(f.code()))
                        .toList(),
                List.of());
        assertTrue(report.looked().get(1).startsWith("nothing called, and each call that is landed: "));
    }

    /** At the furnace the wires on W and Y are changed over. */
    @Test
    public void aCallThatHeatsWhereItShouldCoolIsCrossed() {
        Circuit.Builder b = demo("seminar-room").toBuilder();
        b.wires().replaceAll(w -> w.withEnd(0, crossed(w.from())).withEnd(1, crossed(w.to())));
        List<String> messages = found(b.build(), "call-crossed");
        assertTrue(
                messages.stream().anyMatch(m -> m.startsWith("In the call \"Cooling by TH\"") && m.endsWith("heats.")),
                messages.toString());
    }

    private static Terminal crossed(Terminal t) {
        return t.equals(Terminal.parse("TH.W"))
                ? Terminal.parse("TH.Y")
                : t.equals(Terminal.parse("TH.Y")) ? Terminal.parse("TH.W") : t;
    }

    @Test
    public void aCallThatEndsAtAStripBringsNothingOn() {
        Circuit circuit = control()
                .part("TH", "thermostat", "unit")
                .part("XT", "terminal-strip", "unit", "posts", 2.0)
                .part("K", "relay", "unit")
                .wire("T1.X1", "TH.R")
                .wire("TH.G", "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("TH.W", "XT.1")
                .build();
        assertEquals(found(circuit, "call-without-effect"), List.of("Heating by TH brings nothing on."));
    }

    @Test
    public void whatRunsWithNothingCallingIsTold() {
        List<String> messages = found(with("seminar-room", "j1", "FC.R", "FC.W"), "runs-uncalled");
        assertTrue(messages.contains("FC runs with nothing calling."), messages.toString());
        assertEquals(found(demo("seminar-room"), "runs-uncalled"), List.of());
    }

    /** One wire from before the limit to after the link: no pattern of one safety sees it. */
    @Test
    public void aWireAroundTwoSafetiesBypassesBoth() {
        Circuit cottage = demo("wardens-cottage");
        String before = far(cottage, "LIM");
        String after = far(cottage, "LNK");
        List<String> messages = found(with("wardens-cottage", "j1", before, after), "safety-bypassed");
        assertEquals(messages.size(), 2, before + " " + after + " " + messages);
        assertTrue(messages.get(0).contains("stops nothing: opened in the call"), messages.toString());
    }

    /** What the wires show and a trial shows again is told once, with the trial. */
    @Test
    public void aSafetyWithAWireAcrossItIsToldOnce() {
        List<Finding> told = Check.findings(with("wardens-cottage", "j1", "LIM.1", "LIM.2")).stream()
                .filter(f -> f.code().equals("safety-bypassed"))
                .toList();
        assertEquals(told.size(), 1, told.toString());
        assertTrue(
                told.get(0)
                        .message()
                        .startsWith(
                                "LIM (Strip limit) is bypassed, a wire joins its two terminals: opened in the call"),
                told.toString());
        assertTrue(told.get(0).trial() != null, "it opens on the bench");
    }

    /** The terminal of a safety that no wire joins to the other of the two. */
    private static String far(Circuit c, String safety) {
        String other = safety.equals("LIM") ? "LNK" : "LIM";
        for (String t : List.of(safety + ".1", safety + ".2")) {
            boolean between = c.wires().stream()
                    .anyMatch(w -> (w.from().toString().equals(t)
                                    && w.to().part().equals(other))
                            || (w.to().toString().equals(t) && w.from().part().equals(other)));
            if (!between) {
                return t;
            }
        }
        return safety + ".1";
    }

    /** 24 V through a timer into 1200 Ω are 20 mA, into 2400 Ω 10. */
    @Test
    public void aTimerAsksForTwentyMilliamps() {
        for (double watts : new double[] {0.24, 0.72}) {
            Circuit circuit = control()
                    .part("TD", "timer", "unit", "seconds", 6.0)
                    .part("LP", "lamp", "unit", "watts", watts)
                    .wire("T1.X1", "TD.IN")
                    .wire("TD.OUT", "LP.1")
                    .wire("LP.2", "T1.X2")
                    .build();
            assertEquals(
                    found(circuit, "timer-load").isEmpty(),
                    watts > 0.5,
                    found(circuit, "timer-load").toString());
        }
    }

    /** The opener's signal is there only while it travels: half open the relay drops and the heater comes back. */
    @Test
    public void aSignalOfTravelLetsTheHeatComeBackHalfOpen() {
        for (boolean safe : new boolean[] {false, true}) {
            Circuit.Builder b = control()
                    .part("V", "opening", "unit")
                    .part("OP", "opener", "unit", "opening", "V", "signal", safe ? "ac-while-open" : "ac-while-moving")
                    .part("K", "relay", "unit", "coilVolts", 24.0)
                    .part("TH", "line-thermostat", "unit")
                    .part("H", "resistive-load", "unit", "volts", 120.0, "watts", 1000.0, "kind", "strip")
                    .wire("M.L", "OP.L")
                    .wire("OP.N", "M.N")
                    .wire("OP.S1", "K.A1")
                    .wire("K.A2", "OP.S2")
                    .wire("M.L", "TH.1")
                    .wire("TH.2", "K.11")
                    .wire("K.12", "H.1")
                    .wire("H.2", "M.N");
            List<String> messages = found(b.build(), "heat-with-opening");
            assertEquals(messages.isEmpty(), safe, messages.toString());
            assertFalse(!safe && !messages.get(0).contains("open in the call"), messages.toString());
        }
    }
}
