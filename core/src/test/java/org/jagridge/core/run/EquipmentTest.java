package org.jagridge.core.run;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.demo;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.ReferenceCase;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.trace.Why;
import org.testng.annotations.Test;

/** Equipment as a whole: sequences to the second, and what faults make of them. */
public class EquipmentTest {

    // ---- gas furnace

    @Test
    public void gasFurnaceHeatsInItsOrderToTheSecond() {
        assertEquals(
                Runs.demo("seminar-room", "Heat call").story("FC", "IND", "PS", "IGN", "GV", "BLW"),
                List.of(
                        "10.000 FC purge",
                        "10.000 IND on",
                        "12.000 PS closed",
                        "27.000 FC igniter",
                        "27.000 IGN on",
                        "44.000 FC trial",
                        "44.000 GV on",
                        "48.000 FC heating",
                        "48.000 IGN off",
                        "78.000 BLW MED",
                        "400.000 FC post-purge",
                        "400.000 GV off",
                        "415.000 FC idle",
                        "415.000 IND off",
                        "416.000 PS open",
                        "490.000 BLW off"));
    }

    @Test
    public void gasFurnaceLocksOutAfterThreeTrialsWithoutFlame() {
        Runs r = Runs.demo("seminar-room", "No flame");
        assertEquals(r.story("GV").stream().filter(s -> s.endsWith("on")).count(), 3);
        assertEquals(r.at(390, "FC"), "lockout");
    }

    @Test
    public void powerOffAndOnClearsTheLockout() {
        Fault noFlame = new Fault(FaultKind.CONDITION, Map.of("part", "FC", "condition", "no-flame"), 0.0, 200.0);
        Runs r = Runs.of(
                demo("seminar-room"),
                during(600)
                        .start("ROOM.celsius", 17)
                        .at(10, "TH.mode", "heat")
                        .at(250, "SW.closed", false)
                        .at(260, "SW.closed", true)
                        .fault(noFlame));
        assertEquals(r.at(240, "FC"), "lockout");
        assertEquals(r.at(400, "FC"), "heating");
    }

    @Test
    public void openLimitStopsTheGasAndKeepsTheBlower() {
        Runs r = Runs.demo("seminar-room", "Limit opens");
        assertEquals(r.at(110, "GV") + " " + r.at(110, "BLW"), "off MED");
        assertEquals(r.at(300, "GV"), "on", "it tries again once the limit has closed");
    }

    @Test
    public void withoutAnEarthTheFlameIsNotSensed() {
        Circuit c = demo("seminar-room");
        String pe = wire(c, "M.PE", "FC.PE");
        Runs r = Runs.of(
                c,
                during(300)
                        .start("ROOM.celsius", 17)
                        .at(10, "TH.mode", "heat")
                        .fault(Fault.of(FaultKind.WIRE_OPEN, "wire", pe)));
        assertEquals(r.at(200, "FC"), "lockout");
    }

    private static String wire(Circuit c, String from, String to) {
        return c.wires().stream()
                .filter(w ->
                        w.from().toString().equals(from) && w.to().toString().equals(to))
                .findFirst()
                .orElseThrow()
                .id();
    }

    // ---- heat pump

    @Test
    public void defrostTurnsTheValveStopsTheFanCallsHeatAndEndsAtTheSensor() {
        Runs r = Runs.demo("wardens-cottage", "Defrost");
        assertEquals(r.when("DF", "defrost"), 3610, 0.1);
        assertEquals(r.at(3700, "RV") + " " + r.at(3700, "OF") + " " + r.at(3700, "HTR"), "on off on");
        assertTrue(r.ever("CS", "open"));
        assertEquals(r.at(3900, "RV") + " " + r.at(3900, "OF"), "off running");
    }

    @Test
    public void aDefrostThatTheSensorDoesNotEndIsOverAfterTenMinutes() {
        Circuit c = demo("wardens-cottage");
        Circuit.Builder b = c.toBuilder();
        b.parts().replaceAll(p -> p.id().equals("CS") ? p.withParams(Map.of()) : p);
        Runs r = Runs.of(
                b.build(),
                during(5000)
                        .start("ROOM.celsius", 14)
                        .start("OUT.celsius", -8)
                        .start("CS.coilCelsius", -5)
                        .at(10, "TH.mode", "heat"));
        assertEquals(r.when("DF", "defrost"), 3610, 0.1);
        assertEquals(r.at(4209, "DF") + " " + r.at(4211, "DF"), "defrost running");
    }

