package org.jagridge.web.bench;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The tables bench and bench_action. */
@Repository
class BenchRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    BenchRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * @param head the newest action, or null for an untouched bench
     * @param about the trial that it was opened for, as a sentence; null for the circuit's own bench
     * @param leftOut what didn't fit when it was taken over from an earlier revision, a line each; null or empty: nothing
     */
    record Row(
            long id,
            long revisionId,
            Long head,
            long cursorMicros,
            String slug,
            String name,
            int revision,
            String leftOut,
            String about,
            int newestRevision) {}

    private static final String SELECT = """
            select b.id, b.revision_id, b.head, b.cursor_micros, c.slug, c.name, r.number as revision, b.left_out, b.about,
                (select max(number) from circuit_revision where circuit_id = c.id) as newest_revision
            from bench b
            join circuit_revision r on r.id = b.revision_id
            join circuit c on c.id = r.circuit_id
            """;

    private static Row row(ResultSet rs, int n) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getLong("revision_id"),
                rs.getObject("head", Long.class),
                rs.getLong("cursor_micros"),
                rs.getString("slug"),
                rs.getString("name"),
                rs.getInt("revision"),
                rs.getString("left_out"),
                rs.getString("about"),
                rs.getInt("newest_revision"));
    }

    Optional<Row> find(long id) {
        return jdbc.sql(SELECT + " where b.id = ?")
                .param(id)
                .query(BenchRepository::row)
                .optional();
    }

    /**
     * A bench's row.
     *
     * @throws NotFoundException where there is none
     */
    Row require(long benchId) {
        return find(benchId).orElseThrow(() -> new NotFoundException("There is no bench " + benchId + "."));
    }

    /** The newest of a circuit revision's own benches. */
    Optional<Row> newestOf(long revisionId) {
        return jdbc.sql(SELECT + " where b.revision_id = ? and b.about is null order by b.id desc limit 1")
                .param(revisionId)
                .query(BenchRepository::row)
                .optional();
    }

    /** The newest own bench of any revision of a circuit. */
    Optional<Row> newestOfCircuit(String slug) {
        return jdbc.sql(SELECT + " where c.slug = ? and b.about is null order by b.id desc limit 1")
                .param(slug)
                .query(BenchRepository::row)
                .optional();
    }

    void leftOut(long benchId, String lines) {
        jdbc.sql("update bench set left_out = ? where id = ?")
                .params(lines, benchId)
                .update();
    }

    long add(long revisionId, long cursorMicros) {
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("insert into bench (revision_id, cursor_micros, created_at) values (?, ?, ?)")
                .params(revisionId, cursorMicros, OffsetDateTime.now(clock))
                .update(keys, "id");
        return keys.getKey().longValue();
    }

    /** A bench that was opened for a trial, with its acts in their order; in one transaction. */
    @Transactional
    public long add(long revisionId, long cursorMicros, String about, List<Action> actions) {
        long bench = add(revisionId, cursorMicros);
        jdbc.sql("update bench set about = ? where id = ?").params(about, bench).update();
        Long last = null;
        for (Action a : actions) {
            last = add(bench, new Action(0, last, last, a.undoMicros(), a.micros(), a.kind(), a.body()), cursorMicros);
        }
        return bench;
    }

    /**
     * Stores actions that follow each other, the first on its own parent, and makes the last the bench's head; in one
     * transaction.
     *
     * @return the last one's id
     */
    @Transactional
    public long add(long benchId, List<Action> actions, long cursorMicros) {
        Long last = actions.get(0).parent();
        for (Action a : actions) {
            last = add(
                    benchId,
                    new Action(0, last, a.undoTo(), a.undoMicros(), a.micros(), a.kind(), a.body()),
                    cursorMicros);
        }
        return last;
    }

    /** Stores an action and makes it the bench's head, in one transaction. */
    @Transactional
    public long add(long benchId, Action a, long cursorMicros) {
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("""
                        insert into bench_action
                            (bench_id, parent_id, undo_to, undo_micros, at_micros, kind, body, created_at)
                        values (?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        benchId,
                        a.parent(),
                        a.undoTo(),
                        a.undoMicros(),
                        a.micros(),
                        a.kind().name(),
                        a.body(),
                        OffsetDateTime.now(clock))
                .update(keys, "id");
        long id = keys.getKey().longValue();
        head(benchId, id, cursorMicros);
        return id;
    }

    /** Why something that was put in for a test needn't be undone any more, though no act took it out. */
    enum Settled {
        /** It was taken back as if it hadn't been done. */
        UNDONE,
        /** Somebody says that it was taken out. */
        OUT,
        /** The bench of a later revision has it. */
        CARRIED
    }

    void settle(Collection<Long> actions, Settled why) {
        actions.forEach(a -> jdbc.sql("update bench_action set settled = ? where id = ?")
                .params(why.name(), a)
                .update());
    }

    /** Leads a bench back to before its last act, which is settled by that; in one transaction. */
    @Transactional
    public void undo(long benchId, Action last, List<Long> actions) {
        head(benchId, last.undoTo(), last.undoMicros());
        settle(actions, Settled.UNDONE);
    }

    /** Something that was put in at a bench or taken out again, on whatever branch of it. */
    record Hand(long bench, Long benchHead, Action action, Settled settled) {}

    /** All that was put in and taken out at a circuit's benches, oldest first. */
    List<Hand> hands(String slug) {
        return jdbc.sql("""
                        select b.id as bench, b.head, a.id, a.parent_id, a.undo_to, a.undo_micros, a.at_micros, a.kind,
                            a.body, a.settled
                        from circuit c join circuit_revision r on r.circuit_id = c.id join bench b on b.revision_id = r.id
                        cross join (values 'LINK', 'LIFT', 'MOVE', 'TWIST', 'CLEAR') put (kind)
                        join bench_action a on a.bench_id = b.id and a.kind = put.kind
                        where c.slug = ?
                        order by a.id
                        """)
                .param(slug)
                .query((rs, n) -> new Hand(
                        rs.getLong("bench"),
                        rs.getObject("head", Long.class),
                        action(rs, n),
                        rs.getString("settled") == null ? null : Settled.valueOf(rs.getString("settled"))))
                .list();
    }

    private static Action action(ResultSet rs, int n) throws SQLException {
        return new Action(
                rs.getLong("id"),
                rs.getObject("parent_id", Long.class),
                rs.getObject("undo_to", Long.class),
                rs.getLong("undo_micros"),
                rs.getLong("at_micros"),
                Action.Kind.valueOf(rs.getString("kind")),
                rs.getString("body"));
    }

    void head(long benchId, Long actionId, long cursorMicros) {
        jdbc.sql("update bench set head = ?, cursor_micros = ? where id = ?")
                .params(actionId, cursorMicros, benchId)
                .update();
    }

    /** The actions that lead to {@code last}, oldest first. Empty where {@code last} is not of this bench. */
    List<Action> chain(long benchId, long last) {
        return jdbc.sql("""
                        with recursive chain (id, parent_id, undo_to, undo_micros, at_micros, kind, body) as (
                            select id, parent_id, undo_to, undo_micros, at_micros, kind, body
                            from bench_action where id = :last and bench_id = :bench
                            union all
                            select a.id, a.parent_id, a.undo_to, a.undo_micros, a.at_micros, a.kind, a.body
                            from bench_action a join chain c on a.id = c.parent_id
                        )
                        select id, parent_id, undo_to, undo_micros, at_micros, kind, body from chain order by id
                        """)
                .param("last", last)
                .param("bench", benchId)
                .query(BenchRepository::action)
                .list();
    }
}
