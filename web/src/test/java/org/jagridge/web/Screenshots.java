package org.jagridge.web;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.SelectOption;
import java.net.URI;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.jagridge.web.standin.LoggingMeter;
import org.testng.annotations.Test;

/** Retakes the pictures in docs/screenshots from the demo data. Run by bin/screenshots, not with the tests. */
public class Screenshots extends WebTest {
    private record Shot(String name, String path, ColorScheme scheme, Consumer<Page> acts) {}

    private final List<Shot> shots = List.of(
            new Shot("home", "/", ColorScheme.LIGHT, p -> {}),
            new Shot("bench", "/circuits/lab-bench/bench", ColorScheme.LIGHT, Screenshots::coolingCall),
            new Shot("edit", "/circuits/cold-store/edit", ColorScheme.LIGHT, Screenshots::aWrongRow),
            new Shot("print", "/circuits/cold-store/print", ColorScheme.LIGHT, p -> {}),
            new Shot("walk", "/circuits/wardens-cottage/bench", ColorScheme.LIGHT, Screenshots::aWalk),
            new Shot("revisions", "/circuits/like-the-chapel/revisions?from=1&to=4", ColorScheme.LIGHT, p -> {}),
            new Shot(
                    "sequence",
                    "/circuits/seminar-room/sequence?run=TH-heat&t=43&taught=true",
                    ColorScheme.LIGHT,
                    p -> {}),
            new Shot(
                    "timing",
                    "/circuits/wardens-cottage/sequence?run=TH-defrost&t=3605&only=at-terrace",
                    ColorScheme.LIGHT,
                    p -> {}),
            new Shot("interlock", "/plan/interlock", ColorScheme.LIGHT, Screenshots::planned),
            new Shot("proof", "/circuits/propagation-house/proof", ColorScheme.LIGHT, Screenshots::proved),
            new Shot(
                    "repair",
                    "/circuits/propagation-house/repair?leaf=V1&position=open&by=drive&part=TUBE&state=on",
                    ColorScheme.LIGHT,
                    p -> p.waitForSelector(".repair-spots")),
            new Shot("record", "/circuits/lab-bench/sheet?run=TH-fan&load=K1:A1-A2", ColorScheme.LIGHT, this::aRecord),
            new Shot("site", "/sites/quillmere", ColorScheme.LIGHT, p -> {}),
            new Shot("modes", "/circuits/wardens-cottage/modes", ColorScheme.LIGHT, p -> {}),
            new Shot("compare", "/circuits/cold-store/compare?run=TH-cool", ColorScheme.LIGHT, Screenshots::aDeadCoil),
            new Shot("check", "/circuits/cold-store/check", ColorScheme.LIGHT, p -> {}),
            new Shot("selector", "/select/lockout", ColorScheme.LIGHT, p -> {}),
            new Shot("planner", "/plan", ColorScheme.LIGHT, p -> {}),
            new Shot("bench-dark", "/circuits/lab-bench/bench", ColorScheme.DARK, p -> {}));

    @Test
    public void retake() {
        try (Browsers browsers = new Browsers()) {
            for (Shot shot : shots) {
                if (shot.name().equals("revisions")) {
                    someRevisions(browsers);
                }
                try (BrowserContext context = browsers.browser()
                        .newContext(new Browser.NewContextOptions()
                                .setViewportSize(1280, 800)
                                .setColorScheme(shot.scheme()))) {
                    Page page = context.newPage();
                    page.navigate(url(shot.path()));
                    shot.acts().accept(page);
                    page.waitForFunction("() => !document.querySelector('[aria-busy=true]')");
                    page.evaluate("() => document.fonts.ready");
                    page.screenshot(new Page.ScreenshotOptions()
                            .setPath(Path.of("../docs/screenshots/" + shot.name() + ".png")));
                }
            }
        }
    }

    private static void coolingCall(Page page) {
        page.waitForSelector(".ladder .symbol");
        page.waitForSelector(".connection .wire");
        act(page, () -> page.locator("[id='h-TH.mode-cool']").click());
        page.locator("[id='h-TH.roomCelsius']").fill("26.4");
        act(page, () -> page.keyboard().press("Tab"));
        act(page, () -> page.locator("#rest").click());
        for (Locator fit : page.locator("[data-zoom='fit']").all()) {
            fit.click();
        }
        page.locator(".ladder .symbol[data-part='K5']").first().hover();
    }

