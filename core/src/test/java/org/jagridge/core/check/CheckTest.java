package org.jagridge.core.check;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.demo;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.Circuits;
import org.jagridge.core.ReferenceCase;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Each finding in the smallest circuit that earns it, and none in the demo but the expected ones. */
public class CheckTest {
    private static List<String> codes(Circuit circuit) {
        return Check.findings(circuit).stream().map(Finding::code).toList();
    }

    @DataProvider
    public Object[][] wrongCircuits() {
        return new Object[][] {
            {"short-circuit", control().wire("T1.X1", "T1.X2")},
            {
                "short-reachable",
                control().part("S", "switch", "unit").wire("T1.X1", "S.1").wire("S.2", "T1.X2")
            },
            {"open-terminal", control().part("K", "relay", "unit").wire("T1.X1", "K.A1")},
            {
                "safety-bypassed",
                control()
                        .part("LIM", "safety-switch", "unit")
                        .part("K", "relay", "unit")
                        .wire("T1.X1", "LIM.1")
                        .wire("LIM.1", "LIM.2")
                        .wire("LIM.2", "K.A1")
                        .wire("K.A2", "T1.X2")
            },
            {
                "safety-in-return",
                control()
                        .part("LIM", "safety-switch", "unit")
                        .part("K", "relay", "unit")
                        .wire("T1.X1", "K.A1")
                        .wire("K.A2", "LIM.1")
                        .wire("LIM.2", "T1.X2")
            },
            {"timer-out-of-range", control().part("TD", "timer", "unit", "seconds", 900.0)},
            {
                "over-voltage",
                control().part("K", "relay", "unit").wire("M.L", "K.A1").wire("K.A2", "M.N")
            },
            {
                "under-voltage",
                control()
                        .part("K", "relay", "unit", "coilVolts", 120.0)
                        .wire("T1.X1", "K.A1")
                        .wire("K.A2", "T1.X2")
            },
            {
                "two-taps",
                control()
                        .part("FAN", "motor", "unit", "speeds", List.of("HI", "LO"))
                        .wire("M.L", "FAN.HI")
                        .wire("FAN.HI", "FAN.LO")
                        .wire("FAN.COM", "M.N")
            },
            {
                "rectifier-minus-tied",
                control()
                        .part("RF", "rectifier", "unit")
                        .wire("T1.X1", "RF.~1")
                        .wire("T1.X2", "RF.~2")
                        .wire("RF.-", "T1.X2")
            },
            {
                "paralleled-pairs",
                control()
                        .part("H1", "unit-heater", "unit")
                        .part("H2", "unit-heater", "unit")
                        .wire("H1.R", "H2.R")
                        .wire("H1.W", "H2.W")
            },
            {
                "common-missing",
                control()
                        .part("TH", "thermostat", "unit", "terminals", List.of("R", "C", "W"), "power", "common")
                        .wire("T1.X1", "TH.R")
            },
            {
                "both-o-and-b",
                control()
                        .part("TH", "thermostat", "unit", "kind", "heat-pump", "terminals", List.of("R", "O", "B"))
                        .part("RV", "solenoid", "unit")
                        .wire("T1.X1", "TH.R")
                        .wire("TH.O", "RV.1")
                        .wire("TH.B", "RV.1")
                        .wire("RV.2", "T1.X2")
            },
            {
                "b-on-common",
                control()
                        .part("TH", "thermostat", "unit", "kind", "heat-pump", "terminals", List.of("R", "Y", "B"))
                        .wire("T1.X1", "TH.R")
                        .wire("TH.B", "T1.X2")
            },
            {
                "jumper-missing",
                control()
                        .part("TH", "thermostat", "unit", "terminals", List.of("RH", "RC", "W", "Y"))
                        .wire("T1.X1", "TH.RC")
            },
            {"jumper-left", ReferenceCase.load("two-transformers-jumper").circuit().toBuilder()},
            {"supplies-tied-once", ReferenceCase.load("two-transformers-jumper").circuit().toBuilder()},
            {
                "supplies-tied",
                control()
                        .part("T2", "transformer", "unit")
                        .wire("T1.X1", "T2.X1")
                        .wire("T1.X2", "T2.X2")
            },
            {
                "heat-without-fan-wire",
                control()
                        .part("TH", "thermostat", "unit", "heatSource", "electric")
                        .part("K", "contactor", "unit")
                        .wire("T1.X1", "TH.R")
                        .wire("TH.W", "K.A1")
                        .wire("K.A2", "T1.X2")
            },
            {
                "emergency-unserved",
                control()
                        .part("TH", "thermostat", "unit", "kind", "heat-pump", "terminals", List.of("R", "Y", "E"))
                        .wire("T1.X1", "TH.R")
            },
            {
                "timer-setting",
                control()
                        .part("TD", "timer", "unit", "form", "series", "setting", "line")
                        .part("K", "relay", "unit")
                        .wire("T1.X1", "TD.IN")
                        .wire("TD.OUT", "K.A1")
                        .wire("K.A2", "T1.X2")
            },
            {
                "chatter",
                control()
                        .part("K", "relay", "unit")
                        .wire("T1.X1", "K.11")
                        .wire("K.12", "K.A1")
                        .wire("K.A2", "T1.X2")
            },
            {
                "burns-out",
                control().part("LP", "lamp", "unit").wire("M.L", "LP.1").wire("LP.2", "M.N")
            },
            {
                "contact-overloaded",
                control()
                        .part("K", "relay", "unit", "contactAmps", 5.0)
                        .part("H", "resistive-load", "unit", "volts", 120.0, "watts", 1500.0)
                        .wire("T1.X1", "K.A1")
                        .wire("K.A2", "T1.X2")
                        .wire("M.L", "K.11")
                        .wire("K.14", "H.1")
                        .wire("H.2", "M.N")
            },
            {
                "transformer-overloaded",
                control()
                        .part("GV", "solenoid", "unit", "va", 70.0)
                        .wire("T1.X1", "GV.1")
                        .wire("GV.2", "T1.X2")
            },
            {
                "coil-undervolted",
                control()
                        .part("GV", "solenoid", "unit", "va", 28.0)
                        .part("R", "resistive-load", "unit", "volts", 24.0, "watts", 24.0)
                        .part("K", "relay", "unit", "coilVolts", 29.0)
                        .wire("T1.X1", "GV.1")
                        .wire("GV.2", "T1.X2")
                        .wire("T1.X1", "R.1")
                        .wire("R.2", "T1.X2")
                        .wire("T1.X1", "K.A1")
                        .wire("K.A2", "T1.X2")
            },
            {
                "switched-neutral",
                control()
                        .part("S", "switch", "unit")
                        .part("LP", "lamp", "unit", "volts", 120.0)
                        .wire("M.L", "LP.1")
                        .wire("LP.2", "S.1")
                        .wire("S.2", "M.N")
            },
            {"earth-missing", control()},
            {
                "coil-kind",
                control()
                        .part("D", "dc-supply", "unit")
                        .part("K", "relay", "unit")
                        .wire("D.+", "K.A1")
                        .wire("K.A2", "D.-")
            },
            {"timer-setting", control().part("TD", "timer", "unit").wire("M.L", "TD.IN")},
            {
                "transformer-pair-reversed",
                control().part("T2", "transformer", "unit", "reversed", true).wire("T1.X2", "T2.X2")
            },
            {
                "batteries-only",
                control().part("TH", "thermostat", "unit", "power", "either").wire("T1.X1", "TH.R")
            },
            {
                "current-switch-on-dc",
                control()
                        .part("D", "dc-supply", "unit")
                        .part("H", "resistive-load", "unit", "volts", 28.0, "watts", 30.0)
                        .part("CS", "current-switch", "unit", "senses", List.of(Map.of("wire", "w3")))
                        .wire("D.+", "H.1")
                        .wire("H.2", "D.-")
            },
            {
                "contact-drop",
                control()
                        .part("TD", "timer", "unit", "seconds", 6.0)
                        .part("GV", "solenoid", "unit", "va", 20.0)
                        .wire("T1.X1", "TD.IN")
                        .wire("TD.OUT", "GV.1")
                        .wire("GV.2", "T1.X2")
            },
            {
                "fuse-too-large",
                control().part("F1", "fuse", "unit", "amps", 10.0).wire("T1.X1", "F1.1")
            },
            {
                "current-switch-too-few-turns",
                control()
                        .part("FAN", "motor", "unit", "amps", 0.3)
                        .part("CS", "current-switch", "unit", "senses", List.of(Map.of("wire", "w3")))
                        .wire("M.L", "FAN.1")
                        .wire("FAN.2", "M.N")
            },
            {
                "heat-without-air",
                withQuietScenario(control()
                        .part("H", "resistive-load", "unit", "volts", 120.0, "watts", 500.0, "kind", "strip heater")
                        .wire("M.L", "H.1")
                        .wire("H.2", "M.N"))
            },
            {
                "solid-pole",
                control()
                        .part("CC", "contactor", "unit", "poles", List.of("contact", "bar"))
                        .wire("M.L", "CC.L2")
            },
        };
    }

