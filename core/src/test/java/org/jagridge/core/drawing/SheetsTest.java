package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Sheets show all of a drawing, legibly, and no ladder is cut through a rung. */
public class SheetsTest {
    private static final double WIDTH = 1047;
    private static final double HEIGHT = 600;

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void everySymbolOfALadderIsWholeOnASheet(String slug) {
        Ladder ladder = LadderLayout.of(Assembly.of(Circuits.demo(slug)));
        List<Sheets.Window> sheets = Sheets.of(ladder, WIDTH, HEIGHT);
        for (Ladder.Symbol s : ladder.symbols()) {
            assertTrue(
                    sheets.stream()
                            .anyMatch(w -> s.y() - 24 >= w.y()
                                    && s.y() + 22 <= w.y() + w.height()
                                    && s.x() >= w.x()
                                    && s.x() <= w.x() + w.width()),
                    s.branch().title() + " is cut");
        }
        sheets.forEach(SheetsTest::isLegible);
    }

    @Test(dataProvider = "demos")
    public void everyTerminalOfAConnectionDiagramIsOnASheet(String slug) {
        Connection c = ConnectionLayout.of(Assembly.of(Circuits.demo(slug)));
        List<Sheets.Window> sheets = Sheets.of(c, WIDTH, HEIGHT);
        for (Connection.Post p : c.posts()) {
            assertTrue(
                    sheets.stream()
                            .anyMatch(w -> p.x() >= w.x()
                                    && p.x() <= w.x() + w.width()
                                    && p.y() >= w.y()
                                    && p.y() <= w.y() + w.height()),
                    p.terminal() + " is on no sheet");
        }
        sheets.forEach(SheetsTest::isLegible);
    }

    /** A part's box with its title and its screws is whole on a sheet, in the demos and in circuits that nobody has seen. */
    @Test
    public void noBoxOfAConnectionDiagramIsCut() {
        List<Circuit> circuits = new ArrayList<>();
        Circuits.DEMOS.forEach(d -> circuits.add(Circuits.demo(d)));
        IntStream.range(0, 12).forEach(seed -> circuits.add(GeneratedCircuits.of(seed, 40)));
        int cut = 0;
        int boxes = 0;
        for (Circuit circuit : circuits) {
            Connection c = ConnectionLayout.of(Assembly.of(circuit));
            List<Sheets.Window> sheets = Sheets.of(c, WIDTH, HEIGHT);
            for (Connection.Box b : c.parts()) {
                boxes++;
                cut += sheets.stream().anyMatch(w -> holds(w, b)) ? 0 : 1;
            }
            sheets.forEach(SheetsTest::isLegible);
            for (Sheets.Window w : sheets) {
                assertTrue(w.x() >= 0 && w.x() + w.width() <= c.width() + 1e-9, w.toString());
                assertTrue(w.y() >= 0 && w.y() + w.height() <= c.height() + 1e-9, w.toString());
            }
        }
        // where boxes stand so close that no cut gets between them
        assertTrue(cut * 100 <= boxes, cut + " of " + boxes + " boxes are cut");
    }

    private static boolean holds(Sheets.Window w, Connection.Box b) {
        return b.x() >= w.x()
                && b.x() + b.width() <= w.x() + w.width()
                && b.y() >= w.y()
                && b.y() + b.height() <= w.y() + w.height();
    }

    private static void isLegible(Sheets.Window w) {
        assertTrue(Math.min(WIDTH / w.width(), HEIGHT / w.height()) >= 0.65, w.toString());
    }

    @Test
    public void aSmallDrawingTakesOneSheet() {
        assertEquals(
                Sheets.of(LadderLayout.of(Assembly.of(Circuits.demo("chapel"))), WIDTH, HEIGHT)
                        .size(),
                1);
    }
}