    /** A circuit with a few revisions to compare. */
    private void someRevisions(Browsers browsers) {
        try (BrowserContext context = browsers.browser().newContext()) {
            Page page = context.newPage();
            page.navigate(url("/circuits/new"));
            page.locator("#name").fill("Like the chapel");
            page.locator("#pattern").selectOption("chapel");
            page.locator("form button").first().click();
            page.waitForURL("**/edit");
            stored(page, "part", "SW", "switch");
            String hot =
                    page.locator("tr[data-what='wire'] [name='from']").first().inputValue();
            String load =
                    page.locator("tr[data-what='wire'] [name='to']").first().inputValue();
            page.locator("tr[data-what='wire'] [data-remove]").first().click();
            page.waitForFunction("() => document.querySelector('#revision').textContent === '3'");
            page.locator("#line").fill(hot + " >(red) SW >(red) " + load);
            page.locator("#line").press("Enter");
            page.waitForFunction("() => document.querySelector('#revision').textContent === '4'");
        }
    }

    private static void stored(Page page, String what, String... cells) {
        page.locator("#tab-parts").click();
        Locator row = page.locator("tr.new-row[data-what='" + what + "']");
        String place = page.locator("#parts [name='place']").first().inputValue();
        row.locator("[name='id']").fill(cells[0]);
        row.locator("[name='type']").fill(cells[1]);
        row.locator("[name='place']").fill(place);
        row.locator("[name='place']").press("Enter");
        page.waitForFunction("() => document.querySelector('#revision').textContent === '2'");
        page.locator("#tab-wires").click();
    }

    private static void aWrongRow(Page page) {
        page.waitForSelector("#findings ol");
        page.locator("#line").fill("T1.X1 > F1 > TH > KF.A1-A2 > T1.X2");
        page.locator("#new-from").fill("LMP.1");
        page.keyboard().press("Tab");
        page.keyboard().type("T1.X9");
        page.keyboard().press("Enter");
        page.waitForSelector(".row-words");
        page.locator(".row-words").scrollIntoViewIfNeeded();
    }

    private static void aWalk(Page page) {
        act(page, () -> page.locator("[id='h-TH.fan-on']").click());
        page.locator("#walk-load").selectOption("AH:G-C");
        page.waitForSelector("#walk .stop");
        for (int i = 0; i < 5; i++) {
            page.keyboard().press("ArrowRight");
        }
    }

    /** A record that the stand-in meter has filled in, from a circuit with a broken wire. */
    private void aRecord(Page page) {
        page.locator("[name='who']").fill("A student");
        page.locator("[name='instrument']").fill("Stand-in meter");
        page.locator("text=Begin a record").click();
        page.waitForURL("**/records/**");
        try {
            LoggingMeter.run(new LoggingMeter.Orders(
                    URI.create(url("/")), page.locator("#code").textContent(), "wire open w14", 1, 24, 0));
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        page.waitForSelector(".first-wrong");
        page.waitForFunction("() => document.querySelector('#proof').textContent.includes('together')");
        page.evaluate("() => scrollTo(0, 0)");
    }

    private static void aDeadCoil(Page page) {
        page.locator("#fault").selectOption(new SelectOption().setLabel("coil open CC"));
        page.locator("button[type='submit']").click();
        page.waitForSelector("tr.first-difference");
    }

    private static void planned(Page page) {
        page.waitForSelector(".interlock-plan", new Page.WaitForSelectorOptions().setTimeout(120_000));
    }

    private static void proved(Page page) {
        page.locator(".proof-start button").first().click();
        page.waitForSelector(".proof-verdicts", new Page.WaitForSelectorOptions().setTimeout(120_000));
    }

    private static void act(Page page, Runnable hand) {
        Object before = page.evaluate("() => document.body.dataset.shown");
        hand.run();
        page.waitForFunction("before => document.body.dataset.shown !== before", before);
    }
}
