package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;

/** A scenario simulated: its events, and the state of the circuit at any time. Immutable. */
public final class Run {
    /** One value of a signal from a time on. */
    public record Step(long micros, String value) {}

    private final Circuit circuit;
    private final long until;
    private final List<Event> events;
    private final List<Frame> frames;
    private final List<RunProblem> problems;
    private final long restAt;

    Run(Circuit circuit, long until, List<Event> events, List<Frame> frames, List<RunProblem> problems, long restAt) {
        this.circuit = circuit;
        this.until = until;
        this.events = List.copyOf(events);
        this.frames = List.copyOf(frames);
        this.problems = List.copyOf(problems);
        this.restAt = restAt;
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
        return frames.get(low);
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
