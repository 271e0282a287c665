package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The bench's meter on all its ranges, in a real browser. */
public class MeterBrowserTest extends BrowserTest {
    private Page page;
    private BenchPage bench;

    @BeforeMethod
    public void openBench() {
        page = page();
        bench = new BenchPage(page);
        page.navigate(url("/circuits/lab-bench/bench"));
        bench.settled();
        // each test begins with an untouched bench
        while (page.locator("#undo").isEnabled()) {
            String before = page.url();
            page.locator("#undo").click();
            page.waitForURL(u -> !u.equals(before));
            bench.settled();
        }
    }

    private void turnTo(String mode) {
        page.locator("#mode").selectOption(mode);
        assertThat(page.locator("#mode option:checked")).hasAttribute("selected", "selected");
        assertThat(page.locator("#mode")).hasValue(mode);
        bench.settled();
    }

    @Test
    public void ohmsAreRefusedWithTheReasonWhileTheCircuitIsLive() {
        bench.lead("K1.A1", "K1.A2");
        turnTo("ohms");
        assertThat(bench.says()).containsText("K1.A2 is on the return of a live supply (T1.X2)");
        bench.lead("TH.R", "TH.C");
        assertThat(bench.reading()).hasText("––");
        assertThat(page.locator(".digits")).hasClass(Pattern.compile(".*\\brefused\\b.*"));
        assertThat(bench.says()).containsText("Not on a live circuit");
        bench.toggle("M.on").click();
        assertThat(bench.reading()).not().hasText("––");
        assertThat(bench.says()).not().containsText("live circuit");
        bench.lead("K1.A1", "K1.A2");
        assertThat(bench.reading()).hasText("57.60");
        bench.lead("K1.11", "K1.14");
        turnTo("continuity");
        assertThat(bench.says()).containsText("No beep.");
        assertThat(bench.says()).containsText("K1 11-14 is open");
    }

    @Test
    public void theClampGoesOnAWireByAClickAndCountsTurns() {
        turnTo("amps");
        assertThat(page.locator(".lead.red")).isHidden();
        assertThat(page.locator(".lead.clamp")).isVisible();
        page.locator("#clamp").fill("w14");
        page.locator("#clamp").press("Enter");
        assertThat(bench.says()).containsText("No current in w14");
        bench.choose("TH.fan", "on");
        assertThat(bench.reading()).hasText(Pattern.compile("0\\.1[56]\\d"));
        page.locator("#turns").fill("10");
        page.locator("#turns").press("Enter");
        assertThat(bench.reading()).hasText(Pattern.compile("1\\.[56]\\d\\d"));
        assertThat(bench.says()).containsText("The display counts 10 turns");
        page.locator(".connection .wire[data-wire='w11']").first().dispatchEvent("click");
        assertThat(page.locator("#clamp")).hasAttribute("value", "w11");
        bench.settled();
        page.locator("#clamp").fill("w999");
        page.locator("#clamp").press("Enter");
        assertThat(page.locator("#notice")).containsText("There is no wire \"w999\" to clamp");
        page.reload();
        assertThat(page.locator("#clamp")).hasValue("w11");
        turnTo("ac-volts");
        assertThat(page.locator("#lead-plus")).hasValue("T1.X1");
    }

    @Test
    public void aHeldLeadStaysWhileClicksMoveTheOtherOne() {
        bench.post("XT.3").click();
        assertThat(bench.id("lead-plus")).hasAttribute("value", "XT.3");
        page.locator("[data-hold='red']").click();
        assertThat(page.locator("[data-hold='red']")).hasAttribute("aria-pressed", "true");
        bench.post("XT.2").click();
        assertThat(bench.id("lead-minus")).hasAttribute("value", "XT.2");
        assertThat(bench.id("lead-plus")).hasAttribute("value", "XT.3");
        bench.choose("TH.fan", "on");
        assertThat(page.locator("[data-hold='red']")).hasAttribute("aria-pressed", "true");
        bench.post("XT.4").click();
        assertThat(bench.id("lead-minus")).hasAttribute("value", "XT.4");
        page.locator("[data-hold='red']").click();
        bench.post("XT.5").click();
        assertThat(bench.id("lead-plus")).hasAttribute("value", "XT.5");
    }

    @Test
    public void readingsBeforeAreKeptWithWhereTheLeadsWere() {
        bench.lead("TH.R", "TH.G");
        bench.choose("TH.fan", "on");
        bench.lead("TH.G", "TH.C");
        page.locator(".readings summary").click();
        assertThat(page.locator("#readings li").nth(0)).containsText("TH.R – TH.G");
        assertThat(page.locator("#readings li").nth(0)).containsText(Pattern.compile("0\\.0\\d+ V"));
        assertThat(page.locator("#readings li").nth(1)).containsText(Pattern.compile("26\\.\\d+ V"));
    }

    @Test
    public void aProbeReadsTheRoomWhereTheThermostatIs() {
        bench.lead("TH.R", "TH.G");
        turnTo("celsius");
        assertThat(page.locator(".lead.black")).isHidden();
        assertThat(bench.reading()).hasText("21.0");
        assertTrue(page.locator("#says").textContent().contains("21.0 °C at TH"));
    }
}
