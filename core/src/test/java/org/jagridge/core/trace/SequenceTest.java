package org.jagridge.core.trace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Sequences of operation, step by step in order and time, as the equipment's books tell them. */
public class SequenceTest {
    private static Run run(String slug, String preset) {
        Circuit circuit = Circuits.demo(slug);
        return Simulation.run(
                circuit, Presets.find(circuit, preset).orElseThrow().scenario());
    }

    /** "5.0 TH closes RH–W" for each step of each group, seconds to a tenth. */
    private static List<String> told(Run run) {
        List<String> told = new ArrayList<>();
        for (Sequence.Group g : Sequence.of(run)) {
            told.add("[" + g.title() + "]");
            g.steps().forEach(s -> told.add(Math.round(s.micros() / 1e5) / 10.0 + " " + s.title()));
        }
        return told;
    }

    @DataProvider
    public Object[][] sequences() {
        return new Object[][] {
            {
                "seminar-room",
                "TH-heat",
                List.of(
                        "[TH mode: heat]",
                        "5.0 TH closes RH–W",
                        "5.0 FC purge",
                        "5.0 IND on",
                        "7.0 PS closed",
                        "22.0 FC igniter",
                        "22.0 IGN on",
                        "39.0 FC trial",
                        "39.0 GV on",
                        "43.0 FC heating",
                        "43.0 IGN off",
                        "73.0 BLW MED")
            },
            {
                "wardens-cottage",
                "TH-cool",
                List.of(
                        "[TH mode: cool]",
                        "5.0 TH closes R–Y and R–O and R–G",
                        "5.0 RM closes R–Y and R–O",
                        "5.0 DF running",
                        "5.0 RV on",
                        "5.0 AH on",
                        "5.0 BLW on",
                        "5.0 CC in",
                        "5.3 CMP running",
                        "5.3 OF running")
            },
            {
                "wardens-cottage",
                "TH-heat",
                List.of(
                        "[TH mode: heat]",
                        "5.0 TH closes R–Y and R–G",
                        "5.0 RM closes R–Y",
                        "5.0 DF running",
                        "5.0 AH on",
                        "5.0 BLW on",
                        "5.0 CC in",
                        "5.3 CMP running",
                        "5.3 OF running")
            },
            {
                "wardens-cottage",
                "TH-emergency",
                List.of(
                        "[TH mode: emergency]",
                        "5.0 TH closes R–G and R–AUX",
                        "5.0 AH on",
                        "5.0 BLW on",
                        "5.0 HC in",
                        "5.0 HTR on",
                        "[TH mode: off]",
                        "605.0 TH opens R–G and R–AUX",
                        "605.0 HC out",
                        "605.0 HTR off",
                        "635.0 AH off",
                        "635.0 BLW off")
            },
            {
                "cold-store",
                "LPS-trips",
                List.of(
                        "[TH set: 10 °C]",
                        "5.0 TH closed",
                        "5.0 KF in",
                        "5.0 CSW closed",
                        "5.0 TD timing",
                        "5.3 EF running",
                        "185.0 TD made",
                        "185.1 CC in",
                        "185.4 CMP running",
                        "185.4 OF running",
                        "[LPS tripped: yes]",
                        "305.0 LPS open",
                        "305.0 LR in",
                        "305.0 CC out",
                        "305.0 CMP off",
                        "305.0 OF off",
                        "305.0 LMP on",
                        "[LPS tripped: no]",
                        "465.0 LPS closed")
            },
            {
                "chapel",
                "TH-heat",
                List.of(
                        "[TH set: 30 °C]",
                        "5.0 TH closed",
                        "5.0 GV on",
                        "[TH set: 5 °C]",
                        "605.0 TH open",
                        "605.0 GV off")
            },
            {
                "student-flat",
                "PR-heating-by-the-programmer",
                List.of(
                        "[PR heating: on]",
                        "5.0 PR heating",
                        "5.0 V3 moving",
                        "20.0 V3 heating",
                        "20.0 BOI on",
                        "20.0 PUMP on")
            },
            {
                "wardens-cottage",
                "TH-aux",
                List.of(
                        "[TH mode: heat]",
                        "5.0 TH closes R–Y and R–G and R–AUX",
                        "5.0 RM closes R–Y",
                        "5.0 DF running",
                        "5.0 AH on",
                        "5.0 BLW on",
                        "5.0 HC in",
                        "5.0 CC in",
                        "5.0 HTR on",
                        "5.3 CMP running",
                        "5.3 OF running")
            },
            {
                "old-hall",
                "TH-heat",
                List.of(
                        "[TH mode: heat]",
                        "5.0 TH closes RH–W",
                        "5.0 ZP 1",
                        "5.0 VD moving",
                        "5.0 P1 on",
                        "5.0 FC in",
                        "5.0 CIRC on",
                        "20.0 VD open",
                        "20.0 GV on",
                        "[TH mode: off]",
                        "605.0 TH opens RH–W",
                        "605.0 ZP none",
                        "605.0 VD moving",
                        "605.0 GV off",
                        "605.0 P1 off",
                        "605.0 FC out",
                        "605.0 CIRC off",
                        "620.0 VD shut")
            }
        };
    }

