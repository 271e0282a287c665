package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** The bench as its user sees it. Waits for what it does to show. */
final class BenchPage {
    private final Page page;

    BenchPage(Page page) {
        this.page = page;
    }

    Page page() {
        return page;
    }

    /** Chooses one of a control's words and waits until it is chosen. */
    void choose(String key, String word) {
        Locator button = id("h-" + key + "-" + word);
        button.click();
        assertThat(id("h-" + key + "-" + word)).hasAttribute("aria-checked", "true");
        settled();
    }

    /** Waits until both drawings are there, no act is under way and the state in the page is the one that its script has made ready. */
    void settled() {
        page.waitForFunction("""
                () => { const w = document.querySelector('#now').dataset;
                  return document.querySelector('.ladder-pane svg') && document.querySelector('.connection-pane svg')
                    && !window.acts.underWay()
                    && document.body.dataset.shown === w.state + '@' + w.seconds; }""");
    }

    /** Both drawings as a whole, so that a mouse gets everywhere. */
    void fit() {
        for (Locator fit : page.locator("[data-zoom='fit']").all()) {
            fit.click();
        }
    }

    /** Presses a key that moves the instant, and waits for the clock. */
    void key(String key, String clock) {
        page.keyboard().press(key);
        assertThat(id("clock")).hasText(clock);
        settled();
    }

    Locator toggle(String key) {
        return id("h-" + key);
    }

    Locator id(String id) {
        return page.locator("[id='" + id + "']");
    }

    Locator ladderSymbol(String part, String branch) {
        return page.locator(".ladder .symbol[data-part='" + part + "'][data-branch='" + branch + "']");
    }

    Locator box(String part) {
        return page.locator(".connection .part[data-part='" + part + "']");
    }

    Locator post(String terminal) {
        return page.locator(".connection .post[data-terminal='" + terminal + "']");
    }

    /** Types both leads and waits for the reading. */
    void lead(String red, String black) {
        id("lead-plus").fill(red);
        id("lead-minus").fill(black);
        id("lead-minus").press("Enter");
        assertThat(page.locator("#pane-meter")).containsText(" ");
        assertThat(id("lead-plus")).hasAttribute("value", red);
        assertThat(id("lead-minus")).hasAttribute("value", black);
    }

    /** Finds a fault by words of it and puts the first of that name in. */
    void fault(String words) {
        id("fault-find").fill(words);
        assertThat(page.locator("#faults-found [aria-selected=true]")).hasText(words);
        id("fault-find").press("Enter");
        assertThat(page.locator(".hand.fault").filter(new Locator.FilterOptions().setHasText(words)))
                .isVisible();
    }

    Locator reading() {
        return id("reading");
    }

    Locator says() {
        return id("says");
    }

    Locator currentEvent() {
        return page.locator(".events li.now");
    }
}
