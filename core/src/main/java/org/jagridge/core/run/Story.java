package org.jagridge.core.run;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.part.Because;

/** Where a run stands: the time, what hands and faults are doing, and what has been told so far. */
final class Story {
    private static final int RECENT = 8;
    private static final int LONGEST_LOOP = 50;

    /** Microseconds. */
    long now;
    /** False while the circuit comes to rest at time 0, which isn't told. */
    boolean started;

    final Map<String, Map<String, Object>> inputs = new LinkedHashMap<>();
    /** Buttons that are pushed at this very instant, as PART.input. */
    final Set<String> pushed = new HashSet<>();

    final List<Fault> faults = new ArrayList<>();
    final Map<String, String> signals = new LinkedHashMap<>();
    final List<Event> events = new ArrayList<>();
    final List<RunProblem> problems = new ArrayList<>();

    /** Tells an event and adds it to what has just moved. */
    void emit(
            List<Causes.Moved> batch,
            String part,
            String signal,
            String from,
            String to,
            Because because,
            List<Integer> causedBy,
            CurrentPath.Path path) {
        if (!started) {
            return;
        }
        int index = events.size();
        events.add(new Event(index, now, part, signal, from, to, because, causedBy, path.owners(), path.backFeed()));
        batch.add(new Causes.Moved(part, List.of(index)));
    }

    /** The parts of the last events, the newest first. */
    List<String> recentlyMoved() {
        Set<String> parts = new LinkedHashSet<>();
        for (int i = events.size() - 1; i >= 0 && parts.size() < RECENT; i--) {
            parts.add(events.get(i).part());
        }
        return List.copyOf(parts);
    }

    /** Follows the causes back from the part's last change to its change before: the parts in between. */
    List<String> loopOf(String part) {
        Deque<String> loop = new ArrayDeque<>();
        int i = events.size() - 1;
        while (i >= 0 && !events.get(i).part().equals(part)) {
            i--;
        }
        for (int steps = 0; i >= 0 && steps < LONGEST_LOOP; steps++) {
            Event e = events.get(i);
            if (loop.isEmpty() || !loop.peekFirst().equals(e.part())) {
                loop.addFirst(e.part());
            }
            if (steps > 0 && e.part().equals(part)) {
                break;
            }
            i = e.causes().isEmpty() ? -1 : e.causes().get(0);
        }
        return List.copyOf(loop);
    }
}
