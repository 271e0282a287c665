package org.jagridge.web.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import org.jagridge.web.WebTest;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Slips that people make who enter a circuit: each refusal names the word and offers what would do. */
public class SlipsTest extends WebTest {
    private String slug;

    @BeforeClass
    public void aCircuitToSlipIn() {
        slug = copy("wardens-cottage", "Slips");
    }

    private HttpResponse<String> change(String what, String[] fields) {
        return change(slug, what, fields);
    }

    private HttpResponse<String> change(String slug, String what, String[] fields) {
        List<String> all = new ArrayList<>(List.of("base", "1"));
        all.addAll(List.of(fields));
        return submit("/circuits/" + slug + "/edit/" + what, all.toArray(String[]::new));
    }

    private static String[] wire(String from, String to, String... more) {
        List<String> all = new ArrayList<>(List.of("from", from, "to", to));
        all.addAll(List.of(more));
        return all.toArray(String[]::new);
    }

    private static String[] part(String type, String... more) {
        List<String> all = new ArrayList<>(List.of("id", "NEW1", "type", type));
        all.addAll(List.of(more));
        return all.toArray(String[]::new);
    }

    private static String[] line(String line) {
        return new String[] {"line", line};
    }

    /** The form, its fields, the word that is wrong, and what would do: the whole field, or the end of the sentence. */
    @DataProvider
    public Object[][] slips() {
        return new Object[][] {
            {"wire", wire("TH.RR", "BLW.1"), "TH has no terminal \"RR\"", "TH.R"},
            {"wire", wire("THH.R", "BLW.1"), "there is no part \"THH\"", "TH.R"},
            {"wire", wire("TH", "BLW.1"), "TH is a part; say which terminal of it", "TH.R"},
            {"wire", wire("TH-R", "BLW.1"), "there is no part \"TH-R\"", null},
            {"wire", wire("", "BLW.1"), "from is missing", null},
            {"wire", wire("TH.R", ""), "to is missing", null},
            {"wire", wire("TH.R", "TH.G", "colour", "rde"), "\"rde\" is no colour", "red"},
            {"wire", wire("TH.R", "TH.G", "colour", "yelow"), "\"yelow\" is no colour", "yellow"},
            {"wire", wire("TH.R", "TH.G", "colour", "blu"), "\"blu\" is no colour", "blue"},
            {"wire", wire("TH.R", "TH.G", "size", "19AWG"), "\"19AWG\" is no conductor size", "18AWG"},
            {"wire", wire("TH.R", "TH.G", "size", "thick"), "\"thick\" is no conductor size; sizes are 22AWG", null},
            {"wire", wire("TH.R", "TH.G", "length", "long"), "\"long\" is not a number of metres", null},
            {"wire", wire("TH.R", "TH.G", "length", "12 km"), "\"12 km\" is not a number of metres", null},
            {"wire", wire("TH.R", "TH.G", "cable", "NOCABLE", "colour", "red"), "there is no cable \"NOCABLE\"", null},
            {"wire", wire("TH.R", "TH.G", "cable", "%CABLE%x", "colour", "red"), "there is no cable", "%CABLE%"},
            {"wire", wire("TH.R", "TH.G", "cable", "%CABLE%", "colour", "violet"), "has no core \"violet\"", null},
            {"wire", wire("TH.R", "TH.G", "cable", "%CABLE%"), "say which core of", null},
            {"wire", wire("TH.R", "TH.G", "cable", "%CABLE%", "colour", "%CORE%"), "runs from", null},
            {"part", part("relais"), "there is no kind of part \"relais\"", "relay"},
            {"part", part("termostat"), "there is no kind of part \"termostat\"", "thermostat"},
            {"part", part("Limit swich"), "there is no kind of part \"Limit swich\"", "Limit switch"},
            {"part", part("contacter"), "there is no kind of part \"contacter\"", "contactor"},
            {"part", part(""), "say what it is, like relay", null},
            {"part", part("relay", "place", "atic"), "there is no place \"atic\"", null},
            {"part", part("relay", "place", "%PLACE%x"), "there is no place", "%PLACE%"},
            {"part", part("relay", "params", "coilVolt=24"), "has no rating coilVolt", "coilVolts=24"},
            {"part", part("relay", "params", "24"), "\"24\" is no rating; write name=value", null},
            {"part", part("fuse", "params", "amp=3"), "has no rating amp", "amps=3"},
            {"part", part("fuse", "params", "amps=three"), "three", null},
            {"part", part("relay", "marks", "A1"), "A1", null},
            {"part", new String[] {"id", "TH", "type", "relay"}, "TH", null},
            {"part", new String[] {"id", "1K", "type", "relay"}, "1K", null},
            {"place", new String[] {"id", "attic", "access", "lader"}, "\"lader\" is no way to reach a place", "ladder"
            },
            {
                "cable",
                new String[] {"id", "C9", "from", "%PLACE%x", "to", "%PLACE%", "cores", "red"},
                "no place",
                "%PLACE%"
            },
            {"cable", new String[] {"id", "C9", "from", "%PLACE%", "to", "%PLACE%"}, "cores is missing", null},
            {"chain", line("TH.R > THX.G"), "there is no part THX", "TH.R > TH.G"},
            {"chain", line("TH.R > F9"), "there is no part F9", null},
            {"chain", line("TH.R"), "a chain needs at least two pieces", null},
            {"chain", line("TH.R >"), "nothing stands here", null},
            {"chain", line("TH.R > TH.G >"), "nothing stands here", "TH.R > TH.G"},
            {"chain", line("TH.R > TH.QQ"), "TH has no terminal QQ", null},
            {"chain", line("TH.R > F9:fues"), "there is no kind of part \"fues\"", "TH.R > F9:fuse"},
            {"chain", line("TH.R -> TH.G"), "TH has no terminal R -", "TH.R > TH.G"},
            {"chain", line("TH.R TH.G"), "with > between them", "TH.R > TH.G"},
            {"chain", line("TH R > TH G"), "there is no part TH R", "TH.R > TH.G"},
            {"chain", line("TH.R > TH.G (red)"), "G (red)", "TH.R > (red) TH.G"},
            {"chain", line("TH.R > (red TH.G"), "its bracket isn't closed", "TH.R > (red) TH.G"},
            {"chain", line("TH.R > TH.Y-Y"), "TH.Y-Y is no way through", null},
            {"chain", line("TH.R > (gren) TH.C"), "\"gren\" is no colour", "TH.R > (green) TH.C"},
            {"copies", new String[] {"parts", "TH NOPE"}, "there is no part NOPE to copy", null},
        };
    }

