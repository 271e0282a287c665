package org.jagridge.web.records;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.WebTest;
import org.testng.annotations.Test;

/** Two records of one sheet beside each other: what the readings show of each line, and not more. */
public class BeforeAfterTest extends WebTest {
    private static final Pattern LINE =
            Pattern.compile("data-line=\"([^\"]+)\".*?<td class=\"number\">([\\d.]+) ", Pattern.DOTALL);
    private static final Pattern ROW = Pattern.compile("data-line=\"([^\"]+)\" data-change=\"([A-Z_]+)\"");

    private record Expected(String key, String value) {}

    private static String address(String location) {
        return location.replaceAll("https?://[^/]+", "");
    }

    private static String id(String record) {
        return record.replaceAll(".*/", "");
    }

    private List<Expected> lines(String record) {
        List<Expected> lines = new ArrayList<>();
        Matcher m = LINE.matcher(get(record).body());
        while (m.find()) {
            lines.add(new Expected(m.group(1), m.group(2)));
        }
        return lines;
    }

    /** @param values by line: "right" for what is expected, or a number */
    private void measure(String record, List<Expected> lines, Map<Integer, String> values) {
        StringBuilder file = new StringBuilder("line,value,unit,taken_at,sender,id\n");
        values.forEach((i, v) -> file.append(lines.get(i).key())
                .append(',')
                .append(v.equals("right") ? lines.get(i).value() : v)
                .append(",,,,\n"));
        assertEquals(
                upload(record + "/readings.csv", "readings.csv", file.toString())
                        .statusCode(),
                302);
    }

    @Test
    public void eachLineIsSaidToBeWhatBothReadingsShow() {
        String before = record("K1:A1-A2");
        List<Expected> lines = lines(before);
        assertTrue(lines.size() > 5, lines.toString());
        measure(before, lines, Map.of(0, "right", 1, "99", 2, "right", 3, "99", 4, "99"));
        String after = address(submit(before + "/again", "who", "Day class", "conditions", "new fuse")
                .headers()
                .firstValue("Location")
                .orElseThrow());
        measure(after, lines, Map.of(0, "right", 1, "right", 2, "99", 3, "99", 5, "right"));

        String page = get(before + "/after/" + id(after)).body();
        Map<String, String> changes = new HashMap<>();
        Matcher m = ROW.matcher(page);
        while (m.find()) {
            changes.put(m.group(1), m.group(2));
        }
        List<String> said =
                lines.stream().map(l -> changes.get(l.key())).limit(6).toList();
        assertEquals(said, List.of("RIGHT", "MENDED", "WORSE", "STILL_WRONG", "LEFT", "RIGHT_NOW"));
        assertEquals(changes.get(lines.get(6).key()), "NEVER");
        assertTrue(page.contains("Line 3: right before, out of range now; look there before anything else."), page);
        assertTrue(page.contains("Line 5: out of range before, not measured again; measure it before hand-over."));
        assertTrue(page.contains("3 of " + lines.size() + " lines are right now."));
        assertFalse(page.contains("lines are right now.</li><li class=\"open\""), "what is open comes first");
        assertTrue(page.contains("Day class") && page.contains("new fuse") && page.contains("Night class"));
        // both pages lead there, and the other way round it is the same page
        assertTrue(get(before).body().contains("/after/" + id(after)));
        assertTrue(get(after).body().contains("/after/" + id(before)));
        var turned = get(after + "/after/" + id(before));
        assertEquals(turned.statusCode(), 302);
        assertTrue(turned.headers().firstValue("Location").orElseThrow().endsWith(before + "/after/" + id(after)));
    }

    @Test
    public void allRightIsSaidOnlyWhereEveryLineWasMeasured() {
        String before = record("K1:A1-A2");
        String after = record("K1:A1-A2");
        List<Expected> lines = lines(after);
        String page = get(before + "/after/" + id(after)).body();
        assertTrue(page.contains("Nothing has been measured yet."), page);
        Map<Integer, String> all = new TreeMap<>();
        for (int i = 0; i < lines.size() - 1; i++) {
            all.put(i, "right");
        }
        measure(after, lines, all);
        page = get(before + "/after/" + id(after)).body();
        assertFalse(page.contains("All " + lines.size() + " lines"), page);
        measure(after, lines, Map.of(lines.size() - 1, "right"));
        page = get(before + "/after/" + id(after)).body();
        assertTrue(page.contains("All " + lines.size() + " lines are right now."), page);
    }

    @Test
    public void recordsOfTwoSheetsAreNotCompared() {
        String one = record("K1:A1-A2");
        String other = record("LP1:1-2");
        var answer = get(one + "/after/" + id(other));
        assertEquals(answer.statusCode(), 404);
        assertTrue(answer.body().contains("of two sheets"), answer.body());
        assertFalse(get(one).body().contains("/after/" + id(other)));
    }
}