    @Test
    public void auxiliaryAndEmergencyHeatBringTheStripsAndTheFan() {
        Runs aux = Runs.demo("wardens-cottage", "Auxiliary");
        assertEquals(aux.at(100, "CMP") + " " + aux.at(100, "HTR") + " " + aux.at(100, "BLW"), "running on on");
        Runs emergency = Runs.demo("wardens-cottage", "Emergency");
        assertEquals(
                emergency.at(100, "CMP") + " " + emergency.at(100, "HTR") + " " + emergency.at(100, "BLW"),
                "off on on");
    }

    @Test
    public void theWirelessModuleLetsGoAfterTwoMinutesOfSilence() {
        Runs r = Runs.demo("wardens-cottage", "The module");
        assertEquals(r.at(419, "CMP") + " " + r.at(421, "CMP"), "running off");
        assertEquals(r.at(700, "CMP"), "running");
    }

    // ---- lockout

    @Test
    public void lockoutStaysInAfterThePressureSwitchClosesAgain() {
        Runs r = Runs.demo("cold-store", "Low charge");
        assertEquals(r.at(300, "LPS") + " " + r.at(300, "LR") + " " + r.at(300, "CC"), "closed in out");
        assertEquals(r.at(605, "LR"), "out", "reset by breaking the call");
    }

    private static Runs lockout(Circuit circuit, Fault fault) {
        Circuits.Setting s =
                during(200).at(5, "Y.closed", true).at(60, "LPS.tripped", true).at(120, "LPS.tripped", false);
        return Runs.of(circuit, fault == null ? s : s.fault(fault));
    }

    @Test
    public void withTheContactorCoilDisconnectedNothingLocksOut() {
        Circuit c = ReferenceCase.load("lockout").circuit();
        Runs r = lockout(c, Fault.of(FaultKind.COIL_OPEN, "part", "CC"));
        assertFalse(r.ever("LR", "in"));
    }

    @Test
    public void withTheLockoutCoilOpenTheContactorRestarts() {
        Circuit c = ReferenceCase.load("lockout").circuit();
        Runs r = lockout(c, Fault.of(FaultKind.COIL_OPEN, "part", "LR"));
        assertEquals(r.at(90, "CC") + " " + r.at(150, "CC"), "out in");
    }

    @Test
    public void withAHighImpedanceLoadInPlaceOfTheContactorNothingLocksOut() {
        Circuit.Builder b = ReferenceCase.load("lockout").circuit().toBuilder();
        b.parts().removeIf(p -> List.of("CC", "CMP").contains(p.id()));
        b.wires().removeIf(w -> List.of("w12", "w13", "w14", "w15").contains(w.id()));
        b.part("R", "resistive-load", "odu", "volts", 24.0, "watts", 24 * 24 / 20_000.0);
        b.wires().replaceAll(w -> {
            for (int end = 0; end < 2; end++) {
                if (w.end(end).part().equals("CC")) {
                    String to = w.end(end).name().equals("A1") ? "R.1" : "R.2";
                    return w.withEnd(end, Terminal.parse(to));
                }
            }
            return w;
        });
        Runs r = lockout(b.build(), null);
        assertFalse(r.ever("LR", "in"));
    }

    // ---- two transformers

    @Test
    public void jumperOnlyBetweenTwoSuppliesDoesNothingVisible() {
        Runs r = Runs.demo("old-hall", "Cooling with the jumper");
        assertEquals(r.at(100, "ZP") + " " + r.at(100, "CC"), "none in");
        assertEquals(r.amps(100, "link TH.RC–TH.RH"), 0, 1e-4);
    }

