package org.jagridge.web.bench;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Network;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Frame;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.Json;
import org.jagridge.web.svg.LiveState;
import org.jagridge.web.svg.Look;
import org.jagridge.web.svg.Marks;
import tools.jackson.databind.json.JsonMapper;

/** What the bench page shows of one state; what stays while the bench is open is {@link BenchPlace}. */
record BenchView(
        long id,
        long head,
        String seconds,
        int acts,
        List<FaultRow> faults,
        List<TemporaryRow> temporaries,
        MeterView meter,
        TraceView trace,
        String shownJson) {

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

    /**
     * What the page lays over what stands in it.
     *
     * @param values of the inputs, by {@code part.input}
     * @param moved the inputs that aren't where they started
     */
    record Shown(Marks marks, Map<String, String> values, List<String> moved) {}

    /** A fault that is in now. */
    record FaultRow(long action, String words) {}

    static BenchView of(BenchState state, Look look, JsonMapper json) {
        Drawn drawn = state.drawn();
        Marks marks = Marks.of(drawn.ladder(), drawn.assembly(), new LiveState(state.frame()), look);
        return new BenchView(
                state.bench().id(),
                state.head(),
                Clock.seconds(state.micros()),
                state.actions().size(),
                state.faults().entrySet().stream()
                        .map(e -> new FaultRow(e.getKey(), e.getValue().words()))
                        .toList(),
                state.temporaries().entrySet().stream()
                        .map(e -> row(state, e.getKey(), e.getValue()))
                        .toList(),
                MeterView.of(state),
                TraceView.of(state),
                Json.inPage(new Shown(marks, HandsView.values(state), HandsView.moved(state)), json));
    }

    /** The address of the bench, under which its acts are. */
    public String base() {
        return "/bench/" + id;
    }

    /** What names the state in an address. */
    public String from() {
        return "?s=" + head + "&t=" + seconds;
    }

    private static TemporaryRow row(BenchState state, long action, Temporary t) {
        return new TemporaryRow(
                action,
                t.words(),
                String.join(" ", t.ends()),
                t.bare(state.drawn().circuit()),
                String.join(" ", t.wires()),
                isLive(state.frame(), t),
                t.why().words(),
                t.around().isEmpty() ? "" : "around " + String.join(" and ", t.around()),
                undo(state, t));
    }

    private static String undo(BenchState state, Temporary t) {
        boolean offBefore = state.temporaries().values().stream()
                .anyMatch(other -> t.holds(other, state.drawn().circuit()));
        return t.kind() == Action.Kind.LINK ? "take off" : offBefore ? "take apart" : "land again";
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
}
