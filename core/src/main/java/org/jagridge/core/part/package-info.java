/**
 * What each part type does: the branches it puts between its terminals, its state, how it reacts to volts, time and
 * hands, which faults it can have, what its signal can show, and what it is ({@link org.jagridge.core.part.Trait}).
 *
 * <p>Start at {@link org.jagridge.core.part.PartTypes}, the register, and at one small type such as {@link
 * org.jagridge.core.part.Lamp} or {@link org.jagridge.core.part.Relay}; each type is one file. {@link
 * org.jagridge.core.part.Assembly} puts the parts and wires of one circuit together into a network; {@link
 * org.jagridge.core.part.Ways} and {@link org.jagridge.core.part.Groups} follow its connections.
 *
 * <p>A state is a small immutable value. Whatever it remembers of time is an {@link org.jagridge.core.part.Instant}, so
 * that {@link org.jagridge.core.part.Clocks} can move any state along the clock. No part sees another part's state except
 * through the network or through a link that its parameters name (a room, an opening). Volts and amps are RMS.
 */
package org.jagridge.core.part;
