package org.jagridge.web.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** Sites, their survey and their circuits in a real browser. */
public class SiteBrowserTest extends BrowserTest {
    private static final String COLLEGE = "/sites/quillmere";

    private Locator circuit(String slug) {
        return page().locator("[data-circuit='" + slug + "']");
    }

    private Locator place(String name) {
        return page().locator("[data-place=\"" + name + "\"]");
    }

    private Locator machine(String name) {
        return page().locator("[data-equipment='" + name + "']");
    }

    private void openForm(String id) {
        page().locator(id + " > summary").click();
    }

    private Locator button(Locator in, String text) {
        return in.locator("button", new Locator.LocatorOptions().setHasText(text));
    }

    private void newSite(String name) {
        page().navigate(url("/sites"));
        page().locator(".site-form summary").click();
        page().locator("[name='name']").fill(name);
        page().locator("[name='address']").fill("Mill Lane");
        page().locator("text=Add the site").click();
        assertThat(page().locator("h1")).hasText(name);
    }

    @Test
    public void theSurveySaysWhatStandsWhereAndWhatItIsFedFrom() {
        page().navigate(url(COLLEGE));
        assertThat(page().locator(".site-place")).hasCount(8);
        assertThat(place("Warden's cottage").locator(".machine")).hasCount(2);
        assertThat(machine("Air handler")).containsText("fed from cottage board");
        assertThat(machine("Air handler").locator(".plate")).containsText("electric heat 7.5 kW");
        machine("Air handler").locator("a").click();
        assertThat(page()).hasTitle(Pattern.compile("Warden's cottage.*"));
        page().locator(".bar .where a").click();
        assertThat(page().locator("h1")).hasText("Quillmere College of Horticulture");
    }

    @Test
    public void equipmentIsWrittenDownChangedRemovedAndPutBack() {
        newSite("Mill house");
        page().locator("#add-place [name='name']").fill("Kitchen");
        button(page().locator("#add-place"), "Add the place").click();
        assertThat(place("Kitchen")).isVisible();
        openForm("#add-equipment");
        Locator form = page().locator("#add-equipment");
        form.locator("[name='fedFrom']").fill("board K, 3");
        button(form, "Add the equipment").click();
        assertThat(page().locator("[role='alert']")).containsText("Give the equipment a name");
        assertThat(form.locator("[name='fedFrom']")).hasValue("board K, 3");
        form.locator("[name='name']").fill("Boiler");
        form.locator("[name='nameplate']").fill("230 V 50 Hz\n<b>3 A</b>");
        button(form, "Add the equipment").click();
        assertThat(machine("Boiler").locator(".plate")).hasText("230 V 50 Hz\n<b>3 A</b>");

        machine("Boiler").locator("summary").click();
        machine("Boiler").locator("[name='name']").fill("Old boiler");
        button(machine("Boiler"), "Save").click();
        assertThat(machine("Old boiler")).containsText("fed from board K, 3");

        machine("Old boiler").locator("summary").click();
        button(machine("Old boiler"), "Remove").click();
        assertThat(machine("Old boiler")).hasCount(0);
        page().reload();
        button(page().locator(".undo-removal"), "undo").click();
        assertThat(machine("Old boiler").locator(".plate")).containsText("230 V");
    }

    @Test
    public void aSecondSiteHasItsOwnCircuitsAndCanBringOneOver() {
        newSite("Garden centre");
        String site = page().url();
        page().locator("text=New circuit here").click();
        assertThat(page().locator("#site")).hasValue("garden-centre");
        page().locator("#name").fill("Shop heater");
        page().locator("text=Begin").last().click();
        assertThat(page().locator(".bar .where")).containsText("Garden centre");
        page().navigate(site);
        assertThat(circuit("shop-heater")).isVisible();
        assertThat(page().locator(".site-circuit")).hasCount(1);

        page().locator(".bring select").selectOption("chapel");
        page().locator(".bring button").click();
        assertThat(circuit("chapel")).isVisible();
        page().navigate(url("/"));
        assertThat(page().locator(".site-group", new Page.LocatorOptions().setHasText("Garden centre")))
                .containsText("Chapel");
        page().navigate(url(COLLEGE));
        assertThat(circuit("chapel")).hasCount(0);
        page().locator(".bring select").selectOption("chapel");
        page().locator(".bring button").click();
        assertThat(circuit("chapel")).isVisible();
        assertThat(machine("Floor heater").locator("a")).hasText("Chapel");
    }

    @Test
    public void whatCannotBeWrittenDownIsSaidAndNothingIsStored() {
        page().navigate(url("/sites"));
        page().locator(".site-form summary").click();
        page().locator("text=Add the site").click();
        assertThat(page().locator("[role='alert']")).hasText("Give the site a name.");
        page().navigate(url(COLLEGE));
        openForm("#add-place");
        page().locator("#add-place [name='name']").fill("Old hall");
        button(page().locator("#add-place"), "Add the place").click();
        assertThat(page().locator("[role='alert']")).hasText("There is a place \"Old hall\" already.");
        assertThat(page().locator(".site-place")).hasCount(8);
        assertEquals(get("/sites/nowhere").statusCode(), 404);
        assertTrue(get("/sites/nowhere").body().contains("There is no site"), "a page in words");
    }

    @Test
    public void theNameAddressAndNotesOfASiteCanBeChanged() {
        newSite("Barn");
        openForm("#change-site");
        Locator form = page().locator("#change-site");
        form.locator("[name='notes']").fill("dog in the yard\nring first");
        form.locator("[name='name']").fill("Long barn");
        button(form, "Save").click();
        assertThat(page().locator("h1")).hasText("Long barn");
        assertThat(page().locator(".site-notes")).containsText("dog in the yard");
        page().navigate(url("/sites"));
        assertThat(page().locator("[data-site='barn']")).containsText("Long barn");
        assertThat(page().locator("[data-site='quillmere']")).containsText("8 places");
    }

    @Test
    public void whatIsLeftAtABenchStandsBeforeTheHandOver() {
        page().navigate(url("/circuits/student-flat/bench"));
        page().locator("#put summary").click();
        page().locator("[name='one']").fill("M.L");
        page().locator("[name='other']").fill("F1.1");
        page().locator("[name='other']").press("Enter");
        assertThat(page().locator(".temporary")).hasCount(1);
        page().navigate(url(COLLEGE));
        assertThat(circuit("student-flat").locator(".to-undo")).hasText("link M.L to F1.1");
        assertThat(page().locator(".verdict")).containsText("1 to undo before the hand-over");
        circuit("student-flat").locator("h3 a").click();
        page().locator(".temporary button").click();
        assertThat(page().locator(".temporary")).hasCount(0);
        page().navigate(url(COLLEGE));
        assertThat(circuit("student-flat").locator(".to-undo")).hasCount(0);
    }
}
