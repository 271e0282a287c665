package org.jagridge.web.records;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.Position;
import com.microsoft.playwright.options.SelectOption;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jagridge.web.BrowserTest;
import org.jagridge.web.standin.LoggingMeter;
import org.testng.annotations.Test;

/** Check sheets and records in a real browser, filled in by hand and by the stand-in meter. */
public class RecordBrowserTest extends BrowserTest {
    private static final String FAN = "/circuits/lab-bench/sheet?run=TH-fan&load=K1:A1-A2";
    private static final String GC = "ac-volts TH.G TH.C";

    private Locator field(String line) {
        return page().locator("[data-key='" + line + "']");
    }

    private Locator row(String line) {
        return page().locator("[data-line='" + line + "']");
    }

    /** Begins a record of the fan relay; returns the code for a meter. */
    /** Begins a record; its page listens when this is over. */
    private String begin() {
        page().navigate(url(FAN));
        page().locator("[name='who']").fill("A student");
        page().locator("[name='instrument']").fill("Meter 3");
        page().waitForResponse("**/events", () -> {
            page().locator("text=Begin a record").click();
            page().waitForURL("**/records/**");
        });
        return page().locator("#code").textContent();
    }

    private String path() {
        return page().url().replaceAll("https?://[^/]+|\\?.*", "");
    }

    private String csv() {
        return get(path() + "/readings.csv").body();
    }

    @Test
    public void theSheetSaysWhereEachLeadGoesAndWhatToExpectByEitherSchool() {
        page().navigate(url(FAN + "&school=common"));
        assertThat(page().locator(".sheet-section h2")).hasText(new String[] {"Training board", "Wall"});
        assertThat(row("ac-volts TH.R TH.C")).isVisible();
        assertThat(row(GC).locator(".range")).hasText(Pattern.compile("2\\d.* to 2\\d.*"));
        assertThat(row("amps w14")).containsText("clamp w14");
        // on a phone both leads stay, and the dial goes
        page().setViewportSize(500, 900);
        assertThat(row(GC).locator(".red-lead")).isVisible();
        assertThat(row(GC).locator(".black-lead")).isVisible();
        assertThat(row(GC).locator("td").nth(2)).isHidden();
        page().setViewportSize(1280, 800);
        page().locator("#school").selectOption("across");
        page().locator(".told-form button[type='submit']").click();
        assertThat(row("ac-volts TH.R TH.G")).isVisible();
        assertThat(row(GC)).hasCount(0);
        // another call has other loads
        page().locator("#run").selectOption("TH-cool");
        page().locator(".told-form button[type='submit']").click();
        assertThat(page().locator("#load")).containsText("K2");
        assertThat(page().locator("text=Prove dead: Training board")).isVisible();
        assertEquals(get("/circuits/lab-bench/sheet?run=nonsense").statusCode(), 404);
        for (String slug : new String[] {"seminar-room", "propagation-house", "old-hall", "student-flat", "chapel"}) {
            assertEquals(get("/circuits/" + slug + "/sheet").statusCode(), 200, slug);
        }
    }

    @Test
    public void aCableIsTestedWithBothEndsOff() {
        page().navigate(url("/circuits/lab-bench/sheet"));
        page().locator("text=Test cable TC").click();
        assertThat(page().locator(".verdict")).hasText("A sound cable.");
        assertThat(page().locator(".cable-lines tbody tr").first()).containsText("0.261 Ω");
        page().locator("#fault")
                .selectOption(new SelectOption().setLabel("w11 and w12 changed over at their second ends"));
        page().locator(".told-form button[type='submit']").click();
        assertThat(page().locator(".verdict")).containsText("The far green is the near yellow");
        assertThat(page().locator("tr.first-wrong").first()).containsText("OL");
        assertEquals(get("/circuits/lab-bench/cable/NONE").statusCode(), 404);
        assertEquals(get("/circuits/lab-bench/cable/TC?fault=99999").statusCode(), 404);
    }

