package org.jagridge.web.attack;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * The process is killed again and again while eight hands write in eight ways: what was acknowledged is there afterwards,
 * and nothing is there by halves.
 */
public class KillTest {
    private static final int KILLS = 25;
    private static final int LOOKED_AFTER = 5;
    private static final int LOOKS = 20;
    private static final int AT_ONCE = 40;
    private static final int MOST_BETWEEN_KILLS = 60;
    private static final String LINE = "ac-volts TH.G TH.C";

    private Server server;
    private final List<Kind> kinds = new ArrayList<>();
    private String record;
    private String circuit;

    /** A way of writing, with what was acknowledged of it. */
    private abstract static class Kind {
        final String name;
        volatile int done;

        Kind(String name) {
            this.name = name;
        }

        /** Writes the n-th time; an answer that says that it is stored counts. */
        abstract void write(int n) throws IOException, InterruptedException;

        /** What is missing or there by halves. */
        abstract List<String> missing() throws IOException, InterruptedException;

        @SuppressWarnings("NonAtomicVolatileUpdate") // one hand writes, others only look
        private void written() {
            done++;
        }

        /** Whether it is stored; a machine may be too slow for it, and says so. */
        boolean acknowledged(HttpResponse<String> answer) {
            if (isGivenUp(answer)) {
                return false;
            }
            assertTrue(answer.statusCode() < 400, name + " " + answer.statusCode() + " " + answer.body());
            written();
            return true;
        }
    }

    @BeforeClass(alwaysRun = true)
    public void start() throws IOException, InterruptedException {
        // what isn't asked for isn't made: it starts in half the time
        server = new Server(
                Files.createTempDirectory("jagridge-kill"),
                "-Djagridge.history=false",
                "-Dspring.main.lazy-initialization=true");
        server.start();
        circuit = location(server.submit("/circuits/new", "name", "To be killed", "pattern", "lab-bench"))
                .replaceAll("/circuits/([^/]+)/.*", "$1");
        record = location(server.submit(
                "/circuits/" + circuit + "/records", "run", "TH-fan", "load", "K1:A1-A2", "school", "common"));
        kinds.add(acts());
        kinds.add(edits());
        kinds.add(circuits());
        kinds.add(records());
        kinds.add(readings());
        kinds.add(files());
        kinds.add(asFound());
        kinds.add(equipment());
    }

    /** Whether the machine was too slow for it. */
    private static boolean isGivenUp(HttpResponse<String> answer) {
        return answer.statusCode() == 422 && answer.body().contains("so it was given up");
    }

    /** What is there: a machine that is too slow to say so at once is asked again. */
    private HttpResponse<String> look(String page) throws IOException, InterruptedException {
        HttpResponse<String> answer = server.get(page);
        for (int again = 0; again < LOOKS && isGivenUp(answer); again++) {
            answer = server.get(page);
        }
        return answer;
    }

    private static String location(HttpResponse<String> answer) {
        return answer.headers()
                .firstValue("Location")
                .orElseThrow(() -> new AssertionError(answer.statusCode() + answer.body()))
                .replaceAll("https?://[^/]+", "");
    }

    private Kind acts() {
        return new Kind("acts at a bench") {
            private String bench = "";
            private String state = "0";
            private String seconds = "10";

            @Override
            void write(int n) throws IOException, InterruptedException {
                if (bench.isEmpty() || Double.parseDouble(seconds) > 500) {
                    Matcher m = Pattern.compile("/bench/(\\d+)\\?s=(\\d+)&t=([\\d.]+)")
                            .matcher(location(server.get("/circuits/" + circuit + "/bench")));
                    assertTrue(m.find());
                    bench = m.group(1);
                    state = m.group(2);
                    seconds = m.group(3);
                }
                HttpResponse<String> answer = server.submit(
                        "/bench/" + bench + "/set",
                        "s",
                        state,
                        "t",
                        seconds,
                        "key",
                        "TH.fan",
                        "value",
                        n % 2 == 0 ? "on" : "auto");
                if (!acknowledged(answer)) {
                    return;
                }
                Matcher m = Pattern.compile("s=(\\d+)&t=([\\d.]+)")
                        .matcher(answer.headers().firstValue("HX-Push-Url").orElse(""));
                if (m.find()) {
                    state = m.group(1);
                    seconds = m.group(2);
                }
            }

            @Override
            List<String> missing() throws IOException, InterruptedException {
                String page = "/bench/" + bench + "?s=" + state + "&t=" + seconds;
                return bench.isEmpty() || look(page).statusCode() == 200 ? List.of() : List.of(page);
            }
        };
    }

