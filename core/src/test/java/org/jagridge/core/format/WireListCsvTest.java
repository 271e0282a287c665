package org.jagridge.core.format;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Wire;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The wire list goes out and in unchanged; what is hostile is refused in plain words. */
public class WireListCsvTest {
    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void outAndInGivesTheSameCircuit(String slug) {
        Circuit circuit = Circuits.demo(slug);
        byte[] file = WireListCsv.write(circuit).getBytes(StandardCharsets.UTF_8);
        assertEquals(WireListCsv.read(file), circuit.wires());
        String feet = WireListCsv.write(circuit, true);
        assertTrue(feet.contains("size,length_ft,run"), feet.substring(0, 100));
        assertEquals(WireListCsv.read(feet), circuit.wires());
    }

    private static List<String> problems(byte[] file) {
        return expectThrows(MalformedException.class, () -> WireListCsv.read(file)).problems().stream()
                .map(Problem::message)
                .toList();
    }

    private static List<String> problems(String text) {
        return problems(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    public void columnsMayComeInAnyOrderAndWithSemicolonsOrTabs() {
        for (String delimiter : List.of(",", ";", "\t")) {
            String text = String.join(delimiter, "To", "FROM", "length_m") + "\n"
                    + String.join(delimiter, "K1.A1", "T1.X1", "2.5") + "\n";
            Wire wire = WireListCsv.read(text).get(0);
            assertEquals(wire.from() + " " + wire.to() + " " + wire.lengthMetres(), "T1.X1 K1.A1 2.5");
            assertEquals(wire.id(), "");
        }
    }

    @Test
    public void utf16WithItsMarkIsReadAndOtherEncodingsAreRefused() {
        String text = "from,to,colour\nT1.X1,K1.A1,weiß\n";
        assertEquals(
                WireListCsv.read(text.getBytes(StandardCharsets.UTF_16)).get(0).colour(), "weiß");
        assertEquals(
                WireListCsv.read(("\uFEFF" + text).getBytes(StandardCharsets.UTF_8))
                        .size(),
                1);
        assertEquals(
                problems(text.getBytes(StandardCharsets.ISO_8859_1)),
                List.of("the file is not UTF-8 text; save it from the spreadsheet as \"CSV UTF-8\" and try again"));
    }

    @Test
    public void formulasAreRefusedOnTheWayInAndHarmlessOnTheWayOut() {
        assertEquals(
                problems("from,to,colour\nT1.X1,K1.A1,=HYPERLINK(\"x\")\n").get(0),
                "line 2: colour begins with =, as a formula does; write plain text");
        Circuit.Builder b = Circuits.control();
        b.wires().add(b.wires().get(0).withId("w8").withColour("=cmd|x"));
        String csv = WireListCsv.write(b.build());
        assertTrue(csv.contains("'=cmd|x"), csv);
        assertEquals(WireListCsv.read(csv).get(2).colour(), "=cmd|x");
    }

    @Test
    public void aHundredThousandRowsAreTooMany() {
        String text = "from,to\n" + "T1.X1,K1.A1\n".repeat(100_000);
        assertEquals(problems(text), List.of("there are more than 5000 rows; at most 5000 can be read in at once"));
    }

    @Test
    public void everyMistakeIsToldWithItsLine() {
        assertEquals(
                problems("wire,from,to,size,length_m,run\n,T1.X1,K1.A1,,,\nw2,T1,K1.A1,17AWG,long,outside\n"),
                List.of(
                        "line 3: from \"T1\" is not a terminal; write PART.TERMINAL, like K1.A1",
                        "line 3: \"17AWG\" is no conductor size; write it like 18AWG or 1.5mm2",
                        "line 3: the length \"long\" is not a number of metres",
                        "line 3: run \"outside\" is neither field nor factory"));
        assertEquals(
                problems("from,goes\n"),
                List.of(
                        "line 1: there is no column \"goes\"; known are wire, from, to, colour, size, length_m, run, cable, "
                                + "core, colour_from, colour_to, length_ft",
                        "line 1: the header must have the columns from and to"));
        assertEquals(problems(""), List.of("there is no wire in it; the first line must be a header with from and to"));
        assertTrue(
                problems("from,to\n\"T1.X1,K1.A1\n")
                        .get(0)
                        .equals("a quote that is opened in line 2 is never closed; every \" needs another one"),
                "open quote");
        assertTrue(problems("from,to\nA.1,B.1,C.1\n").get(0).contains("more cells than columns"));
        assertEquals(problems("from,to\n" + "x,y\n".repeat(200)).size(), 51);
    }

    @Test
    public void thePartsListNamesEveryPartWithItsRatings() {
        String csv = WireListCsv.writeParts(Circuits.demo("cold-store"));
        assertEquals(csv.lines().count(), 22);
        assertTrue(
                csv.contains(
                        "T1,Control transformer,transformer,unit,yes,\"{\"\"primaryVolts\"\":240,\"\"va\"\":40}\""),
                csv);
    }
}
