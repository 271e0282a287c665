package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Branch;

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

    /** Whether a primary whose own supply is off bites all the same. */
    public static boolean is(Branch primary, Frame f) {
        return f.conducts(primary) && f.volts(primary) >= Frame.LIVE_VOLTS && !isFed(primary, f);
    }

    /** Both of its ends are on live poles, or it takes power from wherever it hangs. */
    private static boolean isFed(Branch primary, Frame f) {
        Complex volts = f.ac().branchVolts(primary.index());
        boolean takes = volts.times(f.acAmps(primary).conjugate()).re() > TAKES;
        if (takes) {
            return true;
        }
        Reach reach = new Reach(f);
        return !reach.polesOf(primary.nodeA()).isEmpty()
                && !reach.polesOf(primary.nodeB()).isEmpty();
    }
}
