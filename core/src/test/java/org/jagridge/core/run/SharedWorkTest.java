package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What machines and circuits with faults share must not be seen: each is as if it had been made for itself alone. */
public class SharedWorkTest {
    @DataProvider
    public Object[][] circuits() {
        List<Object[]> all = new ArrayList<>();
        Circuits.DEMOS.forEach(slug -> all.add(new Object[] {slug, Circuits.demo(slug)}));
        for (int seed = 0; seed < 12; seed++) {
            all.add(new Object[] {"generated " + seed, GeneratedCircuits.of(seed, 24)});
        }
        return all.toArray(Object[][]::new);
    }

    /** One machine after the other fault, in any order, against an engine that has never seen another one. */
    @Test(dataProvider = "circuits")
    public void aMachineThatHasStoodElsewhereGivesWhatAFreshOneDoes(String name, Circuit circuit) {
        Engine shared = Engine.of(circuit);
        Configuration sound = shared.start(Map.of(), List.of());
        List<Fault> faults = new ArrayList<>(FaultList.faultsOf(circuit));
        Collections.shuffle(faults, new Random(7));
        for (Fault fault : faults.subList(0, Math.min(60, faults.size()))) {
            Engine fresh = Engine.of(Assembly.of(circuit));
            Act begin = new Act.Begin(fault);
            same(
                    name + ": " + fault.words(),
                    () -> shared.advance(sound, begin),
                    () -> fresh.advance(fresh.start(Map.of(), List.of()), begin));
            same(
                    name + ": from the start " + fault.words(),
                    () -> shared.start(Map.of(), List.of(fault)),
                    () -> fresh.start(Map.of(), List.of(fault)));
        }
    }

    private static void same(String what, Course one, Course other) {
        Frame a = frame(one);
        Frame b = frame(other);
        assertEquals(a == null, b == null, what);
        if (a == null) {
            return;
        }
        assertEquals(a.signals(), b.signals(), what);
        assertEquals(a.ac().values(), b.ac().values(), what);
        assertEquals(a.dc() == null, b.dc() == null, what);
        if (a.dc() != null) {
            assertEquals(a.dc().values(), b.dc().values(), what);
        }
    }

    private interface Course {
        Configuration run();
    }

    /** Null where it never comes to rest. */
    private static Frame frame(Course course) {
        try {
            return course.run().frame();
        } catch (RunLimitException e) {
            return null;
        }
    }

    /** A circuit that shares its parts with the sound one, against the same one put together for itself. */
    @Test(dataProvider = "circuits")
    public void aCircuitThatSharesItsPartsIsTheOnePutTogetherAlone(String name, Circuit circuit) {
        Assembly sound = Assembly.of(circuit);
        int shared = 0;
        for (Fault fault : FaultList.faultsOf(circuit)) {
            if (!FaultList.rewires(fault)) {
                continue;
            }
            Circuit rewired = FaultList.rewired(circuit, fault);
            Assembly like = Assembly.of(rewired, sound);
            Assembly alone = Assembly.of(rewired);
            String what = name + ": " + fault.words();
            assertEquals(like.branches(), alone.branches(), what);
            assertEquals(like.nodes(), alone.nodes(), what);
            for (Branch b : alone.branches()) {
                assertEquals(like.network().from(b.index()), b.nodeA(), what);
                assertEquals(like.network().to(b.index()), b.nodeB(), what);
                assertEquals(like.branchesOf(b.owner()), alone.branchesOf(b.owner()), what);
            }
            if (like.sharesParts(sound)) {
                shared++;
                Frame one = frame(() -> Engine.of(like).start(Map.of(), List.of()));
                Frame two = frame(() -> Engine.of(alone).start(Map.of(), List.of()));
                assertEquals(one == null, two == null, what);
                for (int n = 0; one != null && n < alone.nodeCount(); n++) {
                    assertEquals(
                            one.ac().volts(n, -1).abs(), two.ac().volts(n, -1).abs(), 1e-6, what);
                }
            }
        }
        assertTrue(shared > 0, name);
    }

    @Test
    public void aPartThatIsBuiltByItsWiresIsNotSharedWhereTheseDiffer() {
        Circuit circuit = Circuit.builder("remote")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("RM", "remote-module", "unit", "outputs", List.of("Y", "G"))
                .part("OS", "coil-sensor", "unit")
                .wire("RM.T1", "OS.1")
                .wire("RM.T2", "OS.2")
                .build();
        Assembly sound = Assembly.of(circuit);
        Fault elsewhere = Fault.of(FaultKind.LANDED, "wire", "w1", "end", 0, "at", "RM.C");
        Assembly moved = Assembly.of(FaultList.rewired(circuit, elsewhere), sound);
        assertFalse(moved.sharesParts(sound));
        Fault chafed = Fault.of(FaultKind.SHORT, "between", List.of("RM.T1", "RM.C"), "ohms", 0.1);
        assertTrue(Assembly.of(FaultList.rewired(circuit, chafed), sound).sharesParts(sound));
    }
}
