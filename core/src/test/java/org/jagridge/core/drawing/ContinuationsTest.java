package org.jagridge.core.drawing;

import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.Families;
import org.jagridge.core.drawing.Continuations.Mark;
import org.jagridge.core.drawing.Sheets.Window;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lines are walked pixel by pixel: where one leaves a sheet, a mark says on which sheet it goes on. */
public class ContinuationsTest {
    private static final double WIDTH = 620;
    private static final double HEIGHT = 400;

    @DataProvider
    public Object[][] circuits() {
        List<Object[]> rows = new ArrayList<>();
        Circuits.DEMOS.forEach(slug -> rows.add(new Object[] {slug, Assembly.of(Circuits.demo(slug))}));
        rows.add(new Object[] {"relays", Assembly.of(Families.of(Families.Kind.RELAYS, 35, 1))});
        return rows.toArray(Object[][]::new);
    }

    @Test(dataProvider = "circuits")
    public void aLineOfTheConnectionDiagramThatLeavesASheetIsMarked(String name, Assembly assembly) {
        Connection c = ConnectionLayout.of(assembly);
        List<Window> sheets = Sheets.of(c, WIDTH, HEIGHT);
        for (int i = 0; i < sheets.size(); i++) {
            List<Mark> marks = Continuations.of(c, sheets, i);
            for (Connection.Route r : c.wires()) {
                for (int k = 1; k < r.points().size(); k++) {
                    Connection.Point a = r.points().get(k - 1);
                    Connection.Point b = r.points().get(k);
                    walk(a.x(), a.y(), b.x(), b.y(), sheets, i, marks);
                }
            }
            soundMarks(sheets, i, marks);
        }
    }

    @Test(dataProvider = "circuits")
    public void aLineOfTheLadderThatLeavesASheetIsMarked(String name, Assembly assembly) {
        Ladder ladder = LadderLayout.of(assembly);
        List<Window> sheets = Sheets.of(ladder, WIDTH, HEIGHT);
        for (int i = 0; i < sheets.size(); i++) {
            List<Mark> marks = Continuations.of(ladder, sheets, i);
            for (Ladder.Line l : ladder.lines()) {
                walk(l.x1(), l.y1(), l.x2(), l.y2(), sheets, i, marks);
            }
            soundMarks(sheets, i, marks);
        }
    }

    private static void walk(
            double x1, double y1, double x2, double y2, List<Window> sheets, int sheet, List<Mark> marks) {
        int steps = (int) Math.ceil(Math.hypot(x2 - x1, y2 - y1));
        for (int s = 0; s < steps; s++) {
            double ax = x1 + (x2 - x1) * s / steps;
            double ay = y1 + (y2 - y1) * s / steps;
            double bx = x1 + (x2 - x1) * (s + 1) / steps;
            double by = y1 + (y2 - y1) * (s + 1) / steps;
            if (in(sheets.get(sheet), ax, ay) != in(sheets.get(sheet), bx, by)) {
                assertTrue(
                        marks.stream().anyMatch(m -> Math.hypot(m.x() - ax, m.y() - ay) < 1.5),
                        "nothing marks " + ax + "," + ay + " on sheet " + sheet);
            }
        }
    }

    /** Every mark names another sheet, which shows what lies just beyond. */
    private static void soundMarks(List<Window> sheets, int sheet, List<Mark> marks) {
        for (Mark m : marks) {
            double dx = m.side() == Continuations.Side.LEFT ? -1 : m.side() == Continuations.Side.RIGHT ? 1 : 0;
            double dy = m.side() == Continuations.Side.TOP ? -1 : m.side() == Continuations.Side.BOTTOM ? 1 : 0;
            assertTrue(m.sheet() != sheet && in(sheets.get(m.sheet()), m.x() + dx, m.y() + dy), m.toString());
        }
    }

    private static boolean in(Window w, double x, double y) {
        return x >= w.x() && x <= w.x() + w.width() && y >= w.y() && y <= w.y() + w.height();
    }
}