    @Test(dataProvider = "sequences")
    public void theStepsComeInOrderAndTime(String slug, String preset, List<String> expected) {
        List<String> told = told(run(slug, preset));
        assertEquals(told.subList(0, Math.min(told.size(), expected.size())), expected);
    }

    @Test
    public void aDefrostTurnsTheValveStopsTheOutdoorFanAndBringsTheStripsUntilTheCoilIsWarm() {
        List<String> told = told(run("wardens-cottage", "TH-defrost"));
        int begins = told.indexOf("3605.0 DF defrost");
        assertTrue(begins > 0, told.toString());
        assertEquals(told.subList(begins, begins + 3), List.of("3605.0 DF defrost", "3605.0 RV on", "3605.0 OF off"));
        List<String> ends = told.subList(begins + 3, told.size());
        assertEquals(ends.get(0), "[CS: coil 13.0 °C]");
        assertTrue(ends.get(1).endsWith("CS open"), ends.toString());
        assertTrue(ends.get(2).endsWith("DF running"));
        assertTrue(ends.get(3).endsWith("RV off"));
        assertTrue(ends.get(4).endsWith("OF running"));
    }

    @Test
    public void theLimitShutsTheGasAndTheFurnaceLightsAgainWhenItHasCooled() {
        List<String> told = told(run("seminar-room", "LIM-trips"));
        int trips = told.indexOf("[LIM tripped: yes]");
        assertEquals(
                told.subList(trips + 1, trips + 5),
                List.of("305.0 LIM open", "305.0 FC limit", "305.0 IND off", "305.0 GV off"));
        int cooled = told.indexOf("[LIM tripped: no]");
        assertEquals(
                told.subList(cooled + 1, cooled + 4), List.of("525.0 LIM closed", "525.0 FC idle", "525.0 FC purge"));
        assertTrue(told.contains("563.0 FC heating"), told.toString());
    }

    @DataProvider
    public Object[][] boilerSafeties() {
        return new Object[][] {
            {"LWC-trips", "LWC", "[LWC tripped: no]"},
            {"SPILL-trips", "SPILL", "[SPILL tripped: no, SPILL reset: yes]"},
            {"RO-trips", "RO", "[RO tripped: no, RO reset: yes]"}
        };
    }

    /** Each of the boiler's safeties shuts the gas at once; back, the damper must be open before the gas comes. */
    @Test(dataProvider = "boilerSafeties")
    public void aSafetyOfTheBoilerShutsGasAndDamperAndTheDamperOpensBeforeTheGasComesBack(
            String preset, String safety, String mended) {
        List<String> told = told(run("old-hall", preset));
        int trips = told.indexOf("[" + safety + " tripped: yes]");
        assertEquals(
                told.subList(trips + 1, trips + 5),
                List.of("305.0 " + safety + " open", "305.0 VD moving", "305.0 GV off", "320.0 VD shut"));
        int back = told.indexOf(mended);
        assertEquals(
                told.subList(back + 1, back + 5),
                List.of("405.0 " + safety + " closed", "405.0 VD moving", "420.0 VD open", "420.0 GV on"));
    }

    /** Locked out until the feed of the lockout relay is lost: the safety that closes again changes nothing. */
    @Test
    public void aLockoutHoldsUntilTheCallIsTakenAwayAndGivenAgain() {
        List<String> told = told(run("cold-store", "HPS-trips"));
        int closed = told.indexOf("[HPS tripped: no]");
        assertEquals(told.subList(closed + 1, closed + 3), List.of("495.0 HPS closed", "[TH set: 30 °C]"));
        assertTrue(told.indexOf("605.0 LR out") > closed, told.toString());
        assertTrue(told.indexOf("885.4 CMP running") > closed, told.toString());
    }

