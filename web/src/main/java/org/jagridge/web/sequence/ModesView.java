package org.jagridge.web.sequence;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.trace.ModeTable;
import org.jagridge.core.trace.Sequence;

/** The mode table as the page and the CSV file show it. */
record ModesView(List<Head> heads, List<Row> rows) {
    private static final long AT_ONCE = 1_000_000;

    record Head(String id, String name) {}

    /** @param key of the call's scenario */
    record Row(String key, String call, List<Cell> cells) {}

    /** @param words like "on after 30 s", empty for off */
    record Cell(boolean works, String value, String words) {}

    static ModesView of(ModeTable table, Circuit circuit) {
        return new ModesView(
                table.loads().stream()
                        .map(id -> new Head(id, circuit.part(id).map(Part::name).orElse("")))
                        .toList(),
                table.rows().stream()
                        .map(r -> new Row(
                                r.call().key(),
                                r.call().name(),
                                r.cells().stream().map(ModesView::cell).toList()))
                        .toList());
    }

    private static Cell cell(ModeTable.Cell c) {
        if (!c.works()) {
            return new Cell(false, "off", "");
        }
        String when = c.from() < AT_ONCE ? "" : "after " + Sequence.duration(c.from());
        return new Cell(true, c.value(), when);
    }

    String csv() {
        StringBuilder out = new StringBuilder();
        try {
            List<String> head = new ArrayList<>(List.of("call"));
            heads.forEach(h -> head.add(h.id()));
            CSVFormat.RFC4180.printRecord(out, head.toArray());
            for (Row r : rows) {
                List<String> line = new ArrayList<>(List.of(r.call()));
                r.cells().forEach(c -> line.add((c.value() + " " + c.words()).strip()));
                CSVFormat.RFC4180.printRecord(out, line.toArray());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }
}
