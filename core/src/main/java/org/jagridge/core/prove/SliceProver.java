package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.network.SingularNetworkException;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.prove.FaultVerdict.Kind;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.RunLimitException;

/**
 * Proves each claim in the slice of the circuit that it depends on; slices that are alike are searched once. A claim that
 * holds in its slice holds in the circuit, as long as its supplies hold their volts. A way in which it is broken there is
 * done in the whole circuit before anything is said of it.
 */
final class SliceProver {
    /** Slices of a larger share of the circuit than that on the average save nothing. */
    private static final double MOST_OF = 0.85;

    /** A claim, or a part that people look at, with its slice. */
    private record Target(Rule rule, Rule claim, Slice slice, Set<String> duties, List<String> parts) {}

    /** A slice that was searched. */
    private record Searched(Slice slice, Subject subject, StateSearch search) {}

    /** What a fault does in a slice; names are those of the slice that was searched. */
    private record Outcome(
            Kind kind,
            List<Replay.Deed> deeds,
            boolean fromStart,
            Map<Input, Object> when,
            boolean complete,
            Slice in) {}

    /** An outcome with the slice that it is for. */
    private record Touch(Outcome outcome, Slice mine) {}

    private final Subject whole;
    private final boolean strict;
    private final Limits limits;
    private final Cone.Trunk trunk;
    private final InWhole inWhole;
    private final Map<String, Searched> sound = new ConcurrentHashMap<>();
    private final Map<String, Outcome> outcomes = new ConcurrentHashMap<>();
    private final List<Target> targets = new ArrayList<>();

    SliceProver(Subject whole, Limits limits) {
        this(whole, limits, false);
    }

    /** @param strict whether contacts that the same thing moves are left with what moves them */
    private SliceProver(Subject whole, Limits limits, boolean strict) {
        this.whole = whole;
        this.strict = strict;
        this.limits = limits;
        trunk = new Cone.Trunk(whole.assembly);
        inWhole = new InWhole(whole, trunk, limits);
    }

    List<Verdict> verdicts(boolean singleFaults) {
        whole.rules.forEach(this::targetsOf);
        if (!isWorthIt()) {
            return Prover.whole(whole, singleFaults, limits);
        }
        List<Verdict> soundVerdicts = Parallel.map(whole.rules, this::sound);
        if (!singleFaults) {
            return soundVerdicts;
        }
        // what can run at all is asked of the sound circuit only
        targets.removeIf(t -> t.claim().claim() instanceof Claim.Possible);
        Set<String> watched = new HashSet<>();
        targets.forEach(t -> watched.addAll(t.slice().cone.parts));
        letFree();
        for (Assembly.Member m : whole.seen) {
            if (!watched.contains(m.part().id())) {
                targets.add(
                        target(null, looksAt(m.part().id()), List.of(m.part().id()), true));
            }
        }
        List<Fault> faults = Faults.of(whole.circuit);
        List<Map<Rule, FaultVerdict>> all = withFaults(faults, soundVerdicts);
        return soundVerdicts.stream()
                .map(v -> !v.holds() || v.rule().claim() instanceof Claim.Possible
                        ? v
                        : new Verdict(
                                v.rule(),
                                v.standing(),
                                true,
                                v.complete(),
                                v.states(),
                                v.bound(),
                                null,
                                all.stream().map(m -> m.get(v.rule())).toList()))
                .toList();
    }

    /** What was let free everywhere has faults, too: it is looked at together with what the rule watches. */
    private void letFree() {
        Set<String> explicit = new HashSet<>();
        targets.forEach(t -> explicit.addAll(t.slice().cone.parts));
        for (Target t : List.copyOf(targets)) {
            for (String duty : t.duties()) {
                t.slice().frees.values().stream()
                        .flatMap(List::stream)
                        .filter(f -> explicit.add(f.part() + " with " + duty) && !explicit.contains(f.part()))
                        .forEach(f -> targets.add(target(t.rule(), looksAt(duty), List.of(duty, f.part()), true)));
            }
        }
    }

    /** Slices that are nearly the whole circuit each are better searched as one. */
    private boolean isWorthIt() {
        int parts = whole.circuit.parts().size();
        return targets.size() == 1
                || targets.stream().mapToInt(t -> t.slice().cone.parts.size()).sum() < parts * targets.size() * MOST_OF;
    }

    private void targetsOf(Rule rule) {
        Claims.of(rule).forEach(c -> targets.add(target(rule, c, partsOf(c), true)));
    }

    static Rule looksAt(String part) {
        return new Rule(
                "",
                "",
                new Claim.Never(new Condition.Word(part, true, "nothing like this")),
                Rule.GRACE_SECONDS,
                Map.of());
    }

    private static List<String> partsOf(Rule rule) {
        return rule.claim().conditions().stream()
                .flatMap(c -> c.parts().stream())
                .distinct()
                .toList();
    }

    private Target target(Rule rule, Rule claim, List<String> parts, boolean lean) {
        Cone cone = Cone.of(trunk, parts, strict);
        Slice slice = new Slice(whole.assembly, cone, lean ? cone.inSeriesWithSource() : Set.of());
        Subject subject = slice.subject(claim);
        return new Target(rule, claim, slice, subject.duties(claim), parts);
    }

