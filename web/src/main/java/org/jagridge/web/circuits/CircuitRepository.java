package org.jagridge.web.circuits;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The tables circuit and circuit_revision. */
@Repository
public class CircuitRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    CircuitRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A circuit with its newest revision. */
    public record Row(long id, String slug, String name, long revisionId, int revision) {}

    /** Stores a new circuit as revision 1. */
    @Transactional
    public long add(String slug, String name, String body) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("insert into circuit (slug, name, created_at) values (?, ?, ?)")
                .params(slug, name, now)
                .update(keys, "id");
        long id = keys.getKey().longValue();
        jdbc.sql("insert into circuit_revision (circuit_id, number, body, created_at) values (?, 1, ?, ?)")
                .params(id, body, now)
                .update();
        return id;
    }

    public List<Row> all() {
        return jdbc.sql(select("")).query(CircuitRepository::row).list();
    }

    public Optional<Row> find(String slug) {
        return jdbc.sql(select("where c.slug = ?"))
                .param(slug)
                .query(CircuitRepository::row)
                .optional();
    }

    public Optional<Row> find(long id) {
        return jdbc.sql(select("where c.id = ?"))
                .param(id)
                .query(CircuitRepository::row)
                .optional();
    }

    private static String select(String where) {
        return """
                select c.id, c.slug, c.name, r.id as revision_id, r.number
                from circuit c
                join circuit_revision r on r.circuit_id = c.id
                    and r.number = (select max(number) from circuit_revision where circuit_id = c.id)
                %s
                order by c.id
                """.formatted(where);
    }

    private static Row row(ResultSet rs, int n) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getString("slug"),
                rs.getString("name"),
                rs.getLong("revision_id"),
                rs.getInt("number"));
    }

    /** The file of a revision. */
    public Optional<String> body(long revisionId) {
        return jdbc.sql("select body from circuit_revision where id = ?")
                .param(revisionId)
                .query(String.class)
                .optional();
    }
}
