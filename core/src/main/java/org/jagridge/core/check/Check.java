package org.jagridge.core.check;

import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/** All findings of a circuit. */
public final class Check {
    /** What passes in less than this is inrush or a contact on its way, not a state to judge. */
    private static final long SETTLED = Time.SECOND;

    private Check() {}

    /** The findings, worst first; those of one severity in the order of their codes and parts. */
    public static List<Finding> findings(Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        Findings findings = new Findings();
        lookAtWiring(new Wiring(assembly), findings);
        lookAtRuns(assembly, findings);
        return findings.sorted();
    }

    private static void lookAtWiring(Wiring w, Findings f) {
        List.of(
                        new OpenTerminals(w, f),
                        new Safeties(w, f),
                        new SwitchedNeutrals(w, f),
                        new Earths(w, f),
                        new FuseSizes(w, f),
                        new Timers(w, f),
                        new SolidPoles(w, f),
                        new HeaterPairs(w, f),
                        new Rectifiers(w, f),
                        new MixedCables(w, f),
                        new Options(w, f),
                        new Colours(w, f),
                        new Shorts(w, f),
                        new Ties(w, f),
                        new VoltsThatReach(w, f),
                        new CoilKinds(w, f),
                        new Taps(w, f),
                        new Commons(w, f),
                        new Valves(w, f),
                        new Feeds(w, f),
                        new FanWires(w, f))
                .forEach(WiringCheck::look);
    }

    /** The circuit's own scenarios without faults show what is normal; a circuit without any is looked at at rest. */
    private static void lookAtRuns(Assembly assembly, Findings f) {
        List<RunCheck> checks = List.of(
                new Upsets(f),
                new Contacts(assembly, f),
                new Coils(assembly, f),
                new Transformers(assembly, f),
                new CurrentSwitches(assembly, f),
                new HeatWithoutAir(assembly, f));
        List<Scenario> normal = assembly.circuit().scenarios().stream()
                .filter(s -> s.faults().isEmpty()
                        && s.steps().stream().allMatch(t -> t.faults().isEmpty()))
                .toList();
        for (Scenario s : normal.isEmpty() ? List.of(Scenario.quiet(10)) : normal) {
            Run run = Simulation.run(assembly, s);
            String during = " in \"" + s.name() + "\"";
            checks.forEach(c -> c.look(run, during));
            settledStates(run, checks, during);
        }
    }

    private static void settledStates(Run run, List<RunCheck> checks, String during) {
        for (int i = 0; i < run.frames().size(); i++) {
            Frame frame = run.frames().get(i);
            long until = i + 1 < run.frames().size() ? run.frames().get(i + 1).micros() : run.until();
            if (until - frame.micros() >= SETTLED) {
                checks.forEach(c -> c.settled(frame, until - frame.micros(), during));
            }
        }
    }
}
