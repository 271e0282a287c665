/**
 * Geometry of the drawings, computed from the circuit: where each line, symbol and text goes. No SVG here.
 *
 * <p>Start at {@link org.jagridge.core.drawing.LadderLayout#of} and {@link
 * org.jagridge.core.drawing.ConnectionLayout#of}. Both return plain records in pixels, origin top left, y down. What is
 * hot, idle or at fault is laid over the same geometry by whoever draws it, from a {@link org.jagridge.core.run.Frame}.
 *
 * <p>The ladder's steps: {@link org.jagridge.core.drawing.Nets} (what is one line) → sections, one a galvanic
 * component → rails → {@link org.jagridge.core.drawing.Flow} (the order in which current meets the nets, and their levels)
 * → {@link org.jagridge.core.drawing.Rungs} (chains, one a row) → {@link org.jagridge.core.drawing.RowOrder} (fewest
 * crossings) → lanes for the vertical lines → coordinates. By construction no two nets share a line segment and no vertical meets a symbol.
 *
 * <p>The connection diagram's steps: {@link org.jagridge.core.drawing.Placement} (where boxes and terminals lie: kept
 * from a hand's moves by {@link org.jagridge.core.drawing.KeptPlacement}, else by {@link
 * org.jagridge.core.drawing.RowPlacement}) → {@link org.jagridge.core.drawing.Glands} (where cables pass their frames) →
 * {@link org.jagridge.core.drawing.CableRouter} (bundles) → {@link org.jagridge.core.drawing.WireRouter} (the wires, on a
 * {@link org.jagridge.core.drawing.Lattice}) → pixels. {@link
 * org.jagridge.core.drawing.Sheets} cuts either drawing for paper.
 */
package org.jagridge.core.drawing;