    private Kind edits() {
        return new Kind("edits") {
            private int revision = 1;

            @Override
            void write(int n) throws IOException, InterruptedException {
                HttpResponse<String> answer = server.submit(
                        "/circuits/" + circuit + "/edit/name", "base", "" + revision, "name", "Killed " + n);
                if (answer.statusCode() == 409) {
                    // it was stored, but the answer didn't come any more
                    revision++;
                    return;
                }
                if (acknowledged(answer)) {
                    revision++;
                }
            }

            @Override
            List<String> missing() throws IOException, InterruptedException {
                String page = "/circuits/" + circuit + "/revisions?from=1&to=" + revision;
                return look(page).statusCode() == 200 ? List.of() : List.of(page);
            }
        };
    }

    /** What has an address of its own once it is there. */
    private abstract class WithAddress extends Kind {
        private final List<String> there = new ArrayList<>();
        private final String light;

        /** @param light what is asked for at the address instead of its page, since it is there sooner */
        WithAddress(String name, String light) {
            super(name);
            this.light = light;
        }

        abstract HttpResponse<String> send(int n) throws IOException, InterruptedException;

        @Override
        void write(int n) throws IOException, InterruptedException {
            HttpResponse<String> answer = send(n);
            if (acknowledged(answer)) {
                there.add(location(answer));
            }
        }

        @Override
        List<String> missing() throws IOException, InterruptedException {
            List<String> missing = new ArrayList<>();
            for (String address : there) {
                if (look(address.replaceAll("/edit$", "") + light).statusCode() != 200) {
                    missing.add(address);
                }
            }
            // those that have been seen once are in the file
            there.clear();
            return missing;
        }
    }

    private Kind circuits() {
        return new WithAddress("new circuits", "/pins") {
            @Override
            HttpResponse<String> send(int n) throws IOException, InterruptedException {
                return server.submit("/circuits/new", "name", "Barn " + n, "pattern", "");
            }
        };
    }

    private Kind records() {
        return new WithAddress("records begun", "/readings.csv") {
            @Override
            HttpResponse<String> send(int n) throws IOException, InterruptedException {
                return server.submit(
                        "/circuits/lab-bench/records",
                        "run",
                        "TH-fan",
                        "load",
                        "K1:A1-A2",
                        "school",
                        "common",
                        "who",
                        "hand " + n);
            }
        };
    }

    /** Several readings in one request: all of them, or none. */
    private abstract class Batches extends Kind {
        private final List<List<String>> acknowledged = new ArrayList<>();
        private final List<List<String>> sent = new ArrayList<>();

        Batches(String name) {
            super(name);
        }

        abstract HttpResponse<String> send(List<String> ids) throws IOException, InterruptedException;

        @Override
        void write(int n) throws IOException, InterruptedException {
            List<String> ids = IntStream.range(0, AT_ONCE)
                    .mapToObj(i -> UUID.randomUUID().toString())
                    .toList();
            sent.add(ids);
            if (acknowledged(send(ids))) {
                acknowledged.add(ids);
            }
        }

        @Override
        List<String> missing() throws IOException, InterruptedException {
            Set<String> there = new HashSet<>(
                    Arrays.asList(look(record + "/readings.csv").body().split("[,\\s]+")));
            List<String> missing = new ArrayList<>();
            for (List<String> ids : sent) {
                long found = ids.stream().filter(there::contains).count();
                if (found != ids.size() && (found != 0 || acknowledged.contains(ids))) {
                    missing.add(found + " of " + ids.size() + " readings");
                }
            }
            sent.clear();
            acknowledged.clear();
            return missing;
        }
    }

