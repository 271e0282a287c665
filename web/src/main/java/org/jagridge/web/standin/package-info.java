/**
 * A stand-in for the bridge of a wireless logging meter: a process of its own that reads a record's sheet over HTTP,
 * measures a simulated circuit with a fault of choice and seeded noise, and sends the readings as such a bridge would.
 */
package org.jagridge.web.standin;
