package org.jagridge.core.prove;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Configuration;

/** What hands do to bring a part on: found by searching, and by turning set points where that does it, too. */
final class BringOn {
    private static final int MOST_STEPS = 20_000;

    private final Subject subject;
    private final Configuration start;

    BringOn(Subject subject) {
        this.subject = subject;
        start = Replay.rest(subject.engine, subject.engine.start(Map.of(), List.of()));
    }

    /** Where the sound circuit stands before anybody does anything. */
    Configuration start() {
        return start;
    }

    boolean works(Assembly.Member m, Configuration c) {
        return Standing.works(m).holds(new Signs(subject.assembly, c));
    }

    /** What hands do; empty where nothing was found, or where nothing has to be done. */
    Map<Input, Object> call(Assembly.Member m) {
        Rule can = new Rule(
                "can-" + m.part().id(), "", new Claim.Possible(Standing.works(m)), Rule.GRACE_SECONDS, Map.of());
        Verdict v = Prover.prove(
                        subject.circuit, List.of(can), false, Limits.usual().with(1, MOST_STEPS))
                .get(0);
        Map<Input, Object> sets = new LinkedHashMap<>();
        if (v.how() != null) {
            v.how().steps().forEach(s -> s.set().forEach((key, value) -> sets.put(Input.parse(key), value)));
        }
        return turned(m, sets);
    }

    /** The same by turning set points in place of making rooms warm or cold, where that brings the part on, too. */
    private Map<Input, Object> turned(Assembly.Member m, Map<Input, Object> sets) {
        Map<Input, Object> turned = new LinkedHashMap<>(sets);
        sets.forEach((input, value) -> {
            if (value instanceof Number n && value(input) instanceof Number now && !HandWords.isSetting(input)) {
                double by = now.doubleValue() - n.doubleValue();
                for (Input set : settings()) {
                    Map<Input, Object> other = new LinkedHashMap<>(turned);
                    other.remove(input);
                    other.put(set, ((Number) value(set)).doubleValue() + by);
                    if (works(m, after(other))) {
                        turned.clear();
                        turned.putAll(other);
                        return;
                    }
                }
            }
        });
        return turned;
    }

    private Configuration after(Map<Input, Object> sets) {
        return Replay.rest(
                subject.engine, subject.engine.advance(start, Move.of(sets).act()));
    }

    /** Every set point of the circuit. */
    private List<Input> settings() {
        return subject.assembly.members().stream()
                .flatMap(m -> m.inputs().stream().map(f -> new Input(m.part().id(), f.name())))
                .filter(i -> HandWords.isSetting(i) && value(i) instanceof Number)
                .toList();
    }

    private Object value(Input input) {
        return subject.assembly
                .member(input.part())
                .map(m -> start.input(m, input.name()))
                .orElse(null);
    }
}
