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

    private static final double OVERLAP = 24;

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
        List<Window> sheets = new ArrayList<>();
        for (int i = 1; i < cuts.size(); i++) {
            double top = cuts.get(i - 1);
            sheets.addAll(across(top, cuts.get(i) - top, ladder.width(), paperWidth / scale));
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

    /** A connection diagram in sheets beside and under each other, with a strip that both neighbours show. */
    public static List<Window> of(Connection connection, double paperWidth, double paperHeight) {
        double scale = Math.min(
                1, Math.max(LEAST_SCALE, Math.min(paperWidth / connection.width(), paperHeight / connection.height())));
        List<Window> sheets = new ArrayList<>();
        for (double[] row : strips(connection.height(), paperHeight / scale)) {
            sheets.addAll(across(row[0], row[1], connection.width(), paperWidth / scale));
        }
        return sheets;
    }

    private static List<Window> across(double top, double height, double width, double most) {
        return strips(width, most).stream()
                .map(s -> new Window(s[0], top, s[1], height))
                .toList();
    }

    /** Start and length of strips of at most {@code most}, each a little over its neighbours. */
    private static List<double[]> strips(double length, double most) {
        int n = length <= most ? 1 : (int) Math.ceil((length - OVERLAP) / (most - OVERLAP));
        double each = n == 1 ? length : (length - OVERLAP) / n + OVERLAP;
        List<double[]> strips = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            strips.add(new double[] {i * (each - OVERLAP), each});
        }
        return strips;
    }
}
