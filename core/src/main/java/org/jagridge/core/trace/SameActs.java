package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;

/** Whether what is done to one circuit can be done to another one. */
public final class SameActs {
    private SameActs() {}

    /** What stands against it, in sentences; empty where every part that a scenario sets is there in both. */
    public static List<String> misfits(Scenario scenario, Circuit from, Circuit to) {
        Set<String> set = new LinkedHashSet<>(scenario.start().keySet());
        scenario.steps().forEach(s -> set.addAll(s.set().keySet()));
        List<String> misfits = new ArrayList<>();
        for (String input : set) {
            String id = Input.parse(input).part();
            Part there = to.part(id).orElse(null);
            String type = from.part(id).map(Part::type).orElse(null);
            if (there == null) {
                misfits.add("The other circuit has no " + id + ", which \"" + scenario.name() + "\" sets.");
            } else if (!Objects.equals(type, there.type())) {
                misfits.add(id + " is a " + there.type() + " in the other circuit, not a " + type + ".");
            }
        }
        boolean faulty = !scenario.faults().isEmpty()
                || scenario.steps().stream().anyMatch(s -> !s.faults().isEmpty());
        if (faulty && from != to && !from.equals(to)) {
            misfits.add("\"" + scenario.name() + "\" has faults of its own, which belong to one circuit.");
        }
        return misfits.stream().distinct().toList();
    }
}
