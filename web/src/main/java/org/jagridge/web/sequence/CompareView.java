package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Comparison;
import org.jagridge.core.trace.Sequence;
import org.jagridge.web.svg.Clock;

/**
 * Two runs side by side.
 *
 * @param first index of the first difference, or −1
 */
record CompareView(String key, Integer fault, int from, int to, List<Row> rows, int first, String verdict) {

    record Row(String kind, String before, String after, String title, String words, String part) {}

    static CompareView of(Run before, Run after, String key, Integer fault, int from, int to) {
        List<Comparison.Row> compared = Comparison.of(before, after);
        List<Row> rows = new ArrayList<>();
        int missing = 0;
        int added = 0;
        int moved = 0;
        for (Comparison.Row r : compared) {
            rows.add(new Row(
                    r.kind().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
                    r.before() == null ? "" : Clock.of(r.before().micros()),
                    r.after() == null ? "" : Clock.of(r.after().micros()),
                    r.title(),
                    words(r),
                    r.part()));
            switch (r.kind()) {
                case ONLY_BEFORE -> missing++;
                case ONLY_AFTER -> added++;
                case EARLIER, LATER -> moved++;
                case SAME -> {
                    // nothing to count
                }
            }
        }
        int first = Comparison.firstDifference(compared);
        String verdict = first < 0
                ? "Both do the same at the same times."
                : missing + " no longer happen, " + added + " are new, " + moved + " come earlier or later.";
        return new CompareView(key, fault, from, to, rows, first, verdict);
    }

    private static String words(Comparison.Row r) {
        return switch (r.kind()) {
            case SAME -> "";
            case ONLY_BEFORE -> "no longer happens";
            case ONLY_AFTER -> "new: " + r.after().because().text();
            case EARLIER -> Sequence.duration(r.before().micros() - r.after().micros()) + " earlier";
            case LATER -> Sequence.duration(r.after().micros() - r.before().micros()) + " later";
        };
    }
}
