package org.jagridge.web.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.File;
import java.io.IOException;
import java.net.CookieManager;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** A bench survives the kill of the process in the middle of use. */
public class RestartTest {
    private Process server;
    private HttpClient http =
            HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private int port;

    @AfterMethod(alwaysRun = true)
    public void stop() {
        if (server != null) {
            server.destroyForcibly();
        }
    }

    @Test
    public void afterAKillTheBenchIsWhereItWas() throws Exception {
        Path data = Files.createTempDirectory("jagridge-restart");
        try (ServerSocket socket = new ServerSocket(0)) {
            port = socket.getLocalPort();
        }
        start(data);
        String bench = get("/circuits/lab-bench/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        String page = get(bench).body();
        String token = page.replaceAll("(?s).*X-XSRF-TOKEN&quot;: &quot;([^&]+)&quot;.*", "$1");
        String id = bench.replaceAll(".*/bench/(\\d+).*", "$1");
        HttpResponse<String> act = http.send(
                HttpRequest.newBuilder(URI.create(base() + "/bench/" + id + "/set"))
                        .header("X-XSRF-TOKEN", token)
                        .header("HX-Request", "true")
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString("s=0&t=10&key=TH.fan&value=on"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertEquals(act.statusCode(), 200, act.body());
        String left = act.headers().firstValue("HX-Push-Url").orElseThrow();

        server.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
        start(data);
        String resumed = get("/circuits/lab-bench/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        assertTrue(resumed.endsWith(left), resumed);
        assertTrue(get(left).body().contains("<b>K1 in</b>"));
    }

    private String base() {
        return "http://127.0.0.1:" + port;
    }

    private HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create(path.startsWith("http") ? path : base() + path))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private void start(Path data) throws Exception {
        server = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "-Djagridge.port=" + port,
                        "-Djagridge.data=" + data,
                        "-Djagridge.history=false",
                        "org.jagridge.web.JagridgeApplication")
                .redirectErrorStream(true)
                .redirectOutput(new File("target/restart-server.log"))
                .start();
        long giveUp = System.nanoTime() + TimeUnit.SECONDS.toNanos(90);
        while (System.nanoTime() < giveUp && server.isAlive()) {
            try {
                if (get("/").statusCode() == 200
                        && get("/circuits/lab-bench/bench").statusCode() == 302) {
                    return;
                }
            } catch (IOException e) {
                Thread.onSpinWait();
            }
        }
        throw new AssertionError("the server did not start; see target/restart-server.log");
    }
}
