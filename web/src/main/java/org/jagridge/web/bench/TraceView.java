package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.drawing.Timing;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;
import org.jagridge.core.trace.Lanes;
import org.jagridge.core.trace.Narrator;
import org.jagridge.core.trace.Why;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.TimingSvg;

/**
 * The trace: what happened and why, and the chart with its cursor.
 *
 * @param previous the instant of the event before, in seconds as an address has it, or null; so are the next and rest
 */
record TraceView(
        List<Row> rows,
        int earlier,
        int later,
        String chart,
        String clock,
        String previous,
        String next,
        String start,
        String rest,
        long nextGapMillis,
        String nothingMoved,
        List<String> problems) {

    /**
     * One event.
     *
     * @param at its instant in seconds, as an address has it
     * @param css whether it is the last one before the cursor, still to come, or an act of hands; null for none of these
     */
    record Row(String at, String time, String title, String name, String why, String part, String css) {}

    private static final double PLOT = 554;
    private static final double NAMES = 74;
    private static final int ROWS_BEFORE = 25;
    private static final int ROWS_AFTER = 12;

    static TraceView of(BenchState state) {
        Run run = state.run();
        Narrator narrator = new Narrator(run.circuit());
        List<Row> rows = new ArrayList<>();
        List<Event> events = run.events();
        int shown = 0;
        while (shown < events.size() && events.get(shown).micros() <= state.micros()) {
            shown++;
        }
        Event last = shown == 0 ? null : events.get(shown - 1);
        int first = Math.max(0, shown - ROWS_BEFORE);
        int end = Math.min(events.size(), shown + ROWS_AFTER);
        for (Event e : events.subList(first, end)) {
            String byHand = byHand(e, state);
            rows.add(new Row(
                    Clock.seconds(e.micros()),
                    Clock.of(e.micros()),
                    byHand == null ? narrator.title(e) : byHand,
                    narrator.name(e),
                    byHand == null ? e.because().text() + (e.backFeed() ? " · back-feed" : "") : "done by hand",
                    e.part(),
                    css(e == last, e.micros() > state.micros(), e.isInput())));
        }
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
                rows,
                first,
                events.size() - end,
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

    private static String css(boolean now, boolean ahead, boolean input) {
        String css = Stream.of(now ? "now" : "", ahead ? "ahead" : "", input ? "input" : "")
                .filter(word -> !word.isEmpty())
                .collect(Collectors.joining(" "));
        return css.isEmpty() ? null : css;
    }

    /** What hands did to the wiring, in words; null for anything else. */
    private static String byHand(Event e, BenchState state) {
        if (!e.signal().endsWith(".fault")) {
            return null;
        }
        String put = state.handWork().get(e.to());
        String undone = state.handWork().get(e.from());
        return put != null ? put : undone != null ? "undone: " + undone : null;
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
