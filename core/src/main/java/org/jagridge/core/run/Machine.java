package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Time;

/**
 * An assembly in motion: where it stands, and the steps from there. Mutable, for one thread at a time. It is loaded from
 * a {@link Configuration}, writing anew only the parts that differ from where it stood, and read out as one.
 */
final class Machine {
    private static final int MOST_ROUNDS_AT_ONE_INSTANT = 1000;
    private static final long MOST_MICRO_STEPS = 10_000_000;

    final Variant variant;
    final Assembly assembly;
    final Electrics electrics;
    private final PartView[] views;
    private final Recent recent = new Recent();

    private long microSteps;

    /* Where it stands. */
    Instant now = Instant.START;
    /** False while the circuit comes to rest at time 0, which isn't told. */
    boolean started;
    /** Whether the parts have been asked at this instant. */
    private boolean asked;

    Object[] states;
    final String[] signals;
    private final Instant[] wakes;
    private final Guards guards;
    private List<Map<String, Object>> inputs = List.of();
    private List<Fault> faults = List.of();
    /** Those of the faults that sit in a part, by the part's index; null for none. Parts ask at every turn. */
    private final PartDefect[][] defects;
    /** Buttons that are pushed at this very instant. */
    final Set<Input> pushed = new HashSet<>();

    /** Who looks on, or null. */
    Observer observer;

    Machine(Variant variant) {
        this.variant = variant;
        assembly = variant.assembly;
        electrics = new Electrics(assembly);
        int n = assembly.members().size();
        states = new Object[n];
        signals = new String[n];
        wakes = new Instant[n];
        guards = new Guards(n);
        views = new PartView[n];
        defects = new PartDefect[n][];
        for (Assembly.Member m : assembly.members()) {
            views[m.index()] = new PartView(m, this);
        }
    }

    /** From now on it works for the calling thread, whose solver nobody else uses. */
    void workHere() {
        electrics.workHere();
    }

    /* ---- where it stands ---- */

    /** Time 0, before anything happened. */
    void reset(Map<String, Object> hands, List<Fault> present) {
        now = Instant.START;
        started = false;
        asked = false;
        present(List.copyOf(present));
        inputs = new ArrayList<>(assembly.untouched());
        hands.forEach((key, value) -> set(new Act.Set(Input.parse(key), value)));
        begin();
        Arrays.fill(states, null);
        for (Assembly.Member m : assembly.members()) {
            states[m.index()] = m.behaviour().start(views[m.index()]);
            note(m);
        }
        electrics.writeAll(faults, states);
    }

    private void begin() {
        electrics.forget();
        guards.begin();
        recent.clear();
        microSteps = 0;
        Arrays.fill(wakes, Instant.NEVER);
        Arrays.fill(signals, null);
    }

    /** From rest at time 0; without a word. */
    void comeToRest() {
        electrics.solve();
        settle();
        started = true;
        pushed.clear();
    }

    void load(Configuration c) {
        now = c.now;
        asked = c.asked;
        started = true;
        pushed.clear();
        microSteps = 0;
        recent.clear();
        guards.load(c);
        boolean otherFaults = !faults.equals(c.faults);
        present(c.faults);
        inputs = new ArrayList<>(c.inputs);
        Object[] old = states;
        states = c.states.clone();
        System.arraycopy(c.wakes, 0, wakes, 0, wakes.length);
        boolean written = electrics.isWritten();
        for (Assembly.Member m : assembly.members()) {
            int i = m.index();
            if (old[i] != states[i]) {
                note(m);
                if (written) {
                    electrics.write(m, states[i]);
                }
            }
        }
        if (!written) {
            electrics.writeAll(faults, states);
        } else if (otherFaults) {
            electrics.change(faults, states);
        }
        electrics.show(c.ac, c.dc, null, null);
    }

    Configuration configuration() {
        return new Configuration(
                variant,
                now,
                asked,
                states.clone(),
                wakes.clone(),
                guards.frozen(),
                guards.heldUntil(),
                guards.changes(),
                List.copyOf(inputs),
                faults,
                electrics.ac,
                electrics.dc);
    }

    /**
     * Where it stands; from now on it is another's. Where something is thrown before, it is nobody's: what it has written
     * and what it was about to write needn't agree any more.
     */
    Configuration done() {
        Configuration there = configuration();
        variant.giveBack(this);
        return there;
    }

