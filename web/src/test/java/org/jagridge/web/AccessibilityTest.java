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

/** Every screen by the rules of axe-core (WCAG 2.1 A and AA), in both themes. */
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
    public Object[][] screens() {
        List<Object[]> rows = new ArrayList<>();
        for (String screen : SCREENS) {
            rows.add(new Object[] {screen, ColorScheme.LIGHT});
            rows.add(new Object[] {screen, ColorScheme.DARK});
        }
        return rows.toArray(Object[][]::new);
    }

    private static String axe() throws IOException {
        try (InputStream in = AccessibilityTest.class.getResourceAsStream("/axe/axe.min.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test(dataProvider = "screens")
    public void aScreenBreaksNoRuleOfAccessibility(String screen, ColorScheme scheme) throws IOException {
        try (BrowserContext context = browser()
                .newContext(new Browser.NewContextOptions()
                        .setViewportSize(1280, 800)
                        .setColorScheme(scheme)
                        .setBypassCSP(true))) {
            Page page = context.newPage();
            page.navigate(url(screen));
            page.evaluate(axe());
            Object result = page.evaluate("""
                    async () => {
                      const found = await axe.run(document, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"] });
                      return { passes: found.passes.length, violations: found.violations.map((v) =>
                        `${v.id}: ${v.help} at ${v.nodes.slice(0, 3).map((n) => n.target.join(" ") + " " + n.failureSummary.split("\\n").slice(1, 2)).join(" ; ")} (${v.nodes.length})`) };
                    }""");
            Map<?, ?> found = (Map<?, ?>) result;
            assertTrue(((Number) found.get("passes")).intValue() > 5, "axe has looked at nothing");
            assertEquals(
                    found.get("violations"),
                    List.of(),
                    String.join(
                            "\n",
                            ((List<?>) found.get("violations"))
                                    .stream().map(String::valueOf).toList()));
        }
    }
}
