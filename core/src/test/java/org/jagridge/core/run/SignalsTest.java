package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What parts show is what their types declare, whatever is done to them. */
public class SignalsTest {
    @DataProvider
    public Object[] demos() {
        return Circuits.DEMOS.toArray();
    }

    @Test(dataProvider = "demos")
    public void everySignalOfEveryRunIsDeclared(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        TreeSet<String> strange = new TreeSet<>();
        for (Presets.Preset preset : Presets.of(circuit)) {
            look(Simulation.run(assembly, preset.scenario()), strange);
        }
        Scenario call = Presets.of(circuit).get(0).scenario();
        for (Fault fault : FaultList.faultsOf(circuit)) {
            look(
                    Simulation.run(assembly, new Scenario("Fault", call.start(), call.steps(), List.of(fault), 200)),
                    strange);
        }
        assertEquals(strange.toString(), "[]");
    }

    @Test
    public void soAreThoseOfCircuitsMadeByDice() {
        TreeSet<String> strange = new TreeSet<>();
        int looks = 0;
        for (int seed = 0; seed < 150; seed++) {
            Circuit circuit = GeneratedCircuits.of(seed, 50);
            Engine engine = Engine.of(circuit);
            Hands hands = new Hands(circuit, seed);
            try {
                Configuration c = engine.start(Map.of(), List.of());
                for (int i = 0; i < 25; i++) {
                    c = engine.advance(
                            c, hands.haveAny() && hands.mayBe(0.6) ? hands.any() : new Act.Wait(hands.anyWait()));
                    look(c.frame(), strange);
                    looks++;
                }
            } catch (RunLimitException e) {
                assertTrue(e.getMessage() != null);
            }
        }
        assertEquals(strange.toString(), "[]");
        assertTrue(looks > 2000, looks + " looks");
    }

    private static void look(Run run, Set<String> strange) {
        run.frames().forEach(f -> look(f, strange));
    }

    private static void look(Frame frame, Set<String> strange) {
        for (Assembly.Member m : frame.assembly().members()) {
            String value = frame.signals().get(m.part().id());
            if (value == null
                    ? m.signal().isThere() && m.part().fitted()
                    : m.signal().mistakeIn(value).isPresent()) {
                strange.add(m.part().type() + " shows " + value);
            }
        }
    }
}
