package org.jagridge.web.records;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.CookieManager;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.JagridgeApplication;
import org.jagridge.web.standin.LoggingMeter;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;

/** The application as a process of its own, killed while a meter sends a thousand readings. */
public class KillTest {
    private static final int READINGS = 1000;
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private Process server;
    private int port;
    private Path data;

    private void start() throws IOException, InterruptedException {
        server = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-Djagridge.port=" + port,
                        "-Djagridge.data=" + data,
                        "-Djagridge.history=false",
                        "-cp",
                        System.getProperty("java.class.path"),
                        JagridgeApplication.class.getName())
                .redirectErrorStream(true)
                .redirectOutput(data.resolve("log").toFile())
                .start();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(90);
        while (true) {
            try {
                if (get("/").statusCode() == 200) {
                    return;
                }
            } catch (IOException e) {
                assertTrue(server.isAlive() && System.nanoTime() < end, Files.readString(data.resolve("log")));
            }
            server.waitFor(100, TimeUnit.MILLISECONDS);
        }
    }

    private HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** Begins a record as the page's form does; returns its address. */
    private String begin() throws IOException, InterruptedException {
        Matcher token = Pattern.compile("name=\"csrf-token\" content=\"([^\"]+)\"")
                .matcher(get("/circuits/lab-bench/sheet").body());
        assertTrue(token.find());
        String form = "run=TH-fan&load=" + URLEncoder.encode("K1:A1-A2", StandardCharsets.UTF_8)
                + "&school=common&_csrf=" + token.group(1);
        HttpResponse<String> answer = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/circuits/lab-bench/records"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 302, answer.body());
        return answer.headers().firstValue("Location").orElseThrow().replaceAll("https?://[^/]+", "");
    }

    private List<String> ids(String record) throws IOException, InterruptedException {
        return get(record + "/readings.csv")
                .body()
                .lines()
                .skip(1)
                .map(l -> l.substring(l.lastIndexOf(',') + 1))
                .toList();
    }

    @Test
    public void noAcknowledgedReadingIsLostAndNoneIsDoubledWhenTheServerIsKilled() throws Exception {
        data = Files.createTempDirectory("jagridge-kill");
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        start();
        String record = begin();
        Matcher code =
                Pattern.compile("id=\"code\">([^<]+)<").matcher(get(record).body());
        assertTrue(code.find());
        CompletableFuture<LoggingMeter.Done> meter = CompletableFuture.supplyAsync(() -> {
            try {
                return LoggingMeter.run(new LoggingMeter.Orders(
                        URI.create("http://127.0.0.1:" + port + "/"), code.group(1), "", 3, READINGS, 0));
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        });
        int seen = 0;
        for (int part = 1; part <= 2; part++) {
            while (ids(record).size() < seen + READINGS / 5) {
                assertTrue(!meter.isDone() || ids(record).size() == READINGS);
                server.waitFor(20, TimeUnit.MILLISECONDS);
            }
            server.destroyForcibly().waitFor();
            start();
            int now = ids(record).size();
            assertTrue(now >= seen + READINGS / 5, now + " after kill " + part);
            seen = now;
        }
        LoggingMeter.Done done = meter.get(120, TimeUnit.SECONDS);
        List<String> stored = ids(record);
        Set<String> once = new HashSet<>(stored);
        assertEquals(stored.size(), READINGS);
        assertEquals(once.size(), READINGS);
        assertEquals(done.acknowledged().size(), READINGS);
        done.acknowledged().forEach(id -> assertTrue(once.contains(id.toString()), id.toString()));
        assertTrue(done.tries() > READINGS, "no kill was noticed");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (server != null) {
            server.destroyForcibly();
        }
    }
}
