package org.jagridge.core.circuit;

import static org.testng.Assert.assertEquals;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ColourLettersTest {
    @DataProvider
    public Object[][] colours() {
        return new Object[][] {
            {"red", "RD"},
            {"Red", "RD"},
            {"red-2", "RD2"},
            {"green/yellow", "GNYE"},
            {"grey", "GY"},
            {"puce", "PU"},
            {null, ""}
        };
    }

    @Test(dataProvider = "colours")
    public void aColourHasItsLetters(String colour, String letters) {
        assertEquals(ColourLetters.of(colour), letters);
    }

    /** A wire that changes colour at a splice has each end's own. */
    @Test
    public void aWireHasTheLettersOfThatEnd() {
        Circuit circuit = Circuit.builder("two colours").build();
        Wire plain = Wire.between("w1", new Terminal("A", "1"), new Terminal("B", "1"))
                .withColour("blue");
        assertEquals(ColourLetters.at(circuit, plain, 0) + ColourLetters.at(circuit, plain, 1), "BUBU");
        Wire changes = new Wire(
                "w2", plain.from(), plain.to(), null, null, null, Wire.Run.FIELD, null, null, List.of("red", "white"));
        assertEquals(ColourLetters.at(circuit, changes, 0), "RD");
        assertEquals(ColourLetters.at(circuit, changes, 1), "WH");
    }
}
