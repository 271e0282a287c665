package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;

/**
 * The volts to expect on the way to a load, terminal by terminal, before a call and after each step of it, by both
 * schools of checking.
 *
 * @param columns the instants
 * @param rows the terminals in the order of the current
 */
public record ExpectedVolts(List<Column> columns, List<Row> rows) {
    private static final int MOST_COLUMNS = 8;

    /** An instant: after an event, or with none before anything was done. */
    public record Column(long micros, Event after) {}

    /** A terminal with a reading to common and one across for each column. */
    public record Row(Terminal terminal, List<Reading> toCommon, List<Reading> across) {}

    /**
     * The table of a load in a run. The way is that of the instant when most of it is made; the instants are those at
     * which a part on the way changed.
     */
    public static ExpectedVolts of(Run run, Branch load) {
        List<Walk.Stop> way = way(run, load);
        Set<String> onTheWay = new HashSet<>();
        way.forEach(s -> {
            if (s.by() != null) {
                onTheWay.add(s.by().owner());
            }
        });
        Map<Long, Event> instants = new LinkedHashMap<>();
        for (Event e : run.events()) {
            if (onTheWay.contains(e.part())) {
                instants.putIfAbsent(e.micros(), e);
            }
        }
        List<Column> columns = new ArrayList<>(List.of(new Column(0, null)));
        instants.forEach((micros, e) -> {
            if (columns.size() < MOST_COLUMNS) {
                columns.add(new Column(micros, e));
            }
        });
        Map<Terminal, Row> rows = new LinkedHashMap<>();
        way.forEach(s -> rows.putIfAbsent(s.terminal(), new Row(s.terminal(), new ArrayList<>(), new ArrayList<>())));
        if (!way.isEmpty()) {
            Terminal hot = way.get(0).terminal();
            Terminal common = way.get(way.size() - 1).terminal();
            for (Column c : columns) {
                Meter meter = Meter.at(run, c.micros());
                Request.Mode mode = meter.volts(hot, common);
                rows.values().forEach(r -> {
                    r.toCommon().add(meter.shown(new Request(mode, r.terminal(), common, null, 1, false)));
                    r.across().add(meter.shown(new Request(mode, hot, r.terminal(), null, 1, false)));
                });
            }
        }
        return new ExpectedVolts(columns, List.copyOf(rows.values()));
    }

    private static List<Walk.Stop> way(Run run, Branch load) {
        List<Walk.Stop> best = Walk.to(load, run.at(0));
        for (Event e : run.events()) {
            if (open(best) == 0) {
                return best;
            }
            if (e.part().equals(load.owner()) || !e.isInput()) {
                List<Walk.Stop> other = Walk.to(load, run.at(e.micros()));
                if (!other.isEmpty() && (best.isEmpty() || open(other) < open(best))) {
                    best = other;
                }
            }
        }
        return best;
    }

    private static long open(List<Walk.Stop> way) {
        return way.isEmpty()
                ? Long.MAX_VALUE
                : way.stream().filter(s -> !s.made() && !s.load()).count();
    }
}