    @Test
    public void tiedAtBothEndsInPhaseASmallCurrentCirculatesAndReversedItIsAShort() {
        for (boolean reversed : new boolean[] {false, true}) {
            Circuit tied = Circuit.builder("Tied")
                    .place("u", "Unit", Place.Access.PANEL)
                    .part("A", "supply", "u", "system", "single-120", "volts", 122.0)
                    .part("B", "supply", "u", "system", "single-120", "volts", 118.0)
                    .part("TA", "transformer", "u")
                    .part("TB", "transformer", "u", "reversed", reversed)
                    .wire("A.L", "TA.P1")
                    .wire("TA.P2", "A.N")
                    .wire("B.L", "TB.P1")
                    .wire("TB.P2", "B.N")
                    .wire("TA.X1", "TB.X1")
                    .wire("TA.X2", "TB.X2")
                    .build();
            double amps = Runs.of(tied, during(1)).amps(0.5, "w5");
            assertEquals(amps, reversed ? 15.5 : 0.26, reversed ? 0.6 : 0.01);
        }
    }

    @Test
    public void reversedHeatingPairAndASharedReturnHoldTheHeatInFromTheCoolingSide() {
        Runs r = Runs.demo("old-hall", "Jumper, reversed");
        assertEquals(r.at(100, "TH") + " / " + r.at(100, "ZP"), "RC-Y RC-G / 1");
        Event zone = r.event("ZP", "1");
        assertTrue(zone.backFeed());
        assertTrue(zone.path().contains("TA"), zone.path().toString());
    }

    @Test
    public void aCoolingUnitThatIsOffIsLiveBackwardsThroughTheTie() {
        Runs r = Runs.demo("old-hall", "Jumper and shared return");
        assertTrue(r.volts(30, "TA.P1", "TA.P2") > 100);
        assertEquals(r.run().problems().get(0).code(), "backfed-transformer");
        assertEquals(r.run().problems().get(0).parts(), List.of("TA"));
    }

    // ---- hydronics

    @Test
    public void theVentDamperIsOpenBeforeTheGas() {
        Runs r = Runs.demo("old-hall", "Heat call");
        assertEquals(r.when("VD", "open"), r.when("GV", "on"), 1e-9);
        assertEquals(r.when("VD", "open") - r.when("VD", "moving"), 15, 1e-3);
        assertEquals(r.at(100, "P1") + " " + r.at(100, "P2") + " " + r.at(100, "CIRC"), "on off on");
    }

    @Test
    public void midPositionValveGoesWhereItsTwoLivesSendIt() {
        assertFalse(Runs.demo("student-flat", "Hot water only").ever("V3", "moving"));
        Runs heating = Runs.demo("student-flat", "Heating only");
        assertEquals(heating.story("V3"), List.of("10.000 V3 moving", "25.000 V3 heating"));
        assertEquals(heating.when("BOI", "on"), 25, 1e-6);
        assertEquals(heating.at(310, "V3"), "heating", "grey alone holds it");
        Runs both = Runs.demo("student-flat", "Both");
        assertEquals(both.at(100, "V3") + " " + both.at(200, "V3"), "mid heating");
    }

    @Test
    public void aBrokenGreyLeavesTheValveInMidAndTheBoilerSilent() {
        Runs r = Runs.demo("student-flat", "Grey broken");
        assertEquals(r.at(150, "V3") + " " + r.at(150, "BOI"), "mid off");
    }

    @Test
    public void hotWaterOffWithASatisfiedCylinderPutsVoltsBackwardsOnTheHotWaterOnTerminal() {
        Runs r = Runs.of(demo("student-flat"), during(20).start("CYL.celsius", 65));
        assertEquals(r.at(10, "PR"), "off");
        assertEquals(r.volts(10, "PR.3", "M.N"), 230, 1);
    }

    // ---- millivolts, DC, sharing

    @Test
    public void aFewOhmsMoreAndTheMillivoltValveLetsGo() {
        Runs r = Runs.demo("chapel", "A corroded joint");
        assertEquals(r.at(20, "GV") + " " + r.at(40, "GV"), "on off");
    }

