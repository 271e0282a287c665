package org.jagridge.web.prove;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Acceptance sheets that are gone through, and what was seen at each of their lines. */
@Repository
public class AcceptanceRepository {
    private static final String SELECT = """
            select a.id, a.revision_id, r.number as revision, c.slug, c.name, a.who, a.sheet, a.started_at,
                (select count(*) from acceptance_line l where l.acceptance_id = a.id and l.seen) as seen,
                (select count(*) from acceptance_line l where l.acceptance_id = a.id and not l.seen) as failed
            from acceptance a
            join circuit_revision r on r.id = a.revision_id
            join circuit c on c.id = r.circuit_id
            """;

    private final JdbcClient jdbc;
    private final Clock clock;

    AcceptanceRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * @param seen lines that were as they must be
     * @param failed lines that were not
     */
    public record Row(
            UUID id,
            long revisionId,
            int revision,
            String slug,
            String name,
            String who,
            String sheet,
            OffsetDateTime startedAt,
            int seen,
            int failed) {}

    /** What was seen at a line. */
    public record Seen(int line, boolean seen, String initials, String words, OffsetDateTime at) {}

    /** @param sheet as {@link KeptAcceptance#text} makes it */
    public UUID begin(long revisionId, String who, String sheet) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into acceptance (id, revision_id, who, sheet, started_at) values (?, ?, ?, ?, ?)")
                .params(id, revisionId, who, sheet, OffsetDateTime.now(clock))
                .update();
        return id;
    }

    Optional<Row> find(UUID id) {
        return jdbc.sql(SELECT + " where a.id = ?").param(id).query(Row.class).optional();
    }

    /** Those of a circuit, newest first. */
    public List<Row> ofCircuit(long circuitId) {
        return jdbc.sql(SELECT + " where c.id = ? order by a.started_at desc limit 50")
                .param(circuitId)
                .query(Row.class)
                .list();
    }

    List<Seen> lines(UUID acceptance) {
        return jdbc.sql("select line, seen, initials, words, at from acceptance_line where acceptance_id = ?")
                .param(acceptance)
                .query(Seen.class)
                .list();
    }

    /** What was seen at a line, in place of what stood there. */
    @Transactional
    public void see(UUID acceptance, int line, boolean seen, String initials, String words) {
        jdbc.sql("merge into acceptance_line (acceptance_id, line, seen, initials, words, at) key (acceptance_id, line)"
                        + " values (?, ?, ?, ?, ?, ?)")
                .params(acceptance, line, seen, initials, words, OffsetDateTime.now(clock))
                .update();
    }

    /** Takes back what was said of a line. */
    void forget(UUID acceptance, int line) {
        jdbc.sql("delete from acceptance_line where acceptance_id = ? and line = ?")
                .params(acceptance, line)
                .update();
    }
}
