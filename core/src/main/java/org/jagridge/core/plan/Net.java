package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Terminals that must be joined, and what for. */
final class Net {
    final Line line;
    /** What one calls its conductors: the letter at the terminal where it begins. */
    final String letter;

    private final Set<String> ends = new LinkedHashSet<>();

    Net(Line line, String letter, String... ends) {
        this.line = line;
        this.letter = letter;
        this.ends.addAll(List.of(ends));
    }

    Net join(String... more) {
        ends.addAll(List.of(more));
        return this;
    }

    List<String> ends() {
        return new ArrayList<>(ends);
    }
}
