package org.jagridge.web.check;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.WebTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Findings, prove-dead sheets, the catalogue, and a bench for every demo circuit. */
public class CheckPagesTest extends WebTest {
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
    public void everyDemoHasALiveBenchAndACheckPage(String slug) {
        HttpResponse<String> redirect = get("/circuits/" + slug + "/bench");
        assertEquals(redirect.statusCode(), 302);
        String address = redirect.headers().firstValue("Location").orElseThrow();
        HttpResponse<String> bench = get(address.replaceAll("^https?://[^/]+", ""));
        assertEquals(bench.statusCode(), 200);
        for (String drawing : List.of("ladder", "connections")) {
            Matcher from = Pattern.compile("data-from=\"(/drawings/\\d+/" + drawing + ")\"")
                    .matcher(bench.body());
            assertTrue(from.find(), drawing);
            HttpResponse<String> svg = get(from.group(1));
            assertEquals(svg.headers().firstValue("Content-Type").orElseThrow(), "image/svg+xml;charset=UTF-8");
            assertTrue(svg.body().startsWith("<svg") && svg.body().contains("data-part="), svg.body());
        }
        assertEquals(get("/circuits/" + slug + "/check").statusCode(), 200);
    }

    @Test
    public void theCheckPageSaysWhatIsWrongAndWhatToDo() {
        String page = get("/circuits/cold-store/check").body();
        assertTrue(page.contains("data-code=\"solid-pole\""), page);
        assertTrue(page.contains("CC.T2 is live with the contactor out"));
        assertTrue(page.contains("Open the disconnect and prove dead"));
    }

    @Test
    public void theDeadSheetNamesBothSuppliesTheCapacitorAndThePoints() {
        String sheet = get("/circuits/seminar-room/dead/outdoor").body();
        assertTrue(sheet.contains("Cooling circuit (MO): off at its source"), sheet);
        assertTrue(sheet.contains("Service switch (SW): open, lock, tag"));
        assertTrue(sheet.contains("Discharge capacitor CAP"));
        assertTrue(sheet.contains("CC.A1"));
        assertEquals(get("/circuits/seminar-room/dead/attic").statusCode(), 404);
        assertEquals(get("/circuits/nowhere/check").statusCode(), 404);
    }

    @Test
    public void theInterfaceGivesTheSameFindings() {
        HttpResponse<String> response = post("/api/v1/check", "{\"circuitId\": 7}");
        assertEquals(response.statusCode(), 200, response.body());
        assertTrue(response.body().contains("\"code\":\"option-not-fitted\""), response.body());
        assertTrue(response.body().contains("\"severity\":\"note\""));
    }

    @Test
    public void theCatalogueShowsEveryTypeWithSymbolsTerminalsRatingsAndFaults() {
        String page = get("/catalogue").body();
        assertTrue(page.contains("62 part types"), "count");
        for (String expected :
                new String[] {"id=\"lockout-relay\"", "id=\"mid-position-valve\"", "armature stuck", "coilOhms"}) {
            assertTrue(page.contains(expected), expected);
        }
        assertTrue(page.contains("<td class=\"rating-name\">opensAtCelsius</td><td>90 °C</td>"), "its unit");
        assertTrue(page.contains("<td class=\"rating-name\">reads</td><td>–</td>"), "names a part");
    }
}
