package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Lanes;
import org.jagridge.core.trace.Presets;
import org.jagridge.core.world.Worlds;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Sheets to check a circuit by: sound ones are right in every line, faulty ones go wrong next to the fault. */
public class CheckSheetTest {
    private static final long AT = 30 * Time.SECOND;
    /** What breaks the way of a current, or makes it poor. */
    private static final Set<FaultKind> BREAKS = Set.of(
            FaultKind.WIRE_OPEN,
            FaultKind.WIRE_RESISTIVE,
            FaultKind.CONTACT_OPEN,
            FaultKind.CONTACT_RESISTIVE,
            FaultKind.COIL_OPEN,
            FaultKind.LOAD_OPEN,
            FaultKind.WINDING_OPEN,
            FaultKind.OUTPUT_DEAD,
            FaultKind.ARMATURE_STUCK);

    private record Walked(Circuit circuit, Scenario call, Branch load) {
        Run run(List<Fault> faults) {
            return Simulation.run(
                    circuit, new Scenario("walk", call.start(), call.steps(), faults, call.untilSeconds()));
        }
    }

    private static Walked walked(String demo, String load, Map<String, Object> start, Map<String, Object> set) {
        Circuit circuit = Circuits.demo(demo);
        Branch branch = Walk.loads(Assembly.of(circuit)).stream()
                .filter(b -> Walk.key(b).equals(load))
                .findFirst()
                .orElseThrow();
        Scenario call = new Scenario("call", start, List.of(new Scenario.Step(5, set, List.of())), List.of(), 60);
        return new Walked(circuit, call, branch);
    }

    private static Walked fan() {
        return walked("lab-bench", "LP1:1-2", Map.of(), Map.of("TH.fan", "on"));
    }

    private static Walked strips() {
        return walked("wardens-cottage", "HTR:1-2", Map.of("ROOM.celsius", 15.0), Map.of("TH.mode", "emergency"));
    }

    @DataProvider
    public Object[][] walks() {
        List<Object[]> walks = new ArrayList<>();
        for (CheckSheet.School school : CheckSheet.School.values()) {
            walks.add(new Object[] {"the G circuit of the lab bench", fan(), school});
            walks.add(new Object[] {"the W circuit of the cottage", strips(), school});
        }
        return walks.toArray(Object[][]::new);
    }

    @Test(dataProvider = "walks")
    public void aSoundCircuitIsRightInEveryLine(String name, Walked w, CheckSheet.School school) {
        Run sound = w.run(List.of());
        CheckSheet sheet = CheckSheet.of(sound, AT, w.load(), school);
        assertEquals(
                sheet.lines().stream().map(CheckSheet.Line::key).distinct().count(),
                sheet.lines().size());
        List<CheckSheet.Judged> judged = sheet.judge(sheet.measure(sound, AT));
        assertEquals(judged.size(), sheet.lines().size());
        judged.forEach(j -> assertTrue(j.right(), j.toString()));
    }

    /** For every fault that breaks the way, the first line that goes wrong is at the faulty wire or part. */
    @Test(dataProvider = "walks")
    public void theFirstLineOutOfItsRangeIsNextToTheFault(String name, Walked w, CheckSheet.School school) {
        CheckSheet sheet = CheckSheet.of(w.run(List.of()), AT, w.load(), school);
        Set<String> onTheWay = new HashSet<>();
        for (CheckSheet.Line l : sheet.lines()) {
            if (l.by() != null) {
                onTheWay.add(l.by().owner());
            }
        }
        int tried = 0;
        for (Fault fault : FaultList.faultsOf(w.circuit())) {
            String at = fault.part() != null ? fault.part() : fault.wire();
            if (!BREAKS.contains(fault.kind()) || !onTheWay.contains(at)) {
                continue;
            }
            Map<String, Double> measured = sheet.measure(w.run(List.of(fault)), AT);
            CheckSheet.Judged first = sheet.judge(measured).stream()
                    .filter(j -> !j.right())
                    .findFirst()
                    .orElse(null);
            if (first == null) {
                assertFalse(stops(w, fault), name + ", " + school + ", " + fault.words() + ": no line is out of range");
                continue;
            }
            tried++;
            assertTrue(
                    isNextTo(first.line(), at, w.circuit()),
                    name + ", " + school + ", " + fault.words()
                            + ": first out of range is " + first.line().what() + " "
                            + first.line().key() + " " + first.value()
                            + " instead of " + first.line().expected());
        }
        assertTrue(tried > 20, tried + " faults tried");
    }

