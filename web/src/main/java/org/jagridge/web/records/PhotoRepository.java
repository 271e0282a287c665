package org.jagridge.web.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Photos of panels and paper diagrams, and the terminals pinned on them. */
@Repository
class PhotoRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    PhotoRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Photo(long id, String name, String slug) {}

    @SuppressWarnings("ArrayRecordComponent") // handed on, never compared
    record Image(String mediaType, byte[] bytes) {}

    /** @param x share of the width from the left, {@code y} of the height from the top */
    record Pin(long photoId, String terminal, double x, double y) {}

    long add(long circuitId, String name, String mediaType, byte[] bytes) {
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("insert into photo (circuit_id, name, media_type, bytes, at) values (?, ?, ?, ?, ?)")
                .params(circuitId, name, mediaType, bytes, OffsetDateTime.now(clock))
                .update(keys, "id");
        return keys.getKey().longValue();
    }

    private static final String SELECT =
            "select p.id, p.name, c.slug from photo p join circuit c on c.id = p.circuit_id";

    List<Photo> ofCircuit(long circuitId) {
        return jdbc.sql(SELECT + " where p.circuit_id = ? order by p.id")
                .param(circuitId)
                .query(Photo.class)
                .list();
    }

    Optional<Photo> find(long id) {
        return jdbc.sql(SELECT + " where p.id = ?").param(id).query(Photo.class).optional();
    }

    Optional<Image> image(long id) {
        return jdbc.sql("select media_type, bytes from photo where id = ?")
                .param(id)
                .query((rs, i) -> new Image(rs.getString(1), rs.getBytes(2)))
                .optional();
    }

    List<Pin> pins(long circuitId) {
        return jdbc.sql("""
                        select n.photo_id, n.terminal, n.x, n.y from photo_pin n
                        join photo p on p.id = n.photo_id where p.circuit_id = ? order by n.photo_id, n.terminal
                        """).param(circuitId).query(Pin.class).list();
    }

    /** Puts a pin, or moves the one that the terminal has on the photo. */
    void pin(Pin p) {
        jdbc.sql("merge into photo_pin (photo_id, terminal, x, y) key (photo_id, terminal) values (?, ?, ?, ?)")
                .params(p.photoId(), p.terminal(), p.x(), p.y())
                .update();
    }

    void unpin(long photoId, String terminal) {
        jdbc.sql("delete from photo_pin where photo_id = ? and terminal = ?")
                .params(photoId, terminal)
                .update();
    }

    @Transactional
    public void remove(long photoId) {
        jdbc.sql("delete from photo_pin where photo_id = ?").param(photoId).update();
        jdbc.sql("delete from photo where id = ?").param(photoId).update();
    }
}