    private static Circuit.Builder withQuietScenario(Circuit.Builder b) {
        b.scenarios().add(Scenario.quiet(120));
        return b;
    }

    @Test(dataProvider = "wrongCircuits")
    public void theFindingIsMadeWithPlaceReasonAndAdvice(String code, Circuit.Builder builder) {
        List<Finding> findings = Check.findings(builder.build());
        Finding f = findings.stream()
                .filter(x -> x.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new AssertionError(code + " is not among " + findings));
        assertFalse(f.parts().isEmpty() && f.wires().isEmpty(), "where");
        assertTrue(f.message().length() > 20 && f.advice().length() > 10, f.toString());
    }

    @Test
    public void lineAndLowVoltageInOneCableIsFound() {
        Circuit.Builder b = control().part("K", "relay", "unit").part("L", "lamp", "unit", "volts", 120.0);
        b.cables().add(new Cable("C1", "unit", "unit", 5.0, null, List.of("red", "black")));
        b.wires().add(core("x1", "T1.X1", "K.A1", "red"));
        b.wires().add(core("x2", "M.L", "L.1", "black"));
        assertTrue(codes(b.build()).contains("mixed-voltage-cable"));
    }

    @Test
    public void aFuseLargerThanItsWireAndAColourUsedTwiceAreFound() {
        Circuit.Builder b = control().part("F1", "fuse", "unit", "amps", 5.0).part("L", "lamp", "unit");
        b.cables().add(new Cable("C1", "unit", "unit", 5.0, null, List.of("red", "red-2")));
        b.wires().add(core("x1", "T1.X1", "F1.1", "red"));
        b.wires()
                .add(new Wire(
                        "x2",
                        Terminal.parse("F1.2"),
                        Terminal.parse("L.1"),
                        "red",
                        ConductorSize.AWG22,
                        1.0,
                        Wire.Run.FIELD,
                        null,
                        null,
                        List.of()));
        assertTrue(
                codes(b.build()).containsAll(List.of("fuse-over-wire", "colour-twice")),
                codes(b.build()).toString());
    }

