package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.jagridge.web.settings.Settings;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Both drawings of the bench: walk, find, zoom, symbol sets, at rest. */
public class BenchDrawingsTest extends BrowserTest {
    @Autowired
    private Settings settings;

    private BenchPage bench;

    @BeforeMethod
    public void openBench() {
        String location = get("/circuits/lab-bench/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        String id = location.replaceAll(".*/bench/(\\d+).*", "$1");
        page().navigate(url("/bench/" + id + "?s=0&t=10"));
        bench = new BenchPage(page());
        bench.settled();
    }

    @AfterMethod(alwaysRun = true)
    public void usualSettings() {
        for (Settings.Choice choice : Settings.Choice.values()) {
            settings.set(choice.key(), choice.words().get(0));
        }
    }

    private Locator walk() {
        return page().locator("#walk");
    }

    private Locator pinnedPost(String terminal) {
        return page().locator(".connection .post.pinned[data-terminal='" + terminal + "']");
    }

    @Test
    public void aWalkLightsEachTerminalInBothDrawingsWithTheVoltsToExpect() {
        bench.choose("TH.fan", "on");
        page().locator("#walk-load").selectOption("K1:A1-A2");
        assertThat(walk()).containsText("1/");
        assertThat(walk().locator(".stop")).hasText("T1.X1");
        assertThat(walk().locator(".expect")).containsText("here to T1.X2: expect 26.");
        page().keyboard().press("ArrowRight");
        assertThat(walk().locator(".stop")).not().hasText("T1.X1");
        String stop = walk().locator(".stop").textContent();
        assertThat(pinnedPost(stop)).hasCount(1);
        int stops = Integer.parseInt(walk().locator(".count").textContent().split("/", -1)[1]);
        for (int i = 2; i < stops; i++) {
            page().keyboard().press("ArrowRight");
        }
        assertThat(walk().locator(".stop")).hasText("T1.X2");
        assertThat(walk().locator(".expect")).containsText("expect 0.0");
        page().keyboard().press("ArrowLeft");
        assertThat(walk().locator(".count")).hasText(stops - 1 + "/" + stops);
        page().keyboard().press("Escape");
        assertThat(walk()).isHidden();
        assertThat(page().locator(".pinned")).hasCount(0);
    }

    @Test
    public void aWalkWithAFaultShowsWhereTheReadingLeavesTheExpectation() {
        bench.choose("TH.fan", "on");
        bench.fault("contact open TH R-G");
        assertThat(page().locator(".hand.fault")).hasCount(1);
        bench.settled();
        page().locator("#walk-load").selectOption("K1:A1-A2");
        // with its coil off, the transformer has a little more: that is no fault
        assertThat(walk().locator(".reads")).containsText("reads 26.");
        assertThat(walk().locator(".off")).hasCount(0);
        for (int i = 0; i < 20 && !walk().locator(".stop").textContent().equals("TH.G"); i++) {
            page().keyboard().press("ArrowRight");
        }
        assertThat(walk().locator(".open")).containsText("open now");
        assertThat(walk().locator(".off")).containsText("reads 0.0");
        assertThat(walk().locator(".expect")).containsText("expect 26.");
    }

    @Test
    public void theOtherSchoolReadsFromTheFeed() {
        page().navigate(url("/settings"));
        page().locator("text=across, from the feed").click();
        assertThat(page().locator("button[value='across']")).hasAttribute("aria-pressed", "true");
        openBench();
        page().locator("#walk-load").selectOption("K6:A1-A2");
        assertThat(walk().locator(".expect")).containsText("T1.X1 to here: expect 0.0");
    }

    @Test
    public void whatIsSearchedForLightsInBothDrawingsAndComesIntoSight() {
        page().keyboard().press("/");
        page().keyboard().type("standby lamp");
        assertThat(page().locator("#found li").first()).containsText("LP6 · Standby lamp");
        page().keyboard().press("Enter");
        assertThat(page().locator("#find")).isHidden();
        assertThat(page().locator(".connection .part.pinned")).hasAttribute("data-part", "LP6");
        assertThat(page().locator(".ladder .symbol.pinned")).hasAttribute("data-part", "LP6");
        BoundingBox pane = page().locator(".ladder-pane .viewport").boundingBox();
        BoundingBox symbol = page().locator(".ladder .symbol.pinned .hit").boundingBox();
        assertTrue(symbol.y > pane.y && symbol.y + symbol.height < pane.y + pane.height, "in sight");
        page().keyboard().press("/");
        page().keyboard().type("K4.A1");
        assertThat(page().locator("#found li").first()).containsText("K4.A1");
        page().keyboard().press("ArrowDown");
        page().keyboard().press("ArrowUp");
        page().keyboard().press("Enter");
        assertThat(pinnedPost("K4.A1")).hasCount(1);
        page().keyboard().press("/");
        page().keyboard().type("no such thing");
        assertThat(page().locator("#found")).hasText("Nothing of that name in this circuit.");
    }

    @Test
    public void aWireNumberIsFoundAndLightsItsNet() {
        page().keyboard().press("/");
        page().keyboard().type("wire 203");
        page().keyboard().press("Enter");
        assertThat(page().locator(".ladder .line.pinned").first()).hasAttribute("data-net", "203");
    }

    @Test
    public void theSymbolSetAndAtRestAreSwitchedAndKept() {
        String americanCoil = bench.ladderSymbol("K6", "A1-A2").innerHTML();
        page().locator("#symbols").click();
        assertThat(page().locator("#symbols")).hasText("IEC symbols");
        String iec = bench.ladderSymbol("K6", "A1-A2").innerHTML();
        assertNotEquals(iec, americanCoil);
        assertTrue(iec.contains("<rect"), iec);
        page().locator("#ladder-look").click();
        assertThat(page().locator("#ladder-look")).hasText("at rest");
        assertThat(page().locator(".ladder .flow")).hasCount(0);
        assertThat(page().locator(".connection .wire.flow").first()).isAttached();
        page().reload();
        assertThat(page().locator("#symbols")).hasText("IEC symbols");
        assertThat(page().locator("#ladder-look")).hasText("at rest");
    }

    @Test
    public void theViewOfADrawingIsKeptWhenTheCurrentChanges() {
        Locator port = page().locator(".ladder-pane .viewport");
        port.hover();
        page().mouse().wheel(0, -240);
        String view = port.getAttribute("data-seen");
        Locator symbol = bench.ladderSymbol("K6", "A1-A2").locator(".hit");
        BoundingBox seen = symbol.boundingBox();
        BoundingBox room = port.boundingBox();
        bench.choose("TH.fan", "on");
        // also where the trace, which has more to tell now, takes room from below
        assertTrue(port.boundingBox().height < room.height, "the trace grew");
        BoundingBox after = symbol.boundingBox();
        assertEquals(List.of(after.x, after.y, after.width), List.of(seen.x, seen.y, seen.width));
        page().locator(".ladder-pane [data-zoom='fit']").click();
        assertThat(port).not().hasAttribute("data-seen", view);
        BoundingBox pane = port.boundingBox();
        BoundingBox last = page().locator(".ladder .symbol .hit").last().boundingBox();
        assertTrue(last.y + last.height <= pane.y + pane.height, "the whole ladder is in sight");
    }

    @Test
    public void aPressedDragOnTheGroundShiftsTheDrawingAndPutsNoLead() {
        String lead = bench.id("lead-plus").inputValue();
        Locator port = page().locator(".connection-pane .viewport");
        String view = port.getAttribute("data-seen");
        BoundingBox box = port.boundingBox();
        page().mouse().move(box.x + 200, box.y + 200);
        page().mouse().down();
        page().mouse().move(box.x + 120, box.y + 140, new Mouse.MoveOptions().setSteps(5));
        page().mouse().up();
        assertThat(port).not().hasAttribute("data-seen", view);
        assertEquals(bench.id("lead-plus").inputValue(), lead);
    }

    @Test
    public void aBenchIsTakenOverToAChangedCircuitAndSaysWhatNoLongerFits() {
        page().navigate(url("/circuits/new"));
        page().locator("#name").fill("Taken over");
        page().locator("#pattern").selectOption("lab-bench");
        page().locator("form button").first().click();
        page().waitForURL("**/taken-over/edit");
        page().navigate(url("/circuits/taken-over/bench"));
        bench.choose("TH.fan", "on");
        bench.toggle("CB1.closed").click();
        assertThat(bench.toggle("CB1.closed")).hasAttribute("aria-checked", "false");
        bench.lead("LP1.1", "LP1.2");
        String old = page().url();

        page().navigate(url("/circuits/taken-over/edit"));
        page().locator("#tab-parts").click();
        page().locator("#part-LP1 [data-remove]").click();
        assertThat(page().locator("#part-LP1")).hasCount(0);

        page().navigate(url("/circuits/taken-over/bench"));
        assertThat(page().locator("#left-out")).containsText("a lead was on LP1.1, which isn't there any more");
        assertThat(bench.id("h-TH.fan-on")).hasAttribute("aria-checked", "true");
        assertThat(bench.toggle("CB1.closed")).hasAttribute("aria-checked", "false");

        page().navigate(old);
        assertThat(page().locator(".notice.calm").first())
                .hasText(Pattern.compile("This bench shows revision 1; the circuit is at revision 2.*"));
        assertThat(bench.id("lead-plus")).hasValue("LP1.1");
    }
}
