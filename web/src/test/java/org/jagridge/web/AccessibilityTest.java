package org.jagridge.web;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every screen by the rules of axe-core (WCAG 2.2 A and AA), in both themes, wide and narrow. */
public class AccessibilityTest extends BrowserTest {
    private static final List<String> SCREENS = List.of(
            "/",
            "/catalogue",
            "/settings",
            "/circuits/new",
            "/plan",
            "/plan/interlock",
            "/circuits/old-hall/proof",
            "/circuits/propagation-house/acceptance",
            "/circuits/propagation-house/repair?leaf=V1&position=open&by=drive&part=TUBE&state=on",
            "/select/relays",
            "/plan/signal?moving=ac",
            "/circuits/cold-store/bench",
            "/circuits/wardens-cottage/bench",
            "/circuits/cold-store/edit",
            "/circuits/seminar-room/sequence?taught=true",
            "/circuits/wardens-cottage/modes",
            "/circuits/lab-bench/volts",
            "/circuits/wardens-cottage/compare?fault=3",
            "/circuits/cold-store/check",
            "/circuits/cold-store/revisions",
            "/circuits/cold-store/print",
            "/circuits/cold-store/dead/unit");

    @DataProvider
    public Object[] screens() {
        return SCREENS.toArray();
    }

    private static String axe() throws IOException {
        try (InputStream in = AccessibilityTest.class.getResourceAsStream("/axe/axe.min.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test(dataProvider = "screens")
    public void aScreenBreaksNoRuleOfAccessibility(String screen) throws IOException {
        try (BrowserContext context = browser().newContext(new Browser.NewContextOptions().setBypassCSP(true))) {
            Page page = context.newPage();
            List<String> broken = new ArrayList<>();
            for (Integer width : List.of(1280, 390)) {
                page.setViewportSize(width, 800);
                // some pages lay themselves out once
                page.navigate(url(screen));
                // what takes a while comes by itself
                page.waitForFunction(
                        "() => !document.querySelector('#state[role=status]') && document.querySelector('h1')");
                page.evaluate(axe());
                for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
                    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
                    broken(page).forEach(b -> broken.add(screen + " " + width + " wide, " + scheme + ": " + b));
                }
            }
            assertEquals(String.join("\n", broken), "");
        }
    }

    private static List<String> broken(Page page) {
        Map<?, ?> found = (Map<?, ?>) page.evaluate("""
                async () => {
                  const found = await axe.run(document, { resultTypes: ["violations"], runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"] });
                  return { passes: found.passes.length, violations: found.violations.map((v) =>
                    `${v.id}: ${v.help} at ${v.nodes.slice(0, 6).map((n) => n.target.join(" ") + " " + n.failureSummary.split("\\n").slice(1, 2)).join(" ; ")} (${v.nodes.length})`) };
                }""");
        assertTrue(((Number) found.get("passes")).intValue() > 5, "axe has looked at nothing");
        return ((List<?>) found.get("violations")).stream().map(String::valueOf).toList();
    }
}
