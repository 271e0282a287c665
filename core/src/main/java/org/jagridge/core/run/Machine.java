package org.jagridge.core.run;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;

/** The assembly in motion: states, wake-ups, the network's values and their solution. */
final class Machine {
    /** A part that flips more often than this without time passing gets the response time that real ones have. */
    private static final int MOST_FLIPS_AT_ONE_INSTANT = 6;

    private static final long RESPONSE = 20 * Time.MILLISECOND;
    /** How long electronics that chatter stay down before they try again. */
    private static final long RESTART = 5 * Time.SECOND;

    private static final int CHATTER_CHANGES = 20;
    private static final long CHATTER_WINDOW = 2 * Time.SECOND;

    /** Why a delay began: the events and the path of that moment. */
    private record Armed(List<Integer> causes, CurrentPath.Path path) {}

    private final Story story;
    private final Causes causes;
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
    private final List<PartView> views = new ArrayList<>();
    private final CurrentPath paths;
    private Stamp stamp;
    Solution ac;
    Solution dc;
    private Solution before;
    private Solution directBefore;

    /**
     * @param old the machine before a fault changed the circuit: parts that are still there go on as they were; or null
     */
    Machine(Story story, Assembly assembly, Homes homes, Causes causes, Machine old) {
        this.story = story;
        this.causes = causes;
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
            views.add(new PartView(m, this, story));
            changes.add(new ArrayDeque<>());
        }
        for (Assembly.Member m : assembly.members()) {
            int i = m.index();
            int was = old == null
                    ? -1
                    : old.assembly
                            .member(m.part().id())
                            .map(Assembly.Member::index)
                            .orElse(-1);
            states.add(was < 0 ? m.behaviour().start(views.get(i)) : old.states.get(was));
            if (was >= 0) {
                frozen[i] = old.frozen[was];
                armed[i] = old.armed[was];
                lastEvent[i] = old.lastEvent[was];
            }
            wakes[i] = Reaction.NEVER;
            note(m);
        }
        force();
    }

    private void note(Assembly.Member m) {
        String signal = signal(m);
        if (signal != null) {
            story.signals.put(m.part().id(), signal);
        }
    }

    /** Takes the present faults into account and writes all branches anew. */
    void force() {
        stamp = Stamps.begin(assembly, acValues, dcValues, story.faults);
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
        before = ac;
        directBefore = dc;
        ac = solver.solve(acValues);
        dc = dcValues.hasSource() ? solver.solve(dcValues) : null;
    }

    long nextWake() {
        long next = Reaction.NEVER;
        for (long w : wakes) {
            next = Math.min(next, w);
        }
        // a wake-up that was not used up at its own instant would stop the clock
        return next <= story.now && story.started ? story.now + 1 : next;
    }

    /** One round of reactions to the present solution; whether any state changed. */
    @SuppressWarnings("unchecked")
    boolean reactAll(List<Causes.Moved> batch, List<Causes.Moved> next) {
        List<Assembly.Member> changed = new ArrayList<>();
        List<Object> newStates = new ArrayList<>(states);
        if (flipsAt != story.now) {
            Arrays.fill(flips, 0);
            flipsAt = story.now;
        }
        for (Assembly.Member m : assembly.members()) {
            int i = m.index();
            if (frozen[i] || heldUntil[i] > story.now) {
                wakes[i] = frozen[i] ? Reaction.NEVER : heldUntil[i];
                continue;
            }
            Behaviour<Object> behaviour = (Behaviour<Object>) m.behaviour();
            Object state = states.get(i);
            boolean woken = wakes[i] <= story.now;
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
            if (r.arms() != null && story.started) {
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
        int i = story.events.size() - 1;
        while (i >= 0
                && (!story.events.get(i).signal().equals(m.part().id())
                        || story.events.get(i).micros() > because.since())) {
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
        story.emit(next, m.part().id(), m.part().id(), from, to, because, reason.causes(), reason.path());
        if (story.started) {
            lastEvent[i] = story.events.size() - 1;
            changes.get(i).addLast(story.now);
        }
        if (++flips[i] > MOST_FLIPS_AT_ONE_INSTANT) {
            heldUntil[i] = story.now + RESPONSE;
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
        return path.owners().isEmpty() && because.lost() && sameNetwork(ac) ? paths.through(because.focus(), ac) : path;
    }

    /** Whether a solution belongs to this assembly and not to the circuit before a fault changed it. */
    private boolean sameNetwork(Solution solution) {
        return solution.network() == assembly.network();
    }

    @SuppressWarnings("unchecked")
    private void freezeIfChattering(Assembly.Member m, List<Causes.Moved> next) {
        Deque<Long> times = changes.get(m.index());
        while (!times.isEmpty() && times.peekFirst() < story.now - CHATTER_WINDOW) {
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
                || story.problems.stream()
                        .noneMatch(p -> p.parts().contains(m.part().id()))) {
            List<String> loop = story.loopOf(m.part().id());
            String message = "%s changed more than %d times in 2 s; the loop: %s"
                    .formatted(m.part().id(), CHATTER_CHANGES, String.join(" → ", loop));
            story.problems.add(
                    new RunProblem("chatter", story.now, List.of(m.part().id()), loop, message));
        }
        if (!freezes) {
            heldUntil[m.index()] = story.now + RESTART;
            wakes[m.index()] = heldUntil[m.index()];
            return;
        }
        String message = story.problems.get(story.problems.size() - 1).message();
        String from = behaviour.signal(state);
        states.set(m.index(), chattering);
        frozen[m.index()] = true;
        wakes[m.index()] = Reaction.NEVER;
        stampOf(m);
        note(m);
        story.emit(
                next,
                m.part().id(),
                m.part().id(),
                from,
                behaviour.signal(chattering),
                Because.link(message),
                List.of(story.events.size() - 1),
                CurrentPath.Path.NONE);
    }

    /** A part's state; while the machine is still being started, the state it will start from. */
    Object stateOf(Assembly.Member m) {
        return m.index() < states.size() ? states.get(m.index()) : m.behaviour().start(views.get(m.index()));
    }
}
