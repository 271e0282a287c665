package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;

/** A scenario simulated: its events, and the state of the circuit at any time. Immutable. */
public final class Run {
    /** One value of a signal from a time on. */
    public record Step(long micros, String value) {}

    private final Circuit circuit;
    private final Scenario scenario;
    private final Schedule schedule;
    private final long until;
    private final List<Event> events;
    private final List<Frame> frames;
    private final List<RunProblem> problems;
    private final List<RunProblem> ownProblems;
    private final long restAt;

    Run(Circuit circuit, Scenario scenario, Schedule schedule, Teller teller) {
        this.circuit = circuit;
        this.scenario = scenario;
        this.schedule = schedule;
        until = schedule.until();
        events = List.copyOf(teller.events);
        frames = List.copyOf(teller.frames);
        ownProblems = List.copyOf(teller.problems);
        List<RunProblem> all = new ArrayList<>(ownProblems);
        all.addAll(BackFed.transformers(frames));
        problems = List.copyOf(all);
        restAt = frames.get(frames.size() - 1).micros();
    }

    /** What was run. */
    public Scenario scenario() {
        return scenario;
    }

    /** The circuit put together, without the faults of the scenario. */
    public Assembly assembly() {
        return frames.get(0).configuration().variant.engine.assembly();
    }

    Schedule schedule() {
        return schedule;
    }

    /** Problems that were met on the way, in order. */
    List<RunProblem> ownProblems() {
        return ownProblems;
    }

    public Circuit circuit() {
        return circuit;
    }

    /** The run's horizon in microseconds. */
    public long until() {
        return until;
    }

    public List<Event> events() {
        return events;
    }

    public List<RunProblem> problems() {
        return problems;
    }

    /** The time of the last change within the horizon. */
    public long restAt() {
        return restAt;
    }

    /** All frames in order of time, the first at 0. */
    public List<Frame> frames() {
        return frames;
    }

    /** The state at a time: that of the last frame not after it. */
    public Frame at(long micros) {
        return frames.get(indexAt(micros));
    }

    /** The index of the last frame not after {@code micros}. */
    int indexAt(long micros) {
        int low = 0;
        int high = frames.size() - 1;
        while (low < high) {
            int mid = (low + high + 1) >>> 1;
            if (frames.get(mid).micros() <= micros) {
                low = mid;
            } else {
                high = mid - 1;
            }
        }
        return low;
    }

    /** Whether it is a run of this very assembly, so that {@link Simulation#resume} goes on from it for that. */
    public boolean isOf(Assembly assembly) {
        return assembly() == assembly;
    }

    /** What it takes in memory, roughly: its frames with the solutions that they don't share, and its events. */
    public int kilobytes() {
        Set<Solution> solutions = Collections.newSetFromMap(new IdentityHashMap<>());
        long bytes = 300L * events.size();
        for (Frame f : frames) {
            bytes += 40L * f.assembly().members().size();
            solutions.add(f.ac());
            solutions.add(f.dc());
        }
        Network network = frames.get(0).assembly().network();
        return (int) ((bytes + solutions.size() * (16L * network.nodes() + 40L * network.branches())) / 1024);
    }

    /** Main signals as steps over time, by part, each with its value at time 0 first. */
    public Map<String, List<Step>> signals() {
        Map<String, List<Step>> steps = new LinkedHashMap<>();
        frames.get(0).signals().forEach((part, value) -> {
            List<Step> list = new ArrayList<>();
            list.add(new Step(0, value));
            steps.put(part, list);
        });
        for (Event e : events) {
            if (!e.isInput() && steps.containsKey(e.part())) {
                steps.get(e.part()).add(new Step(e.micros(), e.to()));
            }
        }
        return steps;
    }
}
