package org.jagridge.web.prove;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.assertions.LocatorAssertions;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** Repair before replacement in a real browser. */
public class RepairBrowserTest extends BrowserTest {
    /** With hundreds of faults left a cold page is worked out beside, and comes by itself. */
    private static final double LONG_MILLIS = 60_000;

    @Test
    public void heatWithAnOpenVentIsNarrowedDownToAFaultThatPlays() {
        page().navigate(url("/circuits/propagation-house/check"));
        page().locator(".beside a:has-text('repair')").click();
        page().locator("[name='leaf']").selectOption("V1");
        page().locator("[name='part']").selectOption("TUBE");
        page().locator("button:has-text('What explains it?')").click();
        assertThat(page().locator(".verdict")).containsText("single faults explain all of it");
        assertThat(page().locator(".repair-spots")).containsText("contact welded KN");
        page().locator(".repair-next button:has-text('off')").click();
        assertThat(page().locator(".repair-spots")).not().containsText("contact welded KN");
        assertThat(page().locator(".repair-spots")).containsText("contact welded LS1 C-NO");
        assertThat(page().locator(".repair-ask tbody tr")).hasCount(3);
        page().reload();
        assertThat(page().locator(".repair-spots")).containsText("contact welded LS1 C-NO");
        page().locator(".repair-spots button").first().click();
        assertThat(page()).hasURL(Pattern.compile(".*/bench.*"));
        page().goBack();
        assertThat(page().locator(".repair-spots")).containsText("contact welded LS1 C-NO");
    }

    @Test
    public void whatTheDrawnCircuitDoesIsSaidAndNonsenseIsLeftOut() {
        String row = "?leaf=V1&position=open&by=drive&part=TUBE&state=off";
        page().navigate(url("/circuits/propagation-house/repair" + row + "&leaf=NONE&position=x&by=&part=&state="));
        assertThat(page().locator(".verdict"))
                .containsText(
                        "as drawn does just that", new LocatorAssertions.ContainsTextOptions().setTimeout(LONG_MILLIS));
        page().navigate(url("/circuits/chapel/repair"));
        assertThat(page().locator("main")).containsText("no heat that answers to an opening");
    }
}
