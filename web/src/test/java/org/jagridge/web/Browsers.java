package org.jagridge.web;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Starts the machine's own Chromium through Playwright, without any download. */
public final class Browsers implements AutoCloseable {
    private final Playwright playwright;
    private final Browser browser;

    public Browsers() {
        playwright = Playwright.create(new Playwright.CreateOptions()
                .setEnv(Map.of(
                        "PLAYWRIGHT_NODEJS_PATH", System.getProperty("node.path", "/usr/bin/node"),
                        "PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1",
                        "PLAYWRIGHT_SKIP_VALIDATE_HOST_REQUIREMENTS", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of(System.getProperty("chromium.path", "/usr/bin/chromium")))
                        .setHeadless(true)
                        .setChromiumSandbox(false)
                        .setArgs(List.of(
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync",
                                "--force-color-profile=srgb",
                                "--font-render-hinting=none")));
    }

    public Browser browser() {
        return browser;
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
