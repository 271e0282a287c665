package org.jagridge.core.trace;

import com.github.difflib.DiffUtils;
import com.github.difflib.algorithm.DiffAlgorithmI;
import com.github.difflib.algorithm.myers.MyersDiffWithLinearSpace;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.DeltaType;
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

    private static final DiffAlgorithmI<Event> ALGORITHM =
            MyersDiffWithLinearSpace.factory().create(Comparison::same);

    private Comparison() {}

    /** The rows as they grow. */
    private static final class Rows {
        private final List<Row> list = new ArrayList<>();
        private final Narrator first;
        private final Narrator second;

        Rows(Run before, Run after) {
            first = new Narrator(before.circuit());
            second = new Narrator(after.circuit());
        }

        void both(Event before, Event after) {
            list.add(new Row(kind(before, after), before, after, first.title(before)));
        }

        /** Changes that only one run has, by their times. */
        void apart(List<Event> before, List<Event> after) {
            int i = 0;
            int j = 0;
            while (i < before.size() || j < after.size()) {
                boolean older = j == after.size()
                        || (i < before.size()
                                && before.get(i).micros() <= after.get(j).micros());
                if (older) {
                    Event e = before.get(i++);
                    list.add(new Row(Kind.ONLY_BEFORE, e, null, first.title(e)));
                } else {
                    Event e = after.get(j++);
                    list.add(new Row(Kind.ONLY_AFTER, null, e, second.title(e)));
                }
            }
        }
    }

    /**
     * All changes of both runs in order; aligned by the longest common subsequence of (part, signal, value), found in
     * linear space (E. W. Myers, "An O(ND) difference algorithm and its variations", Algorithmica 1 (1986), 251–266, §4b).
     */
    public static List<Row> of(Run before, Run after) {
        Rows rows = new Rows(before, after);
        for (AbstractDelta<Event> delta : DiffUtils.diff(before.events(), after.events(), ALGORITHM, null, true)
                .getDeltas()) {
            List<Event> only = delta.getSource().getLines();
            List<Event> onlyAfter = delta.getTarget().getLines();
            if (delta.getType() == DeltaType.EQUAL) {
                for (int i = 0; i < only.size(); i++) {
                    rows.both(only.get(i), onlyAfter.get(i));
                }
            } else {
                rows.apart(only, onlyAfter);
            }
        }
        return rows.list;
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
