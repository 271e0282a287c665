package org.jagridge.web.select;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** The selectors in a real browser. */
public class SelectBrowserTest extends BrowserTest {
    private Locator status() {
        return page().locator("[role='status']");
    }

    @Test
    public void aChoiceShowsItsWorkingAndItsTrialPlaysOnTheBench() {
        page().navigate(url("/plan"));
        page().locator(".beside a:has-text('selectors')").click();
        page().locator(".selector-list a:has-text('Current switch')").click();
        assertThat(status()).containsText("It closes with the load");
        page().locator("[name='amps']:visible").fill("0,3");
        page().locator("[name='amps']:visible").press("Enter");
        assertThat(status()).containsText("It doesn't close");
        assertThat(page().locator(".formula").first()).hasText("0.30 A × 1");
        assertThat(page().locator("tr:has(th:text-is('turns needed')) td").last())
                .hasText("3");
        page().locator("[name='turns']:visible").fill("3");
        page().locator("button:has-text('Choose')").click();
        assertThat(status()).containsText("It closes with the load");
        page().reload();
        assertThat(page().locator("[name='turns']:visible")).hasValue("3");
        page().locator("button:has-text('See the trial')").click();
        assertThat(page()).hasURL(Pattern.compile(".*/bench.*"));
        page().goBack();
        assertThat(page().locator("[name='turns']:visible")).hasValue("3");
    }

    @Test
    public void everySelectorOpensAndWhatCannotBeReadIsTold() {
        page().navigate(url("/select"));
        int all = page().locator(".selector-list a").count();
        for (int i = 0; i < all; i++) {
            page().locator(".selector-list a").nth(i).click();
            assertThat(status()).hasClass(Pattern.compile(".*good.*"));
        }
        page().navigate(url("/select/heater?volts=lots"));
        assertThat(page().locator("[role='alert']")).containsText("measured there: \"lots\" was given");
        assertThat(page().locator("[name='volts']:visible")).hasValue("lots");
        page().navigate(url("/select/teapot"));
        assertThat(page().locator("main")).containsText("There is no selector");
    }
}