    private Searched searched(Target t) {
        return sound.computeIfAbsent(t.slice().key(t.claim(), List.of()), k -> {
            Subject subject = t.slice().subject(t.claim());
            return new Searched(
                    t.slice(), subject, subject.search(limits).from(List.of()).search());
        });
    }

    /* ---- without a fault ---- */

    private Verdict sound(Rule rule) {
        boolean complete = true;
        boolean rests = true;
        int states = 0;
        int onTheWay = 0;
        Set<String> let = new LinkedHashSet<>();
        Set<String> alike = new HashSet<>();
        Counterexample broken = null;
        boolean suspected = false;
        List<Target> mine = targets.stream().filter(t -> rule.equals(t.rule())).toList();
        for (Target t : mine) {
            Searched s = searched(t);
            complete &= s.search().isComplete();
            rests &= s.search().alwaysRests();
            t.slice().frees.values().forEach(f -> f.forEach(x -> let.add(x.part())));
            if (alike.add(t.slice().key(t.claim(), List.of()))) {
                states += s.search().states();
                onTheWay += s.search().onTheWay();
            }
            if (s.search().deeds(0) != null) {
                Counterexample found =
                        inWhole.broken(t.slice(), s.slice(), s.search().deeds(0), rule, List.of(), null);
                suspected |= found == null;
                if (found != null
                        && (broken == null
                                || found.steps().size() < broken.steps().size())) {
                    broken = found;
                }
            }
        }
        if (suspected && broken == null && !strict) {
            SliceProver closer = new SliceProver(whole, limits, true);
            closer.targetsOf(rule);
            return closer.sound(rule);
        }
        if (suspected && broken == null) {
            return Prover.whole(new Subject(whole.circuit, List.of(rule)), false, limits)
                    .get(0);
        }
        boolean possible = rule.claim() instanceof Claim.Possible;
        boolean holds = possible ? broken != null || !complete : broken == null;
        return new Verdict(
                rule,
                Standing.is(rule),
                holds,
                complete || broken != null,
                states,
                Bounds.of(complete, rests, states, onTheWay, limits) + slices(mine.size(), alike.size(), let),
                broken,
                List.of());
    }

    private String slices(int claims, int searched, Set<String> let) {
        StringBuilder words =
                new StringBuilder("; searched in what the rule depends on, supplies taken to hold their volts");
        if (!let.isEmpty()) {
            words.append(", contacts of ")
                    .append(String.join(", ", let))
                    .append(" opened and closed at will where they lie in the way");
        }
        if (searched < claims) {
            words.append("; ")
                    .append(claims)
                    .append(" claims, of which ")
                    .append(searched)
                    .append(" differ");
        }
        return words.append("; stands for %,.0f settings of hands".formatted(whole.hands.settings()))
                .toString();
    }

    /* ---- with faults ---- */

    /** A target that a fault touches, with the slice in which it is to be searched. */
    private record Task(Target target, Slice slice, Fault held, String key) {}

    /** What a fault touches. */
    private record Touched(Fault fault, boolean shorts, List<Task> tasks) {}

    private List<Map<Rule, FaultVerdict>> withFaults(List<Fault> faults, List<Verdict> soundVerdicts) {
        List<Touched> touched = Parallel.map(faults, f -> touched(f, soundVerdicts));
        Map<String, Task> different = new LinkedHashMap<>();
        touched.forEach(t -> t.tasks().forEach(k -> different.putIfAbsent(k.key(), k)));
        Limits each = Prover.each(limits, different.size(), Prover.LEAST_STEPS);
        Parallel.map(different.values(), k -> outcomes.put(k.key(), outcome(k, each)));
        return Parallel.map(touched, this::verdicts);
    }

    private Touched touched(Fault fault, List<Verdict> soundVerdicts) {
        Cone.Trunk changed =
                FaultList.rewires(fault) ? new Cone.Trunk(Assembly.of(FaultList.rewired(whole.circuit, fault))) : null;
        List<Task> tasks = new ArrayList<>();
        for (Target t : targets) {
            boolean broken = t.rule() != null
                    && soundVerdicts.stream().anyMatch(v -> v.rule().equals(t.rule()) && !v.holds());
            if (!broken && t.slice().isTouchedBy(fault)) {
                Target whose = t.slice().leavesAlone(fault) ? target(t.rule(), t.claim(), t.parts(), false) : t;
                tasks.add(task(whose, fault, changed));
            }
        }
        return new Touched(fault, changed != null && !trunk.shorted().containsAll(changed.shorted()), tasks);
    }

    private Task task(Target t, Fault fault, Cone.Trunk changed) {
        if (changed == null) {
            Fault held = t.slice().inSlice(fault);
            return new Task(
                    t,
                    t.slice(),
                    held,
                    held == null
                            ? t.slice().key(t.claim(), List.of()) + "?"
                            : t.slice().key(t.claim(), List.of(held)));
        }
        Set<String> all = new LinkedHashSet<>(t.parts());
        all.addAll(t.slice().cone.parts);
        Slice slice = new Slice(changed.assembly, Cone.of(changed, all, strict), t.slice().left);
        return new Task(t, slice, null, t.slice().key(t.claim(), List.of()) + "|" + slice.key(t.claim(), List.of()));
    }

