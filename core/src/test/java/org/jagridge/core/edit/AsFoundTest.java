package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.stream.Collectors;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Wiring as found, against the drawings of the demo circuits. */
public class AsFoundTest {
    private static final Circuit LAB = Circuits.demo("lab-bench");

    private static String asDrawn(Circuit c) {
        return c.wires().stream()
                .map(w -> w.from() + "," + (c.colourOf(w) == null ? "" : c.colourOf(w)) + "," + w.to())
                .collect(Collectors.joining("\n"));
    }

    private static List<AsFound.Kind> kinds(String text) {
        return AsFound.read(text, LAB).compare(LAB).stream()
                .map(AsFound.Difference::kind)
                .toList();
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void whatIsFoundAsDrawnHasNoDifference(String slug) {
        Circuit c = Circuits.demo(slug);
        AsFound found = AsFound.read("terminal,colour,goes to\n" + asDrawn(c), c);
        assertEquals(found.compare(c), List.of());
        assertEquals(found.wires().size(), c.wires().size());
    }

    /** K1.A2 to K2.A2 to K3.A2 by the drawing; as found, both go to the strip by themselves. */
    @Test
    public void anotherRouteToTheSameTerminalsIsTheSame() {
        String text = asDrawn(LAB).replaceAll("K1\\.A2,[^,\n]*,K2\\.A2", "XT.2,blue,K2.A2");
        assertTrue(!text.equals(asDrawn(LAB)));
        assertEquals(kinds(text), List.of());
    }

    @Test
    public void aSwappedPairIsJoinedWhereItShouldNotBeAndApartWhereItShould() {
        String text = asDrawn(LAB)
                .replace("XT.3,green,TH.G", "XT.3,green,TH.Y")
                .replace("XT.4,yellow,TH.Y", "XT.4,yellow,TH.G");
        List<AsFound.Difference> differences = AsFound.read(text, LAB).compare(LAB);
        assertEquals(
                differences.stream().map(AsFound.Difference::kind).distinct().toList(),
                List.of(AsFound.Kind.JOINED, AsFound.Kind.APART));
        assertTrue(
                differences.stream()
                        .anyMatch(d -> d.words().contains("TH.Y")
                                && d.words().contains("K1.A1")
                                && d.kind() == AsFound.Kind.JOINED),
                differences.toString());
    }

    @Test
    public void aColourThatIsNotTheDrawnOneAndWhatWasNotLookedAtAreTold() {
        assertEquals(kinds(asDrawn(LAB).replace("XT.3,green,TH.G", "XT.3,orange,TH.G")), List.of(AsFound.Kind.COLOUR));
        List<AsFound.Difference> few = AsFound.read("TH.G;green;XT.3", LAB).compare(LAB);
        assertEquals(few.size(), 1);
        assertEquals(few.get(0).kind(), AsFound.Kind.OPEN_QUESTION);
        assertTrue(few.get(0).words().contains("K1.A1"));
        assertEquals(
                kinds(asDrawn(LAB).replace("XT.3,green,TH.G", "XT.3,green,nowhere\nTH.G,green,none")),
                List.of(AsFound.Kind.APART));
    }

    @Test
    public void theNextTestBeepsWhatIsNotTracedSameColourFirst() {
        AsFound found = AsFound.read("TH.G\tgreen\t?\nXT.4\tyellow\t?\nXT.3\tgreen\t", LAB);
        assertEquals(
                found.next(),
                List.of("Beep TH.G (green) against XT.3 (green)", "Beep TH.G (green) against XT.4 (yellow)"));
        assertEquals(AsFound.read("TH.G,green,XT.3", LAB).next(), List.of());
        assertTrue(AsFound.read("TH.G,green,?", LAB).next().get(0).contains("lift it"));
    }

    @Test
    public void everyMistakeIsToldWithItsLine() {
        MalformedException e = expectThrows(
                MalformedException.class,
                () -> AsFound.read("TH.G,green,XT.3\nTHG,red,XT.1\nTH.Q,red,TH.R\nTH.R,red,TH.R", LAB));
        assertEquals(e.problems().stream().map(Problem::path).toList(), List.of("/lines/2", "/lines/3", "/lines/4"));
    }

    @Test
    public void whatWasFoundBecomesAWireList() {
        Circuit c = Circuits.demo("chapel");
        Circuit bare = c.toBuilder().build();
        Circuit.Builder b = bare.toBuilder();
        b.wires().clear();
        Circuit again =
                Edits.wires(AsFound.read(asDrawn(c), c).wires()).change().apply(b.build());
        assertEquals(AsFound.read(asDrawn(c), c).compare(again), List.of());
    }
}
