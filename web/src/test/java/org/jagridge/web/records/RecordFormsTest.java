package org.jagridge.web.records;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpResponse;
import org.jagridge.web.WebTest;
import org.jagridge.web.standin.LoggingMeter;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Forms and files of records without a browser: what can't be read is said with its line, and nothing is changed. */
public class RecordFormsTest extends WebTest {
    private static final String HEADER = "line,value,unit,taken_at,sender,id\n";
    private static final String GC = "ac-volts TH.G TH.C";
    private String record;

    @BeforeClass
    public void beginARecord() {
        HttpResponse<String> begun = submit(
                "/circuits/lab-bench/records",
                "run",
                "TH-fan",
                "load",
                "K1:A1-A2",
                "school",
                "common",
                "who",
                "Night class");
        record = begun.headers().firstValue("Location").orElseThrow().replaceAll("https?://[^/]+", "");
    }

    @DataProvider
    public Object[][] files() {
        return new Object[][] {
            {"ac-volts NO.1 NO.2,5,V,,,", "no line"},
            {GC + ",lots,V,,,", "line 2"},
            {GC + ",26,mA,,,", "is measured in V, not in mA"},
            {GC + ",26,V,yesterday,,", "&quot;yesterday&quot; is no time; write it like 2026-11-26 09:30"},
            {GC + ",26,V,,,first", "&quot;first&quot; is no id; leave the cell empty"},
            {GC + ",NaN,V,,,", "line 2"},
            {GC + ",26,V,,\"open", "a quote that is opened in line 2 is never closed"},
            {GC + ",26,V,,\"open\"shut,", "this is no CSV in line 2"},
        };
    }

    @Test(dataProvider = "files")
    public void aFileWithAMistakeIsRefusedWithItsLine(String row, String words) {
        String before = get(record + "/readings.csv").body();
        HttpResponse<String> answer = upload(record + "/readings.csv", "readings.csv", HEADER + row + "\n");
        assertEquals(answer.statusCode(), 400, answer.body());
        assertTrue(answer.body().contains(words), words + " not in " + problems(answer));
        assertEquals(get(record + "/readings.csv").body(), before);
    }

    private static String problems(HttpResponse<String> answer) {
        String page = answer.body();
        int from = page.indexOf("class=\"problems\"");
        return from < 0 ? page : page.substring(from, page.indexOf("</ul>", from));
    }

    @Test
    public void timesAreReadAsASpreadsheetOrAMeterWritesThem() {
        HttpResponse<String> answer = upload(
                record + "/readings.csv",
                "readings.csv",
                HEADER + GC + ",26.1,V,2026-11-26 09:30,,\n" + GC + ",26.2,V,2026-11-26T09:31:00+01:00,Bridge 7,\n");
        assertEquals(answer.statusCode(), 302, answer.body());
        String csv = get(record + "/readings.csv").body();
        assertTrue(csv.contains("26.1") && csv.contains("26.2") && csv.contains("Bridge 7"), csv);
    }

    @Test
    public void whatWasFoundIsRefusedWithItsLineAndCanBeReadAgainLater() {
        String slug = copy("lab-bench", "Found by forms");
        String path = "/circuits/" + slug + "/as-found";
        HttpResponse<String> bad =
                submit(path, "who", "Me", "body", "terminal,colour,goes to\nXT.3,green,TH.G\nXT.99,red,TH.R");
        assertEquals(bad.statusCode(), 400);
        assertTrue(bad.body().contains("XT.99"), bad.body());
        assertTrue(bad.body().contains("XT.3,green,TH.G"), "what was typed is still there");
        assertEquals(submit(path, "who", "Me", "body", "x".repeat(400_000)).statusCode(), 400);
        assertEquals(
                submit(path, "who", "Me", "body", "K3.A1, grey, ?\nXT.5, white, ?")
                        .statusCode(),
                302);
        String open = get("/circuits/" + slug + "/tracing").body();
        assertTrue(open.contains("K3.A1, grey"), open);
        // the circuit loses the part that the record names
        submit("/circuits/" + slug + "/edit/remove-part", "base", "1", "old", "K3");
        String after = get("/circuits/" + slug + "/tracing").body();
        assertTrue(after.contains("does not fit the circuit any more"), after);
        assertTrue(after.contains("K3"), after);
        assertFalse(after.contains("K3.A1, grey"), after);
        assertTrue(get(path).body().contains("K3"), "the record itself says what does not fit");
        String tracing = begin("/circuits/" + slug + "/tracing");
        String kept = submit(tracing + "/as-found").body();
        assertTrue(kept.contains("Save one that fits first; this tracing stays here"), kept);
    }

