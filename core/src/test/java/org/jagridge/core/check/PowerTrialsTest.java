package org.jagridge.core.check;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.demo;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** Supplies and disconnects off, power away, safeties that stop the wrong thing, and what protects what. */
public class PowerTrialsTest {
    private static List<Finding> found(Circuit circuit, String code) {
        return Check.findings(circuit).stream()
                .filter(f -> f.code().equals(code))
                .toList();
    }

    private static Frame shown(Circuit circuit, Finding f) {
        return Simulation.run(circuit, f.trial().hands()).at(f.trial().micros());
    }

    private static Circuit.Builder twoLegs() {
        return Circuit.builder("Test")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit")
                .part("H", "resistive-load", "unit", "volts", 240.0, "watts", 2000.0, "kind", "strip");
    }

    /** Two single breakers on one heater: with one off its other side is at 120 V · 3000/3029 through 28.8 Ω of heater. */
    @Test
    public void aHeaterOnTwoSingleBreakersIsFedBackwards() {
        Circuit single = twoLegs()
                .part("CB1", "breaker", "unit")
                .part("CB2", "breaker", "unit")
                .wire("M.L1", "CB1.1")
                .wire("M.L2", "CB2.1")
                .wire("CB1.2", "H.1")
                .wire("CB2.2", "H.2")
                .build();
        List<Finding> findings = found(single, "fed-backwards");
        assertEquals(findings.stream().map(f -> f.parts().get(0)).toList(), List.of("CB1", "CB2"));
        assertEquals(
                findings.get(0).message(),
                "With CB1 off in the state \"Nothing called\" CB1.2 is at 119 V to earth, by way of M, w2, CB2, w4, H, w3.");
        Frame f = shown(single, findings.get(0));
        assertEquals(f.signals().get("CB1"), "open");
        assertTrue(f.voltsToEarth(f.assembly().node(Terminal.parse("H.1")).orElseThrow()) > 100);
    }

    @Test
    public void oneBreakerOfTwoPolesLeavesNothingLive() {
        Circuit both = twoLegs()
                .part("CB", "breaker", "unit", "poles", 2.0)
                .wire("M.L1", "CB.1")
                .wire("M.L2", "CB.3")
                .wire("CB.2", "H.1")
                .wire("CB.4", "H.2")
                .build();
        assertEquals(found(both, "fed-backwards"), List.of());
    }

    /** Over the jumper the furnace's 24 V come to the air handler's transformer: its primary bites. */
    @Test
    public void aJumperFeedsAPrimaryThatIsSwitchedOff() {
        Circuit.Builder b = demo("old-hall").toBuilder();
        assertEquals(found(b.build(), "backfed-transformer"), List.of());
        b.wires().add(Wire.between("j1", Terminal.parse("TH.RC"), Terminal.parse("TH.RH")));
        b.wires().add(Wire.between("j2", Terminal.parse("TA.X2"), Terminal.parse("ZP.C1")));
        Circuit tied = b.build();
        Finding finding = found(tied, "backfed-transformer").stream()
                .filter(f -> f.parts().equals(List.of("TA")))
                .findFirst()
                .orElseThrow();
        assertTrue(finding.message().contains("the primary of TA is"), finding.message());
        Frame f = shown(tied, finding);
        assertTrue(
                f.volts(f.assembly().branchesOf("TA").get(0)) >= 30, f.inputs().toString());
    }

    private static Circuit withSafetyIn(String line) {
        boolean fan = line.equals("G");
        return control()
                .part("CBM", "breaker", "unit")
                .part("TH", "thermostat", "unit")
                .part("FS", "safety-switch", "unit", "kind", "float")
                .part("KF", "relay", "unit")
                .part("KC", "contactor", "unit")
                .part("FAN", "motor", "unit", "kind", "blower")
                .part("CMP", "compressor", "unit", "volts", 120.0)
                .part("CAP", "capacitor", "unit")
                .wire("T1.X1", "TH.R")
                .wire("TH.G", fan ? "FS.1" : "KF.A1")
                .wire("TH.Y", fan ? "KC.A1" : "FS.1")
                .wire("FS.2", fan ? "KF.A1" : "KC.A1")
                .wire("KF.A2", "T1.X2")
                .wire("KC.A2", "T1.X2")
                .wire("M.L", "CBM.1")
                .wire("CBM.2", "KF.11")
                .wire("KF.14", "FAN.1")
                .wire("FAN.2", "M.N")
                .wire("CBM.2", "KC.L1")
                .wire("KC.T1", "CMP.C")
                .wire("CMP.R", "M.N")
                .wire("CMP.S", "CAP.HERM")
                .wire("CAP.C", "M.N")
                .build();
    }

