/**
 * Simulation: what a circuit does over time under a scenario.
 *
 * <p>Start at {@link org.jagridge.core.run.Simulation#run}. A run is a pure function of circuit and scenario. The loop:
 * take the earliest instant (a scheduled input or a part's wake-up), set what is set, let every part react to the
 * volts it sees, solve again, and so on until nothing changes at that instant. What a part changes becomes an {@link
 * org.jagridge.core.run.Event} with its cause and its current path; the state after each instant is kept as a {@link
 * org.jagridge.core.run.Frame}, so that any reading at any time can be asked for afterwards.
 */
package org.jagridge.core.run;
