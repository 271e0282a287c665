package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/**
 * The trace's rows and the meter's leads stay from act to act, and the trace and the meter are always what a page that comes
 * fresh shows.
 */
public class PiecesTest extends BrowserTest {
    /** The meter, and the trace all around the rows and each row, without what the browser adds to them. */
    private static final String SHOWN = """
            () => {
              const [meter, trace] = ["#pane-meter", "#pane-trace"].map((id) => document.querySelector(id).cloneNode(true));
              [meter, trace].forEach((pane) => pane.querySelectorAll("*").forEach((e) => {
                ["tabindex", "data-came-with"].forEach((name) => e.removeAttribute(name));
                e.classList.remove("lit", "pinned");
              }));
              // its words follow the reading
              meter.querySelector("#says").remove();
              const typed = [...document.querySelectorAll("#leads input, #leads select")].map((e) => [e.value, e.checked].join());
              const rows = [...trace.querySelectorAll("#events li")].map((row) => {
                row.remove();
                return [row.className, row.dataset.part, row.innerHTML].join("|");
              });
              return [...[meter, trace].map((pane) => pane.innerHTML.replace(/\\s+/g, " ")), ...typed, ...rows];
            }""";

    private BenchPage open(String slug) {
        page().navigate(url("/circuits/" + copy(slug, "Rows of " + slug) + "/bench"));
        BenchPage bench = new BenchPage(page());
        bench.settled();
        return bench;
    }

    private static void isAsOnAFreshPage(BenchPage bench, String after) {
        bench.settled();
        List<?> acted = (List<?>) bench.page().evaluate(SHOWN);
        bench.page().reload();
        bench.settled();
        assertEquals(acted, bench.page().evaluate(SHOWN), after);
    }

    @Test
    public void theTraceAndTheMeterAfterActsAreWhatAFreshPageShows() {
        BenchPage bench = open("propagation-house");
        Page page = bench.page();
        Random random = new Random(3);
        Locator switches = page.locator("#controls .throw");
        int most = 0;
        for (int round = 0; round < 6; round++) {
            List<String> did = new ArrayList<>();
            // several acts without a fresh page between, so that what is kept was kept before
            for (int i = 0; i < 4; i++) {
                int dice = random.nextInt(8);
                Locator rows = page.locator("#events [data-go]");
                if (dice == 0 && rows.count() > 0) {
                    rows.nth(random.nextInt(rows.count())).click();
                } else if (dice == 1 && page.locator("#previous").isEnabled()) {
                    page.locator("#previous").click();
                } else if (dice == 2 && page.locator("#undo").isEnabled()) {
                    page.locator("#undo").click();
                } else if (dice == 3 && page.locator("#lead-minus").isVisible()) {
                    String lead = random.nextBoolean() ? "#lead-plus" : "#lead-minus";
                    page.locator(lead).fill(random.nextBoolean() ? "CB.2" : "F1.1");
                    page.locator(lead).press("Enter");
                } else if (dice == 4) {
                    page.locator("#mode").selectOption(random.nextBoolean() ? "amps" : "ac-volts");
                } else if (dice == 5 && page.locator("#lead-plus").isVisible()) {
                    // not sent off: it is gone with the next act, as it is with a fresh page
                    page.locator("#lead-plus").fill("KN.11");
                    switches.first().click();
                } else {
                    dice = 6;
                    switches.nth(random.nextInt(switches.count())).click();
                }
                did.add("" + dice);
                bench.settled();
            }
            most = Math.max(most, page.locator("#events li").count());
            isAsOnAFreshPage(bench, "round " + round + " " + did);
        }
        assertTrue(most > 20, "only " + most + " rows");
    }

    @Test
    public void aRowThatStaysKeepsTheFocusAndIsNotMadeAnew() {
        BenchPage bench = open("lab-bench");
        Page page = bench.page();
        bench.choose("TH.fan", "on");
        bench.settled();
        bench.choose("TH.fan", "auto");
        bench.settled();
        page.evaluate("document.querySelectorAll('#events li').forEach((row, i) => (row.dataset.mark = i))");
        int before = page.locator("#events li").count();
        Locator first = page.locator("#events [data-go]").first();
        first.focus();
        page.keyboard().press("Enter");
        bench.settled();
        assertThat(first).isFocused();
        assertThat(page.locator("#clock")).hasText(first.locator("time").textContent());
        assertThat(page.locator("#events .now time"))
                .hasText(first.locator("time").textContent());
        assertThat(page.locator("#events li[data-mark]")).hasCount(before);
    }

    @Test
    public void theLeadsThatLieWhereTheyLayAreNotMadeAnew() {
        BenchPage bench = open("lab-bench");
        Page page = bench.page();
        String mark = "document.querySelector('#leads').marked = true";
        String marked = "document.querySelector('#leads').marked === true";
        page.evaluate(mark);
        bench.choose("TH.fan", "on");
        assertTrue((Boolean) page.evaluate(marked), "made anew though nothing of them changed");
        // what is typed but not sent off doesn't stay beside a reading that isn't its own
        bench.id("lead-plus").fill("M.L1");
        bench.choose("TH.fan", "auto");
        assertThat(bench.id("lead-plus")).hasValue("T1.X1");
        // they still measure
        String before = bench.reading().textContent();
        bench.lead("T1.X1", "T1.X1");
        assertThat(bench.reading()).not().hasText(before);
        page.locator("[data-hold=red]").click();
        bench.choose("TH.fan", "on");
        assertThat(page.locator("[data-hold=red]")).hasAttribute("aria-pressed", "true");
    }
}
