package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Rule;
import org.testng.annotations.Test;

/** Circuits of up to six relays and three switches, wired by chance: the proof against plain enumeration. */
public class RandomRelaysTest {
    private static final int CIRCUITS = 30;

    private final List<Object> parts = new ArrayList<>();
    private final List<Object> wires = new ArrayList<>();

    private void wire(String from, String to) {
        wires.add(Map.of("id", "w" + (wires.size() + 1), "ends", List.of(from, to)));
    }

    private void part(String id, String type, Map<String, Object> params) {
        parts.add(Map.of("id", id, "type", type, "place", "panel", "params", params));
    }

    /** Each relay's coil hangs behind one or two contacts in series; some contacts are of relays that come later. */
    private Circuit circuit(Random random) {
        parts.clear();
        wires.clear();
        int relays = 2 + random.nextInt(5);
        int switches = 1 + random.nextInt(3);
        part("M", "supply", Map.of("system", "single-120"));
        part("T", "transformer", Map.of("va", 100));
        wire("M.L", "T.P1");
        wire("T.P2", "M.N");
        for (int s = 1; s <= switches; s++) {
            part("S" + s, "switch", Map.of("rest", random.nextBoolean() ? "open" : "closed"));
            wire("T.X1", "S" + s + ".1");
        }
        for (int k = 1; k <= relays; k++) {
            part("K" + k, "relay", Map.of("sets", 4));
            wire("K" + k + ".A2", "T.X2");
        }
        int[] used = new int[relays + 1];
        for (int k = 1; k <= relays; k++) {
            for (int way = 0; way <= random.nextInt(2); way++) {
                String at = "S" + (1 + random.nextInt(switches)) + ".2";
                int through = 1 + random.nextInt(relays);
                if (used[through] < 4 && random.nextInt(4) > 0) {
                    int set = ++used[through];
                    wire(at, "K" + through + "." + set + "1");
                    at = "K" + through + "." + set + (random.nextBoolean() ? "2" : "4");
                }
                wire(at, "K" + k + ".A1");
            }
        }
        int a = 1 + random.nextInt(relays);
        int b = 1 + random.nextInt(relays);
        String second = "K" + b + (random.nextBoolean() ? "=in" : "=out");
        Map<String, Object> rule =
                Map.of("id", "r", "text", "r", "never", Map.of("all", List.of("K" + a + "=in", second)));
        return Openings.read(parts, wires, List.of(rule));
    }

    @Test
    public void proofAndEnumerationAgree() {
        Random random = new Random(11);
        int broken = 0;
        for (int i = 0; i < CIRCUITS; i++) {
            Circuit circuit = circuit(random);
            Rule rule = circuit.rules().get(0);
            Subject subject = new Subject(Subject.still(circuit), circuit.rules());
            PlainSearch plain = new PlainSearch(
                    subject.circuit, subject.hands, rule.claim().conditions().get(0), rule.graceSeconds());
            Limits limits = Limits.usual().withChanges(1);
            Verdict whole = Prover.whole(subject, false, limits).get(0);
            assertEquals(whole.holds(), !plain.broken, "circuit " + i + ": " + whole);
            assertEquals(whole.states(), plain.states.size(), "states of circuit " + i);
            Verdict sliced = new SliceProver(subject, limits).verdicts(false).get(0);
            assertEquals(sliced.holds(), !plain.broken, "in slices, circuit " + i + ": " + sliced);
            broken += plain.broken ? 1 : 0;
        }
        assertTrue(broken >= CIRCUITS / 10 && broken <= CIRCUITS / 2, "broken: " + broken);
    }
}
