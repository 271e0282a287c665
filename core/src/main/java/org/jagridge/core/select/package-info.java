/**
 * Chooses single components: relay, timer, lockout relay, current switch, sequencer, contactor, transformer and fuse,
 * conductor, sensor, heater. Each shows its working, and what can be tried is put together and run.
 */
package org.jagridge.core.select;
