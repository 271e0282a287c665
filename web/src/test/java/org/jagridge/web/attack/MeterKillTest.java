package org.jagridge.web.attack;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.standin.LoggingMeter;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;

/** The process is killed while a meter sends a thousand readings: what it sends again is there once. */
public class MeterKillTest {
    private static final int READINGS = 1000;
    private Server server;

    private List<String> ids(String record) throws IOException, InterruptedException {
        return server.get(record + "/readings.csv")
                .body()
                .lines()
                .skip(1)
                .map(l -> l.substring(l.lastIndexOf(',') + 1))
                .toList();
    }

    @Test(groups = "attack")
    public void noAcknowledgedReadingIsLostAndNoneIsDoubledWhenTheServerIsKilled() throws Exception {
        server = new Server(Files.createTempDirectory("jagridge-kill"), "-Djagridge.history=false");
        server.start();
        String record = server.submit(
                        "/circuits/lab-bench/records", "run", "TH-fan", "load", "K1:A1-A2", "school", "common")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll("https?://[^/]+", "");
        Matcher code = Pattern.compile("id=\"code\">([^<]+)<")
                .matcher(server.get(record).body());
        assertTrue(code.find());
        CompletableFuture<LoggingMeter.Done> meter = CompletableFuture.supplyAsync(() -> {
            try {
                return LoggingMeter.run(new LoggingMeter.Orders(
                        URI.create("http://127.0.0.1:" + server.port() + "/"), code.group(1), "", 3, READINGS, 0));
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        });
        int seen = 0;
        for (int part = 1; part <= 2; part++) {
            while (ids(record).size() < seen + READINGS / 5) {
                assertTrue(!meter.isDone() || ids(record).size() == READINGS);
                Thread.onSpinWait();
            }
            server.kill();
            server.start();
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
    public void stop() throws InterruptedException {
        server.kill();
    }
}
