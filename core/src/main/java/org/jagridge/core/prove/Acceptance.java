package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;

/**
 * The hand tests with which an interlock is accepted on site: everything that its rules watch is brought on, each opening
 * is taken through each of its positions, by its drive and by hand where that can differ, everything is called off, and
 * the mains goes and comes back. What must be seen is computed by doing the same in the circuit.
 */
public final class Acceptance {
    /**
     * One test.
     *
     * @param act what a hand does
     * @param see what must be seen then, a part each
     * @param within how long until the last of it has come, in words
     */
    public record Line(int number, String act, List<String> see, String within) {}

    /** @param notCovered what these tests say nothing of */
    public record Sheet(List<Line> lines, List<String> notCovered) {}

    private static final String TARGET = "target";
    private static final List<String> POSITIONS = List.of("half", "open", "half", "shut");
    private static final long PAUSE = 3 * Time.SECOND;

    private final Subject subject;
    private final List<Assembly.Member> watched = new ArrayList<>();
    private final List<Assembly.Member> openings = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();
    private Configuration at;

    private Acceptance(Circuit circuit) {
        subject = new Subject(Subject.still(circuit), circuit.rules());
        Set<String> named = new LinkedHashSet<>();
        circuit.rules().forEach(r -> named.addAll(subject.duties(r)));
        subject.seen.stream().filter(m -> named.contains(m.part().id())).forEach(watched::add);
        Set<String> inRules = new LinkedHashSet<>();
        circuit.rules().forEach(r -> r.claim().conditions().forEach(c -> inRules.addAll(c.parts())));
        subject.assembly.members().stream()
                .filter(m -> m.is(Trait.OPENING) && inRules.contains(m.part().id()))
                .forEach(openings::add);
    }

    /** The sheet of a circuit; without a line where its rules name nothing that works and no opening. */
    public static Sheet of(Circuit circuit) {
        Acceptance a = new Acceptance(circuit);
        return a.watched.isEmpty() || a.openings.isEmpty() ? new Sheet(List.of(), List.of()) : a.sheet();
    }

    private Sheet sheet() {
        at = Replay.rest(subject.engine, subject.engine.start(Map.of(), List.of()));
        Map<Input, Object> calls = new LinkedHashMap<>();
        List<String> never = new ArrayList<>();
        for (Assembly.Member m : watched) {
            Map<Input, Object> call = call(m);
            if (call.isEmpty() && !works(m, at)) {
                never.add(m.part().id() + " can't be brought on by any hand that was tried: it isn't tested");
            }
            calls.putAll(call);
        }
        Map<Input, Object> before = new LinkedHashMap<>();
        calls.keySet().forEach(i -> before.put(i, value(i)));
        line("Everything shut, and called: " + words(calls), calls);
        for (Assembly.Member o : openings) {
            for (Object by : movers(o)) {
                for (String position : POSITIONS) {
                    move(o, by, position);
                }
            }
        }
        line("Called off: " + words(before), before);
        line("Called again: " + words(calls), calls);
        mains();
        List<String> not = new ArrayList<>(never);
        not.add(
                "positions between shut and half, and between half and open: the leaf passes through them, nobody stops there");
        not.add("faults that show nowhere: each needs a test of its own (see the proof)");
        not.add("two faults at once");
        return new Sheet(List.copyOf(lines), not);
    }

    /** What hands do to bring a part on. */
    private Map<Input, Object> call(Assembly.Member m) {
        Rule can = new Rule(
                "can-" + m.part().id(), "", new Claim.Possible(Standing.works(m)), Rule.GRACE_SECONDS, Map.of());
        Verdict v = Prover.prove(
                        subject.circuit, List.of(can), false, Limits.usual().with(1, 20_000))
                .get(0);
        Map<Input, Object> sets = new LinkedHashMap<>();
        if (v.how() != null) {
            v.how().steps().forEach(s -> s.set().forEach((key, value) -> sets.put(Input.parse(key), value)));
        }
        return sets;
    }

    private boolean works(Assembly.Member m, Configuration c) {
        return Standing.works(m).holds(new Signs(subject.assembly, c));
    }

    private List<Object> movers(Assembly.Member opening) {
        return subject.hands.dials().stream()
                .filter(d -> d.input().part().equals(opening.part().id())
                        && !d.input().name().equals(TARGET))
                .findFirst()
                .map(Hands.Dial::values)
                .orElse(List.of(""));
    }

    private void move(Assembly.Member opening, Object by, String position) {
        Map<Input, Object> sets = new LinkedHashMap<>();
        String id = opening.part().id();
        String how = "";
        if (!by.equals("")) {
            opening.inputs().stream()
                    .filter(f -> !f.name().equals(TARGET))
                    .forEach(f -> sets.put(new Input(id, f.name()), by));
            how = by.equals("hand") ? ", by hand" : ", by its drive";
        }
        sets.put(new Input(id, TARGET), position);
        line(opening.part().title() + " " + (position.equals("half") ? "half open" : position) + how, sets);
    }

    private void mains() {
        subject.assembly.members().stream()
                .filter(m -> m.is(Trait.MAINS))
                .forEach(m -> m.inputs().forEach(f -> {
                    Input on = new Input(m.part().id(), f.name());
                    line(m.part().title() + " off", Map.of(on, false));
                    line(m.part().title() + " on again", Map.of(on, true));
                }));
    }

    private void line(String act, Map<Input, Object> sets) {
        Engine engine = subject.engine;
        at = engine.advance(at, new Act.Wait(PAUSE));
        long began = at.micros();
        at = Replay.rest(engine, engine.advance(at, Move.of(sets).act()));
        long took = at.micros() - began;
        List<String> see = watched.stream()
                .map(m -> m.part().title() + ": " + at.signal(m))
                .toList();
        lines.add(new Line(lines.size() + 1, act, see, took < Time.SECOND ? "at once" : Time.words(took)));
    }

    private Object value(Input input) {
        return subject.assembly
                .member(input.part())
                .map(m -> at.input(m, input.name()))
                .orElse(null);
    }

    private static String words(Map<Input, Object> sets) {
        return sets.isEmpty()
                ? "as it is"
                : String.join(
                        ", ",
                        sets.entrySet().stream()
                                .map(e -> e.getKey() + " " + Objects.toString(e.getValue()))
                                .toList());
    }
}
