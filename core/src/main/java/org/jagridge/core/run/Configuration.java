package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Clocks;
import org.jagridge.core.part.Instant;

/**
 * Everything that a circuit at rest at one instant can differ in: the state of each part, its inputs, the faults that
 * are there, and what guards against parts that chatter. Immutable. From it {@link Engine#advance} goes on.
 *
 * <p>Two configurations of one engine are equal if they go on alike: clocks count from now, what no longer matters is
 * left out ({@link Behaviour#canonical}), faults are a set, and temperatures and heat are compared to a millionth. Equal
 * configurations hash alike. Only that form is compared; going on uses the states as they are, so that nothing is lost
 * by rounding.
 */
public final class Configuration {
    /* The clock shows `now`, but no comparison sees it: a configuration is the same one at any time of the day. */
    final Variant variant;
    final Instant now;
    /** Whether what is due now has been asked. */
    final boolean asked;

    final Object[] states;
    final Instant[] wakes;
    final boolean[] frozen;
    /** Until when a part that flipped too often is left alone. */
    final Instant[] heldUntil;
    /** When each part's signal changed within the window in which chatter is counted. */
    final long[][] changes;

    final List<Map<String, Object>> inputs;
    final List<Fault> faults;
    final Solution ac;
    final Solution dc;
    private Key key;

    Configuration(
            Variant variant,
            Instant now,
            boolean asked,
            Object[] states,
            Instant[] wakes,
            boolean[] frozen,
            Instant[] heldUntil,
            long[][] changes,
            List<Map<String, Object>> inputs,
            List<Fault> faults,
            Solution ac,
            Solution dc) {
        this.variant = variant;
        this.now = now;
        this.asked = asked;
        this.states = states;
        this.wakes = wakes;
        this.frozen = frozen;
        this.heldUntil = heldUntil;
        this.changes = changes;
        this.inputs = inputs;
        this.faults = faults;
        this.ac = ac;
        this.dc = dc;
    }

    /**
     * What is compared. The states are interned by the engine, so that equal ones are one object; the hash is worked out
     * once, since searches ask for it over and over.
     */
    private static final class Key {
        final Engine engine;
        final Object[] states;
        final Set<Fault> faults;
        final List<Map<String, Object>> inputs;
        final List<Integer> frozen;
        final boolean due;
        final Map<Integer, List<Long>> guards;
        private final int hash;

        Key(
                Engine engine,
                Object[] states,
                Set<Fault> faults,
                List<Map<String, Object>> inputs,
                List<Integer> frozen,
                boolean due,
                Map<Integer, List<Long>> guards) {
            this.engine = engine;
            this.states = states;
            this.faults = faults;
            this.inputs = inputs;
            this.frozen = frozen;
            this.due = due;
            this.guards = guards;
            int h = Objects.hash(faults, inputs, frozen, guards);
            for (Object state : states) {
                h = 31 * h + System.identityHashCode(state);
            }
            hash = h;
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Key k
                    && hash == k.hash
                    && engine == k.engine
                    && due == k.due
                    && sameStates(k)
                    && faults.equals(k.faults)
                    && inputs.equals(k.inputs)
                    && frozen.equals(k.frozen)
                    && guards.equals(k.guards);
        }

        private boolean sameStates(Key k) {
            if (states.length != k.states.length) {
                return false;
            }
            for (int i = 0; i < states.length; i++) {
                if (states[i] != k.states[i]) {
                    return false;
                }
            }
            return true;
        }

        @Override
        public int hashCode() {
            return hash;
        }
    }

    private synchronized Key key() {
        if (key == null) {
            key = new Key(
                    variant.engine, canonicalStates(), new HashSet<>(faults), inputs, frozenParts(), isDue(), guards());
        }
        return key;
    }

    private Object[] canonicalStates() {
        Object[] canonical = new Object[states.length];
        for (Assembly.Member m : variant.assembly.members()) {
            canonical[m.index()] = variant.engine.interned(canonicalState(m));
        }
        return canonical;
    }

    @SuppressWarnings("unchecked")
    private Object canonicalState(Assembly.Member m) {
        Object state = ((Behaviour<Object>) m.behaviour()).canonical(states[m.index()], now);
        return state == null ? "" : Clocks.relative(state, now);
    }

    /** Whether both go on alike, where they are of one instant: only states that differ as they are need be made comparable. */
    private boolean isAlikeNow(Configuration c) {
        return Arrays.equals(frozen, c.frozen)
                && isDue() == c.isDue()
                && inputs.equals(c.inputs)
                && new HashSet<>(faults).equals(new HashSet<>(c.faults))
                && guards().equals(c.guards())
                && variant.assembly.members().stream()
                        .allMatch(m -> Objects.equals(states[m.index()], c.states[m.index()])
                                || canonicalState(m).equals(c.canonicalState(m)));
    }