    /** Back with the pressures still apart, a compressor can't start: its overload opens. Its timer prevents that. */
    @Test
    public void afterAShortLossOfPowerTheCompressorStallsAndTheStripsDoNotCome() {
        List<String> told = told(run("wardens-cottage", "power-failure"));
        int back = told.indexOf("[M on: yes, MO on: yes]");
        assertEquals(told.subList(back + 1, back + 4), List.of("551.0 M on", "551.0 MO on", "551.0 T1 live"));
        assertTrue(told.contains("551.0 CMP stalled") && told.contains("559.0 CMP overload"), told.toString());
    }

    /** A trip comes when the burner and its blower run, and is told until the furnace has lit again. */
    @Test
    public void aTripIsToldUntilAllHasComeBack() {
        List<String> told = told(run("seminar-room", "LIM-trips"));
        int trip = told.indexOf("[LIM tripped: yes]");
        assertTrue(told.indexOf("73.0 BLW MED") < trip && trip > 0, told.toString());
        List<String> after = told.subList(told.indexOf("[LIM tripped: no]"), told.size());
        assertTrue(after.stream().anyMatch(e -> e.endsWith("FC heating")), after.toString());
        assertTrue(after.stream().anyMatch(e -> e.endsWith("BLW MED")), after.toString());
    }

    /** Nothing is on TH.Y any more: cooling is no call of this circuit, nor is a changeover. */
    @Test
    public void whatIsNotLandedIsNoCall() {
        Circuit.Builder b = Circuits.demo("seminar-room").toBuilder();
        b.wires()
                .removeIf(w ->
                        w.from().toString().equals("TH.Y") || w.to().toString().equals("TH.Y"));
        List<String> keys =
                Presets.of(b.build()).stream().map(Presets.Preset::key).toList();
        assertTrue(keys.contains("TH-heat"), keys.toString());
        assertTrue(!keys.contains("TH-cool") && !keys.contains("TH-changeover"), keys.toString());
    }

    /** A cold day of the heat pump: what the room does begins a chapter, and most chapters tell what was told before. */
    @Test
    public void aDayOfHundredsOfEventsIsAFewStoriesOverAndOver() {
        Run day = Simulation.run(
                Circuits.demo("wardens-cottage"),
                new Scenario("A day", Map.of("TH.mode", "heat", "OUT.celsius", -3.0), List.of(), List.of(), 86_400));
        assertTrue(day.events().size() > 500, day.events().size() + " events");
        List<Sequence.Group> told = Sequence.of(day);
        List<Sequence.Group> first = told.stream().filter(g -> g.like() < 0).toList();
        assertTrue(told.size() > 40 && first.size() < 14, told.size() + " chapters, " + first.size() + " told first");
        for (Sequence.Group g : told) {
            if (g.like() >= 0) {
                assertEquals(titles(g), titles(told.get(g.like())));
                assertTrue(told.get(g.like()).micros() < g.micros());
            }
        }
        assertTrue(told.stream()
                .anyMatch(g -> g.title().matches("TH: mode heat, room 19\\.4 °C ≤ set 20\\.0 °C − 0\\.6 K")));
        assertEquals(
                told.stream().mapToInt(g -> g.steps().size()).sum(),
                day.events().stream().filter(e -> !e.isInput()).count());
    }

    private static List<String> titles(Sequence.Group g) {
        return g.steps().stream().map(Sequence.Step::title).toList();
    }

    @Test
    public void aVentThatLeavesItsSeatStopsTheHeaterAtOnceAndLetsItBackOnlyShut() {
        List<String> told = told(run("propagation-house", "V1-opens"));
        int opens = told.indexOf("[V1 target: open]");
        assertEquals(
                told.subList(opens + 1, opens + 5),
                List.of("305.0 V1 moving", "305.0 LS1 free", "305.0 KN out", "305.0 TUBE off"));
        int shuts = told.indexOf("[V1 target: shut]");
        assertEquals(
                told.subList(shuts + 1, shuts + 6),
                List.of("405.0 V1 moving", "445.0 V1 shut", "445.0 LS1 actuated", "445.0 KN in", "445.0 TUBE purge"));
    }

