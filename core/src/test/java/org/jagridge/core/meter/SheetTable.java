package org.jagridge.core.meter;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.jagridge.core.world.Worlds;

/**
 * Check sheets, what their lines prove, expected volts, output sheets, strips and cables of small circuits, as text in a
 * file that is read and judged by eye. A test holds them against it.
 */
final class SheetTable {
    static final String FILE = "/readings/sheets.txt";
    private static final double CALLED = 5;
    private static final double SECONDS = 60;
    private static final long AT = Time.micros(SECONDS);
    /** Every so many-th single fault of a circuit is put in. */
    private static final int STEP = 17;

    private static final List<String> DEMOS = List.of("student-flat", "seminar-room", "old-hall");

    /** What is called for, by circuit, with what is set before. */
    private static final Map<String, List<Map<String, Object>>> CALLS = calls();

    private final StringBuilder text = new StringBuilder();

    private SheetTable() {}

    private static Map<String, List<Map<String, Object>>> calls() {
        Map<String, List<Map<String, Object>>> calls = new LinkedHashMap<>();
        calls.put("fan-relay", List.of(Map.of(), Map.of("TH.fan", "on")));
        calls.put("airflow-proved", List.of(Map.of(), Map.of("G.closed", true, "Y.closed", true)));
        calls.put("lockout", List.of(Map.of(), Map.of("Y.closed", true)));
        calls.put(
                "strip-heat",
                List.of(Map.of("TH.roomCelsius", 17.0, "TH.heatSetCelsius", 20.0), Map.of("TH.mode", "heat")));
        calls.put("millivolt", List.of(Map.of("TH.roomCelsius", 21.0), Map.of("TH.setCelsius", 23.0)));
        calls.put(
                "two-transformers-jumper",
                List.of(Map.of("TH.roomCelsius", 27.0), Map.of("TH.mode", "cool", "TH.fan", "on")));
        calls.put("condenser", List.of(Map.of(), Map.of("Y.closed", true)));
        calls.put("parallel", List.of(Map.of(), Map.of("S.closed", true)));
        calls.put("direct", List.of(Map.of(), Map.of("S.closed", true)));
        return calls;
    }

    /** The sheets by circuit, as they are now. */
    static Map<String, String> written() {
        Map<String, String> sheets = new LinkedHashMap<>();
        CALLS.forEach((circuit, call) -> {
            SheetTable table = new SheetTable();
            table.called(circuit, call.get(0), call.get(1));
            sheets.put(circuit, table.text.toString().strip());
        });
        for (String demo : DEMOS) {
            SheetTable table = new SheetTable();
            table.demo(demo);
            sheets.put(demo, table.text.toString().strip());
        }
        SheetTable strip = new SheetTable();
        strip.strip();
        sheets.put("strip", strip.text.toString().strip());
        return sheets;
    }

    static Map<String, String> stored() {
        Map<String, String> sheets = new LinkedHashMap<>();
        for (String sheet : Circuits.text(FILE).split("(?m)^# ", -1)) {
            if (!sheet.isBlank()) {
                sheets.put(sheet.lines().findFirst().orElseThrow(), "# " + sheet.strip());
            }
        }
        return sheets;
    }

    /** Writes the file anew; what has changed in it has to be read. */
    public static void main(String[] args) throws IOException {
        Files.writeString(Path.of(args[0]), String.join("\n\n", written().values()) + "\n");
    }

    private void line(String format, Object... values) {
        text.append(String.format(Locale.ROOT, format, values)).append('\n');
    }

