package org.jagridge.web.bench;

import java.util.List;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.network.Network;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Frame;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.ConnectionSvg;
import org.jagridge.web.svg.LadderSvg;
import org.jagridge.web.svg.LiveState;
import org.jagridge.web.svg.Look;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.json.JsonMapper;

/** Everything the bench page shows of one state. */
record BenchView(
        long id,
        long head,
        String seconds,
        String url,
        String circuit,
        String slug,
        int revision,
        int newestRevision,
        int acts,
        HandsView hands,
        List<FaultRow> faults,
        List<TemporaryRow> temporaries,
        String faultOptions,
        String ladder,
        String connection,
        Look look,
        String drawingNote,
        MeterView meter,
        TraceView trace,
        String factsJson,
        List<String> terminals,
        List<String> wires,
        List<WalkView.Choice> loads,
        List<String> leftOut,
        String about) {

    /** From here on volts to earth are line voltage to whoever touches them. */
    private static final double TOUCHABLE_VOLTS = 50;

    /**
     * Something to undo before hand-over.
     *
     * @param link the two terminals of a link, with a blank between, for the mark in the drawings
     * @param bare the bare end of a lifted wire and the terminal that it was on, with a blank between; empty for none
     * @param wires the wires that are not where they belong, with blanks between
     * @param live whether line voltage stands where the hands are
     * @param around the safeties that it goes around, in words; empty for none
     */
    record TemporaryRow(
            long action,
            String words,
            String link,
            String bare,
            String wires,
            boolean live,
            String reason,
            String around,
            String undo) {}

    /** A fault that is in now. */
    record FaultRow(long action, String words) {}

    static BenchView of(BenchState state, Look look, JsonMapper json) {
        LiveState live = new LiveState(state.frame());
        return new BenchView(
                state.bench().id(),
                state.head(),
                Clock.seconds(state.micros()),
                state.url(),
                state.bench().name(),
                state.bench().slug(),
                state.bench().revision(),
                state.bench().newestRevision(),
                state.actions().size(),
                HandsView.of(state),
                state.faults().entrySet().stream()
                        .map(e -> new FaultRow(e.getKey(), e.getValue().words()))
                        .toList(),
                state.temporaries().entrySet().stream()
                        .map(e -> row(state, e.getKey(), e.getValue()))
                        .toList(),
                options(state.drawn().faults()),
                LadderSvg.write(
                        state.drawn().ladder(), live, look, state.bench().name(), null),
                ConnectionSvg.write(state.drawn().connection(), state.frame().assembly(), live, null),
                look,
                state.drawn().circuit().places().size() + " places · "
                        + state.drawn().circuit().wires().size() + " wires",
                MeterView.of(state),
                TraceView.of(state),
                safe(json.writeValueAsString(Facts.of(state, live))),
                state.drawn().assembly().nodes().keySet().stream()
                        .map(Object::toString)
                        .toList(),
                state.drawn().circuit().wires().stream().map(Wire::id).toList(),
                WalkView.choices(state),
                state.bench().leftOut() == null
                        ? List.of()
                        : state.bench().leftOut().lines().toList(),
                state.bench().about());
    }

    private static TemporaryRow row(BenchState state, long action, Temporary t) {
        return new TemporaryRow(
                action,
                t.words(),
                String.join(" ", t.ends()),
                t.bare(state.drawn().circuit()),
                String.join(" ", t.wires()),
                isLive(state.frame(), t),
                t.reason(),
                t.around().isEmpty() ? "" : "around " + String.join(" and ", t.around()),
                t.kind() == Action.Kind.LINK ? "take off" : "land again");
    }

    private static boolean isLive(Frame frame, Temporary t) {
        Assembly now = frame.assembly();
        Stream<Terminal> wired = t.wires().stream()
                .flatMap(w -> now.circuit().wire(w).stream())
                .flatMap(w -> Stream.of(w.from(), w.to()));
        return Stream.concat(wired, t.terminals().stream())
                .flatMap(at -> now.node(at).stream())
                .anyMatch(node -> frame.acVolts(node, Network.EARTH) > TOUCHABLE_VOLTS);
    }

    /** The choices as HTML; a template would take longer over them than over all the rest. */
    private static String options(List<Fault> faults) {
        StringBuilder html = new StringBuilder();
        for (int i = 0; i < faults.size(); i++) {
            html.append("<option value=\"")
                    .append(i)
                    .append("\">")
                    .append(HtmlUtils.htmlEscape(faults.get(i).words()))
                    .append("</option>");
        }
        return html.toString();
    }

    /** JSON that may stand inside a script element: no text in it can close the element. */
    private static String safe(String text) {
        return text.replace("<", "\\u003c");
    }
}
