/**
 * The open file format: circuits, scenarios and faults as JSON, in and out.
 *
 * <p>Start at {@link org.jagridge.core.format.CircuitReader}: text in, either a checked {@link
 * org.jagridge.core.circuit.Circuit} or all mistakes at once out. The structure is checked by the published schema
 * ({@code /schema/jagridge-circuit-1.json}), the meaning (ids, terminals, parameters) against the catalogue.
 */
package org.jagridge.core.format;
