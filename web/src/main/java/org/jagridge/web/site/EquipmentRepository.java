package org.jagridge.web.site;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What stands at the places of the sites. What is removed is kept, so that it can be put back. */
@Repository
class EquipmentRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    EquipmentRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * What is written down of a piece of equipment.
     *
     * @param circuitId the circuit that it belongs to, or null
     * @param fedFrom panel and breaker
     * @param nameplate what it says, a line a value: volts, amps, model, serial number
     */
    record Plate(long placeId, Long circuitId, String name, String fedFrom, String nameplate) {}

    record Row(long id, long placeId, Long circuitId, String name, String fedFrom, String nameplate) {}

    void add(Plate p) {
        jdbc.sql("""
                        insert into equipment (place_id, circuit_id, name, fed_from, nameplate, at)
                        values (?, ?, ?, ?, ?, ?)
                        """)
                .params(p.placeId(), p.circuitId(), p.name(), p.fedFrom(), p.nameplate(), OffsetDateTime.now(clock))
                .update();
    }

    void change(long id, Plate p) {
        jdbc.sql(
                        "update equipment set place_id = ?, circuit_id = ?, name = ?, fed_from = ?, nameplate = ? where id = ?")
                .params(p.placeId(), p.circuitId(), p.name(), p.fedFrom(), p.nameplate(), id)
                .update();
    }

    void remove(long id, boolean removed) {
        jdbc.sql("update equipment set removed = ? where id = ?")
                .params(removed, id)
                .update();
    }

    /** The name of something at a site, also of what is removed. */
    Optional<String> name(long site, long id) {
        return jdbc.sql("""
                        select e.name from equipment e join site_place p on p.id = e.place_id
                        where p.site_id = ? and e.id = ?
                        """).params(site, id).query(String.class).optional();
    }

    List<Row> ofSite(long site) {
        return jdbc.sql("""
                        select e.id, e.place_id, e.circuit_id, e.name, e.fed_from, e.nameplate
                        from equipment e join site_place p on p.id = e.place_id
                        where p.site_id = ? and not e.removed order by e.id
                        """).param(site).query(Row.class).list();
    }
}