    @Test
    public void wiringAsFoundIsComparedByNetsAndMadeTheDrawing() {
        page().navigate(url("/circuits/new"));
        page().locator("#name").fill("Found chapel");
        page().locator("#pattern").selectOption("chapel");
        page().locator("form button").first().click();
        page().waitForURL("**/edit");
        String slug = page().url().replaceAll(".*/circuits/([^/]+)/edit", "$1");
        String drawn = get("/circuits/" + slug + "/wires.csv")
                .body()
                .lines()
                .skip(1)
                .map(l -> l.split(",", -1))
                .map(c -> c[1] + ", " + c[3] + ", " + c[2])
                .collect(Collectors.joining("\n"));
        page().navigate(url("/circuits/" + slug + "/as-found"));
        page().locator("#body").fill("no terminal");
        page().locator("text=Save and compare").click();
        assertThat(page().locator(".problems")).containsText("line 1: \"no terminal\" is not a terminal");
        assertThat(page().locator("#body")).hasValue("no terminal");
        page().locator("#body").fill(drawn);
        page().locator("text=Save and compare").click();
        assertThat(page().locator(".verdict")).hasText("As drawn.");
        String first = drawn.lines().findFirst().orElseThrow();
        String terminal = first.substring(0, first.indexOf(','));
        page().locator("#body").fill(drawn.replace(first, terminal + ", , ?"));
        page().locator("text=Save and compare").click();
        assertThat(page().locator(".verdict")).hasText("As drawn, as far as looked at.");
        assertThat(page().locator(".not-looked-at summary")).containsText("of the drawing not looked at yet");
        assertThat(page().locator(".open-ends")).containsText("Trace the open end");
        page().locator("text=Make these").click();
        page().waitForURL("**/edit");
        assertThat(page().locator("#count-wires"))
                .hasText(String.valueOf(drawn.lines().count() - 1));
        page().navigate(url("/circuits/" + slug + "/as-found"));
        assertThat(page().locator(".found-outcome time")).hasCount(2);
        assertEquals(get("/circuits/" + slug + "/as-found?save=999").statusCode(), 404);
    }

