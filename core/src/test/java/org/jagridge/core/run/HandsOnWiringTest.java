package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever hands do to the wiring of any demo circuit while it runs: it runs on, and the wiring comes back. */
public class HandsOnWiringTest {
    private static final int TRIES = 25;
    private static final double PUT = 5;
    private static final double UNDONE = 10;
    private static final double END = 15;

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    private static Fault timed(FaultKind kind, Map<String, Object> details) {
        return new Fault(kind, details, PUT, UNDONE);
    }

    private static Run run(Assembly assembly, Fault fault) {
        return Simulation.run(assembly, new Scenario("Hands", Map.of(), List.of(), List.of(fault), END));
    }

    private static Frame at(Run run, double seconds) {
        return run.at(Time.micros(seconds));
    }

    private static List<Terminal> terminals(Circuit c) {
        List<Terminal> all = new ArrayList<>();
        c.wires().forEach(w -> all.addAll(List.of(w.from(), w.to())));
        return all.stream().distinct().toList();
    }

    @Test(dataProvider = "demos")
    public void twistedWiresAreOneConductorUntilTheyAreLandedAgain(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Random random = new Random(11);
        for (int i = 0; i < TRIES; i++) {
            Wire a = circuit.wires().get(random.nextInt(circuit.wires().size()));
            Wire b = circuit.wires().get(random.nextInt(circuit.wires().size()));
            if (a.equals(b)) {
                continue;
            }
            int endA = random.nextInt(2);
            int endB = random.nextInt(2);
            List<String> off = List.of(a.end(endA).toString(), b.end(endB).toString());
            Run run = run(assembly, timed(FaultKind.TWISTED, Map.of("wires", List.of(a.id(), b.id()), "between", off)));
            Frame twisted = at(run, UNDONE - 0.1);
            String where = a.id() + " with " + b.id();
            assertEquals(amps(twisted, a.id()), amps(twisted, b.id()), 1e-6, "one current through " + where);
            assertEquals(
                    at(run, END).assembly().nodeCount(),
                    assembly.nodeCount(),
                    "the wiring is as it was after " + where);
        }
    }

    private static double amps(Frame f, String wire) {
        return f.amps(f.assembly().branchesOf(wire).get(0));
    }

    @Test(dataProvider = "demos")
    public void aMovedWireJoinsItsNewTerminalWithItsFarEnd(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        List<Terminal> terminals = terminals(circuit);
        Random random = new Random(12);
        for (int i = 0; i < TRIES; i++) {
            Wire w = circuit.wires().get(random.nextInt(circuit.wires().size()));
            Terminal to = terminals.get(random.nextInt(terminals.size()));
            int end = random.nextInt(2);
            if (to.equals(w.from()) || to.equals(w.to())) {
                continue;
            }
            Run run = run(assembly, timed(FaultKind.LANDED, Map.of("wire", w.id(), "end", end, "at", to.toString())));
            Frame moved = at(run, UNDONE - 0.1);
            double drop = moved.ac()
                    .volts(node(moved, to), node(moved, w.end(1 - end)))
                    .abs();
            int branch = moved.assembly().branchesOf(w.id()).get(0).index();
            assertEquals(
                    drop,
                    moved.ac().branchVolts(branch).abs(),
                    1e-9,
                    w.id() + " is between " + to + " and its far end");
            assertEquals(at(run, END).assembly().circuit().wire(w.id()), circuit.wire(w.id()), "landed again");
        }
    }

    private static int node(Frame f, Terminal t) {
        return f.assembly().node(t).orElseThrow();
    }
}
