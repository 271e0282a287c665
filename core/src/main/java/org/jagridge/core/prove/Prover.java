package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.network.SingularNetworkException;
import org.jagridge.core.prove.FaultVerdict.Kind;
import org.jagridge.core.run.RunLimitException;

/**
 * Proves rules of one circuit over its states, and again with each single fault. Temperatures are set by hand: rooms stay
 * where they are set. A circuit of few settings is searched as a whole; a larger one by {@link SliceProver slices}, each
 * of what one claim depends on.
 */
public final class Prover {
    /** A circuit with more settings of its dials than that is searched in slices. */
    private static final int FEW_SETTINGS = 40;

    /** Instants of all searches with faults together, and the least that each of them gets. */
    private static final int FAULT_STEPS = 600_000;

    static final int LEAST_STEPS = 1_000;

    private Prover() {}

    /**
     * Proves rules.
     *
     * @param singleFaults whether to search again with each single fault
     */
    public static List<Verdict> prove(Circuit circuit, List<Rule> rules, boolean singleFaults, Limits limits) {
        if (rules.isEmpty()) {
            return List.of();
        }
        Subject whole = new Subject(Subject.still(circuit), rules);
        return whole.hands.settings() <= FEW_SETTINGS
                ? whole(whole, singleFaults, limits)
                : new SliceProver(whole, limits).verdicts(singleFaults);
    }

    /**
     * The same verdicts with what lies behind the faults that show nowhere: with each of them there from the start, every
     * other single fault again, but for wires on the terminal beside their own, and a few ohms more only with others such.
     *
     * @param verdicts with single faults
     */
    public static List<Verdict> secondFaults(Circuit circuit, List<Verdict> verdicts, Limits limits) {
        List<Rule> rules = verdicts.stream().map(Verdict::rule).toList();
        return rules.isEmpty()
                ? verdicts
                : new SecondFaults(new Subject(Subject.still(circuit), rules), limits).of(verdicts);
    }

    static List<Verdict> whole(Subject subject, boolean singleFaults, Limits limits) {
        StateSearch sound = subject.search(limits).from(List.of()).search();
        List<List<FaultVerdict>> faults = singleFaults ? withFaults(subject, sound, limits) : List.of();
        List<Verdict> verdicts = new ArrayList<>();
        for (int i = 0; i < subject.rules.size(); i++) {
            int rule = i;
            boolean possible = subject.watches.get(i).asksForOneState();
            boolean broken = possible ? sound.broken(i) == null && sound.isComplete() : sound.broken(i) != null;
            verdicts.add(new Verdict(
                    subject.rules.get(i),
                    Standing.is(subject.rules.get(i)),
                    !broken,
                    sound.isComplete() || sound.broken(i) != null,
                    sound.states(),
                    Bounds.of(sound, limits),
                    shortened(subject, sound, i, List.of()),
                    singleFaults && !possible && !broken
                            ? faults.stream().map(f -> f.get(rule)).toList()
                            : List.of()));
        }
        return verdicts;
    }

    /** How far each of so many searches with a fault goes. */
    static Limits each(Limits limits, int searches, int least) {
        int share = Math.max(LEAST_STEPS * 4, FAULT_STEPS / Math.max(1, searches));
        return limits.with(1, Math.min(share, limits.mostSteps()));
    }

    /** By fault, then by rule. */
    private static List<List<FaultVerdict>> withFaults(Subject subject, StateSearch sound, Limits limits) {
        List<Fault> faults = Faults.of(subject.circuit);
        Limits each = each(limits, faults.size(), LEAST_STEPS);
        return Parallel.map(faults, f -> withFault(subject, sound, f, each));
    }

    private static List<FaultVerdict> withFault(Subject subject, StateSearch sound, Fault fault, Limits each) {
        try {
            StateSearch s = subject.search(sound, fault, each);
            return IntStream.range(0, subject.rules.size())
                    .mapToObj(i -> verdict(subject, sound, s, i, fault))
                    .toList();
        } catch (RunLimitException | SingularNetworkException e) {
            return subject.rules.stream()
                    .map(r -> new FaultVerdict(fault, Kind.OPEN, null, null, List.of()))
                    .toList();
        }
    }

    private static FaultVerdict verdict(Subject subject, StateSearch sound, StateSearch s, int rule, Fault fault) {
        if (s.broken(rule) != null) {
            List<Fault> atStart = s.broken(rule).faults();
            return new FaultVerdict(fault, Kind.HOT, shortened(subject, s, rule, atStart), null, List.of());
        }
        Differences d = Differences.between(sound, s, subject.duties(subject.rules.get(rule)), Set.of());
        Kind kind = d.kind() == Kind.HIDDEN && !(s.isComplete() && sound.isComplete()) ? Kind.OPEN : d.kind();
        return new FaultVerdict(fault, kind, null, named(d.when()), List.of());
    }

    /** The same way with short pauses and without what isn't needed, where that does; else as it was found. */
    private static Counterexample shortened(Subject subject, StateSearch s, int rule, List<Fault> faults) {
        if (s.broken(rule) == null) {
            return null;
        }
        Counterexample shorter =
                Replay.shortest(subject.engine, subject.assembly, subject.rules.get(rule), faults, s.deeds(rule));
        return shorter != null ? shorter : s.broken(rule);
    }

    static Map<String, Object> named(Map<Input, Object> setting) {
        if (setting == null) {
            return null;
        }
        Map<String, Object> named = new LinkedHashMap<>();
        setting.forEach((input, value) -> named.put(input.toString(), value));
        return named;
    }
}
