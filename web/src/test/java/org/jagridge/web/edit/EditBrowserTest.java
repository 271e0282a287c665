package org.jagridge.web.edit;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Entering and changing circuits in a real browser. */
public class EditBrowserTest extends BrowserTest {
    private EditPage edit;

    /** The parts of the condensing unit: id, type, name, ratings. */
    private static final String[][] PARTS = {
        {"MO", "supply", "Cold store circuit", "system=split-120-240"},
        {"DS", "disconnect", "Disconnect", ""},
        {"T1", "transformer", "Control transformer", "primaryVolts=240 va=40"},
        {"F1", "fuse", "Control fuse", "amps=3"},
        {"TH", "line-thermostat", "Store thermostat", "direction=cool"},
        {"TD", "timer", "Start delay", "function=delay-on-make seconds=180 form=series"},
        {"LR", "lockout-relay", "Lockout relay", ""},
        {"LPS", "safety-switch", "Low-pressure switch", "kind=low-pressure"},
        {"HPS", "safety-switch", "High-pressure switch", "kind=high-pressure"},
        {"CC", "contactor", "Contactor", "poles=contact,bar"},
        {"CMP", "compressor", "Compressor", "volts=240 runAmps=9"},
        {"OF", "psc-motor", "Condenser fan", "volts=240 runAmps=1.1"},
        {"CAP", "capacitor", "Run capacitor", "form=dual microfarads=35,5"},
        {"LMP", "lamp", "Lockout lamp", ""},
    };

    /** The written wire list: from, to, colour. */
    private static final String[][] WIRES = {
        {"MO.L1", "DS.L1", "black"},
        {"MO.L2", "DS.L2", "red"},
        {"DS.T1", "CC.L1", "black"},
        {"DS.T2", "CC.L2", "red"},
        {"CC.T1", "CMP.R", "yellow"},
        {"CMP.R", "CAP.C", "yellow"},
        {"CAP.HERM", "CMP.S", "white"},
        {"CC.T2", "CMP.C", "black"},
        {"CC.T1", "OF.R", "brown"},
        {"CAP.FAN", "OF.S", "purple"},
        {"CC.T2", "OF.C", "black"},
        {"DS.T1", "T1.P1", "black"},
        {"DS.T2", "T1.P2", "red"},
        {"T1.X1", "F1.1", "red"},
        {"F1.2", "TH.1", "red"},
        {"TH.2", "TD.IN", "yellow"},
        {"TD.OUT", "LR.SUP", "yellow"},
        {"LR.CHAIN", "LPS.1", "orange"},
        {"LPS.2", "HPS.1", "orange"},
        {"HPS.2", "CC.A1", "yellow"},
        {"CC.A1", "LR.LOAD", "brown"},
        {"CC.A2", "T1.X2", "blue"},
        {"LR.LAMP", "LMP.1", "purple"},
        {"LMP.2", "T1.X2", "blue"},
        {"MO.PE", "unit.PE", "green"},
    };

    @BeforeMethod
    public void openEditor() {
        edit = new EditPage(page());
    }

    /** Begins a circuit of its own for a test. */
    private String begin(String name, String pattern) {
        page().navigate(url("/circuits/new"));
        page().locator("#name").fill(name);
        page().locator("#pattern").selectOption(pattern);
        page().locator("form button").first().click();
        page().waitForURL("**/edit");
        page().waitForSelector("#findings h2");
        return page().url().replaceAll(".*/circuits/([^/]+)/edit", "$1");
    }

    private Circuit stored(String slug) {
        return CircuitReader.read(get("/circuits/" + slug + "/circuit.json").body());
    }

    private static Set<Set<Terminal>> nets(Circuit circuit) {
        Set<Set<Terminal>> nets = new HashSet<>();
        for (Wire w : circuit.wires()) {
            Set<Terminal> joined = new HashSet<>(Set.of(w.from(), w.to()));
            List<Set<Terminal>> met = nets.stream()
                    .filter(net -> net.contains(w.from()) || net.contains(w.to()))
                    .toList();
            met.forEach(joined::addAll);
            nets.removeAll(met);
            nets.add(joined);
        }
        return nets;
    }

