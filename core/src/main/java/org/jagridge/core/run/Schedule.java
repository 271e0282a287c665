package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Time;

/**
 * What a scenario has happen, by instants.
 *
 * @param acts by microseconds; those of 0 are there when the run begins
 * @param until the run's horizon in microseconds
 */
record Schedule(NavigableMap<Long, List<Act>> acts, long until) {
    static Schedule of(Scenario scenario) {
        NavigableMap<Long, List<Act>> acts = new TreeMap<>();
        set(acts, 0, scenario.start());
        scenario.faults().forEach(f -> fault(acts, 0, f));
        for (Scenario.Step step : scenario.steps()) {
            long at = Time.micros(step.atSeconds());
            set(acts, at, step.set());
            step.faults().forEach(f -> fault(acts, at, f));
        }
        return new Schedule(Collections.unmodifiableNavigableMap(acts), Time.micros(scenario.untilSeconds()));
    }

    private static void set(NavigableMap<Long, List<Act>> acts, long at, Map<String, Object> values) {
        values.forEach((key, value) -> {
            add(acts, at, new Act.Set(Input.parse(key), value));
        });
    }

    private static void fault(NavigableMap<Long, List<Act>> acts, long at, Fault fault) {
        Fault timeless = new Fault(fault.defect());
        add(acts, fault.atSeconds() == null ? at : Time.micros(fault.atSeconds()), new Act.Begin(timeless));
        if (fault.untilSeconds() != null) {
            add(acts, Time.micros(fault.untilSeconds()), new Act.End(timeless));
        }
    }

    private static void add(NavigableMap<Long, List<Act>> acts, long at, Act act) {
        acts.computeIfAbsent(at, t -> new ArrayList<>()).add(act);
    }

    List<Act> at(long micros) {
        return acts.getOrDefault(micros, List.of());
    }

    /** Puts what is there when the run begins into the two collections. */
    void beginning(Map<String, Object> hands, List<Fault> faults) {
        for (Act act : at(0)) {
            if (act instanceof Act.Set s) {
                hands.put(s.input().toString(), s.value());
            } else if (act instanceof Act.Begin b) {
                faults.add(b.fault());
            } else if (act instanceof Act.End e) {
                faults.remove(e.fault());
            }
        }
    }

    /** The next instant at which a machine moves or is acted upon. */
    Instant next(Machine machine) {
        Long act = acts.higherKey(machine.now.micros());
        Instant wake = machine.nextWake();
        return act == null ? wake : Instant.earliest(wake, new Instant(act));
    }

    /** The first instant at which two schedules differ, or {@link Long#MAX_VALUE} where they don't. */
    long firstDifference(Schedule other) {
        return Math.min(firstNotIn(other), other.firstNotIn(this));
    }

    private long firstNotIn(Schedule other) {
        return acts.entrySet().stream()
                .filter(e -> !e.getValue().equals(other.acts.get(e.getKey())))
                .mapToLong(Map.Entry::getKey)
                .findFirst()
                .orElse(Long.MAX_VALUE);
    }
}
