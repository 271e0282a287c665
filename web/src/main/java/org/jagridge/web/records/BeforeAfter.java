package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jagridge.core.part.Numbers;

/**
 * Two records of one check sheet beside each other, as before and after a repair. It says what the readings show, and
 * nothing of what was repaired.
 *
 * @param lines those of the later sheet, then those that only the earlier one has
 * @param says in short what has changed, the worst first
 */
record BeforeAfter(List<Line> lines, List<Said> says) {
    /** A sentence, and whether something is still to be done about it. */
    record Said(String words, boolean open) {}

    /**
     * @param rangeBefore what was right by the earlier sheet, where that was something else; else empty
     * @param before what was measured, empty for nothing
     */
    record Line(
            SheetView.Line of,
            String rangeBefore,
            String before,
            boolean wrongBefore,
            String after,
            boolean wrongAfter,
            Change change) {}

    /** What became of a line. */
    enum Change {
        WORSE("right before, out of range now", "look there before anything else", true),
        STILL_WRONG("out of range both times", "", true),
        WRONG_NOW("out of range now, not measured before", "", true),
        LEFT("out of range before, not measured again", "measure it before hand-over", true),
        MENDED("out of range before, right now", "", false),
        RIGHT("right both times", "", false),
        RIGHT_NOW("right now, not measured before", "", false),
        RIGHT_BEFORE("right before, not measured again", "", false),
        NEVER("not measured", "", false);

        private final String words;
        private final String advice;
        private final boolean open;

        Change(String words, String advice, boolean open) {
            this.words = words;
            this.advice = advice;
            this.open = open;
        }

        public String words() {
            return words;
        }

        public boolean isOpen() {
            return open;
        }

        /** From what was right: null for what wasn't measured. */
        static Change of(Boolean before, Boolean after) {
            if (before == null) {
                return after == null ? NEVER : after ? RIGHT_NOW : WRONG_NOW;
            }
            if (after == null) {
                return before ? RIGHT_BEFORE : LEFT;
            }
            return before ? (after ? RIGHT : WORSE) : after ? MENDED : STILL_WRONG;
        }
    }

    /** A record: its sheet as shown, and the newest value of each line. */
    record Side(SheetView sheet, List<RecordService.Shown> values) {
        private Map<String, RecordService.Shown> byLine() {
            Map<String, RecordService.Shown> map = new HashMap<>();
            values.forEach(v -> map.put(v.line(), v));
            return map;
        }

        private Map<String, SheetView.Line> lines() {
            Map<String, SheetView.Line> map = new LinkedHashMap<>();
            sheet.sections().forEach(s -> s.lines().forEach(l -> map.put(l.key(), l)));
            return map;
        }
    }

    static BeforeAfter of(Side before, Side after) {
        Map<String, SheetView.Line> was = before.lines();
        Map<String, SheetView.Line> all = new LinkedHashMap<>(after.lines());
        was.forEach(all::putIfAbsent);
        Map<String, RecordService.Shown> then = before.byLine();
        Map<String, RecordService.Shown> now = after.byLine();
        List<Line> lines = new ArrayList<>();
        all.forEach((key, line) -> {
            RecordService.Shown b = then.get(key);
            RecordService.Shown a = now.get(key);
            String range = was.containsKey(key) ? was.get(key).range() : line.range();
            lines.add(new Line(
                    line,
                    range.equals(line.range()) ? "" : range,
                    value(b, line),
                    b != null && !b.right(),
                    value(a, line),
                    a != null && !a.right(),
                    Change.of(b == null ? null : b.right(), a == null ? null : a.right())));
        });
        return new BeforeAfter(lines, says(lines));
    }

    private static String value(RecordService.Shown shown, SheetView.Line line) {
        return shown == null ? "" : Numbers.plain(shown.value()) + " " + line.unit();
    }

    private static List<Said> says(List<Line> lines) {
        List<Said> says = new ArrayList<>();
        for (Change c : Change.values()) {
            List<Line> such = lines.stream().filter(l -> l.change() == c).toList();
            if ((c.open || c == Change.MENDED) && !such.isEmpty()) {
                says.add(new Said(
                        numbers(such) + ": " + c.words + (c.advice.isEmpty() ? "." : "; " + c.advice + "."), c.open));
            }
        }
        long right = lines.stream()
                .filter(l -> !l.after().isEmpty() && !l.wrongAfter())
                .count();
        if (right == lines.size()) {
            says.add(new Said("All " + lines.size() + " lines are right now.", false));
        } else if (right > 0) {
            says.add(new Said(right + " of " + lines.size() + " lines are right now.", false));
        }
        return says;
    }

    private static String numbers(List<Line> lines) {
        return (lines.size() == 1 ? "Line " : "Lines ")
                + lines.stream().map(l -> String.valueOf(l.of().number())).collect(Collectors.joining(", "));
    }
}
