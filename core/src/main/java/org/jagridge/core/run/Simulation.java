package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Time;

/** Runs one scenario on one circuit. See the package description for the loop. */
public final class Simulation {
    private static final int MOST_ROUNDS_AT_ONE_INSTANT = 1000;
    private static final long MOST_MICRO_STEPS = 10_000_000;
    private static final int MOST_FRAMES = 60_000;

    private final Circuit circuit;
    private final Assembly healthy;
    private final Homes homes;
    private final Causes causes;
    private final long until;
    private final TreeMap<Long, List<Act>> schedule = new TreeMap<>();
    private final List<Frame> frames = new ArrayList<>();
    private final Story story = new Story();
    private Machine machine;
    private boolean inputsChanged;
    private long microSteps;

    private sealed interface Act {
        record Set(String part, String input, Object value) implements Act {}

        record Begin(Fault fault) implements Act {}

        record End(Fault fault) implements Act {}
    }

    private Simulation(Assembly assembly, Scenario scenario) {
        healthy = assembly;
        homes = new Homes(assembly);
        causes = new Causes(assembly, homes);
        circuit = assembly.circuit();
        until = Time.micros(scenario.untilSeconds());
        setAt(0, scenario.start());
        scenario.faults().forEach(f -> faultAt(0, f));
        for (Scenario.Step step : scenario.steps()) {
            long at = Time.micros(step.atSeconds());
            setAt(at, step.set());
            step.faults().forEach(f -> faultAt(at, f));
        }
    }

    /**
     * Runs a scenario from rest.
     *
     * @throws RunLimitException where it goes over its limits
     */
    public static Run run(Circuit circuit, Scenario scenario) {
        return run(Assembly.of(circuit), scenario);
    }

    /** The same for a circuit that has been put together before. */
    public static Run run(Assembly assembly, Scenario scenario) {
        return new Simulation(assembly, scenario).run();
    }

    private void setAt(long at, Map<String, Object> values) {
        values.forEach((key, value) -> {
            int dot = key.indexOf('.');
            act(at, new Act.Set(key.substring(0, dot), key.substring(dot + 1), value));
        });
    }

    private void faultAt(long at, Fault fault) {
        long begin = fault.atSeconds() == null ? at : Time.micros(fault.atSeconds());
        act(begin, new Act.Begin(fault));
        if (fault.untilSeconds() != null) {
            act(Time.micros(fault.untilSeconds()), new Act.End(fault));
        }
    }

    private void act(long at, Act act) {
        schedule.computeIfAbsent(at, t -> new ArrayList<>()).add(act);
    }

    private Run run() {
        start();
        while (true) {
            long next = Math.min(schedule.isEmpty() ? Reaction.NEVER : schedule.firstKey(), machine.nextWake());
            if (next > until) {
                break;
            }
            story.now = next;
            settle(applyDue());
        }
        story.problems.addAll(BackFed.transformers(frames));
        long restAt = frames.get(frames.size() - 1).micros();
        return new Run(circuit, until, story.events, frames, story.problems, restAt);
    }

    /** Time 0: inputs and faults of the start, then everything comes to rest without being reported. */
    private void start() {
        for (Assembly.Member m : healthy.members()) {
            Map<String, Object> values = new HashMap<>();
            m.inputs().forEach(f -> values.put(f.name(), f.initial()));
            story.inputs.put(m.part().id(), values);
        }
        applyDue();
        if (machine == null) {
            rebuild();
        }
        machine.solve();
        settle(List.of());
        keepFrame();
        story.started = true;
    }

    /** Applies what is scheduled for now; returns what that moved. */
    private List<Causes.Moved> applyDue() {
        story.pushed.clear();
        List<Causes.Moved> batch = new ArrayList<>();
        List<Act> due = schedule.remove(story.now);
        if (due == null) {
            return batch;
        }
        boolean faultsChanged = false;
        boolean circuitChanged = false;
        for (Act act : due) {
            if (act instanceof Act.Set s) {
                set(s, batch);
            } else if (act instanceof Act.Begin b) {
                story.faults.add(b.fault());
                report(b.fault(), true, batch);
                faultsChanged = true;
                circuitChanged |= FaultEffects.changesCircuit(b.fault());
            } else if (act instanceof Act.End e) {
                story.faults.remove(e.fault());
                report(e.fault(), false, batch);
                faultsChanged = true;
                circuitChanged |= FaultEffects.changesCircuit(e.fault());
            }
        }
        if (circuitChanged || machine == null) {
            rebuild();
        } else if (faultsChanged) {
            machine.force();
        }
        if (faultsChanged && story.started) {
            machine.solve();
        }
        return batch;
    }