    /** A colour that changes on the way is told at the splice, or at the wire that was seen with two. */
    @Test
    public void aColourThatChangesOnTheWayIsTold() {
        Circuit.Builder b = control().part("SP", "splice", "unit").part("K", "relay", "unit");
        b.wires().add(coloured("x1", "T1.X1", "SP.1", "red", List.of()));
        b.wires().add(coloured("x2", "SP.2", "K.A1", "brown", List.of()));
        b.wires().add(coloured("x3", "K.A2", "T1.X2", "blue", List.of("blue", "white")));
        List<Finding> told = Check.findings(b.build()).stream()
                .filter(f -> f.code().equals("colour-changes"))
                .toList();
        assertEquals(
                new TreeSet<>(told.stream().map(Finding::message).toList()),
                new TreeSet<>(Set.of(
                        "The colour changes at SP: brown, red.",
                        "x3 is blue at one end and white at the other: there is a splice between.")));
        assertEquals(told.stream().flatMap(f -> f.parts().stream()).toList(), List.of("SP"));
        assertEquals(told.stream().flatMap(f -> f.wires().stream()).toList(), List.of("x3"));
    }

    private static Wire coloured(String id, String from, String to, String colour, List<String> atEnds) {
        return new Wire(
                id, Terminal.parse(from), Terminal.parse(to), colour, null, null, Wire.Run.FIELD, null, null, atEnds);
    }

