package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.budget.OverBudgetException;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Time;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Going on from any configuration, comparing two, and taking up a run again. */
public class EngineTest {
    private static final long SHIFT = 123_456_789_123L;

    @DataProvider
    public Object[] demos() {
        return Circuits.DEMOS.toArray();
    }

    private static List<Scenario> scenarios(Circuit circuit) {
        List<Scenario> scenarios = new ArrayList<>(circuit.scenarios());
        Presets.of(circuit).forEach(p -> scenarios.add(p.scenario()));
        return scenarios;
    }

    @Test(dataProvider = "demos")
    public void goingOnFromAnyFrameIsTheReplay(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Engine engine = Engine.of(assembly);
        int steps = 0;
        for (Scenario scenario : scenarios(circuit)) {
            Run run = Simulation.run(assembly, scenario);
            for (int i = 1; i < run.frames().size(); i++) {
                Frame from = run.frames().get(i - 1);
                Frame to = run.frames().get(i);
                Configuration reached = engine.advance(from.configuration(), new Act.Wait(to.micros() - from.micros()));
                reached =
                        engine.advance(reached, new Act.Together(run.schedule().at(to.micros())));
                assertEquals(
                        reached.differences(to.configuration()), List.of(), scenario.name() + " at " + to.micros());
                assertEquals(reached, to.configuration());
                assertEquals(reached.hashCode(), to.configuration().hashCode());
                assertEquals(reached.frame().signals(), to.signals());
                steps++;
            }
        }
        assertTrue(steps >= 10, steps + " steps");
    }

    @Test(dataProvider = "demos")
    public void goingOnFromAFrameWithAFaultIsTheReplay(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Engine engine = Engine.of(assembly);
        Scenario call = Presets.of(circuit).get(0).scenario();
        List<Fault> faults = FaultList.faultsOf(circuit);
        for (int f = 0; f < faults.size(); f += 5) {
            Scenario.Step late = new Scenario.Step(30, Map.of(), List.of(faults.get(f)));
            List<Scenario.Step> steps = new ArrayList<>(call.steps());
            steps.add(late);
            Run run = Simulation.run(assembly, new Scenario("Late", call.start(), steps, List.of(), 700));
            Frame from = run.at(Time.micros(20));
            Configuration reached = engine.advance(from.configuration(), new Act.Wait(Time.micros(30) - from.micros()));
            reached = engine.advance(reached, new Act.Begin(faults.get(f)));
            Frame to = run.at(Time.micros(30));
            assertEquals(reached, to.configuration(), faults.get(f).words());
            assertEquals(reached.frame().ac().volts(0, 1), to.ac().volts(0, 1));
        }
    }

    @Test
    public void theSameShiftedIsTheSameForEveryPartType() {
        Set<String> types = new HashSet<>();
        int compared = 0;
        for (int seed = 0; seed < 120; seed++) {
            Circuit circuit = GeneratedCircuits.of(seed, 40);
            circuit.parts().forEach(p -> types.add(p.type()));
            compared += shifted(circuit, seed);
        }
        for (String slug : Circuits.DEMOS) {
            Circuit circuit = Circuits.demo(slug);
            circuit.parts().forEach(p -> types.add(p.type()));
            compared += shifted(circuit, 7);
        }
        Set<String> missing = new TreeSet<>();
        PartTypes.catalogue().all().forEach(t -> missing.add(t.type()));
        missing.removeAll(types);
        assertEquals(missing, Set.of(), "part types that no circuit had");
        assertTrue(compared > 3000, compared + " configurations");
    }

    /** Throws things by dice in two copies of a circuit, the clock of one far later; returns how often they were alike. */
    private static int shifted(Circuit circuit, long seed) {
        Engine engine = Engine.of(circuit);
        Hands hands = new Hands(circuit, seed);
        int compared = 0;
        try {
            Configuration one = engine.start(Map.of(), List.of());
            Configuration other = one.shifted(SHIFT);
            for (int i = 0; i < 40; i++) {
                Act act = hands.haveAny() && hands.mayBe(0.5) ? hands.any() : new Act.Wait(hands.anyWait());
                one = engine.advance(one, act);
                other = engine.advance(other, act);
                assertEquals(other.differences(one).toString(), "[]", act.toString());
                assertEquals(other, one);
                assertEquals(other.hashCode(), one.hashCode());
                assertEquals(other.frame().signals(), one.frame().signals(), act.toString());
                assertEquals(other.frame().micros() - SHIFT, one.frame().micros());
                assertEquals(other.untilNextWake(), one.untilNextWake());
                compared++;
            }
        } catch (RunLimitException e) {
            // some of the circuits made by dice never come to rest; both copies have got as far as this
            assertTrue(e.parts() != null);
        }
        return compared;
    }