    @Test
    public void theBoilerFiresOnlyAfterTheDamperIsOpen() {
        List<String> told = told(run("old-hall", "TH-heat"));
        int damper = indexOf(told, "VD open");
        int gas = indexOf(told, "GV on");
        assertTrue(indexOf(told, "VD moving") < damper && damper < gas, told.toString());
    }

    private static int indexOf(List<String> told, String words) {
        for (int i = 0; i < told.size(); i++) {
            if (told.get(i).endsWith(words)) {
                return i;
            }
        }
        throw new AssertionError(words + " is not in " + told);
    }

    @Test
    public void aStepSaysHowLongAfterItsCauseItComesAndWhatItAllows() {
        List<Sequence.Step> steps =
                Sequence.of(run("seminar-room", "TH-heat")).get(0).steps();
        Sequence.Step proved = steps.get(3);
        assertEquals(proved.title(), "PS closed");
        assertEquals(proved.after(), "2 s after IND on");
        Sequence.Step igniter = steps.get(4);
        assertEquals(igniter.after(), "15 s after PS closed");
        assertEquals(igniter.enables(), List.of("IGN on", "FC trial"));
        Sequence.Step blower = steps.get(10);
        assertEquals(blower.title(), "BLW MED");
        assertEquals(blower.after(), "30 s after FC heating");
        assertTrue(
                steps.get(7).path().containsAll(List.of("T1", "FC", "GV")),
                steps.get(7).path().toString());
    }

    @DataProvider
    public Object[][] causes() {
        return new Object[][] {
            {"TH output W", Fault.of(FaultKind.OUTPUT_DEAD, "part", "TH", "output", "W"), "FC purge"},
            {"the inducer", Fault.of(FaultKind.LOAD_OPEN, "part", "IND"), "PS closed"},
            {"the pressure switch", Fault.of(FaultKind.CONTACT_OPEN, "part", "PS", "contact", "1-2"), "FC igniter"},
            {"the igniter", Fault.of(FaultKind.LOAD_OPEN, "part", "IGN"), "FC heating"},
            {"the gas valve", Fault.of(FaultKind.LOAD_OPEN, "part", "GV"), "FC heating"},
            {"the limit", Fault.of(FaultKind.CONTACT_OPEN, "part", "LIM", "contact", "1-2"), "GV on"}
        };
    }

    /** What a step is said to come of is what it comes of: without it, it doesn't come. */
    @Test(dataProvider = "causes")
    public void withoutItsCauseAStepVanishes(String cause, Fault fault, String step) {
        Circuit circuit = Circuits.demo("seminar-room");
        Scenario sound = Presets.find(circuit, "TH-heat").orElseThrow().scenario();
        Scenario faulty = with(sound, fault);
        assertTrue(told(Simulation.run(circuit, sound)).stream().anyMatch(t -> t.endsWith(step)));
        assertFalse(
                told(Simulation.run(circuit, faulty)).stream().anyMatch(t -> t.endsWith(" " + step)),
                "without " + cause);
    }

    /** The same for every call of every demo and every fault of the one part that is named as a step's cause. */
    @Test(dataProvider = "demos")
    public void ifTheOneCauseOfAStepDoesNotComeNeitherDoesTheStep(String slug) {
        Circuit circuit = Circuits.demo(slug);
        List<Fault> faults = FaultList.faultsOf(circuit).stream()
                .filter(f -> f.part() != null && TAKES_AWAY.contains(f.kind()))
                .toList();
        int tried = 0;
        for (Presets.Preset p : Presets.of(circuit)) {
            if (!p.call()) {
                continue;
            }
            Run sound = Simulation.run(circuit, p.scenario());
            for (Fault fault : faults) {
                List<Event> effects = sound.events().stream()
                        .filter(e -> !e.isInput() && e.causes().size() == 1)
                        .filter(e -> cause(sound, e).part().equals(fault.part()))
                        .filter(e -> !e.part().equals(fault.part()))
                        .toList();
                if (effects.isEmpty()) {
                    continue;
                }
                Run faulty = Simulation.run(circuit, with(p.scenario(), fault));
                for (Event e : effects) {
                    if (!moves(faulty, cause(sound, e)) || opensTheOnlyContact(circuit, fault, e)) {
                        tried++;
                        assertFalse(
                                happens(faulty, e),
                                p.name() + ", " + fault.words() + ": " + e.part() + " " + e.to() + " at " + e.micros());
                    }
                }
            }
        }
        assertTrue(tried > 0, "nothing tried");
    }

