package org.jagridge.web.sequence;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.Position;
import com.microsoft.playwright.options.SelectOption;
import java.net.http.HttpResponse;
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
        return page().locator(".told-group li", new Page.LocatorOptions().setHasText(title))
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
        page().locator("#told-fault").selectOption(new SelectOption().setLabel("load open IND"));
        page().waitForURL("**fault=**");
        assertThat(step("FC lockout")).isVisible();
        assertThat(step("GV on")).hasCount(0);
    }

    @Test
    public void theChartMovesTheInstant() {
        open("/circuits/seminar-room/sequence?run=TH-heat&t=5");
        Locator bar = page().locator(".chart .span[data-part='IGN']").first();
        bar.click(new Locator.ClickOptions().setPosition(new Position(1, 5)));
        assertThat(clock()).hasText("0:22.000");
        assertTrue(page().url().contains("t=22"), page().url());
    }

    @Test
    public void keysInTheChartGoFromChangeToChangeAndZoomWidensIt() {
        open("/circuits/seminar-room/sequence?run=TH-heat&t=5");
        Locator chart = page().locator(".chart");
        chart.focus();
        page().keyboard().press("ArrowRight");
        assertThat(clock()).hasText("0:07.000");
        assertThat(chart).isFocused();
        page().keyboard().press("ArrowRight");
        assertThat(clock()).hasText("0:22.000");
        page().keyboard().press("ArrowLeft");
        assertThat(clock()).hasText("0:07.000");
        page().keyboard().press("Home");
        assertThat(clock()).hasText("0:00.000");
        double narrow = page().locator(".chart-plot svg").boundingBox().width;
        page().locator("#chart-closer").click();
        page().waitForURL("**zoom=2**");
        assertTrue(page().locator(".chart-plot svg").boundingBox().width > 1.9 * narrow);
        page().keyboard().press("-");
        page().waitForURL("**zoom=1**");
        assertEquals(page().locator(".chart-plot svg").boundingBox().width, narrow, 1);
    }

    @Test
    public void hoveringReadsTheChartAndDraggingMovesTheInstant() {
        open("/circuits/seminar-room/sequence?run=TH-heat&t=5");
        Locator igniter = page().locator(".chart-names .t-value[data-part='IGN']");
        assertThat(igniter).hasText("off");
        Locator bar = page().locator(".chart .span[data-part='IGN']").first();
        bar.hover(new Locator.HoverOptions().setPosition(new Position(6, 6)));
        assertThat(page().locator(".chart .hover b")).hasText("0:22.000");
        assertThat(igniter).hasText("on");
        assertThat(clock()).hasText("0:05.000");
        page().locator(".steps").hover();
        assertThat(page().locator(".chart .hover")).hasCount(0);
        assertThat(igniter).hasText("off");

        BoundingBox from = bar.boundingBox();
        page().mouse().move(from.x + 3, from.y + 5);
        page().mouse().down();
        assertThat(clock()).hasText("0:22.000");
        page().mouse().move(from.x + from.width - 1, from.y + 5);
        assertThat(clock()).hasText("0:43.000");
        page().mouse().up();
        assertTrue(page().url().contains("t=43"), page().url());
    }

    @Test
    public void arrowsLeadFromACauseToItsEffectAndTheChartIsAFile() {
        open("/circuits/seminar-room/sequence?run=TH-heat&t=7");
        assertThat(page().locator(".chart .arrow.now title").first()).hasText("IND → PS");
        assertThat(page().locator(".chart .curve[data-part='ROOM']")).hasCount(1);
        assertThat(page().locator(".chart .t-fold", new Page.LocatorOptions().setHasText("30 s")))
                .isVisible();
        String href =
                page().locator("a", new Page.LocatorOptions().setHasText("SVG")).getAttribute("href");
        HttpResponse<String> file = get(href);
        assertEquals(file.statusCode(), 200);
        assertTrue(file.headers().firstValue("Content-Disposition").orElse("").contains("timing.svg"));
        assertTrue(file.body().startsWith("<svg xmlns=") && file.body().contains("<style>"), file.body());
        assertTrue(file.body().contains("data-part=\"IGN\""));
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
        assertTrue(csv.startsWith("\uFEFFcall,AH,BLW,HC,HTR,CC,RV,CMP,OF,heat pump"), csv);
        assertEquals(csv.lines().count(), 6);
    }

    @Test
    public void theComparisonShowsWhatAFaultTakesAway() {
        open("/circuits/wardens-cottage/compare?run=TH-cool");
        assertThat(page().locator(".verdict")).hasText("Both do the same at the same times.");
        page().locator("#fault").selectOption(new SelectOption().setLabel("coil open CC"));
        page().locator("button[type='submit']").click();
        assertThat(page().locator(".verdict")).containsText("no longer happen");
        assertThat(page().locator("tr.only-before[data-part='CMP']").first()).containsText("CMP running");
        assertThat(page().locator("tr.first-difference")).containsText("CC in");
    }

    @Test
    public void theTableOfVoltsGoesTerminalByTerminalAndStepByStep() {
        open("/circuits/lab-bench/volts?run=TH-fan&load=K1:A1-A2");
        Locator thermostat = page().locator(".volts tbody tr", new Page.LocatorOptions().setHasText("TH.G"));
        assertThat(thermostat.locator("td").nth(0).locator("b")).hasText(Pattern.compile("0\\.0.* V"));
        assertThat(thermostat.locator("td").nth(1).locator("b")).hasText(Pattern.compile("26\\.\\d+ V"));
        page().locator("#load").selectOption("K2:A1-A2");
        page().locator("#run").selectOption("TH-cool");
        page().locator("button[type='submit']").click();
        assertThat(page().locator(".volts tbody tr").first()).containsText("T1.X1");
        assertThat(page().locator(".volts thead")).containsText("TH mode: cool");
        assertEquals(get("/circuits/lab-bench/volts?load=NO:1").statusCode(), 404);
        String csv =
                get("/circuits/lab-bench/volts.csv?run=TH-fan&load=K1:A1-A2").body();
        assertTrue(csv.startsWith("\uFEFFterminal,before the call: V to T1.X2,"), csv);
        assertTrue(csv.lines().anyMatch(l -> l.startsWith("TH.G,0.0")), csv);
        String slug = copy("lab-bench", "A wire less");
        submit("/circuits/" + slug + "/edit/remove-wire", "base", "1", "old", "w14");
        HttpResponse<String> none = get("/circuits/" + slug + "/volts.csv?run=TH-fan&load=K1:A1-A2");
        assertEquals(none.statusCode() + none.body().strip(), "200\uFEFFterminal");
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

    @Test
    public void aStripsTableHasEveryStateOfItsControls() {
        page().navigate(url("/circuits/student-flat/volts"));
        page().locator(".beside a", new Page.LocatorOptions().setHasText("volts at a strip"))
                .click();
        assertThat(page().locator(".strip tbody tr")).hasCount(16);
        assertThat(page().locator(".strip .post").first()).containsText("brown F1.2");
        assertThat(page().locator(".strip tbody")).containsText("ghost");
        String csv = get("/circuits/student-flat/strip.csv?at=WC").body();
        assertTrue(csv.contains("WC.8: V to WC.2"), csv);
        page().navigate(url("/circuits/chapel/strip"));
        assertThat(page().locator("main"))
                .containsText("No terminal strip or wiring centre of this circuit has a wire on it.");
        assertEquals(get("/circuits/student-flat/strip?at=NOPE").statusCode(), 404);
    }

    @Test
    public void outputByOutputSaysWhatItMeansIfNothingIsThere() {
        page().navigate(url("/circuits/chapel/sheet"));
        page().locator(".beside a").click();
        assertThat(page().locator(".outputs tbody tr")).hasCount(1);
        assertThat(page().locator(".outputs .asked")).containsText("single faults");
        assertThat(page().locator(".outputs")).containsText("Next measure across TH 1–2");
        assertEquals(get("/circuits/chapel/outputs?control=NOPE").statusCode(), 404);
        assertEquals(get("/circuits/chapel/outputs/nothing?control=TH&row=9").statusCode(), 404);
    }
}
