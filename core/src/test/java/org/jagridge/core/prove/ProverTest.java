package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Time;
import org.jagridge.core.prove.FaultVerdict.Kind;
import org.jagridge.core.prove.Openings.Design;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** What is proved of interlocks, and how it compares with plainer ways to prove it. */
public class ProverTest {
    private static Verdict proved(Circuit circuit, boolean faults) {
        return Prover.prove(circuit, circuit.rules(), faults, Limits.usual()).get(0);
    }

    private static Set<String> words(List<FaultVerdict> faults) {
        return faults.stream().map(f -> f.fault().words()).collect(Collectors.toSet());
    }

    /** Whether the rule's condition stands in the run for its grace, seen by the simulation and not by the search. */
    private static boolean isBrokenInRun(Circuit circuit, Rule rule, Counterexample how) {
        Scenario scenario = how.scenario("again");
        var run = Simulation.run(circuit, scenario);
        Watch watch = new Watch(rule);
        long since = Watch.FINE;
        Frame before = null;
        for (Frame f : run.frames()) {
            if (watch.isBroken(since, f.micros())) {
                return true;
            }
            since = watch.next(
                    since,
                    before == null ? null : new Signs(before.assembly(), before.configuration()),
                    new Signs(f.assembly(), f.configuration()),
                    f.micros());
            before = f;
        }
        return watch.isBroken(since, Time.micros(scenario.untilSeconds()));
    }

    @Test
    public void aRelayThatIsFedOnlyWhileTravellingIsCaught() {
        for (int openings : new int[] {1, 3}) {
            Circuit circuit = Openings.of(openings, 1, Design.MOVING_NC);
            Verdict v = proved(circuit, false);
            assertFalse(v.holds());
            assertEquals(v.how().steps().size(), 2, v.how().toString());
            assertTrue(isBrokenInRun(circuit, v.rule(), v.how()), "it plays on the bench");
        }
    }

    @Test
    public void theNormallyClosedDesignFailsHotForADeadCoilAWireAndTheDrivesSupply() {
        Verdict v = proved(Openings.of(1, 1, Design.OPEN_NC), true);
        assertTrue(v.holds());
        Set<String> hot = words(v.of(Kind.HOT));
        // w2, w3: the drive's mains; w4, w5: its signal to the coil
        assertTrue(
                hot.containsAll(Set.of(
                        "coil open K1",
                        "coil shorted K1",
                        "wire open w2",
                        "wire open w3",
                        "wire open w4",
                        "wire open w5",
                        "contact welded K1 11-12")),
                hot.toString());
    }

    @Test
    public void theClosedWhenShutDesignFailsColdForThoseAndHotForAWeldAStuckLimitAndALink() {
        Verdict v = proved(Openings.of(1, 1, Design.SHUT), true);
        assertTrue(v.holds());
        Set<String> cold = words(v.of(Kind.COLD));
        assertTrue(
                cold.containsAll(Set.of(
                        "coil open K1",
                        "wire open w2",
                        "wire open w3",
                        "wire open w4",
                        "wire open w5",
                        "wire open w6")),
                cold.toString());
        Set<String> hot = words(v.of(Kind.HOT));
        assertTrue(
                hot.containsAll(Set.of(
                        "contact welded K1 11-14",
                        "contact welded LS1 C-NO",
                        "armature stuck K1",
                        "link K1.11 to K1.14",
                        "link LS1.C to LS1.NO")),
                hot.toString());
        assertTrue(words(v.of(Kind.HIDDEN)).contains("contact open K1 11-12"), "the contact that isn't used");
    }

    @Test
    public void everyWayToBreakARuleWithAFaultPlaysAgainAndNoStepCanBeLeftOut() {
        Circuit circuit = Openings.of(2, 1, Design.SHUT);
        Verdict v = proved(circuit, true);
        assertFalse(v.of(Kind.HOT).isEmpty());
        for (FaultVerdict f : v.of(Kind.HOT)) {
            assertTrue(isBrokenInRun(circuit, v.rule(), f.how()), f.toString());
            for (int i = 0; i < f.how().steps().size(); i++) {
                List<Step> fewer = new ArrayList<>(f.how().steps());
                fewer.remove(i);
                // run on as long as anything may still come of it
                Counterexample shorter =
                        new Counterexample(f.how().faults(), fewer, f.how().brokenAtSeconds() + 300);
                assertFalse(isBrokenInRun(circuit, v.rule(), shorter), f.fault().words() + " without step " + i);
            }
        }
    }

    @Test
    public void slicesAndTheWholeSayTheSameOfEveryFault() {
        for (Design design : Design.values()) {
            Circuit circuit = Openings.of(1, 1, design);
            List<Rule> rules = new ArrayList<>(circuit.rules());
            rules.addAll(Standing.of(circuit));
            Limits limits = Limits.usual().withChanges(1);
            Subject subject = new Subject(Subject.still(circuit), rules);
            List<Verdict> whole = Prover.whole(subject, true, limits);
            List<Verdict> slices = new SliceProver(subject, limits).verdicts(true);
            for (int i = 0; i < whole.size(); i++) {
                assertEquals(
                        slices.get(i).holds(),
                        whole.get(i).holds(),
                        design + " " + rules.get(i).text());
                Map<String, Kind> kinds = new HashMap<>();
                whole.get(i).faults().forEach(f -> kinds.put(f.fault().words(), f.kind()));
                slices.get(i)
                        .faults()
                        .forEach(f -> assertEquals(
                                f.kind(),
                                kinds.get(f.fault().words()),
                                design + ": " + f.fault().words()));
            }
        }
    }

