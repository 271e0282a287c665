package org.jagridge.web.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Wiring as somebody found it, in the words in which it was written down. */
@Repository
class AsFoundRepository {
    private static final String SELECT = "select id, who, body, at from as_found where circuit_id = ?";

    private final JdbcClient jdbc;
    private final Clock clock;

    AsFoundRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Row(long id, String who, String body, OffsetDateTime at) {}

    void add(long circuitId, String who, String body) {
        jdbc.sql("insert into as_found (circuit_id, who, body, at) values (?, ?, ?, ?)")
                .params(circuitId, who, body, OffsetDateTime.now(clock))
                .update();
    }

    /** What was saved for a circuit, newest first. */
    List<Row> ofCircuit(long circuitId) {
        return jdbc.sql(SELECT + " order by id desc limit 50")
                .param(circuitId)
                .query(Row.class)
                .list();
    }

    Optional<Row> find(long circuitId, long id) {
        return jdbc.sql(SELECT + " and id = ?")
                .params(circuitId, id)
                .query(Row.class)
                .optional();
    }
}
