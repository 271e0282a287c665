package org.jagridge.core.part;

import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.network.Complex;

/** What one part can see at one instant: its inputs, the volts at its branches, the time, its faults, its links. */
public interface Moment {
    /** Microseconds from the start of the run. */
    long now();

    double number(String input);

    String word(String input);

    boolean flag(String input);

    /** Whether a momentary input is being pushed right now. */
    boolean pushed(String input);

    /** AC volts across a branch, magnitude. */
    double acVolts(Branch branch);

    /** DC volts across a branch, signed. */
    double dcVolts(Branch branch);

    /** AC amps through a branch as a phasor, from its first end to its second. */
    Complex acAmps(Branch branch);

    /** DC amps through a branch, signed. */
    double dcAmps(Branch branch);

    /** RMS volts of AC and DC together. */
    default double volts(Branch branch) {
        return Math.hypot(acVolts(branch), dcVolts(branch));
    }

    /** RMS amps of AC and DC together. */
    default double amps(Branch branch) {
        return Math.hypot(acAmps(branch).abs(), dcAmps(branch));
    }

    /** The part's fault of that kind that is there now, or null. */
    Fault fault(FaultKind kind);

    /** The main signal of another part. */
    String signalOf(String part);

    /** Temperature of a part that has one (a room, the outdoors, a coil). */
    double celsiusOf(String part);

    /** When that temperature next reaches {@code target}, in microseconds, or {@link Reaction#NEVER}. */
    long whenCelsius(String part, double target);

    /** A branch of the circuit's wiring, by wire id. */
    Branch wire(String id);
}
