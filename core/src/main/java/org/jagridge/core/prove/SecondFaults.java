package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.network.SingularNetworkException;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.prove.FaultVerdict.Kind;
import org.jagridge.core.prove.FaultVerdict.Second;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.RunLimitException;

/**
 * What lies behind faults that show nowhere: with each of them there from the start, every other single fault again. A
 * pair is searched in the slices of the claims that both of its faults touch; in any other slice one of them is alone.
 * Each way that breaks the rule is done in the whole circuit before it is said.
 */
final class SecondFaults {
    /** Instants that each search with two faults gets at the least. */
    private static final int LEAST_STEPS = 4_000;

    private final Subject whole;
    private final Limits limits;
    private final Cone.Trunk trunk;
    private final InWhole inWhole;
    private final List<Fault> faults;
    private final Map<String, Integer> shapes = new HashMap<>();
    private final Map<Before, StateSearch> latent = new ConcurrentHashMap<>();
    private final Map<String, Found> found = new ConcurrentHashMap<>();

    /**
     * One claim of a rule with what it depends on.
     *
     * @param full the same with every isolator thrown, too
     * @param shape the same number for slices that are alike
     */
    private record Target(Rule claim, List<String> parts, Slice slice, Slice full, int shape) {}

    /** A slice with a hidden fault in it. */
    private record Before(Slice slice, Fault hidden) {}

    /** What is searched for one pair. */
    private record Task(Fault hidden, Fault then, Target target, String key) {}

    /**
     * What came of a search.
     *
     * @param deeds that break the claim, or null
     * @param decided whether nothing breaks it where there are none
     */
    private record Found(List<Replay.Deed> deeds, boolean decided, Slice in) {}

    SecondFaults(Subject whole, Limits limits) {
        this.whole = whole;
        this.limits = limits;
        trunk = new Cone.Trunk(whole.assembly);
        inWhole = new InWhole(whole, trunk, limits);
        faults = Faults.of(whole.circuit);
    }

    /** The same verdicts, with the second faults of the hidden ones. */
    List<Verdict> of(List<Verdict> verdicts) {
        Map<Rule, List<Task>> tasks = new LinkedHashMap<>();
        verdicts.forEach(v -> tasks.put(v.rule(), tasks(v)));
        Map<String, Task> different = new LinkedHashMap<>();
        tasks.values().forEach(list -> list.forEach(t -> different.putIfAbsent(t.key(), t)));
        Limits each = Prover.each(limits, different.size(), LEAST_STEPS);
        Parallel.map(different.values(), t -> found.put(t.key(), search(t, each)));
        return Parallel.map(verdicts, v -> with(v, tasks.get(v.rule())));
    }

    private Verdict with(Verdict v, List<Task> tasks) {
        Map<Fault, Map<Fault, Second>> second = new LinkedHashMap<>();
        for (Task t : tasks) {
            Found f = found.get(t.key());
            if (f.deeds() == null && f.decided()) {
                continue;
            }
            Map<Fault, Second> of = second.computeIfAbsent(t.hidden(), h -> new LinkedHashMap<>());
            Second known = of.get(t.then());
            if (known == null || known.how() == null) {
                Counterexample how = f.deeds() == null ? null : inWhole(t, slice(t), f, v.rule());
                of.put(t.then(), new Second(t.then(), how));
            }
        }
        return v.with(v.faults().stream()
                .map(f -> f.with(
                        List.copyOf(second.getOrDefault(f.fault(), Map.of()).values())))
                .toList());
    }

    private Counterexample inWhole(Task t, Slice mine, Found f, Rule rule) {
        Rule claim = t.target().claim();
        if (!mine.key(claim, List.of()).equals(f.in().key(claim, List.of()))) {
            // alike before the faults, but not read in the same order with them
            Found own = search(t, limits.with(1, limits.mostSteps()));
            return own.deeds() == null ? null : played(t, own.in(), own, rule);
        }
        return played(t, mine, f, rule);
    }

    private Counterexample played(Task t, Slice mine, Found f, Rule rule) {
        boolean fromStart = f.deeds().stream().allMatch(d -> d.begins().isEmpty());
        List<Fault> there = fromStart ? List.of(t.hidden(), t.then()) : List.of(t.hidden());
        return inWhole.broken(mine, f.in(), f.deeds(), rule, there, t.then());
    }