    private Kind readings() {
        return new Batches("readings") {
            @Override
            HttpResponse<String> send(List<String> ids) throws IOException, InterruptedException {
                List<String> all = ids.stream()
                        .map(id -> "{\"id\":\"" + id + "\",\"line\":\"" + LINE + "\",\"value\":26}")
                        .toList();
                return server.post(record + "/readings", "application/json", "[" + String.join(",", all) + "]");
            }
        };
    }

    private Kind files() {
        return new Batches("files of readings") {
            @Override
            HttpResponse<String> send(List<String> ids) throws IOException, InterruptedException {
                StringBuilder rows = new StringBuilder("line,value,id\n");
                ids.forEach(id -> rows.append(LINE).append(",26,").append(id).append('\n'));
                return server.post(
                        record + "/readings.csv",
                        "multipart/form-data; boundary=cut",
                        "--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"r.csv\"\r\n\r\n" + rows
                                + "\r\n--cut--\r\n");
            }
        };
    }

    /** What a list shows by its name. */
    private abstract class Listed extends Kind {
        private String newest = "";

        Listed(String name) {
            super(name);
        }

        abstract String page();

        abstract HttpResponse<String> send(String name) throws IOException, InterruptedException;

        @Override
        void write(int n) throws IOException, InterruptedException {
            String one = "hand no. " + n + " of all";
            if (acknowledged(send(one))) {
                newest = one;
            }
        }

        @Override
        List<String> missing() throws IOException, InterruptedException {
            return newest.isEmpty() || look(page()).body().contains(newest) ? List.of() : List.of(newest);
        }
    }

    private Kind asFound() {
        return new Listed("wiring as found") {
            @Override
            String page() {
                return "/circuits/" + circuit + "/as-found";
            }

            @Override
            HttpResponse<String> send(String name) throws IOException, InterruptedException {
                return server.submit(page(), "who", name, "body", "terminal,colour,goes to\nXT.3,green,TH.G");
            }
        };
    }

    private Kind equipment() {
        return new Listed("equipment") {
            @Override
            String page() {
                return "/sites/quillmere";
            }

            @Override
            HttpResponse<String> send(String name) throws IOException, InterruptedException {
                return server.submit("/sites/quillmere/equipment", "place", "1", "name", name);
            }
        };
    }

    @Test(groups = "attack")
    public void whatWasAcknowledgedIsThereAfterEveryKill() throws Exception {
        Random random = new Random(11);
        List<String> lost = new ArrayList<>();
        List<String> refused = Collections.synchronizedList(new ArrayList<>());
        int n = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            int from = n += 10_000;
            List<Thread> hands = kinds.stream()
                    .map(k -> new Thread(() -> write(k, from, refused), k.name))
                    .toList();
            hands.forEach(Thread::start);
            // each way is waited for once, however slow the machine
            int kind = kill;
            server.killWhen(
                    () -> kind >= kinds.size() || kinds.get(kind).done > 0,
                    kind < kinds.size() ? random.nextInt(500) : 700 + random.nextInt(800));
            for (Thread hand : hands) {
                hand.join();
            }
            server.start();
            // looking takes longer than writing, and what is lost stays lost
            if (kill % LOOKED_AFTER == LOOKED_AFTER - 1) {
                for (Kind k : kinds) {
                    k.missing().forEach(m -> lost.add(k.name + ": " + m));
                }
            }
        }
        assertTrue(lost.isEmpty(), "lost " + lost);
        assertTrue(refused.isEmpty(), "refused " + refused);
        kinds.forEach(k -> assertTrue(k.done > 0, k.name + " was never written"));
        int written = kinds.stream().mapToInt(k -> k.done).sum();
        assertTrue(written > KILLS * kinds.size(), "only " + written + " writes between " + KILLS + " kills");
    }

    /** Until the server is gone, or there is enough to look for. */
    private static void write(Kind kind, int from, List<String> refused) {
        try {
            for (int n = from; n < from + MOST_BETWEEN_KILLS; n++) {
                kind.write(n);
            }
        } catch (IOException | InterruptedException e) {
            // killed
        } catch (AssertionError e) {
            refused.add(e.getMessage());
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws InterruptedException {
        server.kill();
    }
}