    @Test
    public void rectifierGivesNineTenthsLessTwoDiodesAndDrawsNineTenthsOfTheAmps() {
        Circuit c = control()
                .part("RF", "rectifier", "unit")
                .part("K", "relay", "unit", "coilKind", "DC", "watts", 1.2)
                .wire("T1.X1", "RF.~1")
                .wire("T1.X2", "RF.~2")
                .wire("RF.+", "K.A1")
                .wire("K.A2", "RF.-")
                .build();
        Runs r = Runs.of(c, during(2));
        Frame f = r.run().at(1_000_000);
        double dc = f.dc().volts(
                        f.assembly().node(Terminal.parse("K.A1")).orElseThrow(),
                        f.assembly().node(Terminal.parse("K.A2")).orElseThrow())
                .re();
        double ac = r.volts(1, "RF.~1", "RF.~2");
        assertEquals(dc, 0.9 * ac - 1.4, 0.05);
        double dcAmps =
                f.dc().amps(f.assembly().branchesOf("w5").get(0).index()).abs();
        assertEquals(r.amps(1, "w3"), 0.9 * dcAmps, 1e-4);
        assertEquals(r.at(1, "K"), "in");
    }

    @Test
    public void oneConductorCarriesYAndGAsHalfWaves() {
        Circuit c = control()
                .part("TH", "thermostat", "unit", "terminals", List.of("R", "SH", "W"), "power", "battery")
                .part("SM", "sharing-module", "unit")
                .part("K", "relay", "unit")
                .part("F", "relay", "unit")
                .wire("T1.X1", "SM.R")
                .wire("T1.X2", "SM.C")
                .wire("T1.X1", "TH.R")
                .wire("TH.SH", "SM.SH")
                .wire("SM.Y", "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("SM.G", "F.A1")
                .wire("F.A2", "T1.X2")
                .build();
        Runs fan = Runs.of(c, during(20).at(5, "TH.fan", "on"));
        assertEquals(fan.at(3, "SM") + " / " + fan.at(10, "SM"), "none / G");
        assertEquals(fan.at(10, "F") + " " + fan.at(10, "K"), "in out");
        assertEquals(fan.volts(10, "SM.SH", "T1.X2"), 0.545 * fan.volts(10, "T1.X1", "T1.X2"), 0.1);
        Runs cool = Runs.of(c, during(20).start("TH.roomCelsius", 27).at(5, "TH.mode", "cool"));
        assertEquals(cool.at(10, "SM"), "Y G");
    }

    // ---- timers and sequencer

    private static Circuit timed(Object... params) {
        return control()
                .part("S", "switch", "unit")
                .part("TD", "timer", "unit", params)
                .part("CC", "contactor", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "TD.IN")
                .wire("TD.OUT", "CC.A1")
                .wire("CC.A2", "T1.X2")
                .build();
    }

    @Test
    public void delayOnMakeResetsAtOnceWhenTheInputIsLost() {
        Runs r = Runs.of(
                timed("seconds", 60.0),
                during(300).at(10, "S.closed", true).at(50, "S.closed", false).at(51, "S.closed", true));
        assertEquals(r.when("CC", "in"), 111.025, 1e-3);
    }

    @Test
    public void delayOnBreakBlocksANewStart() {
        Runs r = Runs.of(
                timed("function", "delay-on-break", "seconds", 60.0),
                during(300).at(10, "S.closed", true).at(50, "S.closed", false).at(60, "S.closed", true));
        assertEquals(r.when("CC", "in"), 10.025, 1e-3);
        assertEquals(r.at(70, "TD") + " " + r.at(70, "CC"), "blocked out");
        assertEquals(r.at(115, "CC"), "in");
    }

    @Test
    public void theLineSettingNeverTimesOnTwentyFourVoltsAndTheOtherBurnsOutOnLine() {
        Runs r = Runs.of(timed("setting", "line", "seconds", 10.0), during(60).at(5, "S.closed", true));
        assertEquals(r.at(50, "TD"), "idle");
        Circuit line = control()
                .part("TD", "timer", "unit", "seconds", 10.0)
                .part("M1", "motor", "unit", "volts", 120.0)
                .wire("M.L", "TD.IN")
                .wire("TD.OUT", "M1.1")
                .wire("M1.2", "M.N")
                .build();
        assertEquals(Runs.of(line, during(30)).when("TD", "burnt"), 5, 1e-6);
    }

    @Test
    public void offDelayHoldsTheFanAfterTheTriggerEnds() {
        Circuit c = control()
                .part("S", "switch", "unit")
                .part("TD", "timer", "unit", "form", "relay", "function", "off-delay", "seconds", 45.0)
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "TD.A1")
                .wire("TD.A2", "T1.X2")
                .wire("T1.X1", "S.1")
                .wire("S.2", "TD.TR")
                .wire("T1.X1", "TD.11")
                .wire("TD.14", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(120).at(10, "S.closed", true).at(20, "S.closed", false));
        assertEquals(r.story("LP"), List.of("10.000 LP on", "65.000 LP off"));
    }

