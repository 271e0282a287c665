package org.jagridge.core.prove;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Rule;

/**
 * What the search says of one rule.
 *
 * @param standing whether it stands for every such circuit, and nobody wrote it for this one
 * @param holds whether it is not broken in any state that was searched
 * @param complete whether these are all states within the bound
 * @param states states at rest
 * @param bound how far was searched, in words
 * @param how how it is broken, or for a rule of the possible how that state is reached; null where it isn't
 * @param faults what each single fault does to it; empty where that wasn't asked
 */
public record Verdict(
        Rule rule,
        boolean standing,
        boolean holds,
        boolean complete,
        int states,
        String bound,
        Counterexample how,
        List<FaultVerdict> faults) {
    /** The faults of a kind. */
    public List<FaultVerdict> of(FaultVerdict.Kind kind) {
        return faults.stream().filter(f -> f.kind() == kind).toList();
    }

    Verdict with(List<FaultVerdict> others) {
        return new Verdict(rule, standing, holds, complete, states, bound, how, others);
    }

    /** The faults that break it. */
    public List<Fault> failsHot() {
        return of(FaultVerdict.Kind.HOT).stream().map(FaultVerdict::fault).toList();
    }
}
