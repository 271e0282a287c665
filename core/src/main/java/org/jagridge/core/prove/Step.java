package org.jagridge.core.prove;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;

/**
 * One step on the way to a broken rule: what is set at one instant, and what begins or goes away.
 *
 * @param set by {@code PART.input}
 */
public record Step(double atSeconds, Map<String, Object> set, List<Fault> faults) {}
