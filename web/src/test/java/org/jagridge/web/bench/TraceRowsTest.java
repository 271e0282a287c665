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

/** The trace's rows stay from act to act, and the trace is always what a page that comes fresh shows. */
public class TraceRowsTest extends BrowserTest {
    /** The trace without what the browser adds to it: all around the rows, and each row. */
    private static final String TRACE = """
            () => {
              const trace = document.querySelector("#pane-trace").cloneNode(true);
              trace.querySelectorAll("*").forEach((e) => {
                e.removeAttribute("tabindex");
                e.classList.remove("lit", "pinned");
              });
              const rows = [...trace.querySelectorAll("#events li")].map((row) => {
                row.remove();
                return [row.className, row.dataset.part, row.innerHTML].join("|");
              });
              return [trace.innerHTML.replace(/\\s+/g, " "), ...rows];
            }""";

    private BenchPage open(String slug) {
        page().navigate(url("/circuits/" + copy(slug, "Rows of " + slug) + "/bench"));
        BenchPage bench = new BenchPage(page());
        bench.settled();
        return bench;
    }

    private static void isAsOnAFreshPage(BenchPage bench, String after) {
        bench.settled();
        List<?> acted = (List<?>) bench.page().evaluate(TRACE);
        bench.page().reload();
        bench.settled();
        assertEquals(acted, bench.page().evaluate(TRACE), after);
    }

    @Test
    public void theTraceAfterActsIsWhatAFreshPageShows() {
        BenchPage bench = open("propagation-house");
        Page page = bench.page();
        Random random = new Random(3);
        Locator switches = page.locator("#controls .throw");
        int most = 0;
        for (int round = 0; round < 6; round++) {
            List<String> did = new ArrayList<>();
            // several acts without a fresh page between, so that what is kept was kept before
            for (int i = 0; i < 4; i++) {
                int dice = random.nextInt(5);
                Locator rows = page.locator("#events [data-go]");
                if (dice == 0 && rows.count() > 0) {
                    rows.nth(random.nextInt(rows.count())).click();
                } else if (dice == 1 && page.locator("#previous").isEnabled()) {
                    page.locator("#previous").click();
                } else if (dice == 2 && page.locator("#undo").isEnabled()) {
                    page.locator("#undo").click();
                } else {
                    dice = 4;
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
}
