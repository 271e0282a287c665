package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;

/** What is set from the start and when, while a scenario is told. */
public final class Tale {
    private final Map<String, Object> start = new LinkedHashMap<>();
    private final List<Scenario.Step> steps = new ArrayList<>();

    /** The beginning of another scenario, up to its first step. */
    public static Tale beginningOf(Scenario call) {
        Tale tale = new Tale();
        call.start().forEach(tale::start);
        tale.steps.add(call.steps().get(0));
        return tale;
    }

    public Tale start(String input, Object value) {
        start.put(input, value);
        return this;
    }

    public Tale start(Map<Input, Object> set) {
        set.forEach((input, value) -> start(input.toString(), value));
        return this;
    }

    /**
     * The beginning of a tale of one call: other controls are quiet, so that it is told alone, or let it through, or ask
     * for what it passes.
     */
    public static Tale around(Circuit circuit, Part caller, Call call) {
        Tale tale = new Tale();
        circuit.parts().stream().filter(o -> !o.id().equals(caller.id())).forEach(o -> {
            if (call.passesRooms() && asksByItself(o)) {
                PartTypes.callsOf(o).forEach(asked -> tale.start(asked.begin()));
            } else if (asksByItself(caller)) {
                tale.start(PartTypes.quietOf(o)).start(PartTypes.letsThrough(o));
            }
        });
        return tale;
    }

    /** Whether a room makes it call even while no hand has set it to do so. */
    private static boolean asksByItself(Part control) {
        return !PartTypes.quietOf(control).isEmpty();
    }

    /** A call from its beginning to its end. */
    public Tale call(Call call, double begins, double ends) {
        return start(call.before()).begin(call, begins).end(call, ends);
    }

    public Tale begin(Call call, double seconds) {
        return at(seconds, named(call.begin()));
    }

    public Tale end(Call call, double seconds) {
        return at(seconds, named(call.end()));
    }

    private static Map<String, Object> named(Map<Input, Object> set) {
        Map<String, Object> named = new LinkedHashMap<>();
        set.forEach((input, value) -> named.put(input.toString(), value));
        return named;
    }

    public Tale at(double seconds, Map<String, Object> set) {
        steps.add(new Scenario.Step(seconds, set, List.of()));
        return this;
    }

    public Tale at(double seconds, String input, Object value) {
        return at(seconds, Map.of(input, value));
    }

    public Scenario until(String name, double seconds) {
        return new Scenario(name, start, steps, List.of(), seconds);
    }

    /** Inputs in the order in which they are told. */
    public static Map<String, Object> both(String one, Object first, String two, Object second) {
        Map<String, Object> set = new LinkedHashMap<>();
        set.put(one, first);
        set.put(two, second);
        return set;
    }
}
