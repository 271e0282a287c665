package org.jagridge.core.run;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Place;
import org.testng.annotations.Test;

/** Single devices, each in the smallest circuit that shows what it does. */
public class DevicesTest {

    // ---- supplies

    @Test
    public void aPlugInTransformerIsDeadWhenItIsPulled() {
        Circuit c = control()
                .part("PS", "plug-supply", "unit")
                .part("LP", "lamp", "unit")
                .wire("PS.X1", "LP.1")
                .wire("LP.2", "PS.X2")
                .build();
        Runs r = Runs.of(c, during(20).at(10, "PS.plugged", false));
        assertEquals(r.at(5, "LP") + " " + r.at(15, "LP"), "on off");
        assertEquals(r.at(5, "PS") + " " + r.at(15, "PS"), "live dead");
    }

    @Test
    public void weakBatteriesShowVoltsAndCannotDrive() {
        Circuit c = Circuit.builder("B")
                .place("u", "Unit", Place.Access.WALL)
                .part("B", "battery", "u", "volts", 24.0, "ohms", 40.0)
                .part("LP", "lamp", "u", "watts", 1.0)
                .wire("B.+", "LP.1")
                .wire("LP.2", "B.-")
                .build();
        Runs r = Runs.of(c, during(30).at(10, "B.state", "weak").at(20, "B.state", "flat"));
        assertEquals(r.at(5, "LP") + " " + r.at(15, "LP") + " " + r.at(25, "LP"), "on off off");
    }

    @Test
    public void aTransformerWithACutOutIsResetByHand() {
        Circuit c = control()
                .part("S", "switch", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "T1.X2")
                .build();
        Circuit.Builder b = c.toBuilder();
        b.parts().replaceAll(p -> p.id().equals("T1") ? p.withParams(Map.of("cutoutAmps", 4.0)) : p);
        Runs r = Runs.of(
                b.build(),
                during(60).at(5, "S.closed", true).at(20, "S.closed", false).at(30, "T1.reset", true));
        assertEquals(r.at(10, "T1") + " " + r.at(25, "T1") + " " + r.at(40, "T1"), "cut-out cut-out live");
    }

    @Test
    public void aFuseIsReplacedByHandAndBlowsAgainOnTheSameShort() {
        Circuit c = control()
                .part("F", "fuse", "unit")
                .part("S", "switch", "unit")
                .wire("T1.X1", "F.1")
                .wire("F.2", "S.1")
                .wire("S.2", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(60).at(5, "S.closed", true).at(20, "F.replaced", true));
        assertEquals(r.story("F").size(), 3, r.story("F").toString());
        assertEquals(r.at(50, "F"), "blown");
        Runs mended = Runs.of(
                c, during(60).at(5, "S.closed", true).at(15, "S.closed", false).at(20, "F.replaced", true));
        assertEquals(mended.at(50, "F"), "intact");
    }

    @Test
    public void twoLegsOfThreePhasesGiveTwoHundredAndEight() {
        Circuit c = Circuit.builder("S")
                .place("u", "Unit", Place.Access.PANEL)
                .part("M", "supply", "u", "system", "two-leg-208")
                .build();
        assertEquals(Runs.of(c, during(2)).volts(1, "M.L1", "M.L2"), 207.85, 0.01);
    }

    // ---- switches

