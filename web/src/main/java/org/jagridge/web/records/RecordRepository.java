package org.jagridge.web.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Records of check sheets, their readings, and what could not be taken. */
@Repository
public class RecordRepository {
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
            int revision) {}

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

    void add(Row r) {
        jdbc.sql("""
                        insert into sheet_record
                            (id, revision_id, scenario, load_key, school, who, instrument, conditions, code, started_at)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
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
                        r.startedAt())
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
     * Stores a reading.
     *
     * @return whether it was new; one that is there already stays as it is
     */
    boolean add(UUID record, Reading r) {
        try {
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
            return true;
        } catch (DuplicateKeyException e) {
            return false;
        }
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
                .params(record, words, OffsetDateTime.now(clock))
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
