package org.jagridge.web.standin;

import java.io.IOException;
import java.io.PrintStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Simulation;
import tools.jackson.databind.JsonNode;

/** Measures a record's lines one after the other, again and again, and sends each until it is acknowledged. */
public final class LoggingMeter {
    /** A hand-held meter's noise at the most: half a per cent, and two counts of 0.01. */
    private static final double NOISE_SHARE = 0.005;

    private static final double NOISE_COUNTS = 0.02;
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    private static final long AGAIN_MILLIS = 200;

    /**
     * What to do.
     *
     * @param code of the record
     * @param fault in words, as the bench names it; empty for a sound circuit
     * @param perSecond readings a second; 0 as fast as they are taken
     */
    public record Orders(URI server, String code, String fault, long seed, int count, double perSecond) {}

    /** @param acknowledged ids the server has confirmed */
    public record Done(int sent, List<UUID> acknowledged, int refused, int tries) {}

    /** A line to measure, and what a meter shows there. */
    private record Line(String key, String unit, double value) {}

    private final HttpClient http = HttpClient.newHttpClient();
    private final Orders orders;

    private LoggingMeter(Orders orders) {
        this.orders = orders;
    }

    /** Takes the readings; returns when all are acknowledged or refused. */
    public static Done run(Orders orders) throws InterruptedException {
        return new LoggingMeter(orders).run();
    }

    private Done run() throws InterruptedException {
        List<Line> lines = lines(JsonText.parse(ask("")));
        Random noise = new Random(orders.seed());
        List<UUID> acknowledged = new ArrayList<>();
        int refused = 0;
        int tries = 0;
        for (int i = 0; i < orders.count(); i++) {
            Line line = lines.get(i % lines.size());
            double share = 1 + NOISE_SHARE * within(noise);
            double value = Math.abs(line.value() * share + NOISE_COUNTS * within(noise));
            // the same orders make the same ids: what is sent again after a break is known
            UUID id = UUID.nameUUIDFromBytes(
                    (orders.code() + "/" + orders.seed() + "/" + i).getBytes(StandardCharsets.UTF_8));
            Map<String, Object> reading = new LinkedHashMap<>();
            reading.put("id", id.toString());
            reading.put("line", line.key());
            reading.put("value", Math.round(value * 1000) / 1000.0);
            reading.put("unit", line.unit());
            reading.put("takenAt", Instant.now().toString());
            reading.put("sequence", i);
            String body = JsonText.write(Map.of("sender", "logging meter", "readings", List.of(reading)));
            JsonNode outcome = null;
            while (outcome == null) {
                tries++;
                outcome = send(body);
            }
            if (outcome.get("acknowledged").isEmpty()) {
                refused++;
            } else {
                acknowledged.add(id);
            }
            if (orders.perSecond() > 0) {
                Thread.sleep((long) (1000 / orders.perSecond()));
            }
        }
        return new Done(orders.count(), acknowledged, refused, tries);
    }

    private List<Line> lines(JsonNode sheet) {
        Circuit circuit = CircuitReader.read(sheet.get("circuit"), "/circuit");
        Scenario call = CircuitReader.readScenario(sheet.get("scenario"), "/scenario", circuit);
        List<Fault> faults = new ArrayList<>(call.faults());
        if (!orders.fault().isEmpty()) {
            faults.add(FaultList.faultsOf(circuit).stream()
                    .filter(f -> f.words().equals(orders.fault()))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(
                            "this circuit can't have the fault \"" + orders.fault() + "\"")));
        }
        Scenario faulty = new Scenario(call.name(), call.start(), call.steps(), faults, call.untilSeconds());
        Meter meter = Meter.at(
                Simulation.run(circuit, faulty),
                Time.micros(sheet.get("atSeconds").doubleValue()));
        List<Line> lines = new ArrayList<>();
        for (JsonNode l : sheet.get("lines")) {
            Request.Mode mode = Request.Mode.of(l.get("mode").stringValue()).orElseThrow();
            Request request = mode.clamps()
                    ? new Request(mode, null, null, l.get("wire").stringValue(), 1, false)
                    : new Request(
                            mode,
                            Terminal.parse(l.get("plus").stringValue()),
                            Terminal.parse(l.get("minus").stringValue()),
                            null,
                            1,
                            false);
            lines.add(new Line(
                    l.get("line").stringValue(), l.get("unit").stringValue(), Math.abs(value(meter, request))));
        }
        return lines;
    }

    /** The number alone; what it proves would take far longer. */
    private static double value(Meter meter, Request request) {
        boolean alone = request.mode().isVolts() || request.mode().clamps();
        return (alone ? meter.shown(request) : meter.read(request)).value();
    }

    private URI address(String rest) {
        return orders.server().resolve("/api/v1/meters/" + orders.code() + rest);
    }

    private String ask(String rest) throws InterruptedException {
        try {
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(address(rest)).timeout(PATIENCE).build(),
                    HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new IllegalArgumentException("the server answers " + answer.statusCode() + ": " + answer.body());
            }
            return answer.body();
        } catch (IOException e) {
            throw new IllegalStateException("there is no server at " + orders.server(), e);
        }
    }

    /** The outcome, or null where it has to be sent again: the server is away, or wants less at once. */
    private JsonNode send(String body) throws InterruptedException {
        try {
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(address("/readings"))
                            .timeout(PATIENCE)
                            .header("Content-Type", "application/json")
                            .POST(HttpRequest.BodyPublishers.ofString(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() == 200) {
                return JsonText.parse(answer.body());
            }
            if (answer.statusCode() == 400 || answer.statusCode() == 404) {
                throw new IllegalArgumentException("the server answers " + answer.statusCode() + ": " + answer.body());
            }
        } catch (IOException e) {
            // away: try again
        }
        Thread.sleep(AGAIN_MILLIS);
        return null;
    }

    /** {@code CODE [--url URL] [--fault "coil open K1"] [--seed N] [--count N] [--per-second N]}. */
    public static void main(String[] args) throws InterruptedException {
        PrintStream out = System.out;
        Map<String, String> options = new LinkedHashMap<>(
                Map.of("url", "http://127.0.0.1:8780", "fault", "", "seed", "1", "count", "40", "per-second", "2"));
        String code = null;
        for (int i = 0; i < args.length; i++) {
            if (args[i].startsWith("--") && options.containsKey(args[i].substring(2)) && i + 1 < args.length) {
                options.put(args[i].substring(2), args[++i]);
            } else {
                code = args[i];
            }
        }
        if (code == null) {
            out.println("usage: bin/meter CODE [--url URL] [--fault \"coil open K1\"] [--seed N] [--count N] "
                    + "[--per-second N]; the code stands on the record's page");
            System.exit(2);
        }
        try {
            Done done = run(new Orders(
                    URI.create(options.get("url")),
                    code,
                    options.get("fault"),
                    Long.parseLong(options.get("seed")),
                    Integer.parseInt(options.get("count")),
                    Double.parseDouble(options.get("per-second"))));
            out.printf(
                    "%d readings, %d acknowledged, %d refused, %d tries%n",
                    done.sent(), done.acknowledged().size(), done.refused(), done.tries());
        } catch (IllegalArgumentException | IllegalStateException e) {
            out.println(e.getMessage());
            System.exit(1);
        }
    }

    /** From −1 to 1: what a meter's data sheet says is what it keeps to, three sigma. */
    private static double within(Random noise) {
        return Math.max(-1, Math.min(1, noise.nextGaussian() / 3));
    }
}
