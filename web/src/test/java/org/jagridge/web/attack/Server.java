package org.jagridge.web.attack;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.jagridge.web.JagridgeApplication;

/** The application as a process of its own, to be killed. */
final class Server {
    private static final String TOKEN = "a-token-of-the-kills";

    private final HttpClient http = HttpClient.newHttpClient();
    private final Path data;
    private final int port;
    private final List<String> settings;
    private Process process;

    Server(Path data, String... settings) throws IOException {
        this.data = data;
        this.settings = List.of(settings);
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
    }

    int port() {
        return port;
    }

    Path log() {
        return data.resolve("log");
    }

    /** Starts it, without waiting for anything. */
    void launch() throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-Djagridge.port=" + port,
                "-Djagridge.data=" + data,
                "-Djagridge.warm-up=false"));
        command.addAll(settings);
        command.addAll(application());
        process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log().toFile())
                .start();
    }

    /** As it is shipped, where the tests' script has unpacked it; otherwise from the classes that are tested. */
    private static List<String> application() {
        String unpacked = System.getProperty("jagridge.application");
        return unpacked == null
                ? List.of("-cp", System.getProperty("java.class.path"), JagridgeApplication.class.getName())
                : List.of(
                        "-XX:SharedArchiveFile=" + Path.of(unpacked, "classes.jsa"),
                        "-jar",
                        Path.of(unpacked, "jagridge-web-0.1.0-SNAPSHOT.jar").toString());
    }

    /** Starts it and waits until it says that it is there. */
    void start() throws IOException, InterruptedException {
        launch();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(90);
        while (!Files.readString(log()).contains("Jagridge on http://127.0.0.1:" + port)) {
            if (!process.isAlive() || System.nanoTime() > end) {
                throw new AssertionError(Files.readString(log()));
            }
            process.waitFor(20, TimeUnit.MILLISECONDS);
        }
    }

    /** Waits until it has ended by itself, and gives its exit code. */
    int ended() throws InterruptedException {
        if (!process.waitFor(60, TimeUnit.SECONDS)) {
            throw new AssertionError("still running");
        }
        return process.exitValue();
    }

    /** Waits, unless it ends before. */
    void lookAfter(long millis) throws InterruptedException {
        process.waitFor(millis, TimeUnit.MILLISECONDS);
    }

    /** Kills it so many milliseconds after that has come to be so; after half a minute, if it hasn't. */
    void killWhen(BooleanSupplier so, long millis) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        while (!so.getAsBoolean() && process.isAlive() && System.nanoTime() < end) {
            lookAfter(5);
        }
        killAfter(millis);
    }

    void killAfter(long millis) throws InterruptedException {
        lookAfter(millis);
        kill();
    }

    void kill() throws InterruptedException {
        if (process != null) {
            process.destroyForcibly().waitFor();
        }
    }

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return http.send(request(path).build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .header("Cookie", "XSRF-TOKEN=" + TOKEN)
                .header("X-XSRF-TOKEN", TOKEN)
                .header("Accept", "text/html, application/json");
    }

    HttpResponse<String> post(String path, String type, String body) throws IOException, InterruptedException {
        return http.send(
                request(path)
                        .header("Content-Type", type)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** @param fields names and values in turn */
    HttpResponse<String> submit(String path, String... fields) throws IOException, InterruptedException {
        StringBuilder form = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            form.append(form.isEmpty() ? "" : "&")
                    .append(fields[i])
                    .append('=')
                    .append(URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return post(path, "application/x-www-form-urlencoded", form.toString());
    }
}
