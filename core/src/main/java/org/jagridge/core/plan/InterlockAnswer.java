package org.jagridge.core.plan;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.prove.Counterexample;
import org.jagridge.core.prove.Verdict;

/**
 * The plans for an interlock.
 *
 * @param plans from the best; each holds in every state that was searched
 * @param noWay openings for which nothing fits, with what would do
 */
public record InterlockAnswer(List<Plan> plans, List<Rejected> rejected, List<String> noWay) {

    /** @param why why it is there, in a sentence */
    public record Relay(String part, String coil, String contacts, String why) {}

    /** Something to buy; {@code count} after what is in stock. */
    public record Buy(String what, double count, String why) {}

    /**
     * A plan that holds.
     *
     * @param techniques by opening
     * @param undecided faults of which nothing was seen in the states that were searched, and there are more
     * @param stays states that stay open by design, and what the proof took for granted
     * @param metres of conductor out to the openings
     */
    public record Plan(
            int rank,
            String title,
            Map<String, String> techniques,
            Circuit circuit,
            List<Verdict> verdicts,
            List<Fault> failsHot,
            List<Fault> failsCold,
            List<Fault> hidden,
            List<Fault> undecided,
            List<Relay> relays,
            List<Buy> buy,
            List<String> steps,
            List<String> stays,
            double metres,
            String why) {}

    /** A plan that doesn't hold, with the shortest way to break it. */
    public record Rejected(
            String title,
            Map<String, String> techniques,
            String why,
            String rule,
            Circuit circuit,
            Counterexample how) {}
}
