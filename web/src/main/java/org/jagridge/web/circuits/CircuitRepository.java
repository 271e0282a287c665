package org.jagridge.web.circuits;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The tables circuit and circuit_revision. */
@Repository
public class CircuitRepository {
    private static final int LONGEST_WORDS = 1000;

    private final JdbcClient jdbc;
    private final Clock clock;

    CircuitRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A circuit with its newest revision, and its site. */
    public record Row(long id, String slug, String name, long revisionId, int revision, long siteId) {}

    /**
     * One revision without its file.
     *
     * @param content the number of the revision that first had this file
     * @param madeFrom the content that was changed to make it, or null for the first
     * @param words what was done
     */
    public record Revision(long id, int number, int content, Integer madeFrom, String words, OffsetDateTime at) {}

    /** Stores a new circuit of a site as revision 1. */
    @Transactional
    public long add(String slug, String name, String body, String words, long site) {
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("insert into circuit (slug, name, site_id, created_at) values (?, ?, ?, ?)")
                .params(slug, name, site, OffsetDateTime.now(clock))
                .update(keys, "id");
        long id = keys.getKey().longValue();
        insert(id, 1, 1, null, body, words);
        return id;
    }

    /**
     * Stores the next revision of a circuit and its name.
     *
     * @param content the number of the revision that had this body before, or null for a new one
     * @return false, and nothing stored, where somebody else has stored that revision in the meantime
     */
    @Transactional
    public boolean addRevision(
            long circuitId, int number, Integer content, Integer madeFrom, String name, String body, String words) {
        try {
            insert(circuitId, number, content == null ? number : content, madeFrom, body, words);
        } catch (DuplicateKeyException e) {
            return false;
        }
        jdbc.sql("update circuit set name = ?, about = null where id = ?")
                .params(name, circuitId)
                .update();
        return true;
    }

    private void insert(long circuitId, int number, int content, Integer madeFrom, String body, String words) {
        jdbc.sql("""
                        insert into circuit_revision (circuit_id, number, content, made_from, body, words, created_at)
                        values (?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        circuitId,
                        number,
                        content,
                        madeFrom,
                        body,
                        words.length() <= LONGEST_WORDS ? words : words.substring(0, LONGEST_WORDS - 1) + "…",
                        OffsetDateTime.now(clock))
                .update();
    }

    /** All that aren't removed. */
    public List<Row> all() {
        return jdbc.sql(select("where c.removed_at is null"))
                .query(CircuitRepository::row)
                .list();
    }

    /** Those that are removed and can be put back, the last one first. */
    public List<Row> removed() {
        return jdbc.sql(select("where c.removed_at is not null"))
                .query(CircuitRepository::row)
                .list();
    }

    /** Whether an address is that of a circuit, be it removed. */
    public boolean isTaken(String slug) {
        return jdbc.sql("select count(*) from circuit where slug = ?")
                        .param(slug)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** Takes a circuit off all lists, or puts it back; nothing of it is lost. */
    public void remove(String slug, boolean removed) {
        jdbc.sql("update circuit set removed_at = ? where slug = ?")
                .params(removed ? OffsetDateTime.now(clock) : null, slug)
                .update();
    }

    /** The beginning of each circuit's notes, by its id; a circuit that has changed since is missing. */
    public Map<Long, String> abouts() {
        Map<Long, String> abouts = new HashMap<>();
        jdbc.sql("select id, about from circuit where about is not null")
                .query((rs, n) -> abouts.put(rs.getLong(1), rs.getString(2)))
                .list();
        return abouts;
    }

    public void keepAbout(long id, String about) {
        jdbc.sql("update circuit set about = ? where id = ?").params(about, id).update();
    }

    /**
     * The circuit of an address.
     *
     * @throws NotFoundException where there is none
     * @throws RemovedException where it was removed
     */
    public Row require(String slug) {
        Row row = jdbc.sql(select("where c.slug = ?"))
                .param(slug)
                .query(CircuitRepository::row)
                .optional()
                .orElseThrow(() -> new NotFoundException("There is no circuit \"" + slug + "\"."));
        boolean removed = jdbc.sql("select removed_at is not null from circuit where id = ?")
                .param(row.id())
                .query(Boolean.class)
                .single();
        if (removed) {
            throw new RemovedException(slug, row.name());
        }
        return row;
    }

    /** One that isn't removed. */
    public Optional<Row> find(long id) {
        return jdbc.sql(select("where c.id = ? and c.removed_at is null"))
                .param(id)
                .query(CircuitRepository::row)
                .optional();
    }

    /** Puts a circuit under another site. */
    public void move(long id, long site) {
        jdbc.sql("update circuit set site_id = ? where id = ?").params(site, id).update();
    }

    private static String select(String where) {
        return """
                select c.id, c.slug, c.name, c.site_id, r.id as revision_id, r.number
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
                rs.getInt("number"),
                rs.getLong("site_id"));
    }

    /** All revisions of a circuit, newest first. */
    public List<Revision> revisions(long circuitId) {
        return jdbc.sql("""
                        select id, number, content, made_from, words, created_at
                        from circuit_revision where circuit_id = ? order by number desc
                        """)
                .param(circuitId)
                .query((rs, n) -> new Revision(
                        rs.getLong("id"),
                        rs.getInt("number"),
                        rs.getInt("content"),
                        rs.getObject("made_from", Integer.class),
                        rs.getString("words"),
                        rs.getObject("created_at", OffsetDateTime.class)))
                .list();
    }

    /** The file of a revision. */
    public Optional<String> body(long revisionId) {
        return jdbc.sql("select body from circuit_revision where id = ?")
                .param(revisionId)
                .query(String.class)
                .optional();
    }
}
