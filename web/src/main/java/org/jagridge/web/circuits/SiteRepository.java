package org.jagridge.web.circuits;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

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

    /** All that aren't removed. */
    public List<Row> all() {
        return jdbc.sql(SELECT + "where removed_at is null order by id")
                .query(Row.class)
                .list();
    }

    /** Those that are removed and can be put back. */
    public List<Row> removed() {
        return jdbc.sql(SELECT + "where removed_at is not null order by removed_at desc")
                .query(Row.class)
                .list();
    }

    /** Whether an address is that of a site, be it removed. */
    public boolean isTaken(String slug) {
        return jdbc.sql("select count(*) from site where slug = ?")
                        .param(slug)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** Takes a site and its circuits off all lists; nothing of them is lost. */
    @Transactional
    public void remove(long id) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        jdbc.sql("update site set removed_at = ? where id = ?").params(now, id).update();
        jdbc.sql("update circuit set removed_at = ? where site_id = ? and removed_at is null")
                .params(now, id)
                .update();
    }

    /** Puts a site back with the circuits that went with it. */
    @Transactional
    public void restore(String slug) {
        jdbc.sql("""
                        update circuit set removed_at = null where removed_at = (select removed_at from site where slug = ?)
                            and site_id = (select id from site where slug = ?)
                        """).params(slug, slug).update();
        jdbc.sql("update site set removed_at = null where slug = ?").param(slug).update();
    }

    public Optional<Row> find(String slug) {
        return jdbc.sql(SELECT + "where slug = ? and removed_at is null")
                .param(slug)
                .query(Row.class)
                .optional();
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
        return slug != null
                ? require(slug)
                : all().stream()
                        .findFirst()
                        .orElseThrow(() -> new NotFoundException(
                                "There is no site that a circuit could stand at. Add one on the page Sites first."));
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
