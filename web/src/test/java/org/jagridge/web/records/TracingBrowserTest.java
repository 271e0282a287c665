package org.jagridge.web.records;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Page;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** Wires traced with a meter, in a real browser. */
public class TracingBrowserTest extends BrowserTest {
    private void begin(String circuit, String ends) {
        page().navigate(url("/circuits/" + circuit + "/tracing"));
        page().locator("#body").fill(ends);
        page().locator("text=Begin").last().click();
    }

    /** A circuit of its own, so that others keep their drawings. */
    private String copyOf(String pattern, String name) {
        page().navigate(url("/circuits/new"));
        page().locator("#name").fill(name);
        page().locator("#pattern").selectOption(pattern);
        page().locator("text=Begin").last().click();
        page().waitForURL("**/edit");
        return page().url().replaceAll(".*/circuits/([^/]+)/edit", "$1");
    }

    /** Notes a round: which end must be held, and which ends beep. */
    private void round(String held, String... beeping) {
        assertThat(page().locator(".held")).hasText(held);
        for (String end : beeping) {
            page().getByLabel(end, new Page.GetByLabelOptions().setExact(true)).check();
        }
        int before = page().locator(".rounds li").count();
        page().locator(".note-round").click();
        assertThat(page().locator(".rounds li")).hasCount(before + 1);
    }

    @Test
    public void everyActIsProposedAndWhatIsTracedBecomesTheDrawing() {
        String slug = copyOf("lab-bench", "Traced board");
        begin(slug, "TH.G, green\nTH.C, blue\nXT.3, green\nXT.2, blue\nK1.A2, blue");
        assertThat(page().locator(".lift")).containsText("TH.G green");
        assertThat(page().locator(".note-round .none")).isVisible();
        assertThat(page().locator(".note-round .some")).isHidden();
        round("TH.G green", "XT.3 green");
        assertThat(page().locator(".act h2")).hasText("Lift test");
        assertThat(page().locator(".lift")).containsText("XT.3 green");
        assertThat(page().locator(".touch")).hasCount(1);
        page().reload();
        round("TH.G green", "XT.3 green");
        assertThat(page().locator(".conductors")).containsText("TH.G green, XT.3 green");
        round("TH.C blue", "XT.2 blue", "K1.A2 blue");
        round("TH.C blue", "XT.2 blue", "K1.A2 blue");
        assertThat(page().locator("#decided")).hasText("5 of 5 ends decided");
        assertThat(page().locator(".conductors")).containsText("a splice that nobody has seen");
        assertThat(page().locator(".off")).containsText("K1.A2 blue");
        page().locator("text=Make it the drawing").click();
        page().waitForURL("**/edit");
        assertThat(page().locator("#wires [value='HS1.3']")).hasCount(1);
        page().navigate(url("/circuits/" + slug + "/revisions"));
        assertThat(page().locator("main")).containsText("traced 2 conductors");
    }

    @Test
    public void aRoundCanBeTakenBackAndOneFromAnOldPageIsNotTaken() {
        begin("lab-bench", "TH.R, red\nXT.1, red\nTH.Y, yellow");
        String tracing = page().url();
        Page old = newPage();
        old.navigate(tracing);
        round("TH.R red");
        assertThat(page().locator(".held")).hasText("XT.1 red");
        old.locator(".note-round").click();
        assertThat(old.locator("[role='alert']")).containsText("noted already");
        assertThat(old.locator(".rounds li")).hasCount(1);
        old.close();
        page().locator("text=Take the last round back").click();
        assertThat(page().locator(".rounds li")).hasCount(0);
        assertThat(page().locator(".held")).hasText("TH.R red");
        page().keyboard().press("Tab");
        page().getByLabel("XT.1 red").focus();
        page().keyboard().press("Space");
        assertThat(page().locator(".note-round .some")).isVisible();
    }

    @Test
    public void anEndThatBeepedOnlyThroughAPartIsNoConductorWithTheOther() {
        begin("lab-bench", "TH.R, red\nXT.1, red\nTH.Y, yellow\nXT.4, yellow");
        round("TH.R red", "XT.1 red");
        round("TH.R red", "XT.1 red");
        round("TH.Y yellow", "XT.4 yellow");
        round("TH.Y yellow");
        assertThat(page().locator("#decided")).hasText("4 of 4 ends decided");
        assertThat(page().locator(".conductors li")).hasCount(3);
        assertThat(page().locator(".traced")).isVisible();
    }

    @Test
    public void whatTheAsFoundRecordLeavesOpenIsListedAndWrittenBack() {
        String slug = copyOf("lab-bench", "Found board");
        page().navigate(url("/circuits/" + slug + "/as-found"));
        page().locator("#body").fill("TH.R, red, XT.1\nTH.G, green, ?\nXT.3, green, ?");
        page().locator("text=Save and compare").click();
        page().locator("text=Trace the 2 open ends").click();
        assertThat(page().locator("#body")).hasValue("TH.G, green\nXT.3, green");
        page().locator("text=Begin").last().click();
        round("TH.G green", "XT.3 green");
        round("TH.G green", "XT.3 green");
        page().locator("text=Write it into the as-found record").click();
        assertThat(page().locator("#body")).hasValue("TH.R, red, XT.1\nTH.G, green, XT.3\nXT.3, green, TH.G");
        assertThat(page().locator(".open-ends")).hasCount(0);
    }

    @Test
    public void badListsAreToldWithTheirLinesAndKept() {
        begin("lab-bench", "TH.R, red\nnonsense\nTH.Z, blue");
        assertThat(page().locator(".problems")).containsText("line 2: \"nonsense\" is not a terminal");
        assertThat(page().locator(".problems")).containsText("line 3: the circuit has no terminal TH.Z");
        assertThat(page().locator("#body")).hasValue("TH.R, red\nnonsense\nTH.Z, blue");
        page().locator("#body").fill("TH.R, red");
        page().locator("text=Begin").last().click();
        assertThat(page().locator(".problems")).containsText("two ends at least");
        assertEquals(get("/tracings/999999").statusCode(), 404);
    }
}
