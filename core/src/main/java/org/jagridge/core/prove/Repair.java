package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.network.SingularNetworkException;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.RunLimitException;

/**
 * Repair before replacement: an interlock that is there and doesn't do as it should is run with every single fault, and
 * those are named that would do what was seen. Everything is called for and shut but what an observation says.
 */
public final class Repair {
    private static final String TARGET = "target";
    private static final String SHUT = "shut";
    private static final List<String> POSITIONS = List.of(SHUT, "half", "open");
    private static final int MOST_LOOKED_AHEAD = 24;
    /** A hand comes so long after everything is at rest. */
    private static final double PAUSE_SECONDS = 3;

    private static final double LONGEST_SECONDS = 600;

    /** Where somebody brings an opening. */
    public record Test(String opening, String position, boolean byHand) {}

    /** What was seen then: whether a watched part was at work. */
    public record Seen(Test test, String part, boolean works) {}

    /**
     * What to look at next.
     *
     * @param works how many of the suspects say that the part is at work then
     * @param rests how many say that it isn't
     */
    public record Next(Test test, String part, int works, int rests) {}

    /**
     * A fault that does what was seen.
     *
     * @param begins whether it is one that has come up while heat was called for; else it was there before
     */
    public record Suspect(Fault fault, boolean begins) {}

    /**
     * What explains all that was seen.
     *
     * @param asDrawn whether the sound circuit does just that
     * @param suspects the single faults that do
     * @param undecided faults with which the circuit couldn't be run
     */
    public record Answer(boolean asDrawn, List<Suspect> suspects, List<Fault> undecided, Optional<Next> next) {}

    private final Subject subject;
    private final BringOn bringOn;
    private final List<Assembly.Member> openings;
    private final List<Assembly.Member> watched;
    private final Map<Input, Object> calls = new LinkedHashMap<>();

    /** For the openings and the parts at work that the circuit's rules name; all of them where it has no rules. */
    public Repair(Circuit circuit) {
        subject = new Subject(Subject.still(circuit), circuit.rules());
        bringOn = new BringOn(subject);
        Set<String> named = new LinkedHashSet<>();
        circuit.rules().forEach(r -> r.claim().conditions().forEach(c -> named.addAll(c.parts())));
        openings = subject.assembly.members().stream()
                .filter(m -> m.is(Trait.OPENING))
                .filter(m -> named.isEmpty() || named.contains(m.part().id()))
                .toList();
        watched = subject.seen.stream()
                .filter(m -> m.is(Trait.HEAT_SOURCE))
                .filter(m -> named.isEmpty() || named.contains(m.part().id()))
                .toList();
        if (!openings.isEmpty()) {
            watched.forEach(m -> calls.putAll(bringOn.call(m)));
        }
    }

    public List<String> openings() {
        return openings.stream().map(m -> m.part().id()).toList();
    }

    public List<String> watched() {
        return watched.stream().map(m -> m.part().id()).toList();
    }

    /** What hands do before anything is looked at, in words. */
    public String calls() {
        return new HandWords(subject.assembly).of(calls);
    }

    /** A test in words. */
    public String words(Test t) {
        return new HandWords(subject.assembly).of(sets(t));
    }

    /** The single faults that explain all of it. */
    public Answer explain(List<Seen> seen) {
        List<Fault> faults = Faults.of(subject.circuit);
        List<Optional<Boolean>> before = fits(faults, false, seen);
        List<Optional<Boolean>> later = fits(faults, true, seen);
        List<Suspect> suspects = new ArrayList<>();
        List<Fault> undecided = new ArrayList<>();
        for (int i = 0; i < faults.size(); i++) {
            if (before.get(i).orElse(false) || later.get(i).orElse(false)) {
                suspects.add(new Suspect(faults.get(i), !before.get(i).orElse(false)));
            } else if (before.get(i).isEmpty() || later.get(i).isEmpty()) {
                undecided.add(faults.get(i));
            }
        }
        return new Answer(
                fits(null, seen).orElse(false),
                suspects,
                undecided,
                suspects.size() > 1 ? next(suspects, seen) : Optional.empty());
    }

    private List<Optional<Boolean>> fits(List<Fault> faults, boolean begins, List<Seen> seen) {
        return Parallel.map(faults, f -> fits(new Suspect(f, begins), seen));
    }

    /**
     * Whether it does what was seen; empty where it can't be run.
     *
     * @param suspect null for the circuit as drawn
     */
    private Optional<Boolean> fits(Suspect suspect, List<Seen> seen) {
        try {
            Map<Test, Configuration> ends = new LinkedHashMap<>();
            for (Seen s : seen) {
                Configuration end = ends.computeIfAbsent(s.test(), t -> end(suspect, t));
                if (works(s.part(), end) != s.works() || !stands(s.test(), end)) {
                    return Optional.of(false);
                }
            }
            return Optional.of(true);
        } catch (RunLimitException | SingularNetworkException e) {
            return Optional.empty();
        }
    }

