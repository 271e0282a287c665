/**
 * What each part type does: the branches it puts between its terminals, its state, how it reacts to volts, time and
 * hands, and which faults it can have.
 *
 * <p>Start at {@link org.jagridge.core.part.PartTypes}, the register, and at one small type such as {@link
 * org.jagridge.core.part.Lamp} or {@link org.jagridge.core.part.Relay}; each type is one file. {@link
 * org.jagridge.core.part.Assembly} puts the parts and wires of one circuit together into a network.
 *
 * <p>A state is a small immutable value. No part sees another part's state except through the network or through a
 * link that its parameters name (a room, an opening). Times are microseconds from the start of the run; volts and
 * amps are RMS.
 */
package org.jagridge.core.part;