    @DataProvider
    public Object[][] withoutLockout() {
        return Circuits.DEMOS.stream()
                .filter(d -> !d.equals("cold-store"))
                .map(d -> new Object[] {d})
                .toArray(Object[][]::new);
    }

    /**
     * The same for the load that comes on last in every call of the demos. The cold store is left out: its lockout relay
     * opens the chain at another place than the fault, as it should.
     */
    @Test(dataProvider = "withoutLockout")
    public void everySheetPointsAtTheFaultThatStopsItsLoad(String slug) {
        Circuit circuit = Circuits.demo(slug);
        List<String> wrong = new ArrayList<>();
        int tried = 0;
        for (Presets.Preset p : Presets.of(circuit)) {
            if (!p.call()) {
                continue;
            }
            Run sound = Simulation.run(circuit, p.scenario());
            Event last = null;
            for (Event e : sound.events()) {
                boolean load = !e.isInput()
                        && Lanes.isActive(circuit, e)
                        && Walk.loads(sound.at(e.micros()).assembly()).stream()
                                .anyMatch(b -> b.owner().equals(e.part()) && b.shape() != Shape.BOX);
                last = load && e.micros() < 600_000_000L ? e : last;
            }
            if (last == null) {
                continue;
            }
            String part = last.part();
            long at = last.micros() + Time.SECOND;
            Branch load = Walk.loads(sound.at(at).assembly()).stream()
                    .filter(b -> b.owner().equals(part))
                    .max(Comparator.comparingDouble(b -> sound.at(at).amps(b)))
                    .orElseThrow();
            for (CheckSheet.School school : CheckSheet.School.values()) {
                CheckSheet sheet = CheckSheet.of(sound, at, load, school);
                Set<String> onTheWay = new HashSet<>();
                sheet.lines().stream().filter(l -> l.by() != null).forEach(l -> onTheWay.add(l.by().owner()));
                for (Fault fault : FaultList.faultsOf(circuit)) {
                    String where = fault.part() != null ? fault.part() : fault.wire();
                    if (!BREAKS.contains(fault.kind()) || !onTheWay.contains(where)) {
                        continue;
                    }
                    Scenario s = p.scenario();
                    Run faulty = Simulation.run(
                            circuit, new Scenario(s.name(), s.start(), s.steps(), List.of(fault), s.untilSeconds()));
                    CheckSheet.Judged first = sheet.judge(sheet.measure(faulty, at)).stream()
                            .filter(j -> !j.right())
                            .findFirst()
                            .orElse(null);
                    boolean stopped = !faulty.at(at)
                            .signals()
                            .get(part)
                            .equals(sound.at(at).signals().get(part));
                    if (stopped) {
                        tried++;
                        if (first == null || !isNextTo(first.line(), where, circuit)) {
                            wrong.add(p.key() + " " + Walk.key(load) + " " + school + " " + fault.words() + ": "
                                    + (first == null
                                            ? "nothing"
                                            : first.line().what() + " "
                                                    + first.line().key()));
                        }
                    }
                }
            }
        }
        assertTrue(tried > 0, slug);
        assertTrue(wrong.isEmpty(), wrong.size() + " of " + tried + ":\n" + String.join("\n", wrong));
    }

    private static boolean stops(Walked w, Fault fault) {
        String sound = w.run(List.of()).at(AT).signals().get(w.load().owner());
        return !w.run(List.of(fault)).at(AT).signals().get(w.load().owner()).equals(sound);
    }

    /** The line's own way leads through it, or ends or begins at it. */
    private static boolean isNextTo(CheckSheet.Line line, String at, Circuit circuit) {
        Set<String> near = new HashSet<>();
        if (line.by() != null) {
            near.add(line.by().owner());
        }
        if (line.request().plus() != null) {
            near.add(line.request().plus().part());
            near.add(line.request().minus().part());
        }
        if (near.contains(at)) {
            return true;
        }
        Wire wire = circuit.wire(at).orElse(null);
        return wire != null
                && (near.contains(wire.from().part()) || near.contains(wire.to().part()));
    }

