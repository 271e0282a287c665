package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.RESTARTS_AFTER_POWER;
import static org.jagridge.core.check.FindingKind.SAFETY_BYPASSED;
import static org.jagridge.core.check.FindingKind.SAFETY_IN_WRONG_LINE;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;

/** Each safety opened in the middle of each call: it has to stop something, what heats or cools before the air. */
final class SafetyTrials {
    /** How long what was opened is watched. */
    private static final long WATCHED = 30 * Time.SECOND;
    /** And how much longer where it has stopped nothing by then. */
    private static final long LATE = 150 * Time.SECOND;
    /** How long something may take to start again. */
    private static final long RESTARTS = 600 * Time.SECOND;

    private static final List<Long> AWAY = List.of(Time.SECOND, 10 * Time.SECOND, 600 * Time.SECOND);

    private final Wiring wiring;
    private final Findings findings;
    private final Work work;

    SafetyTrials(Wiring wiring, Findings findings, Work work) {
        this.wiring = wiring;
        this.findings = findings;
        this.work = work;
    }

    void look(List<Running> running) {
        wiring.parts(Trait.SAFETY).forEach(m -> safety(m, running));
    }

    private void safety(Assembly.Member m, List<Running> running) {
        String id = m.part().id();
        boolean wired = wiring.assembly().branchesOf(id).stream()
                .filter(b -> b.role() == Role.CONTACT && b.isDrawn())
                .allMatch(this::isWired);
        if (!wired || running.stream().allMatch(r -> r.works().isEmpty())) {
            return;
        }
        boolean stops = false;
        Running goesOn = null;
        Course open = null;
        for (Running r : running) {
            Course tripped = r.course().set(id, "tripped", true).after(WATCHED);
            Set<String> still = r.stillAtWork(work, tripped);
            if (!still.equals(r.works())) {
                stops = true;
                onlyTheAir(m, r, tripped, still);
                restarts(m, r, tripped, still);
            } else if (stopsLater(r, tripped)) {
                stops = true;
            } else if (goesOn == null && !r.works().isEmpty()) {
                goesOn = r;
                open = tripped;
            }
        }
        if (!stops && goesOn != null) {
            boolean wire = wiring.joined(id, "1", id, "2");
            findings.shown(
                    SAFETY_BYPASSED,
                    id,
                    named(m) + (wire ? " is bypassed, a wire joins its two terminals" : " stops nothing")
                            + ": opened in the call \"" + goesOn.name() + "\", " + Work.listed(goesOn.works())
                            + " goes on; so it is in every other call.",
                    open.trial());
        }
    }

    /** A sequencer or a timer may let go late; what would have stopped by itself in that time proves nothing. */
    private boolean stopsLater(Running r, Course tripped) {
        Set<String> untouched = r.stillAtWork(work, r.course().after(WATCHED + LATE));
        return !r.stillAtWork(work, tripped.after(LATE)).containsAll(untouched);
    }

    private static String named(Assembly.Member m) {
        return m.part().id() + " (" + m.part().title() + ")";
    }

    private boolean isWired(Branch b) {
        return wiring.isWired(b.a().part(), b.a().name()) && wiring.isWired(b.b().part(), b.b().name());
    }

    /** A safety in the fan's wire takes the air and lets what heats or cools go on. */
    private void onlyTheAir(Assembly.Member m, Running r, Course tripped, Set<String> still) {
        Set<String> stopped = new TreeSet<>(r.works());
        stopped.removeAll(still);
        Set<String> goOn = heatAndCold(tripped.frame());
        goOn.retainAll(still);
        boolean airOnly = work.movesAir(r.course().frame()).containsAll(stopped);
        if (airOnly && !goOn.isEmpty() && work.movesAir(tripped.frame()).isEmpty()) {
            findings.tried(
                    SAFETY_IN_WRONG_LINE,
                    m.part().id(),
                    named(m) + " stops only the air: opened in the call \"" + r.name() + "\", " + Work.listed(stopped)
                            + " stops and " + Work.listed(goOn) + " goes on.",
                    tripped.trial());
        }
    }

    private Set<String> heatAndCold(Frame f) {
        Set<String> both = work.heats(f);
        both.addAll(work.compressors(f));
        return both;
    }

    /** What stays off although the safety has closed again had its reason; power that comes back mustn't be one. */
    private void restarts(Assembly.Member m, Running r, Course tripped, Set<String> still) {
        String id = m.part().id();
        Course mended = tripped.set(id, "tripped", false).after(RESTARTS);
        Set<String> off = heatAndCold(r.course().frame());
        off.retainAll(r.works());
        off.removeAll(still);
        off.removeAll(work.all(mended.frame()));
        if (off.isEmpty()) {
            return;
        }
        List<String> times = new ArrayList<>();
        Set<String> starts = new TreeSet<>();
        Course seen = null;
        for (long away : AWAY) {
            Course back = mended.set(mains(false)).after(away).set(mains(true)).after(RESTARTS);
            Set<String> again = work.all(back.frame());
            again.retainAll(off);
            if (!again.isEmpty()) {
                times.add(Time.words(away));
                starts.addAll(again);
                seen = seen == null ? back : seen;
            }
        }
        if (seen != null) {
            findings.tried(
                    RESTARTS_AFTER_POWER,
                    id,
                    Work.listed(starts) + ", which " + named(m) + " had stopped in the call \"" + r.name()
                            + "\" and which stayed off, starts by itself when the power has been away for "
                            + String.join(", ", times) + ".",
                    seen.trial());
        }
    }

    private Map<Input, Object> mains(boolean on) {
        Map<Input, Object> set = new LinkedHashMap<>();
        wiring.parts(Trait.MAINS).forEach(m -> set.put(new Input(m.part().id(), "on"), on));
        return set;
    }
}
