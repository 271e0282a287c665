package org.jagridge.web.edit;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.edit.ChainEntry;
import org.jagridge.core.edit.Edits;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Circuits of a dozen parts, entered from nothing: with the keyboard alone, and with the mouse alone. */
public class EntryTest extends BrowserTest {
    private static final int MOST_KEYS = 600;

    private static final String[] PILOTS = {
        "M1:supply.L1 > F1:fuse > T1:transformer.P1-P2 > M1.L2",
        "T1.X1 > F2:fuse > S1:switch > K1:relay.A1-A2 > T1.X2",
        "F2.2 > S2:switch > K2:relay.A1-A2 > T1.X2",
        "F2.2 > K1.11-14 > LP1:lamp > T1.X2",
        "F2.2 > K2.11-14 > LP2:lamp > T1.X2",
        "LP1.1 > K3:relay.A1-A2 > T1.X2",
        "F2.2 > K3.11-14 > LP3:lamp > T1.X2",
    };

    private static final String[] COOLING = {
        "M1:supply.L1 > DS1:disconnect.L1-T1 > T1:transformer.P1-P2 > DS1.T2-L2 > M1.L2",
        "T1.X1 > F1:fuse > TH1:thermostat.R",
        "TH1.C > T1.X2",
        "TH1.Y > TD1:timer > SS1:safety-switch > CC1:contactor.A1-A2 > T1.X2",
        "TH1.G > K1:relay.A1-A2 > T1.X2",
        "DS1.T1 > CC1.L1-T1 > MOT1:motor > CC1.T2-L2 > DS1.T2",
        "DS1.T1 > K1.11-14 > MOT2:motor > DS1.T2",
        "CC1.A1 > LP1:lamp > T1.X2",
    };

    private static final String[] HEATING = {
        "M1:supply.L1 > CB1:breaker > T1:transformer.P1-P2 > M1.N",
        "T1.X1 > F1:fuse > TH1:thermostat.R",
        "TH1.C > T1.X2",
        "TH1.W > SS1:safety-switch > SS2:safety-switch > K1:relay.A1-A2 > T1.X2",
        "CB1.2 > K1.11-14 > RL1:resistive-load > M1.N",
        "TH1.G > K2:relay.A1-A2 > T1.X2",
        "CB1.2 > K2.11-14 > MOT1:motor > M1.N",
        "K1.A1 > LP1:lamp > T1.X2",
    };

    @DataProvider
    public Object[][] circuits() {
        return new Object[][] {{"Pilots", PILOTS}, {"Cooling", COOLING}, {"Heating", HEATING}};
    }

    private String slug() {
        return page().url().replaceAll(".*/circuits/([^/]+)/.*", "$1");
    }

    private Circuit stored() {
        return CircuitReader.read(get("/circuits/" + slug() + "/circuit.json").body());
    }

    private EditPage begin(String name) {
        page().navigate(url("/circuits/new"));
        // the name has the focus
        page().keyboard().type(name);
        page().keyboard().press("Enter");
        page().waitForURL("**/edit");
        return new EditPage(page());
    }

    @Test(dataProvider = "circuits")
    public void byTheKeyboardAlone(String name, String[] lines) {
        EditPage edit = begin(name);
        assertThat(page().locator("#first")).isVisible();
        int keys = name.length() + 2;
        edit.press("/");
        for (String line : lines) {
            edit.type(line);
            edit.press("Enter");
            edit.saved();
            assertThat(page().locator("#line")).hasValue("");
            keys += line.length() + 1;
        }
        assertTrue(keys <= MOST_KEYS, keys + " keys");
        Circuit circuit = stored();
        assertTrue(circuit.parts().size() >= 11, circuit.parts().size() + " parts");
        assertEquals(page().locator("#wires tr").count(), circuit.wires().size());
        assertThat(page().locator("#first")).hasCount(0);
    }

    /** What the lines come to, without a browser. */
    private static Circuit wanted(String name, String[] lines) {
        Circuit circuit =
                Circuit.builder(name).place("unit", "Unit", Place.Access.PANEL).build();
        for (String line : lines) {
            circuit = Edits.rung(ChainEntry.read(line, circuit, Wire.Run.FIELD)).applyTo(circuit);
        }
        return circuit;
    }

    /** Each part is picked from the list of kinds and gets its id by itself; wires are two clicks in the drawing. */
    @Test(dataProvider = "circuits")
    public void byTheMouseAloneWithoutTypingAnId(String name, String[] lines) {
        EditPage edit = begin(name + " by mouse");
        Circuit wanted = wanted(name, lines);
        for (Part p : wanted.parts()) {
            page().locator("#pick").selectOption(p.type());
            edit.saved();
        }
        assertEquals(ids(stored()), ids(wanted));
        for (Wire w : wanted.wires()) {
            page().locator(".drawing-pane [data-zoom=fit]").click();
            edit.post(w.from().toString()).click();
            edit.post(w.to().toString()).click();
            edit.saved();
        }
        assertEquals(ends(stored()), ends(wanted));
    }

    private static Set<String> ids(Circuit c) {
        return c.parts().stream().map(p -> p.id() + " " + p.type()).collect(Collectors.toSet());
    }

    private static Set<Set<Object>> ends(Circuit c) {
        return c.wires().stream().map(w -> Set.<Object>of(w.from(), w.to())).collect(Collectors.toSet());
    }
}
