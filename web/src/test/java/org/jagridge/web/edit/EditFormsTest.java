package org.jagridge.web.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jagridge.web.WebTest;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The editor's forms without a browser: what each changes, and what each says of what it can't read. */
public class EditFormsTest extends WebTest {
    private static final Pattern BOX = Pattern.compile(
            "<rect class=\"body\" x=\"([^\"]*)\" y=\"([^\"]*)\" width=\"([^\"]*)\" height=\"([^\"]*)\"");

    private String untouched;

    @BeforeClass
    public void makeOneThatNoChangeGoesInto() {
        untouched = copy("cold-store", "Forms that are refused");
    }

    private HttpResponse<String> change(String slug, String what, int base, String... fields) {
        String[] all = Stream.concat(Stream.of("base", String.valueOf(base)), Arrays.stream(fields))
                .toArray(String[]::new);
        return submit("/circuits/" + slug + "/edit/" + what, all);
    }

    private String json(String slug) {
        return get("/circuits/" + slug + "/circuit.json").body();
    }

    @Test
    public void placesAndCablesAreAddedChangedAndRemoved() {
        String slug = copy("cold-store", "Places and cables");
        String before = json(slug);
        assertEquals(
                change(slug, "place", 1, "id", "attic", "name", "Attic", "access", "ladder")
                        .statusCode(),
                200);
        assertEquals(
                change(
                                slug,
                                "cable",
                                2,
                                "id",
                                "NEW",
                                "from",
                                "attic",
                                "to",
                                "unit",
                                "length",
                                "7,5",
                                "size",
                                "18AWG",
                                "cores",
                                "red, blue, ,white")
                        .statusCode(),
                200);
        String added = json(slug);
        assertTrue(added.contains("\"Attic\"") && added.contains("\"ladder\""), added);
        assertTrue(added.contains("7.5") && added.contains("\"NEW\""), added);
        // renamed, the place takes the cable along
        change(slug, "place", 3, "old", "attic", "id", "loft", "name", "Loft");
        assertFalse(json(slug).contains("\"attic\""));
        HttpResponse<String> inUse = change(slug, "remove-place", 4, "old", "loft");
        assertEquals(inUse.statusCode(), 400, "a cable still leads there");
        change(slug, "remove-cable", 4, "old", "NEW");
        assertEquals(change(slug, "remove-place", 5, "old", "loft").statusCode(), 200);
        assertEquals(json(slug), before);
    }

    /** Boxes stay where they are drawn while wires come and go, and are arranged anew when somebody asks for it. */
    @Test
    public void aWireMoreMovesNoBoxOfTheDrawing() {
        String slug = copy("cold-store", "One wire more");
        List<String> before = boxes(slug);
        assertTrue(before.size() > 10, before.toString());
        assertEquals(change(slug, "wire", 1, "from", "LMP.1", "to", "KF.A1").statusCode(), 200);
        assertEquals(boxes(slug), before);
        assertEquals(change(slug, "wire", 2, "from", "LPS.2", "to", "KF.11").statusCode(), 200);
        assertEquals(boxes(slug), before);
        assertFalse(get("/circuits/" + slug + "/revisions").body().contains("how the drawing is arranged"));
        assertTrue(json(slug).contains("connection itself"));
        // nor do others move where a part goes
        assertEquals(change(slug, "remove-part", 3, "old", "LMP").statusCode(), 200);
        List<String> without = boxes(slug);
        assertEquals(without.size(), before.size() - 1);
        assertTrue(before.containsAll(without), before + " now " + without);
        assertEquals(change(slug, "arrange", 4).statusCode(), 200);
        assertFalse(json(slug).contains("connection itself"));
        assertTrue(get("/circuits/" + slug + "/revisions").body().contains("arranged the drawing anew"));
    }

    /** Size and place of each box, by what stands beside it: a wire may widen the drawing to the left. */
    private List<String> boxes(String slug) {
        String svg = get("/circuits/" + slug + "/connections.svg").body();
        List<double[]> all = new ArrayList<>();
        Matcher m = BOX.matcher(svg);
        while (m.find()) {
            all.add(IntStream.rangeClosed(1, 4)
                    .mapToDouble(i -> Double.parseDouble(m.group(i)))
                    .toArray());
        }
        return all.stream()
                .map(b -> (b[0] - all.get(0)[0]) + " " + (b[1] - all.get(0)[1]) + " " + b[2] + " " + b[3])
                .toList();
    }

    @Test
    public void aNameAndNotesAreChanged() {
        String slug = copy("chapel", "A working title");
        assertEquals(
                change(slug, "name", 1, "name", "Side chapel", "notes", "Pilot relit in May")
                        .statusCode(),
                200);
        assertTrue(json(slug).contains("Pilot relit in May"));
        assertTrue(get("/circuits/" + slug + "/revisions").body().contains("name: Side chapel"));
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {
                "place",
                "\\\"cellar\\\" is no way to reach a place; there are hand, wall",
                new String[] {"id", "a", "access", "cellar"}
            },
            {"place", "id is missing", new String[] {"name", "Attic"}},
            {"cable", "is not a number of metres", cable("length", "long")},
            {"cable", "is no conductor size; sizes are 22AWG", cable("size", "thin")},
            {"cable", "there is no place \\\"cellar\\\"", cable("to", "cellar")},
            {"cable", "cores is missing", new String[] {"id", "X", "from", "unit", "to", "unit"}},
            {"cable", "is there twice", cable("cores", "red,red")},
            {"wire", "CC is a part; say which terminal of it", new String[] {"from", "CC", "to", "CC.A1"}},
            {"wire", "from is missing", new String[] {"to", "CC.A1"}},
            {
                "part",
                "there is no kind of part \\\"nothing\\\"",
                new String[] {"id", "X", "type", "nothing", "place", "unit"}
            },
            {"part", "there is no place \\\"cellar\\\"", new String[] {"id", "X", "type", "relay", "place", "cellar"}},
            {"remove-cable", "there is no cable NONE any more", new String[] {"old", "NONE"}},
            {"remove-place", "still parts in unit", new String[] {"old", "unit"}},
            {"remove-scenario", "is no number of a scenario", new String[] {"old", "first"}},
            {"remove-scenario", "no scenario number 0 any more", new String[] {}},
            {"move", "is not a whole number of steps", new String[] {"id", "CC", "dx", "far", "dy", "1"}},
            {"name", "name is missing", new String[] {"name", "  "}},
            {"circuit", "json is missing", new String[] {}},
            {"polish", "there is no change called polish", new String[] {}},
        };
    }

    /** A good cable but for one field. */
    private static String[] cable(String field, String value) {
        String[] good = {"id", "X", "from", "unit", "to", "unit", "length", "5", "size", "18AWG", "cores", "red,blue"};
        for (int i = 0; i < good.length; i += 2) {
            if (good[i].equals(field)) {
                good[i + 1] = value;
            }
        }
        return good;
    }

    @Test(dataProvider = "refused")
    public void whatCantBeReadIsRefusedInWordsAndChangesNothing(String what, String words, String[] fields) {
        String before = json(untouched);
        HttpResponse<String> answer = change(untouched, what, 1, fields);
        assertEquals(answer.statusCode(), 400, answer.body());
        assertTrue(answer.body().contains(words), answer.body());
        assertEquals(json(untouched), before);
    }

    @Test
    public void aNewCircuitNeedsAName() {
        HttpResponse<String> answer = submit("/circuits/new", "name", "  ", "pattern", "");
        assertEquals(answer.statusCode(), 400);
        assertTrue(answer.body().contains("give the circuit a name"), answer.body());
    }
}
