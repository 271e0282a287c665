package org.jagridge.web.edit;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** The editor as its user sees it. Waits until what was typed is stored. */
final class EditPage {
    private final Page page;

    EditPage(Page page) {
        this.page = page;
    }

    Page page() {
        return page;
    }

    void open(String address) {
        page.navigate(address);
        page.waitForSelector("#findings ol, #findings h2");
    }

    /** Types keys as a hand does, one after the other. */
    void type(String text) {
        page.keyboard().type(text);
    }

    void press(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    /** Waits until nothing is left to be stored. */
    void saved() {
        assertThat(page.locator("#saved")).hasText("· everything is saved");
        assertThat(page.locator(".viewport[aria-busy]")).hasCount(0);
    }

    Locator revision() {
        return page.locator("#revision");
    }

    Locator wireRow(String id) {
        return page.locator("#wire-" + id);
    }

    Locator wrongRows() {
        return page.locator(".row-words");
    }

    Locator cell(String row, String name) {
        return page.locator("#" + row + " [name='" + name + "']");
    }

    Locator post(String terminal) {
        return page.locator("#drawing-connections .post[data-terminal='" + terminal + "']");
    }

    Locator box(String part) {
        return page.locator("#drawing-connections .part[data-part='" + part + "']");
    }

    /** A line of the chain entry, stored. */
    void chain(String line) {
        page.locator("#line").fill(line);
        page.locator("#line").press("Enter");
        saved();
        assertThat(page.locator("#line")).hasValue("");
    }
}
