package org.jagridge.web.bench;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.meter.CheckSheet.School;
import org.jagridge.core.meter.Walk;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;

/**
 * A walk from a source through a load and back, as the bench shows it.
 *
 * @param source the two poles, in words
 */
record WalkView(String load, String title, String source, boolean across, List<Stop> stops) {

    /**
     * @param by what one came through, in words
     * @param wire the wire one came through, or null
     * @param part the part one came through, or null
     * @param now what the meter reads now
     * @param expected what it would read without the faults that are in
     * @param off whether the two are further apart than a check sheet allows
     */
    record Stop(
            String terminal,
            String by,
            String wire,
            String part,
            boolean made,
            boolean load,
            String now,
            String expected,
            boolean off) {}

    /** A load that can be walked to. */
    record Choice(String key, String title) {}

    static List<Choice> choices(BenchState state) {
        return Walk.loads(state.drawn().assembly()).stream()
                .map(b -> new Choice(Walk.key(b), title(b, state)))
                .toList();
    }

    private static String title(Branch b, BenchState state) {
        String name = state.drawn().circuit().part(b.owner()).orElseThrow().name();
        return b.title() + (name == null ? "" : " · " + name);
    }

    static WalkView of(BenchState state, Frame healthy, Branch load, boolean across) {
        School school = across ? School.ACROSS : School.TO_COMMON;
        List<Walk.Stop> stops = Walk.to(load, state.frame());
        List<Walk.Stop> sound = Walk.to(load, healthy);
        Set<Terminal> astray = Walk.astray(stops, sound, school);
        String source = stops.isEmpty()
                ? ""
                : stops.get(0).terminal() + " to " + stops.get(stops.size() - 1).terminal();
        return new WalkView(
                Walk.key(load),
                title(load, state),
                source,
                across,
                stops.stream()
                        .map(s -> stop(s, sound, school, astray.contains(s.terminal())))
                        .toList());
    }

    private static Stop stop(Walk.Stop s, List<Walk.Stop> sound, School school, boolean off) {
        Branch by = s.by();
        String words = by == null
                ? "the pole"
                : by.isWire() ? "wire " + by.owner() : by.title().replace('-', '–');
        Terminal t = s.terminal();
        String should = sound.stream()
                .filter(e -> e.terminal().equals(t))
                .map(e -> volts(e, school))
                .findFirst()
                .orElse("–");
        return new Stop(
                t.toString(),
                words,
                by != null && by.isWire() ? by.owner() : null,
                by != null && !by.isWire() ? by.owner() : null,
                s.made(),
                s.load(),
                volts(s, school),
                should,
                off);
    }

    private static String volts(Walk.Stop s, School school) {
        return s.read(school).display() + " V";
    }
}
