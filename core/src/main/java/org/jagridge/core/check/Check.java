package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.run.Tale;

/** All findings of a circuit. */
public final class Check {
    /** What passes in less than this is inrush or a contact on its way, not a state to judge. */
    private static final long SETTLED = Time.SECOND;

    private Check() {}

    /**
     * What was found, and where it was looked.
     *
     * @param findings worst first; those of one severity in the order of their codes and parts
     * @param looked what was looked at and tried, a line each; empty for a circuit in which there is nothing to look at
     */
    public record Report(List<Finding> findings, List<String> looked) {}

    /** The findings, worst first; those of one severity in the order of their codes and parts. */
    public static List<Finding> findings(Circuit circuit) {
        return report(circuit).findings();
    }

    /** The findings with what was looked at. */
    public static Report report(Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        Findings findings = new Findings();
        Wiring wiring = new Wiring(assembly);
        lookAtWiring(wiring, findings);
        Trials trials = new Trials(wiring, findings);
        trials.look();
        List<Scenario> runs = runs(circuit);
        lookAtRuns(assembly, runs, findings);
        return new Report(findings.sorted(), looked(assembly, runs, trials));
    }

    private static List<String> looked(Assembly assembly, List<Scenario> runs, Trials trials) {
        if (assembly.circuit().wires().isEmpty()) {
            return List.of();
        }
        List<String> looked = new ArrayList<>();
        looked.add("every wire and part: " + assembly.circuit().wires().size() + " wires, "
                + assembly.members().size() + " parts");
        looked.addAll(trials.tried());
        looked.add("every state of " + runs.size() + (runs.size() == 1 ? " run" : " runs")
                + ": volts, amps and VA against what each part and wire may have");
        return looked;
    }

    /** The circuit's own scenarios without faults, and each call of each control; at rest where there is neither. */
    private static List<Scenario> runs(Circuit circuit) {
        List<Scenario> runs = new ArrayList<>(circuit.scenarios().stream()
                .filter(s -> s.faults().isEmpty()
                        && s.steps().stream().allMatch(t -> t.faults().isEmpty()))
                .toList());
        for (Part control : circuit.parts()) {
            if (control.fitted()) {
                PartTypes.callsOf(control)
                        .forEach(c -> runs.add(Tale.around(circuit, control, c)
                                .call(c, 5, 605)
                                .until(c.name() + " by " + control.id(), 1000)));
            }
        }
        return runs.isEmpty() ? List.of(Scenario.quiet(120)) : runs;
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
                        new TwiceWired(w, f),
                        new Ties(w, f),
                        new VoltsThatReach(w, f),
                        new CoilKinds(w, f),
                        new Taps(w, f),
                        new Commons(w, f),
                        new Valves(w, f),
                        new Feeds(w, f),
                        new FanWires(w, f),
                        new Protections(w, f))
                .forEach(WiringCheck::look);
    }

    private static void lookAtRuns(Assembly assembly, List<Scenario> normal, Findings f) {
        List<RunCheck> checks = List.of(
                new Upsets(f),
                new Contacts(assembly, f),
                new Coils(assembly, f),
                new Transformers(assembly, f),
                new Conductors(assembly, f),
                new CurrentSwitches(assembly, f),
                new HeatWithoutAir(assembly, f));
        for (Scenario s : normal) {
            Run run = Simulation.run(assembly, s);
            During during = new During(s);
            checks.forEach(c -> c.look(run, during));
            settledStates(run, checks, during);
        }
    }

    private static void settledStates(Run run, List<RunCheck> checks, During during) {
        for (int i = 0; i < run.frames().size(); i++) {
            Frame frame = run.frames().get(i);
            long until = i + 1 < run.frames().size() ? run.frames().get(i + 1).micros() : run.until();
            if (until - frame.micros() >= SETTLED) {
                checks.forEach(c -> c.settled(frame, until - frame.micros(), during));
            }
        }
    }
}
