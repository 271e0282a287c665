package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Connection;
import org.jagridge.core.drawing.ConnectionLayout;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.LadderLayout;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a maker prints at a terminal is shown with it, and understood where a terminal is typed. */
public class MarksTest {
    private static final List<String> TERMINALS = List.of("R", "C", "W");

    @Test
    public void aLineOfMarksIsReadAndWritten() {
        Map<String, String> marks = MarksText.read(" R = Rh , C=24V COM ,", TERMINALS);
        assertEquals(marks, Map.of("R", "Rh", "C", "24V COM"));
        assertEquals(MarksText.read(MarksText.write(marks), TERMINALS), marks);
        assertEquals(MarksText.read("", TERMINALS), Map.of());
    }

    @DataProvider
    public Object[][] slips() {
        return new Object[][] {
            {"Rh", "\"Rh\" says no mark"},
            {"R=", "says no mark"},
            {"X=1", "no terminal X"},
            {"R=W", "two terminals"},
            {"R=a, C=A", "two terminals"},
            {"R=abcdefghijklmnopqrstuvwxyz", "longer than 20"}
        };
    }

    @Test(dataProvider = "slips")
    public void aSlipIsTold(String line, String words) {
        String message = expectThrows(MalformedException.class, () -> MarksText.read(line, TERMINALS))
                .getMessage();
        assertTrue(message.contains(words), message);
    }

    private static Circuit marked() {
        Circuit.Builder b = Circuits.demo("seminar-room").toBuilder();
        b.parts().replaceAll(p -> p.id().equals("CC") ? withMarks(p, Map.of("A1", "Y", "L1", "LINE-1")) : p);
        return b.build();
    }

    private static Part withMarks(Part p, Map<String, String> marks) {
        return new Part(p.id(), p.type(), p.place(), p.name(), p.params(), p.fitted(), p.whenNotFitted(), marks);
    }

    @Test
    public void aMarkNamesItsTerminalInAnyCase() {
        Assembly assembly = Assembly.of(marked());
        assertEquals(named("CC.y", assembly), new Terminal("CC", "A1"));
        assertEquals(named("CC.A1", assembly), new Terminal("CC", "A1"));
        assertEquals(named("CC.T1", assembly), new Terminal("CC", "T1"));
        assertEquals(named("nobody.Y", assembly), new Terminal("nobody", "Y"));
    }

    private static Terminal named(String text, Assembly assembly) {
        return assembly.circuit().named(text, t -> assembly.node(t).isPresent());
    }

    /** A file may hold a mark that is another terminal's name: it never takes that terminal's place. */
    @Test
    public void aTerminalsOwnNameGoesFirst() {
        Circuit.Builder b = Circuits.demo("seminar-room").toBuilder();
        b.parts().replaceAll(p -> p.id().equals("CC") ? withMarks(p, Map.of("L1", "T1")) : p);
        assertEquals(named("CC.T1", Assembly.of(b.build())), new Terminal("CC", "T1"));
    }

    @Test
    public void aChainTakesMarks() {
        List<Wire> wires =
                ChainEntry.read("T1.X2 > CC.Y", marked(), Wire.Run.FIELD).wires();
        assertEquals(wires.get(0).to(), new Terminal("CC", "A1"));
    }

    @Test
    public void wordsSayTheMarkAfterTheTerminalAndNowhereElse() {
        Circuit circuit = marked();
        assertEquals(
                circuit.withMarks("CC.A1 to CC.A2; CC.L1, not CC.L11 or XCC.A1."),
                "CC.A1 (Y) to CC.A2; CC.L1 (LINE-1), not CC.L11 or XCC.A1.");
        assertEquals(Circuits.demo("seminar-room").withMarks("CC.A1"), "CC.A1");
    }

    @Test
    public void bothDrawingsShowThem() {
        Assembly assembly = Assembly.of(marked());
        Connection connection = ConnectionLayout.of(assembly);
        assertEquals(
                connection.posts().stream()
                        .filter(p -> p.terminal().equals(new Terminal("CC", "A1")))
                        .map(Connection.Post::label)
                        .toList(),
                List.of("Y"));
        assertTrue(LadderLayout.of(assembly).texts().stream()
                .map(Ladder.Text::text)
                .anyMatch(t -> t.startsWith("LINE-1–T1")));
    }
}
