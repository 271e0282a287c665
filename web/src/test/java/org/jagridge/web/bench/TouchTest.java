package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.BoundingBox;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The bench under fingers: two of them zoom a drawing, one shifts it, a tap puts a lead. */
public class TouchTest extends BrowserTest {
    private CDPSession fingers;

    @Override
    protected Browser.NewContextOptions options() {
        return super.options().setViewportSize(1180, 820).setHasTouch(true);
    }

    @BeforeMethod(dependsOnMethods = "openContext")
    public void openBench() {
        page().navigate(url("/circuits/" + copy("lab-bench", "Under fingers") + "/bench"));
        new BenchPage(page()).settled();
        fingers = page().context().newCDPSession(page());
    }

    /** @param at x and y of each finger in turn; none takes them off */
    private void touch(String type, double... at) {
        JsonArray points = new JsonArray();
        for (int i = 0; i < at.length; i += 2) {
            JsonObject point = new JsonObject();
            point.addProperty("x", at[i]);
            point.addProperty("y", at[i + 1]);
            point.addProperty("id", i / 2);
            points.add(point);
        }
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        fingers.send("Input.dispatchTouchEvent", event);
    }

    private double[] view(Locator port) {
        String[] box = port.getAttribute("data-seen").split(" ", -1);
        return new double[] {Double.parseDouble(box[0]), Double.parseDouble(box[1]), Double.parseDouble(box[2])};
    }

    @Test
    public void twoFingersZoomADrawingAndOneShiftsIt() {
        Locator port = page().locator(".connection-pane .viewport");
        BoundingBox box = port.boundingBox();
        double x = box.x + box.width / 2;
        double y = box.y + box.height / 2;
        double[] before = view(port);
        touch("touchStart", x - 40, y, x + 40, y);
        for (int d = 50; d <= 80; d += 10) {
            touch("touchMove", x - d, y, x + d, y);
        }
        touch("touchEnd");
        double[] near = view(port);
        assertEquals(near[2], before[2] / 2, before[2] * 0.06, "fingers twice as far apart show half as much");
        touch("touchStart", x, y);
        touch("touchMove", x + 20, y);
        touch("touchMove", x + 60, y);
        touch("touchEnd");
        double[] shifted = view(port);
        assertTrue(shifted[0] < near[0], "the drawing goes along with the finger");
        assertEquals(shifted[2], near[2], 1e-6);
    }

    @Test
    public void aTapPutsALead() {
        page().locator(".connection circle[data-terminal='XT.3']").tap();
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "XT.3");
    }
}
