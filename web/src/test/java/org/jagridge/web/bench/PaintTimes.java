package org.jagridge.web.bench;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jagridge.web.Browsers;

/**
 * How long a bench takes from a click until what it changed is painted, and how much of it the server takes, measured in
 * a browser at a running application. No test: run by {@code bin/bench}.
 */
public final class PaintTimes {
    private static final int ROUNDS = 4;
    /** What quick hands take from one act to the next. */
    private static final int HANDS_MILLIS = 400;

    /** Does one act and returns milliseconds: until it is painted, and of the server. */
    private static final String ACT = """
            async (control) => {
              performance.clearResourceTimings();
              const shown = new Promise((done) => document.addEventListener("bench:shown",
                () => requestAnimationFrame(() => setTimeout(done, 0)), { once: true }));
              const begun = performance.now();
              control.click();
              await shown;
              const painted = performance.now() - begun;
              const acts = performance.getEntriesByType("resource").filter((r) => /\\/(set|push)$/.test(r.name));
              return [painted, acts[0].responseStart - acts[0].requestStart];
            }""";

    private PaintTimes() {}

    /**
     * Measures at one application.
     *
     * @param args its address, then circuit files to measure beside its own glasshouse
     */
    public static void main(String[] args) {
        try (Browsers browsers = new Browsers()) {
            Page page = browsers.browser().newPage();
            page.setViewportSize(1280, 800);
            page.navigate(args[0] + "/circuits/propagation-house/bench");
            measure("glasshouse", page);
            for (int i = 1; i < args.length; i++) {
                page.navigate(args[0] + "/circuits/new");
                page.locator("#file").setInputFiles(Path.of(args[i]));
                page.locator("form:has(#file) button").click();
                page.waitForURL("**/edit*");
                page.navigate(page.url().replaceAll("/edit.*", "/bench"));
                measure(Path.of(args[i]).getFileName().toString(), page);
            }
        }
    }

    private static void measure(String name, Page page) {
        page.waitForSelector(".connection .wire");
        double first =
                ((Number) page.evaluate("() => performance.getEntriesByType('paint')[0].startTime")).doubleValue();
        List<Double> painted = new ArrayList<>();
        List<Double> served = new ArrayList<>();
        int controls = Math.min(
                12, page.locator("#controls .throw, #controls .segments button").count());
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < controls; i++) {
                Locator control = page.locator("#controls .throw, #controls .segments button")
                        .nth(i);
                List<?> times = (List<?>) control.evaluate(ACT);
                if (round > 0) {
                    painted.add(((Number) times.get(0)).doubleValue());
                    served.add(((Number) times.get(1)).doubleValue());
                }
                page.waitForTimeout(HANDS_MILLIS);
            }
        }
        System.out.printf(
                Locale.ROOT,
                "%-24s first paint %4.0f ms; click to painted: half %4.0f, 95 %% %4.0f ms; server: half %4.0f, 95 %% %4.0f ms%n",
                name,
                first,
                share(painted, 0.5),
                share(painted, 0.95),
                share(served, 0.5),
                share(served, 0.95));
    }

    private static double share(List<Double> times, double share) {
        List<Double> sorted = times.stream().sorted().toList();
        return sorted.get((int) Math.ceil(share * sorted.size()) - 1);
    }
}