    private static byte[] panel() {
        BufferedImage image = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            javax.imageio.ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    @Test
    public void terminalsArePinnedOnAPhotoAndTheSheetShowsTheLeadsThere() {
        page().navigate(url("/circuits/lab-bench/photos"));
        page().locator("[name='file']")
                .setInputFiles(
                        new FilePayload("notes.png", "image/png", "not a photo".getBytes(StandardCharsets.UTF_8)));
        page().locator("text=Add").last().click();
        assertThat(page().locator(".verdict.bad")).containsText("use JPEG, PNG or WebP");
        page().locator("[name='file']").setInputFiles(new FilePayload("panel.png", "image/png", panel()));
        page().locator("[name='name']").fill("Board");
        page().locator("text=Add").last().click();
        Locator frame = page().locator(".photo-frame img");
        assertThat(frame).isVisible();
        for (String terminal : new String[] {"TH.G", "TH.C"}) {
            page().locator(".terminal").fill(terminal);
            frame.click(new Locator.ClickOptions().setPosition(new Position(terminal.equals("TH.G") ? 100 : 300, 90)));
            assertThat(page().locator(".pin[data-terminal='" + terminal + "']")).isVisible();
        }
        page().locator(".terminal").fill("NO.1");
        frame.click();
        assertThat(page().locator("#pin-words")).containsText("no terminal \"NO.1\"");
        page().reload();
        assertThat(page().locator(".pin")).hasCount(2);
        page().navigate(url(FAN + "&school=common"));
        row(GC).hover();
        assertThat(page().locator(".leads-photo .lead-mark.red")).hasText("TH.G");
        assertThat(page().locator(".leads-photo .lead-mark.black")).hasText("TH.C");
        row("amps w14").hover();
        assertThat(page().locator(".leads-photo")).isHidden();
        page().navigate(url("/circuits/lab-bench/photos"));
        page().locator(".pin[data-terminal='TH.G']").click();
        assertThat(page().locator(".pin")).hasCount(1);
        page().locator("text=remove").click();
        assertThat(page().locator(".photo")).hasCount(0);
        assertEquals(get("/photos/99999").statusCode(), 404);
    }

    @Test
    public void aTypedReadingIsJudgedKeptAndToldInTheFile() {
        begin();
        field("ac-volts T1.X1 T1.X2").fill("26,4");
        field("ac-volts T1.X1 T1.X2").press("Enter");
        assertThat(row("ac-volts T1.X1 T1.X2")).hasClass(Pattern.compile(".*\\bright\\b.*"));
        assertThat(page().locator("#proof")).hasText("The line measured is as in a sound circuit.");
        // Enter goes on to the next line
        assertEquals(page().evaluate("document.activeElement.dataset.key"), "ac-volts XT.2 T1.X2");
        field(GC).fill("0.02");
        field(GC).press("Tab");
        assertThat(row(GC)).hasClass(Pattern.compile(".*\\bfirst-wrong\\b.*"));
        // what lies between isn't measured yet, so that the line by itself doesn't say where it is open
        assertThat(page().locator("#verdict")).hasText(Pattern.compile("First out of range: line \\d+\\."));
        assertThat(page().locator("#proof")).containsText("The 2 lines measured together: T1 gives its volts.");
        page().reload();
        assertThat(field(GC)).hasValue("0.02");
        assertThat(row(GC)).hasClass(Pattern.compile(".*\\bwrong\\b.*"));
        String file = csv();
        assertTrue(file.startsWith("\uFEFFtaken_at,line,value,unit,expected"), file);
        assertTrue(file.contains("," + GC + ",0.02,V,"), file);
        assertTrue(file.contains("A student,Meter 3"), file);
        field(GC).fill("a lot");
        field(GC).press("Tab");
        assertThat(page().locator("#pending")).containsText("\"a lot\" is no number");
        assertEquals(csv().lines().count(), 3);
        page().navigate(url("/circuits/lab-bench/sheet"));
        assertThat(page().locator(".records").first()).containsText("A student");
    }

    @Test
    public void whatIsTypedWithoutANetworkReachesTheRecordOnceWhenItIsBack() {
        begin();
        page().context().setOffline(true);
        field(GC).fill("26.3");
        field(GC).press("Enter");
        assertThat(page().locator("#pending")).containsText("1 reading waits here");
        field("amps w14").fill("0.16");
        field("amps w14").press("Tab");
        assertThat(page().locator("#pending")).containsText("2 readings wait here");
        assertEquals(csv().lines().count(), 1);
        page().context().setOffline(false);
        assertThat(row(GC)).hasClass(Pattern.compile(".*\\bright\\b.*"));
        assertThat(row("amps w14")).hasClass(Pattern.compile(".*\\bright\\b.*"));
        assertThat(page().locator("#pending")).hasText("");
        page().reload();
        assertThat(field(GC)).hasValue("26.3");
        assertEquals(csv().lines().filter(l -> l.contains(GC)).count(), 1);
        assertEquals(page().evaluate("Object.keys(localStorage).length"), 0);
    }

    @Test
    public void aLoggingMetersReadingsAppearAsTheyComeAndPointAtTheFault() throws InterruptedException {
        String code = begin();
        Page page = page();
        LoggingMeter.Done done =
                LoggingMeter.run(new LoggingMeter.Orders(URI.create(url("/")), code, "wire open w14", 7, 24, 0));
        assertEquals(done.acknowledged().size(), 24);
        assertThat(row("ac-volts K1.A1 T1.X2")).hasClass(Pattern.compile(".*\\bfirst-wrong\\b.*"));
        assertThat(page.locator("#verdict")).containsText("(w14) is open or poor");
        assertThat(row(GC)).hasClass(Pattern.compile(".*\\bright\\b.*"));
        // the same orders send the same readings: they are there already
        String before = csv();
        LoggingMeter.Done again =
                LoggingMeter.run(new LoggingMeter.Orders(URI.create(url("/")), code, "wire open w14", 7, 24, 0));
        assertEquals(again.acknowledged(), done.acknowledged());
        assertEquals(csv(), before);
    }

    private HttpResponse<String> send(String code, String readings) {
        return post(
                "/api/v1/meters/" + code + "/readings", "{\"sender\": \"bridge\", \"readings\": [" + readings + "]}");
    }

    private static String reading(String line, double value, String unit, String takenAt, long sequence) {
        return "{\"id\": \"" + UUID.randomUUID() + "\", \"line\": \"" + line + "\", \"value\": " + value
                + ", \"unit\": \"" + unit + "\", \"takenAt\": \"" + takenAt + "\", \"sequence\": " + sequence + "}";
    }

    @Test
    public void whatAMeterSendsWronglyIsRefusedAndShown() {
        String code = begin();
        assertEquals(
                send("NOBODY", reading(GC, 26, "V", "2026-11-26T09:00:00Z", 1)).statusCode(), 404);
        assertThat(page().locator("#pending")).containsText("bridge sends with the code \"NOBODY\"");
        HttpResponse<String> unit = send(code, reading(GC, 160, "mA", "2026-11-26T09:00:00Z", 1));
        assertEquals(unit.statusCode(), 200);
        assertTrue(unit.body().contains("is measured in V, not in mA"), unit.body());
        assertThat(page().locator("#notices")).containsText("is measured in V, not in mA");
        assertTrue(send(code, reading("ac-volts NO.1 NO.2", 1, "V", "2026-11-26T09:00:00Z", 2))
                .body()
                .contains("no line"));
        // out of order: the later one in time counts
        send(code, reading(GC, 26.2, "V", "2026-11-26T09:00:05Z", 9));
        send(code, reading(GC, 3.3, "V", "2026-11-26T09:00:01Z", 8));
        assertThat(field(GC)).hasValue("26.2");
        assertThat(page().locator("#notices")).containsText("1 reading came late");
        assertEquals(
                post("/api/v1/meters/" + code + "/readings", "{\"readings\": 7}")
                        .statusCode(),
                400);
    }

    /** Holds requests for what ends like this back until the test answers them. */
    private List<Route> held(String what) {
        List<Route> held = new ArrayList<>();
        page().route("**/" + what, held::add);
        return held;
    }

    private void tellNews(String code) {
        send(code, reading(GC, 160, "mA", "2026-11-26T09:00:00Z", 1));
        send(code, reading(GC, 26.3, "V", "2026-11-26T09:00:01Z", 2));
    }

    private void showsTheNews() {
        assertThat(field(GC)).hasValue("26.3");
        assertThat(page().locator("#notices")).containsText("is measured in V, not in mA");
    }

    /** Gives the answer of before to a page that waits for it, and lets its script read it. */
    private void answer(Route late, String before) {
        late.fulfill(
                new Route.FulfillOptions().setContentType("application/json").setBody(before));
        late.request().response().finished();
        page().evaluate("() => new Promise((done) => setTimeout(done))");
    }

    /** The state that a page asked for may be on its way while something newer is told: that stays. */
    @Test
    public void anAnswerThatWasOvertakenByNewsDoesNotWipeThemOut() {
        String code = begin();
        String before = get(path() + "/state").body();
        List<Route> states = held("state");
        page().reload();
        // one asked for by the page, one when the stream was open
        page().waitForCondition(() -> states.size() == 2);
        tellNews(code);
        showsTheNews();
        page().unroute("**/state");
        states.forEach(late -> answer(late, before));
        showsTheNews();
    }

    /** An answer that took longer than the one to a later question is old. */
    @Test
    public void anAnswerThatWasOvertakenByALaterOneDoesNotWipeItOut() {
        String code = begin();
        String before = get(path() + "/state").body();
        List<Route> states = held("state");
        List<Route> streams = held("events");
        page().reload();
        page().waitForCondition(() -> states.size() == 1 && streams.size() == 1);
        // told while nobody was listening
        tellNews(code);
        page().unroute("**/state");
        streams.get(0).resume();
        showsTheNews();
        answer(states.get(0), before);
        showsTheNews();
    }

    @Test
    public void aFloodHasToWait() {
        String code = begin();
        StringBuilder many = new StringBuilder(reading(GC, 26, "V", "2026-11-26T09:00:00Z", 0));
        for (int i = 1; i < 150; i++) {
            many.append(',').append(reading(GC, 26, "V", "2026-11-26T09:00:00Z", i));
        }
        int refused = 0;
        for (int i = 0; i < 6 && refused == 0; i++) {
            HttpResponse<String> answer = send(code, many.toString());
            if (answer.statusCode() == 429) {
                refused++;
                assertEquals(answer.headers().firstValue("Retry-After").orElse(""), "1");
            }
        }
        // six times the same 150: what was taken, was taken once
        assertTrue(csv().lines().count() <= 151, csv().lines().count() + " lines");
        if (refused > 0) {
            assertThat(page().locator("#notices")).containsText("more than 200 readings a second");
        }
        assertEquals(get("/records/" + UUID.randomUUID()).statusCode(), 404);
        assertEquals(get("/records/nonsense").statusCode(), 400);
    }

    private void readIn(String csv) {
        if (!page().locator(".read-in [name='file']").isVisible()) {
            page().locator(".read-in summary").click();
        }
        page().locator(".read-in [name='file']")
                .setInputFiles(new FilePayload("readings.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)));
        page().locator("text=Read it in").click();
    }

    @Test
    public void aFileOfReadingsIsReadInOnceAndAllOrNothing() {
        begin();
        String sheet = get(page().url().replaceAll("https?://[^/]+", "") + "/sheet.csv")
                .body();
        assertTrue(sheet.contains(GC + ",,V,"), sheet);
        String good = "line;value;taken_at;sender\n" + GC + ";26,1;2026-11-26 09:30;A student\namps w14;0.3;;\n"
                + "ac-volts TH.R T1.X2;;;\n";
        readIn(good);
        assertThat(page().locator("[role='status']").first()).hasText("2 readings read in.");
        assertThat(field(GC)).hasValue("26.1");
        assertThat(row(GC).locator(".taken")).containsText("A student");
        readIn(good);
        assertThat(page().locator("[role='status']").first()).hasText("Nothing new was in the file.");
        readIn("line,value,unit\n" + GC + ",25,V\nac-volts NO.1 NO.2,3,V\n" + GC + ",many,V\namps w14,1,V\n");
        assertThat(page().locator(".problems li")).hasCount(4);
        assertThat(page().locator(".problems")).containsText("line 3: this sheet has no line \"ac-volts NO.1 NO.2\"");
        assertThat(page().locator(".problems")).containsText("line 4: no number for " + GC);
        assertThat(page().locator(".problems")).containsText("line 5: amps w14 is measured in A, not in V");
        assertThat(field(GC)).hasValue("26.1");
        readIn("volts\n3\n");
        assertThat(page().locator(".problems")).containsText("the header must have the columns line and value");
    }

    /** A record's own file, read into it again, changes nothing; what a spreadsheet might run is made harmless. */
    @Test
    public void whatIsWrittenOutCanBeReadInAgain() {
        begin();
        field(GC).fill("-26.4");
        field(GC).press("Enter");
        assertThat(row(GC).locator(".taken")).isVisible();
        String before = csv();
        readIn(before);
        assertThat(page().locator("[role='status']").first()).hasText("Nothing new was in the file.");
        assertEquals(csv(), before);
    }

    @Test
    public void aReadingOfTheBenchGoesIntoTheRecordThatHasALineForIt() {
        begin();
        String record = page().url();
        page().navigate(url("/circuits/lab-bench/bench"));
        page().locator("#lead-plus").fill("TH.C");
        page().locator("#lead-minus").fill("TH.R");
        page().locator("#lead-minus").press("Enter");
        assertThat(page().locator("#lead-minus")).hasAttribute("value", "TH.R");
        String shown = page().locator("#reading").textContent();
        page().locator("#into-record").click();
        assertThat(page().locator("#measured")).containsText(shown);
        // records of other tests have that line too: the newest stands first
        page().locator(".into-records button").first().click();
        page().waitForURL(record);
        assertThat(row("ac-volts TH.R TH.C").locator(".taken")).containsText("bench");
        assertThat(row("ac-volts TH.R TH.C")).hasClass(Pattern.compile(".*\\bright\\b.*"));

        page().navigate(url("/circuits/lab-bench/bench"));
        page().locator("#lead-plus").fill("K4.A1");
        page().locator("#lead-plus").press("Enter");
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "K4.A1");
        page().locator("#into-record").click();
        assertThat(page().locator(".verdict.bad")).containsText("No record of this circuit has a line");
        page().locator("text=Back to the bench").click();
        assertThat(page().locator("#lead-plus")).hasAttribute("value", "K4.A1");
    }
}
