package org.jagridge.web.check;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** From a finding to the moment that showed it. */
public class TrialBrowserTest extends BrowserTest {
    @Test
    public void aFindingOpensItsTrialOnABenchOfItsOwn() {
        String own = get("/circuits/cold-store/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        Page page = page();
        page.navigate(url("/circuits/cold-store/check"));
        Locator finding =
                page.locator(".finding[data-code='restarts-after-power']").first();
        assertThat(finding).containsText("HPS (High-pressure switch)");
        finding.locator("button").click();
        assertThat(page).hasURL(Pattern.compile(".*/bench/\\d+\\?s=\\d+&t=1836"));
        assertThat(page.locator("#about")).containsText("starts by itself when the power has been away");
        assertThat(page.locator("#clock")).hasText("30:36.000");
        assertThat(page.locator(".connection .part[data-part='CMP']")).containsText("running");

        // an older act is taken back like any other, and the circuit's own bench is as it was
        page.locator("#undo").click();
        assertThat(page).not().hasURL(Pattern.compile(".*t=1836"));
        page.goBack();
        assertThat(page.locator("#about")).isVisible();
        assertEquals(
                get("/circuits/cold-store/bench")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow(),
                own);
        page.locator("#about a").first().click();
        assertThat(page).hasURL(Pattern.compile(".*/circuits/cold-store/check"));
    }

    @Test
    public void whatIsNotFoundAnyMoreIsSaid() {
        var answer = submit(
                "/circuits/cold-store/check/trial",
                "code",
                "runs-uncalled",
                "message",
                "CMP runs with nothing calling.");
        assertEquals(answer.statusCode(), 404);
        assertTrue(answer.body().contains("found any more"), answer.body());
    }
}
