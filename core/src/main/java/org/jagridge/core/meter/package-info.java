/**
 * The meter: what it reads, and what the reading proves.
 *
 * <p>Start at {@link org.jagridge.core.meter.Meter}. A meter is a branch of the network: the reading is solved with it
 * in place, so a 10 MΩ meter sees ghosts that a low-impedance one does not. The sentence beside a reading is computed
 * from how each lead is connected (hard to a pole, through a load, to nothing), never looked up.
 */
package org.jagridge.core.meter;
