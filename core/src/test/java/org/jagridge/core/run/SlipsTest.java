package org.jagridge.core.run;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.demo;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Branch;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What equipment does where one is tempted to simplify: each worked out from the rating plates and the trade's rules. */
public class SlipsTest {
    private static Fault fault(FaultKind kind, Object... details) {
        return Fault.of(kind, details);
    }

    // ---- what line voltage burns

    /** Part, its parameters, which terminal gets L, which N; 120 V on 24 V. */
    @DataProvider
    public Object[][] lowVoltageParts() {
        return new Object[][] {
            {"sequencer", "H1", "H2", Map.of()},
            {"zone-valve", "1", "2", Map.of()},
            {"vent-damper", "D", "C", Map.of()},
            {"vent-damper", "R", "C", Map.of()},
            {"powered-safety", "R", "C", Map.of()},
            {"thermostat", "R", "C", Map.of("power", "common")},
            {"thermostat", "R", "W", Map.of()},
            {"furnace-control", "W", "C", Map.of()},
            {"air-handler-board", "G", "C", Map.of()},
            {"air-handler-board", "X1", "X2", Map.of()},
            {"defrost-control", "R", "C", Map.of()},
            {"defrost-control", "Y", "C", Map.of()},
            {"sharing-module", "R", "C", Map.of()},
            {"remote-module", "R", "C", Map.of()},
            {"remote-module", "DEF", "C", Map.of()},
            {"diagnostic-module", "Y", "C", Map.of()},
            {"fan-centre", "G", "C", Map.of()},
            {"solenoid", "1", "2", Map.of()},
        };
    }

    @Test(dataProvider = "lowVoltageParts")
    public void fiveSecondsOfLineVoltageBurnWhatIsMadeFor24Volts(
            String type, String hot, String ret, Map<String, Object> params) {
        Circuit.Builder b = control();
        Object[] flat = params.entrySet().stream()
                .flatMap(e -> List.of(e.getKey(), e.getValue()).stream())
                .toArray();
        Circuit wired = b.part("X", type, "unit", flat)
                .wire("M.L", "X." + hot)
                .wire("X." + ret, "M.N")
                .build();
        Run run = Simulation.run(wired, during(20).scenario());
        Event burnt = run.events().stream()
                .filter(e -> e.part().equals("X") && e.because().text().contains("burnt out"))
                .findFirst()
                .orElseThrow(() -> new AssertionError(type + " lives: " + run.events()));
        assertEquals(burnt.micros(), 5_000_000, type);
        assertTrue(
                burnt.because().text().contains("120.0 V on 24.0 V"),
                burnt.because().text());
    }

    @Test
    public void aPulledThermostatIsNotThereToBurn() {
        Circuit wired = control()
                .part("X", "thermostat", "unit", "power", "common")
                .wire("M.L", "X.R")
                .wire("X.C", "M.N")
                .build();
        Runs r = Runs.of(wired, during(20).start("X.pulled", true));
        assertFalse(r.at(15, "X").equals("burnt"));
    }

    @Test
    public void aThermopileDoesNotBurnItsOwnValve() {
        Runs r = Runs.of(
                demo("chapel"),
                during(200).start("TH.setCelsius", 30).fault(20, fault(FaultKind.LOAD_OPEN, "part", "GV")));
        assertFalse(r.at(100, "GV").equals("burnt"), r.at(100, "GV"));
    }

    // ---- stopped motors, stalled machines

    @Test
    public void aValveOrDamperWithoutItsMotorStaysWhereItIs() {
        Circuit fed = control()
                .part("VD", "vent-damper", "unit", "powerLoss", "stay")
                .wire("T1.X1", "VD.R")
                .wire("VD.R", "VD.D")
                .wire("VD.C", "T1.X2")
                .build();
        assertEquals(Runs.of(fed, during(60)).at(50, "VD"), "open");
        assertEquals(Runs.of(fed, during(60).fault(load("VD"))).at(50, "VD"), "shut");
        Runs valve = Runs.of(
                demo("student-flat"), during(300).at(5, "PR.heating", "on").fault(load("V3")));
        assertEquals(valve.at(200, "V3"), "hot-water");
    }

