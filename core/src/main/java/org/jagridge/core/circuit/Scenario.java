package org.jagridge.core.circuit;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Inputs and faults over time.
 *
 * @param start input values at time 0, by {@code PART.input}
 * @param faults faults that are there from the start
 */
public record Scenario(
        String name, Map<String, Object> start, List<Step> steps, List<Fault> faults, double untilSeconds) {

    /** What people may ask for: a week. */
    public static final double LONGEST_SECONDS = 7 * 86_400;

    /** What is set at one time. */
    public record Step(double atSeconds, Map<String, Object> set, List<Fault> faults) {
        public Step {
            set = Collections.unmodifiableMap(new LinkedHashMap<>(set));
            faults = List.copyOf(faults);
        }
    }

    public Scenario {
        start = Collections.unmodifiableMap(new LinkedHashMap<>(start));
        steps = List.copyOf(steps);
        faults = List.copyOf(faults);
    }

    /** The same acts of hands, with the wires that they took off, and the weather; without any fault. */
    public Scenario withoutFaults() {
        return new Scenario(
                name,
                start,
                steps.stream()
                        .map(s -> new Step(s.atSeconds(), s.set(), handWork(s.faults())))
                        .toList(),
                handWork(faults),
                untilSeconds);
    }

    private static List<Fault> handWork(List<Fault> faults) {
        return faults.stream().filter(f -> f.kind().isHandWork()).toList();
    }

    /** Nothing is touched for {@code seconds}. */
    public static Scenario quiet(double seconds) {
        return new Scenario("At rest", Map.of(), List.of(), List.of(), seconds);
    }
}
