package org.jagridge.web.export;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ColourLetters;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.WireListCsv;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Files and paper. */
public class ExportTest extends BrowserTest {
    @DataProvider
    public Object[][] demos() {
        return new Object[][] {
            {"lab-bench"},
            {"seminar-room"},
            {"wardens-cottage"},
            {"propagation-house"},
            {"old-hall"},
            {"student-flat"},
            {"cold-store"},
            {"chapel"}
        };
    }

    @Test(dataProvider = "demos")
    public void jsonOutAndInIsIdenticalAndTheWireListIsTheSame(String slug) {
        String json = get("/circuits/" + slug + "/circuit.json").body();
        assertEquals(CircuitWriter.write(CircuitReader.read(json)), json);
        HttpResponse<String> csv = get("/circuits/" + slug + "/wires.csv");
        assertTrue(csv.headers().firstValue("Content-Disposition").orElse("").contains(slug + "-wires.csv"));
        assertEquals(
                WireListCsv.read(csv.body().getBytes(StandardCharsets.UTF_8)),
                CircuitReader.read(json).wires());
    }

    @Test(dataProvider = "demos")
    public void bothDrawingsAreFilesOfTheirOwn(String slug) {
        for (String drawing : new String[] {"ladder", "connections"}) {
            HttpResponse<String> svg = get("/circuits/" + slug + "/" + drawing + ".svg");
            assertEquals(svg.headers().firstValue("Content-Type").orElse(""), "image/svg+xml");
            assertTrue(svg.body().startsWith("<svg xmlns=\"http://www.w3.org/2000/svg\""), svg.body());
            assertTrue(svg.body().contains("<style>"));
            assertTrue(!svg.body().contains("href="), "no link to elsewhere");
        }
    }

    @Test(dataProvider = "demos")
    public void everySheetHasItsTitleBlockAndFitsItsPaper(String slug) {
        page().navigate(url("/circuits/" + slug + "/print"));
        int sheets = page().locator(".paper").count();
        assertTrue(sheets >= 2, "both drawings");
        for (int i = 0; i < sheets; i++) {
            assertThat(page().locator(".title-block").nth(i)).containsText(i + 1 + " of " + sheets);
        }
        // no text of a drawing is smaller on paper than 1.7 mm
        Object least = page().evaluate("""
                () => Math.min(...[...document.querySelectorAll(".paper-drawing svg")].map((s) => {
                  const v = s.viewBox.baseVal;
                  return Math.min(s.clientWidth / v.width, s.clientHeight / v.height);
                }))""");
        assertTrue(((Number) least).doubleValue() > 0.64, slug + " is drawn at " + least);
    }

    /** What stands on paper is read back: every part, every wire, and the colour letters at both ends of each. */
    @Test(dataProvider = "demos")
    public void paperListsEveryDeviceAndWireAndNamesTheWiresAtTheirEnds(String slug) {
        Circuit circuit =
                CircuitReader.read(get("/circuits/" + slug + "/circuit.json").body());
        page().navigate(url("/circuits/" + slug + "/print"));
        assertEquals(
                firstCells("Devices"), circuit.parts().stream().map(Part::id).toList());
        assertEquals(firstCells("Wires"), circuit.wires().stream().map(Wire::id).toList());
        for (Part strip : circuit.parts()) {
            boolean posts = PartTypes.is(strip, Trait.POSTS);
            assertEquals(firstCells("Terminal plan " + strip.id()).isEmpty(), !posts, strip.id());
        }
        String svg = get("/circuits/" + slug + "/connections.svg").body();
        long ends = circuit.wires().stream()
                .flatMap(w -> Stream.of(w.from(), w.to()))
                .distinct()
                .count();
        assertTrue(svg.split("class=\"t-end\"", -1).length - 1 <= ends);
        for (Wire w : circuit.wires()) {
            if (circuit.colourOf(w) != null) {
                String letters = ColourLetters.at(circuit, w, 0);
                assertTrue(svg.contains(" " + letters) || svg.contains(">" + letters), w.id() + " " + letters);
            }
        }
    }

    private List<String> firstCells(String title) {
        return page().locator(".paper[aria-label^='" + title + ", sheet'] tbody td:first-child")
                .allInnerTexts();
    }

    /** Nothing of a table is cut off by the end of its sheet. */
    @Test(dataProvider = "demos")
    public void tablesFitTheirSheets(String slug) {
        page().navigate(url("/circuits/" + slug + "/print"));
        assertEquals(page().evaluate("""
                        () => [...document.querySelectorAll(".paper-table")].filter(
                          (d) => d.scrollHeight > d.clientHeight + 1 || d.scrollWidth > d.clientWidth + 1).length"""), 0);
    }

    @Test
    public void paperIsA4OrLetterInLandscape() {
        page().navigate(url("/circuits/cold-store/print"));
        double a4 = page().locator(".paper").first().boundingBox().width;
        page().locator("text=Letter").click();
        assertThat(page().locator("button[value='letter']")).hasAttribute("aria-pressed", "true");
        assertTrue(page().locator(".paper").first().boundingBox().width < a4);
        int sheets = page().locator(".paper").count();
        byte[] pdf = page().pdf(new Page.PdfOptions().setPreferCSSPageSize(true));
        String text = new String(pdf, StandardCharsets.ISO_8859_1);
        assertEquals(text.split("/Type */Page[^s]", -1).length - 1, sheets, "pages of the PDF");
        assertTrue(
                text.contains("/MediaBox [0 0 792 612]") || text.contains("/MediaBox [0 0 791"), "letter, landscape");
        page().locator("text=A4").click();
    }

    @Test
    public void theInterfaceWritesWireAndPartsLists() {
        assertTrue(post("/api/v1/export/wires.csv", "{\"circuitId\": 7}").body().startsWith("wire,from,to,colour"));
        assertTrue(post("/api/v1/export/parts.csv", "{\"circuitId\": 7}").body().startsWith("part,name,type"));
        assertEquals(post("/api/v1/export/wires.csv", "{}").statusCode(), 400);
        assertEquals(get("/circuits/nowhere/wires.csv").statusCode(), 404);
        assertEquals(get("/circuits/nowhere/print").statusCode(), 404);
    }

    @Test
    public void ratingsOnPaperAreWords() {
        page().navigate(url("/circuits/propagation-house/print"));
        assertThat(page().locator("tr:has(td:text-is('FROST'))").first())
                .containsText("opens at 6 °C, closes at 4 °C, reads AIRT");
        assertThat(page().locator("tr:has(td:text-is('TI'))").first()).containsText("40 VA");
    }
}
