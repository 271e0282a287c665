package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.check.Check;
import org.jagridge.core.check.Finding;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.plan.InterlockKit.Strategy;
import org.jagridge.core.plan.InterlockKit.Technique;
import org.jagridge.core.plan.InterlockRequest.Control;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.plan.InterlockRequest.Opening;
import org.jagridge.core.plan.InterlockRequest.Signal;
import org.jagridge.core.prove.Limits;
import org.jagridge.core.prove.Prover;
import org.jagridge.core.prove.Verdict;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every technique with every kind of heater: put together, checked and proved. */
public class InterlockTechniquesTest {
    @DataProvider
    public Object[][] all() {
        List<Object[]> rows = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Signal signal : Signal.values()) {
            for (boolean limit : new boolean[] {true, false}) {
                for (Control control : Control.values()) {
                    InterlockRequest request = request(signal, limit, control);
                    for (Strategy s : InterlockKit.strategies()) {
                        InterlockKit.technique(s, request.openings().get(0), 1).ifPresent(t -> {
                            if (seen.add(signal + t.key() + control)) {
                                rows.add(new Object[] {request, t});
                            }
                        });
                    }
                }
            }
        }
        return rows.toArray(Object[][]::new);
    }

    private static InterlockRequest request(Signal signal, boolean limit, Control control) {
        double volts = signal == Signal.DC_ALWAYS ? 28 : 24;
        return new InterlockRequest(
                List.of(new Opening("V1", signal, volts, limit, true, 15)),
                List.of(new Heater("H1", control, 3)),
                Map.of("H1", List.of("V1")),
                Map.of(),
                true,
                "");
    }

    private static Circuit circuit(InterlockRequest request, Technique t) {
        Map<String, Technique> techniques = new LinkedHashMap<>();
        request.openings().forEach(o -> techniques.put(o.id(), t));
        return new InterlockKit(request, techniques).circuit("x");
    }

    /** What says nothing at half open can't hold; everything else must. */
    private static boolean isBlindHalfWay(InterlockRequest request, Technique t) {
        Signal signal = request.openings().get(0).signal();
        return t.number("limits") == 0 && (signal == Signal.AC_WHILE_MOVING || signal == Signal.DRY_WHEN_OPEN);
    }

    @Test(dataProvider = "all")
    public void itHoldsUnlessItIsBlindHalfWayAndTheHeaterCanRun(InterlockRequest request, Technique t) {
        Circuit circuit = circuit(request, t);
        Verdict v =
                Prover.prove(circuit, circuit.rules(), false, Limits.usual()).get(0);
        assertEquals(v.holds(), !isBlindHalfWay(request, t), t.key() + " " + v);
        assertTrue(v.complete(), v.bound());
        List<Verdict> standing =
                Prover.prove(circuit, org.jagridge.core.prove.Standing.of(circuit), false, Limits.usual());
        assertTrue(standing.stream().allMatch(Verdict::holds), "the heater can come on: " + standing);
    }

    @Test(dataProvider = "all")
    public void nothingIsWiredTwiceAndTheCheckFindsNoDangerOrError(InterlockRequest request, Technique t) {
        Circuit circuit = circuit(request, t);
        Set<Set<Terminal>> pairs = new HashSet<>();
        circuit.wires().forEach(w -> assertTrue(pairs.add(Set.of(w.from(), w.to())), w.toString()));
        for (Finding f : Check.findings(circuit)) {
            boolean blind = isBlindHalfWay(request, t) && f.code().equals("heat-with-opening");
            assertFalse(
                    !blind && Set.of("danger", "error").contains(f.severity().word()),
                    t.key() + " " + f.code() + ": " + f.message());
        }
    }

    @Test
    public void aHeaterGetsItsOwnSetOfEachRelay() {
        InterlockRequest request = new InterlockRequest(
                List.of(
                        new Opening("V1", Signal.DC_ALWAYS, 28, true, true, 5),
                        new Opening("V2", Signal.DC_ALWAYS, 28, true, true, 5)),
                List.of(new Heater("H1", Control.PAIR_24V, 1), new Heater("H2", Control.PAIR_24V, 1)),
                Map.of("H1", List.of("V1"), "H2", List.of("V1", "V2")),
                Map.of(),
                false,
                "");
        Circuit c = circuit(request, InterlockKit.technique("dc-relay-through-limit"));
        assertEquals(c.part("V1-K").orElseThrow().params().get("sets"), 2);
        assertEquals(c.part("V2-K").orElseThrow().params().get("sets"), 1);
        Set<String> ends = new HashSet<>();
        c.wires().forEach(w -> ends.addAll(List.of(w.from().toString(), w.to().toString())));
        assertTrue(ends.containsAll(Set.of("V1-K.11", "V1-K.14", "V1-K.21", "V1-K.24", "V2-K.11", "V2-K.14")));
        assertTrue(c.part("LOW-T").isEmpty(), "nothing here needs 24 V of the panel's own");
        assertEquals(c.rules().size(), 2);
    }
}
