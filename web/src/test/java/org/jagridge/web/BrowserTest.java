package org.jagridge.web;

import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.testng.ITestResult;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;

/** Tests in a real browser: one for the class, a context for each test; whatever the console complains of fails the test. */
public abstract class BrowserTest extends WebTest {
    private Browsers browsers;
    private BrowserContext context;
    private Page page;
    private final List<String> problems = new ArrayList<>();

    @BeforeClass
    public void startBrowser() {
        browsers = new Browsers();
    }

    @AfterClass(alwaysRun = true)
    public void stopBrowser() {
        if (browsers != null) {
            browsers.close();
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
            assertEquals(problems, List.of());
        }
    }
}