    private void called(String name, Map<String, Object> start, Map<String, Object> set) {
        line("# %s", name);
        Circuit circuit = ReadingTable.circuit(name);
        Assembly assembly = Assembly.of(circuit);
        Scenario call =
                new Scenario("Call", start, List.of(new Scenario.Step(CALLED, set, List.of())), List.of(), SECONDS);
        Run sound = Simulation.run(assembly, call);
        Worlds worlds = Worlds.at(assembly, call, AT);
        Frame frame = sound.at(AT);
        Map<String, Run> faulty = new LinkedHashMap<>();
        List<Fault> faults = FaultList.faultsOf(circuit);
        for (int i = 0; i < faults.size(); i += STEP) {
            Fault f = faults.get(i);
            faulty.put(
                    f.words(),
                    Simulation.run(
                            assembly, new Scenario("Call", start, call.steps(), List.of(f), call.untilSeconds())));
        }
        List<Branch> working =
                Walk.loads(assembly).stream().filter(b -> frame.amps(b) > 0.001).toList();
        for (Branch load : working) {
            if (load.role() == Role.COIL || load.equals(working.get(working.size() - 1))) {
                line("%n## %s", Walk.key(load));
                expected(ExpectedVolts.of(sound, load));
                for (CheckSheet.School school : CheckSheet.School.values()) {
                    CheckSheet sheet = CheckSheet.of(sound, AT, load, school);
                    sheet(sheet, school);
                    List<Walk.Stop> way = Walk.to(load, frame);
                    faulty.forEach((words, run) -> {
                        Map<String, Double> values = sheet.measure(run, AT);
                        String proved = SheetProof.says(worlds, sheet, values);
                        if (!proved.startsWith("All")) {
                            line("%s: %s", words, proved);
                            sheet.judge(values).stream()
                                    .filter(j -> !j.right())
                                    .forEach(j -> line(
                                            "  %s is %s %s",
                                            j.line().what(), Numbers.threeFigures(j.value()), j.words()));
                            line("  astray %s", Walk.astray(Walk.to(load, run.at(AT)), way, school));
                        }
                    });
                    doubtful(worlds, sheet, sheet.measure(sound, AT));
                }
            }
        }
        outputs(assembly);
        circuit.cables().forEach(c -> cable(circuit, c));
        line("");
    }

    /** Only the sheets, of each load the first time that a call of the demo has it at work. */
    private void demo(String slug) {
        line("# %s", slug);
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Set<String> seen = new HashSet<>();
        for (Presets.Preset preset : Presets.of(circuit)) {
            Run run = Simulation.run(assembly, preset.scenario());
            Frame end = run.at(run.until());
            for (Branch load : Walk.loads(assembly)) {
                if (end.amps(load) > 0.1 && load.doesWork() && seen.add(Walk.key(load))) {
                    line("%n## %s in %s", Walk.key(load), preset.scenario().name());
                    expected(ExpectedVolts.of(run, load));
                    for (CheckSheet.School school : CheckSheet.School.values()) {
                        sheet(CheckSheet.of(run, run.until(), load, school), school);
                    }
                }
            }
        }
    }

    private void expected(ExpectedVolts volts) {
        if (!volts.rows().isEmpty()) {
            line(
                    "volts at %s",
                    volts.columns().stream()
                            .map(c -> Time.words(c.micros())
                                    + (c.after() == null ? "" : " " + c.after().part()))
                            .toList());
        }
        volts.rows()
                .forEach(r -> line(
                        "  %s %s, across %s",
                        r.terminal(),
                        r.toCommon().stream().map(Reading::display).toList(),
                        r.across().stream().map(Reading::display).toList()));
    }

    private void sheet(CheckSheet sheet, CheckSheet.School school) {
        line("sheet %s", school);
        for (CheckSheet.Section s : sheet.sections()) {
            line("  in %s, %s %s", s.place(), s.circuit(), s.notes());
            for (CheckSheet.Line l : s.lines()) {
                line(
                        "  %d. %s%s: %s = %s (%s to %s)%s%s",
                        l.order(),
                        l.what(),
                        l.supply() ? ", the supply" : "",
                        l.key(),
                        Numbers.threeFigures(l.expected()),
                        Numbers.threeFigures(l.low()),
                        Numbers.threeFigures(l.high()),
                        l.by() == null ? "" : " by " + l.by().title(),
                        l.otherwise().isEmpty() ? "" : " otherwise " + l.otherwise());
            }
        }
    }

