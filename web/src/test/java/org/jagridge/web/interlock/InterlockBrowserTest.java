package org.jagridge.web.interlock;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** The interlock planner in a real browser. */
public class InterlockBrowserTest extends BrowserTest {
    private static final String ONE = "?o.id=V1&o.signal=ac-while-moving&o.volts=24&o.limit=%s&o.metres=12"
            + "&h.id=H1&h.control=24V-pair&h.amps=1&h.to=";
    private static final double LONG_MILLIS = 90_000;

    private Locator plans() {
        return page().locator(".interlock-plan:not(.rejected)");
    }

    private void wait(Locator l) {
        assertThat(l.first()).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(LONG_MILLIS));
    }

    @Test
    public void plansAreRankedAndTheBestOpensWithItsProof() {
        page().navigate(url("/plan"));
        page().locator(".beside a:has-text('interlocks')").click();
        page().navigate(url("/plan/interlock" + ONE.formatted("yes")));
        wait(plans());
        assertThat(plans().first()).containsText("Recommended");
        assertThat(plans().first().locator("table").first()).containsText("V1");
        assertThat(page().locator(".interlock-plan.rejected")).containsText("Opening V1 half open");
        plans().first().locator("button:has-text('Open its circuit')").click();
        assertThat(page()).hasURL(Pattern.compile(".*/proof$"));
        assertThat(page().locator(".proof-rules li").first()).containsText("H1 never burns while V1 is not shut");
        page().locator(".proof-start button:has-text('and a second one')").click();
        Locator latent = page().locator(".latent").first();
        assertThat(latent).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(3 * LONG_MILLIS));
        assertThat(latent).containsText("contact welded V1-L C-NO, then");
        latent.locator("button").first().click();
        assertThat(page()).hasURL(Pattern.compile(".*/bench.*"));
    }

    @Test
    public void whatDoesNotHoldPlaysOnABench() {
        page().navigate(url("/plan/interlock" + ONE.formatted("no")));
        Locator rejected = page().locator(".interlock-plan.rejected");
        wait(rejected);
        assertThat(plans()).hasCount(0);
        rejected.locator("button").click();
        assertThat(page()).hasURL(Pattern.compile(".*/bench.*"));
    }

    @Test
    public void anotherOpeningLikeOneGetsTheNextNumberAndItsHeaters() {
        page().navigate(url("/plan/interlock" + ONE.formatted("yes")));
        page().locator("[name='o.metres']").first().fill("31");
        page().locator("[name='h.to']").first().fill("V1");
        page().locator("button:has-text('another like it')").first().click();
        assertThat(page().locator("[name='o.id']").nth(1)).hasValue("V2");
        assertThat(page().locator("[name='o.metres']").nth(1)).hasValue("31");
        assertThat(page().locator("[name='h.to']").first()).hasValue("V1 V2");
        assertThat(page().locator("#plans")).hasCount(0);
        // Enter in a field plans, and doesn't add another one
        page().locator("[name='o.metres']").nth(1).press("Enter");
        assertThat(page().locator("#plans")).isVisible();
        assertThat(page().locator("[name='o.id']")).hasCount(3);
    }

    @Test
    public void mistakesAreToldAtTheirRowAndNothingIsLost() {
        page().navigate(url("/plan/interlock"));
        page().locator("[name='o.metres']").first().fill("far");
        page().locator("[name='h.to']").first().fill("V9");
        page().locator("button:has-text('Plan and prove')").click();
        assertThat(page().locator("[role='alert']")).containsText("/openings/0/metres");
        assertThat(page().locator("[role='alert']")).containsText("no opening \"V9\"");
        assertThat(page().locator("[name='o.metres']").first()).hasValue("far");
        page().locator("[name='o.id']").last().fill("DOOR");
        page().locator("[name='o.metres']").first().fill("10");
        page().locator("[name='h.to']").first().fill("DOOR");
        page().locator("button:has-text('Plan and prove')").click();
        assertThat(page().locator("[name='o.id']").nth(3)).hasValue("DOOR");
        assertThat(page().locator("[role='alert']")).hasCount(0);
    }

    @Test
    public void theWorkSheetCutsMarksAndSavesAndIsCopiedToTheNextPlace() {
        page().navigate(url("/plan/interlock" + ONE.formatted("yes")));
        page().locator("[name='place']").fill("North bay");
        page().locator("[name='place']").press("Enter");
        wait(plans());
        plans().first().locator("a:has-text('cut list')").click();
        wait(page().locator("[aria-label='Cut list'] tbody tr"));
        assertThat(page().locator("h1")).containsText("North bay");
        assertThat(page().locator("[aria-label='Cut list']")).containsText("At V1");
        assertThat(page().locator(".labels li")).not().hasCount(0);
        assertThat(page().locator("[aria-label='Acceptance']")).containsText("Opening V1 half open");
        assertThat(page().locator("[aria-label='What it saves'] tbody tr")).containsText("H1");
        page().locator("[name='hours']").fill("many");
        page().locator("button:has-text('Run the day')").click();
        assertThat(page().locator("[aria-label='What it saves'] [role='alert']"))
                .containsText("\"many\" was given");
        page().locator("a:has-text('Copy to the next place')").click();
        assertThat(page().locator(".notice")).containsText("Copied from North bay");
        page().locator("[name='place']").fill("South bay");
        page().locator("[name='o.metres']").first().fill("40");
        page().locator("[name='o.metres']").first().press("Enter");
        wait(plans());
        plans().first().locator("a:has-text('cut list')").click();
        wait(page().locator("[aria-label='What is otherwise'] tbody tr"));
        assertThat(page().locator("[aria-label='What is otherwise']")).containsText("Otherwise than at North bay");
        assertThat(page().locator("[aria-label='What is otherwise']")).containsText("40 m");
        page().goBack();
        assertThat(page().locator("[name='o.metres']").first()).hasValue("40");
    }

    @Test
    public void theSignalFinderNamesTheKindAndWhatInterlocksComeOfIt() {
        page().navigate(url("/plan/signal"));
        Locator next = page().locator(".signal-ask tr.next");
        assertThat(next).hasCount(1);
        page().locator("[name='moving']").selectOption("ac");
        page().locator("button:has-text('What is it?')").click();
        assertThat(page().locator("[role='status']").first()).containsText("2 kinds fit");
        page().locator("[name='half']").selectOption("nothing");
        page().locator("[name='limit']").selectOption("no");
        page().locator("button:has-text('What is it?')").click();
        assertThat(page().locator("[role='status']").first())
                .containsText("only one gives that: AC while its drive moves it");
        assertThat(page().locator("main")).containsText("Not looked at yet: shut, at a standstill;");
        wait(page().locator(".interlock-plan.rejected"));
        assertThat(page().locator(".interlock-plan.rejected").first()).containsText("broken without any fault");
        page().reload();
        assertThat(page().locator("[name='moving']")).hasValue("ac");
        page().locator("[name='shut']").selectOption("dc");
        page().locator("button:has-text('What is it?')").click();
        assertThat(page().locator("[role='status']").first()).containsText("None of these kinds");
    }
}
