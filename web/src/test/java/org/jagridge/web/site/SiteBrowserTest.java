package org.jagridge.web.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

public class SiteBrowserTest extends BrowserTest {
    private Locator circuit(String slug) {
        return page().locator("[data-circuit='" + slug + "']");
    }

    @Test
    public void equipmentIsWrittenDownWithItsNameplateAndTakenOffAgain() {
        page().navigate(url("/site"));
        page().locator("[name='slug']").selectOption("student-flat");
        page().locator("[name='place']").fill("kitchen");
        page().locator("text=Add").last().click();
        assertThat(page().locator(".verdict.bad")).containsText("Give the equipment a name");
        assertThat(page().locator("[name='place']")).hasValue("kitchen");
        assertThat(page().locator("[name='slug']")).hasValue("student-flat");
        page().locator("[name='name']").fill("Boiler");
        page().locator("#nameplate").fill("230 V 50 Hz\n<b>3 A</b>");
        page().locator("text=Add").last().click();
        assertThat(circuit("student-flat").locator("li")).containsText("Boiler");
        assertThat(circuit("student-flat").locator("pre")).hasText("230 V 50 Hz\n<b>3 A</b>");
        page().reload();
        circuit("student-flat").locator("button").click();
        assertThat(circuit("student-flat").locator("li")).hasCount(0);
    }

    @Test
    public void whatIsLeftAtABenchStandsBeforeTheHandOver() {
        page().navigate(url("/circuits/chapel/bench"));
        page().locator("#put summary").click();
        page().locator("[name='one']").fill("TH.1");
        page().locator("[name='other']").fill("TH.2");
        page().locator("[name='other']").press("Enter");
        assertThat(page().locator(".temporary")).hasCount(1);
        page().navigate(url("/site"));
        assertThat(circuit("chapel").locator(".left")).hasText("link TH.1 to TH.2");
        assertThat(page().locator(".verdict")).containsText("not ready for the hand-over");
        circuit("chapel").locator("h2 a").click();
        page().locator(".temporary button").click();
        assertThat(page().locator(".temporary")).hasCount(0);
        page().navigate(url("/site"));
        assertThat(circuit("chapel").locator(".left")).hasCount(0);
    }
}