    /**
     * Goes on from where another machine of the same circuit stands, before a fault changed the wiring: parts that are
     * still there go on as they were.
     */
    private void takeOver(Machine old) {
        now = old.now;
        asked = old.asked;
        started = old.started;
        present(old.faults);
        pushed.clear();
        pushed.addAll(old.pushed);
        observer = old.observer;
        begin();
        inputs = new ArrayList<>();
        microSteps = old.microSteps;
        recent.addAll(old.recent);
        Arrays.fill(states, null);
        boolean sameParts = assembly.sharesParts(old.assembly);
        List<Assembly.Member> fresh = new ArrayList<>();
        for (Assembly.Member m : assembly.members()) {
            int i = m.index();
            int was = sameParts
                    ? i
                    : old.assembly
                            .member(m.part().id())
                            .map(Assembly.Member::index)
                            .orElse(-1);
            inputs.add(was < 0 ? Map.of() : old.inputs.get(was));
            if (was < 0) {
                fresh.add(m);
            } else {
                states[i] = old.states[was];
                guards.takeOver(i, old.guards, was);
                note(m);
            }
        }
        for (Assembly.Member m : fresh) {
            states[m.index()] = m.behaviour().start(views[m.index()]);
            note(m);
        }
        electrics.writeAll(faults, states);
    }

    Map<String, Object> inputsOf(Assembly.Member m) {
        return inputs.get(m.index());
    }

    /** The defects that a part has, or null for none. */
    PartDefect[] defectsOf(Assembly.Member m) {
        return defects[m.index()];
    }

    /** From now on these faults are there; nothing is written yet. */
    private void present(List<Fault> now) {
        faults = now;
        Arrays.fill(defects, null);
        for (Fault f : now) {
            if (f.defect() instanceof PartDefect d) {
                assembly.member(f.part()).ifPresent(m -> add(m.index(), d));
            }
        }
    }

    private void add(int part, PartDefect defect) {
        PartDefect[] known = defects[part];
        PartDefect[] more = known == null ? new PartDefect[1] : Arrays.copyOf(known, known.length + 1);
        more[more.length - 1] = defect;
        defects[part] = more;
    }

    /** A part's state; while the machine is being started, the state it will start from. */
    Object stateOf(Assembly.Member m) {
        Object state = states[m.index()];
        return state != null ? state : m.behaviour().start(views[m.index()]);
    }

    /** Writes down what a part shows. */
    @SuppressWarnings("unchecked")
    private void note(Assembly.Member m) {
        signals[m.index()] = ((Behaviour<Object>) m.behaviour()).signal(states[m.index()]);
    }

    /* ---- acts ---- */

    /**
     * Does what hands and faults do at this instant; the parts haven't reacted yet.
     *
     * @return the machine that goes on: another one where a fault changed the wiring
     */
    Machine apply(List<Act> acts) {
        pushed.clear();
        boolean faultsChanged = false;
        boolean wiringChanged = false;
        for (Act act : acts) {
            if (act instanceof Act.Set s) {
                set(s);
            } else if (act instanceof Act.Begin b) {
                present(with(b.fault()));
                wiringChanged |= FaultEffects.changesCircuit(b.fault());
                faultsChanged = true;
                tell(b.fault(), true);
            } else if (act instanceof Act.End e) {
                present(without(e.fault()));
                wiringChanged |= FaultEffects.changesCircuit(e.fault());
                faultsChanged = true;
                tell(e.fault(), false);
            } else {
                throw new IllegalArgumentException("not an act of one instant: " + act);
            }
        }
        Machine next = this;
        if (wiringChanged) {
            next = variant.engine.variant(faults).borrow();
            next.takeOver(this);
            variant.giveBack(this);
        } else if (faultsChanged) {
            electrics.change(faults, states);
        }
        if (faultsChanged) {
            next.electrics.solve();
        }
        return next;
    }

    private void tell(Fault fault, boolean begins) {
        if (observer != null) {
            observer.fault(fault, begins);
        }
    }

    private List<Fault> with(Fault fault) {
        List<Fault> more = new ArrayList<>(faults);
        more.add(fault);
        return List.copyOf(more);
    }

    private List<Fault> without(Fault fault) {
        List<Fault> fewer = new ArrayList<>(faults);
        fewer.remove(fault);
        return List.copyOf(fewer);
    }

    private void set(Act.Set s) {
        Input input = s.input();
        Field field =
                assembly.input(input).orElseThrow(() -> new IllegalArgumentException("there is no input " + input));
        int i = assembly.member(input.part()).orElseThrow().index();
        boolean momentary = field.kind() == Field.Kind.MOMENTARY;
        Object before = "";
        if (momentary) {
            pushed.add(input);
        } else {
            Map<String, Object> values = new HashMap<>(inputs.get(i));
            before = values.put(input.name(), s.value());
            inputs.set(i, values);
        }
        recent.add(input.part());
        if (observer != null) {
            observer.set(input, before, s.value(), momentary);
        }
    }

