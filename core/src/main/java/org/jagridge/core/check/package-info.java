/**
 * What is wrong, risky or worth knowing in a circuit, each with where, why and what to do.
 *
 * <p>Start at {@link org.jagridge.core.check.Check#findings}, which lists the looks that are taken: those at parts and
 * wires alone, which hold in every state, and those at what happens when the circuit's own scenarios are run. Each look
 * is a class of its own; what can be found is in {@link org.jagridge.core.check.FindingKind}. {@link
 * org.jagridge.core.check.DeadProof} says what must be open for a place to be dead, {@link
 * org.jagridge.core.check.Bypass} which safeties a link would go around.
 */
package org.jagridge.core.check;
