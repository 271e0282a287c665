package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;
import org.jagridge.core.trace.Lanes;
import org.jagridge.core.trace.Sequence;
import org.jagridge.core.trace.Waiting;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.ConnectionSvg;
import org.jagridge.web.svg.LadderSvg;
import org.jagridge.web.svg.LiveState;
import org.jagridge.web.svg.Look;
import org.jagridge.web.svg.TimingSvg;

/**
 * Everything the sequence page shows of one run at one instant.
 *
 * @param address of this run without an instant
 */
record SequenceView(
        String key,
        Integer fault,
        String faultWords,
        List<String> faults,
        boolean taught,
        String address,
        String clock,
        String seconds,
        List<Sequence.Link> startUp,
        List<Group> groups,
        String previous,
        String next,
        String ladder,
        String connection,
        String chart,
        List<String> waits,
        List<String> problems,
        String pathWords) {

    private static final double CHART_WIDTH = 820;

    record Group(String title, String time, String url, boolean now, List<Step> steps) {}

    /** @param now whether it is the last step that has happened at the instant shown */
    record Step(
            int number,
            String part,
            String time,
            String title,
            String name,
            String after,
            String why,
            String path,
            String enables,
            boolean stops,
            boolean backFeed,
            boolean now,
            boolean ahead,
            String url) {}

    static SequenceView of(
            Row row, Drawn drawn, Run run, String key, Integer fault, Long at, boolean taught, Look look) {
        List<Sequence.Group> told = Sequence.of(run);
        String address = "/circuits/" + row.slug() + "/sequence?run=" + key + (fault == null ? "" : "&fault=" + fault)
                + (taught ? "&taught=true" : "");
        long micros = at == null ? firstLook(told, run) : Math.min(run.until(), Math.max(0, at));
        int lastEvent = -1;
        String path = "";
        for (Sequence.Group g : told) {
            for (Sequence.Step s : g.steps()) {
                if (s.micros() <= micros) {
                    lastEvent = s.event();
                    path = String.join(" → ", s.path());
                }
            }
        }
        List<Group> groups = new ArrayList<>();
        Long previous = null;
        Long next = null;
        for (Sequence.Group g : told) {
            List<Step> steps = new ArrayList<>();
            for (Sequence.Step s : g.steps()) {
                steps.add(step(s, micros, lastEvent, address));
                if (s.micros() < micros) {
                    previous = s.micros();
                } else if (s.micros() > micros && next == null) {
                    next = s.micros();
                }
            }
            groups.add(
                    new Group(g.title(), Clock.of(g.micros()), url(address, g.micros()), g.micros() == micros, steps));
        }
        Frame frame = run.at(micros);
        LiveState live = new LiveState(frame);
        return new SequenceView(
                key,
                fault,
                fault == null ? null : drawn.faults().get(fault).words(),
                drawn.faults().stream().map(f -> f.words()).toList(),
                taught,
                address,
                Clock.of(micros),
                Clock.seconds(micros),
                Sequence.startUp(run.frames().get(0)),
                groups,
                previous == null ? null : url(address, previous),
                next == null ? null : url(address, next),
                LadderSvg.write(drawn.ladder(), live, look, row.name(), null),
                ConnectionSvg.write(drawn.connection(), frame.assembly(), live, null),
                TimingSvg.write(run, Lanes.of(run), micros, CHART_WIDTH),
                Waiting.in(run, micros).stream().map(Waiting.Wait::words).toList(),
                run.problems().stream().map(RunProblem::message).toList(),
                path);
    }

    /** The instant at which the first call has come to what it leads to: the last step of the first act's group. */
    private static long firstLook(List<Sequence.Group> told, Run run) {
        return told.stream()
                .filter(g -> !g.steps().isEmpty() && !g.title().equals("Power on"))
                .findFirst()
                .map(g -> g.steps().get(0).micros())
                .orElse(Math.min(run.until(), run.restAt()));
    }

    private static String url(String address, long micros) {
        return address + "&t=" + Clock.seconds(micros);
    }

    private static Step step(Sequence.Step s, long micros, int lastEvent, String address) {
        return new Step(
                s.number(),
                s.part(),
                Clock.of(s.micros()),
                s.title(),
                s.name() == null ? "" : s.name(),
                s.after(),
                s.why(),
                String.join(" → ", s.path()),
                String.join(", ", s.enables()),
                s.stops(),
                s.backFeed(),
                s.event() == lastEvent,
                s.micros() > micros,
                url(address, s.micros()));
    }
}