    private Outcome outcome(Task k, Limits each) {
        Target t = k.target();
        boolean rewired = k.slice() != t.slice();
        if (!rewired && k.held() == null) {
            return new Outcome(Kind.OPEN, null, false, null, false, t.slice());
        }
        try {
            Searched known = searched(t);
            StateSearch own = known.slice() == t.slice()
                    ? known.search()
                    : t.slice()
                            .subject(t.claim())
                            .search(limits.with(1, limits.mostSteps()))
                            .from(List.of())
                            .search();
            Subject subject = k.slice().subject(t.claim());
            StateSearch faulty = rewired
                    ? subject.search(each).untilDecided().from(List.of()).search()
                    : subject.search(own, k.held(), each);
            return compared(t, own, faulty, k.slice());
        } catch (RunLimitException | SingularNetworkException e) {
            return new Outcome(Kind.OPEN, null, false, null, false, t.slice());
        }
    }

    private Map<Rule, FaultVerdict> verdicts(Touched of) {
        Map<Target, Touch> touched = new LinkedHashMap<>();
        of.tasks().forEach(k -> touched.put(k.target(), new Touch(outcomes.get(k.key()), k.slice())));
        boolean shows = touched.values().stream()
                .map(x -> x.outcome().kind())
                .anyMatch(k -> k != Kind.HIDDEN && k != Kind.OPEN);
        boolean complete = touched.values().stream().allMatch(x -> x.outcome().complete());
        Map<Rule, FaultVerdict> verdicts = new HashMap<>();
        for (Rule rule : whole.rules) {
            Target first = of.shorts()
                    ? targets.stream()
                            .filter(t -> rule.equals(t.rule()))
                            .findFirst()
                            .orElse(null)
                    : null;
            verdicts.put(
                    rule,
                    first != null
                            ? inWhole.tried(first.slice(), first.duties(), first.parts(), rule, of.fault())
                            : verdict(rule, of.fault(), touched, shows, complete));
        }
        return verdicts;
    }

    private FaultVerdict verdict(Rule rule, Fault fault, Map<Target, Touch> touched, boolean shows, boolean complete) {
        FaultVerdict cold = null;
        FaultVerdict seen = null;
        Target suspected = null;
        for (Map.Entry<Target, Touch> e : touched.entrySet()) {
            Target t = e.getKey();
            Outcome o = e.getValue().outcome();
            if (!rule.equals(t.rule())) {
                continue;
            }
            if (o.kind() == Kind.HOT) {
                Counterexample how = inWhole.broken(
                        e.getValue().mine(),
                        o.in(),
                        o.deeds(),
                        rule,
                        o.fromStart() ? List.of(fault) : List.of(),
                        fault);
                if (how != null) {
                    return new FaultVerdict(fault, Kind.HOT, how, null, List.of());
                }
                suspected = t;
            } else if (o.kind() == Kind.COLD && cold == null) {
                cold = new FaultVerdict(fault, Kind.COLD, null, when(e.getValue()), List.of());
            } else if (o.kind() == Kind.SHOWS && seen == null) {
                seen = new FaultVerdict(fault, Kind.SHOWS, null, when(e.getValue()), List.of());
            }
        }
        if (suspected != null) {
            // the slice allows more than the circuit does
            return inWhole.tried(suspected.slice(), suspected.duties(), suspected.parts(), rule, fault);
        }
        if (cold != null || seen != null) {
            return cold != null ? cold : seen;
        }
        return new FaultVerdict(fault, shows ? Kind.SHOWS : complete ? Kind.HIDDEN : Kind.OPEN, null, null, List.of());
    }

    private static Map<String, Object> when(Touch touch) {
        Outcome o = touch.outcome();
        if (o.when() == null) {
            return null;
        }
        Map<String, String> names = InWhole.names(o.in(), touch.mine());
        Map<String, Object> when = new LinkedHashMap<>();
        o.when().forEach((input, value) -> {
            String part = names.getOrDefault(input.part(), input.part());
            if (!touch.mine().frees.containsKey(part)) {
                when.put(new Input(part, input.name()).toString(), value);
            }
        });
        return when;
    }

    private static Outcome compared(Target t, StateSearch sound, StateSearch faulty, Slice in) {
        boolean complete = sound.isComplete() && faulty.isComplete();
        if (faulty.deeds(0) != null) {
            boolean fromStart =
                    faulty.deeds(0).stream().allMatch(d -> d.begins().isEmpty());
            return new Outcome(Kind.HOT, faulty.deeds(0), fromStart, null, complete, in);
        }
        Set<String> frees = new HashSet<>(t.slice().frees.keySet());
        frees.addAll(in.frees.keySet());
        Differences d = Differences.between(sound, faulty, t.duties(), frees);
        return new Outcome(
                d.kind() == Kind.HIDDEN && !complete ? Kind.OPEN : d.kind(), null, false, d.when(), complete, in);
    }
}
