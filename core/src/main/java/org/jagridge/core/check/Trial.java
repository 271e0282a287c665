package org.jagridge.core.check;

import org.jagridge.core.circuit.Scenario;

/**
 * What was done to a circuit until something was seen in it. Whoever does the same from the start sees it too.
 *
 * @param hands what is set from the start, and when what else
 * @param micros the instant at which it was seen, microseconds
 */
public record Trial(Scenario hands, long micros) {}
