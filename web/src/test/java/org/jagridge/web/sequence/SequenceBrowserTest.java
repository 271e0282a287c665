package org.jagridge.web.sequence;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** The sequence of operation, the mode table and the comparison in a real browser. */
public class SequenceBrowserTest extends BrowserTest {
    private void open(String address) {
        page().navigate(url(address));
    }

    private Locator clock() {
        return page().locator("#told-clock");
    }

    private Locator step(String title) {
        return page().locator(".told-group li", new com.microsoft.playwright.Page.LocatorOptions().setHasText(title))
                .first();
    }

    @Test
    public void aClickedStepShowsItsInstantInBothDrawingsAndTheAddressKeepsIt() {
        open("/circuits/seminar-room/sequence?run=TH-heat");
        assertThat(page().locator(".told-group h2").first()).containsText("TH mode: heat");
        step("BLW MED").locator("a").click();
        assertThat(clock()).hasText("1:13.000");
        assertThat(page().locator(".connection .part[data-part='BLW']")).hasAttribute("data-signal", "MED");
        assertThat(page().locator(".ladder .symbol.flow[data-part='BLW']").first())
                .isAttached();
        assertThat(step("BLW MED")).hasClass(Pattern.compile(".*\\bnow\\b.*"));
        page().reload();
        assertThat(clock()).hasText("1:13.000");
        page().locator("body").press(",");
        assertThat(clock()).hasText("0:43.000");
        page().locator("body").press(".");
        assertThat(clock()).hasText("1:13.000");
        page().goBack();
        assertThat(clock()).hasText("0:43.000");
    }

    @Test
    public void taughtTellsWhyTheWayOfTheCurrentAndWhatItAllows() {
        open("/circuits/seminar-room/sequence?run=TH-heat");
        assertThat(page().locator(".told-group small")).hasCount(0);
        page().locator("#taught").check();
        assertThat(page().locator(".told-group li[data-part='IGN']").first()).containsText("now 119 V");
        assertThat(page().locator(".told-group li[data-part='PS']").first()).containsText("2 s after IND on");
        assertThat(page().locator(".told-group li[data-part='IND']").first()).containsText("allows: PS closed");
        assertThat(page().locator(".start-up li").first()).containsText("M gives 120 V");
    }

    @Test
    public void aFaultChangesTheStory() {
        open("/circuits/seminar-room/sequence?run=TH-heat");
        page().locator("#told-fault")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("load open IND"));
        page().waitForURL("**fault=**");
        assertThat(step("FC lockout")).isVisible();
        assertThat(step("GV on")).hasCount(0);
    }

    @Test
    public void theChartMovesTheInstant() {
        open("/circuits/seminar-room/sequence?run=TH-heat&t=5");
        Locator bar = page().locator(".chart .span[data-part='IGN']").first();
        bar.click(new Locator.ClickOptions().setPosition(new com.microsoft.playwright.options.Position(1, 5)));
        assertThat(clock()).hasText("0:22.000");
        assertTrue(page().url().contains("t=22"), page().url());
    }

    @Test
    public void theModeTableSaysWhatRunsOnEachCallAndLeadsToItsSequence() {
        open("/circuits/wardens-cottage/modes");
        Locator emergency = page().locator("tr[data-call='TH-emergency']");
        assertThat(emergency.locator("td.works")).hasCount(4);
        assertThat(page().locator("tr[data-call='TH-cool'] td.works")).hasCount(6);
        emergency.locator("a").click();
        assertThat(page().locator("#run")).hasValue("TH-emergency");
        String csv = get("/circuits/wardens-cottage/modes.csv").body();
        assertTrue(csv.startsWith("\uFEFFcall,AH,BLW,HC,HTR,CC,RV,CMP,OF"), csv);
        assertEquals(csv.lines().count(), 6);
    }

    @Test
    public void theComparisonShowsWhatAFaultTakesAway() {
        open("/circuits/wardens-cottage/compare?run=TH-cool");
        assertThat(page().locator(".verdict")).hasText("Both do the same at the same times.");
        page().locator("#fault")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("coil open CC"));
        page().locator("button[type='submit']").click();
        assertThat(page().locator(".verdict")).containsText("no longer happen");
        assertThat(page().locator("tr.only-before[data-part='CMP']").first()).containsText("CMP running");
        assertThat(page().locator("tr.first-difference")).containsText("CC in");
    }

    @Test
    public void theTableOfVoltsGoesTerminalByTerminalAndStepByStep() {
        open("/circuits/lab-bench/volts?run=TH-fan&load=K1:A1-A2");
        Locator thermostat = page().locator(
                        ".volts tbody tr", new com.microsoft.playwright.Page.LocatorOptions().setHasText("TH.G"));
        assertThat(thermostat.locator("td").nth(0).locator("b")).hasText(Pattern.compile("0\\.0.* V"));
        assertThat(thermostat.locator("td").nth(1).locator("b")).hasText(Pattern.compile("26\\.\\d+ V"));
        page().locator("#load").selectOption("K2:A1-A2");
        page().locator("#run").selectOption("TH-cool");
        page().locator("button[type='submit']").click();
        assertThat(page().locator(".volts tbody tr").first()).containsText("T1.X1");
        assertThat(page().locator(".volts thead")).containsText("TH mode: cool");
        assertEquals(get("/circuits/lab-bench/volts?load=NO:1").statusCode(), 404);
    }

    @Test
    public void filesAndBadAddresses() {
        assertTrue(get("/circuits/cold-store/run.vcd?run=TH-cool").body().startsWith("$version"));
        assertTrue(get("/circuits/cold-store/run.csv?run=TH-cool").body().contains("TH.setCelsius"));
        assertEquals(get("/circuits/cold-store/sequence?run=nonsense").statusCode(), 404);
        assertEquals(
                get("/circuits/cold-store/sequence?run=TH-cool&fault=99999").statusCode(), 404);
        assertEquals(get("/circuits/cold-store/compare?from=77").statusCode(), 404);
        assertEquals(get("/circuits/cold-store/sequence?run=TH-cool&t=1e99").statusCode(), 200);
        for (String slug : new String[] {"lab-bench", "propagation-house", "old-hall", "student-flat", "chapel"}) {
            assertEquals(get("/circuits/" + slug + "/sequence").statusCode(), 200, slug);
            assertEquals(get("/circuits/" + slug + "/modes").statusCode(), 200, slug);
            assertEquals(get("/circuits/" + slug + "/compare").statusCode(), 200, slug);
        }
    }
}
