package org.jagridge.web.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.jagridge.web.WebTest;
import org.testng.annotations.Test;

/** Circuits and sites are removed and put back with all that belongs to them. */
public class RemovalTest extends WebTest {
    private HttpResponse<String> browser(String path) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(url(path)))
                                .header("Accept", "text/html")
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void aCircuitThatIsRemovedCanBePutBack() throws Exception {
        String slug = copy("lab-bench", "To be removed");
        HttpResponse<String> removed = submit("/circuits/" + slug + "/remove");
        assertEquals(removed.statusCode(), 302, removed.body());
        assertTrue(get("/?removed=" + slug).body().contains("To be removed is removed."));
        assertFalse(get("/").body().contains("/circuits/" + slug + "/"));
        HttpResponse<String> gone = browser("/circuits/" + slug + "/bench");
        assertEquals(gone.statusCode(), 410);
        assertTrue(gone.body().contains("/circuits/" + slug + "/put-back"), gone.body());
        // its address isn't given to another one
        assertFalse(copy("lab-bench", "To be removed").equals(slug));
        assertEquals(submit("/circuits/" + slug + "/put-back").statusCode(), 302);
        assertTrue(get("/").body().contains("/circuits/" + slug + "/"));
    }

    @Test
    public void whatIsStillToBeUndoneKeepsACircuitOnTheList() {
        String slug = copy("lab-bench", "With a link");
        String bench = get("/circuits/" + slug + "/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        HttpResponse<String> link = submit(
                bench.replaceAll(".*(/bench/\\d+)\\?.*", "$1/put"),
                "s",
                "0",
                "t",
                "10",
                "act",
                "link",
                "one",
                "TH.R",
                "other",
                "TH.G",
                "reason",
                "fan");
        assertEquals(link.statusCode(), 200, link.body());
        HttpResponse<String> kept = submit("/circuits/" + slug + "/remove");
        assertEquals(kept.statusCode(), 400, kept.body());
        assertTrue(kept.body().contains("link TH.R to TH.G"), kept.body());
    }

    @Test
    public void aSiteIsRemovedAndPutBackWithItsCircuits() {
        String site = submit("/sites", "name", "Mill", "address", "Mill Lane")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll(".*/sites/", "");
        String one = made("Mill barn", site);
        String other = made("Mill shed", site);
        assertEquals(submit("/circuits/" + other + "/remove").statusCode(), 302);
        assertEquals(submit("/sites/" + site + "/remove").statusCode(), 302);
        assertEquals(get("/sites/" + site).statusCode(), 404);
        assertFalse(get("/").body().contains("Mill barn"));
        assertTrue(get("/sites").body().contains("/sites/" + site + "/put-back"));
        assertEquals(submit("/sites/" + site + "/put-back").statusCode(), 302);
        String home = get("/").body();
        assertTrue(home.contains("/circuits/" + one + "/"));
        assertFalse(home.contains("/circuits/" + other + "/"), "that was removed before");
    }

    private String made(String name, String site) {
        return submit("/circuits/new", "name", name, "pattern", "", "site", site)
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll(".*/circuits/([^/]+)/.*", "$1");
    }

    @Test
    public void aScenarioThatIsRemovedCanBePutBackAtOnce() {
        String slug = copy("propagation-house", "With a scenario");
        String sequence = get("/circuits/" + slug + "/sequence").body();
        assertTrue(sequence.contains("own-0"), "this demo has a scenario of its own");
        HttpResponse<String> removed = submit("/circuits/" + slug + "/scenario/remove", "base", "1", "old", "0");
        assertEquals(removed.statusCode(), 302, removed.body());
        String after = removed.headers().firstValue("Location").orElseThrow().replaceAll("https?://[^/]+", "");
        assertTrue(get(after).body().contains("The scenario is removed."));
        assertEquals(submit("/circuits/" + slug + "/scenario/undo", "base", "2").statusCode(), 302);
        assertTrue(get("/circuits/" + slug + "/sequence").body().contains("own-0"));
    }

    @Test
    public void aScenarioOverTheLimitsIsNotSaved() {
        String slug = copy("lab-bench", "Over the limits");
        HttpResponse<String> answer =
                submit("/circuits/" + slug + "/scenario", "base", "1", "name", "Too long", "until", "9000 h");
        assertTrue(answer.statusCode() == 400, answer.statusCode() + answer.body());
    }
}
