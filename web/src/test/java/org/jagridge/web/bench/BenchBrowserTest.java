package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The bench in a real browser. */
public class BenchBrowserTest extends BrowserTest {
    private BenchPage bench;

    @BeforeMethod
    public void openBench() {
        page().navigate(url("/bench/" + bench() + "?s=0&t=10"));
        bench = new BenchPage(page());
        bench.settled();
    }

    /** The number of the demo bench; made by asking for it once. */
    private long bench() {
        String location = get("/circuits/lab-bench/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        return Long.parseLong(location.replaceAll(".*/bench/(\\d+).*", "$1"));
    }

    @Test
    public void aNewcomerIsAtALiveBenchWithinOneClickAndSeesCurrentWithinTwo() {
        Page page = bench.page();
        page.navigate(url("/"));
        page.locator(".open-bench", new Page.LocatorOptions().setHasText("Training board"))
                .click();
        assertThat(page.locator("#workspace")).isVisible();
        assertThat(bench.ladderSymbol("K6", "A1-A2")).hasClass(Pattern.compile("flow"));
    }

    @Test
    public void turningTheFanOnChangesBothDrawingsTheTraceAndTheMeterTogether() {
        bench.lead("TH.R", "TH.G");
        assertThat(bench.reading()).hasText(Pattern.compile("26\\..*"));
        bench.choose("TH.fan", "on");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "in");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        assertThat(bench.currentEvent()).containsText("LP1 on");
        assertThat(bench.reading()).hasText(Pattern.compile("0\\.0.*"));
        assertThat(bench.page().locator(".timing .span[data-part='K1']")).hasCount(1);
    }

    @Test
    public void hoveringACoilInOneDrawingLightsItInTheOther() {
        bench.fit();
        bench.ladderSymbol("K2", "A1-A2").hover();
        assertThat(bench.box("K2")).hasClass(Pattern.compile("lit"));
        assertThat(bench.id("inspector")).containsText("Cooling relay");
        bench.box("K3").hover();
        assertThat(bench.ladderSymbol("K3", "A1-A2")).hasClass(Pattern.compile("lit"));
        assertThat(bench.box("K2")).not().hasClass(Pattern.compile("lit"));
    }

    @Test
    public void theMeterSaysWhatAnOpenSwitchAndWhatZeroProves() {
        bench.lead("TH.R", "TH.G");
        assertThat(bench.says()).containsText("Full voltage across an open switch");
        assertThat(bench.says()).containsText("TH.G is not powered");
        bench.lead("TH.G", "T1.X2");
        assertThat(bench.reading()).hasText(Pattern.compile("0\\.0.*"));
        assertThat(bench.says()).containsText("A dead supply reads 0 V as well");
    }

    @Test
    public void leadsArePlacedByClickByDragAndByKey() {
        Page page = bench.page();
        bench.post("XT.3").click();
        assertThat(bench.id("lead-plus")).hasAttribute("value", "XT.3");
        page.locator(".lead.black span").click();
        bench.post("XT.2").click();
        assertThat(bench.id("lead-minus")).hasAttribute("value", "XT.2");
        bench.post("XT.4").focus();
        page.keyboard().press("Enter");
        assertThat(bench.id("lead-plus")).hasAttribute("value", "XT.4");
        page.locator(".connection .probe.red").dragTo(bench.post("XT.7"));
        assertThat(bench.id("lead-plus")).hasAttribute("value", "XT.7");
        page.locator("#workspace h2").first().click();
        page.keyboard().press("[");
        page.keyboard().type("K1.A1");
        page.keyboard().press("Enter");
        assertThat(bench.id("lead-plus")).hasAttribute("value", "K1.A1");
    }