    private List<Task> tasks(Verdict v) {
        List<Task> tasks = new ArrayList<>();
        if (!v.holds() || v.rule().claim() instanceof Claim.Possible) {
            return tasks;
        }
        Set<Fault> alone = v.faults().stream()
                .filter(f -> f.kind() == Kind.HOT)
                .map(FaultVerdict::fault)
                .collect(Collectors.toSet());
        List<Target> targets = Claims.of(v.rule()).stream().map(this::target).toList();
        for (FaultVerdict hidden : v.of(Kind.HIDDEN)) {
            for (Target t : targets) {
                if (t.slice().isTouchedBy(hidden.fault())) {
                    faults.stream()
                            .filter(f -> !alone.contains(f) && t.slice().isTouchedBy(f))
                            .filter(f -> !isSamePlace(hidden.fault(), f) && isPair(hidden.fault(), f))
                            .map(f -> new Task(hidden.fault(), f, t, key(t, hidden.fault(), f)))
                            .forEach(tasks::add);
                }
            }
        }
        return tasks;
    }

    /** Whether two faults can't be there together: another of the same kind, or of the same wire. */
    private static boolean isSamePlace(Fault a, Fault b) {
        return a.equals(b)
                || (a.part() != null && a.part().equals(b.part()) && a.kind() == b.kind())
                || (a.wire() != null && a.wire().equals(b.wire()));
    }

    /** A few ohms more matter only together with others, a contact that isn't wired not at all. A wire on the terminal beside
     * its own is a slip of whoever works there, and is looked for alone. */
    private boolean isPair(Fault hidden, Fault then) {
        if (isResistive(hidden) || isResistive(then)) {
            return isResistive(hidden) && isResistive(then);
        }
        return Stream.of(hidden, then).noneMatch(f -> isIdle(f) || f.kind() == FaultKind.LANDED);
    }

    private static boolean isResistive(Fault f) {
        return f.kind() == FaultKind.CONTACT_RESISTIVE || f.kind() == FaultKind.WIRE_RESISTIVE;
    }

    /** Whether it opens a contact that no wire leads through. */
    private boolean isIdle(Fault f) {
        return f.kind() == FaultKind.CONTACT_OPEN
                && whole.assembly.branchesOf(f.part()).stream()
                        .filter(b -> f.defect().details().get("contact").equals(b.label()))
                        .noneMatch(b -> Faults.isWired(whole.circuit, b));
    }

    private Target target(Rule claim) {
        List<String> parts = claim.claim().conditions().stream()
                .flatMap(c -> c.parts().stream())
                .distinct()
                .toList();
        Cone cone = Cone.of(trunk, parts, false);
        Slice slice = new Slice(whole.assembly, cone, cone.inSeriesWithSource());
        String shape = slice.key(claim, List.of());
        return new Target(
                claim,
                parts,
                slice,
                new Slice(whole.assembly, cone, Set.of()),
                shapes.computeIfAbsent(shape, s -> shapes.size()));
    }

    private static String key(Target t, Fault hidden, Fault then) {
        Stream<String> words = Stream.of(hidden, then)
                .map(f -> f.defect().touches().stream().allMatch(t.slice()::isIn)
                        ? t.slice().numbered(f.words())
                        : "only " + f.words() + " with " + t.claim().claim());
        return t.shape() + ": " + words.collect(Collectors.joining(", then "));
    }

    /** The slice in which a pair is searched; that of the rewired circuit where a fault changes which wire goes where. */
    private Slice slice(Task t) {
        boolean throwsAll = Stream.of(t.hidden(), t.then()).anyMatch(t.target().slice()::leavesAlone);
        Slice slice = throwsAll ? t.target().full() : t.target().slice();
        if (!FaultList.rewires(t.hidden()) && !FaultList.rewires(t.then())) {
            return slice;
        }
        Circuit changed = FaultList.rewired(FaultList.rewired(whole.circuit, t.hidden()), t.then());
        Cone.Trunk other = new Cone.Trunk(Assembly.of(changed));
        Set<String> all = new LinkedHashSet<>(t.target().parts());
        all.addAll(slice.cone.parts);
        return new Slice(other.assembly, Cone.of(other, all, false), slice.left);
    }

    private Found search(Task t, Limits each) {
        Slice slice = slice(t);
        List<Fault> held = Stream.of(t.hidden(), t.then())
                .filter(f -> !FaultList.rewires(f))
                .map(slice::inSlice)
                .toList();
        if (held.stream().anyMatch(Objects::isNull)) {
            return new Found(null, false, null);
        }
        try {
            Subject subject = slice.subject(t.target().claim());
            StateSearch both = subject.search(each).untilDecided().from(held);
            if (held.size() == 2) {
                both.from(before(slice, subject, held.get(0), each), held.get(1));
            }
            both.search();
            return new Found(both.deeds(0), both.isComplete(), both.deeds(0) == null ? null : slice);
        } catch (RunLimitException | SingularNetworkException e) {
            return new Found(null, false, null);
        }
    }

    /** With the hidden fault alone: every state that the second one can begin in. */
    private StateSearch before(Slice slice, Subject subject, Fault hidden, Limits each) {
        return latent.computeIfAbsent(
                new Before(slice, hidden),
                k -> subject.search(each).from(List.of(hidden)).search());
    }
}