    @Test
    public void sequencerClosesOneAfterAnotherOpensInReverseAndCancelsWhatIsNotDue() {
        Circuit c = control()
                .part("S", "switch", "unit")
                .part("SQ", "sequencer", "unit", "stages", 3.0)
                .wire("T1.X1", "S.1")
                .wire("S.2", "SQ.H1")
                .wire("SQ.H2", "T1.X2")
                .build();
        Runs r = Runs.of(c, during(300).at(10, "S.closed", true).at(100, "S.closed", false));
        assertEquals(
                r.story("SQ"),
                List.of(
                        "30.000 SQ 1",
                        "50.000 SQ 1 2",
                        "70.000 SQ 1 2 3",
                        "110.000 SQ 1 2",
                        "120.000 SQ 1",
                        "140.000 SQ none"));
        Runs cut = Runs.of(c, during(300).at(10, "S.closed", true).at(45, "S.closed", false));
        assertEquals(cut.story("SQ"), List.of("30.000 SQ 1", "85.000 SQ none"));
    }

    // ---- compressor

    private static Circuit compressor() {
        return Circuit.builder("Compressor")
                .place("u", "Unit", Place.Access.OUTDOOR)
                .part("M", "supply", "u")
                .part("S", "switch", "u")
                .part("CMP", "compressor", "u")
                .part("CAP", "capacitor", "u")
                .wire("M.L1", "S.1")
                .wire("S.2", "CMP.R")
                .wire("CMP.R", "CAP.C")
                .wire("CAP.HERM", "CMP.S")
                .wire("CMP.C", "M.L2")
                .build();
    }

    @Test
    public void compressorWithADeadStartCircuitStallsTripsAndComesBack() {
        Fault dead = Fault.of(FaultKind.CAPACITOR_OPEN, "part", "CAP", "section", "HERM");
        Runs r = Runs.of(compressor(), during(1000).at(5, "S.closed", true).fault(dead));
        assertEquals(
                r.story("CMP").subList(0, 4),
                List.of("5.000 CMP stalled", "13.000 CMP overload", "913.000 CMP off", "913.000 CMP stalled"));
        assertTrue(r.amps(6, "w1") > 40, "locked current");
    }

    @Test
    public void compressorRunsOnWithACapacitorThatDiesWhileItRuns() {
        Fault dies = new Fault(FaultKind.CAPACITOR_OPEN, Map.of("part", "CAP", "section", "HERM"), 50.0, null);
        Runs r = Runs.of(
                compressor(),
                during(500)
                        .at(5, "S.closed", true)
                        .at(100, "S.closed", false)
                        .at(300, "S.closed", true)
                        .fault(dies));
        assertEquals(r.at(99, "CMP") + " " + r.at(301, "CMP"), "running stalled");
    }

    @Test
    public void compressorNeedsThreeMinutesForItsPressures() {
        Runs r = Runs.of(
                compressor(),
                during(600)
                        .at(5, "S.closed", true)
                        .at(100, "S.closed", false)
                        .at(150, "S.closed", true)
                        .at(155, "S.closed", false)
                        .at(400, "S.closed", true));
        assertEquals(r.at(50, "CMP") + " " + r.at(152, "CMP") + " " + r.at(410, "CMP"), "running stalled running");
    }

    // ---- interlocks

    @Test
    public void noHeaterOfASectionRunsWhileAVentOfItIsNotShut() {
        Runs r = Runs.demo("propagation-house", "A nursery vent");
        assertEquals(r.at(100, "TUBE") + " " + r.at(200, "TUBE") + " " + r.at(400, "TUBE"), "burning off burning");
        assertEquals(r.at(200, "UH1"), "burning", "another section is not touched");
        Runs half = Runs.demo("propagation-house", "A display vent");
        assertEquals(half.at(300, "V10") + " " + half.at(300, "UH2"), "half off");
    }