    @Test
    public void reloadBackAndACopiedLinkBringTheSameStateBack() {
        Page page = bench.page();
        bench.choose("TH.fan", "on");
        bench.choose("TH.mode", "cool");
        String link = page.url();
        page.reload();
        assertThat(bench.id("h-TH.mode-cool")).hasAttribute("aria-checked", "true");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "in");
        page.goBack();
        assertThat(bench.id("h-TH.mode-cool")).hasAttribute("aria-checked", "false");
        assertThat(bench.id("h-TH.fan-on")).hasAttribute("aria-checked", "true");
        Page other = newPage();
        other.navigate(link);
        assertThat(other.locator("[id='h-TH.mode-cool']")).hasAttribute("aria-checked", "true");
    }

    @Test
    public void undoDropsTheLastActAndTheBenchIsAsBefore() {
        bench.choose("TH.fan", "on");
        bench.toggle("CB1.closed").click();
        assertThat(bench.toggle("CB1.closed")).hasAttribute("aria-checked", "false");
        bench.id("undo").click();
        assertThat(bench.toggle("CB1.closed")).hasAttribute("aria-checked", "true");
        assertThat(bench.id("h-TH.fan-on")).hasAttribute("aria-checked", "true");
        bench.id("undo").click();
        assertThat(bench.id("h-TH.fan-auto")).hasAttribute("aria-checked", "true");
        assertThat(bench.id("undo")).isDisabled();
    }

    @Test
    public void theStartButtonSealsInAndTheStopButtonBreaksIt() {
        Page page = bench.page();
        page.keyboard().press("3");
        assertThat(bench.ladderSymbol("K4", "A1-A2")).hasAttribute("data-signal", "in");
        assertThat(bench.toggle("PB1.closed")).isVisible();
        page.keyboard().press("4");
        assertThat(bench.ladderSymbol("K4", "A1-A2")).hasAttribute("data-signal", "out");
    }

    @Test
    public void theScrubberAndTheEventKeysMoveTheInstant() {
        Page page = bench.page();
        bench.choose("TH.fan", "on");
        assertThat(bench.id("clock")).hasText("0:11.000");
        bench.key(",", "0:10.015");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "in");
        bench.key(",", "0:10.000");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "out");
        bench.key(".", "0:10.015");
        page.locator(".chart svg").click(new Locator.ClickOptions().setPosition(80, 20));
        assertThat(bench.id("clock")).hasText(Pattern.compile("0:0\\d\\..*"));
    }

    @Test
    public void aFaultIsPutInAndMended() {
        bench.choose("TH.fan", "on");
        bench.fault("coil open K1");
        assertThat(bench.page().locator(".hand.fault")).containsText("coil open K1");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "out");
        bench.page().locator(".hand.fault button").click();
        assertThat(bench.page().locator(".hand.fault")).hasCount(0);
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "in");
    }

    @Test
    public void aFaultIsFoundByItsPartOrByWhatIsWrong() {
        bench.id("fault-find").fill("relay weld");
        Locator found = bench.page().locator("#faults-found [role=option]");
        assertThat(found.first()).containsText("contact welded K");
        assertThat(bench.page().locator("#faults-found .group").first()).containsText("K1");
        bench.id("fault-find").fill("no such thing");
        assertThat(bench.page().locator("#faults-found")).hasText("No fault of that name in this circuit.");
        bench.id("fault-find").fill("condition th blank");
        found.first().click();
        assertThat(bench.page().locator(".hand.fault")).containsText("condition TH blank");
        assertThat(bench.box("TH")).hasAttribute("data-signal", "blank");
        assertThat(bench.id("faults-found")).isHidden();
        bench.id("fault-find").focus();
        assertThat(bench.id("faults-found")).isVisible();
        bench.id("fault-find").press("Escape");
        assertThat(bench.id("faults-found")).isHidden();
    }

    @Test
    public void badInputIsSaidAndNothingIsLost() {
        bench.choose("TH.fan", "on");
        bench.id("h-TH.roomCelsius").fill("99");
        bench.id("h-TH.roomCelsius").press("Tab");
        assertThat(bench.id("notice")).containsText("out of range");
        assertThat(bench.id("h-TH.fan-on")).hasAttribute("aria-checked", "true");
        bench.id("lead-plus").fill("NOWHERE.9");
        bench.id("lead-plus").press("Enter");
        assertThat(bench.id("notice")).containsText("There is no terminal \"NOWHERE.9\"");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "in");
    }

    /** What was being worked out when an act was refused is asked for again. */
    @Test
    public void aRefusedActDoesNotCostTheSentence() {
        Page page = bench.page();
        assertThat(page.locator("#says[aria-busy]")).hasCount(0);
        AtomicInteger asked = new AtomicInteger();
        page.route("**/says?*", route -> {
            // the first question stays without an answer
            if (asked.incrementAndGet() > 1) {
                route.resume();
            }
        });
        page.waitForRequest("**/says?*", () -> bench.lead("TH.R", "TH.G"));
        bench.id("h-TH.roomCelsius").fill("99");
        bench.id("h-TH.roomCelsius").press("Tab");
        assertThat(bench.id("notice")).containsText("out of range");
        assertThat(bench.says()).containsText("Full voltage across an open switch");
    }

    @Test
    public void anAddressThatLeadsNowhereIsSaid() {
        Page page = bench.page();
        assertEquals(page.navigate(url("/bench/999")).status(), 404);
        assertThat(page.locator("h1")).hasText("There is no bench 999.");
        assertEquals(page.navigate(url("/bench/" + bench() + "?s=777")).status(), 404);
        assertEquals(page.navigate(url("/bench/" + bench() + "?t=noon")).status(), 400);
    }

    @Test
    public void noTextOverlapsInTheLadderAsTheBrowserDrawsIt() {
        Object overlaps = bench.page().evaluate("""
                        () => { const t = [...document.querySelectorAll('.ladder text')].map(e => [e.textContent, e.getBoundingClientRect()]);
                          const bad = []; for (let i = 0; i < t.length; i++) for (let j = i + 1; j < t.length; j++) {
                            const a = t[i][1], b = t[j][1];
                            const x = Math.min(a.right, b.right) - Math.max(a.left, b.left), y = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
                            if (x > 0.5 && y > 3) bad.push(t[i][0] + ' / ' + t[j][0]); }
                          return bad.join('; '); }""");
        assertEquals(overlaps, "");
    }

    @Test
    public void theBenchNeedsNoPageScrollAndBecomesTabsWhenNarrow() {
        Page page = bench.page();
        assertEquals(page.evaluate("() => document.documentElement.scrollHeight <= window.innerHeight"), true);
        page.setViewportSize(600, 900);
        assertThat(page.locator("#pane-ladder")).isVisible();
        assertThat(page.locator("#pane-meter")).isHidden();
        page.locator(".tabs button", new Page.LocatorOptions().setHasText("Meter"))
                .click();
        assertThat(page.locator("#pane-meter")).isVisible();
        assertThat(page.locator("#pane-ladder")).isHidden();
    }

    @Test
    public void actsFasterThanTheServerAllCount() {
        Page page = bench.page();
        page.evaluate("""
                () => { document.querySelector("[id='h-TH.fan-on']").click();
                  document.querySelector("[id='h-TH.mode-cool']").click();
                  const room = document.querySelector("[id='h-TH.roomCelsius']");
                  room.value = '27'; room.dispatchEvent(new Event('change', { bubbles: true })); }""");
        assertThat(bench.id("h-TH.roomCelsius")).hasAttribute("value", "27");
        assertThat(bench.id("h-TH.mode-cool")).hasAttribute("aria-checked", "true");
        assertThat(bench.id("h-TH.fan-on")).hasAttribute("aria-checked", "true");
        assertThat(bench.ladderSymbol("TD1", "IN-OUT")).hasAttribute("data-signal", "timing");
    }

    @Test
    public void theTraceSaysWhatEachIsWaitingForAndRunsToRest() {
        bench.choose("TH.fan", "on");
        bench.choose("TH.mode", "cool");
        bench.id("h-TH.roomCelsius").fill("27");
        bench.id("h-TH.roomCelsius").press("Tab");
        assertThat(bench.ladderSymbol("TD1", "IN-OUT")).hasAttribute("data-signal", "timing");
        bench.page().locator("#waits summary").click();
        assertThat(bench.id("waits")).containsText("TD1 waits: 2 min 59 s more");
        assertThat(bench.id("waits")).containsText("K3 is off: TH R–W is open");
        bench.id("rest").click();
        assertThat(bench.ladderSymbol("K5", "A1-A2")).hasAttribute("data-signal", "in");
        assertThat(bench.currentEvent()).containsText("LP5 on");
    }

    @Test
    public void anActThatMovesNothingTellsWhyAtOnce() {
        bench.choose("TH.mode", "cool");
        assertThat(bench.id("nothing-moved"))
                .hasText("Nothing moves. TH: no call: the room is 21.0 °C, cooling starts at 24.6 °C");
        bench.choose("TH.fan", "on");
        assertThat(bench.ladderSymbol("K1", "A1-A2")).hasAttribute("data-signal", "in");
        assertThat(bench.id("nothing-moved")).not().isVisible();
    }

    @Test
    public void playRunsToTheNextEventAsItsTimeComes() {
        Page page = bench.page();
        bench.choose("TH.fan", "on");
        bench.key("Home", "0:00.000");
        bench.id("play").click();
        assertThat(bench.id("clock")).hasText("0:00.015");
        bench.id("play").click();
        assertTrue(page.locator("body.playing").count() == 0);
    }

    @Test
    public void aDrawingIsOneStopOfTabWithArrowsInside() {
        Locator ladder = bench.page().locator(".ladder-pane .viewport");
        assertThat(bench.page().locator(".viewport svg [tabindex='0']")).hasCount(0);
        ladder.focus();
        bench.page().keyboard().press("Enter");
        Locator focused = bench.page().locator(".ladder-pane svg :focus");
        assertThat(focused).hasCount(1);
        String first = focused.getAttribute("aria-label");
        bench.page().keyboard().press("ArrowDown");
        assertThat(focused).not().hasAttribute("aria-label", first);
        bench.page().keyboard().press("ArrowUp");
        assertThat(focused).hasCount(1);
        bench.page().keyboard().press("Escape");
        assertThat(ladder).isFocused();
        bench.post("XT.4").focus();
        bench.page().keyboard().press("ArrowRight");
        assertThat(bench.page().locator(".connection .post:focus")).hasAttribute("data-terminal", "XT.5");
    }
}
