package org.jagridge.web.circuits;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** The tables site and site_place. */
@Repository("sites")
public class SiteRepository {
    private static final String SELECT = "select id, slug, name, address, notes from site ";

    private final JdbcClient jdbc;
    private final Clock clock;

    SiteRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public record Row(long id, String slug, String name, String address, String notes) {}

    /** A building or a room, with how one gets in and what is fed from where. */
    public record Place(long id, long siteId, String name, String notes) {}

    public void add(String slug, String name, String address) {
        jdbc.sql("insert into site (slug, name, address, notes, created_at) values (?, ?, ?, '', ?)")
                .params(slug, name, address, OffsetDateTime.now(clock))
                .update();
    }

    public void change(long id, String name, String address, String notes) {
        jdbc.sql("update site set name = ?, address = ?, notes = ? where id = ?")
                .params(name, address, notes, id)
                .update();
    }

    public List<Row> all() {
        return jdbc.sql(SELECT + "order by id").query(Row.class).list();
    }

    public Optional<Row> find(String slug) {
        return jdbc.sql(SELECT + "where slug = ?").param(slug).query(Row.class).optional();
    }

    /**
     * The site of an address.
     *
     * @throws NotFoundException where there is none
     */
    public Row require(String slug) {
        return find(slug).orElseThrow(() -> new NotFoundException("There is no site \"" + slug + "\"."));
    }

    /** The site of the circuit at an address, for the bar over its pages; null where there is no such circuit. */
    public Row ofCircuit(String circuit) {
        return jdbc.sql(SELECT + "where id = (select site_id from circuit where slug = ?)")
                .param(circuit)
                .query(Row.class)
                .optional()
                .orElse(null);
    }

    /**
     * The site at an address; the first one where none is asked for.
     *
     * @throws NotFoundException where there is no such site
     */
    public Row orFirst(String slug) {
        return slug == null ? all().get(0) : require(slug);
    }

    public List<Place> places(long site) {
        return jdbc.sql("select id, site_id, name, notes from site_place where site_id = ? order by id")
                .param(site)
                .query(Place.class)
                .list();
    }

    public long addPlace(long site, String name, String notes) {
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("insert into site_place (site_id, name, notes) values (?, ?, ?)")
                .params(site, name, notes)
                .update(keys, "id");
        return keys.getKey().longValue();
    }

    public void changePlace(long id, String name, String notes) {
        jdbc.sql("update site_place set name = ?, notes = ? where id = ?")
                .params(name, notes, id)
                .update();
    }
}
