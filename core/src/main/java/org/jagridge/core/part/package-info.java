/**
 * The seam between what parts do and all who ask: what a {@link org.jagridge.core.part.PartType} declares of itself
 * ({@link org.jagridge.core.part.Trait}, signals, calls, faults), how it drives its branches ({@link
 * org.jagridge.core.part.Behaviour} by {@link org.jagridge.core.part.Stamp}, {@link org.jagridge.core.part.Moment} and
 * {@link org.jagridge.core.part.Reaction}), and the {@link org.jagridge.core.part.Assembly} that puts the parts and wires
 * of one circuit together into a network; {@link org.jagridge.core.part.Ways} and {@link org.jagridge.core.part.Groups}
 * follow its connections.
 *
 * <p>What types are made of is in {@code block}; the types, one file each, and their register are in {@code type}: start
 * there at a small one such as {@code Lamp} or {@code Relay}. Nobody outside {@code part} sees these two rooms.
 *
 * <p>A state is a small immutable value. Whatever it remembers of time is an {@link org.jagridge.core.part.Instant}, so
 * that {@link org.jagridge.core.part.Clocks} can move any state along the clock. No part sees another part's state except
 * through the network or through a link that its parameters name (a room, an opening). Volts and amps are RMS.
 */
package org.jagridge.core.part;
