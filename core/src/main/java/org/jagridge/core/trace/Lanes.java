package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Run;

/** The lanes of a timing chart: what each part that moved did over time, in the order of the circuit. */
public record Lanes(List<Lane> lanes) {
    private static final Set<String> IDLE =
            Set.of("off", "out", "open", "none", "blank", "dead", "idle", "not fitted", "tripped", "blown", "burnt");

    /** One part's lane. @param load whether it is a load or coil, rather than a contact or control */
    public record Lane(String part, boolean load, List<Span> spans) {}

    /** A signal's value from one time to another, microseconds. */
    public record Span(long from, long to, String value, boolean active) {}

    /** Lanes of the parts whose main signal changed in the run. */
    public static Lanes of(Run run) {
        List<Lane> lanes = new ArrayList<>();
        Assembly assembly = run.frames().get(0).assembly();
        run.signals().forEach((part, steps) -> {
            if (steps.size() < 2) {
                return;
            }
            List<Span> spans = new ArrayList<>();
            for (int i = 0; i < steps.size(); i++) {
                long to = i + 1 < steps.size() ? steps.get(i + 1).micros() : run.until();
                String value = steps.get(i).value();
                spans.add(new Span(steps.get(i).micros(), to, value, isActive(value)));
            }
            lanes.add(new Lane(part, isLoad(assembly.branchesOf(part)), spans));
        });
        return new Lanes(lanes);
    }

    /** Whether a value of a main signal means that the part works, conducts or is pulled in. */
    public static boolean isActive(String value) {
        return !IDLE.contains(value);
    }

    private static boolean isLoad(List<Branch> branches) {
        return branches.stream().anyMatch(b -> b.role() == Role.LOAD || b.role() == Role.COIL);
    }
}
