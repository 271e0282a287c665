package org.jagridge.web.config;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import org.jagridge.web.WebTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Who is let in, and what is said to who isn't, or asks for what can't be done. */
public class WhoMayAskTest extends WebTest {
    private final HttpClient http = HttpClient.newHttpClient();

    /** The first line of the answer to a request with such headers. */
    private String asked(String line, String... headers) throws IOException {
        URI here = URI.create(url("/"));
        try (Socket socket = new Socket(here.getHost(), here.getPort())) {
            OutputStream out = socket.getOutputStream();
            String text = line + " HTTP/1.1\r\nConnection: close\r\n" + String.join("\r\n", headers) + "\r\n\r\n";
            out.write(text.getBytes(StandardCharsets.UTF_8));
            out.flush();
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return answer.replaceAll("(?s)\r\n.*", "");
        }
    }

    @DataProvider
    public Object[][] names() {
        return new Object[][] {
            {"127.0.0.1", "200"},
            {"localhost:8780", "200"},
            {"LOCALHOST", "200"},
            {"[::1]:8780", "200"},
            {"rebound.example", "421"},
            {"127.0.0.1.example", "421"},
            {"", "421"},
        };
    }

    @Test(dataProvider = "names")
    public void onlyTheMachinesOwnNamesAreAnswered(String host, String status) throws IOException {
        assertTrue(asked("GET /settings", "Host: " + host).contains(status), host);
    }

    @Test
    public void aPageOfAnotherSiteCanDoNothing() throws IOException {
        assertTrue(asked("GET /settings", "Host: localhost", "Origin: http://elsewhere.example")
                .contains("403"));
        assertTrue(asked("GET /settings", "Host: localhost", "Origin: null").contains("403"));
        assertTrue(asked("GET /settings", "Host: localhost", "Origin: http://localhost:8780")
                .contains("200"));
    }

    private HttpResponse<String> send(String path, String type, String body) throws Exception {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(url(path))).POST(HttpRequest.BodyPublishers.ofString(body));
        if (type != null) {
            request.header("Content-Type", type);
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void theInterfaceForProgramsTakesJsonOnly() throws Exception {
        String body = "{\"circuitId\":1,\"scenario\":{\"untilSeconds\":1}}";
        for (String type : new String[] {"text/plain", "application/x-www-form-urlencoded", null, "no type"}) {
            HttpResponse<String> refused = send("/api/v1/run", type, body);
            assertEquals(refused.statusCode(), 415, type);
            assertTrue(refused.body().contains("application/json"), refused.body());
        }
        assertEquals(
                send("/api/v1/run", "application/json; charset=utf-8", body).statusCode(), 200);
    }

    @DataProvider
    public Object[][] wrong() {
        return new Object[][] {
            {"/api/v1/run", "{\"circuitId\":9223372036854775808}", 400},
            {
                "/api/v1/run",
                "{\"circuitId\":1,\"scenario\":{\"untilSeconds\":5,\"faults\":[{\"kind\":\"lifted\",\"at\":[]}]}}",
                400
            },
            {"/api/v1/measure", "{\"circuitId\":1,\"scenario\":{\"untilSeconds\":5},\"readings\":[{\"mode\":[]}]}", 400
            },
            {"/api/v1/run", "[null]", 400},
            {"/api/v1/run", "", 400},
            {"/api/v1/check", "{\"circuit\":{\"wires\":[{\"ends\":[[],\"K1.A1\"]}]}}", 400},
            {"/api/v1/meters/XXXXXX/readings", "[null]", 400},
            {"/api/v1/meters/XXXXXX/readings", "{\"readings\":[null]}", 404},
        };
    }

    @Test(dataProvider = "wrong")
    public void wrongBodiesAreToldWithTheirPath(String path, String body, int status) throws Exception {
        HttpResponse<String> answer = send(path, "application/json", body);
        assertEquals(answer.statusCode(), status, answer.body());
        assertTrue(answer.body().contains("\"detail\""), answer.body());
    }

    private HttpResponse<String> browser(String path) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create(url(path)))
                        .header("Accept", "text/html")
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void unknownAddressesArePagesForBrowsers() throws Exception {
        for (String path :
                new String[] {"/nowhere", "/circuits/nowhere/bench", "/records/1", "/bench/999999", "/error"}) {
            HttpResponse<String> answer = browser(path);
            assertTrue(answer.statusCode() == 404 || answer.statusCode() == 400, path + " " + answer.statusCode());
            assertTrue(answer.body().contains("Go to the circuits"), path);
        }
    }

    @Test
    public void nothingOfAnObjectIsShownWhereAFieldComesTwice() {
        for (String path :
                new String[] {"/bench/1?s=x&s=y", "/circuits/lab-bench/sequence?t=a&t=b", "/sites/x?removed=&removed=z"
                }) {
            HttpResponse<String> twice = get(path);
            assertTrue(twice.statusCode() == 400 || twice.statusCode() == 404, path + " " + twice.statusCode());
            assertFalse(twice.body().contains("[L") || twice.body().contains("java"), twice.body());
        }
    }

    @Test
    public void whatIsRefusedIsEchoedAsPlainText() {
        HttpResponse<String> setting = submit("/settings/%3Cb%3Ex", "word", "<script>");
        assertTrue(setting.headers().firstValue("Content-Type").orElse("").startsWith("text/plain"));
        assertEquals(setting.statusCode(), 400);
    }

    @DataProvider
    public Object[][] ways() {
        return new Object[][] {
            {"/circuits/lab-bench/bench", "/circuits/lab-bench/bench"},
            {"//elsewhere.example", "/settings"},
            {"/\\elsewhere.example", "/settings"},
            {"https://elsewhere.example", "/settings"},
            {"/\t/elsewhere.example", "/settings"},
        };
    }

    @Test(dataProvider = "ways")
    public void redirectsStayOnTheSite(String back, String to) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(url("/settings/paper")))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .header("Cookie", "XSRF-TOKEN=t")
                .header("X-XSRF-TOKEN", "t")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "word=a4&back=" + java.net.URLEncoder.encode(back, StandardCharsets.UTF_8)))
                .build();
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 303);
        assertEquals(answer.headers().firstValue("Location").orElse(""), to);
    }

    @Test
    public void aStaleFormIsToldWithWhatHasChanged() {
        String slug = copy("lab-bench", "Stale forms");
        submit("/circuits/" + slug + "/edit/name", "base", "1", "name", "Renamed meanwhile");
        HttpResponse<String> rule =
                submit("/circuits/" + slug + "/proof/rules", "base", "1", "sentence", "Never K1 in while K2 in");
        assertEquals(rule.statusCode(), 409, rule.body());
        HttpResponse<String> scenario = submit("/circuits/" + slug + "/scenario/remove", "base", "1", "old", "0");
        assertEquals(scenario.statusCode(), 409, scenario.body());
        assertTrue(scenario.body().contains("has been changed since"), scenario.body());
    }
}
