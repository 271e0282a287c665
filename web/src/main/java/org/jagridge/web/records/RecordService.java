package org.jagridge.web.records;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.core.meter.SheetProof;
import org.jagridge.web.circuits.Kept;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Texts;
import org.jagridge.web.data.Disk;
import org.jagridge.web.records.RecordRepository.Stored;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** Takes readings in, judges them, and tells every page that shows the record. */
@Service
class RecordService {
    private static final String LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
    private static final int CODE_LENGTH = 6;
    /** Readings a second that a sender may send; a meter takes two or three. */
    private static final int MOST_PER_SECOND = 200;

    private static final int SHEETS_MEGABYTES = 8;
    /** A sheet has some dozen lines of text. */
    private static final int SHEET_KILOBYTES = 16;

    private final RecordRepository records;
    private final SheetPlans plans;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final RecordStreams streams;
    private final Kept<UUID, KeptSheet> sheets = new Kept<>(SHEETS_MEGABYTES, s -> SHEET_KILOBYTES);
    private final Map<String, Flood> floods = new ConcurrentHashMap<>();

    RecordService(RecordRepository records, SheetPlans plans, RecordStreams streams, Clock clock) {
        this.records = records;
        this.plans = plans;
        this.streams = streams;
        this.clock = clock;
    }

    /**
     * A reading on its way in.
     *
     * @param unit null where the line's own is meant
     */
    record Incoming(UUID id, String line, Double value, String unit, OffsetDateTime takenAt, Long sequence) {}

    /**
     * What became of readings.
     *
     * @param refused why, by id
     */
    record Outcome(List<UUID> acknowledged, Map<UUID, String> refused) {}

    /** A line's newest value and whether it is right. */
    record Shown(String line, double value, boolean right, String takenAt, String sender, String words) {}

    /** The head of a record: who measures, with what, and how it was. */
    record Heading(String who, String instrument, String conditions) {
        /** As typed, where it isn't too long. */
        static Heading within(String who, String instrument, String conditions) {
            return new Heading(
                    Texts.within(who, 120, "The name"),
                    Texts.within(instrument, 120, "The instrument"),
                    Texts.within(conditions, 400, "What is written under conditions"));
        }
    }

    UUID begin(long revisionId, String scenario, String load, CheckSheet.School school, Heading heading) {
        KeptSheet sheet = KeptSheet.of(plans.plan(revisionId, scenario, load, school));
        UUID id = UUID.randomUUID();
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < CODE_LENGTH; i++) {
            code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        records.add(
                new RecordRepository.Row(
                        id,
                        revisionId,
                        scenario,
                        load,
                        school.name(),
                        heading.who(),
                        heading.instrument(),
                        heading.conditions(),
                        code.toString(),
                        OffsetDateTime.now(clock),
                        null,
                        null,
                        0),
                sheet.text());
        return id;
    }

    RecordRepository.Row require(UUID id) {
        return records.find(id).orElseThrow(() -> new NotFoundException("There is no record " + id + "."));
    }

    private SheetPlans.Plan plan(RecordRepository.Row r) {
        return plans.plan(r.revisionId(), r.scenario(), r.loadKey(), CheckSheet.School.valueOf(r.school()));
    }

    /** The record's sheet as it was when the record was begun; one of the time before sheets were kept is kept now. */
    KeptSheet sheet(RecordRepository.Row r) {
        return sheets.get(
                r.id(),
                () -> records.sheet(r.id()).map(KeptSheet::read).orElseGet(() -> {
                    KeptSheet sheet = KeptSheet.of(plan(r));
                    Disk.keepIfThereIsRoom(() -> records.keepSheet(r.id(), sheet.text()));
                    return sheet;
                }));
    }

    /** What the meter of a bench showed. */
    void fromBench(UUID record, String line, double value) {
        take(require(record), "bench", List.of(new Incoming(UUID.randomUUID(), line, value, null, null, null)));
    }

    /** What a hand typed. */
    Outcome typed(UUID record, List<Incoming> readings) {
        RecordRepository.Row row = require(record);
        return take(row, row.who(), readings);
    }

    /**
     * The record that a meter sends to.
     *
     * @throws NotFoundException for a code that no record has; open pages are told of the stranger
     */
    RecordRepository.Row paired(String code, String sender) {
        return records.findByCode(code).orElseThrow(() -> {
            String words = sender + " sends with the code \"" + code + "\", which no record has.";
            streams.tellAll("stranger", Map.of("words", words));
            return new NotFoundException("No record waits for a meter with the code \"" + code + "\".");
        });
    }

