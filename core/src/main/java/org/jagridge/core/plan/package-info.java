/**
 * Makes circuits. The wiring planner puts boards, cables and a thermostat together, runs what comes of it in every call,
 * and keeps what holds. No finished set-up is known here: {@code plan/boards.json} says what each terminal of a board
 * needs or gives, {@link org.jagridge.core.plan.Move moves} change a draft, and only a run disposes. Start reading at
 * {@link org.jagridge.core.plan.WiringPlanner}.
 *
 * <p>The interlock planner ({@link org.jagridge.core.plan.InterlockPlanner}) does the same with openings and heaters:
 * {@code plan/interlock.json} holds the techniques as pieces of circuits, and a proof with every single fault disposes.
 */
package org.jagridge.core.plan;
