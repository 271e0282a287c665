package org.jagridge.core.check;

import static org.jagridge.core.Circuits.control;
import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is just right isn't told; what is just wrong is, in words that are true of it. */
public class JustWrongTest {
    private static List<String> messages(Circuit circuit, String code) {
        return Check.findings(circuit).stream()
                .filter(f -> f.code().equals(code))
                .map(Finding::message)
                .toList();
    }

    private static Circuit.Builder twoLegs() {
        return Circuit.builder("Test").place("unit", "Unit", Place.Access.PANEL).part("M", "supply", "unit");
    }

    private static Circuit.Builder coil(double volts) {
        return control()
                .part("K", "relay", "unit", "coilVolts", volts)
                .wire("T1.X1", "K.A1")
                .wire("K.A2", "T1.X2");
    }

    /** 24 V bear 1.3 times what a coil is made for, and 0.7 times: 18.47 V and 34.28 V are the limits. */
    @DataProvider
    public Object[][] volts() {
        return new Object[][] {
            {coil(18.4), "over-voltage", "K A1-A2 is made for 18.4 V and can get 24 V."},
            {coil(18.6), "over-voltage", null},
            {coil(34.4), "under-voltage", "K A1-A2 is made for 34.4 V and gets 24 V at the most."},
            {coil(34.2), "under-voltage", null},
            {lamp("M.L1", "M.L2", 240), "over-voltage", null},
            {lamp("M.L1", "M.L2", 120), "over-voltage", "H 1-2 is made for 120 V and can get 240 V."},
            {lamp("M.L1", "M.N", 120), "over-voltage", null},
            {lamp("M.N", "M.L2", 240), "under-voltage", "H 1-2 is made for 240 V and gets 120 V at the most."},
            {lamp("M.L1", "M.L1", 24), "over-voltage", null},
            {lamp("M.N", "M.N", 24), "over-voltage", null},
            {primary("M.L2"), "over-voltage", "T1 P1-P2 is made for 120 V and can get 240 V."},
            {primary("M.N"), "over-voltage", null},
            {tap("M.L2"), "over-voltage", "FAN HI-COM is made for 120 V and can get 240 V."},
            {tap("M.N"), "over-voltage", null},
        };
    }

    private static Circuit.Builder lamp(String one, String other, double volts) {
        return twoLegs()
                .part("H", "resistive-load", "unit", "volts", volts, "watts", 100.0)
                .wire(one, "H.1")
                .wire("H.2", other);
    }

    private static Circuit.Builder primary(String other) {
        return twoLegs().part("T1", "transformer", "unit").wire("M.L1", "T1.P1").wire("T1.P2", other);
    }

    private static Circuit.Builder tap(String other) {
        return twoLegs()
                .part("FAN", "motor", "unit", "speeds", List.of("HI", "LO"))
                .wire("M.L1", "FAN.HI")
                .wire("FAN.COM", other);
    }

    @Test(dataProvider = "volts")
    public void voltsAreToldOnlyBeyondTheLimit(Circuit.Builder circuit, String code, String message) {
        List<String> told = messages(circuit.build(), code);
        // a coil may also be tried, and told once more
        assertEquals(told.stream().limit(1).toList(), message == null ? List.of() : List.of(message));
    }

    /* ---- electric heat and its fan ---- */

    private static Circuit.Builder heat(String terminal, String source) {
        return heat(terminal, source, "conventional");
    }

    /** With a heat pump W is strips, with two fuels a furnace. */
    private static Circuit.Builder heat(String terminal, String source, String kind) {
        return control()
                .part(
                        "TH",
                        "thermostat",
                        "unit",
                        "kind",
                        kind,
                        "changeoverCelsius",
                        2.0,
                        "heatSource",
                        source,
                        "terminals",
                        List.of("R", "C", "W", "W2", "G"))
                .part("K", "relay", "unit")
                .part("H", "resistive-load", "unit", "volts", 120.0, "watts", 500.0, "kind", "strip")
                .wire("T1.X1", "TH.R")
                .wire("TH." + terminal, "K.A1")
                .wire("K.A2", "T1.X2")
                .wire("M.L", "K.11")
                .wire("K.14", "H.1")
                .wire("H.2", "M.N");
    }

