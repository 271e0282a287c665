/**
 * Linear networks: nodes, branches, and their solution as phasors.
 *
 * <p>Start at {@link org.jagridge.core.network.Network}: its builder fixes the structure once (which nodes, which
 * branches, in which order to eliminate). {@link org.jagridge.core.network.Values} holds what changes with every
 * switch: one admittance and one source current a branch. {@link org.jagridge.core.network.Solver} turns the two into
 * a {@link org.jagridge.core.network.Solution}.
 *
 * <p>The equation is nodal, Y·v = i: Y in mhos (complex symmetric), v in volts to earth, i in amps into the node.
 * Earth is node {@link org.jagridge.core.network.Network#EARTH} and not part of the matrix. DC is the same with all
 * imaginary parts 0. All volts and amps are RMS.
 *
 * <table>
 * <caption>Two ways to factor</caption>
 * <tr><th>way</th><th>cost</th><th>when</th></tr>
 * <tr><td>sparse LDLᵀ without pivoting</td><td>linear in nodes for networks that are nearly trees</td><td>always
 * tried first</td></tr>
 * <tr><td>dense LU with pivoting (EJML)</td><td>cubic</td><td>when a pivot of the first is too small; counted in
 * {@link org.jagridge.core.network.Solver#denseFallbacks()}</td></tr>
 * </table>
 */
package org.jagridge.core.network;
