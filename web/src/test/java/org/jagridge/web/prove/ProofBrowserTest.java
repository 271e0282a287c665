package org.jagridge.web.prove;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** The proof page in a real browser. */
public class ProofBrowserTest extends BrowserTest {
    private static final double LONG_MILLIS = 90_000;

    private Locator verdicts() {
        return page().locator(".proof-verdicts > li");
    }

    private void prove(String button) {
        page().locator(".proof-start button:has-text('" + button + "')").click();
        assertThat(verdicts().first()).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(LONG_MILLIS));
    }

    @Test
    public void theGlasshouseIsProvedAndAFaultPlaysOnTheBench() {
        page().navigate(url("/circuits/propagation-house/check"));
        page().locator(".beside a:has-text('proof')").click();
        assertThat(page().locator("h1")).hasText("What must never happen");
        assertThat(page().locator(".proof-rules li")).not().hasCount(0);
        prove("Prove, with every single fault");
        assertThat(verdicts().first()).containsText("holds");
        assertThat(verdicts().first()).containsText("states at rest");
        assertThat(page().locator(".proof-map tbody tr")).not().hasCount(0);
        page().reload();
        assertThat(verdicts().first()).containsText("holds");
        Locator hot = verdicts().first().locator(".faults-hot li").first();
        hot.locator("button").click();
        assertThat(page()).hasURL(Pattern.compile(".*/bench.*"));
        page().goBack();
        assertThat(verdicts().first()).containsText("holds");
    }

    @Test
    public void aRuleIsWrittenInASentenceAndAWordThatIsNotUnderstoodIsMarked() {
        page().navigate(url("/circuits/lab-bench/proof"));
        Locator sentence = page().locator("[name='sentence']");
        sentence.fill("Never L1 glowing while K1 is out");
        sentence.press("Enter");
        assertThat(page().locator(".proof-mistake mark")).hasCount(1);
        assertThat(page().locator("[name='sentence']")).hasValue("Never L1 glowing while K1 is out");
        page().locator("[name='sentence']").fill("Never K1 in and K1 out");
        page().locator("[name='sentence']").press("Enter");
        assertThat(page().locator(".proof-rules li span").first()).hasText("Never K1 in and K1 out");
        page().reload();
        assertThat(page().locator(".proof-rules li span").first()).hasText("Never K1 in and K1 out");
        page().locator(".proof-rules li button").first().click();
        assertThat(page().locator(".proof-rules")).containsText("No rule of its own yet");
    }

    @Test
    public void theAcceptanceSheetTakesEveryVentThroughEveryPosition() {
        page().navigate(url("/circuits/propagation-house/proof"));
        page().locator(".beside a:has-text('acceptance')").click();
        Locator rows = page().locator(".acceptance tbody tr");
        assertThat(rows.first()).containsText("burning");
        assertThat(page().locator(".acceptance tr:has(td:text-is('Ridge vent 1 half open, by its drive'))")
                        .first())
                .containsText("Tube heater: off");
        assertThat(page().locator("ul").last()).containsText("two faults at once");
        page().navigate(url("/circuits/chapel/acceptance"));
        assertThat(page().locator("main")).containsText("nothing to accept yet");
    }

    @Test
    public void aSheetIsGoneThroughAndWhatWasSeenStays() {
        page().navigate(url("/circuits/propagation-house/acceptance"));
        page().locator("[name='who']").fill("T. Rowe");
        page().locator("button:has-text('Go through it here')").click();
        assertThat(page().locator("[role='status']")).containsText("0 of ");
        Locator first = page().locator("#line-1");
        first.locator("[name='initials']").fill("TR");
        first.locator("button:has-text('so'):not(.quiet)").click();
        assertThat(page().locator("#line-1")).containsText("✓ so TR");
        assertThat(page().locator("#line-2 [name='initials']")).hasValue("TR");
        page().locator("#line-2 [name='words']").fill("it went on");
        page().locator("#line-2 [name='words']").press("Enter");
        assertThat(page().locator("#line-2")).containsText("✕ not so");
        page().locator("#line-2 button:has-text('take back')").click();
        assertThat(page().locator("#line-2 [name='words']")).hasValue("");
        page().locator("#line-2 [name='words']").fill("it went on");
        page().locator("#line-2 button:has-text('not so')").click();
        assertThat(page().locator("[role='status']")).containsText("was not as it must be");
        page().reload();
        assertThat(page().locator("#line-2")).containsText("it went on");
        page().navigate(url("/circuits/propagation-house/acceptance"));
        assertThat(page().locator(".gone")).containsText("T. Rowe");
        assertThat(page().locator(".gone")).containsText("1 as they must be, 1 not");
        page().navigate(url("/acceptances/00000000-0000-0000-0000-000000000000"));
        assertThat(page().locator("main")).containsText("There is no acceptance");
    }

    @Test
    public void aStandingRuleIsSwitchedOffAndOnAgain() {
        page().navigate(url("/circuits/cold-store/proof"));
        page().locator(".proof-rules summary").click();
        page().locator(".standing button").first().click();
        assertThat(page().locator(".proof-rules")).containsText("1 of them is switched off and not proved");
        page().reload();
        page().locator(".proof-rules summary").click();
        page().locator(".standing .off button").click();
        assertThat(page().locator(".proof-rules")).not().containsText("switched off and not");
    }

    @Test
    public void aProofThatIsUnderWayCanBeCancelled() {
        page().navigate(url("/circuits/wardens-cottage/proof"));
        page().locator(".proof-start button:has-text('Prove, with')").click();
        page().locator(".proof-progress button").click();
        assertThat(page().locator(".proof-start button").first())
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(LONG_MILLIS));
    }
}