    @Test
    public void aRelayThatIsEnergisedWhenOpenFailsHotOnADeadCoil() {
        Runs r = Runs.demo("propagation-house", "An opener's coil");
        assertEquals(r.at(300, "V9") + " " + r.at(300, "UH2"), "open burning");
    }

    @Test
    public void aFanThatWaitsForHeatThatWaitsForTheFanNeverStarts() {
        Circuit deadlock = control()
                .part("S", "switch", "unit")
                .part("KH", "relay", "unit")
                .part("FAN", "motor", "unit")
                .part("CS", "current-switch", "unit", "senses", List.of(Map.of("wire", "w9")))
                .wire("T1.X1", "S.1")
                .wire("S.2", "CS.1")
                .wire("CS.2", "KH.A1")
                .wire("KH.A2", "T1.X2")
                .wire("M.L", "KH.11")
                .wire("KH.14", "FAN.1")
                .wire("FAN.2", "M.N")
                .build();
        Runs r = Runs.of(deadlock, during(600).at(5, "S.closed", true));
        assertEquals(r.at(600, "KH") + " " + r.at(600, "FAN") + " " + r.at(600, "CS"), "out off open");
        List<String> why = Why.at(r.run(), 600_000_000).off().stream()
                .map(Why.Reason::toString)
                .toList();
        assertEquals(
                why,
                List.of(
                        "KH is off: CS 1–2 is open: 0.8 A in w9",
                        "FAN is off: KH 11–14 is open, for CS 1–2 is open: 0.8 A in w9",
                        "CS waits: 0.8 A in w9"));
    }

    @Test
    public void roomsWarmAndCoolSoThatTheThermostatCyclesByItself() {
        Runs r = Runs.of(
                demo("seminar-room"),
                during(4 * 3600)
                        .start("ROOM.celsius", 19.2)
                        .start("OUT.celsius", 2)
                        .start("TH.mode", "heat"));
        long cycles = r.story("TH").stream().filter(s -> s.endsWith("RH-W")).count();
        assertTrue(cycles >= 4 && cycles <= 40, cycles + " cycles");
    }

    @Test
    public void everyScenarioOfTheDemoRunsTheSameEachTime() {
        for (String slug : Circuits.DEMOS) {
            Circuit c = demo(slug);
            assertTrue(c.scenarios().size() >= 2, slug);
            c.scenarios().forEach(s -> {
                List<String> once = Simulation.run(c, s).events().stream()
                        .map(EquipmentTest::line)
                        .toList();
                List<String> again = Simulation.run(c, s).events().stream()
                        .map(EquipmentTest::line)
                        .toList();
                assertEquals(once, again, slug + ": " + s.name());
            });
        }
    }

    private static String line(Event e) {
        return e.micros() + " " + e.signal() + " " + e.to() + " " + e.because().text() + " " + e.path();
    }

    @Test
    public void everyTypeOfTheCatalogueRunsAloneUnwiredAndWithAnyOfItsFaults() {
        for (var type : PartTypes.catalogue().all()) {
            Circuit c = control().part("X", type.type(), "unit").build();
            Runs.of(c, during(30));
            for (Fault f : FaultList.faultsOf(c)) {
                Runs.of(c, during(30).fault(5, f));
            }
        }
    }

    @Test
    public void electronicsThatTheirOwnShortedOutputPullsDownAreReportedAndTheRunGoesOn() {
        Runs r = Runs.of(
                demo("wardens-cottage"),
                during(60)
                        .start("ROOM.celsius", 19)
                        .at(10, "TH.mode", "heat")
                        .fault(Fault.of(FaultKind.COIL_SHORTED, "part", "CC")));
        assertTrue(
                r.run().problems().stream().anyMatch(p -> p.code().equals("chatter")),
                r.run().problems().toString());
        assertFalse(r.ever("CMP", "running"));
    }

    @Test
    public void everyFaultOfEveryDemoCanBeRun() {
        for (String slug : Circuits.DEMOS) {
            Circuit c = demo(slug);
            List<Fault> faults = FaultList.faultsOf(c);
            assertTrue(faults.size() > 10, slug + " has " + faults.size());
            for (Fault f : faults) {
                Runs.of(c, during(30).fault(5, f));
            }
        }
    }
}