    @Test
    public void aFloatSwitchInTheFansLineStopsTheAirAndLetsTheCompressorRun() {
        assertEquals(found(withSafetyIn("Y"), "safety-in-wrong-line"), List.of());
        List<Finding> findings = found(withSafetyIn("G"), "safety-in-wrong-line");
        assertEquals(
                findings.stream().map(Finding::message).toList(),
                List.of(
                        "FS (FS) stops only the air: opened in the call \"Cooling by TH\", FAN stops and CMP goes on."));
        Frame f = shown(withSafetyIn("G"), findings.get(0));
        assertEquals(f.signals().get("FAN"), "off");
        assertEquals(f.signals().get("CMP"), "running");
    }

    /** The limit lets an off-delay go, which holds the strip for another minute: late, but it stops it. */
    @Test
    public void aSafetyThatStopsLateIsNotBypassed() {
        Circuit late = control()
                .part("TH", "thermostat", "unit")
                .part("LIM", "safety-switch", "unit", "kind", "limit")
                .part("TD", "timer", "unit", "form", "relay", "function", "off-delay", "seconds", 60.0)
                .part("H", "resistive-load", "unit", "volts", 120.0, "watts", 1000.0, "kind", "strip")
                .wire("T1.X1", "TH.R")
                .wire("TH.W", "LIM.1")
                .wire("LIM.2", "TD.TR")
                .wire("T1.X1", "TD.A1")
                .wire("TD.A2", "T1.X2")
                .wire("M.L", "TD.11")
                .wire("TD.14", "H.1")
                .wire("H.2", "M.N")
                .build();
        Check.Report report = Check.report(late);
        assertTrue(
                report.looked().stream().anyMatch(l -> l.endsWith(": LIM")),
                report.looked().toString());
        assertEquals(found(late, "safety-bypassed"), List.of());
        Circuit.Builder around = late.toBuilder();
        around.wires().add(Wire.between("j", Terminal.parse("TH.W"), Terminal.parse("TD.TR")));
        assertFalse(found(around.build(), "safety-bypassed").isEmpty());
    }

    /** A lockout forgets when power goes: the compressor starts at the instant that the trial shows. */
    @Test
    public void aLockoutThatForgetsIsTold() {
        Circuit coldStore = demo("cold-store");
        List<Finding> findings = found(coldStore, "restarts-after-power");
        assertEquals(findings.stream().map(f -> f.parts().get(0)).toList(), List.of("HPS", "LPS"));
        assertTrue(
                findings.get(0).message().contains("for 1 s, 10 s, 10 min."),
                findings.get(0).message());
        assertEquals(shown(coldStore, findings.get(0)).signals().get("CMP"), "running");
        assertEquals(found(demo("wardens-cottage"), "restarts-after-power"), List.of());
    }