    private void set(Act.Set s, List<Causes.Moved> batch) {
        Map<String, Object> values = story.inputs.get(s.part());
        if (values == null || !values.containsKey(s.input())) {
            throw new IllegalArgumentException("there is no input " + s.part() + "." + s.input());
        }
        boolean momentary = circuitField(s).kind() == Field.Kind.MOMENTARY;
        if (momentary) {
            story.pushed.add(s.part() + "." + s.input());
        }
        Object old = momentary ? "" : values.put(s.input(), s.value());
        inputsChanged = true;
        if (!Objects.equals(show(old), show(s.value()))) {
            String words = momentary ? "done by hand" : "set by hand";
            story.emit(
                    batch,
                    s.part(),
                    s.part() + "." + s.input(),
                    show(old),
                    show(s.value()),
                    Because.input(words),
                    List.of(),
                    CurrentPath.Path.NONE);
        }
    }

    private Field circuitField(Act.Set s) {
        Assembly assembly = machine == null ? healthy : machine.assembly;
        return assembly.member(s.part()).orElseThrow().inputs().stream()
                .filter(f -> f.name().equals(s.input()))
                .findFirst()
                .orElseThrow();
    }

    private static String show(Object value) {
        return value instanceof Number n ? Numbers.plain(n.doubleValue()) : String.valueOf(value);
    }

    private void report(Fault fault, boolean begins, List<Causes.Moved> batch) {
        String where = fault.part() != null
                ? fault.part()
                : String.valueOf(fault.details().getOrDefault("wire", "wiring"));
        String words = fault.words();
        story.emit(
                batch,
                where,
                where + ".fault",
                begins ? "" : words,
                begins ? words : "",
                Because.fault(begins ? "a fault begins" : "the fault is gone"),
                List.of(),
                CurrentPath.Path.NONE);
    }

    private void rebuild() {
        List<Fault> changing =
                story.faults.stream().filter(FaultEffects::changesCircuit).toList();
        Assembly assembly = changing.isEmpty() ? healthy : Assembly.of(FaultEffects.apply(circuit, changing));
        machine = new Machine(story, assembly, homes, causes, machine);
    }

    /**
     * Lets the parts react until nothing changes at this instant.
     *
     * @param batch what the parts see first
     * @return whether anything changed
     */
    private boolean settle(List<Causes.Moved> batch) {
        List<Causes.Moved> moved = batch;
        boolean any = false;
        for (int round = 0; ; round++) {
            if (round > MOST_ROUNDS_AT_ONE_INSTANT) {
                throw new RunLimitException(
                        "at %.6f s the parts kept changing without any time passing".formatted(Time.seconds(story.now)),
                        story.recentlyMoved());
            }
            if (++microSteps > MOST_MICRO_STEPS) {
                throw new RunLimitException("the run took more than 10 million steps", story.recentlyMoved());
            }
            List<Causes.Moved> next = new ArrayList<>();
            if (!machine.reactAll(moved, next)) {
                break;
            }
            any = true;
            machine.solve();
            moved = next;
        }
        if (story.started && (any || !batch.isEmpty())) {
            keepFrame();
        }
        return any;
    }

    private void keepFrame() {
        if (frames.size() > MOST_FRAMES) {
            throw new RunLimitException(
                    "more than " + MOST_FRAMES + " changes by " + Time.words(story.now) + "; ask for a shorter time",
                    story.recentlyMoved());
        }
        Frame last = frames.isEmpty() ? null : frames.get(frames.size() - 1);
        Frame frame = new Frame(
                story.now,
                machine.assembly,
                Collections.unmodifiableList(new ArrayList<>(machine.states)),
                machine.ac,
                machine.dc,
                // frames share what hasn't changed: a long run has many of them
                last != null && last.signals().equals(story.signals)
                        ? last.signals()
                        : Collections.unmodifiableMap(new LinkedHashMap<>(story.signals)),
                last != null && !inputsChanged ? last.inputs() : flatInputs(),
                last != null && last.faults().equals(story.faults) ? last.faults() : List.copyOf(story.faults));
        inputsChanged = false;
        if (!frames.isEmpty() && frames.get(frames.size() - 1).micros() == story.now) {
            frames.set(frames.size() - 1, frame);
        } else {
            frames.add(frame);
        }
    }

    private Map<String, Object> flatInputs() {
        Map<String, Object> flat = new LinkedHashMap<>();
        story.inputs.forEach((part, values) -> values.forEach((k, v) -> flat.put(part + "." + k, v)));
        return Collections.unmodifiableMap(flat);
    }
}
