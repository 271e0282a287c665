package org.jagridge.web;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.testng.annotations.Test;

/** Retakes the pictures in docs/screenshots from the demo data. Run by bin/screenshots, not with the tests. */
public class Screenshots extends WebTest {
    private record Shot(String name, String path, ColorScheme scheme, Consumer<Page> acts) {}

    private static final List<Shot> SHOTS = List.of(
            new Shot("home", "/", ColorScheme.LIGHT, p -> {}),
            new Shot("bench", "/circuits/lab-bench/bench", ColorScheme.LIGHT, Screenshots::coolingCall),
            new Shot("check", "/circuits/cold-store/check", ColorScheme.LIGHT, p -> {}),
            new Shot("prove-dead", "/circuits/seminar-room/dead/outdoor", ColorScheme.LIGHT, p -> {}),
            new Shot("catalogue", "/catalogue", ColorScheme.LIGHT, Screenshots::openFirstDetails),
            new Shot("bench-furnace", "/circuits/seminar-room/bench", ColorScheme.LIGHT, Screenshots::heatCall),
            new Shot("bench-dark", "/circuits/lab-bench/bench", ColorScheme.DARK, p -> {}));

    @Test
    public void retake() {
        try (Browsers browsers = new Browsers()) {
            for (Shot shot : SHOTS) {
                try (BrowserContext context = browsers.browser()
                        .newContext(new Browser.NewContextOptions()
                                .setViewportSize(1280, 800)
                                .setColorScheme(shot.scheme()))) {
                    Page page = context.newPage();
                    page.navigate(url(shot.path()));
                    shot.acts().accept(page);
                    page.evaluate("() => document.fonts.ready");
                    page.screenshot(new Page.ScreenshotOptions()
                            .setPath(Path.of("../docs/screenshots/" + shot.name() + ".png")));
                }
            }
        }
    }

    private static void coolingCall(Page page) {
        act(page, () -> page.locator("[id='h-TH.mode-cool']").click());
        page.locator("[id='h-TH.roomCelsius']").fill("26.4");
        act(page, () -> page.keyboard().press("Tab"));
        act(page, () -> page.locator("#rest").click());
        page.locator(".ladder .symbol[data-part='K5']").first().hover();
    }

    private static void openFirstDetails(Page page) {
        page.locator("#lockout-relay").scrollIntoViewIfNeeded();
        page.locator("#lockout-relay summary").click();
    }

    private static void heatCall(Page page) {
        page.locator("[id='h-ROOM.celsius']").fill("18");
        act(page, () -> page.keyboard().press("Tab"));
        act(page, () -> page.locator("[id='h-TH.mode-heat']").click());
        for (int i = 0; i < 9; i++) {
            act(page, () -> page.locator("#next").click());
        }
        page.locator(".ladder .symbol[data-part='IGN']").first().hover();
    }

    private static void act(Page page, Runnable hand) {
        Object before = page.evaluate("() => document.body.dataset.shown");
        hand.run();
        page.waitForFunction("before => document.body.dataset.shown !== before", before);
    }
}
