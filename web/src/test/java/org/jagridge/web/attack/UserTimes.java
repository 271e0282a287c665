package org.jagridge.web.attack;

import java.io.IOException;
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
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How long an act takes while thirty users work at benches of their own, and while one more prints two hundred relays. */
public final class UserTimes {
    private static final int USERS = 30;
    private static final int ACTS = 12;
    /** Between an act's answer and the next one a user looks for so long at the most. */
    private static final int LOOKS_MILLIS = 4000;

    private static final String TOKEN = "a-token-of-thirty";
    private static final Pattern STATE = Pattern.compile("/bench/(\\d+)\\?s=(\\d+)&t=([\\d.]+)");

    private final HttpClient http = HttpClient.newHttpClient();
    private final String base;

    private UserTimes(String base) {
        this.base = base;
    }

    /**
     * @param args the application's address, and a file with a circuit of 200 parts
     */
    public static void main(String[] args) throws Exception {
        UserTimes times = new UserTimes(args[0]);
        String big = times.bringIn(Files.readString(Path.of(args[1])));
        List<String> circuits = new ArrayList<>();
        for (int i = 0; i < USERS; i++) {
            circuits.add(times.copy(i % 2 == 0 ? "lab-bench" : "student-flat", "User " + i));
        }
        times.round(circuits, null);
        double[] alone = times.round(circuits, null);
        double[] beside = times.round(circuits, big);
        System.out.printf("%d users, an act: half within %.0f ms, 95 %% within %.0f ms%n", USERS, alone[0], alone[1]);
        System.out.printf(
                "while one more prints 200 relays: %.0f ms (%.1f×), %.0f ms (%.1f×)%n",
                beside[0], beside[0] / alone[0], beside[1], beside[1] / alone[1]);
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(base + path))
                .header("Cookie", "XSRF-TOKEN=" + TOKEN)
                .header("X-XSRF-TOKEN", TOKEN)
                .header("Accept", "text/html");
    }

    private HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return http.send(request(path).build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> submit(String path, String form) throws IOException, InterruptedException {
        return http.send(
                request(path)
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static String slug(HttpResponse<String> made) {
        return made.headers()
                .firstValue("Location")
                .orElseThrow(() -> new IllegalStateException(made.statusCode() + made.body()))
                .replaceAll(".*/circuits/([^/]+)/.*", "$1");
    }

    private String copy(String pattern, String name) throws IOException, InterruptedException {
        return slug(submit("/circuits/new", "name=" + encoded(name) + "&pattern=" + pattern));
    }

    private String bringIn(String file) throws IOException, InterruptedException {
        String body = "--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"c.json\"\r\n\r\n" + file
                + "\r\n--cut--\r\n";
        return slug(http.send(
                request("/circuits/file")
                        .header("Content-Type", "multipart/form-data; boundary=cut")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString()));
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** Half and 95 % of the acts' times, milliseconds. */
    private double[] round(List<String> circuits, String printed) throws InterruptedException {
        ConcurrentLinkedQueue<Double> times = new ConcurrentLinkedQueue<>();
        AtomicInteger working = new AtomicInteger(circuits.size());
        List<Thread> users = new ArrayList<>();
        for (int i = 0; i < circuits.size(); i++) {
            String circuit = circuits.get(i);
            long seed = i;
            users.add(new Thread(() -> {
                try {
                    work(circuit, new Random(seed), times);
                } catch (IOException | InterruptedException e) {
                    throw new IllegalStateException(e);
                } finally {
                    working.decrementAndGet();
                }
            }));
        }
        if (printed != null) {
            users.add(new Thread(() -> print(printed, working)));
        }
        users.forEach(Thread::start);
        for (Thread user : users) {
            user.join();
        }
        double[] sorted =
                times.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        return new double[] {sorted[sorted.length / 2], sorted[(int) (sorted.length * 0.95)]};
    }

    private void work(String circuit, Random random, ConcurrentLinkedQueue<Double> times)
            throws IOException, InterruptedException {
        String location = get("/circuits/" + circuit + "/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        for (int n = 0; n < ACTS; n++) {
            LockSupport.parkNanos(random.nextInt(LOOKS_MILLIS) * 1_000_000L);
            Matcher m = STATE.matcher(location);
            if (!m.find()) {
                throw new IllegalStateException(location);
            }
            String key = key(circuit);
            String fan = n % 2 == 0 ? "on" : "auto";
            long began = System.nanoTime();
            HttpResponse<String> answer = submit(
                    "/bench/" + m.group(1) + "/set",
                    "s=" + m.group(2) + "&t=" + m.group(3) + "&key=" + key + "&value="
                            + (key.endsWith("fan") ? fan : n % 2 == 0 ? "18" : "23"));
            times.add((System.nanoTime() - began) / 1e6);
            if (answer.statusCode() != 200) {
                throw new IllegalStateException(answer.statusCode() + answer.body());
            }
            location = answer.headers().firstValue("HX-Push-Url").orElse(location);
        }
    }

    /** Every second user has the training board, the others the flat. */
    private static String key(String circuit) {
        int number = Integer.parseInt(circuit.replaceAll("\\D*(\\d+).*", "$1"));
        return number % 2 == 0 ? "TH.fan" : "RS.roomCelsius";
    }

    /** Prints anew, as long as anybody works, so that nothing of it is kept: each time a circuit of its own. */
    private void print(String circuit, AtomicInteger working) {
        try {
            for (int n = 0; working.get() > 0; n++) {
                String mine = slug(submit("/circuits/new", "name=" + encoded("Printed " + n) + "&pattern=" + circuit));
                int status;
                do {
                    status = get("/circuits/" + mine + "/print").statusCode();
                    LockSupport.parkNanos(500_000_000L);
                } while (status == 202 && working.get() > 0);
                if (status >= 400) {
                    throw new IllegalStateException("printing is answered by " + status);
                }
            }
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
