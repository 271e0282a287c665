package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Media;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** Links and lifted wires of a technician at the bench, in a real browser. */
public class LinksBrowserTest extends BrowserTest {
    private BenchPage bench;

    private void open(String slug) {
        page().navigate(url("/circuits/" + slug + "/bench"));
        bench = new BenchPage(page());
        bench.settled();
        while (page().locator("#undo").isEnabled()) {
            String before = page().url();
            page().locator("#undo").click();
            page().waitForURL(u -> !u.equals(before));
            bench.settled();
        }
    }

    private Locator temporaries() {
        return page().locator(".temporary");
    }

    private void link(String one, String other, String reason) {
        put("link", one, other, reason);
    }

    private void lift(String wire) {
        put("lift", wire, "", "");
    }

    private void put(String act, String one, String other, String reason) {
        if (!page().locator("[name='one']").isVisible()) {
            page().locator("#put summary").click();
        }
        page().locator("[name='act']").selectOption(act);
        page().locator("[name='one']").fill(one);
        if (act.equals("lift") || act.equals("off")) {
            assertThat(page().locator("[name='other']")).isHidden();
        } else {
            page().locator("[name='other']").fill(other);
        }
        page().locator(".put .reason").fill(reason);
        page().locator(".put .reason").press("Enter");
    }

    @Test
    public void whoPutItInAndUntilWhenStandBesideTheReason() {
        open("lab-bench");
        page().locator("#put summary").click();
        page().locator("[name='one']").fill("TH.R");
        page().locator("[name='other']").fill("TH.G");
        page().locator(".put .reason").fill("does the fan come in");
        page().locator("[name='who']").fill("A. Sorrel");
        page().locator("[name='until']").fill("after lunch");
        page().locator("[name='until']").press("Enter");
        assertThat(temporaries()).containsText("does the fan come in; A. Sorrel, until after lunch");
        assertThat(page().locator("[name='until']")).hasValue("");
        page().reload();
        assertThat(temporaries()).containsText("does the fan come in; A. Sorrel, until after lunch");
        page().locator("#put summary").click();
        page().locator("[name='one']").fill("TH.R");
        page().locator("[name='other']").fill("TH.Y");
        page().locator("[name='who']").evaluate("f => { f.removeAttribute('maxlength'); f.value = 'x'.repeat(81); }");
        page().locator("[name='until']").press("Enter");
        assertThat(page().locator("#notice")).containsText("The name has 81 letters; there is room for 80.");
        assertThat(temporaries()).hasCount(1);
    }

    @Test
    public void aHandIsMetWhereItStandsThoughTheListOfFaultsGoes() {
        open("lab-bench");
        // scrolled down to the list's end, where all above moves when the list goes
        page().locator("#fault-find").fill("blank");
        assertThat(page().locator("#faults-found")).isVisible();
        page().locator("#put summary").click();
        assertThat(page().locator("[name='one']")).isVisible();
        assertThat(page().locator("#faults-found")).isHidden();
        assertThat(page().locator("#fault-find")).hasAttribute("aria-expanded", "false");
        page().locator("#fault-find").focus();
        assertThat(page().locator("#faults-found")).isVisible();
        page().keyboard().press("Tab");
        assertThat(page().locator("#faults-found")).isHidden();
    }

    @Test
    public void aLinkFromRToGBringsTheFanInAndStaysOnTheListUntilItIsTakenOff() {
        open("lab-bench");
        link("TH.R", "TH.G", "does the fan come in");
        assertThat(temporaries()).hasCount(1);
        assertThat(temporaries()).containsText("link TH.R to TH.G");
        assertThat(page().locator(".must")).hasText("1 to undo before hand-over");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        assertThat(page().locator(".connection .temporary-link")).hasCount(1);
        page().reload();
        assertThat(temporaries()).containsText("does the fan come in");
        temporaries().locator("button").click();
        assertThat(temporaries()).hasCount(0);
        assertThat(bench.box("K1")).hasAttribute("data-signal", "out");
        assertThat(page().locator(".temporary-link")).hasCount(0);
        page().locator("#undo").click();
        assertThat(temporaries()).hasCount(1);
    }

    @Test
    public void aLinkAroundASafetyNeedsAReasonAndIsMarked() {
        open("seminar-room");
        link("LIM.1", "LIM.2", "");
        assertThat(page().locator("#notice")).containsText("This link goes around LIM");
        assertThat(temporaries()).hasCount(0);
        link("LIM.1", "LIM.2", "limit suspected, watched");
        assertThat(temporaries()).hasClass(Pattern.compile(".*\\baround\\b.*"));
        assertThat(temporaries()).containsText("around LIM");
        link("NO.1", "LIM.2", "x");
        assertThat(page().locator("#notice")).containsText("There is no terminal \"NO.1\" to link");
        assertThat(temporaries()).hasCount(1);
    }

