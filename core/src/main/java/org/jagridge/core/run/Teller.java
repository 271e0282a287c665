package org.jagridge.core.run;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Time;

/** Tells a run: its events with what led to them, its problems, and a frame of every instant at which something moved. */
final class Teller implements Observer {
    private static final int LONGEST_LOOP = 50;
    private static final int MOST_FRAMES = 60_000;

    /**
     * What is needed to go on telling from a frame.
     *
     * @param events how many have been told up to here
     * @param armed by part: what led to the delay that it armed last
     */
    record Mark(int events, int problems, Map<String, Account> armed, Scene before) {}

    private final Engine engine;
    private Machine machine;
    private Scene scene;
    private CurrentPath paths;

    final List<Event> events = new ArrayList<>();
    final List<RunProblem> problems = new ArrayList<>();
    final List<Frame> frames = new ArrayList<>();
    /** The event in which each part last changed. */
    private final Map<String, Integer> lastEvent = new HashMap<>();
    /** Why each part's delay began. Never changed while a frame has it. */
    private Map<String, Account> armed = new HashMap<>();

    private boolean armedIsKept;
    private List<Causes.Moved> batch = new ArrayList<>();
    private List<Causes.Moved> next = new ArrayList<>();

    Teller(Engine engine) {
        this.engine = engine;
    }

    /** Takes up the telling of an earlier run after one of its frames. */
    void resume(Run earlier, int frame) {
        Mark mark = earlier.frames().get(frame).mark();
        events.addAll(earlier.events().subList(0, mark.events()));
        problems.addAll(earlier.ownProblems().subList(0, mark.problems()));
        frames.addAll(earlier.frames().subList(0, frame + 1));
        for (Event e : events) {
            if (!e.isInput()) {
                lastEvent.put(e.part(), e.index());
            }
        }
        armed = mark.armed();
        armedIsKept = true;
    }

    void look(Machine at) {
        machine = at;
        if (paths == null || !paths.isOf(at.assembly.network())) {
            paths = new CurrentPath(at.assembly, engine.homes());
        }
        scene = null;
    }

    private Scene scene() {
        if (scene == null) {
            scene = machine.electrics.scene(paths);
        }
        return scene;
    }

    @Override
    public void set(Input input, Object before, Object now, boolean momentary) {
        if (!show(before).equals(show(now))) {
            Because because = Because.input(momentary ? "done by hand" : "set by hand");
            emit(input.part(), input.toString(), show(before), show(now), because, Account.NONE);
        }
    }

    private static String show(Object value) {
        return value instanceof Number n ? Numbers.plain(n.doubleValue()) : String.valueOf(value);
    }

    @Override
    public void fault(Fault fault, boolean begins) {
        String where = fault.part() != null ? fault.part() : fault.wire() != null ? fault.wire() : "wiring";
        String words = fault.words();
        emit(
                where,
                where + ".fault",
                begins ? "" : words,
                begins ? words : "",
                Because.fault(begins ? "a fault begins" : "the fault is gone"),
                Account.NONE);
    }

    @Override
    public void roundBegins() {
        scene = null;
        batch = next;
        next = new ArrayList<>();
    }

    /** Tells an event and adds it to what has just moved. */
    private void emit(String part, String signal, String from, String to, Because because, Account account) {
        int index = events.size();
        events.add(new Event(index, machine.now.micros(), part, signal, from, to, because, account));
        next.add(new Causes.Moved(part, () -> List.of(index)));
    }

    @Override
    public void reacted(Assembly.Member m, boolean changed, Reaction<Object> r, boolean woken, String from, String to) {
        String part = m.part().id();
        boolean seen = !Objects.equals(from, to);
        if (seen) {
            if (r.because() == null) {
                throw new IllegalStateException(
                        m.part().type() + " changed from " + from + " to " + to + " without a reason");
            }
            Account reason = r.because().delayed() ? armed.get(part) : null;
            emit(part, part, from, to, r.because(), reason != null ? reason : account(part, r.because()));
            lastEvent.put(part, events.size() - 1);
        } else if (changed) {
            unseen(m, r.because(), woken);
        }
        if (r.arms() != null) {
            arm(part, seen ? ofItself(r.arms(), events.size() - 1) : account(part, r.arms()));
        }
    }

