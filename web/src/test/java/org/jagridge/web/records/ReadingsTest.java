package org.jagridge.web.records;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.WebTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Readings are stored whole or not at all, known by their record, and judged by the sheet as it was. */
public class ReadingsTest extends WebTest {
    private static final String GC = "ac-volts TH.G TH.C";
    private String record;

    @Autowired
    private JdbcClient jdbc;

    @BeforeMethod
    public void beginARecord() {
        record = record("K1:A1-A2");
    }

    private static String reading(String id, Object value) {
        return "{\"id\":" + (id == null ? "null" : "\"" + id + "\"") + ",\"line\":\"" + GC + "\",\"value\":" + value
                + "}";
    }

    private HttpResponse<String> send(String... readings) {
        Matcher code =
                Pattern.compile("id=\"code\">([^<]+)<").matcher(get(record).body());
        assertTrue(code.find());
        return post(
                "/api/v1/meters/" + code.group(1) + "/readings",
                "{\"sender\":\"bridge\",\"readings\":[" + String.join(",", readings) + "]}");
    }

    private long stored() {
        return get(record + "/readings.csv").body().lines().count() - 1;
    }

    @Test
    public void oneReadingWithoutAnIdKeepsAllOfThemOut() {
        HttpResponse<String> answer = send(reading(UUID.randomUUID().toString(), 26), reading(null, 26), "null");
        assertEquals(answer.statusCode(), 400, answer.body());
        assertTrue(answer.body().contains("/readings/1/id") && answer.body().contains("/readings/2"), answer.body());
        assertEquals(stored(), 0);
    }

    @Test
    public void aFailureInTheMiddleLeavesNothing() {
        String rows = "line,value,id\n" + GC + ",26," + UUID.randomUUID() + "\n" + GC + ",26,\n";
        // the second row's sender is longer than can be stored
        String file = "line,value,sender\n" + GC + ",26,me\n" + GC + ",27," + "x".repeat(200) + "\n";
        assertEquals(upload(record + "/readings.csv", "r.csv", rows).statusCode(), 302);
        assertEquals(stored(), 2);
        HttpResponse<String> answer = upload(record + "/readings.csv", "r.csv", file);
        assertEquals(answer.statusCode(), 400, answer.body());
        assertEquals(stored(), 2);
    }

    @Test
    public void theSameFileReadIntoTwoRecordsIsTwoRecordsReadings() {
        String rows = "line,value,id\n" + GC + ",26.2," + UUID.randomUUID() + "\n";
        assertEquals(upload(record + "/readings.csv", "r.csv", rows).statusCode(), 302);
        record = record("K1:A1-A2");
        HttpResponse<String> second = upload(record + "/readings.csv", "r.csv", rows);
        assertTrue(second.headers().firstValue("Location").orElse("").contains("brought=1"));
        assertEquals(stored(), 1);
    }

    @Test
    public void aKnownReadingWithAnotherValueIsAChangeThatIsShown() {
        String id = UUID.randomUUID().toString();
        assertEquals(send(reading(id, 26)).statusCode(), 200);
        assertEquals(send(reading(id, 26)).statusCode(), 200);
        String before = get(record + "/state").body();
        assertFalse(before.contains("changed a reading"), before);
        String rows = "line,value,id,sender\n" + GC + ",24.5," + id + ",Mona\n";
        HttpResponse<String> changed = upload(record + "/readings.csv", "r.csv", rows);
        assertTrue(changed.headers().firstValue("Location").orElse("").endsWith("brought=0&changed=1"));
        assertTrue(get(record + "?brought=0&changed=1").body().contains("1 reading that was known has another value"));
        String state = get(record + "/state").body();
        assertTrue(state.contains("Mona changed a reading: " + GC + " 26.0 V by bridge is now 24.5 V."), state);
        assertEquals(stored(), 1);
    }

    @Test
    public void aRecordKeepsItsSheetAsItWasBegun() {
        UUID id = UUID.fromString(record.replaceAll(".*/", ""));
        String sheet = jdbc.sql("select sheet from sheet_record where id = ?")
                .param(id)
                .query(String.class)
                .single();
        KeptSheet kept = KeptSheet.read(sheet);
        assertEquals(kept.text(), sheet);
        // as an earlier edition of the program computed it
        String other = record("K1:A1-A2");
        jdbc.sql("update sheet_record set sheet = ? where id = ?")
                .params(
                        sheet.replaceAll("\"high\":[^,]+", "\"high\":99.0"),
                        UUID.fromString(other.replaceAll(".*/", "")))
                .update();
        assertTrue(get(other).body().contains("to 99.0"), "the sheet of then is shown");
        // one of the time before sheets were kept gets its own
        record = record("K1:A1-A2");
        UUID old = UUID.fromString(record.replaceAll(".*/", ""));
        jdbc.sql("update sheet_record set sheet = null where id = ?").param(old).update();
        assertEquals(get(record).statusCode(), 200);
        assertEquals(
                jdbc.sql("select sheet from sheet_record where id = ?")
                        .param(old)
                        .query(String.class)
                        .single(),
                sheet);
    }

    @Test
    public void whatIsTooLongIsToldAndNotCut() {
        HttpResponse<String> answer = submit(
                "/circuits/lab-bench/records",
                "run",
                "TH-fan",
                "load",
                "K1:A1-A2",
                "school",
                "common",
                "who",
                "x".repeat(121));
        assertEquals(answer.statusCode(), 400, answer.body());
        assertTrue(answer.body().contains("The name has 121 letters; there is room for 120."), answer.body());
    }
}
