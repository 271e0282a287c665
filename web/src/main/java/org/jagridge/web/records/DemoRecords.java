package org.jagridge.web.records;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.found.AsFound;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Simulation;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** What the demo site has on record: a sheet filled at a faulty circuit, wiring as found, a drawn photo with pins. */
@Component
public class DemoRecords {
    /** A meter scatters by half a percent. */
    private static final double NOISE = 0.005;

    private static final long SEED = 7;

    private final RecordService records;
    private final SheetPlans plans;
    private final AsFoundRepository found;
    private final PhotoRepository photos;
    private final CircuitRepository circuits;
    private final CircuitStore store;

    DemoRecords(
            RecordService records,
            SheetPlans plans,
            AsFoundRepository found,
            PhotoRepository photos,
            CircuitRepository circuits,
            CircuitStore store) {
        this.records = records;
        this.plans = plans;
        this.found = found;
        this.photos = photos;
        this.circuits = circuits;
        this.store = store;
    }

    /** A check sheet whose readings are those of the circuit, with a fault in it where one is named. */
    public void fill(JsonNode sheet) {
        CircuitRepository.Row circuit = circuits.require(sheet.get("circuit").asString());
        UUID id = records.begin(
                circuit.revisionId(),
                sheet.get("call").asString(),
                sheet.get("load").asString(),
                CheckSheet.School.TO_COMMON,
                new RecordService.Heading(
                        sheet.get("who").asString(),
                        sheet.get("instrument").asString(),
                        sheet.get("conditions").asString()));
        SheetPlans.Plan plan = plans.plan(
                circuit.revisionId(),
                sheet.get("call").asString(),
                sheet.get("load").asString(),
                CheckSheet.School.TO_COMMON);
        Scenario call = plan.run().scenario();
        List<Fault> faults = sheet.has("fault")
                ? List.of(fault(sheet.get("fault").asString(), plan.run().circuit()))
                : List.of();
        Scenario faulty = new Scenario(call.name(), call.start(), call.steps(), faults, call.untilSeconds());
        Meter meter = Meter.at(Simulation.run(plan.run().assembly(), faulty), plan.at());
        Random noise = new Random(SEED);
        List<RecordService.Incoming> readings = new ArrayList<>();
        for (CheckSheet.Line line : plan.sheet().lines()) {
            double value = Math.abs(meter.shown(line.request()).value()) * (1 + NOISE * (2 * noise.nextDouble() - 1));
            double digits = Math.round(value * 100) / 100.0;
            readings.add(new RecordService.Incoming(UUID.randomUUID(), line.key(), digits, null, null, null));
        }
        records.typed(id, readings);
    }

    private static Fault fault(String words, Circuit circuit) {
        return FaultList.faultsOf(circuit).stream()
                .filter(f -> f.words().equals(words))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("no fault \"" + words + "\" in the demo"));
    }

    /** Wiring as it was found. */
    public void writeDown(JsonNode wiring) {
        CircuitRepository.Row circuit = circuits.require(wiring.get("circuit").asString());
        String body = String.join(
                "\n", wiring.get("rows").valueStream().map(JsonNode::asString).toList());
        AsFound.read(body, store.revision(circuit.revisionId()).circuit());
        found.add(circuit.id(), wiring.get("who").asString(), body);
    }

    /** A photo of a strip, drawn, with a pin at each post. */
    public void photograph(JsonNode photo) throws IOException {
        CircuitRepository.Row circuit = circuits.require(photo.get("circuit").asString());
        String strip = photo.get("strip").asString();
        List<String> posts = PartTypes.terminalsOf(
                store.revision(circuit.revisionId()).circuit().part(strip).orElseThrow());
        DrawnStrip drawn = new DrawnStrip(strip, posts);
        BufferedImage image = drawn.image();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        long id = photos.add(circuit.id(), photo.get("name").asString(), "image/png", bytes.toByteArray());
        for (int i = 0; i < posts.size(); i++) {
            photos.pin(new PhotoRepository.Pin(id, strip + "." + posts.get(i), drawn.x(i), drawn.y()));
        }
    }
}