    private static final Set<FaultKind> TAKES_AWAY = Set.of(
            FaultKind.COIL_OPEN,
            FaultKind.CONTACT_OPEN,
            FaultKind.LOAD_OPEN,
            FaultKind.OUTPUT_DEAD,
            FaultKind.WINDING_OPEN);

    /** Whether the fault opens the one contact of a part that the current of an effect passes. */
    private static boolean opensTheOnlyContact(Circuit circuit, Fault fault, Event effect) {
        return fault.kind() == FaultKind.CONTACT_OPEN
                && effect.path().contains(fault.part())
                && Lanes.isActive(circuit, effect)
                && Assembly.of(circuit).branchesOf(fault.part()).stream()
                                .filter(b -> b.role() == Role.CONTACT)
                                .count()
                        == 1;
    }

    private static Event cause(Run run, Event e) {
        return run.events().get(e.causes().get(0));
    }

    /** Whether the part of an event does anything at all at its time: a thermostat short of one output still closes the others. */
    private static boolean moves(Run run, Event event) {
        return run.events().stream()
                .anyMatch(e -> e.micros() == event.micros() && e.part().equals(event.part()));
    }

    private static boolean happens(Run run, Event event) {
        return run.events().stream()
                .anyMatch(e ->
                        e.micros() == event.micros() && e.signal().equals(event.signal()) && e.to().equals(event.to()));
    }

    private static Scenario with(Scenario s, Fault fault) {
        return new Scenario(s.name(), s.start(), s.steps(), List.of(fault), s.untilSeconds());
    }

