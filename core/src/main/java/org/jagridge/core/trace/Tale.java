package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Scenario;

/** What is set from the start and when, while a scenario is told. */
final class Tale {
    private final Map<String, Object> start = new LinkedHashMap<>();
    private final List<Scenario.Step> steps = new ArrayList<>();

    /** The beginning of another scenario, up to its first step. */
    static Tale beginningOf(Scenario call) {
        Tale tale = new Tale();
        call.start().forEach(tale::start);
        tale.steps.add(call.steps().get(0));
        return tale;
    }

    Tale start(String input, Object value) {
        start.put(input, value);
        return this;
    }

    Tale at(double seconds, Map<String, Object> set) {
        steps.add(new Scenario.Step(seconds, set, List.of()));
        return this;
    }

    Tale at(double seconds, String input, Object value) {
        return at(seconds, Map.of(input, value));
    }

    Scenario until(String name, double seconds) {
        return new Scenario(name, start, steps, List.of(), seconds);
    }

    /** Inputs in the order in which they are told. */
    static Map<String, Object> both(String one, Object first, String two, Object second) {
        Map<String, Object> set = new LinkedHashMap<>();
        set.put(one, first);
        set.put(two, second);
        return set;
    }
}