    /** A technician with a paper list: parts and 25 wires, without touching the mouse; about 1500 strokes. */
    @Test
    public void theOutdoorUnitIsEnteredByKeyboardAloneFromAWrittenWireList() {
        String slug = begin("Keyboard unit", "");
        int strokes = enterParts();
        page().locator("body").press("n");
        assertThat(page().locator("#new-from")).isFocused();
        for (String[] w : WIRES) {
            edit.type(w[0]);
            edit.press("Tab");
            edit.type(w[1]);
            edit.press("Tab");
            edit.type(w[2]);
            edit.press("Enter");
            strokes += w[0].length() + w[1].length() + w[2].length() + 3;
        }
        edit.saved();
        assertEquals(edit.wrongRows().count(), 0);
        Circuit circuit = stored(slug);
        assertEquals(circuit.wires().size(), 25);
        assertEquals(circuit.wires().get(24).colour(), "green");
        // at a slow typist's three strokes a second this is under ten minutes
        assertTrue(strokes < 10 * 60 * 3, strokes + " strokes");
        assertThat(page().locator("#drawing-connections .wire")).hasCount(25);
    }

    private int enterParts() {
        int strokes = 0;
        page().locator("#tab-wires").focus();
        edit.press("ArrowRight", "Tab");
        while (!"id, new part".equals(page().evaluate("() => document.activeElement.getAttribute('aria-label')"))) {
            edit.press("Tab");
            strokes++;
        }
        for (String[] p : PARTS) {
            edit.type(p[0]);
            edit.press("Tab");
            edit.type(p[1]);
            edit.press("Tab", "Tab");
            edit.type(p[2]);
            edit.press("Tab");
            edit.type(p[3]);
            edit.press("Enter");
            strokes += p[0].length() + p[1].length() + p[2].length() + p[3].length() + 5;
        }
        edit.saved();
        assertThat(page().locator("#count-parts")).hasText(String.valueOf(PARTS.length));
        edit.press("Escape");
        return strokes;
    }

    @Test
    public void chainLinesMakeTheSameNetsInFewerLinesThanWires() {
        String slug = begin("Chained unit", "");
        enterParts();
        List<String> lines = List.of(
                "MO.L1 > DS.L1-T1 > CC.L1-T1 > CMP.R > CAP.C",
                "MO.L2 > DS.L2-T2 > CC.L2-T2 > CMP.C",
                "CAP.HERM >(white) CMP.S",
                "CC.T1 > OF.R-C > CC.T2",
                "CAP.FAN > OF.S",
                "DS.T1 > T1.P1-P2 > DS.T2",
                "T1.X1 > F1 > TH > TD > LR.SUP-CHAIN > LPS > HPS > CC.A1-A2 > T1.X2",
                "CC.A1 > LR.LOAD",
                "LR.LAMP > LMP > T1.X2",
                "MO.PE > unit");
        lines.forEach(edit::chain);
        Circuit circuit = stored(slug);
        Circuit.Builder list = circuit.toBuilder();
        list.wires().clear();
        for (String[] w : WIRES) {
            list.wire(w[0], w[1]);
        }
        assertEquals(nets(circuit), nets(list.build()));
        assertThat(page().locator("#drawing-connections .wire"))
                .hasCount(circuit.wires().size());
    }

