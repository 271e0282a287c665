package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.HEAT_WITH_OPENING;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;

/** Each opening moved in the middle of each call: where one stops heat at all, it must do so wherever it stands. */
final class OpeningTrials {
    /** When an opening is looked at while it moves. */
    private static final long ON_ITS_WAY = 5 * Time.SECOND;
    /** By when it stands. */
    private static final long STANDS = 120 * Time.SECOND;

    private final Wiring wiring;
    private final Findings findings;
    private final Work work;

    /** What heats at a place, and how the opening came there. */
    private record Seen(Set<String> heats, Course course) {}

    OpeningTrials(Wiring wiring, Findings findings, Work work) {
        this.wiring = wiring;
        this.findings = findings;
        this.work = work;
    }

    void look(List<Running> running) {
        wiring.parts(Trait.OPENING)
                .forEach(m -> running.stream()
                        .filter(r -> !r.heats().isEmpty())
                        .forEach(r -> opening(m.part().id(), r)));
    }

    private void opening(String id, Running r) {
        Map<String, Seen> seen = new LinkedHashMap<>();
        Course open = moved(r.course(), id, "open", "on its way", "open", seen, r);
        moved(open, id, "half", "on its way back", "half open", seen, r);
        Course byHand = r.course().set(id, "movedBy", "hand");
        moved(byHand, id, "open", "moved by hand", "open, moved by hand", seen, r);
        moved(byHand, id, "half", "moved by hand", "half open, moved by hand", seen, r);
        boolean stopsSome = seen.values().stream().anyMatch(s -> !s.heats().containsAll(r.heats()));
        seen.forEach((where, s) -> {
            if (stopsSome && s.heats().containsAll(r.heats())) {
                findings.tried(
                        HEAT_WITH_OPENING,
                        id,
                        id + " " + where + " in the call \"" + r.name() + "\": " + Work.listed(s.heats()) + " heats.",
                        s.course().trial());
            }
        });
    }

    private Course moved(
            Course from,
            String opening,
            String target,
            String moving,
            String there,
            Map<String, Seen> seen,
            Running r) {
        Course onItsWay = from.set(opening, "target", target).after(ON_ITS_WAY);
        seen.putIfAbsent(moving, seen(onItsWay, r));
        Course stands = onItsWay.after(STANDS);
        seen.put(there, seen(stands, r));
        return stands;
    }

    private Seen seen(Course course, Running r) {
        Set<String> heats = new TreeSet<>(work.heats(course.frame()));
        heats.retainAll(r.heats());
        return new Seen(heats, course);
    }
}
