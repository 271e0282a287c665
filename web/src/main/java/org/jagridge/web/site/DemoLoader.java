package org.jagridge.web.site;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.SiteRepository;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Puts the demo site, Quillmere College, into the database: what is missing of its circuits, and its survey once. */
@Component
class DemoLoader implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private final CircuitRepository circuits;
    private final SiteRepository sites;
    private final EquipmentRepository equipment;
    private final JsonMapper json;

    DemoLoader(CircuitRepository circuits, SiteRepository sites, EquipmentRepository equipment, JsonMapper json) {
        this.circuits = circuits;
        this.sites = sites;
        this.equipment = equipment;
        this.json = json;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        JsonNode demo = json.readTree(text("demo/site.json"));
        String slug = demo.get("slug").asString();
        if (sites.find(slug).isEmpty()) {
            sites.add(slug, demo.get("name").asString(), demo.get("address").asString());
        }
        SiteRepository.Row site = sites.require(slug);
        for (JsonNode circuit : demo.get("circuits")) {
            addCircuit(circuit.asString(), site.id());
        }
        if (sites.places(site.id()).isEmpty()) {
            demo.get("places").forEach(p -> addPlace(p, site.id()));
        }
    }

    private void addCircuit(String slug, long site) throws IOException {
        if (circuits.find(slug).isEmpty()) {
            String body = text("demo/" + slug + ".json");
            Circuit circuit = CircuitReader.read(body);
            circuits.add(slug, circuit.name(), body, "first entry", site);
            LOG.info("Loaded the demo circuit {}", slug);
        }
    }

    private void addPlace(JsonNode place, long site) {
        long id = sites.addPlace(
                site, place.get("name").asString(), place.path("notes").asString(""));
        for (JsonNode e : place.get("equipment")) {
            Long circuit = e.has("circuit")
                    ? circuits.require(e.get("circuit").asString()).id()
                    : null;
            equipment.add(new EquipmentRepository.Plate(
                    id,
                    circuit,
                    e.get("name").asString(),
                    e.path("fedFrom").asString(""),
                    String.join(
                            "\n",
                            e.get("nameplate")
                                    .valueStream()
                                    .map(JsonNode::asString)
                                    .toList())));
        }
    }

    private static String text(String resource) throws IOException {
        return new ClassPathResource(resource).getContentAsString(StandardCharsets.UTF_8);
    }
}
