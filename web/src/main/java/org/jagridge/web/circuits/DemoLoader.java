package org.jagridge.web.circuits;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.format.CircuitReader;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** Puts the demo circuits of Quillmere College into the database where they are missing. */
@Component
class DemoLoader implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
    private static final List<String> DEMOS = List.of(
            "lab-bench",
            "seminar-room",
            "wardens-cottage",
            "propagation-house",
            "old-hall",
            "student-flat",
            "cold-store",
            "chapel");

    private final CircuitRepository circuits;

    DemoLoader(CircuitRepository circuits) {
        this.circuits = circuits;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        for (String slug : DEMOS) {
            if (circuits.find(slug).isEmpty()) {
                String body =
                        new ClassPathResource("demo/" + slug + ".json").getContentAsString(StandardCharsets.UTF_8);
                Circuit circuit = CircuitReader.read(body);
                circuits.add(slug, circuit.name(), body, "first entry");
                LOG.info("Loaded the demo circuit {}", slug);
            }
        }
    }
}
