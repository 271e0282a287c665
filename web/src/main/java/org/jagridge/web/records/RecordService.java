package org.jagridge.web.records;

import java.io.IOException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.core.meter.SheetProof;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Takes readings in, judges them, and tells every page that shows the record. */
@Service
class RecordService {
    private static final String LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
    private static final int CODE_LENGTH = 6;
    private static final long STREAM_MILLIS = 30 * 60_000L;
    /** Readings a second that a sender may send; a meter takes two or three. */
    private static final int MOST_PER_SECOND = 200;

    private final RecordRepository records;
    private final SheetPlans plans;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Map<UUID, List<SseEmitter>> streams = new ConcurrentHashMap<>();
    private final Map<String, Flood> floods = new ConcurrentHashMap<>();

    RecordService(RecordRepository records, SheetPlans plans, Clock clock) {
        this.records = records;
        this.plans = plans;
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
    record Heading(String who, String instrument, String conditions) {}

    UUID begin(long revisionId, String scenario, String load, CheckSheet.School school, Heading heading) {
        UUID id = UUID.randomUUID();
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < CODE_LENGTH; i++) {
            code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        records.add(new RecordRepository.Row(
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
                0));
        return id;
    }

    RecordRepository.Row require(UUID id) {
        return records.find(id).orElseThrow(() -> new NotFoundException("There is no record " + id + "."));
    }

    SheetPlans.Plan plan(RecordRepository.Row r) {
        return plans.plan(r.revisionId(), r.scenario(), r.loadKey(), CheckSheet.School.valueOf(r.school()));
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
            streams.keySet().forEach(r -> tell(r, "stranger", Map.of("words", words)));
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
     * Reads a file of readings in: all of it, or nothing where anything in it is wrong.
     *
     * @return how many readings it brought that were not there before
     * @throws MalformedException with every mistake, each with its line
     */
    int readIn(UUID record, byte[] file) {
        RecordRepository.Row row = require(record);
        int before = records.readings(record).size();
        Map<String, List<Incoming>> bySender = new LinkedHashMap<>();
        ReadingsCsv.read(file, record, lines(row), row.who())
                .forEach(t -> bySender.computeIfAbsent(t.sender(), s -> new ArrayList<>())
                        .add(t.reading()));
        bySender.forEach((sender, readings) -> take(row, sender, readings));
        return records.readings(record).size() - before;
    }

    /** The lines of a record's sheet, by their keys. */
    Map<String, CheckSheet.Line> lines(RecordRepository.Row row) {
        Map<String, CheckSheet.Line> lines = new LinkedHashMap<>();
        plan(row).sheet().lines().forEach(l -> lines.put(l.key(), l));
        return lines;
    }

    private Outcome take(RecordRepository.Row row, String sender, List<Incoming> readings) {
        Map<String, CheckSheet.Line> lines = lines(row);
        List<UUID> acknowledged = new ArrayList<>();
        Map<UUID, String> refused = new LinkedHashMap<>();
        boolean changed = false;
        int late = 0;
        for (Incoming i : readings) {
            String why = mistake(i, lines.get(i.line()));
            if (why != null) {
                refused.put(i.id(), why);
                note(row.id(), sender + ": " + why);
                continue;
            }
            boolean behind = i.sequence() != null
                    && records.lastSequence(row.id(), sender)
                            .filter(last -> last > i.sequence())
                            .isPresent();
            boolean stored = records.add(
                    row.id(),
                    new RecordRepository.Reading(
                            i.id(),
                            i.line(),
                            i.value(),
                            lines.get(i.line()).unit(),
                            i.takenAt() == null ? OffsetDateTime.now(clock) : i.takenAt(),
                            sender,
                            i.sequence()));
            late += stored && behind ? 1 : 0;
            changed |= stored;
            acknowledged.add(i.id());
        }
        if (late > 0) {
            note(
                    row.id(),
                    sender + ": " + late + (late == 1 ? " reading" : " readings")
                            + " came late and took the place of its time.");
        }
        if (changed) {
            tell(row.id(), "readings", shown(row));
        }
        return new Outcome(acknowledged, refused);
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
        tell(record, "notices", records.notices(record));
    }

    /** The newest value of each line, judged. */
    List<Shown> shown(RecordRepository.Row row) {
        Map<String, RecordRepository.Reading> newest = new LinkedHashMap<>();
        records.readings(row.id()).forEach(r -> newest.put(r.line(), r));
        Map<String, Double> values = new LinkedHashMap<>();
        newest.forEach((line, r) -> values.put(line, Math.abs(r.amount())));
        return plan(row).sheet().judge(values).stream()
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
        SheetPlans.Plan plan = plan(row);
        return SheetProof.says(plans.worlds(plan), plan.sheet(), values);
    }

    /** A stream of what happens to a record, for an open page, which then asks for what it missed. */
    SseEmitter listen(UUID record) throws IOException {
        require(record);
        SseEmitter stream = new SseEmitter(STREAM_MILLIS);
        List<SseEmitter> all = streams.computeIfAbsent(record, r -> new CopyOnWriteArrayList<>());
        all.add(stream);
        stream.onCompletion(() -> all.remove(stream));
        stream.onTimeout(stream::complete);
        stream.onError(e -> all.remove(stream));
        // without a first word the page would learn only with the first news that the stream is open
        stream.send(SseEmitter.event().comment("listening"));
        return stream;
    }

    /** Open streams would hold the server up when it stops; the pages ask again when it is back. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        streams.values().forEach(all -> all.forEach(SseEmitter::complete));
    }

    @SuppressWarnings("ModifyCollectionInEnhancedForLoop") // the lists are made for that: copy on write
    private void tell(UUID record, String what, Object data) {
        List<SseEmitter> all = streams.getOrDefault(record, List.of());
        for (SseEmitter s : all) {
            try {
                s.send(SseEmitter.event().name(what).data(data));
            } catch (IOException | IllegalStateException e) {
                // the page is gone; it asks again when it comes back
                all.remove(s);
            }
        }
    }
}
