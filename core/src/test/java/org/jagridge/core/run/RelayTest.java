package org.jagridge.core.run;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Place;
import org.testng.annotations.Test;

/** Relays, contactors and what is wired to their contacts. */
public class RelayTest {
    private static Circuit relayAndLamps() {
        return control()
                .part("S", "switch", "unit")
                .part("K", "relay", "unit")
                .part("NO", "lamp", "unit")
                .part("NC", "lamp", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("T1.X1", "K.11")
                .wire("K.14", "NO.1")
                .wire("K.12", "NC.1")
                .wire("NO.2", "T1.X2")
                .wire("NC.2", "T1.X2")
                .build();
    }

    @Test
    public void relayPullsInAfterFifteenAndDropsOutAfterTenMilliseconds() {
        Runs r = Runs.of(relayAndLamps(), during(10).at(1, "S.closed", true).at(5, "S.closed", false));
        assertEquals(r.when("K", "in"), 1.015, 1e-6);
        assertEquals(r.when("K", "out"), 5.010, 1e-6);
        assertEquals(r.at(3, "NO") + " " + r.at(3, "NC"), "on off");
        assertEquals(r.at(9, "NO") + " " + r.at(9, "NC"), "off on");
    }

    @Test
    public void aPulseShorterThanTheOperateTimeMovesNothing() {
        Runs r = Runs.of(relayAndLamps(), during(3).at(1, "S.closed", true).at(1.010, "S.closed", false));
        assertFalse(r.ever("K", "in"));
    }

    @Test
    public void weldedContactHoldsItsNormallyClosedOpen() {
        Fault weld = Fault.of(FaultKind.CONTACT_WELDED, "part", "K", "contact", "11-14");
        Runs r = Runs.of(relayAndLamps(), during(3).fault(1, weld));
        assertEquals(r.at(0.5, "NC"), "on");
        assertEquals(r.at(2, "K"), "out");
        assertEquals(r.at(2, "NO") + " " + r.at(2, "NC"), "on off");
    }

    @Test
    public void openCoilHasVoltsAndStaysOut() {
        Runs r = Runs.of(
                relayAndLamps(), during(3).at(1, "S.closed", true).fault(Fault.of(FaultKind.COIL_OPEN, "part", "K")));
        assertFalse(r.ever("K", "in"));
        assertEquals(r.volts(2, "K.A1", "K.A2"), 26.88, 0.2);
    }

    @Test
    public void brokenWireStopsTheRelayAndMendingItBringsItBack() {
        Fault broken = new Fault(FaultKind.WIRE_OPEN, Map.of("wire", "w5"), 2.0, 4.0);
        Runs r = Runs.of(relayAndLamps(), during(6).at(1, "S.closed", true).fault(broken));
        assertEquals(r.at(1.5, "K"), "in");
        assertEquals(r.at(3, "K"), "out");
        assertEquals(r.at(5, "K"), "in");
    }

    @Test
    public void eachChangeNamesItsCauseBackToTheHandThatThrewTheSwitch() {
        Runs r = Runs.of(relayAndLamps(), during(3).at(1, "S.closed", true));
        List<Event> events = r.run().events();
        Event lamp = r.event("NO", "on");
        Event relay = events.get(lamp.causes().get(0));
        assertEquals(relay.part(), "K");
        Event contact = events.get(relay.causes().get(0));
        assertEquals(contact.signal(), "S");
        Event hand = events.get(contact.causes().get(0));
        assertEquals(hand.signal(), "S.closed");
        assertEquals(relay.because().threshold(), 0.78 * 24, 1e-9);
        assertTrue(relay.because().volts() > 18.72, relay.because().text());
    }

    @Test
    public void thePathRunsFromTheSupplyThroughTheCoilAndBack() {
        Runs r = Runs.of(relayAndLamps(), during(3).at(1, "S.closed", true));
        assertEquals(r.event("K", "in").path(), List.of("M", "w1", "T1", "w3", "S", "w4", "K", "w5", "T1"));
        assertEquals(r.event("NC", "off").path(), List.of("M", "w1", "T1", "w6", "K", "w8", "NC", "w10", "T1"));
    }

    @Test
    public void relayThatBreaksItsOwnCoilIsReportedAsChatterWithItsLoop() {
        Circuit buzzer = control()
                .part("K", "relay", "unit")
                .wire("T1.X1", "K.11")
                .wire("K.12", "K.A1")
                .wire("K.A2", "T1.X2")
                .build();
        Runs r = Runs.of(buzzer, during(60));
        assertEquals(r.run().problems().size(), 1);
        RunProblem chatter = r.run().problems().get(0);
        assertEquals(chatter.code(), "chatter");
        assertEquals(chatter.loop(), List.of("K"));
        assertTrue(chatter.micros() < 1_000_000, "found after " + chatter.micros());
        assertEquals(r.at(30, "K"), "chatter");
    }

    @Test
    public void solidBarKeepsTheLoadLiveWithTheContactorOut() {
        Circuit half = Circuits.control()
                .part("CC", "contactor", "unit", "poles", List.of("contact", "bar"))
                .part("CMP", "motor", "unit", "volts", 120.0)
                .wire("M.N", "CC.L1")
                .wire("CC.T1", "CMP.1")
                .wire("CMP.2", "CC.T2")
                .wire("CC.L2", "M.L")
                .build();
        Runs r = Runs.of(half, during(2));
        assertEquals(r.at(1, "CC") + " " + r.at(1, "CMP"), "out off");
        assertEquals(r.volts(1, "CMP.1", "M.N"), 120, 0.1);
    }

    @Test
    public void lineVoltsBurnOutALowVoltageCoil() {
        Circuit wrong = control()
                .part("K", "relay", "unit")
                .wire("M.L", "K.A1")
                .wire("K.A2", "M.N")
                .build();
        Runs r = Runs.of(wrong, during(20));
        assertEquals(r.when("K", "burnt"), 5, 1e-6);
        assertEquals(r.amps(10, "w3"), 0, 1e-6);
    }

    @Test
    public void twoEnergisedTapsBurnOutAMotor() {
        Circuit taps = control()
                .part("FAN", "motor", "unit", "speeds", List.of("HI", "LO"))
                .part("S", "switch", "unit")
                .wire("M.L", "FAN.HI")
                .wire("M.L", "S.1")
                .wire("S.2", "FAN.LO")
                .wire("FAN.COM", "M.N")
                .build();
        Runs r = Runs.of(taps, during(60).at(10, "S.closed", true));
        assertEquals(r.at(5, "FAN"), "HI");
        assertEquals(r.when("FAN", "burnt"), 30, 1e-6);
    }

    @Test
    public void aWornContactDropsVoltsClosedAndOpensLikeAGoodOne() {
        Circuit lamp = control()
                .part("S", "switch", "unit")
                .part("LAMP", "resistive-load", "unit", "volts", 120.0, "watts", 1000.0)
                .wire("M.L", "S.1")
                .wire("S.2", "LAMP.1")
                .wire("LAMP.2", "M.N")
                .build();
        Fault worn = Fault.of(FaultKind.CONTACT_RESISTIVE, "part", "S", "contact", "1-2", "ohms", 8);
        Runs r = Runs.of(lamp, during(60).fault(worn).at(10, "S.closed", true).at(20, "S.closed", false));
        assertEquals(r.volts(5, "LAMP.1", "LAMP.2"), 0, 0.1);
        // 14.4 Ω behind 8 Ω; the supply and the wires add a few hundredths
        assertEquals(r.volts(15, "LAMP.1", "LAMP.2"), 120 * 14.4 / 22.4, 0.3);
        assertEquals(r.volts(25, "LAMP.1", "LAMP.2"), 0, 0.1);
    }

    @Test
    public void aContactorPressedInByHandClosesItsPolesAndFallsOutWhenLetGo() {
        Circuit c = control()
                .part("CC", "contactor", "unit")
                .part("LAMP", "resistive-load", "unit", "volts", 120.0, "watts", 100.0)
                .wire("M.L", "CC.L1")
                .wire("CC.T1", "LAMP.1")
                .wire("LAMP.2", "M.N")
                .wire("T1.X2", "CC.A2")
                .build();
        Runs r = Runs.of(c, during(60).at(10, "CC.pressed", true).at(20, "CC.pressed", false));
        assertEquals(r.at(5, "LAMP") + " " + r.at(15, "LAMP") + " " + r.at(25, "LAMP"), "off on off");
        assertEquals(r.when("CC", "in"), 10, 1e-6);
        assertEquals(r.event("CC", "in").because().text(), "pressed in by hand");
        assertEquals(r.when("LAMP", "off"), 20.015, 1e-6);
    }

    /** A worn contact drops some of the second tap's volts; a middle tap between two fed ones isn't fed by them. */
    @Test
    public void aSecondTapFedThroughAWornContactComesToRest() {
        for (List<String> speeds : List.of(List.of("HI", "LO"), List.of("HI", "MED", "LO"))) {
            Circuit taps = control()
                    .part("FAN", "motor", "unit", "speeds", speeds, "amps", 8.0)
                    .part("S", "switch", "unit")
                    .wire("M.L", "FAN.HI")
                    .wire("M.L", "S.1")
                    .wire("S.2", "FAN.LO")
                    .wire("FAN.COM", "M.N")
                    .build();
            for (int ohms : new int[] {0, 8, 40}) {
                Fault worn = Fault.of(FaultKind.CONTACT_RESISTIVE, "part", "S", "contact", "1-2", "ohms", ohms + 0.001);
                Runs r = Runs.of(taps, during(60).fault(worn).at(10, "S.closed", true));
                assertEquals(r.at(5, "FAN"), "HI");
                assertEquals(r.at(29, "FAN"), "HI", speeds + " through " + ohms + " Ω");
                assertEquals(r.when("FAN", "burnt"), 30, 1e-6);
            }
        }
    }

    @Test
    public void shortedTransformerWithoutAFuseBurnsOutInThirtySeconds() {
        Circuit dead = control()
                .part("S", "switch", "unit")
                .wire("T1.X1", "S.1")
                .wire("S.2", "T1.X2")
                .build();
        Runs r = Runs.of(dead, during(90).at(10, "S.closed", true));
        // the wires and the supply add a little to the transformer's own impedance
        assertEquals(r.when("T1", "burnt"), 40, 2);
        assertEquals(r.volts(80, "T1.X1", "T1.X2"), 0, 1e-6);
    }

    @Test
    public void breakerTripsOnAShortAndIsResetByHand() {
        Circuit c = Circuit.builder("Breaker")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "single-120")
                .part("CB", "breaker", "unit")
                .part("S", "switch", "unit")
                .wire("M.L", "CB.1")
                .wire("CB.2", "S.1")
                .wire("S.2", "M.N")
                .build();
        Runs r = Runs.of(
                c,
                during(60)
                        .at(5, "S.closed", true)
                        .at(10, "S.closed", false)
                        .at(20, "CB.closed", false)
                        .at(22, "CB.closed", true));
        assertEquals(r.when("CB", "tripped"), 5, 1e-6);
        assertEquals(r.at(15, "CB"), "tripped");
        assertEquals(r.at(30, "CB"), "closed");
    }
}
