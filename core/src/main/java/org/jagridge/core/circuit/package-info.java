/**
 * The circuit as data: places, parts, terminals, wires and cables, with the scenarios that are run on it.
 *
 * <p>Start at {@link org.jagridge.core.circuit.Circuit}. Everything here is immutable and knows nothing of volts:
 * what a part <em>does</em> lives in {@code part}, what a whole circuit does over time in {@code run}.
 *
 * <p>Conventions: ids of places, parts, wires and cables share one name space; a {@link
 * org.jagridge.core.circuit.Terminal} is written {@code PART.TERMINAL}; the metalwork of a place is the terminal
 * {@code PLACE.PE}. Lengths are in metres, times in seconds, temperatures in degrees Celsius.
 */
package org.jagridge.core.circuit;
