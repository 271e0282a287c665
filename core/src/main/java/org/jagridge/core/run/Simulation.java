package org.jagridge.core.run;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Activity;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Temperature;
import org.jagridge.core.part.Time;

/** Runs one scenario on one circuit. See the package description for the loop. */
public final class Simulation {
    private static final int MOST_ROUNDS_AT_ONE_INSTANT = 1000;
    private static final long MOST_MICRO_STEPS = 10_000_000;
    private static final int MOST_FRAMES = 60_000;
    /** A part that flips more often than this without time passing gets the response time that real ones have. */
    private static final int MOST_FLIPS_AT_ONE_INSTANT = 6;

    private static final long RESPONSE = 20 * Time.MILLISECOND;
    /** How long electronics that chatter stay down before they try again. */
    private static final long RESTART = 5 * Time.SECOND;

    private static final int CHATTER_CHANGES = 20;
    private static final long CHATTER_WINDOW = 2 * Time.SECOND;

    private final Circuit circuit;
    private final Assembly healthy;
    private final Homes homes;
    private final Causes causes;
    private final long until;
    private final TreeMap<Long, List<Act>> schedule = new TreeMap<>();
    private final List<Fault> faults = new ArrayList<>();
    private final List<Event> events = new ArrayList<>();
    private final List<Frame> frames = new ArrayList<>();
    private final List<RunProblem> problems = new ArrayList<>();
    private final Map<String, Map<String, Object>> inputs = new LinkedHashMap<>();
    private final Set<String> pushed = new HashSet<>();
    private Map<String, String> signals = new LinkedHashMap<>();
    private Machine machine;
    private long now;
    private boolean started;
    private boolean inputsChanged;
    private long microSteps;
    private Solution before;
    private Solution directBefore;

    private sealed interface Act {
        record Set(String part, String input, Object value) implements Act {}

        record Begin(Fault fault) implements Act {}

        record End(Fault fault) implements Act {}
    }

