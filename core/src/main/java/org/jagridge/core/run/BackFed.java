package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** Finds transformers that are switched off and yet live: fed backwards through a tie on their secondary side. */
final class BackFed {
    /** Volts on a primary from which it bites. */
    private static final double BITES = 30;
    /** A transformer that is fed forwards draws at least its no-load current. */
    private static final double FED_AMPS = 0.01;

    private BackFed() {}

    /** One problem for each transformer, at the first frame in which it is fed backwards. */
    static List<RunProblem> transformers(List<Frame> frames) {
        List<RunProblem> problems = new ArrayList<>();
        Set<String> known = new HashSet<>();
        for (Frame f : frames) {
            for (Branch b : f.assembly().branches()) {
                if (b.role() == Role.PRIMARY
                        && !known.contains(b.owner())
                        && f.volts(b) >= BITES
                        && f.amps(b) < FED_AMPS) {
                    known.add(b.owner());
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
}
