package org.jagridge.web.records;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jagridge.core.found.Tracing;

/**
 * A tracing as its page shows it.
 *
 * @param act what to do next, or null
 * @param decided how many of the ends are decided
 * @param lifted what has to be landed again
 */
record TracingView(
        Act act, List<Conductor> conductors, List<String> rounds, int decided, int ends, List<String> lifted) {

    /** An end that is touched. */
    record Touch(int number, String words) {}

    /**
     * @param lift what to take off first
     * @param again whether it is a lift test of what beeped before
     */
    record Act(String held, List<String> lift, List<Touch> touch, boolean again) {}

    /** @param words what is known of it, beside its ends */
    record Conductor(String ends, String words) {}

    static TracingView of(Tracing t) {
        Optional<Tracing.Proposal> next = t.next();
        boolean done = next.isEmpty();
        return new TracingView(
                next.map(p -> new Act(
                                t.ends().get(p.held()).words(),
                                p.lift().stream()
                                        .map(e -> t.ends().get(e).words())
                                        .toList(),
                                p.touch().stream()
                                        .map(e -> new Touch(e, t.ends().get(e).words()))
                                        .toList(),
                                p.again()))
                        .orElse(null),
                t.conductors().stream()
                        .filter(c -> c.size() > 1 || done)
                        .map(c -> new Conductor(words(t, c), meaning(t, c)))
                        .toList(),
                t.rounds().stream().map(r -> round(t, r)).toList(),
                t.decided(),
                t.ends().size(),
                new TreeSet<>(t.lifted())
                        .stream().map(e -> t.ends().get(e).words()).toList());
    }

    private static String words(Tracing t, Collection<Integer> ends) {
        return ends.stream().map(e -> t.ends().get(e).words()).collect(Collectors.joining(", "));
    }

    private static String meaning(Tracing t, Set<Integer> conductor) {
        long colours = conductor.stream()
                .map(e -> t.ends().get(e).colour())
                .filter(c -> !c.isEmpty())
                .distinct()
                .count();
        if (conductor.size() == 1) {
            return "goes to none of the others: spare, cut, or to a place that is not on the list";
        }
        if (conductor.size() > 2) {
            return conductor.size() + " ends of one conductor: a splice that nobody has seen";
        }
        return colours > 1 ? "changes colour: a splice on the way" : "one wire";
    }

    private static String round(Tracing t, Tracing.Round r) {
        String held = t.ends().get(r.held()).words();
        String beeped = r.beeped().isEmpty() ? "none beeped" : words(t, new TreeSet<>(r.beeped())) + " beeped";
        return held + " held, " + r.touched().size() + " touched: " + beeped;
    }
}
