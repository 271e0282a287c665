/**
 * The meter: what it reads, and what the reading proves.
 *
 * <p>Start at {@link org.jagridge.core.meter.Meter}. A meter is a branch of the network: the reading is solved with it
 * in place, so a 10 MΩ meter sees ghosts that a low-impedance one does not ({@code Gauge}). The sentence beside a reading
 * is worked out from the display alone: {@code Fit} finds the worlds in which a meter would show that, {@code VoltsLook}
 * what it stands across in each of them, and {@code VoltsProof} says what they have in common. {@link
 * org.jagridge.core.meter.SheetProof} does the same for all lines of a sheet together.
 */
package org.jagridge.core.meter;
