package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the bench shows before anybody zooms, where the keyboard stops, and that the ladder follows what hands do. */
public class FirstSightTest extends BrowserTest {
    private static final String SMALLEST = """
            port => Math.min(...[...port.querySelectorAll('svg text')].map(t => parseFloat(getComputedStyle(t).fontSize)))
              * Number(port.dataset.scale)""";
    private static final String IN_SIGHT = """
            ([port, part]) => {
              const pane = document.querySelector(`.viewport[data-view-name=${port}]`).getBoundingClientRect();
              return [...document.querySelectorAll(`.viewport[data-view-name=${port}] svg [data-part="${part}"]`)].some(e => {
                const box = e.getBoundingClientRect();
                return box.left >= pane.left && box.right <= pane.right && box.top >= pane.top && box.bottom <= pane.bottom;
              });
            }""";

    private Page open(String slug) {
        Page page = page();
        page.navigate(url("/circuits/" + slug + "/bench"));
        assertThat(page.locator(".viewport[data-view-name=ladder] svg")).isVisible();
        assertThat(page.locator(".viewport[data-view-name=connections] svg")).isVisible();
        assertThat(page.locator("#reading")).not().isEmpty();
        return page;
    }

    @DataProvider
    public Object[][] demos() {
        return new Object[][] {{"lab-bench"}, {"old-hall"}, {"propagation-house"}, {"seminar-room"}};
    }

    @Test(dataProvider = "demos")
    public void everyLetterOfBothDrawingsHasTenPixels(String slug) {
        Page page = open(slug);
        for (String name : List.of("ladder", "connections")) {
            Object smallest =
                    page.locator(".viewport[data-view-name=" + name + "]").evaluate(SMALLEST);
            assertTrue(((Number) smallest).doubleValue() >= 9.99, slug + " " + name + ": " + smallest);
        }
    }

    @Test
    public void theLadderFollowsWhatHandsDo() {
        Page page = open("propagation-house");
        assertEquals(page.evaluate(IN_SIGHT, List.of("ladder", "FOGS")), false);
        page.locator("#h-FOGS\\.closed").click();
        assertThat(page.locator("#h-FOGS\\.closed")).hasAttribute("aria-checked", "true");
        page.waitForCondition(() -> Boolean.TRUE.equals(page.evaluate(IN_SIGHT, List.of("ladder", "FOG"))));
    }

    /** The header has its links; behind it hands, drawings, meter and trace are a stop each, and the last is left at the end. */
    @Test
    public void tabPassesThePanesInAFewStops() {
        Page page = open("propagation-house");
        List<String> panes = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            page.keyboard().press("Tab");
            Object pane =
                    page.evaluate("() => { const e = document.activeElement.closest('.pane'); return e ? e.id : ''; }");
            panes.add(String.valueOf(pane));
            if (panes.contains("pane-trace") && String.valueOf(pane).isEmpty()) {
                break;
            }
        }
        assertTrue(panes.size() < 36, panes.toString());
        assertEquals(panes.stream().filter("pane-hands"::equals).count(), 1, panes.toString());
        assertEquals(panes.stream().filter("pane-meter"::equals).count(), 1, panes.toString());
        assertEquals(panes.stream().filter("pane-ladder"::equals).count(), 2, panes.toString());
        assertTrue(panes.stream().filter("pane-trace"::equals).count() <= 5, panes.toString());
    }

    @Test
    public void arrowsGoFromHandToHandAndStayWhereTheyWere() {
        Page page = open("lab-bench");
        page.locator("#h-CB1\\.closed").focus();
        page.keyboard().press("ArrowDown");
        String next = String.valueOf(page.evaluate("() => document.activeElement.id"));
        assertTrue(next.startsWith("h-") && !next.equals("h-CB1.closed"), next);
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("#h-CB1\\.closed")).isFocused();
        page.keyboard().press("Space");
        assertThat(page.locator("#h-CB1\\.closed")).hasAttribute("aria-checked", "false");
        assertThat(page.locator("#h-CB1\\.closed")).isFocused();
        page.keyboard().press("Shift+Tab");
        page.keyboard().press("Tab");
        assertThat(page.locator("#h-CB1\\.closed")).isFocused();
    }

    /** What is half typed keeps its arrows for what is offered; the meter goes on after an act where it was. */
    @Test
    public void theMeterIsOneStopAlsoAfterAReading() {
        Page page = open("lab-bench");
        page.locator("#lead-plus").focus();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("[data-hold=red]")).isFocused();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("#lead-minus")).isFocused();
        page.locator("#lead-minus").fill("TH.G");
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("#lead-minus")).isFocused();
        page.locator("#lead-minus").fill("TH.G");
        page.keyboard().press("Enter");
        assertThat(page.locator("#lead-minus")).hasAttribute("data-at", "TH.G");
        assertThat(page.locator("#pane-meter [tabindex='0']")).hasCount(1);
        assertThat(page.locator("#pane-meter [tabindex='0']")).hasAttribute("id", Pattern.compile("lead-minus"));
    }
}
