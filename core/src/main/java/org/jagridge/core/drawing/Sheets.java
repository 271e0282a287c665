package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Cuts drawings into sheets of paper, so that the letters on them can still be read. */
public final class Sheets {
    /** Drawn text is 10 units high; at this many paper pixels a unit it is about 1.9 mm. */
    private static final double LEAST_SCALE = 0.7;
    /** From a rung's line up to where the names above it begin. */
    private static final double ABOVE_A_RUNG = 26;

    private static final double ABOVE_A_NAME = 12;
    /** From above a section's rail names to above its first rung, and no further. */
    private static final double SECTION_HEAD = 20;

    /** Room that a part's box needs above and below it for the numbers at its screws. */
    private static final double NUMBER = 44;

    private static final double BESIDE_A_CUT = 18;
    /** A place that is on one sheet is read more easily than one that is on two. */
    private static final double PLACE = 8;

    private Sheets() {}

    /** What one sheet shows of a drawing, in units of the drawing. */
    public record Window(double x, double y, double width, double height) {}

    /**
     * A ladder in sheets: cut between rungs, and beside each other where it is too wide.
     *
     * @param paperWidth room on a sheet, in pixels (1/96 inch)
     * @param paperHeight likewise
     */
    public static List<Window> of(Ladder ladder, double paperWidth, double paperHeight) {
        double scale = Math.min(1, Math.max(LEAST_SCALE, paperWidth / ladder.width()));
        double high = paperHeight / scale;
        List<Double> cuts = new ArrayList<>(List.of(0.0));
        List<Double> rungs = tops(ladder);
        double fits = 0;
        for (double rung : rungs) {
            if (rung - cuts.get(cuts.size() - 1) > high) {
                cuts.add(fits);
            }
            fits = rung;
        }
        if (ladder.height() - cuts.get(cuts.size() - 1) > high && fits > cuts.get(cuts.size() - 1)) {
            cuts.add(fits);
        }
        cuts.add(ladder.height());
        List<Cuts.Span> spans = new ArrayList<>();
        ladder.symbols().forEach(s -> spans.add(Cuts.Span.box(s.x() - s.width() / 2, s.x() + s.width() / 2, Cuts.BOX)));
        ladder.texts().forEach(t -> spans.add(Cuts.Span.box(t.left(), t.left() + t.width(), Cuts.BOX)));
        List<Window> sheets = new ArrayList<>();
        for (int i = 1; i < cuts.size(); i++) {
            double top = cuts.get(i - 1);
            sheets.addAll(across(top, cuts.get(i) - top, Cuts.strips(ladder.width(), paperWidth / scale, spans)));
        }
        return sheets;
    }

    /** Where a sheet may begin: above each rung, and for the first of a section above the names of its rails. */
    private static List<Double> tops(Ladder ladder) {
        List<Double> heads = ladder.texts().stream()
                .filter(t -> t.kind() == Ladder.TextKind.RAIL)
                .map(t -> t.y() - ABOVE_A_NAME)
                .distinct()
                .toList();
        return Stream.concat(
                        heads.stream(),
                        ladder.symbols().stream()
                                .map(s -> s.y() - ABOVE_A_RUNG)
                                .filter(y -> heads.stream().noneMatch(h -> y >= h && y < h + SECTION_HEAD)))
                .distinct()
                .sorted()
                .toList();
    }

    /** A connection diagram in sheets beside and under each other, with a strip that both neighbours show, cut through no box. */
    public static List<Window> of(Connection connection, double paperWidth, double paperHeight) {
        double scale = Math.min(
                1, Math.max(LEAST_SCALE, Math.min(paperWidth / connection.width(), paperHeight / connection.height())));
        List<Cuts.Span> level = new ArrayList<>();
        List<Cuts.Span> upright = new ArrayList<>();
        connection.parts().forEach(b -> {
            level.add(Cuts.Span.box(b.x(), b.x() + b.width(), Cuts.BOX));
            upright.add(Cuts.Span.box(b.y() - NUMBER, b.y() + b.height() + NUMBER, Cuts.BOX));
        });
        connection.tray().forEach(b -> {
            level.add(Cuts.Span.box(b.x(), b.x() + b.width(), Cuts.BOX));
            upright.add(Cuts.Span.box(b.y(), b.y() + b.height(), Cuts.BOX));
        });
        connection.places().forEach(b -> {
            level.add(Cuts.Span.box(b.x(), b.x() + b.width(), PLACE));
            upright.add(Cuts.Span.box(b.y(), b.y() + b.height(), PLACE));
        });
        for (Connection.Route r : connection.wires()) {
            for (int i = 1; i < r.points().size(); i++) {
                Connection.Point p = r.points().get(i - 1);
                Connection.Point q = r.points().get(i);
                level.add(line(p.x(), q.x()));
                upright.add(line(p.y(), q.y()));
            }
        }
        List<double[]> columns = Cuts.strips(connection.width(), paperWidth / scale, level);
        List<Window> sheets = new ArrayList<>();
        for (double[] row : Cuts.strips(connection.height(), paperHeight / scale, upright)) {
            sheets.addAll(across(row[0], row[1], columns));
        }
        return sheets;
    }

    /** A line goes on to the next sheet, or lies along the cut, where the marks of others would stand on it. */
    private static Cuts.Span line(double a, double b) {
        return new Cuts.Span(Math.min(a, b) - BESIDE_A_CUT, Math.max(a, b) + BESIDE_A_CUT, 1);
    }

    private static List<Window> across(double top, double height, List<double[]> columns) {
        return columns.stream().map(c -> new Window(c[0], top, c[1], height)).toList();
    }
}