    @Test
    public void whatCannotBeStoredStaysInItsRowWithTheReasonAndSurvivesAReload() {
        String slug = begin("Mistakes", "chapel");
        page().locator("#new-from").fill("GV.1");
        page().locator("#new-from").press("Tab");
        edit.type("NOPE.2");
        edit.press("Enter");
        assertThat(edit.wrongRows()).hasText("there is no part \"NOPE\"; add it under Parts first");
        assertThat(page().locator("#new-from")).isFocused();
        page().reload();
        Locator pending = page().locator("tr.pending");
        assertThat(pending.locator("[name='to']")).hasValue("NOPE.2");
        pending.locator("[name='to']").fill(stored(slug).wires().get(0).to().toString());
        pending.locator("[name='to']").press("Enter");
        edit.saved();
        assertThat(page().locator("tr.pending")).hasCount(0);
        page().locator("#line").fill("T9.X1 > F9");
        page().locator("#line").press("Enter");
        assertThat(page().locator(".chain .wrong-words"))
                .hasText(
                        "piece 1: there is no part T9; did you mean TP? To make it, say what it is, like T9:transformer; piece 2: there is no part F9. To make it, say what it is, like F9:fuse TP.X1 > F9");
        assertThat(page().locator("#line")).hasValue("T9.X1 > F9");
    }

    @Test
    public void undoAndRedoGoBackAndForthAndNothingIsLost() {
        String slug = begin("Undone", "cold-store");
        edit.cell("wire-w5", "colour").fill("pink");
        edit.cell("wire-w5", "colour").press("Tab");
        edit.saved();
        page().locator("#wire-w34 button").click();
        assertThat(edit.wireRow("w34")).hasCount(0);
        page().locator("#undo").click();
        assertThat(edit.wireRow("w34")).hasCount(1);
        page().locator("#undo").click();
        assertThat(edit.cell("wire-w5", "colour")).hasValue("yellow");
        assertThat(page().locator("#undo")).isDisabled();
        page().locator("#redo").click();
        assertThat(edit.cell("wire-w5", "colour")).hasValue("pink");
        page().locator("body").press("Control+y");
        assertThat(edit.wireRow("w34")).hasCount(0);
        assertThat(page().locator("#redo")).isDisabled();
        edit.saved();
        assertThat(edit.revision()).hasText("7");
        page().navigate(url("/circuits/" + slug + "/revisions?from=1&to=7"));
        assertThat(page().locator(".diff")).containsText("w5: colour was yellow, now pink");
        assertThat(page().locator(".diff")).containsText("wire w34, MO.PE to unit.PE, green");
        assertThat(page().locator(".list tbody tr")).hasCount(7);
        page().navigate(url("/circuits/" + slug + "/revisions?from=7&to=1"));
        page().locator("text=Go on from revision 1").click();
        page().waitForURL("**/edit");
        assertThat(edit.wireRow("w34")).hasCount(1);
    }

    @Test
    public void twoTabsNeverOverwriteEachOther() {
        String slug = begin("Two tabs", "cold-store");
        EditPage second = new EditPage(newPage());
        second.open(url("/circuits/" + slug + "/edit"));
        page().locator("#wire-w34 button").click();
        assertThat(edit.wireRow("w34")).hasCount(0);
        edit.saved();

        second.cell("wire-w5", "colour").fill("pink");
        second.cell("wire-w5", "colour").press("Tab");
        Locator conflict = second.page().locator("#conflict");
        assertThat(conflict).containsText("it is at revision 2, this page shows 1");
        assertThat(conflict).containsText("removed wire w34, MO.PE to unit.PE, green");
        assertEquals(stored(slug).wire("w5").orElseThrow().colour(), "yellow");
        conflict.locator("text=Put mine on top").click();
        second.saved();
        assertThat(second.wireRow("w34")).hasCount(0);
        assertEquals(stored(slug).wire("w5").orElseThrow().colour(), "pink");

        edit.cell("wire-w6", "colour").fill("grey");
        edit.cell("wire-w6", "colour").press("Tab");
        page().locator("#conflict >> text=Keep both").click();
        page().waitForURL("**/two-tabs-second-version/edit");
        assertEquals(stored("two-tabs-second-version").wire("w6").orElseThrow().colour(), "grey");
        assertEquals(stored(slug).wire("w6").orElseThrow().colour(), "yellow");
    }