    @Test
    public void aPulledPlugPartsAllItsPins() {
        Circuit c = control()
                .part("PL", "connector", "unit", "pins", 2.0)
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "PL.1a")
                .wire("PL.1b", "LP.1")
                .wire("LP.2", "PL.2b")
                .wire("PL.2a", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(20).at(10, "PL.mated", false));
        assertEquals(r.at(5, "LP") + " " + r.at(15, "LP"), "on off");
    }

    @Test
    public void aManualResetSafetyStaysOpenUntilItIsPushed() {
        Circuit c = control()
                .part("RO", "safety-switch", "unit", "kind", "rollout", "reset", "manual")
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "RO.1")
                .wire("RO.2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
        Runs r = Runs.of(
                c,
                during(60)
                        .at(10, "RO.tripped", true)
                        .at(20, "RO.reset", true)
                        .at(30, "RO.tripped", false)
                        .at(40, "RO.reset", true));
        assertEquals(r.at(25, "RO") + " " + r.at(35, "RO") + " " + r.at(45, "RO"), "open open closed");
    }

    @Test
    public void aSafetyTripsOnlyAfterItsConditionHeldWithoutABreak() {
        Map<String, Object> trip = Map.of("while", "S=closed", "afterSeconds", 30);
        Circuit c = control()
                .part("S", "switch", "unit")
                .part("LPS", "safety-switch", "unit", "trips", List.of(trip))
                .build();
        Runs r = Runs.of(
                c,
                during(120).at(10, "S.closed", true).at(35, "S.closed", false).at(40, "S.closed", true));
        assertEquals(r.when("LPS", "open"), 70, 1e-6);
    }

    @Test
    public void aPoweredSafetyOpensWithoutItsSupply() {
        Circuit c = control()
                .part("S", "switch", "unit")
                .part("LWC", "powered-safety", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "LWC.R")
                .wire("LWC.C", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(30).at(10, "S.closed", true).at(20, "S.closed", false));
        assertEquals(r.at(5, "LWC") + " " + r.at(15, "LWC") + " " + r.at(25, "LWC"), "open closed open");
    }

    @Test
    public void aTemperatureSwitchHasItsHysteresis() {
        Circuit c = control()
                .part("FR", "temperature-switch", "unit", "opensAtCelsius", 6.0, "closesAtCelsius", 4.0)
                .build();
        Runs r = Runs.of(
                c,
                during(50)
                        .at(10, "FR.celsius", 5)
                        .at(20, "FR.celsius", 4)
                        .at(30, "FR.celsius", 5)
                        .at(40, "FR.celsius", 6));
        assertEquals(
                r.at(5, "FR") + r.at(15, "FR") + r.at(25, "FR") + r.at(35, "FR") + r.at(45, "FR"),
                "openopenclosedclosedopen");
    }

    @Test
    public void outAndBackThroughACurrentSwitchCancel() {
        for (int direction : new int[] {1, -1}) {
            Circuit c = control()
                    .part("H", "resistive-load", "unit", "volts", 120.0, "watts", 600.0)
                    .part(
                            "CS",
                            "current-switch",
                            "unit",
                            "senses",
                            List.of(Map.of("wire", "w3"), Map.of("wire", "w4", "direction", direction)))
                    .wire("M.L", "H.1")
                    .wire("H.2", "M.N")
                    .build();
            // w3 runs into the load, w4 out of it: counted alike they add, counted against each other they cancel
            assertEquals(Runs.of(c, during(5)).at(3, "CS"), direction == 1 ? "closed" : "open");
        }
    }

    @Test
    public void anOpenersSignalsAreWhatTheirNamesSay() {
        for (String signal : List.of("ac-while-moving", "ac-while-open", "dc-always")) {
            Circuit c = control()
                    .part("V", "opening", "unit", "travelSeconds", 10.0)
                    .part("O", "opener", "unit", "opening", "V", "signal", signal)
                    .wire("M.L", "O.L")
                    .wire("O.N", "M.N")
                    .build();
            Runs r = Runs.of(c, during(60).at(10, "V.target", "open").at(40, "M.on", false));
            String seen = r.at(5, "O") + " " + r.at(15, "O") + " " + r.at(30, "O") + " " + r.at(50, "O");
            assertEquals(
                    seen,
                    switch (signal) {
                        case "ac-while-moving" -> "off on off off";
                        case "ac-while-open" -> "off on on off";
                        default -> "on on on off";
                    },
                    signal);
        }
        Circuit hand = control()
                .part("V", "opening", "unit")
                .part("O", "opener", "unit", "opening", "V")
                .wire("M.L", "O.L")
                .wire("O.N", "M.N")
                .build();
        assertFalse(Runs.of(hand, during(60).start("V.movedBy", "hand").at(10, "V.target", "open"))
                .ever("O", "on"));
    }

    @Test
    public void aVentThatSticksHalfWayIsNeitherShutNorOpen() {
        Circuit c = control()
                .part("V", "opening", "unit", "travelSeconds", 10.0)
                .part("LS", "limit-switch", "unit", "opening", "V")
                .build();
        Runs r = Runs.of(
                c,
                during(60)
                        .at(5, "V.target", "open")
                        .at(30, "V.target", "shut")
                        .fault(20, Fault.of(FaultKind.STUCK, "part", "V", "at", "half")));
        assertEquals(r.at(18, "V") + " " + r.at(50, "V") + " " + r.at(50, "LS"), "open half free");
    }

    // ---- timers

    private static Circuit relayTimer(String function, double seconds) {
        return control()
                .part("S", "switch", "unit")
                .part("TD", "timer", "unit", "form", "relay", "function", function, "seconds", seconds)
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "TD.A1")
                .wire("TD.A2", "T1.X2")
                .wire("T1.X1", "TD.11")
                .wire("TD.14", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
    }

    @Test
    public void anIntervalTimerGivesItsTimeOnce() {
        Runs r = Runs.of(relayTimer("interval", 20), during(120).at(10, "S.closed", true));
        assertEquals(r.story("LP"), List.of("10.000 LP on", "30.000 LP off"));
    }

    @Test
    public void aRepeatTimerGoesOnAndOff() {
        Runs r = Runs.of(relayTimer("repeat", 20), during(95).at(10, "S.closed", true));
        assertEquals(
                r.story("LP"),
                List.of("10.000 LP on", "30.000 LP off", "50.000 LP on", "70.000 LP off", "90.000 LP on"));
    }

    @Test
    public void aLoadUnderTheHoldingCurrentDoesNotHoldASeriesTimer() {
        Circuit c = control()
                .part("TD", "timer", "unit", "seconds", 10.0)
                .part("R", "resistive-load", "unit", "volts", 24.0, "watts", 0.05)
                .wire("T1.X1", "TD.IN")
                .wire("TD.OUT", "R.1")
                .wire("R.2", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(60));
        assertTrue(
                r.at(50, "R").equals("off") || !r.at(50, "TD").equals("made"),
                r.story("TD", "R").toString());
    }

    // ---- boards and valves

    @Test
    public void theAirHandlersBlowerRunsOnAfterG() {
        Circuit c = control()
                .part("S", "switch", "unit")
                .part("AH", "air-handler-board", "unit", "blowerOffSeconds", 45.0)
                .part("BLW", "motor", "unit")
                .wire("T1.X1", "AH.X1")
                .wire("T1.X2", "AH.X2")
                .wire("AH.R", "S.1")
                .wire("S.2", "AH.G")
                .wire("M.L", "AH.L1")
                .wire("AH.BL", "BLW.1")
                .wire("BLW.2", "M.N")
                .build();
        Runs r = Runs.of(c, during(120).at(10, "S.closed", true).at(30, "S.closed", false));
        assertEquals(r.story("BLW"), List.of("10.015 BLW on", "75.010 BLW off"));
    }

    @Test
    public void aZoneValveMakesItsEndSwitchAtTheEndAndBreaksItAtOnce() {
        Circuit c = control()
                .part("S", "switch", "unit")
                .part("ZV", "zone-valve", "unit")
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "ZV.1")
                .wire("ZV.2", "T1.X2")
                .wire("T1.X1", "ZV.3")
                .wire("ZV.4", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(120).at(10, "S.closed", true).at(60, "S.closed", false));
        assertEquals(r.story("LP"), List.of("40.000 LP on", "60.000 LP off"));
        assertEquals(r.at(100, "ZV"), "shut");
    }

    @Test
    public void theZonePanelsBoilerContactClosesForAnyZone() {
        Circuit c = control()
                .part("ZP", "zone-panel", "unit")
                .part("S1", "switch", "unit")
                .part("S3", "switch", "unit")
                .part("LP", "lamp", "unit")
                .wire("M.L", "ZP.L")
                .wire("ZP.N", "M.N")
                .wire("ZP.R1", "S1.1")
                .wire("S1.2", "ZP.W1")
                .wire("ZP.R3", "S3.1")
                .wire("S3.2", "ZP.W3")
                .wire("T1.X1", "ZP.X1")
                .wire("ZP.X2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
        Runs r = Runs.of(
                c,
                during(60)
                        .at(10, "S1.closed", true)
                        .at(20, "S3.closed", true)
                        .at(30, "S1.closed", false)
                        .at(40, "S3.closed", false));
        assertEquals(
                r.at(15, "ZP") + " / " + r.at(25, "ZP") + " / " + r.at(35, "ZP") + " / " + r.at(45, "ZP"),
                "1 / 1 3 / 3 / none");
        assertEquals(r.at(35, "LP") + " " + r.at(45, "LP"), "on off");
    }

    @Test
    public void aDryBoilerBurnsWhileItsTwoTerminalsAreJoined() {
        Circuit c = control()
                .part("B", "boiler", "unit", "form", "dry", "volts", 120.0)
                .part("S", "switch", "unit")
                .wire("M.L", "B.L")
                .wire("B.N", "M.N")
                .wire("B.1", "S.1")
                .wire("S.2", "B.2")
                .build();
        Runs r = Runs.of(c, during(40).at(10, "S.closed", true).at(20, "S.closed", false));
        assertEquals(r.at(5, "B") + " " + r.at(15, "B") + " " + r.at(25, "B"), "off on off");
    }

    @Test
    public void aVentDamperSpringsOpenOrStaysWithoutPower() {
        for (String loss : List.of("open", "stay")) {
            Circuit c = control()
                    .part("VD", "vent-damper", "unit", "powerLoss", loss)
                    .wire("T1.X1", "VD.R")
                    .wire("VD.C", "T1.X2")
                    .build();
            Runs r = Runs.of(c, during(60).at(10, "M.on", false));
            assertEquals(r.at(50, "VD"), loss.equals("open") ? "open" : "shut");
        }
    }

    @Test
    public void aUnitHeaterPurgesAfterItsCallAndLocksOutWithoutFlame() {
        Circuit c = control()
                .part("UH", "unit-heater", "unit")
                .part("S", "switch", "unit")
                .wire("M.L", "UH.L")
                .wire("UH.N", "M.N")
                .wire("UH.R", "S.1")
                .wire("S.2", "UH.W")
                .build();
        Runs r = Runs.of(c, during(300).at(10, "S.closed", true).at(100, "S.closed", false));
        assertEquals(
                r.story("UH"), List.of("10.000 UH purge", "40.000 UH burning", "100.000 UH overrun", "160.000 UH off"));
        Fault noFlame = Fault.of(FaultKind.CONDITION, "part", "UH", "condition", "no-flame");
        Runs dead = Runs.of(c, during(300).at(10, "S.closed", true).fault(noFlame));
        assertEquals(dead.when("UH", "lockout"), 100, 1e-6);
    }

    @Test
    public void theDiagnosticModuleNamesAWeldedContactorAndAnOpenStartCircuit() {
        Circuit c = Circuit.builder("D")
                .place("u", "Unit", Place.Access.OUTDOOR)
                .part("M", "supply", "u")
                .part("T1", "transformer", "u", "primaryVolts", 240.0)
                .part("Y", "switch", "u")
                .part("DM", "diagnostic-module", "u", "runWire", "w9", "startWire", "w11")
                .part("CC", "contactor", "u")
                .part("CMP", "compressor", "u")
                .part("CAP", "capacitor", "u")
                .wire("M.L1", "T1.P1")
                .wire("T1.P2", "M.L2")
                .wire("T1.X1", "Y.1")
                .wire("Y.2", "CC.A1")
                .wire("CC.A2", "T1.X2")
                .wire("Y.2", "DM.Y")
                .wire("T1.X1", "DM.R")
                .wire("DM.C", "T1.X2")
                .wire("M.L1", "CC.L1")
                .wire("CC.T1", "CMP.R")
                .wire("CAP.HERM", "CMP.S")
                .wire("CC.T1", "CAP.C")
                .wire("CMP.C", "CC.T2")
                .wire("CC.L2", "M.L2")
                .build();
        Runs r = Runs.of(
                c,
                during(60)
                        .at(10, "Y.closed", true)
                        .at(40, "Y.closed", false)
                        .fault(30, Fault.of(FaultKind.CONTACT_WELDED, "part", "CC", "contact", "L1-T1")));
        assertEquals(r.at(5, "DM") + " / " + r.at(20, "DM"), "no call / runs as called");
        Fault both = Fault.of(FaultKind.ARMATURE_STUCK, "part", "CC");
        Runs welded = Runs.of(
                c, during(60).at(10, "Y.closed", true).at(40, "Y.closed", false).fault(30, both));
        assertEquals(welded.at(55, "DM"), "current without a call: welded contactor");
        Fault open = Fault.of(FaultKind.CAPACITOR_OPEN, "part", "CAP", "section", "HERM");
        Runs late = Runs.of(c, during(60).at(10, "Y.closed", true).fault(30, open));
        assertEquals(late.at(50, "DM"), "run current without start current: open start circuit");
    }

    @Test
    public void aSeizedBlowerDrawsAndDoesNotTurnSoACurrentSwitchIsFooled() {
        Circuit c = control()
                .part("FAN", "motor", "unit", "amps", 1.0)
                .part("CS", "current-switch", "unit", "senses", List.of(Map.of("wire", "w3")))
                .wire("M.L", "FAN.1")
                .wire("FAN.2", "M.N")
                .build();
        Runs r = Runs.of(c, during(20).fault(5, Fault.of(FaultKind.MOTOR_SEIZED, "part", "FAN")));
        assertEquals(r.at(15, "FAN") + " " + r.at(15, "CS"), "off closed");
    }

    @Test
    public void idleTapsOfARunningMotorAreLive() {
        Circuit c = control()
                .part("FAN", "motor", "unit", "speeds", List.of("HI", "MED", "LO"))
                .wire("M.L", "FAN.HI")
                .wire("FAN.COM", "M.N")
                .build();
        Runs r = Runs.of(c, during(60));
        assertEquals(r.at(50, "FAN"), "HI");
        assertTrue(r.volts(50, "FAN.LO", "M.N") > 100, "the parked tap bites: " + r.volts(50, "FAN.LO", "M.N"));
    }

    @Test
    public void aMotorWithLowVoltageTapsRunsBySignalOnItsOwnLine() {
        Circuit c = control()
                .part("FAN", "motor", "unit", "speeds", List.of("HI", "LO"), "tapVolts", 24.0)
                .part("S", "switch", "unit")
                .wire("M.L", "FAN.1")
                .wire("FAN.2", "M.N")
                .wire("T1.X1", "S.1")
                .wire("S.2", "FAN.LO")
                .wire("FAN.TC", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(30).at(10, "S.closed", true).at(20, "S.closed", false));
        assertEquals(r.at(5, "FAN") + " " + r.at(15, "FAN") + " " + r.at(25, "FAN"), "off LO off");
        assertTrue(r.amps(15, "w3") > 0.9 && r.amps(5, "w3") < 0.1);
    }

    // ---- faults of the wiring

    private static Circuit twoRelays() {
        return control()
                .part("W", "switch", "unit")
                .part("Y", "switch", "unit")
                .part("KW", "relay", "unit")
                .part("KY", "relay", "unit")
                .wire("T1.X1", "W.1")
                .wire("T1.X1", "Y.1")
                .wire("W.2", "KW.A1")
                .wire("Y.2", "KY.A1")
                .wire("KW.A2", "T1.X2")
                .wire("KY.A2", "T1.X2")
                .build();
    }

    @Test
    public void swappedWiresMoveTheWrongRelay() {
        Fault swapped = Fault.of(FaultKind.SWAPPED, "wires", List.of("w5", "w6"), "end", 1);
        Runs r = Runs.of(twoRelays(), during(20).at(5, "W.closed", true).fault(swapped));
        assertEquals(r.at(10, "KW") + " " + r.at(10, "KY"), "out in");
    }

    @Test
    public void aWireLandedOnTheNeighbouringTerminalFeedsThatOne() {
        Fault landed = Fault.of(FaultKind.LANDED, "wire", "w5", "end", 1, "at", "KY.A1");
        Runs r = Runs.of(twoRelays(), during(20).at(5, "W.closed", true).fault(landed));
        assertEquals(r.at(10, "KW") + " " + r.at(10, "KY"), "out in");
    }

    @Test
    public void twoWiresTwistedTogetherCarryOnWithoutTheirTerminals() {
        // W.2's wire and the feed of Y off their terminals and twisted: KW comes in without its switch, Y feeds nothing
        Fault twisted = Fault.of(FaultKind.TWISTED, "wires", List.of("w4", "w5"), "between", List.of("Y.1", "W.2"));
        Runs r = Runs.of(
                twoRelays(),
                during(20).at(5, "Y.closed", true).at(10, "W.closed", true).fault(twisted));
        assertEquals(r.at(3, "KW") + " " + r.at(7, "KY") + " " + r.at(12, "KW"), "in out in");
        assertTrue(r.volts(12, "W.2", "T1.X2") > 26, "and live, feeding nothing, behind the closed one");
        assertEquals(r.amps(12, "w4"), r.amps(12, "w5"), 1e-9, "one current through both");
    }

    /** Twisted while the circuit runs and landed again: the parts that are there before and after go on as they were. */
    @Test
    public void wiresAreTwistedAndLandedAgainWhileTheCircuitRuns() {
        Fault twisted = new Fault(
                FaultKind.TWISTED, Map.of("wires", List.of("w4", "w5"), "between", List.of("Y.1", "W.2")), 10.0, 20.0);
        Runs r = Runs.of(twoRelays(), during(30).at(2, "Y.closed", true).fault(twisted));
        assertEquals(r.at(5, "KW") + " " + r.at(5, "KY"), "out in");
        assertEquals(r.at(15, "KW") + " " + r.at(15, "KY"), "in out");
        assertEquals(r.at(25, "KW") + " " + r.at(25, "KY"), "out in");
    }

    @Test
    public void ofTwoTwistedWiresTheOneThatIsBrokenStopsBoth() {
        Fault twisted = Fault.of(FaultKind.TWISTED, "wires", List.of("w4", "w5"), "between", List.of("Y.1", "W.2"));
        Fault broken = Fault.of(FaultKind.WIRE_OPEN, "wire", "w4");
        Runs r = Runs.of(
                twoRelays(), during(20).at(5, "Y.closed", true).fault(twisted).fault(broken));
        assertEquals(r.at(7, "KW"), "out");
    }

    /** Three ends in one twist; one end was lifted before and goes into the twist from there. */
    @Test
    public void anyNumberOfEndsIsTwistedTogether() {
        Circuit c = twoRelays();
        Fault lifted = Fault.of(FaultKind.LIFTED, "wire", "w5", "at", "W.2");
        Fault twisted = Fault.of(
                FaultKind.TWISTED, "wires", List.of("w4", "w5", "w6"), "between", List.of("Y.1", "W.2", "Y.2"));
        Runs r = Runs.of(c, during(20).fault(lifted).fault(twisted));
        assertEquals(r.at(10, "KW") + " " + r.at(10, "KY"), "in in");
        assertEquals(r.amps(10, "w4"), r.amps(10, "w5") + r.amps(10, "w6"), 1e-9);
    }

    @Test
    public void aJumperOnABareEndGoesAlongWithIt() {
        Fault link = Fault.of(FaultKind.LINK, "between", List.of("~w5.1", "Y.1"));
        Fault lifted = new Fault(FaultKind.LIFTED, Map.of("wire", "w5", "at", "W.2"), 0.0, 10.0);
        Runs r = Runs.of(twoRelays(), during(20).fault(link).fault(lifted));
        assertEquals(r.at(5, "KW"), "in");
        assertTrue(r.volts(5, "W.2", "T1.X2") < 15, "the switch's terminal has nothing on it and floats");
        assertEquals(r.at(15, "KW"), "in");
        assertTrue(r.volts(15, "W.2", "T1.X2") > 20, "landed again, with the jumper on it");
    }

    @Test
    public void aShortBetweenTwoCoresBringsBothAndALinkLeftInHoldsOne() {
        Fault chafed = Fault.of(FaultKind.SHORT, "between", List.of("W.2", "Y.2"), "ohms", 0.1);
        Runs both = Runs.of(twoRelays(), during(20).at(5, "W.closed", true).fault(chafed));
        assertEquals(both.at(10, "KW") + " " + both.at(10, "KY"), "in in");
        Fault link = new Fault(FaultKind.LINK, Map.of("between", List.of("Y.1", "Y.2")), 5.0, 15.0);
        Runs held = Runs.of(twoRelays(), during(30).fault(link));
        assertEquals(held.at(2, "KY") + " " + held.at(10, "KY") + " " + held.at(20, "KY"), "out in out");
    }

    @Test
    public void aResistiveJointStarvesTheCoil() {
        Fault corroded = Fault.of(FaultKind.WIRE_RESISTIVE, "wire", "w5", "ohms", 80);
        Runs r = Runs.of(twoRelays(), during(20).at(5, "W.closed", true).fault(corroded));
        assertEquals(r.at(15, "KW"), "out");
    }

    @Test
    public void aCoreOnEarthedMetalDoesNothingWhileTheSecondaryIsNotEarthed() {
        Circuit.Builder b = twoRelays().toBuilder();
        b.wire("M.PE", "unit.PE");
        Fault earthed = Fault.of(FaultKind.WIRE_EARTHED, "wire", "w5");
        Runs floating = Runs.of(b.build(), during(20).at(5, "W.closed", true).fault(earthed));
        assertEquals(floating.at(10, "KW") + " " + floating.at(10, "T1"), "in live");
        b.wire("T1.X2", "unit.PE");
        Runs bonded = Runs.of(b.build(), during(120).at(5, "W.closed", true).fault(earthed));
        assertEquals(bonded.at(10, "KW") + " " + bonded.at(100, "T1"), "out burnt");
    }

    @Test
    public void aWrongSettingActsFromTheMomentItIsMade() {
        Circuit c =
                control().part("TH", "thermostat", "unit").wire("T1.X1", "TH.R").build();
        Fault electric = new Fault(
                FaultKind.WRONG_SETTING, Map.of("part", "TH", "param", "heatSource", "value", "electric"), 10.0, null);
        Runs r = Runs.of(
                c,
                during(30).start("TH.mode", "heat").start("TH.roomCelsius", 17).fault(electric));
        assertEquals(r.at(5, "TH") + " / " + r.at(20, "TH"), "R-W / R-W R-G");
    }
}
