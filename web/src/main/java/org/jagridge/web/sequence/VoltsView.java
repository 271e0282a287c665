package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.meter.ExpectedVolts;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.Walk;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Narrator;
import org.jagridge.web.svg.Clock;

/**
 * The table of expected volts on the way to a load.
 *
 * @param poles the two ends of the way: the feed and the common
 */
record VoltsView(
        String key,
        String load,
        String title,
        List<Choice> loads,
        List<String> poles,
        List<Head> heads,
        List<Row> rows) {

    record Choice(String key, String title) {}

    record Head(String time, String title) {}

    record Row(String terminal, List<Cell> cells) {}

    /** The table as lines of a file: for each instant the volts to common and across; a head alone where no supply reaches the load. */
    List<List<String>> lines() {
        List<List<String>> lines = new ArrayList<>();
        List<String> head = new ArrayList<>(List.of("terminal"));
        List<Head> instants = poles.isEmpty() ? List.of() : heads;
        instants.forEach(h -> {
            String when = (h.time() + " " + h.title()).strip();
            head.add(when + ": V to " + poles.get(1));
            head.add(when + ": V from " + poles.get(0));
        });
        lines.add(head);
        for (Row r : rows) {
            List<String> line = new ArrayList<>(List.of(r.terminal()));
            r.cells().forEach(c -> {
                line.add(c.toCommon());
                line.add(c.across());
            });
            lines.add(line);
        }
        return lines;
    }

    /** Part of the supply's volts from which on a terminal counts as fed. */
    private static final double FED = 0.1;

    /** @param alive whether the terminal is fed: more than a leak through something open */
    record Cell(String toCommon, String across, boolean alive) {}

    static VoltsView of(Run run, String key, Branch load, List<Branch> loads) {
        ExpectedVolts table = ExpectedVolts.of(run, load);
        Narrator narrator = new Narrator(run.circuit());
        return new VoltsView(
                key,
                Walk.key(load),
                load.title(),
                loads.stream().map(b -> new Choice(Walk.key(b), b.title())).toList(),
                table.rows().isEmpty()
                        ? List.of()
                        : List.of(
                                table.rows().get(0).terminal().toString(),
                                table.rows()
                                        .get(table.rows().size() - 1)
                                        .terminal()
                                        .toString()),
                table.columns().stream()
                        .map(c -> c.after() == null
                                ? new Head("", "before the call")
                                : new Head(Clock.of(c.micros()), narrator.title(c.after())))
                        .toList(),
                table.rows().stream().map(r -> row(r, table.rows().get(0))).toList());
    }

    private static Row row(ExpectedVolts.Row r, ExpectedVolts.Row supply) {
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < r.toCommon().size(); i++) {
            Reading common = r.toCommon().get(i);
            cells.add(new Cell(
                    common.display(),
                    r.across().get(i).display(),
                    Math.abs(common.value())
                            > FED * Math.abs(supply.toCommon().get(i).value())));
        }
        return new Row(r.terminal().toString(), cells);
    }
}