    /** Begins to trace G and Y between the strip and the thermostat. */
    private String begin(String path) {
        HttpResponse<String> begun =
                submit(path, "who", "", "body", "XT.3, green, ?\nXT.4, yellow, ?\nTH.G, green, ?\nTH.Y, yellow, ?");
        return begun.headers().firstValue("Location").orElseThrow().replaceAll("https?://[^/]+", "");
    }

    @Test
    public void aTracingNeedsTwoEndsAndNotesOnlyWhatWasTouched() {
        String path = "/circuits/lab-bench/tracing";
        HttpResponse<String> one = submit(path, "who", "", "body", "XT.3, green, ?");
        assertEquals(one.statusCode(), 400);
        assertTrue(one.body().contains("tracing needs two ends at least"), one.body());
        String many = "XT.3, green, ?\n".repeat(2000);
        assertTrue(submit(path, "who", "", "body", many).body().contains("trace at most"), "too many ends");
        String tracing = begin(path);
        assertEquals(submit(tracing + "/rounds", "round", "0", "beeped", "77").statusCode(), 404);
        String late = submit(tracing + "/rounds", "round", "5", "beeped", "2").body();
        assertTrue(late.contains("This round was noted already"), late);
        assertEquals(submit(tracing + "/rounds", "round", "0", "beeped", "2").statusCode(), 302);
        assertEquals(get("/tracings/99999").statusCode(), 404);
    }

    /** A sound circuit is right in every line, whatever the noise: a false alarm sends people the wrong way. */
    @Test
    public void aSoundCircuitIsRightWithEveryNoise() throws InterruptedException {
        for (String[] walk :
                new String[][] {{"lab-bench", "TH-fan", "K1:A1-A2"}, {"wardens-cottage", "TH-emergency", "HC:A1-A2"}}) {
            HttpResponse<String> begun =
                    submit("/circuits/" + walk[0] + "/records", "run", walk[1], "load", walk[2], "school", "common");
            String sound = begun.headers().firstValue("Location").orElseThrow().replaceAll("https?://[^/]+", "");
            String code = get(sound).body().replaceAll("(?s).*id=\"code\"[^>]*>([^<]+)<.*", "$1");
            for (int seed = 1; seed <= 15; seed++) {
                LoggingMeter.run(new LoggingMeter.Orders(URI.create(url("/")), code, "", seed, 40, 0));
                String state = get(sound + "/state").body();
                assertTrue(state.contains("\"right\":true"), state);
                assertFalse(state.contains("\"right\":false"), walk[0] + " with seed " + seed + ": " + state);
            }
        }
    }

    /** A supply with a switch that stands open before a transformer, and a thermostat that calls for a relay. */
    private static final String SWITCHED_OFF = """
            {"format": "jagridge-circuit", "version": 1, "name": "Switched off", "places": [{"id": "u", "name": "Unit", "access": "panel"}],
             "parts": [{"id": "M", "type": "supply", "place": "u", "params": {"system": "single-120"}},
              {"id": "SW", "type": "switch", "place": "u", "params": {"kind": "service", "rest": "open"}},
              {"id": "T1", "type": "transformer", "place": "u"}, {"id": "K", "type": "relay", "place": "u"},
              {"id": "TH", "type": "thermostat", "place": "u"}],
             "wires": [{"id": "w1", "ends": ["M.L", "SW.1"]}, {"id": "w2", "ends": ["SW.2", "T1.P1"]}, {"id": "w3", "ends": ["T1.P2", "M.N"]},
              {"id": "w4", "ends": ["T1.X1", "TH.R"]}, {"id": "w5", "ends": ["TH.G", "K.A1"]}, {"id": "w6", "ends": ["K.A2", "T1.X2"]}]}
            """;

    @Test
    public void aCallThatBringsNothingOnSaysWhyAndWhatWould() {
        String json = SWITCHED_OFF
                .replace("room-thermostat", "thermostat")
                .replace("TH.R", "TH.R")
                .replace("TH.G", "TH.G");
        HttpResponse<String> made = upload("/circuits/file", "off.json", json);
        String slug = made.headers()
                .firstValue("Location")
                .orElseThrow(() -> new AssertionError(made.body()))
                .replaceAll(".*/circuits/([^/]+)/.*", "$1");
        String page = get("/circuits/" + slug + "/sheet?run=TH-fan").body();
        assertTrue(page.contains("No load comes on in this call."), page);
        assertTrue(page.contains("K is off: its supply T1 is dead"), page);
        assertTrue(page.contains("with SW.closed set to true K comes on"), page);
    }
}
