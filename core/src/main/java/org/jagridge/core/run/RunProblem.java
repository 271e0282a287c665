package org.jagridge.core.run;

import java.util.List;

/**
 * Something a run came across that isn't an event.
 *
 * @param code like {@code chatter}
 * @param parts the parts concerned
 * @param loop the parts that keep each other moving, or empty
 */
public record RunProblem(String code, long micros, List<String> parts, List<String> loop, String message) {
    public RunProblem {
        parts = List.copyOf(parts);
        loop = List.copyOf(loop);
    }
}
