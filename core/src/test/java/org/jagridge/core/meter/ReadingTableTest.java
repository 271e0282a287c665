package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;

/** The meter against {@link ReadingTable}, to the letter. */
public class ReadingTableTest {
    @Test
    public void eachReadingIsWhatWasRead() {
        ReadingTable.Bench bench = new ReadingTable.Bench();
        List<ReadingTable.Row> rows = ReadingTable.stored();
        List<String> stored = new ArrayList<>();
        List<String> now = new ArrayList<>();
        rows.forEach(row -> {
            Reading r = bench.read(row.circuit(), row.set(), row.faults(), row.request());
            stored.add(row.key() + "\n" + row.shows() + "\n" + row.says());
            now.add(row.key() + "\n" + r.display() + " " + r.unit() + "\n" + r.says());
        });
        assertEquals(String.join("\n\n", now), String.join("\n\n", stored));
        Set<String> circuits = rows.stream().map(ReadingTable.Row::circuit).collect(Collectors.toSet());
        assertEquals(circuits, Set.copyOf(ReadingTable.CIRCUITS));
    }
}
