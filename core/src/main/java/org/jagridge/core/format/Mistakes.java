package org.jagridge.core.format;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Problem;

/** The mistakes found so far. */
final class Mistakes {
    private final List<Problem> problems = new ArrayList<>();

    void at(String path, String message) {
        problems.add(new Problem(path, message));
    }

    int count() {
        return problems.size();
    }

    List<Problem> all() {
        return problems;
    }
}
