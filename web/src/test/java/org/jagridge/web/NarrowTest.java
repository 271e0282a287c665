package org.jagridge.web;

import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Page;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every page fits a phone, and a screen of 1280 at twice its size: nothing has to be scrolled aside. */
public class NarrowTest extends BrowserTest {
    private static final int[] WIDTHS = {390, 640};

    @AfterMethod
    public void asWideAsBefore() {
        page().setViewportSize(1280, 800);
    }

    @DataProvider
    public Object[][] addresses() {
        String before = record("K1:A1-A2");
        String after = record("K1:A1-A2");
        return new Object[][] {
            {"/"},
            {"/circuits/cold-store/print"},
            {"/circuits/propagation-house/print"},
            {"/circuits/cold-store/edit"},
            {"/circuits/cold-store/check"},
            {"/circuits/cold-store/sheet"},
            {"/circuits/cold-store/outputs"},
            {"/circuits/cold-store/sequence"},
            {"/circuits/cold-store/revisions"},
            {"/circuits/lab-bench/strip?part=XT"},
            {before},
            {before + "/after/" + after.replaceAll(".*/", "")},
            {"/settings"},
            {"/plan"},
            {"/catalogue"},
            {"/sites/quillmere"},
        };
    }

    @Test(dataProvider = "addresses")
    public void aPageFits(String address) {
        Page page = page();
        for (int width : WIDTHS) {
            page.setViewportSize(width, 800);
            assertEquals(page.navigate(url(address)).status(), 200, address);
            assertEquals(page.evaluate("document.documentElement.scrollWidth"), width, address);
        }
    }
}