    @Test
    public void theSheetGoesFromTheLineOverTheTransformerAndTheCoilToTheLoad() {
        CheckSheet sheet = CheckSheet.of(strips().run(List.of()), AT, strips().load(), CheckSheet.School.TO_COMMON);
        List<CheckSheet.Line> way = sheet.onTheWay();
        assertEquals(
                way.stream().map(CheckSheet.Line::circuit).distinct().toList(),
                List.of("M.L1–L2 to T1 P1–P2", "T1.X1–X2 to HC A1–A2", "M.L1–L2 to HTR 1–2"));
        List<String> control = way.stream()
                .filter(l -> l.circuit().startsWith("T1"))
                .map(CheckSheet.Line::what)
                .toList();
        assertEquals(control.get(0), "supply");
        assertTrue(control.indexOf("TH.R to TH.AUX") > control.indexOf("AH.R"), control.toString());
        assertTrue(control.indexOf("HC.A1") > control.indexOf("TH.R to TH.AUX"), control.toString());
        assertEquals(control.get(control.size() - 1), "current");
        CheckSheet.Line amps = way.get(way.size() - 1);
        assertEquals(amps.expected(), 30.6, 0.3);
        assertEquals(amps.unit(), "A");
    }

    /** The cottage's thermostat has no C: what is measured in its hall says so, and is measured across. */
    @Test
    public void whereThereIsNoCommonItIsMeasuredAcross() {
        CheckSheet sheet = CheckSheet.of(strips().run(List.of()), AT, strips().load(), CheckSheet.School.TO_COMMON);
        List<CheckSheet.Section> hall =
                sheet.sections().stream().filter(s -> s.place().equals("hall")).toList();
        assertEquals(hall.size(), 1);
        assertEquals(hall.get(0).lines().stream().map(CheckSheet.Line::key).toList(), List.of("ac-volts TH.R TH.AUX"));
        assertEquals(
                hall.get(0).notes(),
                List.of("No terminal here is wired to T1.X2; measured instead: TH.R to TH.AUX. Next to nothing across a"
                        + " contact is a made one, or a circuit that is dead or open elsewhere."));
    }

    /** Every sheet of every call of every demo: one person reaches both leads, and comes to no place twice. */
    @Test
    public void bothLeadsAreInOnePlaceAndNoPlaceIsVisitedTwice() {
        int lines = 0;
        int instead = 0;
        for (String slug : Circuits.DEMOS) {
            Circuit circuit = Circuits.demo(slug);
            for (Presets.Preset p : Presets.of(circuit)) {
                Run run = Simulation.run(circuit, p.scenario());
                long at = Math.min(run.until(), 200 * Time.SECOND);
                for (Branch load : Walk.loads(Assembly.of(circuit))) {
                    for (CheckSheet.School school : CheckSheet.School.values()) {
                        CheckSheet sheet = CheckSheet.of(run, at, load, school);
                        List<String> places = new ArrayList<>();
                        for (CheckSheet.Section s : sheet.sections()) {
                            if (places.isEmpty()
                                    || !places.get(places.size() - 1).equals(s.place())) {
                                places.add(s.place());
                            }
                            instead += s.notes().size();
                            for (CheckSheet.Line l : s.lines()) {
                                lines++;
                                assertTrue(isAt(l, s.place(), circuit), slug + " " + s.place() + " " + l.key());
                            }
                        }
                        assertEquals(places.size(), new HashSet<>(places).size(), slug + " " + places);
                    }
                }
            }
        }
        assertTrue(lines > 5_000 && instead > 20, lines + " lines, " + instead + " measured otherwise");
    }

    private static boolean isAt(CheckSheet.Line line, String place, Circuit circuit) {
        Request r = line.request();
        if (r.mode().clamps()) {
            Wire w = circuit.wire(r.wire()).orElseThrow();
            return placeOf(w.from(), circuit).equals(place)
                    || placeOf(w.to(), circuit).equals(place);
        }
        return placeOf(r.plus(), circuit).equals(place)
                && placeOf(r.minus(), circuit).equals(place);
    }

    private static String placeOf(Terminal t, Circuit circuit) {
        return circuit.part(t.part()).orElseThrow().place();
    }

    /** A service at 231 V instead of 240 moves what is right, but a dead supply doesn't make everything right. */
    @Test
    public void aLowSupplyMovesTheOtherLinesWithinReason() {
        Run sound = fan().run(List.of());
        CheckSheet sheet = CheckSheet.of(sound, AT, fan().load(), CheckSheet.School.TO_COMMON);
        Map<String, Double> low = new HashMap<>();
        sheet.measure(sound, AT).forEach((k, v) -> low.put(k, v * 231 / 240));
        sheet.judge(low).forEach(j -> assertTrue(j.right(), j.toString()));
        Map<String, Double> dead = new HashMap<>();
        sheet.lines().forEach(l -> dead.put(l.key(), 0.0));
        List<CheckSheet.Judged> judged = sheet.judge(dead);
        assertFalse(judged.get(0).right());
        assertTrue(judged.stream().filter(j -> !j.right()).count() > judged.size() / 2);
    }

