package org.jagridge.web.prove;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Results of proofs, each with the revision that was proved. */
@Repository
class ProofRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    ProofRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param revision its number within its circuit */
    record Row(long id, long revisionId, int revision, String body, OffsetDateTime at) {}

    void add(long revisionId, String body) {
        jdbc.sql("insert into proof (revision_id, body, at) values (?, ?, ?)")
                .params(revisionId, body, OffsetDateTime.now(clock))
                .update();
    }

    /** The newest of a circuit, whatever revision it was of. */
    Optional<Row> newest(long circuitId) {
        return jdbc.sql("""
                        select p.id, p.revision_id, r.number as revision, p.body, p.at
                        from proof p join circuit_revision r on r.id = p.revision_id
                        where r.circuit_id = ? order by p.id desc limit 1""").param(circuitId).query(Row.class).optional();
    }

    /** Standing rules that somebody has switched off for a circuit. */
    List<String> off(long circuitId) {
        return jdbc.sql("select rule from standing_off where circuit_id = ? order by rule")
                .param(circuitId)
                .query(String.class)
                .list();
    }

    void switchOff(long circuitId, String rule) {
        jdbc.sql("merge into standing_off (circuit_id, rule) values (?, ?)")
                .params(circuitId, rule)
                .update();
    }

    void switchOn(long circuitId, String rule) {
        jdbc.sql("delete from standing_off where circuit_id = ? and rule = ?")
                .params(circuitId, rule)
                .update();
    }
}
