package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.StripTable;

/**
 * The table of a strip as the page and the CSV file show it.
 *
 * @param reference the terminal on which the other lead is
 * @param together whether every combination of the controls is there
 */
record StripView(
        String id,
        String title,
        String reference,
        List<Head> controls,
        List<Post> posts,
        List<Row> rows,
        boolean together) {

    /** Part of the highest reading from which on a post counts as fed. */
    private static final double FED = 0.1;

    private static final double NOTHING = 0.05;

    record Head(String id, String name) {}

    /** @param wires like "brown F1.2" */
    record Post(String name, List<String> wires) {}

    /** @param states of the controls; "–" for one that is at rest */
    record Row(List<String> states, List<Cell> cells, String works) {}

    /** @param ghost whether a meter of low impedance shows next to nothing */
    record Cell(String volts, boolean alive, boolean ghost) {}

    static StripView of(StripTable t, Circuit circuit) {
        double most = t.rows().stream()
                .flatMap(r -> r.volts().stream())
                .mapToDouble(v -> Math.abs(v.value()))
                .max()
                .orElse(0);
        return new StripView(
                t.strip().id(),
                t.strip().title(),
                t.reference().toString(),
                t.controls().stream().map(StripView::head).toList(),
                t.posts().stream().map(p -> post(p, circuit)).toList(),
                t.rows().stream().map(r -> row(r, most)).toList(),
                t.together());
    }

    private static Head head(Part p) {
        return new Head(p.id(), p.name() == null ? "" : p.name());
    }

    private static Post post(StripTable.Post p, Circuit circuit) {
        return new Post(
                p.terminal().name(),
                p.wires().stream()
                        .map(e -> {
                            String colour = circuit.colourOf(e.wire());
                            return (colour == null ? "" : colour + " ") + e.far();
                        })
                        .toList());
    }

    private static Row row(StripTable.Row r, double most) {
        return new Row(
                r.states().stream().map(s -> s.isEmpty() ? "–" : s).toList(),
                IntStream.range(0, r.volts().size())
                        .mapToObj(i -> cell(r.volts().get(i), r.ghosts().get(i), most))
                        .toList(),
                r.works().isEmpty() ? "–" : String.join(", ", r.works()));
    }

    private static Cell cell(Reading v, boolean ghost, double most) {
        // what leaks through an open contact is no reading on a paper
        return new Cell(
                Math.abs(v.value()) < NOTHING ? "0" : v.display(), !ghost && Math.abs(v.value()) > FED * most, ghost);
    }

    /** The table as lines of a file, its heading first. */
    List<List<String>> lines() {
        List<List<String>> lines = new ArrayList<>();
        List<String> head = new ArrayList<>(controls.stream().map(Head::id).toList());
        posts.forEach(p -> head.add(id + "." + p.name() + ": V to " + reference));
        head.add("at work");
        lines.add(head);
        for (Row r : rows) {
            List<String> line = new ArrayList<>(r.states());
            r.cells().forEach(c -> line.add(c.volts() + (c.ghost() ? " ghost" : "")));
            line.add(r.works());
            lines.add(line);
        }
        return lines;
    }
}