    /** Together the lines of a sound circuit are sound, and no fault's lines exclude that fault. */
    @Test(dataProvider = "walks")
    public void allLinesTogetherNeverExcludeWhatIsThere(String name, Walked w, CheckSheet.School school) {
        Run sound = w.run(List.of());
        CheckSheet sheet = CheckSheet.of(sound, AT, w.load(), school);
        Worlds worlds = Worlds.at(sound.assembly(), sound.scenario(), AT);
        Map<String, Double> right = sheet.measure(sound, AT);
        assertEquals(
                SheetProof.says(worlds, sheet, right),
                "All " + right.size() + " lines measured are as in a sound circuit.");
        assertEquals(SheetProof.says(worlds, sheet, Map.of()), "");
        int named = 0;
        List<Fault> faults = FaultList.faultsOf(w.circuit());
        // every third is enough to meet each kind, and three times as quick
        for (int i = 0; i < faults.size(); i += 3) {
            Fault fault = faults.get(i);
            String says = SheetProof.says(worlds, sheet, sheet.measure(w.run(List.of(fault)), AT));
            String all = fault.words() + ": " + says;
            assertFalse(says.contains("No single fault"), all);
            if (says.contains("only one explains it: ") || says.contains("It is one of: ")) {
                assertTrue(says.contains(Naming.name(fault)), all);
                named++;
            }
        }
        assertTrue(named >= 3, named + " faults were named");
    }

    /** A meter's few hundredths of a volt where there is nothing don't make another fault of it. */
    @Test
    public void aMetersNoiseIsNoFault() {
        Walked w = fan();
        Run sound = w.run(List.of());
        CheckSheet sheet = CheckSheet.of(sound, AT, w.load(), CheckSheet.School.TO_COMMON);
        Worlds worlds = Worlds.at(sound.assembly(), sound.scenario(), AT);
        Map<String, Double> noisy = new HashMap<>();
        sheet.measure(w.run(List.of(Fault.of(FaultKind.WIRE_OPEN, "wire", "w14"))), AT)
                .forEach((line, v) -> noisy.put(line, line.startsWith("amps") ? v : v * 1.006 + 0.04));
        String says = SheetProof.says(worlds, sheet, noisy);
        assertTrue(says.contains("lines measured together: T1 gives its volts."), says);
        assertTrue(says.contains("w14"), says);
    }

    /** The primary has its volts, the secondary none, and nothing behind it has any. */
    @Test
    public void aTransformerThatIsFedAndGivesNothingIsDead() {
        Walked w = fan();
        Run sound = w.run(List.of());
        CheckSheet sheet = CheckSheet.of(sound, AT, w.load(), CheckSheet.School.TO_COMMON);
        Worlds worlds = Worlds.at(sound.assembly(), sound.scenario(), AT);
        Map<String, Double> measured = new HashMap<>();
        for (CheckSheet.Line l : sheet.lines()) {
            // what the line does as it should, all of low voltage 0
            measured.put(l.key(), l.expected() > 100 ? 1.01 * l.expected() : 0.0);
        }
        String says = SheetProof.says(worlds, sheet, measured);
        assertTrue(
                says.contains(
                        "the primary of T1 is fed and its secondary gives nothing: T1 is dead. Look for what killed it"),
                says);
        Fault poor = Fault.of(FaultKind.WIRE_RESISTIVE, "wire", "w9", "ohms", 37.0);
        String joint = SheetProof.says(worlds, sheet, sheet.measure(w.run(List.of(poor)), AT));
        assertTrue(joint.contains("w9 with a poor joint of about 3"), joint);
        CheckSheet.Line odd = sheet.onTheWay().get(0);
        Map<String, Double> slip = new HashMap<>(sheet.measure(sound, AT));
        slip.put(odd.key(), 3.0);
        assertTrue(
                SheetProof.says(worlds, sheet, slip).contains("Without \"" + odd.what() + "\" they fit"),
                SheetProof.says(worlds, sheet, slip));
    }
}
