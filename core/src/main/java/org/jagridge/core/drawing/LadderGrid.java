package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import org.jagridge.core.part.Branch;

/**
 * Where the rows, columns, rails and upright lines of one section of a ladder are. Between two columns lies a channel with
 * a lane for each net that needs an upright line there.
 */
final class LadderGrid {
    /** From one rung to the next. */
    static final double ROW = 50;

    private static final double SECTION_HEAD = 38;
    private static final double CHANNEL = 16;
    private static final double LANE = 9;

    private final LadderSection section;
    private final double top;
    private final ToDoubleFunction<Branch> labelWidth;
    private final double[] channelStart;
    private final double[] columnStart;
    private final double[] columnEnd;
    private final Map<Integer, Integer> lane = new HashMap<>();
    private final Map<Integer, int[]> span = new TreeMap<>();
    private final double railLeft;
    private final double railRight;

    /** @param labelWidth how much room the words at a branch need */
    LadderGrid(LadderSection section, double left, double top, ToDoubleFunction<Branch> labelWidth) {
        this.section = section;
        this.top = top;
        this.labelWidth = labelWidth;
        int[] lanes = assignLanes();
        channelStart = new double[section.columns() + 1];
        columnStart = new double[section.columns()];
        columnEnd = new double[section.columns()];
        double x = left;
        railLeft = x + 4;
        for (int k = 0; k <= section.columns(); k++) {
            channelStart[k] = x;
            x += k == section.columns() ? 0 : CHANNEL + LANE * Math.max(0, lanes[k] - 1);
            if (k < section.columns()) {
                columnStart[k] = x;
                x += columnWidth(k);
                columnEnd[k] = x;
            }
        }
        railRight = x + 8;
    }

    private double columnWidth(int column) {
        double w = LadderWords.LEAST_WIDTH;
        for (LadderSection.Placed p : section.placed()) {
            if (p.column() == column) {
                w = Math.max(w, labelWidth.applyAsDouble(p.branch()) + 14);
            }
        }
        return w;
    }

    /** Gives each net with a vertical piece a lane of its channel, so that no two overlap. */
    private int[] assignLanes() {
        for (LadderSection.Placed p : section.placed()) {
            extend(p.left(), p.row());
            extend(p.right(), p.loops() ? p.row() + 1 : p.row());
        }
        int[] lanes = new int[section.columns() + 1];
        Map<Integer, List<Integer>> byLevel = new TreeMap<>();
        span.forEach((net, rows) -> {
            if (rows[0] < rows[1] && !isRail(net)) {
                byLevel.computeIfAbsent(section.levelOf(net), l -> new ArrayList<>())
                        .add(net);
            }
        });
        byLevel.forEach((level, list) -> {
            list.sort(Comparator.comparingInt((Integer n) -> span.get(n)[0]).thenComparingInt(n -> n));
            List<Integer> laneEnds = new ArrayList<>();
            for (int net : list) {
                int i = 0;
                while (i < laneEnds.size() && laneEnds.get(i) >= span.get(net)[0]) {
                    i++;
                }
                if (i == laneEnds.size()) {
                    laneEnds.add(0);
                }
                laneEnds.set(i, span.get(net)[1]);
                lane.put(net, i);
            }
            lanes[level] = laneEnds.size();
        });
        return lanes;
    }

    private void extend(int net, int row) {
        int[] rows = span.computeIfAbsent(net, n -> new int[] {row, row});
        rows[0] = Math.min(rows[0], row);
        rows[1] = Math.max(rows[1], row);
    }

    boolean isRail(int net) {
        return net == section.hotRail() || net == section.returnRail();
    }

    boolean isOpenEnd(int net) {
        return !isRail(net) && section.ends(net) == 1;
    }

    double x(int net) {
        if (net == section.hotRail()) {
            return railLeft;
        }
        if (net == section.returnRail()) {
            return railRight;
        }
        // a net without a vertical piece keeps clear of the lanes, so that its line only crosses what stands there
        Integer own = lane.get(net);
        return channelStart[section.levelOf(net)] + (own == null ? 3 : 8 + LANE * own);
    }

    double centre(int column) {
        return (columnStart[column] + columnEnd[column]) / 2;
    }

    double y(int row) {
        return top + SECTION_HEAD + ROW * row;
    }

    LadderSection section() {
        return section;
    }

    double top() {
        return top;
    }

    double bottom() {
        return y(section.rows() - 1) + 18;
    }

    double railLeft() {
        return railLeft;
    }

    double railRight() {
        return railRight;
    }

    double columnStart(int column) {
        return columnStart[column];
    }

    double columnEnd(int column) {
        return columnEnd[column];
    }

    /** The first and the last row that each net reaches. */
    Map<Integer, int[]> spans() {
        return span;
    }
}
