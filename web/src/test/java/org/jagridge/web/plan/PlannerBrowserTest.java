package org.jagridge.web.plan;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** The wiring planner in a real browser. */
public class PlannerBrowserTest extends BrowserTest {
    private Locator cards() {
        return page().locator(".way");
    }

    private Locator row(String carries) {
        return page().locator(".plan-conductors tr:has(td b:text-is(\"" + carries + "\"))");
    }

    private Locator post(String place, String letter) {
        return page().locator(".boards [data-post='" + letter + "']").nth(place.equals("thermostat") ? 0 : 1);
    }

    @Test
    public void aShortageHasWaysOutAndEachIsDrawn() {
        page().navigate(url("/plan"));
        assertTrue(cards().count() >= 5, "ways: " + cards().count());
        assertThat(cards().nth(0)).hasAttribute("aria-current", "true");
        Locator radio =
                cards().filter(new Locator.FilterOptions().setHasText(Pattern.compile("^Wireless module outdoors")));
        radio.first().click();
        assertThat(page()).hasURL(Pattern.compile(".*card=\\d.*"));
        assertThat(page().locator(".boards")).containsText("RMO");
        assertThat(row("AUX").first()).containsText("TH.AUX");
        page().reload();
        assertThat(page().locator(".boards")).containsText("RMO");
        page().goBack();
        assertThat(page().locator(".boards")).not().containsText("RMO");
    }

    @Test
    public void aPostAndACoreAreSwitchedByClickAndByKey() {
        page().navigate(url("/plan"));
        post("thermostat", "E").click();
        assertThat(page().locator("[name='terminals']")).hasValue("R C Y O G AUX E");
        post("thermostat", "E").focus();
        page().keyboard().press("Enter");
        assertThat(page().locator("[name='terminals']")).hasValue("R C Y O G AUX");
        page().locator("[data-core='TC.green'] .core-label").click();
        assertThat(page().locator("[data-core='TC.green']")).containsText("green ×");
        assertThat(page().locator("[name='tcd']")).hasValue("green");
        for (Locator cell :
                page().locator(".plan-conductors tbody tr td:first-child").all()) {
            assertTrue(!cell.innerText().strip().equals("TC green"), "a dead core is used");
        }
    }

    @Test
    public void aChangeOfTheFormPlansAnew() {
        page().navigate(url("/plan"));
        page().locator("[name='tc']").fill("red white green blue yellow orange");
        page().locator("[name='oc']").fill("red blue yellow orange white");
        page().locator("[name='oc']").press("Enter");
        assertThat(cards()).hasCount(1);
        assertThat(cards().first()).containsText("Letter to letter");
        assertThat(row("W2")).containsText("DF.W2");
        page().locator("[name='valve']").selectOption("B");
        assertThat(cards().first()).containsText("turns the valve call round");
        assertThat(page().locator("[name='valve']")).isFocused();
    }

    @Test
    public void whatCantBeReadIsToldWithItsPlaceAndNothingIsLost() {
        page().navigate(url("/plan"));
        page().locator("[name='kw']").fill("seven");
        page().locator("[name='terminals']").fill("R Q");
        page().locator("[name='terminals']").press("Enter");
        Locator alert = page().locator("[role='alert']");
        assertThat(alert).containsText("/indoor/stripsKw");
        assertThat(alert).containsText("there is no terminal \"Q\"");
        assertThat(page().locator("[name='kw']")).hasValue("seven");
        assertThat(page().locator("[name='terminals']")).hasValue("R Q");
    }

    @Test
    public void anUnsolvableOneSaysWhichCallAndWhatWouldDo() {
        page().navigate(url("/plan"));
        page().locator(".examples a").nth(1).click();
        assertThat(page().locator(".no-way")).containsText("conductors are wanted");
        assertThat(page().locator(".no-way")).containsText("What would make one");
        assertThat(page().locator(".plan-out summary").first()).containsText("tried that failed");
    }

    @Test
    public void aQuestionIsAnsweredByAClick() {
        page().navigate(url("/plan"));
        page().locator("[name='valve']").selectOption("");
        Locator question = page().locator(".question");
        assertThat(question).containsText("O or B?");
        question.locator("a", new Locator.LocatorOptions().setHasText("O"))
                .first()
                .click();
        assertThat(page().locator(".question")).hasCount(0);
        assertThat(page().locator("[name='valve']")).hasValue("O");
    }

    @Test
    public void aPlanOpensAtABenchAndItsCallsRunThere() {
        page().navigate(url("/sites/quillmere"));
        page().locator("a", new Page.LocatorOptions().setHasText("Plan a wiring"))
                .click();
        page().locator(".examples a").nth(2).click();
        assertThat(page().locator(".plan-conductors")).containsText("was W");
        page().locator("text=Open on the bench").click();
        assertThat(page()).hasTitle(Pattern.compile("Planned: .*"));
        page().locator(".crumbs a").nth(1).click();
        page().locator("text=which call runs what").click();
        assertThat(page().locator(".modes")).containsText("Cooling");
        assertEquals(page().locator(".modes td.wrong").count(), 0);
    }

    @Test
    public void theWiringCentreListsWhatLandsOnEachPost() {
        page().navigate(url("/plan"));
        page().locator(".examples a").nth(3).click();
        assertThat(page().locator(".plan-lists")).containsText("WC.1");
        assertThat(page().locator(".plan-lists")).containsText("the permanent live: to F1.2, to PR.L, to BOI.L");
        assertThat(page().locator(".modes-small")).containsText("hot water and heating");
    }

    @Test
    public void aNarrowScreenNeedsNoScrollingSideways() {
        page().setViewportSize(390, 800);
        page().navigate(url("/plan"));
        Object wide = page().evaluate("document.documentElement.scrollWidth");
        assertTrue(((Number) wide).intValue() <= 390, "page is " + wide + " px wide");
    }

    @Test
    public void aPriceThatIsChangedChangesWhichWayIsFirst() {
        page().navigate(url("/plan"));
        page().locator("summary", new Page.LocatorOptions().setHasText("Prices"))
                .click();
        page().locator("[name='price.wireless-module.parts']").fill("0");
        page().locator("[name='price.wireless-module.parts']").press("Enter");
        assertThat(cards().first()).containsText("Wireless module outdoors");
        assertThat(cards().first()).containsText("0.0 relays' worth");
    }

    @Test
    public void whatWasFoundAtTheOldThermostatIsTakenOver() {
        page().navigate(url("/circuits/seminar-room/as-found"));
        page().locator("#body").fill("TH.RC, red, FC.R\nFC.Y, blue, TH.C\nTH.W, white, ?");
        page().locator("text=Save and compare").click();
        page().locator(".plan-from-found a").click();
        assertThat(page().locator("[name='old']")).hasValue("red=RC>FC.R blue=C>FC.Y white=W");
        page().locator("[name='outdoor']").selectOption("cooling");
        page().locator("[name='oc']").fill("yellow blue");
        page().locator("[name='oc']").press("Enter");
        assertThat(page().locator(".said").first())
                .containsText("TC blue was on C, but its other end is on FC.Y: it is Y");
    }
}
