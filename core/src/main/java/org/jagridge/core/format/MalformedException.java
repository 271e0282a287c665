package org.jagridge.core.format;

import java.util.List;
import org.jagridge.core.circuit.Problem;

/** Something handed in has mistakes; carries all of them. */
public final class MalformedException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient List<Problem> problems;

    public MalformedException(List<Problem> problems) {
        super(problems.size() + " mistakes, the first at " + problems.get(0).path() + ": "
                + problems.get(0).message());
        this.problems = List.copyOf(problems);
    }

    public List<Problem> problems() {
        return problems;
    }
}