    /** Why a delay began: the events and the path of that moment. */
    private record Armed(List<Integer> causes, CurrentPath.Path path) {}

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
            now = next;
            settle(applyDue());
        }
        problems.addAll(BackFed.transformers(frames));
        long restAt = frames.get(frames.size() - 1).micros();
        return new Run(circuit, until, events, frames, problems, restAt);
    }

    /** Time 0: inputs and faults of the start, then everything comes to rest without being reported. */
    private void start() {
        for (Assembly.Member m : healthy.members()) {
            Map<String, Object> values = new HashMap<>();
            m.inputs().forEach(f -> values.put(f.name(), f.initial()));
            inputs.put(m.part().id(), values);
        }
        applyDue();
        if (machine == null) {
            rebuild();
        }
        machine.solve();
        settle(List.of());
        keepFrame();
        started = true;
    }

    /** Applies what is scheduled for now; returns what that moved. */
    private List<Causes.Moved> applyDue() {
        pushed.clear();
        List<Causes.Moved> batch = new ArrayList<>();
        List<Act> due = schedule.remove(now);
        if (due == null) {
            return batch;
        }
        boolean faultsChanged = false;
        boolean circuitChanged = false;
        for (Act act : due) {
            if (act instanceof Act.Set s) {
                set(s, batch);
            } else if (act instanceof Act.Begin b) {
                faults.add(b.fault());
                report(b.fault(), true, batch);
                faultsChanged = true;
                circuitChanged |= FaultEffects.changesCircuit(b.fault());
            } else if (act instanceof Act.End e) {
                faults.remove(e.fault());
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
        if (faultsChanged && started) {
            solve();
        }
        return batch;
    }

    private void set(Act.Set s, List<Causes.Moved> batch) {
        Map<String, Object> values = inputs.get(s.part());
        if (values == null || !values.containsKey(s.input())) {
            throw new IllegalArgumentException("there is no input " + s.part() + "." + s.input());
        }
        boolean momentary = circuitField(s).kind() == Field.Kind.MOMENTARY;
        if (momentary) {
            pushed.add(s.part() + "." + s.input());
        }
        Object old = momentary ? "" : values.put(s.input(), s.value());
        inputsChanged = true;
        if (!Objects.equals(show(old), show(s.value()))) {
            String words = momentary ? "done by hand" : "set by hand";
            emit(
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
        return value instanceof Number n
                ? org.jagridge.core.part.Numbers.plain(n.doubleValue())
                : String.valueOf(value);
    }

    private void report(Fault fault, boolean begins, List<Causes.Moved> batch) {
        String where = fault.part() != null
                ? fault.part()
                : String.valueOf(fault.details().getOrDefault("wire", "wiring"));
        String words = fault.words();
        emit(
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
                faults.stream().filter(FaultEffects::changesCircuit).toList();
        Assembly assembly = changing.isEmpty() ? healthy : Assembly.of(FaultEffects.apply(circuit, changing));
        machine = new Machine(assembly, machine);
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
                        "at %.6f s the parts kept changing without any time passing".formatted(Time.seconds(now)),
                        recentlyMoved());
            }
            if (++microSteps > MOST_MICRO_STEPS) {
                throw new RunLimitException("the run took more than 10 million steps", recentlyMoved());
            }
            List<Causes.Moved> next = new ArrayList<>();
            if (!machine.reactAll(moved, next)) {
                break;
            }
            any = true;
            solve();
            moved = next;
        }
        if (started && (any || !batch.isEmpty())) {
            keepFrame();
        }
        return any;
    }

    private void solve() {
        before = machine.ac;
        directBefore = machine.dc;
        machine.solve();
    }

    private List<String> recentlyMoved() {
        Set<String> parts = new LinkedHashSet<>();
        for (int i = events.size() - 1; i >= 0 && parts.size() < 8; i--) {
            parts.add(events.get(i).part());
        }
        return List.copyOf(parts);
    }

    private void keepFrame() {
        if (frames.size() > MOST_FRAMES) {
            throw new RunLimitException(
                    "more than " + MOST_FRAMES + " changes by " + Time.words(now) + "; ask for a shorter time",
                    recentlyMoved());
        }
        Frame last = frames.isEmpty() ? null : frames.get(frames.size() - 1);
        Frame frame = new Frame(
                now,
                machine.assembly,
                Collections.unmodifiableList(new ArrayList<>(machine.states)),
                machine.ac,
                machine.dc,
                // frames share what hasn't changed: a long run has many of them
                last != null && last.signals().equals(signals)
                        ? last.signals()
                        : Collections.unmodifiableMap(new LinkedHashMap<>(signals)),
                last != null && !inputsChanged ? last.inputs() : flatInputs(),
                last != null && last.faults().equals(faults) ? last.faults() : List.copyOf(faults));
        inputsChanged = false;
        if (!frames.isEmpty() && frames.get(frames.size() - 1).micros() == now) {
            frames.set(frames.size() - 1, frame);
        } else {
            frames.add(frame);
        }
    }

    private Map<String, Object> flatInputs() {
        Map<String, Object> flat = new LinkedHashMap<>();
        inputs.forEach((part, values) -> values.forEach((k, v) -> flat.put(part + "." + k, v)));
        return Collections.unmodifiableMap(flat);
    }

    private void emit(
            List<Causes.Moved> batch,
            String part,
            String signal,
            String from,
            String to,
            Because because,
            List<Integer> causedBy,
            CurrentPath.Path path) {
        if (!started) {
            return;
        }
        int index = events.size();
        events.add(new Event(index, now, part, signal, from, to, because, causedBy, path.owners(), path.backFeed()));
        batch.add(new Causes.Moved(part, List.of(index)));
    }

    /** The assembly in motion: states, wake-ups, the network's values and their solution. */
    private final class Machine {
        final Assembly assembly;
        final List<Object> states = new ArrayList<>();
        private final Solver solver;
        private final Values acValues;
        private final Values dcValues;
        private final long[] wakes;
        private final Armed[] armed;
        /** The event in which each part last changed, or −1. */
        private final int[] lastEvent;

        private final boolean[] frozen;
        private final long[] heldUntil;
        private final int[] flips;
        private long flipsAt = -1;
        private final List<Deque<Long>> changes = new ArrayList<>();
        private final List<View> views = new ArrayList<>();
        private final CurrentPath paths;
        private Stamp stamp;
        Solution ac;
        Solution dc;

        Machine(Assembly assembly, Machine old) {
            this.assembly = assembly;
            solver = new Solver(assembly.network());
            acValues = new Values(assembly.network());
            dcValues = new Values(assembly.network());
            int n = assembly.members().size();
            wakes = new long[n];
            armed = new Armed[n];
            lastEvent = new int[n];
            Arrays.fill(lastEvent, -1);
            frozen = new boolean[n];
            heldUntil = new long[n];
            flips = new int[n];
            paths = new CurrentPath(assembly, homes);
            for (Assembly.Member m : assembly.members()) {
                views.add(new View(m));
                changes.add(new ArrayDeque<>());
            }
            for (Assembly.Member m : assembly.members()) {
                states.add(old == null ? m.behaviour().start(views.get(m.index())) : old.states.get(m.index()));
                if (old != null) {
                    frozen[m.index()] = old.frozen[m.index()];
                    armed[m.index()] = old.armed[m.index()];
                    lastEvent[m.index()] = old.lastEvent[m.index()];
                }
                wakes[m.index()] = Reaction.NEVER;
                note(m);
            }
            force();
        }

        private void note(Assembly.Member m) {
            String signal = signal(m);
            if (signal != null) {
                signals.put(m.part().id(), signal);
            }
        }

        /** Takes the present faults into account and writes all branches anew. */
        void force() {
            stamp = Stamps.begin(assembly, acValues, dcValues, faults);
            assembly.members().forEach(this::stampOf);
        }

        private void stampOf(Assembly.Member m) {
            Stamps.write(m, states.get(m.index()), stamp);
        }

        @SuppressWarnings("unchecked")
        private String signal(Assembly.Member m) {
            return ((Behaviour<Object>) m.behaviour()).signal(states.get(m.index()));
        }

        void solve() {
            ac = solver.solve(acValues);
            dc = dcValues.hasSource() ? solver.solve(dcValues) : null;
        }

        long nextWake() {
            long next = Reaction.NEVER;
            for (long w : wakes) {
                next = Math.min(next, w);
            }
            // a wake-up that was not used up at its own instant would stop the clock
            return next <= now && started ? now + 1 : next;
        }

        /** One round of reactions to the present solution; whether any state changed. */
        @SuppressWarnings("unchecked")
        boolean reactAll(List<Causes.Moved> batch, List<Causes.Moved> next) {
            List<Assembly.Member> changed = new ArrayList<>();
            List<Object> newStates = new ArrayList<>(states);
            if (flipsAt != now) {
                Arrays.fill(flips, 0);
                flipsAt = now;
            }
            for (Assembly.Member m : assembly.members()) {
                int i = m.index();
                if (frozen[i] || heldUntil[i] > now) {
                    wakes[i] = frozen[i] ? Reaction.NEVER : heldUntil[i];
                    continue;
                }
                Behaviour<Object> behaviour = (Behaviour<Object>) m.behaviour();
                Object state = states.get(i);
                boolean woken = wakes[i] <= now;
                Reaction<Object> r = behaviour.react(state, views.get(i));
                wakes[i] = r.wakeAt();
                String from = behaviour.signal(state);
                String to = from;
                if (!r.state().equals(state)) {
                    newStates.set(i, r.state());
                    changed.add(m);
                    to = behaviour.signal(r.state());
                    if (Objects.equals(from, to)) {
                        noteUnseen(m, r.because(), woken, batch, next);
                    } else {
                        emitChange(m, from, to, r.because(), batch, next);
                    }
                }
                if (r.arms() != null && started) {
                    CurrentPath.Path path = path(r.arms());
                    armed[i] = Objects.equals(from, to)
                            ? new Armed(causes.of(m.part().id(), r.arms(), path, batch), path)
                            : new Armed(List.of(lastEvent[i]), path);
                }
            }
            for (Assembly.Member m : changed) {
                states.set(m.index(), newStates.get(m.index()));
                stampOf(m);
                note(m);
            }
            for (Assembly.Member m : changed) {
                freezeIfChattering(m, next);
            }
            return !changed.isEmpty();
        }

        /** A change that the part's signal doesn't show, such as a control switching one of its outputs by its clock. */
        private void noteUnseen(
                Assembly.Member m, Because because, boolean woken, List<Causes.Moved> batch, List<Causes.Moved> next) {
            int i = m.index();
            List<Integer> ledTo = List.of();
            int clock = woken ? clockStart(m, because) : -1;
            if (clock >= 0) {
                ledTo = List.of(clock);
            } else if (because != null && !batch.isEmpty()) {
                ledTo = causes.of(m.part().id(), because, path(because), batch);
            }
            if (!ledTo.isEmpty()) {
                next.add(new Causes.Moved(m.part().id(), ledTo));
            }
        }

        /** The event of a part that started the clock that has just run out, or −1. */
        private int clockStart(Assembly.Member m, Because because) {
            if (because == null || because.since() == null) {
                return lastEvent[m.index()];
            }
            int i = events.size() - 1;
            while (i >= 0
                    && (!events.get(i).signal().equals(m.part().id())
                            || events.get(i).micros() > because.since())) {
                i--;
            }
            return i;
        }

        private void emitChange(
                Assembly.Member m,
                String from,
                String to,
                Because because,
                List<Causes.Moved> batch,
                List<Causes.Moved> next) {
            int i = m.index();
            if (because == null) {
                throw new IllegalStateException(
                        m.part().type() + " changed from " + from + " to " + to + " without a reason");
            }
            Armed reason = because.delayed() ? armed[i] : null;
            if (reason == null) {
                CurrentPath.Path path = path(because);
                reason = new Armed(causes.of(m.part().id(), because, path, batch), path);
            }
            emit(next, m.part().id(), m.part().id(), from, to, because, reason.causes(), reason.path());
            if (started) {
                lastEvent[i] = events.size() - 1;
                changes.get(i).addLast(now);
            }
            if (++flips[i] > MOST_FLIPS_AT_ONE_INSTANT) {
                heldUntil[i] = now + RESPONSE;
                wakes[i] = heldUntil[i];
            }
        }

        private CurrentPath.Path path(Because because) {
            if (because.focus() == null) {
                return CurrentPath.Path.NONE;
            }
            Solution solution = because.lost() && before != null ? before : ac;
            CurrentPath.Path path =
                    sameNetwork(solution) ? paths.through(because.focus(), solution) : CurrentPath.Path.NONE;
            Solution direct = because.lost() ? directBefore : dc;
            if (path.owners().isEmpty() && direct != null && sameNetwork(direct)) {
                path = paths.through(because.focus(), direct);
            }
            return path.owners().isEmpty() && because.lost() && sameNetwork(ac)
                    ? paths.through(because.focus(), ac)
                    : path;
        }

        /** Whether a solution belongs to this assembly and not to the circuit before a fault changed it. */
        private boolean sameNetwork(Solution solution) {
            return solution.network() == assembly.network();
        }

        @SuppressWarnings("unchecked")
        private void freezeIfChattering(Assembly.Member m, List<Causes.Moved> next) {
            Deque<Long> times = changes.get(m.index());
            while (!times.isEmpty() && times.peekFirst() < now - CHATTER_WINDOW) {
                times.removeFirst();
            }
            if (times.size() <= CHATTER_CHANGES) {
                return;
            }
            Behaviour<Object> behaviour = (Behaviour<Object>) m.behaviour();
            Object state = states.get(m.index());
            Object chattering = behaviour.chattering(state);
            boolean freezes = !chattering.equals(state);
            if (!freezes && times.size() <= 2 * CHATTER_CHANGES) {
                // a lamp that only follows a chattering relay is no chatter of its own
                return;
            }
            if (freezes
                    || problems.stream()
                            .noneMatch(p -> p.parts().contains(m.part().id()))) {
                List<String> loop = loopOf(m.part().id());
                String message = "%s changed more than %d times in 2 s; the loop: %s"
                        .formatted(m.part().id(), CHATTER_CHANGES, String.join(" → ", loop));
                problems.add(new RunProblem("chatter", now, List.of(m.part().id()), loop, message));
            }
            if (!freezes) {
                heldUntil[m.index()] = now + RESTART;
                wakes[m.index()] = heldUntil[m.index()];
                return;
            }
            String message = problems.get(problems.size() - 1).message();
            String from = behaviour.signal(state);
            states.set(m.index(), chattering);
            frozen[m.index()] = true;
            wakes[m.index()] = Reaction.NEVER;
            stampOf(m);
            note(m);
            emit(
                    next,
                    m.part().id(),
                    m.part().id(),
                    from,
                    behaviour.signal(chattering),
                    Because.link(message),
                    List.of(events.size() - 1),
                    CurrentPath.Path.NONE);
        }

        /** Follows the causes back from the part's last change to its change before: the parts in between. */
        private List<String> loopOf(String part) {
            Deque<String> loop = new ArrayDeque<>();
            int i = events.size() - 1;
            while (i >= 0 && !events.get(i).part().equals(part)) {
                i--;
            }
            for (int steps = 0; i >= 0 && steps < 50; steps++) {
                Event e = events.get(i);
                if (loop.isEmpty() || !loop.peekFirst().equals(e.part())) {
                    loop.addFirst(e.part());
                }
                if (steps > 0 && e.part().equals(part)) {
                    break;
                }
                i = e.causes().isEmpty() ? -1 : e.causes().get(0);
            }
            return List.copyOf(loop);
        }

        /** A part's state; while the machine is still being started, the state it will start from. */
        private Object stateOf(Assembly.Member m) {
            return m.index() < states.size()
                    ? states.get(m.index())
                    : m.behaviour().start(views.get(m.index()));
        }

        /** What one part sees. */
        private final class View implements Moment {
            private final Assembly.Member member;

            View(Assembly.Member member) {
                this.member = member;
            }

            private Object input(String name) {
                return inputs.get(member.part().id()).get(name);
            }

            @Override
            public long now() {
                return now;
            }

            @Override
            public double number(String input) {
                return ((Number) input(input)).doubleValue();
            }

            @Override
            public String word(String input) {
                return (String) input(input);
            }

            @Override
            public boolean flag(String input) {
                return (Boolean) input(input);
            }

            @Override
            public boolean pushed(String input) {
                return !pushed.isEmpty() && pushed.contains(member.part().id() + "." + input);
            }

            @Override
            public double acVolts(Branch branch) {
                return ac.branchMagnitude(branch.index());
            }

            @Override
            public double dcVolts(Branch branch) {
                return dc == null ? 0 : dc.branchVolts(branch.index()).re();
            }

            @Override
            public Complex acAmps(Branch branch) {
                return ac.amps(branch.index());
            }

            @Override
            public double dcAmps(Branch branch) {
                return dc == null ? 0 : dc.amps(branch.index()).re();
            }

            @Override
            public Fault fault(FaultKind kind) {
                return faults.isEmpty()
                        ? null
                        : FaultEffects.of(faults, member.part().id(), kind);
            }

            @Override
            public String signalOf(String part) {
                return signals.get(part);
            }

            @Override
            public boolean isAtWork(String part) {
                String signal = signals.get(part);
                return signal != null
                        && Activity.isAtWork(
                                assembly.member(part).orElseThrow().part().type(), signal);
            }

            @Override
            @SuppressWarnings("unchecked")
            public double celsiusOf(String part) {
                Assembly.Member other = assembly.member(part).orElseThrow();
                return ((Temperature<Object>) other.behaviour()).celsius(stateOf(other), now);
            }

            @Override
            @SuppressWarnings("unchecked")
            public long whenCelsius(String part, double target) {
                Assembly.Member other = assembly.member(part).orElseThrow();
                return ((Temperature<Object>) other.behaviour()).when(stateOf(other), target, now);
            }

            @Override
            public double numberOf(String part, String name) {
                Assembly.Member other = assembly.member(part).orElseThrow();
                if (name.equals("celsius") && other.behaviour() instanceof Temperature) {
                    return celsiusOf(part);
                }
                return inputs.get(part).get(name) instanceof Number n ? n.doubleValue() : Double.NaN;
            }

            @Override
            public String wordOf(String part, String input) {
                return inputs.get(part).get(input) instanceof String word ? word : null;
            }

            @Override
            public Branch wire(String id) {
                List<Branch> of = assembly.branchesOf(id);
                return of.isEmpty() ? null : of.get(0);
            }
        }
    }
}