    @Test(dataProvider = "slips")
    public void aSlipIsNamedAndWhatWouldDoIsOffered(String what, String[] fields, String word, String instead) {
        String[] filled = fields.clone();
        for (int i = 0; i < filled.length; i++) {
            filled[i] = real(filled[i]);
        }
        HttpResponse<String> answer = change(what, filled);
        assertEquals(answer.statusCode(), 400, answer.body());
        JsonNode problems = JsonMapper.shared().readTree(answer.body()).get("problems");
        JsonNode told = null;
        for (JsonNode p : problems) {
            told = p.get("message").stringValue().contains(word) ? p : told;
        }
        assertTrue(told != null, word + " in " + answer.body());
        if (instead != null) {
            assertEquals(told.get("instead").stringValue(), real(instead));
            // and it does: the same field with it in it is no longer refused for that
            String field = told.get("path").stringValue().replace("/", "");
            for (int i = 0; i < filled.length; i += 2) {
                if (what.equals("chain") || filled[i].equals(field)) {
                    filled[i + 1] = real(instead);
                }
            }
            HttpResponse<String> again = change(copy("wardens-cottage", "Slip mended"), what, filled);
            assertFalse(again.body().contains(word.replace("\"", "\\\"")), again.body());
        }
    }

    @Test
    public void allMistakesOfARowAreToldAtOnce() {
        HttpResponse<String> answer =
                change("wire", wire("THH.R", "TH.Q", "colour", "rde", "size", "19AWG", "length", "long"));
        JsonNode problems = JsonMapper.shared().readTree(answer.body()).get("problems");
        List<String> paths = new ArrayList<>();
        problems.forEach(p -> paths.add(p.get("path").stringValue()));
        assertEquals(paths, List.of("/from", "/to", "/colour", "/size", "/length"));
    }

    /** What people write in other ways than the file does, and is understood. */
    @Test
    public void otherWaysToWriteItAreUnderstood() {
        String mine = copy("wardens-cottage", "Other ways");
        int base = 1;
        String[][] rows = {
            {"part", "type", "Limit switch", "id", "lim9"},
            {"part", "type", "RELAY"},
            {"wire", "from", "th.r", "to", "lim9.C", "colour", "RED", "size", "18 awg", "length", "40 ft"},
            {"wire", "from", "th.g", "to", "LIM9.nc", "size", "#18"},
            {"wire", "from", "TH.G", "to", "cc.a1", "size", "1,5 mm²", "length", "2.5m"},
        };
        for (String[] row : rows) {
            List<String> fields = new ArrayList<>(List.of("base", String.valueOf(base++)));
            fields.addAll(List.of(row).subList(1, row.length));
            HttpResponse<String> answer =
                    submit("/circuits/" + mine + "/edit/" + row[0], fields.toArray(String[]::new));
            assertEquals(answer.statusCode(), 200, String.join(" ", row) + " " + answer.body());
        }
        String json = get("/circuits/" + mine + "/circuit.json").body();
        assertTrue(json.contains("12.192"), "feet are metres in the file");
        assertTrue(json.contains("\"1.5mm2\""), json);
    }

    private String real(String text) {
        String json = get("/circuits/" + slug + "/circuit.json").body();
        JsonNode circuit = JsonMapper.shared().readTree(json);
        JsonNode cable = circuit.get("cables").get(0);
        return text.replace("%CABLE%", cable.get("id").stringValue())
                .replace("%CORE%", cable.get("cores").get(0).stringValue())
                .replace("%PLACE%", circuit.get("places").get(0).get("id").stringValue());
    }
}
