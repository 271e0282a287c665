package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.RunLimitException;

/**
 * A hand set otherwise from the start, and the coils and loads that come on because of it: found by trying each switch,
 * isolator and control, and each safety that has opened.
 *
 * @param comeOn parts, in the order of their names
 */
public record OneChange(Input input, Object value, Set<String> comeOn) {
    private static final double FED = 1e-3;
    /** When is looked, seconds. */
    private static final List<Integer> LOOKS = List.of(10, 60, 240, 500);

    /** Every one that brings something on in a scenario, those first that bring on most. */
    public static List<OneChange> thatHelp(Assembly assembly, Scenario scenario) {
        Set<String> already = comeOn(assembly, scenario);
        List<OneChange> changes = new ArrayList<>();
        for (Assembly.Member m : assembly.members()) {
            if (!m.part().fitted()) {
                continue;
            }
            for (Field f : m.type().inputs(m.params())) {
                Input input = new Input(m.part().id(), f.name());
                for (Object value : values(m, f)) {
                    Set<String> more = comeOn(assembly, with(scenario, input, value));
                    more.removeAll(already);
                    if (!more.isEmpty()) {
                        changes.add(new OneChange(input, value, more));
                    }
                }
            }
        }
        changes.sort((a, b) -> b.comeOn().size() - a.comeOn().size());
        return changes;
    }

    /** What a hand may set an input to: nothing that goes around a safety or pushes in what should be driven. */
    private static List<Object> values(Assembly.Member m, Field f) {
        if (m.is(Trait.SAFETY)) {
            return f.name().equals("tripped") ? List.of(false) : List.of();
        }
        boolean hand = m.is(Trait.HAND_SWITCH)
                || m.type().isolation(m.params()).isPresent()
                || !PartTypes.callsOf(m.part()).isEmpty();
        if (!hand) {
            return List.of();
        }
        return switch (f.kind()) {
            case FLAG -> List.of(true, false);
            case CHOICE -> List.copyOf(f.choices());
            default -> List.of();
        };
    }

    private static Scenario with(Scenario s, Input input, Object value) {
        Map<String, Object> start = new LinkedHashMap<>(s.start());
        start.put(input.toString(), value);
        List<Scenario.Step> steps = s.steps().stream()
                .map(step -> {
                    Map<String, Object> set = new LinkedHashMap<>(step.set());
                    set.remove(input.toString());
                    return new Scenario.Step(step.atSeconds(), set, step.faults());
                })
                .toList();
        return new Scenario(s.name(), start, steps, s.faults(), s.untilSeconds());
    }

    private static Set<String> comeOn(Assembly assembly, Scenario s) {
        Set<String> on = new TreeSet<>();
        try {
            for (int look : LOOKS) {
                Frame f = Engine.of(assembly)
                        .follow(s, List.of(), Time.micros(look))
                        .frame();
                for (Branch b : assembly.branches()) {
                    boolean worker = (b.role() == Role.COIL || b.role() == Role.LOAD) && b.shape() != Shape.BOX;
                    if (worker && b.isDrawn() && f.amps(b) >= FED) {
                        on.add(b.owner());
                    }
                }
            }
        } catch (RunLimitException e) {
            // what never comes to rest helps nobody
            on.clear();
        }
        return on;
    }

    @Override
    public String toString() {
        return "with " + input + " set to " + value + " " + String.join(", ", comeOn)
                + (comeOn.size() == 1 ? " comes on" : " come on");
    }
}