    private boolean isDue() {
        return !asked && Machine.earliest(wakes).hasCome(now);
    }

    private List<Integer> frozenParts() {
        List<Integer> parts = new ArrayList<>();
        for (int i = 0; i < frozen.length; i++) {
            if (frozen[i]) {
                parts.add(i);
            }
        }
        return parts;
    }

    /** By part, for those that are guarded: how long it is held yet, and how long ago it changed, as far as that counts. */
    private Map<Integer, List<Long>> guards() {
        Map<Integer, List<Long>> guards = new HashMap<>();
        for (int i = 0; i < states.length; i++) {
            boolean held = !heldUntil[i].hasCome(now);
            if (!held && changes[i].length == 0) {
                continue;
            }
            List<Long> guard = new ArrayList<>();
            guard.add(held ? heldUntil[i].since(now) : 0);
            for (long change : changes[i]) {
                if (change >= now.micros() - Guards.CHATTER_WINDOW) {
                    guard.add(change - now.micros());
                }
            }
            if (held || guard.size() > 1) {
                guards.put(i, guard);
            }
        }
        return guards;
    }

    /** The same configuration with its clock showing {@code micros} more. It is equal to this one. */
    public Configuration shifted(long micros) {
        Object[] later = new Object[states.length];
        Arrays.setAll(later, i -> Clocks.shifted(states[i], micros));
        Instant[] laterWakes = shifted(wakes, micros);
        Instant[] laterHeld = shifted(heldUntil, micros);
        long[][] laterChanges = new long[changes.length][];
        Arrays.setAll(
                laterChanges,
                i -> Arrays.stream(changes[i]).map(c -> c + micros).toArray());
        return new Configuration(
                variant,
                now.plus(micros),
                asked,
                later,
                laterWakes,
                frozen,
                laterHeld,
                laterChanges,
                inputs,
                faults,
                ac,
                dc);
    }

    private static Instant[] shifted(Instant[] instants, long micros) {
        Instant[] later = new Instant[instants.length];
        Arrays.setAll(later, i -> instants[i].plus(micros));
        return later;
    }

    /** Microseconds until a part moves by itself at the earliest, or {@link Long#MAX_VALUE} for never. */
    public long untilNextWake() {
        Instant next = Machine.earliest(wakes);
        return next.isNever() ? Long.MAX_VALUE : Math.max(asked ? 1 : 0, next.since(now));
    }

    /** The same states under other faults and their currents, for looking at only. */
    Configuration solved(List<Fault> present, Solution forAc, Solution forDc) {
        return new Configuration(
                variant, now, asked, states, wakes, frozen, heldUntil, changes, inputs, present, forAc, forDc);
    }

    /** What a lead or an eye sees here. */
    public Frame frame() {
        return new Frame(this);
    }

    /** What the clock shows, microseconds. */
    public long micros() {
        return now.micros();
    }

    /** The main signal of a part, or null for one that has none. */
    @SuppressWarnings("unchecked")
    public String signal(Assembly.Member m) {
        return ((Behaviour<Object>) m.behaviour()).signal(states[m.index()]);
    }

    /** What one of a part's inputs is set to, or null where it has no such one. */
    public Object input(Assembly.Member m, String name) {
        return inputs.get(m.index()).get(name);
    }

    /** The faults that are there, in the order in which they began. */
    public List<Fault> faults() {
        return faults;
    }

    /** In what two configurations of one circuit differ, a line a part; empty where they are equal. */
    public List<String> differences(Configuration other) {
        Key a = key();
        Key b = other.key();
        List<String> lines = new ArrayList<>();
        if (!a.faults.equals(b.faults)) {
            lines.add("faults: " + a.faults + ", " + b.faults);
        }
        for (Assembly.Member m : variant.assembly.members()) {
            int i = m.index();
            if (i < b.states.length) {
                compare(m, "state", a.states[i], b.states[i], lines);
                compare(m, "inputs", a.inputs.get(i), b.inputs.get(i), lines);
                compare(m, "guards", a.guards.get(i), b.guards.get(i), lines);
                compare(m, "frozen", a.frozen.contains(i), b.frozen.contains(i), lines);
            }
        }
        if (lines.isEmpty() && !a.equals(b)) {
            lines.add(a.due == b.due ? "other circuits" : "in one something is due now");
        }
        return lines;
    }

    private static void compare(Assembly.Member m, String what, Object one, Object other, List<String> lines) {
        if (!Objects.equals(one, other)) {
            lines.add(m.part().id() + ", " + what + ": " + one + ", " + other);
        }
    }

    @Override
    public boolean equals(Object other) {
        if (!(other instanceof Configuration c)) {
            return false;
        }
        boolean atOnce = variant == c.variant && now.equals(c.now);
        return c == this || (atOnce ? isAlikeNow(c) : key().equals(c.key()));
    }

    @Override
    public int hashCode() {
        return key().hashCode();
    }
}