    private void arm(String part, Account account) {
        if (armedIsKept) {
            armed = new HashMap<>(armed);
            armedIsKept = false;
        }
        armed.put(part, account);
    }

    private Account account(String part, Because because) {
        Scene here = scene();
        List<Causes.Moved> movedBefore = batch;
        return new Account(() -> {
            CurrentPath.Path path = here.path(because);
            return new Account.Told(engine.causes().of(part, because, path, movedBefore), path);
        });
    }

    private Account ofItself(Because because, int event) {
        Scene here = scene();
        return new Account(() -> new Account.Told(List.of(event), here.path(because)));
    }

    /** A change that the part's signal doesn't show, such as a control switching one of its outputs by its clock. */
    private void unseen(Assembly.Member m, Because because, boolean woken) {
        String part = m.part().id();
        int told = events.size();
        int last = lastEvent.getOrDefault(part, -1);
        Account account = because == null || batch.isEmpty() ? Account.NONE : account(part, because);
        Account ledTo = new Account(() -> {
            int clock = woken ? clockStart(part, because, told, last) : -1;
            return clock >= 0 ? new Account.Told(List.of(clock), CurrentPath.Path.NONE) : account.told();
        });
        next.add(new Causes.Moved(part, () -> ledTo.told().causes()));
    }

    /** The event of a part that started the clock that has just run out, or −1. */
    private int clockStart(String part, Because because, int told, int last) {
        if (because == null || because.since() == null) {
            return last;
        }
        int i = told - 1;
        while (i >= 0
                && (!events.get(i).signal().equals(part)
                        || events.get(i).micros() > because.since().micros())) {
            i--;
        }
        return i;
    }

    @Override
    public void chatters(Assembly.Member m, boolean freezes) {
        String part = m.part().id();
        if (freezes || problems.stream().noneMatch(p -> p.parts().contains(part))) {
            List<String> loop = loopOf(part);
            String message =
                    "%s changed more than %d times in 2 s; the loop: %s".formatted(part, 20, String.join(" → ", loop));
            problems.add(new RunProblem("chatter", machine.now.micros(), List.of(part), loop, message));
        }
    }

    @Override
    public void froze(Assembly.Member m, String from, String to) {
        Because because = Because.link(problems.get(problems.size() - 1).message());
        int last = events.size() - 1;
        emit(
                m.part().id(),
                m.part().id(),
                from,
                to,
                because,
                new Account(() -> new Account.Told(List.of(last), CurrentPath.Path.NONE)));
    }

    /** Follows the causes back from the part's last change to its change before: the parts in between. */
    private List<String> loopOf(String part) {
        Deque<String> loop = new ArrayDeque<>();
        int i = events.size() - 1;
        while (i >= 0 && !events.get(i).part().equals(part)) {
            i--;
        }
        for (int steps = 0; i >= 0 && steps < LONGEST_LOOP; steps++) {
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

    /**
     * An instant is over.
     *
     * @param moved whether any part changed
     */
    void instantIsOver(boolean moved) {
        if (moved || told()) {
            keepFrame();
        }
        next = new ArrayList<>();
    }

    private boolean told() {
        return !events.isEmpty() && events.get(events.size() - 1).micros() == machine.now.micros();
    }

    void keepFrame() {
        if (frames.size() > MOST_FRAMES) {
            throw new RunLimitException(
                    "more than " + MOST_FRAMES + " changes by " + Time.words(machine.now.micros())
                            + "; ask for a shorter time",
                    machine.recentlyMoved());
        }
        Frame last = frames.isEmpty() ? null : frames.get(frames.size() - 1);
        boolean again = last != null && last.micros() == machine.now.micros();
        armedIsKept = true;
        Mark mark = new Mark(events.size(), problems.size(), armed, scene());
        Frame frame = new Frame(machine.configuration(), mark);
        if (again) {
            frames.set(frames.size() - 1, frame);
        } else {
            frames.add(frame);
        }
    }
}
