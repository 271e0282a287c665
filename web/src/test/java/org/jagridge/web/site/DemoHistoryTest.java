package org.jagridge.web.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.WebTest;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** A new demo site comes with what has been done there: no list is empty at first sight. */
@TestPropertySource(
        properties = {"jagridge.history=true", "spring.datasource.url=jdbc:h2:mem:history;DB_CLOSE_DELAY=-1"})
public class DemoHistoryTest extends WebTest {
    private String page(String address) {
        var answer = get(address);
        assertEquals(answer.statusCode(), 200, address);
        return answer.body();
    }

    @Test
    public void aFilledSheetHasALineOutOfRangeAndSaysWhatTheyProve() {
        Matcher records = Pattern.compile("/records/[0-9a-f-]{36}").matcher(page("/circuits/seminar-room/sheet"));
        assertTrue(records.find(), "the sheet's page lists its records");
        String after = records.group();
        assertTrue(records.find(), "one before and one after the repair");
        String before = records.group();
        String state = page(before + "/state");
        assertTrue(state.contains("\"right\":false"), state);
        assertTrue(state.contains("\"right\":true"), state);
        assertFalse(page(before + "/proof").isBlank());
        assertTrue(page(before).contains("D. Medlar"));
        assertFalse(page(after + "/state").contains("\"right\":false"));
        String both = page(before + "/after/" + after.replaceAll(".*/", ""));
        assertTrue(both.contains("out of range before, right now"), both);
        assertTrue(both.contains("lines are right now"), both);
    }

    @Test
    public void whatWasFoundDiffersFromTheDrawing() {
        String found = page("/circuits/old-hall/as-found");
        assertTrue(found.contains("H. Quince"));
        assertTrue(found.contains("TH3.W"), "the conductor that goes nowhere");
    }

    @Test
    public void aRevisionIsAnotherRouteOfTheSameNets() {
        String page = page("/circuits/lab-bench/revisions");
        assertTrue(page.contains("Same nets, another route"), page);
        assertTrue(page.contains("w31"));
    }

    @Test
    public void aLinkIsLeftWithWhoAndUntilWhen() {
        assertTrue(page("/sites/quillmere").contains("TA.X1"), "on the site's list of what is to be undone");
        String bench =
                get("/circuits/old-hall/bench").headers().firstValue("Location").orElseThrow();
        assertTrue(page(bench.replaceAll("^https?://[^/]+", "")).contains("D. Medlar, until 4 December"));
    }

    @Test
    public void aDrawnPhotoHasAPinAtEachPost() {
        String photos = page("/circuits/lab-bench/photos");
        assertTrue(photos.contains("Strip of test points"));
        assertTrue(photos.contains("XT.10"));
    }
}
