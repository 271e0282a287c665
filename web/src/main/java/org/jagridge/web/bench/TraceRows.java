package org.jagridge.web.bench;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.run.Event;
import org.jagridge.core.trace.Narrator;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.Svg;

/** The trace's events around the instant shown as list items; a template takes thrice as long for them. */
final class TraceRows {
    private static final int BEFORE = 25;
    private static final int AFTER = 12;

    private final BenchState state;
    private final Narrator narrator;
    private final Svg html = new Svg();

    private TraceRows(BenchState state) {
        this.state = state;
        this.narrator = new Narrator(state.run().circuit());
    }

    static String of(BenchState state) {
        return new TraceRows(state).write();
    }

    private String write() {
        List<Event> events = state.run().events();
        int shown = 0;
        while (shown < events.size() && events.get(shown).micros() <= state.micros()) {
            shown++;
        }
        int first = Math.max(0, shown - BEFORE);
        int end = Math.min(events.size(), shown + AFTER);
        more(first, "earlier events: scrub back to see them");
        for (int i = first; i < end; i++) {
            row(events.get(i), i == shown - 1);
        }
        more(events.size() - end, "later events: scrub on to see them");
        return html.toString();
    }

    private void more(int events, String words) {
        if (events > 0) {
            html.open("li", "class", "note").words(events + " " + words).close("li");
        }
    }

    /**
     * One event.
     *
     * @param now whether it is the last one up to the instant shown
     */
    private void row(Event e, boolean now) {
        String byHand = byHand(e);
        html.open("li", "class", css(now, e.micros() > state.micros(), e.isInput()), "data-part", e.part());
        html.open("button", "type", "button", "data-go", Clock.seconds(e.micros()));
        piece("time", Clock.of(e.micros()));
        html.open("span", "class", "what");
        piece("b", byHand == null ? narrator.title(e) : byHand).words(" ");
        piece("span", narrator.name(e));
        piece("small", byHand == null ? e.because().text() + (e.backFeed() ? " · back-feed" : "") : "done by hand");
        html.close("span").close("button").close("li");
    }

    private Svg piece(String element, String words) {
        return html.open(element).words(words).close(element);
    }

    private static String css(boolean now, boolean ahead, boolean input) {
        String css = Stream.of(now ? "now" : "", ahead ? "ahead" : "", input ? "input" : "")
                .filter(word -> !word.isEmpty())
                .collect(Collectors.joining(" "));
        return css.isEmpty() ? null : css;
    }

    /** What hands did to the wiring, in words; null for anything else. */
    private String byHand(Event e) {
        if (!e.signal().endsWith(".fault")) {
            return null;
        }
        String put = state.handWork().get(e.to());
        String undone = state.handWork().get(e.from());
        return put != null ? put : undone != null ? "undone: " + undone : null;
    }
}
