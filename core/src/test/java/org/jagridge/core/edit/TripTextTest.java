package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.part.PartTypes;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What opens a safety, in words and back. */
public class TripTextTest {
    @DataProvider
    public Object[][] words() {
        return new Object[][] {
            {"while GV=on for 60 s", "[{\"while\":\"GV=on\",\"afterSeconds\":60}]"},
            {"while CC=in", "[{\"while\":\"CC=in\"}]"},
            {"in low-charge", "[{\"condition\":\"low-charge\"}]"},
            {
                "while CC=in in low-charge for 25.5 s, closes after 60 s while CC=out",
                "[{\"while\":\"CC=in\",\"condition\":\"low-charge\",\"afterSeconds\":25.5,\"recloseSeconds\":60,"
                        + "\"recloseWhile\":\"CC=out\"}]"
            },
            {
                "while GV=on and BLW=off for 120 s, closes after 90 s; while not GV=on, closes while A=b or C!=d",
                "[{\"while\":{\"all\":[\"GV=on\",\"BLW=off\"]},\"afterSeconds\":120,\"recloseSeconds\":90},"
                        + "{\"while\":{\"not\":\"GV=on\"},\"recloseWhile\":{\"any\":[\"A=b\",\"C!=d\"]}}]"
            },
        };
    }

    @Test(dataProvider = "words")
    public void wordsAndTripsMeanTheSame(String words, String json) {
        Object trips = JsonText.plainValue(json);
        assertEquals(TripText.write(trips), Optional.of(words));
        assertEquals(JsonText.parse(JsonText.write(TripText.read(words).orElseThrow())), JsonText.parse(json));
    }

    @Test
    public void theTwoMayStandInEitherOrder() {
        assertEquals(
                TripText.read("while CC=in for 25 s in low-charge"),
                TripText.read("while CC=in in low-charge for 25 s"));
    }

    @Test
    public void whatIsNoTripIsNoneAndWhatSaysMoreStaysAsItIs() {
        for (String wrong : List.of("", "GV=on", "for ever", "while GV=on; ", "in two words", "while")) {
            assertFalse(TripText.read(wrong).isPresent(), wrong);
        }
        String deep = "[{\"while\":{\"all\":[\"A=b\",{\"not\":\"C=d\"}]}}]";
        for (Object other : List.of(JsonText.plainValue(deep), List.of(), List.of("x"), Map.of("while", "A=b"))) {
            assertEquals(TripText.write(other), Optional.empty(), other.toString());
        }
    }

    /** Every safety of the demos is written in words, and read again as it was. */
    @Test
    public void theDemosSafetiesComeBackAsTheyWere() {
        List<String> inWords = new ArrayList<>();
        for (String slug : Circuits.DEMOS) {
            for (Part p : Circuits.demo(slug).parts()) {
                if (p.params().containsKey("trips")) {
                    var type = PartTypes.catalogue().require(p);
                    String line = PartText.write(p.params(), type);
                    assertEquals(
                            JsonText.parse(JsonText.write(PartText.read(line, type))),
                            JsonText.parse(JsonText.write(p.params())),
                            line);
                    assertTrue(line.contains("trips=\""), line);
                    inWords.add(line);
                }
            }
        }
        assertTrue(inWords.size() >= 5, inWords.toString());
    }
}
