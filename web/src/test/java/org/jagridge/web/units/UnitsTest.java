package org.jagridge.web.units;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertSame;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pages are put into other units where a number stands before its unit, and nowhere else. */
public class UnitsTest {
    private static final Units KEPT = new Units(false, false, Units.Sizes.MARKED);
    private static final Units FEET = new Units(true, true, Units.Sizes.AWG);
    private static final Units SQUARE = new Units(false, false, Units.Sizes.MM2);

    @DataProvider
    public Object[][] pages() {
        return new Object[][] {
            {
                "no call: the room is 20.0 °C, cooling starts at 24.6 °C",
                "no call: the room is 68 °F, cooling starts at 76.3 °F"
            },
            {"room 19.4 °C ≤ set 20.0 °C − 0.6 K", "room 66.9 °F ≤ set 68 °F − 1.1 °F"},
            {
                "<text data-points=\"1 -17.8 °C|2 −40 °C\">-17.8 °C</text>",
                "<text data-points=\"1 0 °F|2 -40 °F\">0 °F</text>"
            },
            {"5 cores, 6 m", "5 cores, 19.7 ft"},
            {"36 metres of cable, 3 m² and 2 mm, 5 m/s", "118.1 ft of cable, 3 m² and 2 mm, 5 m/s"},
            {"at S.2 m5 K1 12 K1", "at S.2 m5 K1 12 K1"},
            {"0.75 mm² and 1.5mm2", "about 18 AWG (0.75 mm²) and about 15 AWG (1.5 mm²)"},
            // a meter's face
            {"<span>21.0</span><span class=\"unit\">°C</span>", "<span>69.8</span><span class=\"unit\">°F</span>"},
            {"<span>––</span><span class=\"unit\">°C</span>", "<span>––</span><span class=\"unit\">°C</span>"},
            // fields that say their unit
            {
                "<input data-unit=\"°C\" value=\"20\" min=\"-40\" max=\"60\" step=\"0.1\"/> <span class=\"unit-word\">°C</span>",
                "<input data-unit=\"°F\" value=\"68\" data-kept=\"20\" min=\"-40\" max=\"140\" step=\"0.1\"/> <span class=\"unit-word\">°F</span>"
            },
            {"<input value=\"30.48\" data-unit=\"m\"/>", "<input value=\"100\" data-kept=\"30.48\" data-unit=\"ft\"/>"},
            {"<input value=\"40 ft\" data-unit=\"m\"/>", "<input value=\"40 ft\" data-unit=\"ft\"/>"},
            {"<input data-unit=\"V\" value=\"20\"/>", "<input data-unit=\"V\" value=\"20\"/>"},
            // a line of ratings
            {
                "<input name=\"params\" value=\"opensAtCelsius=6 reads=AIRK differentialK=0.5 va=40\" title=\"opensAtCelsius=90 changeoverCelsius\" data-unit=\"ratings\"/>",
                "<input data-kept=\"opensAtCelsius=6 reads=AIRK differentialK=0.5 va=40\" name=\"params\" value=\"opensAt=42.8°F reads=AIRK differential=0.9°F va=40\" title=\"opensAt=194°F changeover\" data-unit=\"ratings\"/>"
            },
            {
                "<option data-ratings=\"coilVolts=24 opensAtCelsius=90\">",
                "<option data-ratings=\"coilVolts=24 opensAt=194°F\">"
            },
            {
                "<td class=\"rating-name\">opensAtCelsius</td><td>90 °C</td>",
                "<td class=\"rating-name\">opensAt</td><td>194 °F</td>"
            },
            {
                "<td>differential 5 K, aux on 0.5 K; K 5 K.A1 5 K</td>",
                "<td>differential 9 °F, aux on 0.9 °F; K 5 K.A1 5 K</td>"
            },
            {
                "<td class=\"unit-word\">cable metre</td><input data-unit=\"per m\" value=\"0.2\"/>",
                "<td class=\"unit-word\">cable foot</td><input data-unit=\"per ft\" value=\"0.061\" data-kept=\"0.2\"/>"
            },
            {"2 × 30.48 m × 20.95 Ω/km", "2 × 100 ft × 6.39 Ω/1000 ft"},
            // what somebody typed
            {"<textarea>at 20 °C</textarea> 20 °C", "<textarea>at 20 °C</textarea> 68 °F"},
            {"<input value=\"at 20 °C\"/>", "<input value=\"at 20 °C\"/>"},
            {"<script>{\"a\": \"20 °C\"}</script>", "<script>{\"a\": \"20 °C\"}</script>"},
            {"<a href=\"/x?m=5 m\">5 m</a>", "<a href=\"/x?m=5 m\">16.4 ft</a>"},
        };
    }

    @Test(dataProvider = "pages")
    public void aPageIsShownInFahrenheitAndFeet(String kept, String shown) {
        assertEquals(FEET.page(kept), shown);
        assertSame(KEPT.page(kept), kept);
    }

    @Test
    public void aSizeIsToldBothWaysWithTheMarkedOneBehind() {
        assertEquals(
                SQUARE.page("w1 18AWG, w2 14 AWG, w3 1.5 mm²"),
                "w1 0.82 mm² (18 AWG), w2 2.1 mm² (14 AWG), w3 1.5 mm²");
        assertEquals(FEET.page("18AWG, 1.0mm2, 3 mm²"), "18AWG, about 17 AWG (1.0 mm²), 3 mm²");
        assertEquals(
                SQUARE.page("<option value=\"18AWG\">18AWG</option>"),
                "<option value=\"18AWG\">0.82 mm² (18 AWG)</option>");
    }
}