    @Test
    public void twoTerminalsAreJoinedByClickingBothOrByKeys() {
        String slug = begin("Joined", "cold-store");
        int wires = stored(slug).wires().size();
        edit.post("LMP.1").click();
        assertThat(page().locator("#drawing-hint")).hasText("LMP.1 to …? Escape lets go");
        edit.post("T1.X1").click();
        edit.saved();
        assertThat(page().locator("#count-wires")).hasText(String.valueOf(wires + 1));
        edit.post("OF.R").focus();
        edit.press("Enter");
        edit.post("CMP.S").focus();
        edit.press("Enter");
        edit.saved();
        assertThat(page().locator("#count-wires")).hasText(String.valueOf(wires + 2));
        Wire last = stored(slug).wires().get(wires + 1);
        assertEquals(last.from() + " " + last.to(), "OF.R CMP.S");
    }

    @Test
    public void aMakersMarkIsEnteredShownOnBothDrawingsAndUnderstood() {
        String slug = begin("Marked", "cold-store");
        page().locator("#tab-parts").click();
        edit.cell("part-CC", "marks").fill("A1=Y, A9=Z");
        edit.cell("part-CC", "marks").press("Enter");
        assertThat(edit.wrongRows().first()).containsText("there is no terminal A9 to mark");
        edit.cell("part-CC", "marks").fill("A1=Y, L1=LINE-1");
        edit.cell("part-CC", "marks").press("Enter");
        edit.saved();
        page().reload();
        page().locator("#tab-parts").click();
        assertThat(edit.cell("part-CC", "marks")).hasValue("A1=Y, L1=LINE-1");
        assertThat(page().locator("#drawing-connections")).containsText("LINE-1");
        page().locator("[data-show='ladder']").click();
        assertThat(page().locator("#drawing-ladder")).containsText("LINE-1–T1");
        edit.chain("LMP.1 > CC.y");
        Circuit circuit = stored(slug);
        Wire last = circuit.wires().get(circuit.wires().size() - 1);
        assertEquals(last.from() + " " + last.to(), "LMP.1 CC.A1");
    }

    @Test
    public void aBoxIsMovedByMouseAndKeyboardAndStaysThere() {
        String slug = begin("Moved", "cold-store");
        BoundingBox before = edit.box("LMP").boundingBox();
        page().mouse().move(before.x + before.width / 2, before.y + before.height / 2);
        page().mouse().down();
        page().mouse()
                .move(
                        before.x + before.width / 2 + 60,
                        before.y + before.height / 2,
                        new Mouse.MoveOptions().setSteps(4));
        page().mouse().up();
        edit.saved();
        assertThat(edit.revision()).hasText("2");
        double moved = edit.box("LMP").boundingBox().x;
        assertEquals(moved, before.x + 60, 9);
        edit.box("LMP").focus();
        edit.press("Alt+ArrowRight");
        edit.saved();
        assertThat(edit.revision()).hasText("3");
        assertThat(edit.box("LMP")).isFocused();
        assertTrue(edit.box("LMP").boundingBox().x > moved);
        for (int i = 0; i < 6; i++) {
            edit.press("Alt+Shift+ArrowLeft");
            edit.saved();
        }
        assertThat(page().locator("#notice")).containsText("would stand too close to");
        String stays = edit.box("LMP").locator("rect").getAttribute("x");
        page().reload();
        assertThat(edit.box("LMP").locator("rect")).hasAttribute("x", stays);
        page().locator("text=arrange anew").click();
        edit.saved();
        assertEquals(stored(slug).layout().size(), 0);
    }

    @Test
    public void rowsPastedFromASpreadsheetAreAddedAndBadOnesAreTold() {
        begin("Pasted", "cold-store");
        page().locator("#tab-files").click();
        page().locator("#paste").fill("LMP.1\tT1.X1\tred\nOF.R\tCMP.S\twhite\n");
        page().locator("text=Add the rows").click();
        edit.saved();
        assertThat(page().locator("#count-wires")).hasText("37");
        assertThat(page().locator("#paste")).hasValue("");
        page().locator("#paste").fill("from,to\nLMP.1,=1+1\n");
        page().locator("text=Add the rows").click();
        assertThat(page().locator("form[data-what='paste'] .wrong-words"))
                .containsText("line 2: to begins with =, as a formula does; write plain text");
        assertThat(page().locator("#paste")).hasValue("from,to\nLMP.1,=1+1\n");
    }

