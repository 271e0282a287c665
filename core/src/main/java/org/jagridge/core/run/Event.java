package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.part.Because;

/**
 * One change in a run.
 *
 * @param micros when, from the start of the run
 * @param part the part that changed, or the wire a fault sits in
 * @param signal its id for the main signal, {@code PART.input} for an input, {@code PART.fault} for a fault
 * @param because why
 * @param causes indices of the events whose switching led to this one
 * @param path parts and wires from the source's hot pole through the load and back; empty where no current decides
 * @param backFeed whether the path runs through another load or comes from a second supply
 */
public record Event(
        int index,
        long micros,
        String part,
        String signal,
        String from,
        String to,
        Because because,
        List<Integer> causes,
        List<String> path,
        boolean backFeed) {
    public Event {
        causes = List.copyOf(causes);
        path = List.copyOf(path);
    }

    /** Whether a hand or the world did this, rather than a part. */
    public boolean isInput() {
        return !signal.equals(part);
    }
}