    /* ---- time ---- */

    static Instant earliest(Instant[] wakes) {
        Instant next = Instant.NEVER;
        for (Instant w : wakes) {
            next = Instant.earliest(next, w);
        }
        return next;
    }

    /** When a part wants to be asked at the earliest. */
    Instant nextWake() {
        Instant next = earliest(wakes);
        // a wake-up that was not used up at its own instant would stop the clock
        return !next.hasCome(now) ? next : asked ? now.plus(1) : now;
    }

    /** Lets time pass, without asking anybody. */
    void passTo(Instant later) {
        now = later;
        asked = false;
        pushed.clear();
    }

    /** Goes on by itself through all that is due before {@code until}. */
    void runUntil(Instant until) {
        for (Instant next = nextWake(); !until.hasCome(next); next = nextWake()) {
            passTo(next);
            settle();
        }
    }

    /**
     * Lets the parts react until nothing changes at this instant.
     *
     * @return whether anything changed
     * @throws RunLimitException where that doesn't end
     */
    boolean settle() {
        boolean any = false;
        asked = true;
        for (int round = 0; ; round++) {
            if (round > MOST_ROUNDS_AT_ONE_INSTANT) {
                throw new RunLimitException(
                        "at %.6f s the parts kept changing without any time passing"
                                .formatted(Time.seconds(now.micros())),
                        recentlyMoved());
            }
            Budget.check(recent::words);
            if (++microSteps > MOST_MICRO_STEPS) {
                throw new RunLimitException("the run took more than 10 million steps", recentlyMoved());
            }
            if (observer != null) {
                observer.roundBegins();
            }
            if (!reactAll()) {
                return any;
            }
            any = true;
            electrics.solve();
        }
    }

    /** The parts that moved last, the newest first. */
    List<String> recentlyMoved() {
        return recent.parts();
    }

    /** One round of reactions to the present solution; whether any state changed. */
    @SuppressWarnings("unchecked")
    private boolean reactAll() {
        List<Assembly.Member> changed = null;
        Object[] next = states;
        guards.roundBegins(now);
        for (Assembly.Member m : assembly.members()) {
            int i = m.index();
            if (guards.holds(i, now)) {
                wakes[i] = guards.until(i);
                continue;
            }
            Behaviour<Object> behaviour = (Behaviour<Object>) m.behaviour();
            Object state = states[i];
            boolean woken = wakes[i].hasCome(now);
            Reaction<Object> r = behaviour.react(state, views[i]);
            wakes[i] = r.wakeAt();
            String from = signals[i];
            String to = from;
            boolean changes = !r.state().equals(state);
            if (changes) {
                if (changed == null) {
                    changed = new ArrayList<>();
                    next = states.clone();
                }
                next[i] = r.state();
                changed.add(m);
                to = behaviour.signal(r.state());
            }
            if (observer != null && (changes || r.arms() != null)) {
                observer.reacted(m, changes, r, woken, from, to);
            }
            if (!Objects.equals(from, to)) {
                flip(m);
            }
        }
        if (changed == null) {
            return false;
        }
        states = next;
        for (Assembly.Member m : changed) {
            electrics.write(m, states[m.index()]);
            note(m);
        }
        for (Assembly.Member m : changed) {
            freezeIfChattering(m);
        }
        return true;
    }

    /** A part's signal changes. */
    private void flip(Assembly.Member m) {
        int i = m.index();
        recent.add(m.part().id());
        if (guards.flips(i, now, started)) {
            wakes[i] = guards.until(i);
        }
    }

    @SuppressWarnings("unchecked")
    private void freezeIfChattering(Assembly.Member m) {
        int i = m.index();
        if (!guards.chatters(i, now)) {
            return;
        }
        Behaviour<Object> behaviour = (Behaviour<Object>) m.behaviour();
        Object chattering = behaviour.chattering(states[i]);
        boolean freezes = !chattering.equals(states[i]);
        if (!freezes && !guards.chattersLong(i)) {
            return;
        }
        if (observer != null) {
            observer.chatters(m, freezes);
        }
        if (!freezes) {
            guards.restartLater(i, now);
            wakes[i] = guards.until(i);
            return;
        }
        String from = signals[i];
        states[i] = chattering;
        guards.freeze(i);
        wakes[i] = Instant.NEVER;
        electrics.write(m, states[m.index()]);
        note(m);
        if (observer != null) {
            observer.froze(m, from, signals[i]);
        }
    }
}
