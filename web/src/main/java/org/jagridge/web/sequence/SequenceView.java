package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;
import org.jagridge.core.trace.Sequence;
import org.jagridge.core.trace.Why;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.svg.Clock;
import org.jagridge.web.svg.Json;
import org.jagridge.web.svg.LiveState;
import org.jagridge.web.svg.Look;
import org.jagridge.web.svg.Marks;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything the sequence page shows of one run at one instant.
 *
 * @param hidden how many steps of other parts the filter leaves out
 */
record SequenceView(
        Ask ask,
        List<String> faults,
        Filters filters,
        String clock,
        String seconds,
        List<Sequence.Link> startUp,
        List<Item> items,
        int hidden,
        String previous,
        String next,
        String marksJson,
        ChartView chart,
        List<String> waits,
        List<String> problems,
        String pathWords) {

    /** A run with more chapters than this folds those that tell nothing new. */
    private static final int ALL_SHOWN = 10;

    /** What the steps can be narrowed to. */
    record Filters(List<Choice> places, List<String> parts) {}

    record Choice(String value, String title) {}

    /** A chapter, or a row of chapters that tell what was told before. */
    record Item(Group group, List<Group> before, String words) {}

    /** @param like the time of the chapter that told the same, or empty */
    record Group(String title, String time, String url, String like, List<Step> steps) {}

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

    static SequenceView of(Drawn drawn, Run run, Ask ask, Look look, JsonMapper json) {
        List<Sequence.Group> told = Sequence.of(run);
        long micros = ask.at() == null ? firstLook(told, run) : Math.min(run.until(), Math.max(0, ask.at()));
        Predicate<String> shown = ask.parts(drawn.circuit());
        List<Sequence.Step> steps = told.stream()
                .flatMap(g -> g.steps().stream())
                .filter(s -> shown.test(s.part()))
                .toList();
        Sequence.Step last = null;
        Long previous = null;
        Long next = null;
        for (Sequence.Step s : steps) {
            last = s.micros() <= micros ? s : last;
            previous = s.micros() < micros ? (Long) s.micros() : previous;
            next = s.micros() > micros && next == null ? (Long) s.micros() : next;
        }
        Frame frame = run.at(micros);
        Marks marks = Marks.of(drawn.ladder(), drawn.assembly(), new LiveState(frame), look);
        return new SequenceView(
                ask,
                drawn.faults().stream().map(f -> f.words()).toList(),
                filters(drawn.circuit(), run),
                Clock.of(micros),
                Clock.seconds(micros),
                Sequence.startUp(run.frames().get(0)),
                new Telling(ask, shown, micros, last).items(told),
                told.stream().mapToInt(g -> g.steps().size()).sum() - steps.size(),
                previous == null ? null : ask.address(previous),
                next == null ? null : ask.address(next),
                Json.inPage(marks, json),
                ChartView.of(ask, run, micros),
                why(run, micros),
                run.problems().stream().map(RunProblem::message).toList(),
                last == null ? "" : String.join(" → ", last.path()));
    }

    /** The instant of the first thing that an act leads to. */
    private static long firstLook(List<Sequence.Group> told, Run run) {
        return told.stream()
                .filter(g -> !g.steps().isEmpty() && !g.title().equals("Power on"))
                .findFirst()
                .map(g -> g.steps().get(0).micros())
                .orElse(Math.min(run.until(), run.restAt()));
    }

    private static Filters filters(Circuit circuit, Run run) {
        List<String> parts = run.signals().entrySet().stream()
                .filter(e -> e.getValue().size() > 1)
                .map(e -> e.getKey())
                .toList();
        List<Choice> places = circuit.places().stream()
                .filter(p -> circuit.parts().stream()
                        .anyMatch(part -> part.place().equals(p.id()) && parts.contains(part.id())))
                .map(p -> new Choice(Ask.place(p.id()), title(p)))
                .toList();
        return new Filters(places, parts);
    }

    private static String title(Place p) {
        return p.name() == null || p.name().isEmpty() ? p.id() : p.name();
    }

    /** Chapters on their way to the page. */
    private record Telling(Ask ask, Predicate<String> shown, long micros, Sequence.Step last) {
        List<Item> items(List<Sequence.Group> told) {
            int now = -1;
            for (int i = 0; i < told.size(); i++) {
                now = told.get(i).micros() <= micros ? i : now;
            }
            List<Item> items = new ArrayList<>();
            List<Group> before = new ArrayList<>();
            for (int i = 0; i < told.size(); i++) {
                Sequence.Group g = told.get(i);
                if (ask.isFiltered() && g.steps().stream().noneMatch(s -> shown.test(s.part()))) {
                    continue;
                }
                boolean folds = g.like() >= 0 && i != now && told.size() > ALL_SHOWN;
                Group group = group(g, told, folds ? List.of() : g.steps());
                if (folds) {
                    before.add(group);
                } else {
                    fold(before, items);
                    items.add(new Item(group, List.of(), ""));
                }
            }
            fold(before, items);
            return items;
        }

        private static void fold(List<Group> before, List<Item> items) {
            if (!before.isEmpty()) {
                String words = before.get(0).time()
                        + (before.size() == 1
                                ? " as before"
                                : " to " + before.get(before.size() - 1).time() + ": " + before.size()
                                        + " times as before");
                items.add(new Item(null, List.copyOf(before), words));
                before.clear();
            }
        }

        /** @param steps those to show */
        private Group group(Sequence.Group g, List<Sequence.Group> told, List<Sequence.Step> steps) {
            return new Group(
                    g.title(),
                    Clock.of(g.micros()),
                    ask.address(g.micros()),
                    g.like() < 0 ? "" : Clock.of(told.get(g.like()).micros()),
                    steps.stream()
                            .filter(s -> shown.test(s.part()))
                            .map(this::step)
                            .toList());
        }

        private Step step(Sequence.Step s) {
            return new Step(
                    s.number(),
                    s.part(),
                    Clock.of(s.micros()),
                    s.title(),
                    s.name() == null ? "" : s.name(),
                    s.after(),
                    s.why(),
                    String.join(" → ", s.path()),
                    s.enables().stream().collect(Collectors.joining(", ")),
                    s.stops(),
                    s.backFeed(),
                    s.equals(last),
                    s.micros() > micros,
                    ask.address(s.micros()));
        }
    }

    private static List<String> why(Run run, long micros) {
        Why why = Why.at(run, micros);
        return Stream.concat(why.on().stream(), why.off().stream())
                .map(Why.Reason::toString)
                .toList();
    }
}
