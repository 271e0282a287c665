package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Effect;
import org.jagridge.core.trace.ModeTable;

/** The mode table as the page and the CSV file show it. */
record ModesView(List<Head> heads, boolean hasAir, List<Row> rows) {
    private static final long AT_ONCE = 1_000_000;

    record Head(String id, String name) {}

    /**
     * @param key of the call's scenario
     * @param air what a heat pump does to the air, or empty
     * @param wrong whether that is the opposite of the call
     */
    record Row(String key, String call, List<Cell> cells, String air, boolean wrong) {}

    /** @param words like "on after 30 s", empty for off */
    record Cell(boolean works, String value, String words) {}

    static ModesView of(ModeTable table, Circuit circuit) {
        return new ModesView(
                table.loads().stream()
                        .map(id -> new Head(id, circuit.part(id).map(Part::name).orElse("")))
                        .toList(),
                table.rows().stream().anyMatch(r -> r.air() != null),
                table.rows().stream()
                        .map(r -> new Row(
                                r.call().key(),
                                r.call().name(),
                                r.cells().stream().map(ModesView::cell).toList(),
                                air(r.air()),
                                r.isWrong()))
                        .toList());
    }

    private static String air(Effect.Air air) {
        return air == null ? "" : air == Effect.Air.NOTHING ? "–" : air.words();
    }

    private static Cell cell(ModeTable.Cell c) {
        if (!c.works()) {
            return new Cell(false, "off", "");
        }
        String when = c.from() < AT_ONCE ? "" : "after " + Time.words(c.from());
        return new Cell(true, c.value(), when);
    }

    /** The table as lines of a file, its heading first. */
    List<List<String>> lines() {
        List<List<String>> lines = new ArrayList<>();
        List<String> head = new ArrayList<>(List.of("call"));
        heads.forEach(h -> head.add(h.id()));
        if (hasAir) {
            head.add("heat pump");
        }
        lines.add(head);
        for (Row r : rows) {
            List<String> line = new ArrayList<>(List.of(r.call()));
            r.cells().forEach(c -> line.add((c.value() + " " + c.words()).strip()));
            if (hasAir) {
                line.add(r.air());
            }
            lines.add(line);
        }
        return lines;
    }
}
