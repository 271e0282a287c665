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
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
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
