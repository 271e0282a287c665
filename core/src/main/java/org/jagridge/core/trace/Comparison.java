package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;

/** Two runs side by side: the same changes in line, what only one has, what comes earlier or later. */
public final class Comparison {
    /** Changes closer than this count as at the same time. */
    private static final long SAME_TIME = Time.SECOND / 10;

    /** How a change in the one run compares with the other. */
    public enum Kind {
        SAME,
        EARLIER,
        LATER,
        ONLY_BEFORE,
        ONLY_AFTER
    }

    /**
     * One change.
     *
     * @param before its event in the first run, or null
     * @param after its event in the second run, or null
     */
    public record Row(Kind kind, Event before, Event after, String title) {
        /** The part it is about. */
        public String part() {
            return (before == null ? after : before).part();
        }
    }

    private Comparison() {}

    /** All changes of both runs in order; aligned by the longest common subsequence of (part, signal, value). */
    public static List<Row> of(Run before, Run after) {
        List<Event> a = before.events();
        List<Event> b = after.events();
        int[][] common = new int[a.size() + 1][b.size() + 1];
        for (int i = a.size() - 1; i >= 0; i--) {
            for (int j = b.size() - 1; j >= 0; j--) {
                common[i][j] = same(a.get(i), b.get(j))
                        ? common[i + 1][j + 1] + 1
                        : Math.max(common[i + 1][j], common[i][j + 1]);
            }
        }
        Narrator first = new Narrator(before.circuit());
        Narrator second = new Narrator(after.circuit());
        List<Row> rows = new ArrayList<>();
        int i = 0;
        int j = 0;
        while (i < a.size() || j < b.size()) {
            if (i < a.size() && j < b.size() && same(a.get(i), b.get(j))) {
                rows.add(new Row(kind(a.get(i), b.get(j)), a.get(i), b.get(j), first.title(a.get(i))));
                i++;
                j++;
            } else if (j >= b.size()
                    || (i < a.size() && common[i + 1][j] > common[i][j + 1])
                    || (i < a.size()
                            && common[i + 1][j] == common[i][j + 1]
                            && a.get(i).micros() <= b.get(j).micros())) {
                rows.add(new Row(Kind.ONLY_BEFORE, a.get(i), null, first.title(a.get(i))));
                i++;
            } else {
                rows.add(new Row(Kind.ONLY_AFTER, null, b.get(j), second.title(b.get(j))));
                j++;
            }
        }
        return rows;
    }

    private static boolean same(Event a, Event b) {
        return a.part().equals(b.part()) && a.signal().equals(b.signal()) && a.to().equals(b.to());
    }

    private static Kind kind(Event before, Event after) {
        long later = after.micros() - before.micros();
        return Math.abs(later) < SAME_TIME ? Kind.SAME : later > 0 ? Kind.LATER : Kind.EARLIER;
    }

    /** The first row that isn't the same in both, or −1. */
    public static int firstDifference(List<Row> rows) {
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).kind() != Kind.SAME) {
                return i;
            }
        }
        return -1;
    }
}