    @Test
    public void aPlainSearchFindsAsManyStates() {
        for (Design design : Design.values()) {
            Circuit circuit = Openings.of(1, 1, design);
            Rule rule = circuit.rules().get(0);
            Subject subject = new Subject(Subject.still(circuit), circuit.rules());
            StateSearch search = subject.search(Limits.usual().withChanges(1))
                    .from(List.<Fault>of())
                    .search();
            PlainSearch plain = new PlainSearch(
                    subject.circuit, subject.hands, rule.claim().conditions().get(0), rule.graceSeconds());
            assertEquals(search.states(), plain.states.size());
            assertEquals(search.broken(0) != null, plain.broken);
            assertTrue(search.isComplete());
        }
    }

    @Test
    public void aFanThatWaitsForTheHeatThatWaitsForTheFanIsFoundWithoutARule() {
        Verdict dead = byId(Openings.read(deadlock(true), deadlockWires(true), List.of()), "standing-runs-HTR");
        assertFalse(dead.holds(), dead.bound());
        Verdict alive = byId(Openings.read(deadlock(false), deadlockWires(false), List.of()), "standing-runs-HTR");
        assertTrue(alive.holds(), alive.bound());
        assertNotNull(alive.how());
    }

    /** The cottage with a valve that is made for the other letter heats when it is called to cool. */
    @Test
    public void aValveForTheOtherLetterIsFoundWithoutARule() {
        Circuit right = Circuits.demo("wardens-cottage");
        Circuit.Builder b = right.toBuilder();
        b.parts().replaceAll(p -> {
            Map<String, Object> params = new HashMap<>(p.params());
            params.put("energised", "heats");
            return p.id().equals("RV") ? p.withParams(params) : p;
        });
        for (boolean wrong : new boolean[] {false, true}) {
            Circuit circuit = wrong ? b.build() : right;
            List<Rule> rules = Standing.of(circuit).stream()
                    .filter(r ->
                            Set.of("standing-cools-CMP", "standing-heats-CMP").contains(r.id()))
                    .toList();
            assertEquals(rules.size(), 2);
            for (Verdict v : Prover.prove(circuit, rules, false, Limits.usual().with(1, 4_000))) {
                assertEquals(v.holds(), !wrong, v.rule().text());
                assertTrue(!wrong || v.how().steps().size() <= 2, v.rule().text());
            }
        }
    }

    private static Verdict byId(Circuit circuit, String id) {
        return Prover.prove(circuit, Standing.of(circuit), false, Limits.usual()).stream()
                .filter(v -> id.equals(v.rule().id()))
                .findFirst()
                .orElseThrow();
    }

    /** A heat relay that waits for a current switch round the fan's conductor; the fan comes with the relay, or by itself. */
    private static List<Object> deadlock(boolean dead) {
        return List.of(
                part("M", "supply", Map.of("system", "single-120")),
                part("T1", "transformer", Map.of("va", 40)),
                part("ST", "line-thermostat", Map.of()),
                part("CS", "current-switch", Map.of("senses", List.of(Map.of("wire", "wf")))),
                part("K", "relay", Map.of("sets", 2)),
                part("BLW", "motor", Map.of("volts", 120, "amps", 4, "kind", "blower")),
                part("HTR", "resistive-load", Map.of("volts", 120, "watts", 1000, "kind", "strip heater")),
                part("SW", "switch", Map.of("rest", dead ? "open" : "closed")));
    }

    private static List<Object> deadlockWires(boolean dead) {
        List<Object> wires = new ArrayList<>();
        String[][] all = {
            {"w1", "M.L", "T1.P1"},
            {"w2", "T1.P2", "M.N"},
            {"w3", "T1.X1", "ST.1"},
            {"w4", "ST.2", "CS.1"},
            {"w5", "CS.2", "K.A1"},
            {"w6", "K.A2", "T1.X2"},
            {"w7", "M.L", "K.11"},
            {"w8", "K.14", "HTR.1"},
            {"w9", "HTR.2", "M.N"},
            {"w10", "M.L", dead ? "K.21" : "SW.1"},
            {"wf", dead ? "K.24" : "SW.2", "BLW.1"},
            {"w12", "BLW.2", "M.N"}
        };
        for (String[] w : all) {
            wires.add(Map.of("id", w[0], "ends", List.of(w[1], w[2])));
        }
        return wires;
    }

    private static Map<String, Object> part(String id, String type, Map<String, Object> params) {
        return Map.of("id", id, "type", type, "place", "panel", "params", params);
    }

    @Test
    public void whatWasNotSearchedIsNotClaimed() {
        Circuit circuit = Openings.of(2, 1, Design.SHUT);
        Verdict v = Prover.whole(
                        new Subject(Subject.still(circuit), circuit.rules()),
                        false,
                        Limits.usual().with(2, 500))
                .get(0);
        assertFalse(v.complete());
        assertTrue(v.bound().startsWith("not every state"), v.bound());
        assertNull(v.how());
    }

    @Test
    public void eightOpeningsAndTwoHeatersAreSearchedInWhatEachRuleDependsOn() {
        Circuit circuit = Openings.of(8, 2, Design.SHUT);
        List<Verdict> verdicts = Prover.prove(circuit, circuit.rules(), true, Limits.usual());
        for (Verdict v : verdicts) {
            assertTrue(v.holds() && v.complete(), v.bound());
            assertTrue(v.bound().contains("8 claims, of which 1 differ"), v.bound());
            // weld, stuck armature, limit, the limit's wire next door, and two links, at each of eight openings
            assertEquals(v.of(Kind.HOT).size(), 48);
            assertEquals(v.of(Kind.OPEN).size(), 0);
        }
    }
}
