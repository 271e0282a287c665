package org.jagridge.web.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jagridge.web.circuits.Texts;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Records of check sheets, their readings, and what could not be taken. */
@Repository
public class RecordRepository {
    private static final int LONGEST_NOTICE = 400;

    private final JdbcClient jdbc;
    private final Clock clock;

    RecordRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param code what a logging meter names the record by */
    public record Row(
            UUID id,
            long revisionId,
            String scenario,
            String loadKey,
            String school,
            String who,
            String instrument,
            String conditions,
            String code,
            OffsetDateTime startedAt,
            String slug,
            String name,
            int revision) {

        /** Whether both are of one circuit's sheet for the same call, load and leads. */
        public boolean isOfTheSheetOf(Row other) {
            return slug.equals(other.slug)
                    && scenario.equals(other.scenario)
                    && loadKey.equals(other.loadKey)
                    && school.equals(other.school);
        }
    }

    /** @param sequenceNumber of a logging meter's own count; null for what a hand typed */
    record Reading(
            UUID id,
            String line,
            double amount,
            String unit,
            OffsetDateTime takenAt,
            String sender,
            Long sequenceNumber) {}

    record Notice(String words, OffsetDateTime at) {}

    private static final String SELECT = """
            select s.id, s.revision_id, s.scenario, s.load_key, s.school, s.who, s.instrument, s.conditions, s.code,
                s.started_at, c.slug, c.name, r.number as revision
            from sheet_record s
            join circuit_revision r on r.id = s.revision_id
            join circuit c on c.id = r.circuit_id
            """;

    /** @param sheet as {@link KeptSheet#text} makes it */
    void add(Row r, String sheet) {
        jdbc.sql("""
                        insert into sheet_record (id, revision_id, scenario, load_key, school, who, instrument, conditions,
                            code, started_at, sheet)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        r.id(),
                        r.revisionId(),
                        r.scenario(),
                        r.loadKey(),
                        r.school(),
                        r.who(),
                        r.instrument(),
                        r.conditions(),
                        r.code(),
                        r.startedAt(),
                        sheet)
                .update();
    }

    /** A record's sheet; empty for one that was begun before sheets were kept. */
    Optional<String> sheet(UUID id) {
        return jdbc.sql("select sheet from sheet_record where id = ? and sheet is not null")
                .param(id)
                .query(String.class)
                .optional();
    }

    void keepSheet(UUID id, String sheet) {
        jdbc.sql("update sheet_record set sheet = ? where id = ? and sheet is null")
                .params(sheet, id)
                .update();
    }

    Optional<Row> find(UUID id) {
        return jdbc.sql(SELECT + " where s.id = ?").param(id).query(Row.class).optional();
    }

    Optional<Row> findByCode(String code) {
        return jdbc.sql(SELECT + " where s.code = ?")
                .param(code)
                .query(Row.class)
                .optional();
    }

    /** A circuit's records, newest first. */
    public List<Row> ofCircuit(String slug) {
        return jdbc.sql(SELECT + " where c.slug = ? order by s.started_at desc")
                .param(slug)
                .query(Row.class)
                .list();
    }

    /**
     * What became of readings: how many were new, how many were known with another value, how many of the new ones came
     * after one that their sender took later.
     */
    record Stored(int added, int changed, int late) {}

    /**
     * Stores readings and notices: all of them, or none. A known reading with another line or value is changed, and what
     * it was is noted.
     *
     * @throws org.springframework.dao.DuplicateKeyException where somebody else stores the same at the same time
     */
    @Transactional
    public Stored store(UUID record, List<Reading> readings, List<String> notices) {
        int added = 0;
        int changed = 0;
        int late = 0;
        notices.forEach(words -> note(record, words));
        for (Reading r : readings) {
            Optional<Reading> known = find(record, r.id());
            if (known.isEmpty()) {
                late += isBehind(record, r) ? 1 : 0;
                insert(record, r);
                added++;
            } else if (!known.get().line().equals(r.line()) || known.get().amount() != r.amount()) {
                change(record, known.get(), r);
                changed++;
            }
        }
        if (late > 0) {
            String words = late == 1
                    ? " reading came late and took the place of its time."
                    : " readings came late and took the places of their times.";
            note(record, readings.get(0).sender() + ": " + late + words);
        }
        return new Stored(added, changed, late);
    }

    private boolean isBehind(UUID record, Reading r) {
        return r.sequenceNumber() != null
                && lastSequence(record, r.sender())
                        .filter(last -> last > r.sequenceNumber())
                        .isPresent();
    }

    private Optional<Reading> find(UUID record, UUID id) {
        return jdbc.sql("""
                        select id, line, amount, unit, taken_at, sender, sequence_number from sheet_reading
                        where record_id = ? and id = ?
                        """).params(record, id).query(Reading.class).optional();
    }

    private void change(UUID record, Reading was, Reading is) {
        jdbc.sql("""
                        update sheet_reading set line = ?, amount = ?, unit = ?, taken_at = ?, received_at = ?, sender = ?
                        where record_id = ? and id = ?
                        """)
                .params(
                        is.line(),
                        is.amount(),
                        is.unit(),
                        is.takenAt(),
                        OffsetDateTime.now(clock),
                        is.sender(),
                        record,
                        is.id())
                .update();
        note(
                record,
                is.sender() + " changed a reading: " + was.line() + " " + was.amount() + " " + was.unit() + " by "
                        + was.sender() + " is now " + (was.line().equals(is.line()) ? "" : is.line() + " ")
                        + is.amount()
                        + " " + is.unit() + ".");
    }

    private void insert(UUID record, Reading r) {
        jdbc.sql("""
                        insert into sheet_reading
                            (id, record_id, line, amount, unit, taken_at, received_at, sender, sequence_number)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        r.id(),
                        record,
                        r.line(),
                        r.amount(),
                        r.unit(),
                        r.takenAt(),
                        OffsetDateTime.now(clock),
                        r.sender(),
                        r.sequenceNumber())
                .update();
    }

    /** All readings of a record in the order in which they were taken. */
    List<Reading> readings(UUID record) {
        return jdbc.sql("""
                        select id, line, amount, unit, taken_at, sender, sequence_number from sheet_reading
                        where record_id = ? order by taken_at, sequence_number, received_at
                        """).param(record).query(Reading.class).list();
    }

    /** The highest count that a sender has reached in a record. */
    Optional<Long> lastSequence(UUID record, String sender) {
        return jdbc.sql("select max(sequence_number) from sheet_reading where record_id = ? and sender = ?")
                .params(record, sender)
                .query((rs, i) -> Optional.ofNullable(rs.getObject(1, Long.class)))
                .single();
    }

    void note(UUID record, String words) {
        jdbc.sql("insert into sheet_notice (record_id, words, at) values (?, ?, ?)")
                .params(record, Texts.cut(words, LONGEST_NOTICE), OffsetDateTime.now(clock))
                .update();
    }

    /** What could not be taken, newest first. */
    List<Notice> notices(UUID record) {
        return jdbc.sql("select words, at from sheet_notice where record_id = ? order by id desc limit 20")
                .param(record)
                .query(Notice.class)
                .list();
    }
}
