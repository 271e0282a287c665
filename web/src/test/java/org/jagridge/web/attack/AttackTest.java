package org.jagridge.web.attack;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.lang.reflect.Parameter;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jagridge.core.format.JsonText;
import org.jagridge.web.WebTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
import org.springframework.test.context.TestPropertySource;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Twenty thousand wrong requests at every address that there is: each is answered, soon, and never by a failure. */
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:file:./target/attacked-${random.uuid}/jagridge")
public class AttackTest extends WebTest {
    private static final int REQUESTS = Integer.getInteger("jagridge.attacks", 20_000);
    private static final int CLIENTS = 4;
    private static final double SLOWEST = 5;
    /** Programs that ask for a proof know that it takes long; the application gives it a minute. */
    private static final double SLOWEST_PROOF = 65;

    private static final String TOKEN = "a-token-of-the-attack";
    private static final Pattern VARIABLE = Pattern.compile("\\{([^}]+)}");

    private final HttpClient http = HttpClient.newHttpClient();
    private final Collection<String> failures = new ConcurrentLinkedQueue<>();
    private final List<Target> targets = new ArrayList<>();
    private List<Target> bodied = List.of();
    private final Map<String, List<String>> right = new LinkedHashMap<>();
    private Map<String, Object> bodies;

    @Autowired
    private RequestMappingHandlerMapping requestMappingHandlerMapping;

    /** An address with what it takes. */
    private record Target(RequestMethod method, String path, List<String> fields, boolean json, boolean file) {}

    @BeforeClass(alwaysRun = true)
    public void findTargets() throws IOException {
        for (Map.Entry<RequestMappingInfo, HandlerMethod> e :
                requestMappingHandlerMapping.getHandlerMethods().entrySet()) {
            for (String path : e.getKey().getPatternValues()) {
                RequestMethod method = e.getKey().getMethodsCondition().getMethods().stream()
                        .findFirst()
                        .orElse(RequestMethod.GET);
                // a stream that stays open on purpose
                if (!path.endsWith("/events")) {
                    targets.add(target(method, path, e.getValue()));
                }
            }
        }
        assertTrue(targets.size() > 100, targets.size() + " addresses");
        bodied = targets.stream().filter(Target::json).toList();
        learn();
        Object circuit = JsonText.plainValue(demo("lab-bench"));
        Map<String, Object> scenario = Map.of(
                "name",
                "a",
                "start",
                Map.of("TH.fan", "auto"),
                "steps",
                List.of(Map.of("atSeconds", 5, "set", Map.of("TH.fan", "on"))),
                "faults",
                List.of(
                        Map.of("kind", "coil-open", "part", "K1"),
                        Map.of("kind", "lifted", "wire", "w1", "at", "T1.X1")),
                "untilSeconds",
                60);
        Map<String, Object> meter = Map.of("mode", "ac-volts", "plus", "TH.G", "minus", "TH.C");
        bodies = Map.of(
                "/api/v1/plan/wiring",
                Map.of(
                        "indoor",
                        Map.of("kind", "gas-furnace", "posts", List.of("R", "C", "W", "Y", "G")),
                        "outdoor",
                        Map.of("kind", "cooling", "stages", 1),
                        "thermostat",
                        Map.of("terminals", List.of("R", "C", "W", "Y", "G"), "power", "common"),
                        "cables",
                        List.of(Map.of(
                                "id",
                                "TC",
                                "from",
                                "thermostat",
                                "to",
                                "indoor",
                                "cores",
                                List.of("red", "white", "green", "blue")))),
                "/api/v1/plan/interlock",
                Map.of(
                        "openings",
                        List.of(Map.of("id", "V1", "signal", "dry-when-shut", "volts", 24, "metres", 12)),
                        "heaters",
                        List.of(Map.of("id", "H1", "control", "24V-pair", "amps", 8)),
                        "matrix",
                        Map.of("H1", List.of("V1"))),
                "/api/v1/prove",
                Map.of(
                        "circuit",
                        circuit,
                        "rules",
                        List.of(Map.of("id", "r", "text", "a rule", "never", Map.of("part", "K1", "is", "in"))),
                        "singleFaults",
                        false),
                "readings",
                Map.of(
                        "sender",
                        "bridge",
                        "readings",
                        List.of(Map.of(
                                "id",
                                "11111111-2222-3333-4444-555555555555",
                                "line",
                                "ac-volts TH.G TH.C",
                                "value",
                                26))),
                "typed",
                List.of(Map.of(
                        "id", "11111111-2222-3333-4444-555555555556", "line", "ac-volts TH.G TH.C", "value", 26)),
                "",
                Map.of(
                        "circuit",
                        circuit,
                        "scenario",
                        scenario,
                        "atSeconds",
                        10,
                        "readings",
                        List.of(meter, Map.of("mode", "amps", "wire", "w1")),
                        "requests",
                        List.of(meter)));
    }