    @Test(dataProvider = "demos")
    public void whatIsEqualGoesOnAlike(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Engine engine = Engine.of(circuit);
        List<Act.Set> sets = Hands.setsOf(circuit);
        Configuration start = engine.start(Map.of(), List.of());
        int equal = 0;
        int pairs = 0;
        for (int i = 0; i < sets.size(); i += 2) {
            for (int j = i + 1; j < sets.size(); j += 5) {
                if (sets.get(i).input().part().equals(sets.get(j).input().part())) {
                    continue;
                }
                Configuration ab = inTurn(engine, start, sets.get(i), sets.get(j));
                Configuration ba = inTurn(engine, start, sets.get(j), sets.get(i));
                pairs++;
                if (ab.equals(ba)) {
                    equal++;
                    assertEquals(ab.hashCode(), ba.hashCode());
                    goOnAlike(engine, ab, ba, new Hands(circuit, i * 1000L + j));
                }
            }
        }
        // most things in a control circuit don't mind which hand came first
        assertTrue(equal > 0.8 * pairs, slug + ": " + equal + " of " + pairs + " orders ended alike");
    }

    /** At one instant, but one after the other; then a day goes by. */
    private static Configuration inTurn(Engine engine, Configuration from, Act... acts) {
        Configuration c = from;
        for (Act act : acts) {
            c = engine.advance(c, act);
        }
        return engine.advance(c, new Act.Wait(24 * 3600 * Time.SECOND));
    }

    private static void goOnAlike(Engine engine, Configuration one, Configuration other, Hands hands) {
        Configuration a = one;
        Configuration b = other;
        for (int k = 0; k < 6; k++) {
            Act act = hands.any();
            a = engine.advance(engine.advance(a, act), new Act.Wait(400 * Time.SECOND));
            b = engine.advance(engine.advance(b, act), new Act.Wait(400 * Time.SECOND));
            assertEquals(b.frame().signals(), a.frame().signals(), "after " + act);
        }
    }

    @Test(dataProvider = "demos")
    public void aRunTakenUpAgainIsTheRunFromRest(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        for (long seed = 0; seed < 6; seed++) {
            Hands hands = new Hands(circuit, seed);
            List<Scenario.Step> steps = new ArrayList<>();
            double at = 0;
            Run run = Simulation.run(assembly, scenario(steps, 600));
            for (int i = 0; i < 12; i++) {
                at += hands.mayBe(0.2) ? 0 : Time.seconds(hands.anyWait()) / 4;
                Act.Set set = hands.any();
                Fault fault = hands.anyFault();
                steps.add(
                        hands.mayBe(0.7)
                                ? new Scenario.Step(at, Map.of(set.input().toString(), set.value()), List.of())
                                : new Scenario.Step(at, Map.of(), List.of(fault.during(at, at + 90))));
                if (hands.mayBe(0.2)) {
                    steps.remove(steps.size() / 2);
                }
                Scenario now = scenario(steps, at + 600);
                run = Simulation.resume(run, now);
                same(run, Simulation.run(assembly, now));
            }
        }
    }

    private static Scenario scenario(List<Scenario.Step> steps, double until) {
        return new Scenario("By dice", Map.of(), List.copyOf(steps), List.of(), until);
    }

    private static void same(Run resumed, Run fromRest) {
        assertEquals(resumed.frames().size(), fromRest.frames().size());
        for (int i = 0; i < fromRest.frames().size(); i++) {
            Frame a = resumed.frames().get(i);
            Frame b = fromRest.frames().get(i);
            assertEquals(a.micros(), b.micros());
            assertEquals(a.configuration(), b.configuration());
            assertEquals(a.inputs(), b.inputs());
        }
        assertEquals(
                resumed.events().stream().map(EngineTest::told).toList(),
                fromRest.events().stream().map(EngineTest::told).toList());
        assertEquals(resumed.problems(), fromRest.problems());
    }

    private static String told(Event e) {
        return e + " " + e.index() + " " + e.causes() + " " + e.path() + " " + e.backFeed();
    }

    @Test
    public void aConfigurationIsLeftAsItWas() {
        Engine engine = Engine.of(Circuits.demo("seminar-room"));
        Configuration start = engine.start(Map.of("ROOM.celsius", 15.0), List.of());
        Map<String, String> before = start.frame().signals();
        Configuration heats = engine.advance(start, new Act.Set(new Input("TH", "mode"), "heat"));
        assertNotEquals(heats, start);
        assertEquals(start.frame().signals(), before);
        assertEquals(engine.advance(start, new Act.Set(new Input("TH", "mode"), "heat")), heats);
    }

