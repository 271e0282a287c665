package org.jagridge.core.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The values that a part's main signal can take, and which of them mean that it is at rest. A value is one of {@code
 * words}, or some of {@code items} in their order with blanks between.
 *
 * @param free whether it may be any words, as a verdict in words is
 * @param idle values that mean that the part doesn't work: doesn't conduct, isn't pulled in, lets nothing pass
 */
public record Signal(List<String> words, List<String> items, boolean free, Set<String> idle) {
    /** What every option that isn't fitted shows. */
    public static final String NOT_FITTED = "not fitted";

    private static final Set<String> AT_REST = Set.of(
            "off",
            "out",
            "open",
            "none",
            "blank",
            "dead",
            "idle",
            "free",
            NOT_FITTED,
            "tripped",
            "blown",
            "fuse-blown",
            "burnt",
            "stalled",
            "overload",
            "lockout");

    public Signal {
        words = List.copyOf(words);
        items = List.copyOf(items);
    }

    /** A part that shows nothing. */
    public static Signal none() {
        return of();
    }

    public static Signal of(String... words) {
        return new Signal(List.of(words), List.of(), false, AT_REST);
    }

    /** Some of {@code items} in their order; {@code words} say what there is where it is none of them. */
    public static Signal someOf(List<String> items, String... words) {
        return new Signal(List.of(words), items, false, AT_REST);
    }

    /** Any words. */
    public static Signal inWords() {
        return new Signal(List.of(), List.of(), true, AT_REST);
    }

    /** The same values, but only these mean that it is at rest: something that lets pass is at work when it is open. */
    public Signal restsOnlyAt(String... values) {
        return new Signal(words, items, free, Set.of(values));
    }

    /** Whether the part has a main signal at all. */
    public boolean isThere() {
        return free || !words.isEmpty() || !items.isEmpty();
    }

    public boolean isAtWork(String value) {
        return !idle.contains(value);
    }

    /** Why a value is none that it can take; empty for one that it can. */
    public Optional<String> mistakeIn(String value) {
        if (!isThere()) {
            return Optional.of("it shows nothing that could be \"" + value + "\"");
        }
        if (free || words.contains(value) || value.equals(NOT_FITTED) || isSome(value)) {
            return Optional.empty();
        }
        List<String> can = new ArrayList<>(words);
        if (!items.isEmpty()) {
            can.add("some of " + String.join(" ", items));
        }
        return Optional.of("it is never \"" + value + "\"; it can be " + String.join(", ", can));
    }

    private boolean isSome(String value) {
        int next = 0;
        for (String item : value.split(" ", -1)) {
            int at = items.subList(next, items.size()).indexOf(item);
            if (at < 0) {
                return false;
            }
            next += at + 1;
        }
        return true;
    }
}
