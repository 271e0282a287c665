package org.jagridge.web;

import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.testng.ITestResult;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.AfterSuite;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;

/** Tests in a real browser: one for all of them, a context for each test; whatever the console complains of fails the test. */
public abstract class BrowserTest extends WebTest {
    /** Its start takes as long as many a test. */
    private static Browsers browsers;

    private BrowserContext context;
    private Page page;
    private final List<String> problems = new ArrayList<>();

    @BeforeClass
    public static void startBrowser() {
        if (browsers == null) {
            browsers = new Browsers();
            // what is waited for may be worked out on a machine that runs another thousand tests beside
            PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
        }
    }

    @AfterSuite(alwaysRun = true)
    public static void stopBrowser() {
        if (browsers != null) {
            browsers.close();
            browsers = null;
        }
    }

    @BeforeMethod
    public void openContext() {
        problems.clear();
        context = browsers.browser().newContext(options());
        page = newPage();
    }

    /** How the browser is set up. */
    protected Browser.NewContextOptions options() {
        return new Browser.NewContextOptions().setViewportSize(1280, 800);
    }

    protected Browser browser() {
        return browsers.browser();
    }

    protected Page page() {
        return page;
    }

    /** Another tab of the same browser. */
    protected Page newPage() {
        Page tab = context.newPage();
        tab.onConsoleMessage(m -> {
            if (m.type().equals("error")
                    && !m.text().matches(".*(\\b40[049]\\b|ERR_FAILED|ERR_INTERNET_DISCONNECTED).*")) {
                problems.add(m.text());
            }
        });
        tab.onPageError(problems::add);
        return tab;
    }

    @AfterMethod(alwaysRun = true)
    public void closeContext(ITestResult result) {
        if (!result.isSuccess()) {
            page.screenshot(
                    new Page.ScreenshotOptions().setPath(Path.of("target/failed-" + result.getName() + ".png")));
        }
        context.close();
        if (result.isSuccess()) {
            assertEquals(problems.toString(), "[]");
        }
    }
}
