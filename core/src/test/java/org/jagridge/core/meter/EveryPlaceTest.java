package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The meter at every terminal and wire of every demo, in every call, sound and with faults. */
public class EveryPlaceTest {
    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    private static List<Presets.Preset> calls(Circuit circuit) {
        return Presets.of(circuit).stream().filter(Presets.Preset::call).toList();
    }

    private static Request request(Request.Mode mode, Terminal plus, Terminal minus) {
        return new Request(mode, plus, minus, null, 1, false);
    }

    /** Whatever the meter lies across says something, in every range, and no range fails. */
    @Test(dataProvider = "demos")
    public void everyRangeSaysSomethingEverywhere(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Random random = new Random(5);
        List<Fault> faults = FaultList.faultsOf(circuit);
        for (Presets.Preset p : calls(circuit)) {
            Fault fault = faults.get(random.nextInt(faults.size()));
            Scenario s = p.scenario();
            Run run = Simulation.run(
                    circuit,
                    new Scenario(
                            s.name(),
                            s.start(),
                            s.steps(),
                            random.nextBoolean() ? List.of(fault) : List.of(),
                            s.untilSeconds()));
            long at = (long) (random.nextDouble() * run.until());
            Meter meter = Meter.at(run, at);
            Assembly assembly = run.at(at).assembly();
            List<Terminal> terminals = new ArrayList<>(assembly.nodes().keySet());
            for (int i = 0; i < 12; i++) {
                Terminal a = terminals.get(random.nextInt(terminals.size()));
                Terminal b = terminals.get(random.nextInt(terminals.size()));
                for (Request.Mode mode : Request.Mode.values()) {
                    // a conductor that only the fault makes is none that a hand knows of
                    List<Wire> wires = circuit.wires();
                    Request r = mode.clamps()
                            ? new Request(
                                    mode,
                                    null,
                                    null,
                                    wires.get(random.nextInt(wires.size())).id(),
                                    1,
                                    false)
                            : request(mode, a, b);
                    Reading reading = meter.read(r);
                    String all = slug + " " + p.key() + " " + r + ": " + reading;
                    assertFalse(reading.says().isBlank(), all);
                    assertFalse(reading.display().isBlank(), all);
                    assertTrue(
                            reading.hasValue()
                                    ? Double.isFinite(reading.value())
                                    : reading.isRefused() || reading.display().equals("OL"),
                            all);
                    assertFalse(
                            reading.says().contains("null") || reading.says().contains("NaN"), all);
                }
            }
        }
    }

    /** Volts are a difference: turned round they are the same, and a detour never has less than the straight way. */
    @Test(dataProvider = "demos")
    public void voltsAreADifferenceOfTwoPoints(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Random random = new Random(9);
        for (Presets.Preset p : calls(circuit)) {
            Run run = Simulation.run(circuit, p.scenario());
            Frame frame = run.at(20_000_000);
            Assembly assembly = frame.assembly();
            // on one source: what floats, and what floats against it, hangs on the meter itself
            Reach reach = new Reach(frame);
            Map<String, List<Terminal>> bySource = new TreeMap<>();
            assembly.nodes()
                    .forEach((t, n) -> reach.polesOf(n).stream()
                            .map(Reach.Pole::source)
                            .distinct()
                            .forEach(source -> bySource.computeIfAbsent(source, k -> new ArrayList<>())
                                    .add(t)));
            List<List<Terminal>> groups = new ArrayList<>(bySource.values());
            List<Terminal> terminals = groups.get(random.nextInt(groups.size()));
            if (terminals.size() < 3) {
                continue;
            }
            Meter meter = Meter.at(run, 20_000_000);
            for (int i = 0; i < 60; i++) {
                Terminal a = terminals.get(random.nextInt(terminals.size()));
                Terminal b = terminals.get(random.nextInt(terminals.size()));
                Terminal c = terminals.get(random.nextInt(terminals.size()));
                double ab = volts(meter, a, b);
                assertEquals(volts(meter, b, a), ab, 1e-6 + 1e-6 * ab, slug + " " + a + " " + b);
                double detour = ab + volts(meter, b, c);
                assertTrue(
                        volts(meter, a, c) <= detour * 1.001 + 0.05,
                        slug + " " + p.key() + ": " + a + " " + b + " " + c + " " + volts(meter, a, c) + " > "
                                + detour);
            }
        }
    }

    private static double volts(Meter meter, Terminal a, Terminal b) {
        return meter.shown(request(Request.Mode.AC_VOLTS, a, b)).value();
    }

    /** With all supplies off, ohms are the same both ways, and a dead circuit is never called live. */
    @Test(dataProvider = "demos")
    public void ohmsOfADeadCircuitAreNeverRefusedAndAreTheSameBothWays(String slug) {
        Circuit circuit = Circuits.demo(slug);
        List<String> supplies = circuit.parts().stream()
                .filter(p -> p.type().equals("supply"))
                .map(p -> p.id() + ".on")
                .toList();
        if (supplies.isEmpty()) {
            return;
        }
        Map<String, Object> off = new LinkedHashMap<>();
        supplies.forEach(s -> off.put(s, false));
        boolean other = circuit.parts().stream()
                .anyMatch(p -> List.of("dc-supply", "battery", "thermopile", "plug-supply")
                        .contains(p.type()));
        Run run = Simulation.run(circuit, new Scenario("off", off, List.of(), List.of(), 10));
        Meter meter = Meter.at(run, 5_000_000);
        Random random = new Random(11);
        List<Terminal> terminals = new ArrayList<>(run.at(0).assembly().nodes().keySet());
        for (int i = 0; i < 200; i++) {
            Terminal a = terminals.get(random.nextInt(terminals.size()));
            Terminal b = terminals.get(random.nextInt(terminals.size()));
            Reading there = meter.read(request(Request.Mode.OHMS, a, b));
            Reading back = meter.read(request(Request.Mode.OHMS, b, a));
            assertTrue(other || !there.isRefused(), slug + " " + a + " " + b + ": " + there.says());
            assertEquals(back.display(), there.display(), slug + " " + a + " " + b);
            if (there.hasValue()) {
                assertTrue(there.value() >= 0, slug + " " + a + " " + b + ": " + there.value());
            }
        }
    }

    /** Each load that works in a call has a sheet, and the sound circuit is right in every line of it, by both schools. */
    @Test(dataProvider = "demos")
    public void everySheetOfASoundCircuitIsRight(String slug) {
        Circuit circuit = Circuits.demo(slug);
        int sheets = 0;
        for (Presets.Preset p : calls(circuit)) {
            Run run = Simulation.run(circuit, p.scenario());
            long at = Math.min(run.until(), 100_000_000);
            for (Branch load : Walk.loads(run.at(at).assembly())) {
                for (CheckSheet.School school : CheckSheet.School.values()) {
                    CheckSheet sheet = CheckSheet.of(run, at, load, school);
                    sheets += sheet.lines().isEmpty() ? 0 : 1;
                    for (CheckSheet.Judged j : sheet.judge(sheet.measure(run, at))) {
                        assertTrue(j.right(), slug + " " + p.key() + " " + Walk.key(load) + " " + school + ": " + j);
                    }
                    assertEquals(
                            sheet.lines().stream()
                                    .map(CheckSheet.Line::key)
                                    .distinct()
                                    .count(),
                            sheet.lines().size());
                }
            }
        }
        assertTrue(sheets > 0, slug);
    }
}
