package org.jagridge.core.prove;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;

/**
 * How a rule is broken, in as few steps as do: whoever does the same from the start sees it too.
 *
 * @param faults that are there from the start
 * @param brokenAtSeconds when what is wrong has lasted so long that it breaks the rule
 */
public record Counterexample(List<Fault> faults, List<Step> steps, double brokenAtSeconds) {
    public Counterexample {
        faults = List.copyOf(faults);
        steps = List.copyOf(steps);
    }

    /** The same as a scenario that runs until a second after the rule is broken. */
    public Scenario scenario(String name) {
        return new Scenario(
                name,
                Map.of(),
                steps.stream()
                        .map(s -> new Scenario.Step(s.atSeconds(), s.set(), s.faults()))
                        .toList(),
                faults,
                brokenAtSeconds + 1);
    }
}
