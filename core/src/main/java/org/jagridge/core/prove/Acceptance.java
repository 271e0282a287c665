package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;

/**
 * The hand tests with which an interlock is accepted on site: everything that its rules watch is brought on, each opening
 * is taken through each of its positions, by its drive and by hand where that makes a difference, everything is called off, and
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
    private static final List<String> POSITIONS = List.of("half", "open", "shut");
    private static final long LONGEST = 3600 * Time.SECOND;
    private static final long PAUSE = 3 * Time.SECOND;

    private final Subject subject;
    private final HandWords words;
    private final List<Assembly.Member> watched = new ArrayList<>();
    private final List<Assembly.Member> openings = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();
    private Configuration at;

    private Acceptance(Circuit circuit) {
        subject = new Subject(Subject.still(circuit), circuit.rules());
        words = new HandWords(subject.assembly);
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
        BringOn bringOn = new BringOn(subject);
        at = bringOn.start();
        Map<Input, Object> calls = new LinkedHashMap<>();
        List<String> never = new ArrayList<>();
        for (Assembly.Member m : watched) {
            Map<Input, Object> call = bringOn.call(m);
            if (call.isEmpty() && !bringOn.works(m, at)) {
                never.add(m.part().id() + " can't be brought on by any hand that was tried: it isn't tested");
            }
            calls.putAll(call);
        }
        Map<Input, Object> before = new LinkedHashMap<>();
        calls.keySet().forEach(i -> before.put(i, value(i)));
        line("Everything shut, and called: " + words.of(calls), calls);
        for (Assembly.Member o : openings) {
            List<Object> movers = movers(o);
            for (Object by : whoMovesItMatters(o, movers) ? movers : movers.subList(0, 1)) {
                for (String position : POSITIONS) {
                    move(o, by, position);
                }
            }
        }
        line("Called off: " + words.of(before), before);
        line("Called again: " + words.of(calls), calls);
        mains();
        List<String> not = new ArrayList<>(never);
        not.addAll(apart());
        not.add(
                "positions between shut and half, and between half and open: the leaf passes through them, nobody stops there");
        not.add("faults that show nowhere: each needs a test of its own (see the proof)");
        not.add("two faults at once");
        return new Sheet(List.copyOf(lines), not);
    }

    /** Openings that no rule joins with something that others have to stop. */
    private List<String> apart() {
        List<String> apart = new ArrayList<>();
        for (Assembly.Member m : watched) {
            Set<String> joined = new HashSet<>();
            subject.rules.stream()
                    .filter(r -> subject.duties(r).contains(m.part().id()))
                    .forEach(r -> r.claim().conditions().forEach(c -> joined.addAll(c.parts())));
            List<String> others = openings.stream()
                    .filter(o -> !joined.contains(o.part().id()))
                    .map(o -> o.part().title())
                    .toList();
            if (!others.isEmpty()) {
                apart.add("whether " + m.part().title() + " stops while " + String.join(", ", others)
                        + (others.size() == 1 ? " is" : " are") + " open: no rule asks for that");
            }
        }
        return apart;
    }

    private List<Object> movers(Assembly.Member opening) {
        return subject.hands.dials().stream()
                .filter(d -> d.input().part().equals(opening.part().id())
                        && !d.input().name().equals(TARGET))
                .findFirst()
                .map(Hands.Dial::values)
                .orElse(List.of(""));
    }

    /** Whether anything but the opening and its drive does something else on the way to any of its positions. */
    private boolean whoMovesItMatters(Assembly.Member opening, List<Object> movers) {
        for (String position : POSITIONS) {
            Set<Set<Map<String, String>>> ways = new HashSet<>();
            for (Object by : movers) {
                Map<Input, Object> sets = sets(opening, by, position);
                Set<Map<String, String>> seen = new LinkedHashSet<>();
                Configuration c = subject.engine.advance(at, Move.of(sets).act());
                for (long until = c.micros() + LONGEST;
                        ;
                        c = subject.engine.next(c).orElseThrow()) {
                    Map<String, String> signals = new LinkedHashMap<>(c.frame().signals());
                    signals.keySet().removeIf(id -> isMovedWith(opening, id));
                    seen.add(signals);
                    if (c.untilNextWake() == Long.MAX_VALUE || c.micros() + c.untilNextWake() > until) {
                        break;
                    }
                }
                ways.add(seen);
            }
            if (ways.size() > 1) {
                return true;
            }
        }
        return false;
    }

    private boolean isMovedWith(Assembly.Member opening, String id) {
        Assembly.Member m = subject.assembly.member(id).orElseThrow();
        return m.part().id().equals(opening.part().id())
                || (m.is(Trait.DERIVED_SOURCE)
                        && m.type().references(m.params()).stream()
                                .anyMatch(r -> r.id().equals(opening.part().id())));
    }

    private static Map<Input, Object> sets(Assembly.Member opening, Object by, String position) {
        Map<Input, Object> sets = new LinkedHashMap<>();
        String id = opening.part().id();
        if (!by.equals("")) {
            opening.inputs().stream()
                    .filter(f -> !f.name().equals(TARGET))
                    .forEach(f -> sets.put(new Input(id, f.name()), by));
        }
        sets.put(new Input(id, TARGET), position);
        return sets;
    }

    private void move(Assembly.Member opening, Object by, String position) {
        Map<Input, Object> sets = sets(opening, by, position);
        line(words.of(sets), sets);
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
}
