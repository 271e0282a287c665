/**
 * What a circuit can't do, whatever hands and the world do to it: rules, the search over its states, and the same again
 * with each single fault.
 *
 * <p>Start at {@link org.jagridge.core.prove.Prover}. On the way: {@link org.jagridge.core.prove.Hands} says what is
 * varied; {@link org.jagridge.core.prove.StateSearch} goes from rest to rest by single acts, and on from every instant on
 * the way to the depth that is asked for; {@link org.jagridge.core.prove.Watch} looks whether a rule holds all along;
 * {@link org.jagridge.core.prove.SliceProver} cuts a large circuit into the parts that one claim depends on. Nothing is claimed
 * beyond what was searched: every {@link org.jagridge.core.prove.Verdict} carries its bound in words.
 */
package org.jagridge.core.prove;
