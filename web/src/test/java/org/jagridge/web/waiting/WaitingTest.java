package org.jagridge.web.waiting;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.jagridge.web.WebTest;
import org.springframework.core.io.ClassPathResource;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** With no time at all for a page, each that takes work is worked out beside; nothing else is done by halves. */
@TestPropertySource(
        properties = {"spring.datasource.url=jdbc:h2:mem:waiting;DB_CLOSE_DELAY=-1", "jagridge.page-seconds=0"})
public class WaitingTest extends WebTest {
    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> page(String path, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url(path)))
                .header("Accept", "text/html")
                .header("Cookie", "XSRF-TOKEN=mine");
        if (headers.length > 0) {
            request.headers(headers);
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> waited(String path) throws Exception {
        HttpResponse<String> answer = page(path);
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (answer.statusCode() == 202) {
            assertTrue(System.nanoTime() < end, "it never comes");
            answer = page(path);
        }
        return answer;
    }

    @Test
    public void aPageThatTakesLongIsWorkedOutBesideAndComesByItself() throws Exception {
        String path = "/circuits/lab-bench/sequence?run=TH-cool";
        HttpResponse<String> first = page(path);
        assertEquals(first.statusCode(), 202, first.body());
        assertTrue(first.body().contains("This takes a while"), first.body());
        HttpResponse<String> there = waited(path);
        assertEquals(there.statusCode(), 200);
        assertTrue(there.body().contains("Sequence of operation"));
        assertTrue(there.headers().firstValue("Content-Type").orElse("").startsWith("text/html"));
    }

    @Test
    public void whatIsStoppedIsNotHandedOut() throws Exception {
        String path = "/circuits/seminar-room/volts";
        String body = page(path).body();
        String ticket = body.replaceAll("(?s).*/work/([0-9a-f-]+)/stop.*", "$1");
        HttpResponse<String> stopped = submit("/work/" + ticket + "/stop");
        assertEquals(stopped.statusCode(), 200, stopped.body());
        assertTrue(stopped.body().contains("It was stopped"));
        assertEquals(page("/work/" + ticket).statusCode(), 404);
        String state = page("/work/" + ticket + "/state", "HX-Request", "true").body();
        assertFalse(state.contains("so far"), state);
    }

    @Test
    public void aScriptThatSaysThatItWaitsIsTreatedLikeAPage() throws Exception {
        // a circuit that nobody has drawn before
        String flat = new ClassPathResource("demo/student-flat.json").getContentAsString(StandardCharsets.UTF_8);
        String edit = upload("/circuits/file", "flat.json", flat.replace("Boiler cupboard", "Cupboard that waits"))
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll("https?://[^/]+", "");
        String revision = page(edit).body().replaceAll("(?s).*/drawings/(\\d+)/ladder.*", "$1");
        String path = "/drawings/" + revision + "/connections";
        HttpRequest request = HttpRequest.newBuilder(URI.create(url(path)))
                .header("X-Jagridge-Waits", "true")
                .build();
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 202, answer.body());
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (answer.statusCode() == 202) {
            assertTrue(System.nanoTime() < end, "it never comes");
            answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        }
        assertEquals(answer.statusCode(), 200);
        assertTrue(answer.body().startsWith("<svg"), answer.body());
    }

    @Test
    public void anActThatTakesTooLongIsNotStored() throws Exception {
        String bench =
                get("/circuits/chapel/bench").headers().firstValue("Location").orElseThrow();
        String id = bench.replaceAll(".*/bench/(\\d+).*", "$1");
        HttpResponse<String> act =
                submit("/bench/" + id + "/set", "s", "0", "t", "10", "key", "TH.roomCelsius", "value", "12");
        assertEquals(act.statusCode(), 422, act.body());
        assertTrue(act.body().contains("nothing was changed"), act.body());
        String after =
                get("/circuits/chapel/bench").headers().firstValue("Location").orElseThrow();
        assertEquals(after, bench);
    }

    @Test
    public void aProgramIsToldThatItTookTooLong() {
        HttpResponse<String> answer = post("/api/v1/run", "{\"circuitId\":1,\"scenario\":{\"untilSeconds\":60}}");
        assertEquals(answer.statusCode(), 422, answer.body());
        assertTrue(answer.body().contains("would take longer than there is time for"), answer.body());
    }
}