    private static Wire core(String id, String from, String to, String core) {
        return new Wire(
                id, Terminal.parse(from), Terminal.parse(to), null, null, null, Wire.Run.FIELD, "C1", core, List.of());
    }

    @Test
    public void aTieThatFeedsAUnitBackwardsIsADanger() {
        Circuit c = demo("old-hall");
        Circuit.Builder b = c.toBuilder();
        b.wires().add(Wire.between("j1", Terminal.parse("TH.RC"), Terminal.parse("TH.RH")));
        b.wires().add(Wire.between("j2", Terminal.parse("ZP.C1"), Terminal.parse("TA.X2")));
        b.scenarios().clear();
        b.scenarios().add(new Scenario("Off", Map.of("SWA.closed", false), List.of(), List.of(), 10));
        Finding f = Check.findings(b.build()).stream()
                .filter(x -> x.code().equals("backfed-transformer"))
                .findFirst()
                .orElseThrow();
        assertEquals(f.severity(), Finding.Severity.DANGER);
        assertEquals(f.parts(), List.of("TA"));
    }

    @Test
    public void theDemoOpensWithNoUnexpectedFinding() {
        Map<String, Set<String>> expected = Map.of(
                "seminar-room",
                Set.of("solid-pole", "no-protection"),
                "wardens-cottage",
                Set.of("no-protection"),
                "cold-store",
                Set.of("solid-pole", "option-not-fitted", "no-protection", "restarts-after-power"),
                "old-hall",
                Set.of("colour-twice", "no-protection"));
        for (String slug : Circuits.DEMOS) {
            assertEquals(new TreeSet<>(codes(demo(slug))), new TreeSet<>(expected.getOrDefault(slug, Set.of())), slug);
        }
    }

    @Test
    public void everyCodeIsInTheDocumentAndEveryDocumentedCodeInTheSource() throws Exception {
        String document = Files.readString(Path.of("../docs/findings.md"));
        assertTrue(document.contains(FindingKind.table()), "docs/findings.md wants the table:\n" + FindingKind.table());
    }

    /** Two relays whose opposed contacts lie in the only way: K1's make with K2's rest. No order of parts changes that. */
    @Test
    public void aShortThroughTwoRelaysIsFoundInAnyOrderOfTheParts() {
        for (boolean turned : new boolean[] {false, true}) {
            Circuit.Builder b = control();
            String first = turned ? "K2" : "K1";
            b.part(first, "relay", "unit").part(turned ? "K1" : "K2", "relay", "unit");
            // a dead end that uses K1 the other way round, then the way that is closed with K1 in and K2 out
            b.wire("T1.X1", "K1.12").wire("K1.11", "K2.11").wire("T1.X1", "K2.14");
            b.wire("T1.X1", "K1.14").wire("K2.12", "T1.X2");
            assertTrue(codes(b.build()).contains("short-reachable"), "turned " + turned);
        }
    }

