package org.jagridge.core.circuit;

import static org.testng.Assert.assertEquals;

import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Numbers as people write them. */
public class QuantityTest {
    @DataProvider
    public Object[][] written() {
        return new Object[][] {
            {"12", "m", 12.0},
            {"12,5 m", "m", 12.5},
            {" 10 Metres ", "m", 10.0},
            {"40 ft", "m", 12.192},
            {"40'", "m", 12.192},
            {"1 foot", "m", 0.3048},
            {"20", "°C", 20.0},
            {"20 °C", "°C", 20.0},
            {"68 °F", "°C", 20.0},
            {"68f", "°C", 20.0},
            {"−40 °F", "°C", -40.0},
            {"70°F", "°C", 21.111},
            {"0.6 K", "K", 0.6},
            {"9 °F", "K", 5.0},
            {"5 °C", "K", 5.0},
            {"5 V", "K", null},
            {"0.3048 per ft", "per m", 1.0},
            {"2", "per m", 2.0},
            {"2 m", "per m", null},
            {"3 V", "V", 3.0},
            {"+3", "", 3.0},
            {"3", null, 3.0},
            {"68 F", "m", null},
            {"40 ft", "°C", null},
            {"3 ft", "V", null},
            {"three", "m", null},
            {"", "m", null},
            {"1.2.3", "m", null},
            {"NaN", "m", null},
        };
    }

    @Test(dataProvider = "written")
    public void isReadInTheUnitThatItIsKeptIn(String text, String unit, Double value) {
        OptionalDouble read = Quantity.read(text, unit);
        assertEquals(read.isPresent(), value != null, text);
        assertEquals(read.orElse(0), value == null ? 0 : value, 1e-9);
    }

    @Test
    public void fahrenheitAndBack() {
        assertEquals(Quantity.fahrenheit(-40), -40, 1e-9);
        assertEquals(Quantity.fahrenheit(Quantity.celsius(71.3)), 71.3, 1e-9);
        assertEquals(Quantity.fahrenheitBetween(5), 9, 1e-9);
    }
}