    @Test
    public void rToCBlowsTheFuse() {
        open("lab-bench");
        link("TH.R", "TH.C", "never");
        assertThat(bench.box("F1")).hasAttribute("data-signal", "blown");
        assertThat(bench.box("K6")).hasAttribute("data-signal", "out");
    }

    @Test
    public void aLiftedWireIsOpenUntilItIsLandedAgain() {
        open("lab-bench");
        bench.choose("TH.fan", "on");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        lift("w14");
        assertThat(page().locator("#notice")).containsText("Which end of w14? Write \"w14 XT.3\" or \"w14 K1.A1\"");
        lift("w14 K1.A1");
        assertThat(temporaries()).containsText("w14 lifted off K1.A1");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "out");
        Page page = page();
        assertThat(page.locator(".connection .wire.lifted[data-wire='w14']").first())
                .isAttached();
        page.locator(".temporary button", new Page.LocatorOptions().setHasText("land again"))
                .click();
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        lift("w999");
        assertThat(page.locator("#notice")).containsText("There is no wire \"w999\" to take off");
    }

    @Test
    public void aLeadLiesOnTheBareEndAndGoesWithItWhenItIsLanded() {
        open("lab-bench");
        bench.choose("TH.fan", "on");
        lift("K1.A1");
        Locator bare = page().locator(".connection circle[data-terminal='~w14.2']");
        bare.focus();
        assertThat(page().locator("#inspector")).containsText("the bare end of w14, off K1.A1");
        page().keyboard().press("Enter");
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "w14 K1.A1");
        assertThat(page().locator(".lead.red em")).hasText("off K1.A1");
        assertThat(page().locator(".says")).containsText("reaches the bare end of w14 through F1 1–2, TH R–G");
        assertThat(page().locator(".connection .probe.red")).hasCount(1);
        page().reload();
        assertThat(page().locator("#lead-plus")).hasValue("w14 K1.A1");
        page().locator("#lead-plus").fill("T1.X1");
        page().locator("#lead-plus").press("Enter");
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "T1.X1");
        bare.click();
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "w14 K1.A1");
        temporaries().locator("button").click();
        assertThat(temporaries()).hasCount(0);
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "K1.A1");
        assertThat(page().locator(".says")).containsText("T1.X1 reaches K1.A1 through F1 1–2, TH R–G");
        // the other end of a wire, and both at once
        lift("w11 TH.G");
        assertThat(temporaries()).hasCount(1);
        lift("w11 XT.3");
        assertThat(temporaries()).hasCount(2);
        lift("w11 TH.G");
        assertThat(page().locator("#notice")).containsText("That is there already");
    }

    @Test
    public void whatIsHalfTypedOutlivesAnActElsewhere() {
        open("lab-bench");
        page().locator("#put summary").click();
        page().locator("[name='act']").selectOption("move");
        page().locator("[name='one']").fill("w14 K1.A1");
        bench.choose("TH.fan", "on");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        assertThat(page().locator("[name='act']")).hasValue("move");
        assertThat(page().locator("[name='one']")).hasValue("w14 K1.A1");
        page().locator("[name='other']").fill("K2.A1");
        page().locator("[name='other']").press("Enter");
        assertThat(temporaries()).containsText("w14 moved onto K2.A1");
        // the next one can be typed at once
        assertThat(page().locator("[name='one']")).hasValue("");
        assertThat(page().locator("[name='other']")).isFocused();
    }

    /** Hands are faster than a server: what is done while it answers is done after that, and nothing is lost. */
    @Test
    public void whatIsDoneWhileTheServerAnswersIsDoneAfterThat() {
        open("lab-bench");
        page().locator("#put summary").click();
        page().evaluate("""
                () => {
                  const put = (one, other) => {
                    const form = document.querySelector('#put-form');
                    form.elements.act.value = 'link';
                    form.elements.one.value = one;
                    form.elements.other.value = other;
                    form.requestSubmit();
                  };
                  put('TH.R', 'TH.G');
                  put('TH.R', 'TH.Y');
                  document.querySelector(".connection circle[data-terminal='K1.A1']").dispatchEvent(
                      new MouseEvent('click', { bubbles: true }));
                  document.querySelector('#mode').value = 'dc-volts';
                  document.querySelector('#mode').dispatchEvent(new Event('change', { bubbles: true }));
                }""");
        assertThat(temporaries()).hasCount(2);
        assertThat(page().locator("#mode")).hasValue("dc-volts");
        assertThat(page().locator(".meter h2")).hasText("DC volts");
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "K1.A1");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
    }

    @Test
    public void twoWiresTwistedTogetherOffTheSubBaseBringTheFanInAndAreLandedAgain() {
        open("lab-bench");
        put("twist", "TH.R", "TH.G", "is it the thermostat?");
        assertThat(temporaries()).containsText("twisted together, off TH.R and TH.G");
        assertThat(temporaries()).not().hasClass(Pattern.compile(".*\\baround\\b.*"));
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        for (String wire : new String[] {"w9", "w11"}) {
            assertThat(page().locator(".connection .wire.lifted[data-wire='" + wire + "']")
                            .first())
                    .isAttached();
        }
        page().reload();
        assertThat(temporaries()).containsText("is it the thermostat?");
        assertThat(page().locator("#events")).containsText("w9 and w11 twisted together");
        temporaries().locator("button").click();
        assertThat(temporaries()).hasCount(0);
        assertThat(bench.box("K1")).hasAttribute("data-signal", "out");
        assertThat(page().locator("#events")).containsText("undone: w9 and w11 twisted together");
        assertThat(page().locator("#events")).not().containsText("fault");
    }

    @Test
    public void aWireMovedToAnotherTerminalFeedsWhatIsThere() {
        open("lab-bench");
        put("move", "TH.G", "TH.R", "");
        assertThat(temporaries()).containsText("moved onto TH.R");
        put("twist", "TH.G", "TH.Y", "");
        assertThat(page().locator("#notice")).containsText("w11 is off its terminal already: w11 moved onto TH.R");
        put("move", "TH.G", "TH.R", "");
        assertThat(page().locator("#notice")).containsText("That is there already");
        assertThat(temporaries()).hasCount(1);
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        assertThat(page().locator(".must")).hasText("1 to undo before hand-over");
    }

    @Test
    public void whatCannotBeMovedOrTwistedIsSaidWithWhatToWrite() {
        open("lab-bench");
        put("move", "w11", "TH.R", "");
        assertThat(page().locator("#notice")).containsText("Which end of w11?");
        put("twist", "TH.G", "TH.G", "");
        assertThat(page().locator("#notice")).containsText("two of these ends are of w11");
        put("twist", "TH.G", "TH.Z", "");
        assertThat(page().locator("#notice")).containsText("There is no terminal \"TH.Z\"");
        put("move", "w1 TH.G", "TH.R", "");
        assertThat(page().locator("#notice")).containsText("w1 doesn't end at TH.G");
        assertThat(temporaries()).hasCount(0);
    }

    @Test
    public void allWiresOfAPartComeOffInOneActAndGoBackInOne() {
        open("lab-bench");
        bench.choose("TH.fan", "on");
        put("off", "th", "", "to change it");
        assertThat(temporaries()).hasCount(5);
        assertThat(page().locator(".must")).containsText("5 to undo before hand-over");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "out");
        put("off", "TH", "", "");
        assertThat(page().locator("#notice")).containsText("No wire is on TH.");
        put("off", "NO", "", "");
        assertThat(page().locator("#notice")).containsText("There is no part \"NO\"");
        // ends that are off can be twisted, clipped to, and measured, all by the same name
        put("twist", "w9 TH.R", "w11 TH.G, w12 TH.Y", "");
        assertThat(temporaries()).hasCount(6);
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        Locator wire = temporaries().filter(new Locator.FilterOptions().setHasText("w9 lifted off"));
        wire.locator("button").click();
        assertThat(page().locator("#notice")).containsText("That end is in a twist: w9 and w11 and w12 twisted");
        bench.lead("w9 TH.R", "T1.X2");
        assertThat(bench.reading()).hasText(Pattern.compile("2\\d\\.\\d"));
        temporaries()
                .filter(new Locator.FilterOptions().setHasText("twisted"))
                .locator("button", new Locator.LocatorOptions().setHasText("take apart"))
                .click();
        assertThat(temporaries()).hasCount(5);
        assertThat(bench.box("K1")).hasAttribute("data-signal", "out");
        put("link", "w9 TH.R", "w11 TH.G", "");
        assertThat(temporaries()).hasCount(6);
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        page().reload();
        assertThat(temporaries()).hasCount(6);
        page().locator(".must button").click();
        assertThat(temporaries()).hasCount(0);
        assertThat(bench.box("TH")).hasAttribute("data-signal", "R-G");
        page().locator("#undo").click();
        assertThat(temporaries()).hasCount(6);
    }

    @Test
    public void onPaperTooItStandsThatSomethingIsToBeUndone() {
        open("lab-bench");
        page().emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(page().locator("#pane-hands")).isHidden();
        page().emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
        link("TH.R", "TH.G", "");
        assertThat(temporaries()).hasCount(1);
        page().emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(temporaries()).isVisible();
        assertThat(page().locator(".hand-part").first()).isHidden();
        page().navigate(url("/circuits/lab-bench/print"));
        assertThat(page().locator(".paper .to-undo").first())
                .hasText("Not on this drawing, to be undone: link TH.R to TH.G");
        page().emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
        open("lab-bench");
        page().navigate(url("/circuits/lab-bench/print"));
        assertThat(page().locator(".paper .to-undo")).hasCount(0);
    }
}
