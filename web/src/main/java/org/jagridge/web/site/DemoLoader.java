package org.jagridge.web.site;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.web.bench.BenchHands;
import org.jagridge.web.bench.Why;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.prove.DemoProof;
import org.jagridge.web.records.DemoRecords;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Puts the demo site, Quillmere College, into the database: what is missing of its circuits, and once its survey and what
 * has been done there before.
 */
@Component
class DemoLoader implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private final CircuitRepository circuits;
    private final SiteRepository sites;
    private final EquipmentRepository equipment;
    private final DemoRecords records;
    private final DemoProof proofs;
    private final BenchHands benches;
    private final boolean hasHistory;
    private final JsonMapper json;

    DemoLoader(
            CircuitRepository circuits,
            SiteRepository sites,
            EquipmentRepository equipment,
            DemoRecords records,
            DemoProof proofs,
            BenchHands benches,
            @Value("${jagridge.history}") boolean hasHistory,
            JsonMapper json) {
        this.circuits = circuits;
        this.sites = sites;
        this.equipment = equipment;
        this.records = records;
        this.proofs = proofs;
        this.benches = benches;
        this.hasHistory = hasHistory;
        this.json = json;
    }

    /**
     * Before anybody is let in: all of it or, where the process ends on the way, nothing, so that the next start brings it
     * whole.
     */
    @Override
    @Transactional
    public void afterSingletonsInstantiated() {
        try {
            load();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void load() throws IOException {
        JsonNode demo = json.readTree(text("demo/site.json"));
        String slug = demo.get("slug").asString();
        boolean first = !sites.isTaken(slug);
        if (!first && sites.find(slug).isEmpty()) {
            return;
        }
        JsonNode history = first && hasHistory ? json.readTree(text("demo/history.json")) : json.createObjectNode();
        if (first) {
            sites.add(slug, demo.get("name").asString(), demo.get("address").asString());
        }
        SiteRepository.Row site = sites.require(slug);
        for (JsonNode circuit : demo.get("circuits")) {
            addCircuit(circuit.asString(), site.id(), history.path("revisions"));
        }
        if (sites.places(site.id()).isEmpty()) {
            demo.get("places").forEach(p -> addPlace(p, site.id()));
        }
        history.path("records").forEach(records::fill);
        history.path("asFound").forEach(records::writeDown);
        for (JsonNode photo : history.path("photos")) {
            records.photograph(photo);
        }
        for (JsonNode p : history.path("planned")) {
            addPlanned(p, site.id());
        }
        history.path("temporaries")
                .forEach(t -> benches.put(
                        t.get("circuit").asString(),
                        t.get("act").asString(),
                        t.get("one").asString(),
                        t.get("other").asString(),
                        new Why(
                                t.get("reason").asString(),
                                t.get("who").asString(),
                                t.get("until").asString())));
    }

    /** A circuit that a planner made, with its proof and its acceptance. */
    private void addPlanned(JsonNode planned, long site) throws IOException {
        String slug = planned.get("circuit").asString();
        String folder = "demo/planned/";
        String body = text(folder + slug + ".json");
        circuits.add(slug, CircuitReader.read(body).name(), body, "planned", site);
        proofs.fill(
                slug,
                text(folder + "proof.json"),
                text(folder + "acceptance.json"),
                planned.get("who").asString(),
                planned.get("initials").asString());
        LOG.info("Loaded the demo circuit {}", slug);
    }

    private void addCircuit(String slug, long site, JsonNode revisions) throws IOException {
        if (circuits.isTaken(slug)) {
            return;
        }
        String body = text("demo/" + slug + ".json");
        Circuit circuit = CircuitReader.read(body);
        Optional<JsonNode> earlier = revisions
                .valueStream()
                .filter(r -> r.get("circuit").asString().equals(slug))
                .findFirst();
        if (earlier.isEmpty()) {
            circuits.add(slug, circuit.name(), body, "first entry", site);
        } else {
            String was = CircuitWriter.write(before(circuit, earlier.get().get("wires")));
            long id = circuits.add(
                    slug, circuit.name(), was, earlier.get().get("was").asString(), site);
            circuits.addRevision(
                    id,
                    2,
                    null,
                    1,
                    circuit.name(),
                    body,
                    earlier.get().get("words").asString());
        }
        LOG.info("Loaded the demo circuit {}", slug);
    }

    /** A circuit with some of its wires where they were before. */
    private static Circuit before(Circuit now, JsonNode wires) {
        Circuit.Builder b = now.toBuilder();
        for (JsonNode w : wires) {
            b.wires()
                    .replaceAll(wire -> wire.id().equals(w.get("wire").asString())
                            ? wire.withEnd(
                                            0,
                                            Terminal.parse(w.get("ends").get(0).asString()))
                                    .withEnd(
                                            1,
                                            Terminal.parse(w.get("ends").get(1).asString()))
                            : wire);
        }
        return b.build();
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
