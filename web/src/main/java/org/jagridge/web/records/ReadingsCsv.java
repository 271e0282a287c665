package org.jagridge.web.records;

import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jagridge.core.format.CsvTable;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.web.records.RecordService.Incoming;

/**
 * The readings of a record as CSV, out and in. Of the columns only {@code line} and {@code value} are needed on the way
 * in; a row without an id gets one that follows from its content, so that a file read in twice is stored once.
 */
final class ReadingsCsv {
    private static final List<String> HEADER = List.of(
            "taken_at", "line", "value", "unit", "expected", "low", "high", "sender", "instrument", "conditions", "id");
    private static final int MOST_ROWS = 20_000;

    private ReadingsCsv() {}

    /** A row of a file: who took the reading, and the reading. */
    record Taken(String sender, Incoming reading) {}

    static List<List<String>> table(
            RecordRepository.Row record, List<RecordRepository.Reading> readings, Map<String, CheckSheet.Line> lines) {
        List<List<String>> table = new ArrayList<>();
        table.add(HEADER);
        for (RecordRepository.Reading r : readings) {
            // null for a reading that was taken on the sheet of an earlier edition
            CheckSheet.Line l = lines.get(r.line());
            table.add(List.of(
                    r.takenAt().toString(),
                    r.line(),
                    String.valueOf(r.amount()),
                    r.unit(),
                    l == null ? "" : String.valueOf(l.expected()),
                    l == null ? "" : String.valueOf(l.low()),
                    l == null ? "" : String.valueOf(l.high()),
                    r.sender(),
                    record.instrument(),
                    record.conditions(),
                    r.id().toString()));
        }
        return table;
    }

    /** The lines of a sheet with nothing measured yet, to be filled in with a spreadsheet. */
    static List<List<String>> blank(RecordRepository.Row record, Iterable<CheckSheet.Line> lines) {
        List<List<String>> table = new ArrayList<>();
        table.add(HEADER);
        for (CheckSheet.Line l : lines) {
            table.add(List.of(
                    "",
                    l.key(),
                    "",
                    l.unit(),
                    String.valueOf(l.expected()),
                    String.valueOf(l.low()),
                    String.valueOf(l.high()),
                    record.who(),
                    record.instrument(),
                    record.conditions(),
                    ""));
        }
        return table;
    }

    /**
     * Reads a file for a record; rows without a value are passed over.
     *
     * @param otherwise who took the readings where a row doesn't say
     * @throws MalformedException with every mistake, each with its line
     */
    static List<Taken> read(byte[] file, UUID record, Map<String, CheckSheet.Line> lines, String otherwise) {
        CsvTable table = CsvTable.read(CsvTable.decode(file), HEADER, List.of("line", "value"), MOST_ROWS);
        List<Taken> taken = new ArrayList<>();
        for (CsvTable.Row row : table.rows()) {
            if (row.cell("value").isEmpty()) {
                continue;
            }
            Incoming reading = new Incoming(
                    id(row, record, table),
                    row.cell("line"),
                    value(row),
                    blankToNull(row.cell("unit")),
                    at(row, table),
                    null);
            String mistake = RecordService.mistake(reading, lines.get(reading.line()));
            if (mistake != null) {
                table.say(row.line(), mistake);
            }
            taken.add(new Taken(row.cell("sender").isEmpty() ? otherwise : row.cell("sender"), reading));
        }
        table.require();
        return taken;
    }

    private static String blankToNull(String cell) {
        return cell.isEmpty() ? null : cell;
    }

    /** Null where it is no number, as {@link RecordService#mistake} tells. */
    private static Double value(CsvTable.Row row) {
        try {
            return Double.valueOf(row.cell("value").replace(',', '.'));
        } catch (NumberFormatException e) {
            return null;
        }
    }

    private static OffsetDateTime at(CsvTable.Row row, CsvTable table) {
        String cell = row.cell("taken_at");
        if (cell.isEmpty()) {
            return null;
        }
        try {
            return OffsetDateTime.parse(cell);
        } catch (DateTimeParseException e) {
            try {
                return LocalDateTime.parse(cell.replace(' ', 'T'))
                        .atZone(ZoneId.systemDefault())
                        .toOffsetDateTime();
            } catch (DateTimeParseException f) {
                table.say(row.line(), "\"" + cell + "\" is no time; write it like 2026-11-26 09:30");
                return null;
            }
        }
    }

    private static UUID id(CsvTable.Row row, UUID record, CsvTable table) {
        String cell = row.cell("id");
        try {
            return cell.isEmpty()
                    ? UUID.nameUUIDFromBytes((record + " " + row.cells()).getBytes(StandardCharsets.UTF_8))
                    : UUID.fromString(cell);
        } catch (IllegalArgumentException e) {
            table.say(row.line(), "\"" + cell + "\" is no id; leave the cell empty");
            return null;
        }
    }
}
