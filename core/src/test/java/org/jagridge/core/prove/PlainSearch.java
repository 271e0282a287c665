package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;

/**
 * A breadth-first search without hashing, sharing or slices: a list of states, each compared part by part with every one
 * that is known. One change at a time.
 */
final class PlainSearch {
    private final Engine engine;
    private final Assembly assembly;
    private final Condition never;
    private final long grace;
    final List<Configuration> states = new ArrayList<>();
    boolean broken;

    PlainSearch(Circuit circuit, Hands hands, Condition never, double graceSeconds) {
        assembly = Assembly.of(circuit);
        engine = Engine.of(assembly);
        this.never = never;
        grace = Time.micros(graceSeconds);
        states.add(rest(engine.start(Map.of(), List.of())));
        for (int i = 0; i < states.size(); i++) {
            for (Move m : hands.moves(states.get(i))) {
                Configuration then = engine.advance(states.get(i), m.act());
                if (m.backAfter() > 0) {
                    long back = then.micros() + m.backAfter();
                    then = until(then, back);
                    then = engine.advance(then, new Act.Wait(Math.max(1, back - then.micros())));
                    for (var e : m.sets().entrySet()) {
                        then = engine.advance(then, new Act.Set(e.getKey(), true));
                    }
                }
                Configuration rest = rest(then);
                if (states.stream().noneMatch(c -> c.differences(rest).isEmpty())) {
                    states.add(rest);
                }
            }
        }
    }

    private Configuration until(Configuration from, long instant) {
        Configuration c = from;
        long since = -1;
        while (true) {
            boolean wrong = never.holds(new Signs(assembly, c));
            since = !wrong ? -1 : since < 0 ? c.micros() : since;
            long next = c.untilNextWake() == Long.MAX_VALUE ? Long.MAX_VALUE : c.micros() + c.untilNextWake();
            long end = Math.min(next, instant);
            broken |= wrong && (end == Long.MAX_VALUE || end - since >= grace);
            if (next >= instant) {
                return c;
            }
            c = engine.next(c).orElseThrow();
        }
    }

    private Configuration rest(Configuration from) {
        Configuration c = until(from, Long.MAX_VALUE);
        return engine.advance(c, new Act.Wait(1800 * Time.SECOND));
    }
}
