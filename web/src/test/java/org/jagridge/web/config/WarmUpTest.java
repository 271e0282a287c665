package org.jagridge.web.config;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.jagridge.web.bench.BenchService;
import org.jagridge.web.bench.Rehearsal;
import org.jagridge.web.circuits.CircuitRepository;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** An application that has just started asks for its own slowest pages. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = "spring.datasource.url=jdbc:h2:mem:warm;DB_CLOSE_DELAY=-1")
public class WarmUpTest extends AbstractTestNGSpringContextTests {
    @Autowired
    private WarmUp warmUp;

    @Autowired
    private Rehearsal rehearsal;

    @Autowired
    private CircuitRepository circuits;

    @Autowired
    private BenchService benches;

    @Autowired
    private JdbcClient jdbc;

    @Test
    public void thePagesAreThere() throws Exception {
        List<Integer> answers = warmUp.answers().get(120, TimeUnit.SECONDS);
        assertEquals(Set.copyOf(answers), Set.of(200));
        // the pages of a circuit, and a bench at many instants
        assertTrue(answers.size() > 20, answers.toString());
    }

    @Test
    public void aRehearsalStoresNothingAndLeavesTheBenchesAsTheyAre() {
        CircuitRepository.Row circuit = circuits.all().get(0);
        List<Map<String, Object>> before = stored();
        Optional<String> left = benches.asLeft(circuit.slug());
        rehearsal.act(circuit, 12);
        assertEquals(stored(), before);
        assertEquals(benches.asLeft(circuit.slug()), left);
    }

    private List<Map<String, Object>> stored() {
        return jdbc.sql("select b.id, b.head, b.cursor_micros, count(a.id) as acts from bench b"
                        + " left join bench_action a on a.bench_id = b.id group by b.id order by b.id")
                .query()
                .listOfRows();
    }
}
