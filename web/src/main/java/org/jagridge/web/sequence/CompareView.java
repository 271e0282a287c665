package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Effect;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Comparison;
import org.jagridge.web.svg.Clock;

/**
 * Two runs side by side.
 *
 * @param first index of the first difference, or −1
 * @param verdict what is different on the whole; first what a heat pump does, where it does another thing
 */
record CompareView(List<Row> rows, int first, String verdict) {

    record Row(String kind, String before, String after, String title, String words, String part) {}

    /** @param change whether the second is what became of the first, rather than another circuit */
    static CompareView of(Run before, Run after, boolean change) {
        List<Comparison.Row> compared = Comparison.of(before, after);
        List<Row> rows = new ArrayList<>();
        int missing = 0;
        int added = 0;
        int moved = 0;
        for (Comparison.Row r : compared) {
            rows.add(new Row(
                    r.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    r.before() == null ? "" : Clock.of(r.before().micros()),
                    r.after() == null ? "" : Clock.of(r.after().micros()),
                    r.title(),
                    words(r, change),
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
                : missing + (change ? " no longer happen, " : " happen only on the left, ") + added
                        + (change ? " are new, " : " only on the right, ") + moved + " come earlier or later.";
        return new CompareView(rows, first, (air(before, after) + " " + verdict).strip());
    }

    private static String air(Run before, Run after) {
        Optional<Effect> one = Effect.of(before.circuit());
        Optional<Effect> other = Effect.of(after.circuit());
        if (one.isEmpty() || other.isEmpty()) {
            return "";
        }
        Effect.Air then = one.get().mostly(before);
        Effect.Air now = other.get().mostly(after);
        return then == now ? "" : "The heat pump " + words(then) + " on the left and " + words(now) + " on the right.";
    }

    private static String words(Effect.Air air) {
        return air == Effect.Air.NOTHING ? "does nothing" : air.words();
    }

    private static String words(Comparison.Row r, boolean change) {
        return switch (r.kind()) {
            case SAME -> "";
            case ONLY_BEFORE -> change ? "no longer happens" : "only on the left";
            case ONLY_AFTER ->
                (change ? "new: " : "only on the right: ") + r.after().because().text();
            case EARLIER -> Time.words(r.before().micros() - r.after().micros()) + " earlier";
            case LATER -> Time.words(r.after().micros() - r.before().micros()) + " later";
        };
    }
}
