package org.jagridge.core.found;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.edit.Edits;
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
        AsFound few = AsFound.read("TH.G;green;XT.3\nTH.Y;yellow;?", LAB);
        assertEquals(few.compare(LAB), List.of());
        List<String> open =
                few.notLookedAt(LAB).stream().map(Terminal::toString).toList();
        assertTrue(open.containsAll(List.of("K1.A1", "TH.Y")), open.toString());
        assertTrue(!open.contains("TH.G") && !open.contains("XT.3"), open.toString());
        assertEquals(AsFound.read(asDrawn(LAB), LAB).notLookedAt(LAB), List.of());
        assertEquals(
                kinds(asDrawn(LAB).replace("XT.3,green,TH.G", "XT.3,green,nowhere\nTH.G,green,none")),
                List.of(AsFound.Kind.APART));
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

    @Test
    public void whatWasTracedIsWrittenWhereNobodyKnew() {
        AsFound before = AsFound.read("TH.R, red, XT.1\nTH.G, green, ?\nTH.Y, yellow, ?", LAB);
        assertEquals(before.open().stream().map(Tracing.End::words).toList(), List.of("TH.G green", "TH.Y yellow"));
        List<Tracing.End> ends = new ArrayList<>(before.open());
        ends.add(new Tracing.End(Terminal.parse("XT.3"), "green"));
        Tracing tracing = new Tracing(ends, List.of(new Tracing.Round(0, Set.of(0, 2), Set.of(1, 2), Set.of(2))));
        AsFound after = before.with(tracing);
        assertEquals(after.text(), "TH.R, red, XT.1\nTH.G, green, XT.3\nTH.Y, yellow, nowhere\nXT.3, green, TH.G");
        assertEquals(AsFound.read(after.text(), LAB), after);
        assertEquals(after.with(tracing), after, "written twice it stands there once");
    }
}
