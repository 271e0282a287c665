package org.jagridge.web.units;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import java.util.regex.Pattern;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** Fahrenheit and feet in a real browser: what is shown, and what is typed. */
public class UnitsBrowserTest extends BrowserTest {
    private void choose(String word) {
        page().navigate(url("/settings"));
        page().locator("button[value='" + word + "']").click();
        assertThat(page().locator("button[value='" + word + "']")).hasAttribute("aria-pressed", "true");
    }

    @AfterMethod
    public void backToWhatIsUsual() {
        for (String word : new String[] {"c", "m", "marked"}) {
            choose(word);
        }
    }

    @Test
    public void aRoomIsTurnedInFahrenheitOnTheBench() {
        choose("f");
        page().navigate(url("/circuits/wardens-cottage/bench"));
        Locator room = page().locator("[id='h-ROOM.celsius']");
        assertThat(room).hasValue("68");
        room.fill("60");
        room.press("Enter");
        assertThat(page().locator(".trace, #trace").first()).containsText("ROOM temperature: 60 °F");
        assertThat(room).hasValue("60");
        page().reload();
        assertThat(page().locator("[id='h-ROOM.celsius']")).hasValue("60");
        choose("c");
        page().navigate(url("/circuits/wardens-cottage/bench"));
        assertThat(page().locator("[id='h-ROOM.celsius']")).hasValue("15.556");
    }

    @Test
    public void aLengthIsTypedInFeetAndWhatIsUntouchedStays() {
        choose("ft");
        page().navigate(url("/circuits/lab-bench/edit"));
        Locator row = page().locator("tr:has([name='id'][value='w1'])");
        String before = stored("lab-bench", "w2");
        assertThat(row.locator("[name='length']")).hasAttribute("data-unit", "ft");
        row.locator("[name='length']").fill("40");
        row.locator("[name='length']").press("Enter");
        assertThat(page().locator("body")).containsText("everything is saved");
        assertThat(page().locator("tr:has([name='id'][value='w1']) [name='length']"))
                .hasValue("40");
        assertTrue(stored("lab-bench", "w1").contains(",12.192,"), stored("lab-bench", "w1"));
        Locator next = page().locator("tr:has([name='id'][value='w2'])");
        next.locator("[name='colour']").fill("orange");
        next.locator("[name='colour']").press("Enter");
        assertThat(page().locator("tr:has([name='id'][value='w2']) [name='colour']"))
                .hasValue("orange");
        assertEquals(
                stored("lab-bench", "w2").replace("orange", "?"), before.replaceFirst(",(black|red|white),", ",?,"));
    }

    /** The line of a wire in the list of wires, in metres. */
    private String stored(String slug, String wire) {
        choose("m");
        String line = page().request()
                .get(url("/circuits/" + slug + "/wires.csv"))
                .text()
                .lines()
                .filter(l -> l.startsWith(wire + ","))
                .findFirst()
                .orElseThrow();
        choose("ft");
        page().navigate(url("/circuits/" + slug + "/edit"));
        return line;
    }

    @Test
    public void aPlanTakesFeetInItsAddress() {
        choose("ft");
        page().navigate(url("/plan/interlock"));
        Locator length = page().locator("[name='o.metres']").first();
        length.fill("100");
        length.press("Enter");
        assertThat(page()).hasURL(Pattern.compile(".*o.metres=100(%20|\\+)ft.*"));
        assertThat(page().locator("[name='o.metres']").first()).hasValue(Pattern.compile("100( ft)?"));
        page().reload();
        assertThat(page().locator("[name='o.metres']").first()).hasValue(Pattern.compile("100( ft)?"));
    }

    @Test
    public void aRatingIsTypedInFahrenheitAndOthersOfItsRowStay() {
        String slug = copy("propagation-house", "Rated");
        choose("f");
        page().navigate(url("/circuits/" + slug + "/edit"));
        page().locator("#tab-parts").click();
        Locator ratings = page().locator("tr:has([name='id'][value='FROST']) [name='params']");
        assertThat(ratings).hasValue(Pattern.compile("opensAt=42\\.8°F closesAt=39\\.2°F.*"));
        ratings.fill(ratings.inputValue().replace("42.8", "44.6"));
        ratings.press("Enter");
        assertThat(page().locator("body")).containsText("everything is saved");
        assertThat(page().locator("tr:has([name='id'][value='FROST']) [name='params']"))
                .hasValue(Pattern.compile("opensAt=44\\.6°F closesAt=39\\.2°F.*"));
        choose("c");
        page().navigate(url("/circuits/" + slug + "/edit"));
        assertThat(page().locator("tr:has([name='id'][value='FROST']) [name='params']"))
                .hasValue(Pattern.compile("opensAtCelsius=7 closesAtCelsius=4.*"));
    }

    /** What was typed in one unit is the same temperature when the page is read again in the other. */
    @Test
    public void aDraftOfAScenarioKnowsInWhichUnitItWasTyped() {
        String editor = url("/circuits/wardens-cottage/scenario?run=TH-heat");
        page().navigate(editor);
        page().locator("[data-add='acts']").click();
        Locator row = page().locator("#acts .sentence").last();
        row.locator(".time").fill("2:00");
        row.locator(".what").selectOption("ROOM.celsius");
        row.locator(".value").fill("15");
        assertThat(page().locator("#preview")).containsText("ROOM temperature: 15 °C");
        choose("f");
        page().navigate(editor);
        assertThat(page().locator("#acts .sentence").last().locator(".value")).hasValue("59");
        assertThat(page().locator("#preview")).containsText("ROOM temperature: 59 °F");
        page().locator("#acts .sentence").last().locator(".value").fill("50");
        assertThat(page().locator("#preview")).containsText("ROOM temperature: 50 °F");
        choose("c");
        page().navigate(editor);
        assertThat(page().locator("#preview")).containsText("ROOM temperature: 10 °C");
        page().locator("#draft-drop").click();
    }
}
