package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.drawing.Sheets.Window;

/** Where lines leave a sheet of paper, and on which other sheet they go on. */
public final class Continuations {
    /** How far beyond an edge the other sheet has to show a line. */
    private static final double BEYOND = 1;

    private Continuations() {}

    /** The edge of a sheet. */
    public enum Side {
        LEFT,
        RIGHT,
        TOP,
        BOTTOM
    }

    /**
     * A line that goes on.
     *
     * @param x where it meets the edge, in units of the drawing
     * @param sheet the number of the sheet, among those of its drawing, from 0 on
     */
    public record Mark(double x, double y, Side side, int sheet) {}

    private record Line(double x1, double y1, double x2, double y2) {}

    public static List<Mark> of(Ladder ladder, List<Window> sheets, int sheet) {
        return of(
                ladder.lines().stream()
                        .map(l -> new Line(l.x1(), l.y1(), l.x2(), l.y2()))
                        .toList(),
                sheets,
                sheet);
    }

    public static List<Mark> of(Connection connection, List<Window> sheets, int sheet) {
        List<Line> lines = new ArrayList<>();
        for (Connection.Route r : connection.wires()) {
            for (int i = 1; i < r.points().size(); i++) {
                Connection.Point a = r.points().get(i - 1);
                Connection.Point b = r.points().get(i);
                lines.add(new Line(a.x(), a.y(), b.x(), b.y()));
            }
        }
        return of(lines, sheets, sheet);
    }

    private static List<Mark> of(List<Line> lines, List<Window> sheets, int sheet) {
        Window w = sheets.get(sheet);
        List<Mark> marks = new ArrayList<>();
        for (Line l : lines) {
            for (Side side : Side.values()) {
                boolean upright = side == Side.TOP || side == Side.BOTTOM;
                double edge = switch (side) {
                    case LEFT -> w.x();
                    case RIGHT -> w.x() + w.width();
                    case TOP -> w.y();
                    case BOTTOM -> w.y() + w.height();
                };
                double low = upright ? Math.min(l.y1, l.y2) : Math.min(l.x1, l.x2);
                double high = upright ? Math.max(l.y1, l.y2) : Math.max(l.x1, l.x2);
                boolean before = side == Side.LEFT || side == Side.TOP;
                if (before ? low < edge && edge <= high : low <= edge && edge < high) {
                    double x = upright ? l.x1 : edge;
                    double y = upright ? edge : l.y1;
                    if (has(w, x, y)) {
                        mark(marks, x, y, side, sheets, sheet);
                    }
                }
            }
        }
        return marks.stream().distinct().toList();
    }

    private static void mark(List<Mark> marks, double x, double y, Side side, List<Window> sheets, int sheet) {
        double outX = x + (side == Side.LEFT ? -BEYOND : side == Side.RIGHT ? BEYOND : 0);
        double outY = y + (side == Side.TOP ? -BEYOND : side == Side.BOTTOM ? BEYOND : 0);
        for (int i = 0; i < sheets.size(); i++) {
            if (i != sheet && has(sheets.get(i), outX, outY)) {
                marks.add(new Mark(x, y, side, i));
                return;
            }
        }
    }

    private static boolean has(Window w, double x, double y) {
        return x >= w.x() && x <= w.x() + w.width() && y >= w.y() && y <= w.y() + w.height();
    }
}