    private static String demo(String slug) throws IOException {
        return new ClassPathResource("demo/" + slug + ".json").getContentAsString(StandardCharsets.UTF_8);
    }

    private static Target target(RequestMethod method, String path, HandlerMethod handler) {
        TreeSet<String> fields = new TreeSet<>();
        boolean json = false;
        boolean file = false;
        for (Parameter p : handler.getMethod().getParameters()) {
            RequestParam named = p.getAnnotation(RequestParam.class);
            if (p.getType().equals(MultipartFile.class)) {
                file = true;
            } else if (named != null) {
                String name = Stream.of(named.name(), named.value(), p.getName())
                        .filter(n -> !n.isEmpty())
                        .findFirst()
                        .orElseThrow();
                fields.add(name);
            }
            json |= p.isAnnotationPresent(RequestBody.class);
        }
        return new Target(method, path, new ArrayList<>(fields), json, file);
    }

    /** What is right somewhere, by the name of the field or the variable. */
    private void learn() {
        String slug = copy("lab-bench", "Attacked");
        String record = submit(
                        "/circuits/" + slug + "/records", "run", "TH-fan", "load", "K1:A1-A2", "school", "common")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll(".*/records/", "");
        Matcher code = Pattern.compile("id=\"code\">([^<]+)<")
                .matcher(get("/records/" + record).body());
        assertTrue(code.find());
        String bench = get("/circuits/" + slug + "/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll(".*/bench/(\\d+).*", "$1");
        right.put("slug", List.of(slug, slug, "student-flat", "no-such"));
        right.put("id", List.of(bench, record, "1", "XT"));
        right.put("code", List.of(code.group(1)));
        right.put("s", List.of("0", "1"));
        right.put("t", List.of("0", "10", "1e300", "604800", "NaN", "-5"));
        right.put("key", List.of("TH.fan", "TH-fan", "symbols", "own-0"));
        right.put("run", List.of("TH-fan", "own-0"));
        right.put("load", List.of("K1:A1-A2"));
        right.put("value", List.of("on", "auto", "true", "21"));
        right.put("act", List.of("link", "lift", "off", "move", "twist"));
        right.put("one", List.of("TH.R", "w1", "w1 T1.X1", "K1.A1"));
        right.put("other", List.of("TH.G", "K1.A2", "w2"));
        right.put("mode", List.of("ac-volts", "amps", "ohms", "continuity"));
        right.put("plus", List.of("TH.R", "K1.A1"));
        right.put("minus", List.of("TH.C", "T1.X2"));
        right.put("wire", List.of("w1", "-w2,w3"));
        right.put(
                "what",
                List.of("wire", "part", "place", "name", "chain", "scenario", "undo", "cable", "rule", "layout"));
        right.put("base", List.of("1", "2", "3", "4"));
        right.put("school", List.of("common", "across"));
        right.put("from", List.of("1"));
        right.put("to", List.of("1"));
        right.put("site", List.of("quillmere"));
        right.put("pattern", List.of("", "lab-bench"));
        right.put("record", List.of(record));
        right.put("body", List.of("terminal,colour,goes to\nXT.3,green,TH.G", "TH.R, red\nTH.G, green"));
        right.put("fields", List.of("x"));
        right.put("sentence", List.of("Never K1 in while TH is off", "Before K1 is in, TH is on"));
    }

    @Test(groups = "attack")
    public void wrongRequestsAreAnsweredSoonAndWithoutAFailure() throws InterruptedException, IOException {
        ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
        for (int c = 0; c < CLIENTS; c++) {
            long seed = c;
            clients.execute(() -> attack(new Mutations(seed)));
        }
        clients.shutdown();
        assertTrue(clients.awaitTermination(15, TimeUnit.MINUTES), "the attack goes on");
        Files.write(Path.of("target", "attack.txt"), failures);
        assertEquals(
                failures.stream().limit(12).toList(), List.of(), failures.size() + " of " + REQUESTS + " went wrong");
    }

    private void attack(Mutations m) {
        for (int i = 0; i < REQUESTS / CLIENTS && failures.size() < 200; i++) {
            // each address once, then those that take a body of any shape as often as all others
            Target target =
                    i < targets.size() ? targets.get(i) : m.any(m.random().nextBoolean() ? bodied : targets);
            HttpRequest request = request(target, m);
            long began = System.nanoTime();
            try {
                HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
                double seconds = (System.nanoTime() - began) / 1e9;
                double most = target.path().matches("/api/v1/(prove|plan/interlock)") ? SLOWEST_PROOF : SLOWEST;
                if (answer.statusCode() >= 500 || seconds > most) {
                    tell(target, request, answer.statusCode() + " after " + seconds + " s: " + answer.body());
                }
            } catch (IOException e) {
                tell(target, request, e.toString());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private final Map<HttpRequest, String> sent = new ConcurrentHashMap<>();

    private void tell(Target target, HttpRequest request, String what) {
        String body = sent.getOrDefault(request, "");
        failures.add(target.method() + " " + request.uri().getRawPath() + " <"
                + request.uri().getRawQuery() + "> " + (body.length() > 1500 ? body.substring(0, 1500) : body) + " → "
                + (what.length() > 300 ? what.substring(0, 300) : what));
    }

    private HttpRequest request(Target target, Mutations m) {
        String path = VARIABLE.matcher(target.path())
                .replaceAll(v -> Matcher.quoteReplacement(
                        encoded(m.random().nextInt(8) == 0 ? m.field(List.of("x")) : m.any(rightFor(v.group(1))))));
        String form = form(target, m);
        boolean get = target.method() == RequestMethod.GET;
        String query = get || target.json() ? form : m.random().nextInt(3) == 0 ? "s=0&t=10" : "";
        HttpRequest.Builder request = HttpRequest.newBuilder(
                        URI.create(url(path + (query.isEmpty() ? "" : "?" + query))))
                .timeout(Duration.ofSeconds(30))
                .header("Cookie", "XSRF-TOKEN=" + TOKEN)
                .header("X-XSRF-TOKEN", TOKEN)
                .header("Accept", m.any(List.of("text/html", "*/*", "application/json", "image/svg+xml")));
        if (m.random().nextInt(4) == 0) {
            request.header("HX-Request", "true");
        }
        if (get) {
            return request.build();
        }
        String type = target.json() ? "application/json" : "application/x-www-form-urlencoded";
        String body = target.json() ? m.json(bodyFor(target.path())) : form;
        if (target.file()) {
            type = m.random().nextInt(5) == 0 ? "multipart/form-data" : "multipart/form-data; boundary=cut";
            String content = m.any(List.of(
                    "line,value\nac-volts TH.G TH.C," + m.field(List.of("26")) + "\n",
                    m.json(bodies.get("")),
                    "\u0089PNG\r\n",
                    ""));
            body = "--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"f\"\r\n\r\n" + content
                    + "\r\n--cut--\r\n";
        }
        HttpRequest built = request.header("Content-Type", type)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        sent.put(built, body);
        if (sent.size() > 1000) {
            sent.clear();
        }
        return built;
    }

    private Object bodyFor(String path) {
        String key = path.startsWith("/api/v1/meters") ? "readings" : path.startsWith("/records") ? "typed" : path;
        return bodies.getOrDefault(key, bodies.get(""));
    }

    private List<String> rightFor(String name) {
        return right.getOrDefault(name, List.of("1", "x", "true"));
    }

    /** Each field right or wrong; some left out, some doubled. */
    private String form(Target target, Mutations m) {
        List<String> names = new ArrayList<>(target.fields());
        if (names.contains("fields")) {
            names.addAll(
                    Arrays.asList("id", "from", "to", "type", "place", "name", "text", "kind", "old", "acts-0-at"));
        }
        StringBuilder form = new StringBuilder();
        for (String name : names) {
            int times = m.random().nextInt(12) == 0 ? 0 : m.random().nextInt(20) == 0 ? 2 : 1;
            for (int i = 0; i < times; i++) {
                form.append(form.isEmpty() ? "" : "&")
                        .append(name)
                        .append('=')
                        .append(encoded(m.field(rightFor(name))));
            }
        }
        return form.toString();
    }

    private static String encoded(String text) {
        String cut = text.length() > 2000 ? text.substring(0, 2000) : text;
        return URLEncoder.encode(cut, StandardCharsets.UTF_8).replace("+", "%20");
    }
}
