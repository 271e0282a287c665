package org.jagridge.core.prove;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jagridge.core.circuit.Fault;

/**
 * What one single fault does to a rule.
 *
 * @param how how the rule is broken with it, or null
 * @param when a setting in which it shows: what differs from where everything begins, by {@code PART.input}; or null
 * @param second for a hidden fault: the faults that break the rule on top of it and don't alone, if that was searched
 */
public record FaultVerdict(Fault fault, Kind kind, Counterexample how, Map<String, Object> when, List<Second> second) {
    /** From the worst. */
    public enum Kind {
        /** The rule is broken. */
        HOT,
        /** What the rule watches doesn't work any more where it should. */
        COLD,
        /** Something else is seen to be otherwise. */
        SHOWS,
        /** Whatever is done, nothing is seen to be otherwise: it needs a test. */
        HIDDEN,
        /** Nothing was seen in the states that were searched, and there are more. */
        OPEN;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param how how the rule is broken with both faults; null where that isn't decided */
    public record Second(Fault fault, Counterexample how) {}

    FaultVerdict with(List<Second> more) {
        return new FaultVerdict(fault, kind, how, when, more);
    }
}