    private static Fault load(String part) {
        return fault(FaultKind.LOAD_OPEN, "part", part);
    }

    /** 240 V, 12 A running, 60 A locked: 4 Ω standing; with 10 Ω before it 17 A flow and 69 V are left, so it never turns. */
    @Test
    public void aMachineThatStandsUnderCurrentStandsUntilItsOverloadOpens() {
        Circuit psc = Circuit.builder("PSC")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "split-120-240")
                .part("CMP", "compressor", "unit", "volts", 240.0, "runAmps", 12.0, "startAmps", 3.0)
                .part("CAP", "capacitor", "unit", "form", "single", "microfarads", List.of(40.0))
                .wire("M.L1", "CMP.R")
                .wire("CAP.1", "CMP.R")
                .wire("CAP.2", "CMP.S")
                .wire("CMP.C", "M.L2")
                .build();
        String leg = psc.wires().get(0).id();
        Run run = Simulation.run(
                psc,
                during(60)
                        .fault(fault(FaultKind.WIRE_RESISTIVE, "wire", leg, "ohms", 10.0))
                        .scenario());
        List<String> story = run.events().stream()
                .filter(e -> e.part().equals("CMP"))
                .map(e -> e.micros() / 1_000_000 + " " + e.to())
                .toList();
        assertEquals(story, List.of("8 overload"), "no flips in zero time");
        assertEquals(run.at(1_000_000).signals().get("CMP"), "stalled");
    }

    // ---- unit heater, furnace, programmer, transformer

    @Test
    public void aUnitHeaterNoticesThatItsFlameIsGone() {
        Circuit heater = control()
                .part("UH", "unit-heater", "unit", "call", "line")
                .wire("M.L", "UH.L")
                .wire("UH.N", "M.N")
                .build();
        Fault gone = new Fault(FaultKind.CONDITION, Map.of("part", "UH", "condition", "no-flame"), 300.0, null);
        Run run = Simulation.run(heater, during(400).fault(gone).scenario());
        assertEquals(run.at(299_000_000).signals().get("UH"), "burning");
        assertEquals(run.at(301_000_000).signals().get("UH"), "purge");
        assertEquals(run.at(399_000_000).signals().get("UH"), "lockout");
    }

    @Test
    public void aCoolingCallDuringTheOffDelayGetsItsSpeedAtOnce() {
        Runs r = Runs.of(
                demo("seminar-room"),
                during(700)
                        .start("ROOM.celsius", 17.0)
                        .at(10, "TH.mode", "heat")
                        .at(400, "TH.mode", "off")
                        .at(420, "TH.coolSetCelsius", 10.0)
                        .at(421, "TH.mode", "cool"));
        assertEquals(r.at(410, "BLW"), "MED");
        assertEquals(r.at(425, "BLW"), "HI");
    }

    @Test
    public void aWeldedHotWaterContactDoesNotTouchTheHeating() {
        Runs r = Runs.of(
                demo("student-flat"),
                during(100)
                        .at(5, "PR.heating", "on")
                        .start("RS.setCelsius", 30.0)
                        .fault(fault(FaultKind.CONTACT_WELDED, "part", "PR", "contact", "L-1")));
        assertTrue(r.at(90, "V3").equals("mid") || r.at(90, "V3").equals("heating"), r.at(90, "V3"));
        Frame f = Simulation.run(
                        demo("student-flat"),
                        during(100)
                                .at(5, "PR.hotWater", "on")
                                .fault(fault(FaultKind.CONTACT_WELDED, "part", "PR", "contact", "L-1"))
                                .scenario())
                .at(50_000_000);
        assertFalse(f.conducts(branch(f, "PR", "L-3")), "its own other side can't close");
    }

    private static Branch branch(Frame f, String part, String label) {
        return f.assembly().branchesOf(part).stream()
                .filter(b -> b.label().equals(label))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void aTransformerWithAnOpenWindingIsNotLive() {
        for (String winding : List.of("primary", "secondary")) {
            Run run = Simulation.run(
                    control().build(),
                    during(10)
                            .fault(fault(FaultKind.WINDING_OPEN, "part", "T1", "winding", winding))
                            .scenario());
            assertEquals(run.at(5_000_000).signals().get("T1"), "dead", winding);
            assertTrue(run.problems().isEmpty(), "an open winding that is fed is no back-feed: " + run.problems());
        }
    }

    /** Two transformers with their secondaries tied; one's primary hangs on a switch that is off, with a lamp beside it. */
    @Test
    public void aLampBesideAPrimaryDoesNotHideTheBackFeed() {
        Circuit tied = control()
                .part("T2", "transformer", "unit")
                .part("S2", "switch", "unit")
                .part("LP", "lamp", "unit", "volts", 120.0, "watts", 5.0)
                .wire("M.L", "S2.1")
                .wire("S2.2", "T2.P1")
                .wire("T2.P2", "M.N")
                .wire("LP.1", "T2.P1")
                .wire("LP.2", "T2.P2")
                .wire("T1.X1", "T2.X1")
                .wire("T1.X2", "T2.X2")
                .build();
        Run run = Simulation.run(tied, during(20).at(10, "S2.closed", true).scenario());
        assertEquals(run.problems().size(), 1, run.problems().toString());
        assertEquals(run.problems().get(0).code(), "backfed-transformer");
        assertEquals(run.problems().get(0).parts(), List.of("T2"));
    }

    // ---- the heat pump's defrost

    /** Frost outside: after an hour of running DF defrosts, and tells the thermostat by w29, which then brings on AUX. */
    @Test
    public void theThermostatHearsOfADefrostThroughItsConductor() {
        Circuit cottage = demo("wardens-cottage");
        Scenario frost = Presets.find(cottage, "TH-defrost").orElseThrow().scenario();
        // so that time alone doesn't bring it on before
        Fault patient = fault(FaultKind.WRONG_SETTING, "part", "TH", "param", "stageUpSeconds", "value", 20_000.0);
        Run whole = Simulation.run(cottage, with(frost, patient));
        Event defrost = whole.events().stream()
                .filter(e -> e.part().equals("DF") && "defrost".equals(e.to()))
                .findFirst()
                .orElseThrow();
        assertTrue(gainsAux(whole, defrost.micros()), "told, it brings on the auxiliary heat");
        Scenario broken = with(frost, patient, fault(FaultKind.WIRE_OPEN, "wire", "w29"));
        assertFalse(gainsAux(Simulation.run(cottage, broken), defrost.micros()), "nobody tells it");
    }

    /** Never both but in defrost: then the furnace takes the chill off what the heat pump blows. */
    @Test
    public void inADefrostTheFurnaceRunsWithTheHeatPump() {
        Circuit.Builder b = demo("wardens-cottage").toBuilder();
        b.parts().replaceAll(p -> {
            Map<String, Object> params = new LinkedHashMap<>(p.params());
            params.put("kind", "dual-fuel");
            params.put("changeoverCelsius", -20.0);
            return p.id().equals("TH") ? p.withParams(params) : p;
        });
        Circuit dual = b.build();
        Run run = Simulation.run(
                dual, Presets.find(dual, "TH-defrost").orElseThrow().scenario());
        Event defrost = run.events().stream()
                .filter(e -> e.part().equals("DF") && "defrost".equals(e.to()))
                .findFirst()
                .orElseThrow();
        String before = run.at(defrost.micros() - 1_000_000).signals().get("TH");
        String in = run.at(defrost.micros() + 5_000_000).signals().get("TH");
        assertTrue(before.contains("R-Y") && !before.contains("R-AUX"), before);
        assertTrue(in.contains("R-Y") && in.contains("R-AUX"), in);
    }

    private static Scenario with(Scenario s, Fault... faults) {
        return new Scenario(s.name(), s.start(), s.steps(), List.of(faults), s.untilSeconds());
    }

    private static boolean gainsAux(Run run, long micros) {
        return !run.at(micros - 1_000_000).signals().get("TH").contains("R-AUX")
                && run.at(micros + 5_000_000).signals().get("TH").contains("R-AUX");
    }

    @Test
    public void aCoilSensorThatIsStuckClosedStartsNoDefrostWhileItCools() {
        Runs cooling = Runs.of(
                demo("wardens-cottage"),
                during(5000)
                        .start("ROOM.celsius", 35.0)
                        .start("TH.coolSetCelsius", 5.0)
                        .at(5, "TH.mode", "cool")
                        .fault(fault(FaultKind.STUCK, "part", "CS", "at", "closed")));
        assertEquals(
                cooling.story("DF").stream().filter(s -> s.endsWith("defrost")).count(), 0);
    }

    // ---- a board's own fuse

    @Test
    public void aBoardsOwnFuseThatOpensIsAnEventWithItsCause() {
        Run run = Simulation.run(
                demo("seminar-room"),
                during(100)
                        .fault(new Fault(FaultKind.LINK, Map.of("between", List.of("FC.R", "FC.C")), 10.0, 20.0))
                        .at(50, "FC.replaced", true)
                        .scenario());
        List<Event> fc =
                run.events().stream().filter(e -> e.part().equals("FC")).toList();
        Event blown =
                fc.stream().filter(e -> "fuse-blown".equals(e.to())).findFirst().orElseThrow();
        assertTrue(
                blown.because().text().contains("A through a 3 A fuse"),
                blown.because().text());
        assertEquals(run.at(60_000_000).signals().get("FC"), "idle");
    }

    // ---- causes

    /** White and grey come and go one by one; each move names the one that did, and the last one its spring. */
    @Test
    public void theMidPositionValveNamesTheLifeThatChanged() {
        Circuit bare = Circuit.builder("Valve")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "single-230")
                .part("W", "switch", "unit")
                .part("G", "switch", "unit")
                .part("V", "mid-position-valve", "unit")
                .wire("M.L", "W.1")
                .wire("M.L", "G.1")
                .wire("W.2", "V.WH")
                .wire("G.2", "V.GY")
                .wire("V.N", "M.N")
                .build();
        Run run = Simulation.run(
                bare,
                during(400)
                        .at(10, "W.closed", true)
                        .at(50, "G.closed", true)
                        .at(100, "G.closed", false)
                        .at(150, "G.closed", true)
                        .at(200, "W.closed", false)
                        .at(250, "G.closed", false)
                        .at(300, "G.closed", true)
                        .at(350, "W.closed", true)
                        .scenario());
        List<String> causes = run.events().stream()
                .filter(e -> e.part().equals("V") && "moving".equals(e.to()))
                .map(e -> Math.round(e.micros() / 1e6) + " " + e.because().text())
                .toList();
        // grey alone holds the heating end at 200 and moves nothing at 300; at 350 white comes to a grey that is there
        assertEquals(
                causes,
                List.of(
                        "10 WH–N now 230 V ≥ 160 V",
                        "50 GY–N now 230 V ≥ 160 V",
                        "100 GY–N now 0 V ≤ 160 V",
                        "150 GY–N now 230 V ≥ 160 V",
                        "250 GY–N now 0 V ≤ 160 V: its spring takes it back",
                        "350 WH–N now 230 V ≥ 160 V"));
    }

    /** A series timer that is made lives on what its load draws: with the load switched off it says so. */
    @Test
    public void aTwoWireTimerThatLosesItsHoldingCurrentSaysSo() {
        Circuit series = Circuits.control()
                .part("TD", "timer", "unit", "seconds", 6.0)
                .part("S", "switch", "unit", "rest", "closed")
                .part("K", "relay", "unit")
                .wire("T1.X1", "TD.IN")
                .wire("TD.OUT", "S.1")
                .wire("S.2", "K.A1")
                .wire("K.A2", "T1.X2")
                .build();
        Run run = Simulation.run(series, during(60).at(30, "S.closed", false).scenario());
        Event lost = run.events().stream()
                .filter(e -> e.part().equals("TD") && e.micros() >= 30_000_000L)
                .findFirst()
                .orElseThrow();
        assertEquals(lost.because().text(), "0.0 mA through it: it holds from 5 mA on");
        assertEquals(run.at(20_000_000).signals().get("K"), "in");
    }

    /** 900 Ω of the lockout relay in series with the contactor's coil: its working current, not a back-feed. */
    @Test
    public void aLockoutPullsInThroughTheContactorsCoilAsItIsMeantTo() {
        Run run = Simulation.run(
                demo("cold-store"),
                Presets.find(demo("cold-store"), "HPS-trips").orElseThrow().scenario());
        Event in = run.events().stream()
                .filter(e -> e.part().equals("LR") && "in".equals(e.to()))
                .findFirst()
                .orElseThrow();
        assertTrue(in.path().containsAll(List.of("LR", "CC")), in.path().toString());
        assertFalse(in.backFeed());
    }

    /** 28 V DC through the 40 Ω of a 24 V AC coil are 0.7 A: it burns, and the opener that gives them goes on. */
    @Test
    public void anAcCoilOnTheDirectSignalOfAnOpenerOverheats() {
        Circuit opener = Circuits.control()
                .part("V", "opening", "unit")
                .part("OP", "opener", "unit", "opening", "V", "signal", "dc-always")
                .part("K", "relay", "unit", "coilVolts", 24.0)
                .wire("M.L", "OP.L")
                .wire("OP.N", "M.N")
                .wire("OP.S1", "K.A1")
                .wire("K.A2", "OP.S2")
                .build();
        Run run = Simulation.run(opener, during(3600).scenario());
        Event burnt = run.events().stream()
                .filter(e -> e.part().equals("K") && "burnt".equals(e.to()))
                .findFirst()
                .orElseThrow(() -> new AssertionError(run.events().toString()));
        assertTrue(
                burnt.because().text().contains("direct current"),
                burnt.because().text());
        assertEquals(run.at(3_599_000_000L).signals().get("OP"), "on");
    }

    /** Under the changeover point the furnace heats, and the reason is the weather. */
    @Test
    public void aDualFuelThermostatSaysThatTheOutdoorsDecided() {
        Circuit dual = Circuits.control()
                .part(
                        "TH",
                        "thermostat",
                        "unit",
                        "kind",
                        "dual-fuel",
                        "terminals",
                        List.of("R", "C", "W", "Y", "G", "O", "AUX"),
                        "changeoverCelsius",
                        2.0)
                .part("KW", "relay", "unit")
                .part("KY", "relay", "unit")
                .wire("T1.X1", "TH.R")
                .wire("T1.X2", "TH.C")
                .wire("TH.AUX", "KW.A1")
                .wire("KW.A2", "T1.X2")
                .wire("TH.Y", "KY.A1")
                .wire("KY.A2", "T1.X2")
                .build();
        Run run = Simulation.run(
                dual,
                during(2000)
                        .start("TH.roomCelsius", 17.0)
                        .start("TH.heatSetCelsius", 20.0)
                        .start("TH.outdoorCelsius", 8.0)
                        .at(5, "TH.mode", "heat")
                        .at(900, "TH.outdoorCelsius", -5.0)
                        .scenario());
        assertTrue(
                run.at(600_000_000).signals().get("TH").contains("Y"),
                run.at(600_000_000).signals().toString());
        Event change = run.events().stream()
                .filter(e -> e.part().equals("TH") && e.micros() >= 900_000_000L && !e.isInput())
                .findFirst()
                .orElseThrow();
        assertFalse(change.to().contains("Y"), change.to());
        assertTrue(change.because().text().contains("outdoor"), change.because().text());
    }
}
