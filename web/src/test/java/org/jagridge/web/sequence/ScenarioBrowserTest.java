package org.jagridge.web.sequence;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.Test;

/** The scenario editor and the comparison of two circuits in a real browser, on copies of the demo circuits. */
public class ScenarioBrowserTest extends BrowserTest {
    private static String demo(String slug, String name) {
        try (InputStream in = ScenarioBrowserTest.class.getResourceAsStream("/demo/" + slug + ".json")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replaceFirst("\"name\": \"[^\"]*\"", "\"name\": \"" + name + "\"");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Reads a circuit in from a file; returns its part of the address. */
    private String copy(String json) {
        page().navigate(url("/circuits/new"));
        page().locator("input[type='file']")
                .setInputFiles(
                        new FilePayload("circuit.json", "application/json", json.getBytes(StandardCharsets.UTF_8)));
        page().locator("form:has(input[type='file']) button").click();
        page().waitForURL("**/edit");
        return page().url().replaceAll(".*/circuits/([^/]+)/edit", "$1");
    }

    private String copyOfLab(String name) {
        return copy(demo("lab-bench", name));
    }

    private void openEditor(String slug, String run) {
        page().navigate(url("/circuits/" + slug + "/scenario?run=" + run));
    }

    private Locator sentence(int n) {
        return page().locator("#acts .sentence").nth(n);
    }

    private Locator preview() {
        return page().locator("#preview");
    }

    private void add(String at, String what, String value) {
        page().locator("[data-add='acts']").click();
        Locator row = page().locator("#acts .sentence").last();
        row.locator(".time").fill(at);
        row.locator(".what").selectOption(what);
        row.locator(".value").fill(value);
    }

    private void save() {
        // the page that comes back with its mistakes looks like the one before
        page().evaluate("document.body.dataset.before = 'yes'");
        page().locator("text=Save in this circuit").click();
        assertThat(page().locator("body[data-before]")).hasCount(0);
    }

    @Test
    public void sentencesAreChangedTheSequenceFollowsAndTheScenarioIsKept() {
        String slug = copyOfLab("Lab one");
        openEditor(slug, "TH-fan");
        assertThat(sentence(0).locator(".time")).hasValue("0:05");
        assertThat(sentence(0).locator(".what")).hasValue("TH.fan");
        assertThat(preview()).containsText("K1 in");
        sentence(0).locator(".time").fill("0:08");
        assertThat(preview()).containsText("0:08.015");
        add("0:30", "TH.mode", "cool");
        assertThat(preview()).containsText("0:30.000 TH mode: cool");
        page().locator("#name").fill("Fan, then cooling");
        save();
        page().waitForURL(Pattern.compile(".*/sequence\\?run=own-\\d+$"));
        assertThat(page().locator("#run option:checked")).hasText("Fan, then cooling");
        assertThat(page().locator(".told-group h2").nth(1)).containsText("0:08.000");
        page().locator("text=change what happens").click();
        assertThat(page().locator("#name")).hasValue("Fan, then cooling");
        assertThat(sentence(1).locator(".value")).hasValue("cool");
        page().navigate(url("/circuits/" + slug + "/revisions"));
        assertThat(page().locator("main")).containsText("scenario Fan, then cooling");
    }

    @Test
    public void aFaultIsASentenceToo() {
        String slug = copyOfLab("Lab two");
        openEditor(slug, "TH-fan");
        assertThat(preview()).containsText("K1 in");
        page().locator("[data-add='defects']").click();
        Locator defect = page().locator("#defects .sentence");
        defect.locator(".fault").selectOption("coil open K1");
        defect.locator(".time").first().fill("1:00");
        assertThat(preview()).containsText("1:00.000 fault: coil open K1");
        assertThat(preview()).containsText("1:00.010 K1 out");
        defect.locator("[data-drop]").click();
        assertThat(preview()).not().containsText("coil open K1");
    }

    @Test
    public void whatIsWrongStandsBesideItsSentenceAndNothingTypedIsLost() {
        String slug = copyOfLab("Lab three");
        openEditor(slug, "TH-fan");
        sentence(0).locator(".value").fill("sideways");
        assertThat(sentence(0).locator(".mistake")).containsText("is not one of auto, on, circulate");
        assertThat(sentence(0).locator(".value")).hasAttribute("aria-invalid", "true");
        add("noon", "TH.mode", "cool");
        assertThat(page().locator("#acts .sentence").last().locator(".mistake")).containsText("is no time");
        save();
        assertThat(page().locator("#acts .sentence").last().locator(".time")).hasValue("noon");
        assertThat(sentence(0).locator(".mistake")).containsText("is not one of");
        sentence(0).locator(".value").fill("on");
        page().locator("#acts .sentence").last().locator("[data-drop]").click();
        assertThat(page().locator("#acts .mistake:not(:empty)")).hasCount(0);
        save();
        page().waitForURL("**/sequence?run=own-*");
    }

    @Test
    public void unsavedSentencesComeBackAfterAReloadAndCanBeThrownAway() {
        String slug = copyOfLab("Lab four");
        openEditor(slug, "TH-fan");
        add("0:40", "TH.mode", "heat");
        assertThat(preview()).containsText("TH mode: heat");
        page().reload();
        assertThat(page().locator("#draft-note")).isVisible();
        assertThat(page().locator("#acts .sentence").last().locator(".value")).hasValue("heat");
        assertThat(preview()).containsText("TH mode: heat");
        page().locator("#draft-drop").click();
        assertThat(page().locator("#draft-note")).isHidden();
        assertThat(preview()).not().containsText("TH mode: heat");
    }

    @Test
    public void aChangeMadeMeanwhileIsToldAndTheSentencesCanBeSavedAfterIt() {
        String slug = copyOfLab("Lab five");
        openEditor(slug, "TH-fan");
        page().locator("#name").fill("Mine");
        Page other = newPage();
        other.navigate(url("/circuits/" + slug + "/scenario?run=TH-cool"));
        other.locator("#name").fill("Theirs");
        other.locator("text=Save in this circuit").click();
        other.waitForURL("**/sequence?run=own-*");
        save();
        assertThat(preview()).containsText("the circuit has been changed meanwhile: scenario Theirs");
        assertThat(page().locator("#name")).hasValue("Mine");
        save();
        page().waitForURL("**/sequence?run=own-*");
        assertThat(page().locator("#run")).containsText("Mine");
        assertThat(page().locator("#run")).containsText("Theirs");
    }

    @Test
    public void anOwnScenarioIsRemovedAndItsNameIsItsOwn() {
        String slug = copyOfLab("Lab six");
        for (int i = 0; i < 2; i++) {
            openEditor(slug, "TH-fan");
            page().locator("#name").fill("Twice");
            save();
        }
        assertThat(page().locator(".mistake[data-for='/name']")).containsText("already");
        page().locator("#name").fill("Once more");
        save();
        page().waitForURL("**/sequence?run=own-*");
        page().locator("text=change what happens").click();
        page().locator("text=Remove").click();
        page().waitForURL("**/sequence?undo=*");
        assertThat(page().locator("#run")).not().containsText("Once more");
        assertThat(page().locator("#run")).containsText("Twice");
        page().locator("#notice button:has-text('undo')").click();
        page().waitForURL("**/sequence");
        assertThat(page().locator("#run")).containsText("Once more");
        assertEquals(get("/circuits/" + slug + "/scenario?run=own-99").statusCode(), 404);
    }

    /** Hundreds of events: what was told before is folded, and a filter leaves one part's steps and lane. */
    @Test
    public void aWholeDayIsFoldedAndFiltered() {
        String slug = copy(demo("wardens-cottage", "Cottage day"));
        openEditor(slug, "TH-heat");
        while (page().locator("#acts .sentence").count() > 0) {
            sentence(0).locator("[data-drop]").click();
        }
        add("start", "TH.mode", "heat");
        add("start", "OUT.celsius", "-3");
        page().locator("#name").fill("A cold day");
        page().locator("#until").fill("24 h");
        save();
        page().waitForURL("**/sequence?run=own-*");
        Locator folded = page().locator(".as-before");
        assertThat(folded.first()).containsText("as before");
        assertTrue(page().locator(".told-group").count() < 16);
        folded.last().locator("summary").click();
        Locator late = folded.last().locator("a").last();
        String time = late.locator("time").textContent();
        late.click();
        assertThat(page().locator("#told-clock")).hasText(time);
        assertThat(page().locator(".told-group h2", new Page.LocatorOptions().setHasText(time)))
                .isVisible();

        page().locator("#only").selectOption("RV");
        page().waitForURL("**only=RV**");
        assertThat(page().locator(".told-group li:not([data-part='RV'])")).hasCount(0);
        assertThat(page().locator(".told-group li[data-part='RV']").first()).isVisible();
        assertThat(page().locator("main")).containsText("steps of other parts are left out");
        assertThat(page().locator(".chart-names .t-name[data-part='RV']")).hasCount(1);
        assertThat(page().locator(".chart-names .t-name[data-part='CMP']")).hasCount(0);
        page().locator("#only").selectOption("at-terrace");
        page().waitForURL("**only=at-terrace**");
        assertThat(page().locator(".chart-names .t-name[data-part='CMP']")).hasCount(1);
        assertThat(page().locator(".chart-names .t-name[data-part='BLW']")).hasCount(0);
        assertEquals(
                get("/circuits/" + slug + "/sequence?run=TH-heat&only=nobody").statusCode(), 404);
    }

    /** O and B mixed up: the comparison and the mode table say that a cooling call heats. */
    @Test
    public void theWrongWayRoundShowsInTheComparisonAndTheModeTable() {
        String json = demo("wardens-cottage", "Cottage with B")
                .replaceAll("(\"terminals\": \\[\\s*\"R\",\\s*\"Y\",\\s*)\"O\"", "$1\"B\"")
                .replaceAll("(\"outputs\": \\[\\s*\"Y\",\\s*)\"O\"", "$1\"B\"")
                .replaceAll("\"RM.O\",\\s*\"DF.O\"", "\"RM.B\", \"DF.B\"")
                .replaceAll("\"valve\": \"O\"", "\"valve\": \"B\"");
        String slug = copy(json);
        page().navigate(url("/circuits/wardens-cottage/compare?run=TH-cool"));
        page().locator("#with").selectOption(slug);
        page().locator("text=Compare").last().click();
        page().waitForURL("**with=" + slug + "**");
        assertThat(page().locator(".verdict")).containsText("cools on the left and heats on the right");
        assertThat(page().locator("tr.only-before[data-part='RV']").first()).containsText("only on the left");
        assertThat(page().locator(".wiring")).containsText("TH: terminals was R,Y,O,G,AUX, now R,Y,B,G,AUX");
        assertThat(page().locator(".wiring")).containsText("w28: from was RM.O, now RM.B");
        page().navigate(url("/circuits/" + slug + "/modes"));
        assertThat(page().locator("tr[data-call='TH-cool'] td.air.wrong")).containsText("heats");
        assertThat(page().locator("tr[data-call='TH-heat'] td.air.wrong")).containsText("cools");
        assertThat(page().locator(".caution")).containsText("reversing valve");
        page().navigate(url("/circuits/wardens-cottage/modes"));
        assertThat(page().locator("td.air.wrong")).hasCount(0);
        page().navigate(url("/circuits/chapel/compare?run=TH-heat&with=" + slug));
        assertThat(page().locator(".notice")).containsText("TH is a thermostat in the other circuit");
        assertThat(page().locator(".compared")).hasCount(0);
    }
}