    @Test
    public void oppositeContactsOfOneRelayAreNoShort() {
        Circuit.Builder b = control().part("K1", "relay", "unit", "sets", 2.0);
        b.wire("T1.X1", "K1.11").wire("K1.12", "K1.21").wire("K1.24", "T1.X2");
        assertFalse(codes(b.build()).contains("short-reachable"));
    }

    @Test
    public void aCapacitorRunBlowerIsAirForTheStrips() {
        Circuit.Builder b = control()
                .part("HTR", "resistive-load", "unit", "volts", 120.0, "watts", 900.0, "kind", "strip")
                .wire("M.L", "HTR.1")
                .wire("HTR.2", "M.N");
        b.scenarios().add(Scenario.quiet(300));
        assertTrue(codes(b.build()).contains("heat-without-air"));
        b.part("BLW", "psc-motor", "unit", "volts", 120.0)
                .part("CAP", "capacitor", "unit", "form", "single", "microfarads", 10.0)
                .wire("M.L", "BLW.R")
                .wire("M.L", "CAP.1")
                .wire("CAP.2", "BLW.S")
                .wire("BLW.C", "M.N");
        assertFalse(codes(b.build()).contains("heat-without-air"), "it runs beside the heater");
        Circuit.Builder fan = b.build().toBuilder();
        fan.parts().replaceAll(p -> p.id().equals("BLW") ? p.withParams(Map.of("volts", 120.0, "kind", "fan")) : p);
        assertTrue(codes(fan.build()).contains("heat-without-air"), "a fan outside moves no air past it");
    }

    // ---- dead-proof

    @Test
    public void aCondensingUnitIsDeadOnlyWithItsOwnAndTheIndoorSupplyOpen() {
        DeadProof.Sheet sheet = DeadProof.of(demo("seminar-room"), "outdoor");
        assertTrue(sheet.dead());
        assertEquals(inputs(sheet), List.of("SW.closed", "MO.on"));
        assertEquals(sheet.discharge(), List.of("CAP"));
        assertTrue(
                sheet.points().contains(Terminal.parse("CC.A1")), sheet.points().toString());
    }

    private static List<String> inputs(DeadProof.Sheet sheet) {
        return sheet.open().stream().map(DeadProof.Isolator::input).toList();
    }

    @Test
    public void tiedTransformersMakeBothSuppliesANeed() {
        Circuit.Builder b = demo("old-hall").toBuilder();
        assertEquals(inputs(DeadProof.of(b.build(), "loft")), List.of("MA.on"));
        b.wires().add(Wire.between("j1", Terminal.parse("TH.RC"), Terminal.parse("TH.RH")));
        List<String> tied = inputs(DeadProof.of(b.build(), "loft"));
        assertTrue(tied.contains("MA.on") && (tied.contains("SWB.closed") || tied.contains("MB.on")), tied.toString());
    }

    @Test
    public void oneSupplyIsFewerThanTwoBreakersBehindIt() {
        Circuit c = control()
                .part("B1", "breaker", "unit")
                .part("B2", "breaker", "unit")
                .part("H1", "resistive-load", "unit", "volts", 120.0)
                .part("H2", "resistive-load", "unit", "volts", 120.0)
                .wire("M.L", "B1.1")
                .wire("B1.2", "H1.1")
                .wire("H1.2", "M.N")
                .wire("M.L", "B2.1")
                .wire("B2.2", "H2.1")
                .wire("H2.2", "M.N")
                .build();
        Circuit.Builder apart = c.toBuilder();
        apart.places().add(new Place("panel", "Panel", Place.Access.PANEL));
        apart.parts()
                .replaceAll(p ->
                        p.id().equals("M") || p.id().startsWith("B") || p.id().equals("T1") ? p.withPlace("panel") : p);
        assertEquals(inputs(DeadProof.of(apart.build(), "unit")), List.of("M.on"));
    }

