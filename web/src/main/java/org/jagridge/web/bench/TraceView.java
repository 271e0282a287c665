package org.jagridge.web.bench;

import java.util.List;
import org.jagridge.core.drawing.Timing;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;
import org.jagridge.core.trace.Lanes;
import org.jagridge.core.trace.Why;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.TimingSvg;

/**
 * The trace: what happened and why, and the chart with its cursor.
 *
 * @param rows as list items; null where nothing has happened
 * @param previous the instant of the event before, in seconds as an address has it, or null; so are the next and rest
 */
record TraceView(
        String rows,
        String chart,
        String clock,
        String previous,
        String next,
        String start,
        String rest,
        long nextGapMillis,
        String nothingMoved,
        List<String> problems) {

    private static final double PLOT = 554;
    private static final double NAMES = 74;

    static TraceView of(BenchState state) {
        Run run = state.run();
        Long before = null;
        Long after = null;
        for (Event e : run.events()) {
            if (e.micros() < state.micros()) {
                before = e.micros();
            } else if (e.micros() > state.micros() && after == null) {
                after = e.micros();
            }
        }
        return new TraceView(
                run.events().isEmpty() ? null : TraceRows.of(state),
                chart(run, state.micros()),
                Clock.of(state.micros()),
                before == null ? null : Clock.seconds(before),
                after == null ? null : Clock.seconds(after),
                Clock.seconds(0),
                run.restAt() > state.micros() ? Clock.seconds(run.restAt()) : null,
                after == null ? 0 : (after - state.micros()) / 1000,
                nothingMoved(state),
                run.problems().stream().map(RunProblem::message).toList());
    }

    private static String chart(Run run, long cursor) {
        Timing timing = Timing.of(run, Lanes.moved(run), new Timing.Wish(cursor, PLOT, NAMES, false));
        return TimingSvg.whole(timing, run, cursor, null);
    }

    /** Why the last act of hands, shown at its instant, moved nothing; null where something moved, or will. */
    private static String nothingMoved(BenchState state) {
        List<Action> actions = state.actions();
        if (actions.isEmpty()) {
            return null;
        }
        Action last = actions.get(actions.size() - 1);
        Run run = state.run();
        boolean moved = run.restAt() > state.micros()
                || run.events().stream().anyMatch(e -> e.micros() >= last.micros() && !e.isInput());
        if (last.kind() != Action.Kind.SET || moved || last.micros() > state.micros()) {
            return null;
        }
        String part = run.events().stream()
                .filter(e -> e.isInput() && e.micros() == last.micros())
                .map(Event::part)
                .reduce((a, b) -> b)
                .orElse(null);
        return part == null
                ? null
                : "Nothing moves. " + part + ": "
                        + Why.at(run, state.micros()).quiet(part).orElse("no part changes its state for it.");
    }
}
