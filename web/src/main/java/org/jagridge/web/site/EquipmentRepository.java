package org.jagridge.web.site;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Equipment of the circuits. */
@Repository
class EquipmentRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    EquipmentRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param nameplate what it says, a line a value: volts, amps, model, serial number */
    record Row(long id, long circuitId, String name, String place, String nameplate) {}

    void add(long circuitId, String name, String place, String nameplate) {
        jdbc.sql("insert into equipment (circuit_id, name, place, nameplate, at) values (?, ?, ?, ?, ?)")
                .params(circuitId, name, place, nameplate, OffsetDateTime.now(clock))
                .update();
    }

    void remove(long id) {
        jdbc.sql("delete from equipment where id = ?").param(id).update();
    }

    List<Row> all() {
        return jdbc.sql("select id, circuit_id, name, place, nameplate from equipment order by id")
                .query(Row.class)
                .list();
    }
}