    @Test
    public void theStartUpChainGoesFromTheSupplyOverTheTransformerToTheThermostat() {
        Run run = run("lab-bench", "TH-fan");
        List<String> words = Sequence.startUp(run.frames().get(0)).stream()
                .map(Sequence.Link::words)
                .toList();
        assertTrue(words.get(0).startsWith("M gives 120 V at L1–N"), words.toString());
        assertTrue(words.stream().anyMatch(w -> w.startsWith("T1 takes 240 V")), words.toString());
        assertTrue(words.get(words.size() - 1).matches("TH has 26\\.\\d V at R–C"), words.toString());
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void everyPresetOfEveryDemoRunsAndDoesSomething(String slug) {
        Circuit circuit = Circuits.demo(slug);
        List<Presets.Preset> presets = Presets.of(circuit);
        assertTrue(presets.size() >= 2, slug);
        assertEquals(presets.stream().map(Presets.Preset::key).distinct().count(), presets.size());
        for (Presets.Preset p : presets) {
            Run run = Simulation.run(circuit, p.scenario());
            assertTrue(run.problems().isEmpty(), p.name() + ": " + run.problems());
            assertTrue(
                    Sequence.of(run).stream().anyMatch(g -> !g.steps().isEmpty()),
                    p.name() + " of " + slug + " does nothing");
        }
    }

    private static Map<String, Set<String>> working(Circuit circuit) {
        ModeTable table = ModeTable.of(circuit);
        Map<String, Set<String>> works = new LinkedHashMap<>();
        for (ModeTable.Row r : table.rows()) {
            Set<String> on = new TreeSet<>();
            for (int i = 0; i < table.loads().size(); i++) {
                if (r.cells().get(i).works()) {
                    on.add(table.loads().get(i));
                }
            }
            works.put(r.call().name(), on);
        }
        return works;
    }

    @Test
    public void theModeTableOfTheHeatPumpIsTheOneOnTheBoard() {
        Map<String, Set<String>> works = working(Circuits.demo("wardens-cottage"));
        assertEquals(works.get("Fan on"), Set.of("AH", "BLW"));
        assertEquals(works.get("Cooling"), Set.of("AH", "BLW", "CC", "CMP", "OF", "RV"));
        assertEquals(works.get("Heating, first stage"), Set.of("AH", "BLW", "CC", "CMP", "OF"));
        assertEquals(works.get("Auxiliary heat"), Set.of("AH", "BLW", "CC", "CMP", "OF", "HC", "HTR"));
        assertEquals(works.get("Emergency heat"), Set.of("AH", "BLW", "HC", "HTR"));
    }

    /** The same heat pump with a valve for B, driven in heating: right with a B thermostat, wrong with an O one. */
    private static Circuit heatPump(String terminal) {
        return Circuits.control()
                .part(
                        "TH",
                        "thermostat",
                        "unit",
                        "kind",
                        "heat-pump",
                        "terminals",
                        List.of("R", "C", "Y", "G", terminal))
                .part("RV", "solenoid", "unit", "kind", "reversing valve")
                .part("CC", "contactor", "unit")
                .wire("T1.X1", "TH.R")
                .wire("TH.C", "T1.X2")
                .wire("TH." + terminal, "RV.1")
                .wire("RV.2", "T1.X2")
                .wire("TH.Y", "CC.A1")
                .wire("CC.A2", "T1.X2")
                .build();
    }

    @Test
    public void oIsOnToCoolAndBIsOnToHeatAndTheWrongOneShowsInTheComparison() {
        Map<String, Set<String>> o = working(heatPump("O"));
        Map<String, Set<String>> b = working(heatPump("B"));
        assertEquals(o.get("Cooling"), Set.of("CC", "RV"));
        assertEquals(o.get("Heating, first stage"), Set.of("CC"));
        assertEquals(b.get("Cooling"), Set.of("CC"));
        assertEquals(b.get("Heating, first stage"), Set.of("CC", "RV"));

        Circuit right = heatPump("O");
        Circuit wrong = heatPump("B");
        Scenario cool = Presets.find(right, "TH-cool").orElseThrow().scenario();
        List<Comparison.Row> rows = Comparison.of(Simulation.run(right, cool), Simulation.run(wrong, cool));
        assertTrue(rows.stream()
                .anyMatch(r ->
                        r.kind() == Comparison.Kind.ONLY_BEFORE && r.title().equals("RV on")));
        assertTrue(Comparison.firstDifference(rows) > 0);
    }

    /** The cottage with a thermostat for B: right with a valve that heats energised, wrong with one that cools. */
    private static Circuit cottageForB(boolean valveToo) {
        Circuit.Builder b = Circuits.demo("wardens-cottage").toBuilder();
        set(b, "TH", "terminals", List.of("R", "Y", "B", "G", "AUX"));
        set(b, "RM", "outputs", List.of("Y", "B"));
        set(b, "DF", "valve", "B");
        if (valveToo) {
            set(b, "RV", "energised", "heats");
        }
        b.wires()
                .replaceAll(w -> w.from().toString().equals("RM.O")
                        ? w.withEnd(0, Terminal.parse("RM.B")).withEnd(1, Terminal.parse("DF.B"))
                        : w);
        return b.build();
    }

    private static void set(Circuit.Builder b, String part, String param, Object value) {
        b.parts().replaceAll(p -> {
            Map<String, Object> params = new LinkedHashMap<>(p.params());
            params.put(param, value);
            return p.id().equals(part) ? p.withParams(params) : p;
        });
    }

    private static Map<String, ModeTable.Row> modes(Circuit circuit) {
        return ModeTable.of(circuit).rows().stream()
                .collect(Collectors.toMap(r -> r.call().key(), r -> r));
    }

    /** The valve travels to its place first; what counts is where it stays. The boiler has a column of its own. */
    @Test
    public void theModeTableShowsWhatHasSettled() {
        ModeTable table = ModeTable.of(Circuits.demo("student-flat"));
        ModeTable.Row both = table.rows().stream()
                .filter(r -> r.call().key().equals("PR-hot-water-and-heating"))
                .findFirst()
                .orElseThrow();
        assertEquals(both.cells().get(table.loads().indexOf("V3")).value(), "mid");
        assertTrue(
                table.loads().stream()
                        .anyMatch(id -> PartTypes.is(
                                Circuits.demo("student-flat").part(id).orElseThrow(), Trait.HEAT_SOURCE)),
                table.loads().toString());
        Map<String, ModeTable.Row> furnace = modes(Circuits.demo("seminar-room"));
        List<String> loads = ModeTable.of(Circuits.demo("seminar-room")).loads();
        assertEquals(furnace.get("TH-cool").cells().get(loads.indexOf("BLW")).value(), "HI");
        assertEquals(furnace.get("TH-heat").cells().get(loads.indexOf("BLW")).value(), "MED");
    }

    @Test
    public void aThermostatWithASharingConductorOffersAllItsCalls() {
        Circuit sharing = Circuits.control()
                .part("TH", "thermostat", "unit", "terminals", List.of("R", "C", "W", "SH"))
                .build();
        assertEquals(
                PartTypes.callsOf(sharing.part("TH").orElseThrow()).stream()
                        .map(Call::key)
                        .toList(),
                List.of("fan", "cool", "heat"));
    }

    @Test
    public void theHeatPumpCoolsOnACoolingCallWithOAndWithBAndHeatsWhereTheyAreMixedUp() {
        for (Circuit right : List.of(Circuits.demo("wardens-cottage"), cottageForB(true))) {
            Map<String, ModeTable.Row> modes = modes(right);
            assertEquals(modes.get("TH-cool").air(), org.jagridge.core.run.Effect.Air.COOLS);
            assertEquals(modes.get("TH-heat").air(), org.jagridge.core.run.Effect.Air.HEATS);
            assertEquals(modes.get("TH-aux").air(), org.jagridge.core.run.Effect.Air.HEATS);
            assertEquals(modes.get("TH-emergency").air(), org.jagridge.core.run.Effect.Air.NOTHING);
            assertFalse(modes.values().stream().anyMatch(ModeTable.Row::isWrong));
        }
        Map<String, ModeTable.Row> wrong = modes(cottageForB(false));
        assertEquals(wrong.get("TH-cool").air(), org.jagridge.core.run.Effect.Air.HEATS);
        assertEquals(wrong.get("TH-heat").air(), org.jagridge.core.run.Effect.Air.COOLS);
        assertTrue(wrong.get("TH-cool").isWrong() && wrong.get("TH-heat").isWrong());
        assertEquals(ModeTable.of(Circuits.demo("seminar-room")).rows().get(0).air(), null);
    }

    @Test
    public void theSameActsFitOnlyCircuitsThatHaveTheirParts() {
        Circuit cottage = Circuits.demo("wardens-cottage");
        Scenario cool = Presets.find(cottage, "TH-cool").orElseThrow().scenario();
        assertEquals(SameActs.misfits(cool, cottage, cottageForB(true)), List.of());
        assertEquals(
                SameActs.misfits(cool, cottage, Circuits.demo("chapel")),
                List.of(
                        "The other circuit has no ROOM, which \"Cooling\" sets.",
                        "TH is a millivolt-thermostat in the other circuit, not a thermostat."));
        Scenario faulty = with(cool, Fault.of(FaultKind.COIL_OPEN, "part", "CC"));
        assertEquals(SameActs.misfits(faulty, cottage, cottage), List.of());
        assertEquals(SameActs.misfits(faulty, cottage, cottageForB(true)).size(), 1);
    }

    @Test
    public void aComparisonTellsWhatComesLaterAndWhatNoLongerComes() {
        Circuit store = Circuits.demo("cold-store");
        Circuit.Builder slow = store.toBuilder();
        slow.parts()
                .replaceAll(p -> p.id().equals("TD")
                        ? p.withParams(Map.of("function", "delay-on-make", "seconds", 240.0, "form", "series"))
                        : p);
        Scenario call = Presets.find(store, "TH-cool").orElseThrow().scenario();
        List<Comparison.Row> rows = Comparison.of(Simulation.run(store, call), Simulation.run(slow.build(), call));
        Comparison.Row made = rows.stream()
                .filter(r -> r.title().equals("TD made"))
                .findFirst()
                .orElseThrow();
        assertEquals(made.kind(), Comparison.Kind.LATER);
        assertEquals(made.after().micros() - made.before().micros(), 60_000_000L);
        assertEquals(rows.get(Comparison.firstDifference(rows)), made);

        Run same = Simulation.run(store, call);
        assertEquals(Comparison.firstDifference(Comparison.of(same, Simulation.run(store, call))), -1);
        Part dead = store.part("CC").orElseThrow();
        Run faulty = Simulation.run(
                store,
                new Scenario(
                        "f",
                        call.start(),
                        call.steps(),
                        List.of(Fault.of(FaultKind.COIL_OPEN, "part", dead.id())),
                        call.untilSeconds()));
        assertTrue(Comparison.of(same, faulty).stream()
                .anyMatch(r ->
                        r.kind() == Comparison.Kind.ONLY_BEFORE && r.title().equals("CMP running")));
    }
}