    /** Nothing opens a pilot flame: what its thermopiles give is left, and from a volt on the answer is not "dead". */
    @Test
    public void aPlaceWithAVoltLeftIsNotDeadWhateverIsOpened() {
        Circuit.Builder one = control().part("TP1", "thermopile", "unit").wire("TP1.-", "unit.PE");
        DeadProof.Sheet dead = DeadProof.of(one.build(), "unit");
        assertTrue(dead.dead(), dead.worstVolts() + " V");
        assertEquals(dead.worstVolts(), 0.75, 0.01);
        Circuit.Builder two = control()
                .part("TP1", "thermopile", "unit")
                .part("TP2", "thermopile", "unit")
                .wire("TP1.-", "unit.PE")
                .wire("TP1.+", "TP2.-");
        DeadProof.Sheet alive = DeadProof.of(two.build(), "unit");
        assertFalse(alive.dead());
        assertEquals(alive.worstVolts(), 1.5, 0.02);
        assertEquals(alive.routes(), List.of());
    }

    /** Direct current bites too: with the supply off, the cells behind a rectifier's loop still stand there. */
    @Test
    public void batteriesAreOpenedOnTopOfTheSupply() {
        Circuit c = control()
                .part("BT", "battery", "unit", "volts", 48.0)
                .part("LP", "lamp", "unit", "volts", 48.0)
                .wire("BT.+", "LP.1")
                .wire("LP.2", "BT.-")
                .wire("BT.-", "unit.PE")
                .build();
        DeadProof.Sheet sheet = DeadProof.of(c, "unit");
        assertEquals(inputs(sheet), List.of("M.on", "BT.state"));
        assertTrue(sheet.dead(), sheet.worstVolts() + " V");
    }

    @Test
    public void anOpenersSignalIsDeadWithItsMains() {
        Circuit c = control()
                .part("O", "opener", "unit", "signal", "dc-always")
                .wire("M.L", "O.L")
                .wire("O.N", "M.N")
                .build();
        DeadProof.Sheet sheet = DeadProof.of(c, "unit");
        assertTrue(sheet.dead());
        assertEquals(inputs(sheet), List.of("M.on"));
    }

    /** What has no breaker of its own is made dead by pulling its plug or taking its batteries out. */
    @Test
    public void aPlugIsPulledAndBatteriesAreTakenOut() {
        Circuit plugged = Circuit.builder("plugged")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("PS", "plug-supply", "unit")
                .part("LP", "lamp", "unit")
                .wire("PS.X1", "LP.1")
                .wire("LP.2", "PS.X2")
                .build();
        DeadProof.Isolator pull = DeadProof.of(plugged, "unit").open().get(0);
        assertEquals(pull.input(), "PS.plugged");
        assertTrue(pull.words().endsWith("unplug"), pull.words());
        Circuit battery = Circuit.builder("battery")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("BT", "battery", "unit")
                .part("LP", "lamp", "unit", "volts", 3.0)
                .wire("BT.+", "LP.1")
                .wire("LP.2", "BT.-")
                .build();
        DeadProof.Sheet sheet = DeadProof.of(battery, "unit");
        assertEquals(inputs(sheet), List.of("BT.state"));
        assertTrue(sheet.open().get(0).words().endsWith("take out"), sheet.toString());
    }

    @Test
    public void aWireThatIsThereTwiceIsNoted() {
        Circuit demo = Circuits.demo("chapel");
        assertFalse(Check.findings(demo).stream().anyMatch(f -> f.code().equals("wire-twice")));
        Circuit.Builder b = demo.toBuilder();
        Wire first = demo.wires().get(0);
        b.wires().add(Wire.between("w99", first.to(), first.from()));
        assertTrue(Check.findings(b.build()).stream()
                .anyMatch(f -> f.code().equals("wire-twice") && f.message().contains("w99 joins")));
    }
}