    @Test
    public void whatNothingProtectsIsAWarningOnLineAndANoteBehindATransformer() {
        Circuit.Builder bare =
                control().part("K", "relay", "unit").wire("T1.X1", "K.A1").wire("K.A2", "T1.X2");
        List<Finding> findings = found(bare.build(), "no-protection");
        assertEquals(
                findings.stream().map(f -> f.severity() + " " + f.message()).toList(),
                List.of(
                        "WARNING Nothing drawn between M.L and T1 opens on too much current.",
                        "NOTE Nothing drawn between T1.X1 and K opens on too much current."));
        Circuit fused = Circuit.builder("Test")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "single-120")
                .part("CB", "breaker", "unit")
                .part("F", "fuse", "unit", "amps", 3.0)
                .part("T1", "transformer", "unit")
                .part("K", "relay", "unit")
                .wire("M.L", "CB.1")
                .wire("CB.2", "T1.P1")
                .wire("T1.P2", "M.N")
                .wire("T1.X1", "F.1")
                .wire("F.2", "K.A1")
                .wire("K.A2", "T1.X2")
                .build();
        assertEquals(found(fused, "no-protection"), List.of());
    }

    private static Circuit heaterOn(double breaker, ConductorSize size, boolean cable) {
        Circuit.Builder b = twoLegs()
                .part("CB", "breaker", "unit", "poles", 2.0, "amps", breaker)
                .wire("M.L1", "CB.1")
                .wire("M.L2", "CB.3");
        b.places().add(new Place("room", "Room", Place.Access.PANEL));
        b.cables().add(new Cable("C1", "unit", "room", 10.0, size, List.of("black", "red")));
        Wire one = Wire.between("a", Terminal.parse("CB.2"), Terminal.parse("H.1"));
        Wire two = Wire.between("b", Terminal.parse("CB.4"), Terminal.parse("H.2"));
        b.wires().add(cable ? one.withCable("C1", "black") : sized(one, size));
        b.wires().add(cable ? two.withCable("C1", "red") : sized(two, size));
        return b.build();
    }

    private static Wire sized(Wire w, ConductorSize size) {
        return new Wire(
                w.id(), w.from(), w.to(), w.colour(), size, 10.0, w.run(), w.cable(), w.core(), w.colourAtEnds());
    }

    /** 2,000 W at 240 V are 8.3 A: 18 AWG carries 7, 16 AWG 10; 15 A protect 14 AWG. */
    @Test
    public void aConductorIsJudgedByItsAmpsAndByItsBreaker() {
        for (boolean cable : new boolean[] {false, true}) {
            assertEquals(
                    found(heaterOn(15, ConductorSize.AWG18, cable), "conductor-overloaded").stream()
                            .map(Finding::wires)
                            .toList(),
                    List.of(List.of("a"), List.of("b")));
            assertEquals(found(heaterOn(15, ConductorSize.AWG16, cable), "conductor-overloaded"), List.of());
            assertEquals(found(heaterOn(15, ConductorSize.AWG14, cable), "fuse-over-wire"), List.of());
            List<Finding> wide = found(heaterOn(20, ConductorSize.AWG14, cable), "fuse-over-wire");
            assertEquals(
                    wide.stream().map(Finding::message).toList(),
                    List.of(
                            "CB (20 A) lets more through than a (14AWG) may carry.",
                            "CB (20 A) lets more through than b (14AWG) may carry."));
        }
    }

    /** Two alike 24 V coils in series have half the volts each: neither pulls in. */
    @Test
    public void twoCoilsInSeriesNeverSeat() {
        Circuit series = control()
                .part("K1", "relay", "unit")
                .part("K2", "relay", "unit")
                .wire("T1.X1", "K1.A1")
                .wire("K1.A2", "K2.A1")
                .wire("K2.A2", "T1.X2")
                .build();
        List<Finding> findings = found(series, "under-voltage");
        assertEquals(findings.stream().map(f -> f.parts().get(0)).toList(), List.of("K1", "K2"));
        assertTrue(
                findings.get(0).message().contains("of its rating, and doesn't pull in"),
                findings.get(0).message());
        assertEquals(shown(series, findings.get(0)).signals().get("K1"), "out");
    }

    @Test
    public void twoLegsThatMeetAreAShort() {
        Circuit bolted = twoLegs().wire("M.L1", "M.L2").build();
        assertEquals(
                found(bolted, "short-circuit").stream().map(Finding::message).toList(),
                List.of("Wires alone join M.L1 to M.L2."));
        Circuit behind = twoLegs()
                .part("CB", "breaker", "unit", "poles", 2.0)
                .wire("M.L1", "CB.1")
                .wire("M.L2", "CB.3")
                .wire("CB.2", "CB.4")
                .build();
        assertEquals(
                found(behind, "short-reachable").stream().map(f -> f.parts()).toList(), List.of(List.of("CB")));
        Circuit sound = twoLegs().wire("M.L1", "H.1").wire("M.L2", "H.2").build();
        assertFalse(Check.findings(sound).stream().anyMatch(f -> f.code().startsWith("short")));
    }

    /** Who does what a trial says comes to the same instant by a run from the start. */
    @Test
    public void everyTrialCanBeDoneAgain() {
        int trials = 0;
        for (String slug : Circuits.DEMOS) {
            Circuit.Builder b = demo(slug).toBuilder();
            // the first control's feed is bridged to what it calls for
            b.parts().stream()
                    .filter(p -> p.type().equals("thermostat"))
                    .findFirst()
                    .ifPresent(p -> b.wires()
                            .add(Wire.between("bridge", new Terminal(p.id(), "W"), new Terminal(p.id(), "Y"))));
            Circuit circuit = b.build();
            for (Finding f : Check.findings(circuit)) {
                if (f.trial() != null) {
                    Run run = Simulation.run(circuit, f.trial().hands());
                    assertTrue(run.until() >= f.trial().micros(), f.message());
                    trials++;
                }
            }
        }
        assertTrue(trials >= 3, trials + " trials");
    }
}