    /** A motor that the relay for heat, or another wire to the mains, brings on. */
    private static Circuit.Builder withMotor(Circuit.Builder b, String kind, String from) {
        return b.part("FAN", "motor", "unit", "kind", kind).wire(from, "FAN.1").wire("FAN.2", "M.N");
    }

    @DataProvider
    public Object[][] heats() {
        return new Object[][] {
            {heat("W", "electric"), true},
            {heat("W2", "electric"), true},
            {heat("W", "gas"), false},
            {heat("W", "gas", "dual-fuel"), false},
            {heat("W", "gas", "heat-pump"), true},
            {heat("W", "electric").wire("TH.G", "K.A1"), false},
            {withMotor(heat("W", "electric"), "blower", "K.14"), false},
            {withMotor(heat("W", "electric"), "circulator", "K.14"), true},
            {withMotor(heat("W", "electric"), "blower", "K.12"), true},
        };
    }

    @Test(dataProvider = "heats")
    public void stripsWithoutAirAreTold(Circuit.Builder circuit, boolean told) {
        assertEquals(
                messages(circuit.build(), "heat-without-fan-wire"),
                told ? List.of("TH calls electric heat, but G isn't landed: strips without air overheat.") : List.of());
    }

    /* ---- what a call brings on ---- */

    /** Each output of a thermostat on a relay of its own, with a machine behind it: heat, cool, air or lamp. */
    private static Circuit calls(Map<String, String> machines) {
        List<String> terminals = new ArrayList<>(List.of("R", "C"));
        terminals.addAll(new TreeSet<>(machines.keySet()));
        boolean pump = machines.containsKey("E");
        Circuit.Builder b = control()
                .part("TH", "thermostat", "unit", "kind", pump ? "heat-pump" : "conventional", "terminals", terminals)
                .part("CMP", "compressor", "unit", "volts", 120.0)
                .part("CAP", "capacitor", "unit")
                .part("AIR", "motor", "unit", "kind", "blower")
                .part("HEAT", "resistive-load", "unit", "volts", 120.0, "watts", 500.0, "kind", "strip")
                .part("LAMP", "lamp", "unit", "volts", 120.0)
                .wire("T1.X1", "TH.R")
                .wire("T1.X2", "TH.C")
                .wire("CMP.R", "M.N")
                .wire("CMP.S", "CAP.HERM")
                .wire("CAP.C", "M.N")
                .wire("AIR.2", "M.N")
                .wire("HEAT.2", "M.N")
                .wire("LAMP.2", "M.N");
        Map<String, String> posts = Map.of("heat", "HEAT.1", "cool", "CMP.C", "air", "AIR.1", "lamp", "LAMP.1");
        machines.forEach((output, machine) -> b.part("K" + output, "relay", "unit")
                .wire("TH." + output, "K" + output + ".A1")
                .wire("K" + output + ".A2", "T1.X2")
                .wire("M.L", "K" + output + ".11")
                .wire("K" + output + ".14", posts.get(machine)));
        return b.build();
    }

    @DataProvider
    public Object[][] wired() {
        return new Object[][] {
            {Map.of("G", "air", "W", "heat", "Y", "cool"), List.of(), List.of()},
            {
                Map.of("G", "heat"),
                List.of("In the call \"Fan on by TH\" HEAT heats."),
                List.of("In the call \"Fan on by TH\" nothing moves air.")
            },
            {Map.of("G", "lamp"), List.of(), List.of("In the call \"Fan on by TH\" nothing moves air.")},
            {
                Map.of("Y", "heat", "G", "air"),
                List.of("In the call \"Cooling by TH\" HEAT heats."),
                List.of("In the call \"Cooling by TH\" nothing cools.")
            },
            {
                Map.of("W", "cool", "G", "air"),
                List.of("In the call \"Heating by TH\" CMP cools."),
                List.of("In the call \"Heating by TH\" nothing heats.")
            },
            {Map.of("W", "lamp", "G", "air"), List.of(), List.of("In the call \"Heating by TH\" nothing heats.")},
            {
                Map.of("E", "cool", "G", "air"),
                List.of("In the call \"Emergency heat by TH\" CMP runs."),
                List.of("In the call \"Emergency heat by TH\" nothing heats.")
            },
            {Map.of("E", "heat", "G", "air"), List.of(), List.of()},
        };
    }

