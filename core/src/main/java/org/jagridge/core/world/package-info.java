/**
 * What may be the case: the circuit with no fault and with each single one, under the same hands and at the same time.
 *
 * <p>Start at {@link org.jagridge.core.world.Worlds}. Whoever says something of a circuit that somebody measures or looks
 * at says only what holds in every world that fits what was seen.
 */
package org.jagridge.core.world;
