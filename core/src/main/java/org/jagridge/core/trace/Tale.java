package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Call;

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

    Tale start(Map<Input, Object> set) {
        set.forEach((input, value) -> start(input.toString(), value));
        return this;
    }

    /** A call from its beginning to its end. */
    Tale call(Call call, double begins, double ends) {
        return start(call.before()).begin(call, begins).end(call, ends);
    }

    Tale begin(Call call, double seconds) {
        return at(seconds, named(call.begin()));
    }

    Tale end(Call call, double seconds) {
        return at(seconds, named(call.end()));
    }

    private static Map<String, Object> named(Map<Input, Object> set) {
        Map<String, Object> named = new LinkedHashMap<>();
        set.forEach((input, value) -> named.put(input.toString(), value));
        return named;
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
