package org.jagridge.web.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jagridge.core.found.Tracing;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Tracings with their rounds. A round that is taken back stays in the table. */
@Repository
class TracingRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    TracingRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param ends a line an end: terminal, colour */
    record Row(long id, long circuitId, String who, String ends, OffsetDateTime at) {}

    long add(long circuitId, String who, String ends) {
        KeyHolder keys = new GeneratedKeyHolder();
        jdbc.sql("insert into tracing (circuit_id, who, ends, at) values (?, ?, ?, ?)")
                .params(circuitId, who, ends, OffsetDateTime.now(clock))
                .update(keys, "id");
        return keys.getKey().longValue();
    }

    Optional<Row> find(long id) {
        return jdbc.sql("select id, circuit_id, who, ends, at from tracing where id = ?")
                .param(id)
                .query(Row.class)
                .optional();
    }

    /** Newest first. */
    List<Row> ofCircuit(long circuitId) {
        return jdbc.sql("select id, circuit_id, who, ends, at from tracing where circuit_id = ? order by id desc")
                .param(circuitId)
                .query(Row.class)
                .list();
    }

    List<Tracing.Round> rounds(long tracing) {
        return jdbc.sql("""
                        select held, lifted, touched, beeped from tracing_round
                        where tracing_id = ? and not taken_back order by id
                        """)
                .param(tracing)
                .query((rs, n) -> new Tracing.Round(
                        rs.getInt("held"),
                        numbers(rs.getString("lifted")),
                        numbers(rs.getString("touched")),
                        numbers(rs.getString("beeped"))))
                .list();
    }

    /**
     * Notes a round.
     *
     * @param before how many rounds there were
     * @return false, and nothing noted, where there are others by now
     */
    @Transactional
    public boolean addRound(long tracing, Tracing.Round r, int before) {
        jdbc.sql("select id from tracing where id = ? for update")
                .param(tracing)
                .query()
                .listOfRows();
        if (rounds(tracing).size() != before) {
            return false;
        }
        jdbc.sql("""
                        insert into tracing_round (tracing_id, held, lifted, touched, beeped, at)
                        values (?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        tracing,
                        r.held(),
                        text(r.lifted()),
                        text(r.touched()),
                        text(r.beeped()),
                        OffsetDateTime.now(clock))
                .update();
        return true;
    }

    /** Takes the last round back. */
    void takeBack(long tracing) {
        jdbc.sql("""
                        update tracing_round set taken_back = true where id = (
                            select max(id) from tracing_round where tracing_id = ? and not taken_back)
                        """).param(tracing).update();
    }

    private static Set<Integer> numbers(String text) {
        return Arrays.stream(text.split(","))
                .filter(s -> !s.isEmpty())
                .map(Integer::valueOf)
                .collect(Collectors.toSet());
    }

    private static String text(Set<Integer> numbers) {
        return new TreeSet<>(numbers).stream().map(String::valueOf).collect(Collectors.joining(","));
    }
}