    @Test
    public void filesGoOutAndInUnchanged() {
        String slug = begin("Files", "old-hall");
        Circuit before = stored(slug);
        String csv = get("/circuits/" + slug + "/wires.csv").body();
        page().locator("#wire-w1 button, tr[data-what='wire'] button").first().click();
        edit.saved();
        assertNotEquals(stored(slug), before);
        page().locator("#tab-files").click();
        page().locator("#wire-list")
                .setInputFiles(new FilePayload("w.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)));
        // the file is read before anything is left to be stored
        assertThat(page().locator("#count-wires"))
                .hasText(String.valueOf(before.wires().size()));
        edit.saved();
        assertEquals(stored(slug).wires(), before.wires());
        page().locator("#circuit-file")
                .setInputFiles(new FilePayload(
                        "c.json",
                        "application/json",
                        get("/circuits/chapel/circuit.json").body().getBytes(StandardCharsets.UTF_8)));
        assertThat(page().locator("#count-parts")).hasText("4");
        page().locator("#circuit-file")
                .setInputFiles(new FilePayload(
                        "c.json", "application/json", "{\"format\": 3".getBytes(StandardCharsets.UTF_8)));
        assertThat(page().locator("#circuit-form .wrong-words")).containsText("this is not JSON");
        page().locator("#wire-list")
                .setInputFiles(
                        new FilePayload("w.csv", "text/csv", "von,nach\nä".getBytes(StandardCharsets.ISO_8859_1)));
        assertThat(page().locator("#wire-list-form .wrong-words")).containsText("not UTF-8 text");
    }

    @Test
    public void findingsFollowWhatIsTyped() {
        begin("Findings", "cold-store");
        assertThat(page().locator("#findings h2")).hasText("5 findings");
        edit.chain("T1.X1 > T1.X2");
        assertThat(page().locator("#findings .danger").first()).isVisible();
        page().locator("#undo").click();
        assertThat(page().locator("#findings h2")).hasText("5 findings");
    }

    @Test
    public void theServersSilenceLosesNothing() {
        String slug = begin("Silence", "cold-store");
        page().route("**/edit/wire", r -> r.abort());
        edit.cell("wire-w5", "colour").fill("pink");
        edit.cell("wire-w5", "colour").press("Tab");
        assertThat(page().locator("#notice")).containsText("What you typed is kept here");
        assertThat(page().locator("#saved")).hasText("· 1 not stored yet");
        page().unroute("**/edit/wire");
        page().locator("#notice button").click();
        edit.saved();
        assertEquals(stored(slug).wire("w5").orElseThrow().colour(), "pink");
    }

    @Test
    public void theDrawingZoomsAndPansAndKeepsItsViewOverAChange() {
        begin("Zoomed", "cold-store");
        Locator port = page().locator("#drawing-connections");
        assertThat(port).hasAttribute("data-scale", Pattern.compile(".+"));
        double start = scale(port);
        port.hover();
        page().mouse().wheel(0, -300);
        double near = scale(port);
        assertTrue(near > start * 1.1, start + " to " + near);
        List<String> views = new ArrayList<>();
        views.add(view(port));
        page().mouse().move(740, 160);
        page().mouse().down();
        page().mouse().move(700, 150);
        page().mouse().up();
        views.add(view(port));
        assertNotEquals(views.get(1), views.get(0));
        edit.cell("wire-w5", "colour").fill("pink");
        edit.cell("wire-w5", "colour").press("Tab");
        edit.saved();
        assertEquals(view(port), views.get(1));
        port.focus();
        edit.press("0");
        assertTrue(scale(port) < near);
        edit.press("+", "ArrowRight");
        assertNotEquals(view(port), views.get(1));
    }

    private static double scale(Locator port) {
        return Double.parseDouble(port.getAttribute("data-scale"));
    }

    private static String view(Locator port) {
        return port.getAttribute("data-seen");
    }
}
