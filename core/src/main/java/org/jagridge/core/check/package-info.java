/**
 * What can be said against a circuit without standing in front of it: findings, and the proof that a place is dead.
 *
 * <p>Start at {@link org.jagridge.core.check.Check#findings} and {@link org.jagridge.core.check.DeadProof#of}. Some
 * findings follow from the wiring alone ({@link org.jagridge.core.check.WiringChecks}, {@link
 * org.jagridge.core.check.SupplyChecks}), some only show when the circuit's own scenarios are run ({@link
 * org.jagridge.core.check.RunChecks}). Each has a code, where, why and what to do.
 */
package org.jagridge.core.check;
