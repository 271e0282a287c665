package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/**
 * Finds transformers whose own supply is off and that are live all the same: fed backwards through a tie on their
 * secondary side.
 */
public final class BackFed {
    /** Watts that a primary which takes any takes at least. */
    private static final double TAKES = 0.01;

    private BackFed() {}

    /** One problem for each transformer, at the first frame in which it is fed backwards. */
    static List<RunProblem> transformers(List<Frame> frames) {
        List<RunProblem> problems = new ArrayList<>();
        Set<String> known = new HashSet<>();
        for (Frame f : frames) {
            for (Branch b : f.backFed()) {
                if (known.add(b.owner())) {
                    String message = String.format(
                            Locale.ROOT,
                            "Danger: the primary of %s is switched off and yet live at %.0f V, fed backwards through its"
                                    + " secondary",
                            b.owner(),
                            f.volts(b));
                    problems.add(
                            new RunProblem("backfed-transformer", f.micros(), List.of(b.owner()), List.of(), message));
                }
            }
        }
        return problems;
    }

    /** Primaries whose own supply is off and that bite all the same. */
    static List<Branch> primaries(Frame f) {
        List<Branch> live = f.assembly().branches().stream()
                .filter(b -> b.role() == Role.PRIMARY && mayBe(b, f))
                .toList();
        if (live.isEmpty()) {
            return live;
        }
        Reach reach = new Reach(f);
        return live.stream().filter(b -> !hangsOnPoles(b, reach)).toList();
    }

    /** Whether a primary whose own supply is off bites all the same. */
    public static boolean is(Branch primary, Frame f) {
        return mayBe(primary, f) && !hangsOnPoles(primary, new Reach(f));
    }

    /** Live, without taking power from wherever it hangs. */
    private static boolean mayBe(Branch primary, Frame f) {
        return f.conducts(primary) && f.volts(primary) >= Frame.LIVE_VOLTS && !takes(primary, f);
    }

    private static boolean takes(Branch primary, Frame f) {
        Complex volts = f.ac().branchVolts(primary.index());
        return volts.times(f.acAmps(primary).conjugate()).re() > TAKES;
    }

    private static boolean hangsOnPoles(Branch primary, Reach reach) {
        return !reach.polesOf(primary.nodeA()).isEmpty()
                && !reach.polesOf(primary.nodeB()).isEmpty();
    }
}
