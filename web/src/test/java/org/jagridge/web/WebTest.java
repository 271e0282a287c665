package org.jagridge.web;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;

/** The whole application on a port of its own with a database in memory. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:web;DB_CLOSE_DELAY=-1",
            "jagridge.warm-up=false",
            "jagridge.history=false"
        })
public abstract class WebTest extends AbstractTestNGSpringContextTests {
    private static final String TOKEN = "a-token-of-the-tests";
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    @LocalServerPort
    private int port;

    protected String url(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    protected HttpResponse<String> post(String path, String json, String... headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url(path)))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json));
        for (int i = 0; i < headers.length; i += 2) {
            request.header(headers[i], headers[i + 1]);
        }
        return send(request.build());
    }

    /**
     * Sends a form as a page would.
     *
     * @param fields names and values in turn
     */
    protected HttpResponse<String> submit(String path, String... fields) {
        List<String> pairs = new ArrayList<>();
        for (int i = 0; i < fields.length; i += 2) {
            pairs.add(fields[i] + "=" + URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return send(asAPage(path, "application/x-www-form-urlencoded", String.join("&", pairs)));
    }

    /** Sends a file as a page's form would, in its field "file". */
    protected HttpResponse<String> upload(String path, String name, String content) {
        String body = "--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                + "\"\r\nContent-Type: text/plain\r\n\r\n" + content + "\r\n--cut--\r\n";
        return send(asAPage(path, "multipart/form-data; boundary=cut", body));
    }

    private HttpRequest asAPage(String path, String type, String body) {
        return HttpRequest.newBuilder(URI.create(url(path)))
                .header("Content-Type", type)
                .header("Cookie", "XSRF-TOKEN=" + TOKEN)
                .header("X-XSRF-TOKEN", TOKEN)
                .header("HX-Request", "true")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    /**
     * A copy of a demo circuit under a name of its own, for a test that changes it.
     *
     * @return its slug
     */
    protected String copy(String demo, String name) {
        HttpResponse<String> made = submit("/circuits/new", "name", name, "pattern", demo);
        return made.headers().firstValue("Location").orElseThrow().replaceAll(".*/circuits/([^/]+)/.*", "$1");
    }

    protected HttpResponse<String> get(String path) {
        return send(HttpRequest.newBuilder(URI.create(url(path))).build());
    }

    private static HttpResponse<String> send(HttpRequest request) {
        try {
            return HTTP.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The address of a new record of the training board's fan call, on the way to a load. */
    protected String record(String load) {
        return submit(
                        "/circuits/lab-bench/records",
                        "run",
                        "TH-fan",
                        "load",
                        load,
                        "school",
                        "common",
                        "who",
                        "Night class")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll("https?://[^/]+", "");
    }
}
