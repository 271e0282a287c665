/**
 * What a circuit does: from any situation under any act, and over time under a scenario.
 *
 * <p>Start at {@link org.jagridge.core.run.Engine}. A {@link org.jagridge.core.run.Configuration} is everything that a
 * circuit at rest can differ in; {@link org.jagridge.core.run.Engine#advance} goes on from one by an {@link
 * org.jagridge.core.run.Act}. The step: do what hands and faults do, let every part react to the volts it sees, solve
 * again, and so on until nothing changes at that instant; then the clock goes to the next instant at which a part wants
 * to be asked.
 *
 * <p>{@link org.jagridge.core.run.Simulation#run} runs a scenario and tells it: somebody looks on and makes of each change
 * an {@link org.jagridge.core.run.Event}, whose cause and current path are worked out when asked for; the state after
 * each instant is kept as a {@link org.jagridge.core.run.Frame}, so that any reading at any time can be asked for
 * afterwards. A run is a pure function of circuit and scenario; {@link org.jagridge.core.run.Simulation#resume} gives the
 * same run sooner where an earlier one began alike.
 */
package org.jagridge.core.run;