    @Test
    public void aFaultThatBeginsAndEndsAtOnceLeavesNothing() {
        Engine engine = Engine.of(Circuits.demo("lab-bench"));
        Configuration start = engine.start(Map.of(), List.of());
        Fault open = Fault.of(FaultKind.WIRE_OPEN, "wire", "w9");
        Configuration there = engine.advance(start, new Act.Begin(open));
        assertNotEquals(there, start);
        assertEquals(engine.advance(there, new Act.End(open)), start);
    }

    @Test
    public void nextGoesFromWakeToWake() {
        Engine engine = Engine.of(Circuits.demo("seminar-room"));
        Configuration c = engine.start(Map.of("ROOM.celsius", 15.0), List.of());
        c = engine.advance(c, new Act.Set(new Input("TH", "mode"), "heat"));
        List<String> phases = new ArrayList<>();
        for (int i = 0; i < 40 && !phases.contains("heating"); i++) {
            c = engine.next(c).orElseThrow();
            String phase = c.frame().signals().get("FC");
            if (phases.isEmpty() || !phases.get(phases.size() - 1).equals(phase)) {
                phases.add(phase);
            }
        }
        assertEquals(phases, List.of("purge", "igniter", "trial", "heating"));
    }

    @Test
    public void timeGoesForwardAndAnUnknownInputIsTold() {
        assertThrows(IllegalArgumentException.class, () -> new Act.Wait(0));
        Engine engine = Engine.of(Circuits.demo("lab-bench"));
        Configuration c = engine.start(Map.of(), List.of());
        assertThrows(
                IllegalArgumentException.class, () -> engine.advance(c, new Act.Set(new Input("TH", "mood"), "good")));
        assertThrows(IllegalArgumentException.class, () -> engine.start(Map.of("NO.such", 1.0), List.of()));
        assertThrows(
                IllegalArgumentException.class, () -> engine.advance(c, new Act.Together(List.of(new Act.Wait(5)))));
    }

    /** One engine serves many at once: each gets what it would get alone. */
    /** Whoever gives up halfway, for want of time, leaves nothing behind that others would work with. */
    @Test
    public void whatIsGivenUpHalfwayLeavesNothingBehind() {
        Circuit circuit = Circuits.demo("lab-bench");
        List<Fault> faults = FaultList.faultsOf(circuit);
        Map<String, Object> call = Map.of("TH.fan", "on");
        Engine untouched = Engine.of(Assembly.of(circuit));
        Engine engine = Engine.of(Assembly.of(circuit));
        Configuration from = engine.start(call, List.of());
        int givenUp = 0;
        for (Fault fault : faults) {
            for (int checks = 0; checks < 3; checks++) {
                AtomicInteger left = new AtomicInteger(checks);
                Budget budget = Budget.ofSeconds(1e9, () -> left.getAndDecrement() <= 0);
                try {
                    budget.run(() -> engine.advance(from, new Act.Begin(fault)));
                } catch (OverBudgetException e) {
                    givenUp++;
                }
            }
        }
        assertTrue(givenUp > faults.size() / 2, givenUp + " given up");
        Configuration fromUntouched = untouched.start(call, List.of());
        for (int round = 0; round < 3; round++) {
            List<Configuration> after = Parallel.map(faults, f -> engine.advance(from, new Act.Begin(f)));
            for (int i = 0; i < faults.size(); i++) {
                Frame should = untouched
                        .advance(fromUntouched, new Act.Begin(faults.get(i)))
                        .frame();
                assertEquals(
                        after.get(i).frame().signals(),
                        should.signals(),
                        faults.get(i).words());
                assertEquals(
                        after.get(i).frame().ac().values(),
                        should.ac().values(),
                        faults.get(i).words());
            }
        }
    }

    @Test
    public void severalThreadsAtOneEngineDisturbNobody() {
        Circuit circuit = Circuits.demo("lab-bench");
        Scenario scenario = Presets.of(circuit).get(0).scenario();
        List<Fault> faults = FaultList.faultsOf(circuit);
        Engine alone = Engine.of(Assembly.of(circuit));
        Engine shared = Engine.of(Assembly.of(circuit));
        List<Map<String, String>> expected = new ArrayList<>();
        for (Fault f : faults) {
            expected.add(alone.follow(scenario, List.of(f), 300_000_000).frame().signals());
        }
        List<Map<String, String>> found = faults.parallelStream()
                .map(f -> shared.follow(scenario, List.of(f), 300_000_000).frame())
                .map(Frame::signals)
                .toList();
        assertEquals(found, expected);
    }
}