    /** One line that doesn't belong to the others, only the first half, a supply that is low, and all dead. */
    private void doubtful(Worlds worlds, CheckSheet sheet, Map<String, Double> values) {
        if (values.isEmpty()) {
            return;
        }
        List<String> keys = List.copyOf(values.keySet());
        String odd = keys.get(keys.size() / 2);
        Map<String, Double> other = new HashMap<>(values);
        other.put(odd, 0.4 * values.get(odd) + 5);
        line("one odd: %s", SheetProof.says(worlds, sheet, other));
        Map<String, Double> half = new HashMap<>(values);
        half.keySet().removeAll(keys.subList(keys.size() / 2, keys.size()));
        line("half of them: %s", SheetProof.says(worlds, sheet, half));
        Map<String, Double> low = new HashMap<>();
        values.forEach((k, v) -> low.put(k, 0.93 * v));
        line("a low supply: %s %s", SheetProof.says(worlds, sheet, low), wrong(sheet, low));
        Map<String, Double> tooLow = new HashMap<>();
        values.forEach((k, v) -> tooLow.put(k, 0.7 * v));
        line("too low: %s %s", SheetProof.says(worlds, sheet, tooLow), wrong(sheet, tooLow));
        Map<String, Double> dead = new HashMap<>();
        values.forEach((k, v) -> dead.put(k, 0.0));
        line("all dead: %s", SheetProof.says(worlds, sheet, dead));
    }

    private static List<String> wrong(CheckSheet sheet, Map<String, Double> values) {
        return sheet.judge(values).stream()
                .filter(j -> !j.right())
                .map(j -> j.line().what())
                .toList();
    }

    private void outputs(Assembly assembly) {
        for (Part control : OutputSheet.controls(assembly.circuit())) {
            OutputSheet sheet = OutputSheet.of(assembly, control);
            line("%noutputs of %s, bare %s", control.id(), sheet.bare());
            for (OutputSheet.Row r : sheet.rows()) {
                line(
                        "  %s by %s: %s to %s %s, after %s %s, then %s. Nothing: %s",
                        r.call().name(),
                        r.made(),
                        r.at(),
                        r.to(),
                        r.before().display(),
                        Time.words(r.waits()),
                        r.after().display(),
                        r.follows().stream()
                                .map(f -> f.part() + " " + f.value() + " " + Time.words(f.after()))
                                .toList(),
                        r.ifNothing(assembly));
            }
        }
    }

    private void cable(Circuit circuit, Cable cable) {
        List<Fault> faults = new ArrayList<>(FaultList.faultsOf(circuit));
        faults.removeIf(f -> CableTest.of(circuit, cable, List.of(f)).verdicts().isEmpty());
        List<List<Fault>> tried = new ArrayList<>(List.of(List.of()));
        for (int i = 0; i < faults.size(); i += 3) {
            tried.add(List.of(faults.get(i)));
            if (i + 1 < faults.size()) {
                tried.add(List.of(faults.get(i), faults.get(i + 1)));
            }
        }
        line("%ncable %s", cable.id());
        for (List<Fault> some : tried) {
            CableTest.Outcome o = CableTest.of(circuit, cable, some);
            line(
                    "  %s, expected %s: %s",
                    some.stream().map(Fault::words).toList(), Numbers.threeFigures(o.expected()), o.verdicts());
            o.ties()
                    .forEach(t -> line(
                            "    %s with %s: apart %s, tied %s %s",
                            t.one(), t.other(), ohms(t.apart()), ohms(t.ohms()), t.beeps()));
            line(
                    "    to earth %s",
                    o.toEarth().entrySet().stream()
                            .map(e -> e.getKey() + " " + ohms(e.getValue()))
                            .collect(Collectors.joining(", ")));
        }
    }

    private static String ohms(double ohms) {
        return Double.isInfinite(ohms) ? "OL" : Numbers.threeFigures(ohms);
    }

    private void strip() {
        Assembly assembly = Assembly.of(ReadingTable.circuit("strip"));
        line("# strip");
        for (Part strip : StripTable.strips(assembly.circuit())) {
            StripTable table = StripTable.of(assembly, strip).orElseThrow();
            line(
                    "%s to %s, %s",
                    strip.id(), table.reference(), table.together() ? "all together" : "one after the other");
            line(
                    "  of %s at %s",
                    table.controls().stream().map(Part::id).toList(),
                    table.posts().stream()
                            .map(p -> p.terminal().name() + " "
                                    + p.wires().stream()
                                            .map(w -> w.wire().id() + " to " + w.far())
                                            .toList())
                            .toList());
            for (StripTable.Row r : table.rows()) {
                line(
                        "  %s: %s %s works %s",
                        r.states(), r.volts().stream().map(Reading::display).toList(), r.ghosts(), r.works());
            }
        }
        outputs(assembly);
    }
}
