package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;

/** Does given acts one after the other in a whole circuit and looks whether a rule is broken by them. */
final class Replay {
    /**
     * What is done.
     *
     * @param after microseconds after the act before; negative for as soon as everything is at rest
     */
    record Deed(long after, Map<Input, Object> sets, List<Fault> begins) {
        static final long AT_REST = -1;
    }

    private static final long LONGEST = 2 * 3600 * Time.SECOND;
    private static final long PAUSE = 3 * Time.SECOND;

    private final Engine engine;
    private final Assembly assembly;
    private final Watch watch;
    private Configuration at;
    private Configuration before;
    private long since = Watch.FINE;
    private Long brokenAt;

    private Replay(Engine engine, Assembly assembly, Rule rule) {
        this.engine = engine;
        this.assembly = assembly;
        watch = new Watch(rule);
    }

    /** How the rule is broken by these acts, or null where it isn't. */
    static Counterexample of(Engine engine, Assembly assembly, Rule rule, List<Fault> faults, List<Deed> deeds) {
        Replay r = new Replay(engine, assembly, rule);
        r.at = engine.start(Map.of(), faults);
        r.look();
        List<Step> steps = new ArrayList<>();
        for (Deed d : deeds) {
            long now = r.at.micros();
            if (d.after() < 0) {
                r.goOn(now + LONGEST);
                r.goOn(r.at.micros() + PAUSE);
                r.waitUntil(r.at.micros() + PAUSE);
            } else {
                r.goOn(now + d.after());
                r.waitUntil(now + d.after());
            }
            if (r.brokenAt != null) {
                break;
            }
            Map<String, Object> set = new LinkedHashMap<>();
            d.sets().forEach((i, v) -> {
                if (!r.stands(i, v)) {
                    set.put(i.toString(), v);
                }
            });
            if (set.isEmpty() && d.begins().isEmpty()) {
                continue;
            }
            steps.add(new Step(Time.seconds(r.at.micros()), set, d.begins()));
            r.before = r.at;
            r.at = engine.advance(r.at, new Move(d.sets(), d.begins(), List.of(), 0).act());
            r.look();
        }
        r.goOn(r.at.micros() + LONGEST);
        r.last(Long.MAX_VALUE);
        return r.brokenAt == null ? null : new Counterexample(faults, steps, Time.seconds(r.brokenAt));
    }

    /** Where a circuit comes to rest with faults from the start, after one deed. */
    static Configuration end(Engine engine, List<Fault> faults, Deed deed) {
        Configuration c = rest(engine, engine.start(Map.of(), faults));
        return rest(engine, engine.advance(c, new Move(deed.sets(), deed.begins(), List.of(), 0).act()));
    }

    /** Where it stands once nothing moves by itself any more, or after two hours. */
    static Configuration rest(Engine engine, Configuration from) {
        Configuration c = from;
        while (c.untilNextWake() != Long.MAX_VALUE && c.micros() + c.untilNextWake() - from.micros() < LONGEST) {
            c = engine.next(c).orElseThrow();
        }
        return c;
    }

    /** The same with every act left out that isn't needed. */
    static Counterexample shortest(Engine engine, Assembly assembly, Rule rule, List<Fault> faults, List<Deed> deeds) {
        Counterexample found = of(engine, assembly, rule, faults, deeds);
        List<Deed> left = new ArrayList<>(deeds);
        for (int i = 0; found != null && i < left.size(); ) {
            List<Deed> fewer = new ArrayList<>(left);
            fewer.remove(i);
            Counterexample shorter = of(engine, assembly, rule, faults, fewer);
            if (shorter != null) {
                found = shorter;
                left = fewer;
            } else {
                i++;
            }
        }
        return found;
    }

    /** Whether an input is set so already; a push never is. */
    private boolean stands(Input input, Object value) {
        Object now = assembly.member(input.part())
                .map(m -> at.input(m, input.name()))
                .orElse(null);
        return value.equals(now);
    }

    private void look() {
        Signs was = before == null ? null : new Signs(assembly, before);
        since = watch.next(since, was, new Signs(assembly, at), at.micros());
    }

    private void last(long until) {
        if (brokenAt == null && watch.isBroken(since, until)) {
            brokenAt = watch.breaksAt(since);
        }
    }

    /** Everything that moves by itself before {@code until}. */
    private void goOn(long until) {
        while (at.untilNextWake() != Long.MAX_VALUE && at.micros() + at.untilNextWake() < until) {
            last(at.micros() + at.untilNextWake());
            before = at;
            at = engine.next(at).orElseThrow();
            look();
        }
    }

    private void waitUntil(long instant) {
        last(instant);
        if (instant > at.micros()) {
            at = engine.advance(at, new Act.Wait(instant - at.micros()));
        }
    }
}
