package org.jagridge.core.run;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** The parts that moved last: what is told where a machine doesn't come to rest. */
final class Recent {
    private static final int MOST = 8;

    private final Deque<String> moved = new ArrayDeque<>();

    void clear() {
        moved.clear();
    }

    void addAll(Recent other) {
        moved.addAll(other.moved);
    }

    void add(String part) {
        moved.addLast(part);
        if (moved.size() > 4 * MOST) {
            moved.removeFirst();
        }
    }

    /** The newest first, each once. */
    List<String> parts() {
        Set<String> parts = new LinkedHashSet<>();
        moved.descendingIterator().forEachRemaining(parts::add);
        return parts.stream().limit(MOST).toList();
    }

    /** "still moving: K1, K2", or nothing where none moved. */
    String words() {
        List<String> parts = parts();
        return parts.isEmpty() ? "" : "still moving: " + String.join(", ", parts);
    }
}