    /** Whether the opening is where it was seen. */
    private boolean stands(Test t, Configuration c) {
        return t.position().equals(c.signal(subject.assembly.member(t.opening()).orElseThrow()));
    }

    private boolean works(String part, Configuration c) {
        return bringOn.works(subject.assembly.member(part).orElseThrow(), c);
    }

    /** Where it comes to rest: everything called with everything shut, then one opening moved. */
    private Configuration end(Suspect suspect, Test t) {
        List<Fault> before = suspect == null || suspect.begins() ? List.of() : List.of(suspect.fault());
        Configuration called =
                Replay.end(subject.engine, before, new Replay.Deed(Replay.Deed.AT_REST, calls, List.of()));
        if (suspect != null && suspect.begins()) {
            called = rest(called, Move.begin(suspect.fault()));
        }
        return t.position().equals(SHUT) ? called : rest(called, Move.of(sets(t)));
    }

    private Configuration rest(Configuration from, Move move) {
        return Replay.rest(subject.engine, subject.engine.advance(from, move.act()));
    }

    private Map<Input, Object> sets(Test t) {
        Map<Input, Object> sets = new LinkedHashMap<>();
        if (!t.position().equals(SHUT)) {
            subject.assembly.member(t.opening()).orElseThrow().inputs().stream()
                    .filter(f -> !f.name().equals(TARGET))
                    .forEach(f -> sets.put(new Input(t.opening(), f.name()), t.byHand() ? "hand" : f.initial()));
        }
        sets.put(new Input(t.opening(), TARGET), t.position());
        return sets;
    }

    /** The look that splits the suspects best. */
    private Optional<Next> next(List<Suspect> suspects, List<Seen> seen) {
        Set<Test> done = new LinkedHashSet<>();
        seen.forEach(s -> done.add(s.test()));
        List<Test> tests = new ArrayList<>();
        for (Assembly.Member o : openings) {
            for (String position : POSITIONS) {
                for (boolean hand : new boolean[] {false, true}) {
                    Test t = new Test(o.part().id(), position, hand);
                    if (!done.contains(t) && !(hand && position.equals(SHUT))) {
                        tests.add(t);
                    }
                }
            }
        }
        List<Suspect> some = sample(suspects);
        return Parallel.map(tests, t -> best(t, some)).stream()
                .filter(n -> n.works() > 0 && n.rests() > 0)
                .min((a, b) -> Integer.compare(Math.abs(a.works() - a.rests()), Math.abs(b.works() - b.rests())))
                .map(n -> some.size() == suspects.size() ? n : best(n.test(), suspects));
    }

    /** So many as can be looked ahead for, spread over all. */
    private static List<Suspect> sample(List<Suspect> suspects) {
        int each = (suspects.size() + MOST_LOOKED_AHEAD - 1) / MOST_LOOKED_AHEAD;
        List<Suspect> some = new ArrayList<>();
        for (int i = 0; i < suspects.size(); i += each) {
            some.add(suspects.get(i));
        }
        return some;
    }

    private Next best(Test t, List<Suspect> suspects) {
        Next best = new Next(t, "", 0, 0);
        for (Assembly.Member m : watched) {
            int works = 0;
            for (Suspect s : suspects) {
                works += bringOn.works(m, end(s, t)) ? 1 : 0;
            }
            int rests = suspects.size() - works;
            if (Math.min(works, rests) > Math.min(best.works(), best.rests())) {
                best = new Next(t, m.part().id(), works, rests);
            }
        }
        return best;
    }

    /**
     * What is done on a bench to see what a fault does.
     *
     * @param suspect null for the circuit as drawn
     */
    public Scenario scenario(Suspect suspect, Test t) {
        boolean begins = suspect != null && suspect.begins();
        List<Scenario.Step> steps = new ArrayList<>();
        steps.add(step(PAUSE_SECONDS, calls, List.of()));
        if (begins) {
            steps.add(step(LONGEST_SECONDS / 3, Map.of(), List.of(suspect.fault())));
        }
        steps.add(step(LONGEST_SECONDS / 2, sets(t), List.of()));
        return new Scenario(
                words(t),
                Map.of(),
                steps,
                suspect == null || begins ? List.of() : List.of(suspect.fault()),
                LONGEST_SECONDS);
    }

    private static Scenario.Step step(double at, Map<Input, Object> sets, List<Fault> faults) {
        Map<String, Object> named = new LinkedHashMap<>();
        sets.forEach((i, v) -> named.put(i.toString(), v));
        return new Scenario.Step(at, named, faults);
    }

    /** When everything has long come to rest in such a scenario, in microseconds. */
    public static long lookedAt() {
        return Time.micros(LONGEST_SECONDS - 1);
    }
}