    @Test(dataProvider = "wired")
    public void aCallThatBringsOnTheWrongMachineIsTold(
            Map<String, String> machines, List<String> crossed, List<String> without) {
        Circuit circuit = calls(machines);
        assertEquals(messages(circuit, "call-crossed"), crossed);
        boolean emergency = machines.containsKey("E");
        assertEquals(
                messages(circuit, "call-without-effect").stream()
                        .filter(m -> !emergency || m.contains("Emergency"))
                        .toList(),
                without);
    }

    /* ---- transformers beside each other ---- */

    private static Circuit tied(String... pairs) {
        Circuit.Builder b = control()
                .part("CB", "breaker", "unit")
                .part("T2", "transformer", "unit")
                .wire("M.L", "CB.1")
                .wire("CB.2", "T2.P1")
                .wire("T2.P2", "M.N");
        for (int i = 0; i < pairs.length; i += 2) {
            b.wire(pairs[i], pairs[i + 1]);
        }
        return b.build();
    }

    @Test
    public void tiesAreToldAsWhatTheyAre() {
        Circuit straight = tied("T1.X1", "T2.X1", "T1.X2", "T2.X2");
        assertEquals(messages(straight, "supplies-tied").size(), 1);
        assertEquals(messages(straight, "transformer-pair-reversed"), List.of());
        Circuit once = tied("T1.X1", "T2.X1");
        assertEquals(messages(once, "supplies-tied"), List.of());
        assertEquals(messages(once, "supplies-tied-once").size(), 1);
        Circuit series = tied("T1.X1", "T2.X2");
        assertEquals(messages(series, "supplies-tied-once").size(), 1);
        Circuit commons = tied("T1.X2", "T2.X2");
        assertEquals(messages(commons, "supplies-tied-once"), List.of());
        // both windings on each other with their volts added: a short circuit over both
        Circuit crossed = tied("T1.X1", "T2.X2", "T1.X2", "T2.X1");
        assertEquals(messages(crossed, "supplies-tied-once"), List.of(), "current flows by that");
        assertEquals(messages(crossed, "supplies-tied").size(), 1);
        assertEquals(messages(crossed, "transformer-pair-reversed").size(), 1);
    }

    /** With the breaker off, T2 is fed through both windings: the way is told as a finger would follow it. */
    @Test
    public void theWayBackThroughTwoTransformersIsTold() {
        assertEquals(
                messages(tied("T1.X1", "T2.X1", "T1.X2", "T2.X2"), "fed-backwards"),
                List.of(
                        "With CB off in the state \"Nothing called\" CB.2 is at 117 V to earth, by way of M, w1, T1, w6, T2,"
                                + " w4."));
        assertEquals(messages(tied("T1.X2", "T2.X2"), "fed-backwards"), List.of());
    }

    /* ---- contacts ---- */

    /** A worn contact is told also where there is direct current elsewhere in the circuit. */
    @Test
    public void aContactThatLosesVoltsIsToldBesideDirectCurrent() {
        Circuit.Builder b = control()
                .part("TD", "timer", "unit", "seconds", 6.0)
                .part("GV", "solenoid", "unit", "va", 20.0)
                .wire("T1.X1", "TD.IN")
                .wire("TD.OUT", "GV.1")
                .wire("GV.2", "T1.X2")
                .part("D", "dc-supply", "unit")
                .part("LP", "lamp", "unit")
                .wire("D.+", "LP.1")
                .wire("LP.2", "D.-");
        assertEquals(messages(b.build(), "contact-drop").size(), 1);
    }
}
