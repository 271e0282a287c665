package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunLimitException;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.jagridge.core.world.Worlds;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is said of a reading is true in the circuit it was read in, whatever fault that hides, and gives none away. */
public class KnowingTest {
    private static final long AT = 200_000_000;
    private static final int FAULTS = 6;
    private static final int LEADS = 7;

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void nothingSaidIsFalseAndNothingHiddenIsGivenAway(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Random random = new Random(slug.hashCode());
        List<Fault> faults = FaultList.faultsOf(circuit);
        List<Terminal> terminals = new ArrayList<>(assembly.nodes().keySet());
        for (Presets.Preset p : Presets.of(circuit)) {
            if (!p.call()) {
                continue;
            }
            Worlds worlds = Worlds.at(assembly, p.scenario(), AT);
            List<Request> requests = new ArrayList<>();
            for (int i = 0; i < LEADS; i++) {
                Terminal a = terminals.get(random.nextInt(terminals.size()));
                Terminal b = terminals.get(random.nextInt(terminals.size()));
                if (!a.equals(b)) {
                    requests.add(new Request(Request.Mode.AC_VOLTS, a, b, null, 1, random.nextInt(4) == 0));
                }
                List<Wire> wires = circuit.wires();
                requests.add(
                        Request.amps(wires.get(random.nextInt(wires.size())).id()));
            }
            Map<String, String> said = new HashMap<>();
            for (int i = 0; i < FAULTS; i++) {
                Fault fault = i == 0 ? null : faults.get(random.nextInt(faults.size()));
                Run run = run(assembly, p.scenario(), fault);
                if (run == null) {
                    continue;
                }
                Meter meter = Meter.at(run, AT, () -> worlds);
                for (Request r : requests) {
                    Reading reading = meter.read(r);
                    String all = slug + " " + p.key() + " " + (fault == null ? "sound" : fault.words()) + " " + r.key()
                            + ": " + reading.display() + " " + reading.unit() + ". " + reading.says();
                    if (!r.mode().clamps()) {
                        isTrue(run.at(AT), r, reading, all);
                    }
                    naming(fault, reading, all);
                    assertEquals(said.computeIfAbsent(r + reading.display(), k -> reading.says()), reading.says(), all);
                }
            }
        }
    }

    /** With everything off: ohms, beeps and microfarads give nothing away either. */
    @Test(dataProvider = "demos")
    public void ohmsNeitherLieNorGiveAway(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Random random = new Random(slug.hashCode());
        List<Fault> faults = FaultList.faultsOf(circuit);
        Map<String, Object> off = new HashMap<>();
        assembly.members()
                .forEach(m -> m.type()
                        .isolation(m.params())
                        .filter(Isolation::source)
                        .ifPresent(i -> off.put(m.part().id() + "." + i.input(), i.off())));
        Scenario dead = new Scenario("Off", off, List.of(), List.of(), 201);
        Worlds worlds = Worlds.at(assembly, dead, AT);
        List<Request> requests = new ArrayList<>();
        for (Branch b : assembly.branches()) {
            // what somebody would measure: across parts, and from end to end of wires
            if (b.isDrawn()
                    && b.a() != null
                    && b.b() != null
                    && random.nextInt(circuit.wires().size() / 5 + 1) == 0) {
                Request.Mode mode = b.shape() == Shape.CAPACITOR && random.nextBoolean()
                        ? Request.Mode.CAPACITANCE
                        : random.nextBoolean() ? Request.Mode.OHMS : Request.Mode.CONTINUITY;
                requests.add(new Request(mode, b.a(), b.b(), null, 1, false));
            }
        }
        Map<String, String> said = new HashMap<>();
        int named = 0;
        for (int i = 0; i < FAULTS; i++) {
            Fault fault = i == 0 ? null : faults.get(random.nextInt(faults.size()));
            Run run = run(assembly, dead, fault);
            if (run == null) {
                continue;
            }
            Meter meter = Meter.at(run, AT, () -> worlds);
            for (Request r : requests) {
                Reading reading = meter.read(r);
                if (reading.refused() != null) {
                    continue;
                }
                String all = slug + " " + (fault == null ? "sound" : fault.words()) + " " + r.key() + ": "
                        + reading.display() + ". " + reading.says();
                naming(fault, reading, all);
                named += reading.says().contains("of the single faults tried") ? 1 : 0;
                assertEquals(said.computeIfAbsent(r + reading.display(), k -> reading.says()), reading.says(), all);
                standing(run.at(AT), r, reading, all);
            }
        }
        assertTrue(said.size() >= 1, said.size() + " readings, " + named + " named faults");
    }

    /** What a sentence says of the contact or load that its leads are on. */
    private static void standing(Frame truth, Request r, Reading reading, String all) {
        Reach reach = new Reach(truth);
        for (Branch b : truth.assembly().branches()) {
            boolean between = r.plus().equals(b.a()) && r.minus().equals(b.b());
            if (between && reading.says().contains(b.title() + " is closed.")) {
                assertTrue(reach.isMade(b), all);
            }
            if (between && reading.says().contains("the contact " + b.title() + " is open")) {
                assertFalse(reach.isMade(b), all);
            }
            if (between && reading.says().contains("OL across " + b.title() + ": it is open inside")) {
                assertTrue(truth.direct().values().admittance(b.index()).re() <= 0, all);
            }
        }
    }

    private static Run run(Assembly assembly, Scenario s, Fault fault) {
        try {
            return Simulation.run(
                    assembly,
                    new Scenario(s.name(), s.start(), s.steps(), fault == null ? List.of() : List.of(fault), 201));
        } catch (RunLimitException e) {
            return null;
        }
    }

    private static void isTrue(Frame truth, Request r, Reading reading, String all) {
        Reach reach = new Reach(truth);
        Gauge gauge = new Gauge(truth, reach);
        for (Terminal lead : List.of(r.plus(), r.minus())) {
            int node = gauge.node(lead).orElseThrow();
            Reach.Side side = reach.sideOf(node);
            boolean hot = side == Reach.Side.HOT || side == Reach.Side.SECOND_HOT;
            boolean dangerous = truth.voltsToEarth(node) >= 30;
            if (reading.says().contains(lead + " is live.")) {
                assertTrue(hot, lead + " isn't live: " + all);
            }
            if (reading.says().contains(lead + " is not powered")) {
                assertFalse(hot || dangerous, lead + " is live: " + all);
            }
            if (reading.says().contains("Both are dead now")) {
                assertFalse(hot || (dangerous && !all.contains("Danger")), lead + " is not dead: " + all);
            }
            if (dangerous && Math.abs(reading.value()) < 29) {
                assertTrue(
                        reading.says().contains("Danger: ") && reading.says().contains(lead.toString()),
                        lead + " is at " + truth.voltsToEarth(node) + " V: " + all);
            }
        }
    }

    /** The fault that is there is among those that are named, and the sound circuit isn't said to be faulty. */
    private static void naming(Fault fault, Reading reading, String all) {
        String says = reading.says();
        if (fault == null) {
            assertFalse(says.contains("single fault") || says.contains("It is one of"), all);
        }
        assertFalse(says.contains("No single fault"), all);
        if (says.contains("only one explains it: ") || says.contains("It is one of: ")) {
            assertTrue(says.contains(Naming.name(fault)), Naming.name(fault) + ": " + all);
        }
    }
}