    /** Sent too much: {@code seconds} until more is taken. */
    static final class FloodException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        FloodException() {
            super("more than " + MOST_PER_SECOND + " readings a second; wait a second and send the rest again");
        }
    }

    private record Flood(long second, int count) {}

    /**
     * What a logging meter sent.
     *
     * @throws NotFoundException for a code that no record has
     * @throws FloodException where it is too much at once
     */
    Outcome sent(String code, String sender, List<Incoming> readings) {
        RecordRepository.Row row = paired(code, sender);
        long second = clock.instant().getEpochSecond();
        Flood now = floods.merge(
                code,
                new Flood(second, readings.size()),
                (old, f) -> old.second() == second ? new Flood(second, old.count() + f.count()) : f);
        if (now.count() > MOST_PER_SECOND) {
            if (now.count() - readings.size() <= MOST_PER_SECOND) {
                note(
                        row.id(),
                        sender + " sends more than " + MOST_PER_SECOND + " readings a second; the rest has to wait.");
            }
            throw new FloodException();
        }
        return take(row, sender, readings);
    }

    /**
     * Reads a file of readings in: all of it, or nothing where anything in it is wrong or the process ends on the way.
     *
     * @return what it brought that was not there before
     * @throws MalformedException with every mistake, each with its line
     */
    Stored readIn(UUID record, byte[] file) {
        RecordRepository.Row row = require(record);
        List<RecordRepository.Reading> readings = ReadingsCsv.read(file, record, lines(row), row.who()).stream()
                .map(t -> reading(t.reading(), t.sender(), lines(row)))
                .toList();
        Stored stored = store(row, readings, List.of());
        told(row, stored, List.of());
        return stored;
    }

    /** The lines of a record's sheet, by their keys. */
    Map<String, CheckSheet.Line> lines(RecordRepository.Row row) {
        Map<String, CheckSheet.Line> lines = new LinkedHashMap<>();
        sheet(row).sheet().lines().forEach(l -> lines.put(l.key(), l));
        return lines;
    }

    private Outcome take(RecordRepository.Row row, String sender, List<Incoming> readings) {
        requireIds(readings);
        Map<String, CheckSheet.Line> lines = lines(row);
        Map<UUID, String> refused = new LinkedHashMap<>();
        List<String> notices = new ArrayList<>();
        List<RecordRepository.Reading> good = new ArrayList<>();
        for (Incoming i : readings) {
            String why = mistake(i, lines.get(i.line()));
            if (why == null) {
                good.add(reading(i, sender, lines));
            } else {
                refused.put(i.id(), why);
                notices.add(sender + ": " + why);
            }
        }
        Stored stored = store(row, good, notices);
        told(row, stored, notices);
        return new Outcome(good.stream().map(RecordRepository.Reading::id).toList(), refused);
    }

    /** Without an id a reading that is sent again couldn't be told from a new one. */
    private static void requireIds(List<Incoming> readings) {
        List<Problem> problems = new ArrayList<>();
        for (int n = 0; n < readings.size(); n++) {
            Incoming i = readings.get(n);
            if (i == null) {
                problems.add(new Problem("/readings/" + n, "a reading is an object; nothing was stored"));
            } else if (i.id() == null) {
                problems.add(new Problem("/readings/" + n + "/id", "a reading needs an id; nothing was stored"));
            }
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
    }

    private RecordRepository.Reading reading(Incoming i, String sender, Map<String, CheckSheet.Line> lines) {
        return new RecordRepository.Reading(
                i.id(),
                i.line(),
                i.value(),
                lines.get(i.line()).unit(),
                i.takenAt() == null ? OffsetDateTime.now(clock) : i.takenAt(),
                sender,
                i.sequence());
    }

    /** Somebody else may store the same readings at the same time; then they are there the second time. */
    private Stored store(RecordRepository.Row row, List<RecordRepository.Reading> readings, List<String> notices) {
        try {
            return records.store(row.id(), readings, notices);
        } catch (DuplicateKeyException e) {
            return records.store(row.id(), readings, notices);
        }
    }

    private void told(RecordRepository.Row row, Stored stored, List<String> notices) {
        if (stored.late() + stored.changed() + notices.size() > 0) {
            streams.tell(row.id(), "notices", records.notices(row.id()));
        }
        if (stored.added() + stored.changed() > 0) {
            streams.tell(row.id(), "readings", shown(row));
        }
    }

    /**
     * Why a reading can't be taken, or null.
     *
     * @param line the line that it is for, or null where the sheet has none
     */
    static String mistake(Incoming i, CheckSheet.Line line) {
        if (line == null) {
            return "this sheet has no line \"" + i.line() + "\"";
        }
        if (i.value() == null || !Double.isFinite(i.value())) {
            return "no number for " + i.line();
        }
        return i.unit() == null || i.unit().equals(line.unit())
                ? null
                : i.line() + " is measured in " + line.unit() + ", not in " + i.unit();
    }

    private void note(UUID record, String words) {
        records.note(record, words);
        streams.tell(record, "notices", records.notices(record));
    }

    /** The newest value of each line, judged. */
    List<Shown> shown(RecordRepository.Row row) {
        Map<String, RecordRepository.Reading> newest = new LinkedHashMap<>();
        records.readings(row.id()).forEach(r -> newest.put(r.line(), r));
        Map<String, Double> values = new LinkedHashMap<>();
        newest.forEach((line, r) -> values.put(line, Math.abs(r.amount())));
        return sheet(row).sheet().judge(values).stream()
                .map(j -> {
                    RecordRepository.Reading r = newest.get(j.line().key());
                    return new Shown(
                            j.line().key(), r.amount(), j.right(), r.takenAt().toString(), r.sender(), j.words());
                })
                .toList();
    }

    /** What the lines measured so far prove together; empty where none is. */
    String proof(RecordRepository.Row row) {
        Map<String, Double> values = new LinkedHashMap<>();
        records.readings(row.id()).forEach(r -> values.put(r.line(), Math.abs(r.amount())));
        return SheetProof.says(plans.worlds(plan(row)), sheet(row).sheet(), values);
    }
}
