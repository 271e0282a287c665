package org.jagridge.core.world;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.Frame;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Worlds that go on from earlier ones are those that are found from the start. */
public class WorldsTest {
    private static final int ACTS = 5;

    @DataProvider
    public Object[][] demos() {
        return new Object[][] {{"lab-bench"}, {"student-flat"}, {"seminar-room"}};
    }

    /** Hands act at the instant that was looked at, as they do at a bench, also where something moves at that instant. */
    @Test(dataProvider = "demos")
    public void whatGoesOnIsWhatIsFoundFromTheStart(String slug) {
        Assembly assembly = Assembly.of(Circuits.demo(slug));
        Random random = new Random(slug.hashCode());
        List<Scenario.Step> steps = new ArrayList<>();
        Worlds worlds = null;
        double seconds = 5;
        for (int i = 0; i < ACTS; i++) {
            Scenario known = new Scenario("hands", Map.of(), steps, List.of(), seconds + 1);
            long micros = Math.round(seconds * 1_000_000);
            Worlds goingOn = Worlds.at(assembly, known, micros, worlds, () -> false);
            assertEquals(told(goingOn), told(Worlds.at(assembly, known, micros)), slug + " at " + seconds);
            worlds = goingOn;
            steps = new ArrayList<>(steps);
            steps.add(new Scenario.Step(seconds, act(assembly, random), List.of()));
            // a relay's own time after the act, or longer
            seconds += i % 2 == 0 ? 0.015 : 20;
        }
    }

    @DataProvider
    public Object[][] remembering() {
        return new Object[][] {{"lab-bench"}, {"wardens-cottage"}, {"propagation-house"}};
    }

    /** Somebody puts a fault in between two acts. */
    @Test(dataProvider = "remembering")
    public void aFaultThatBeganBeforeAnyActIsOneOfThem(String slug) {
        Assembly assembly = Assembly.of(Circuits.demo(slug));
        Random random = new Random(slug.hashCode());
        List<Scenario.Step> steps = new ArrayList<>();
        for (int i = 0; i < ACTS; i++) {
            steps.add(new Scenario.Step(5 + 20 * i, act(assembly, random), List.of()));
        }
        double seen = 5 + 20 * ACTS;
        long micros = Math.round(seen * 1_000_000);
        Worlds worlds = Worlds.at(assembly, new Scenario("hands", Map.of(), steps, List.of(), seen + 1), micros);
        for (Fault fault : worlds.possible()) {
            for (Scenario.Step before : steps) {
                List<Scenario.Step> with = new ArrayList<>(steps);
                with.add(steps.indexOf(before), new Scenario.Step(before.atSeconds() - 1e-6, Map.of(), List.of(fault)));
                Configuration end = Engine.of(assembly)
                        .follow(new Scenario("with", Map.of(), with, List.of(), seen + 1), List.of(), micros);
                assertTrue(
                        worlds.all().stream().anyMatch(w -> isOf(fault, w) && looksLike(end, w.frame())),
                        fault + " since " + before.atSeconds());
            }
        }
    }

    /** Two buttons latch a relay each; the wire that feeds both broke after the first was pressed, and before the second. */
    @Test
    public void whatLatchedBeforeAFaultBeganIsRemembered() {
        Assembly assembly = Assembly.of(Circuits.control()
                .part("SA", "switch", "unit", "kind", "push", "rest", "open")
                .part("SB", "switch", "unit", "kind", "push", "rest", "open")
                .part("KA", "relay", "unit", "sets", 1)
                .part("KB", "relay", "unit", "sets", 1)
                .wire("T1.X1", "SA.1")
                .wire("SA.1", "SB.1")
                .wire("SA.2", "KA.A1")
                .wire("SB.2", "KB.A1")
                .wire("T1.X1", "KA.11")
                .wire("KA.14", "KA.A1")
                .wire("T1.X1", "KB.11")
                .wire("KB.14", "KB.A1")
                .wire("KA.A2", "T1.X2")
                .wire("KB.A2", "T1.X2")
                .build());
        Scenario known = Circuits.during(20)
                .at(5, "SA.closed", true)
                .at(6, "SA.closed", false)
                .at(10, "SB.closed", true)
                .at(11, "SB.closed", false)
                .scenario();
        // from the start neither is in, and if it broke now, both are
        assertEquals(
                Worlds.at(assembly, known, 15_000_000).all().stream()
                        .filter(w -> w.faults().contains(Fault.of(FaultKind.WIRE_OPEN, "wire", "w3")))
                        .map(w -> w.frame().signals().get("KA") + " "
                                + w.frame().signals().get("KB"))
                        .toList(),
                List.of("out out", "in out", "in in"));
    }

    /** What makes nothing otherwise is in the sound world, which names no fault. */
    private static boolean isOf(Fault fault, World w) {
        return w.isSound() || w.faults().contains(fault);
    }

    private static boolean looksLike(Configuration end, Frame other) {
        return end.frame().signals().equals(other.signals())
                && end.frame().ac().values().equals(other.ac().values());
    }

    private static Map<String, Object> act(Assembly assembly, Random random) {
        List<Map<String, Object>> acts = new ArrayList<>();
        for (Assembly.Member m : assembly.members()) {
            for (Field f : m.inputs()) {
                String key = m.part().id() + "." + f.name();
                if (f.kind() == Field.Kind.FLAG) {
                    acts.add(Map.of(key, random.nextBoolean()));
                } else if (f.kind() == Field.Kind.CHOICE) {
                    acts.add(Map.of(
                            key, f.choices().get(random.nextInt(f.choices().size()))));
                }
            }
        }
        return acts.get(random.nextInt(acts.size()));
    }

    private static Map<String, Object> told(Worlds worlds) {
        Map<String, Object> told = new LinkedHashMap<>();
        for (World w : worlds.all()) {
            told.put(w.faults().toString(), w.frame().configuration());
        }
        return told;
    }

    @Test
    public void whatNobodyWaitsForIsGivenUp() {
        Assembly assembly = Assembly.of(Circuits.demo("lab-bench"));
        Scenario known = new Scenario("hands", Map.of(), List.of(), List.of(), 10);
        int all = Worlds.at(assembly, known, 5_000_000).possible().size();
        AtomicInteger asked = new AtomicInteger();
        assertThrows(
                CancellationException.class,
                () -> Worlds.at(assembly, known, 5_000_000, null, () -> asked.incrementAndGet() > 10));
        assertTrue(asked.get() < all, asked + " of " + all);
    }
}
