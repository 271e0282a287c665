package org.jagridge.core.part;

import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.network.Complex;

/** What one part can see at one instant: its inputs, the volts at its branches, the time, its faults, its links. */
public interface Moment {
    Instant now();

    /** The instant {@code span} microseconds from now. */
    default Instant after(long span) {
        return now().plus(span);
    }

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
        return Complex.length(acVolts(branch), dcVolts(branch));
    }

    /** RMS amps of AC and DC together. */
    default double amps(Branch branch) {
        return Complex.length(acAmps(branch).abs(), dcAmps(branch));
    }

    /** The part's fault of that kind that is there now, or null. */
    <D extends PartDefect> D fault(Class<D> kind);

    /** The main signal of another part. */
    String signalOf(String part);

    /** Whether another part is at work, by {@link org.jagridge.core.circuit.Signal#isAtWork}; false for one without a main signal. */
    boolean isAtWork(String part);

    /** Temperature of a part that has one (a room, the outdoors, a coil). */
    double celsiusOf(String part);

    /** When that temperature next reaches {@code target}, or {@link Instant#NEVER}. */
    Instant whenCelsius(String part, double target);

    /** A number that another part shows or is set to, like its {@code celsius}. */
    double numberOf(String part, String name);

    /** What an input of another part is set to, or null where it has no such input. */
    String wordOf(String part, String input);

    /** Whether a flag among the inputs of another part is set. */
    boolean isSet(String part, String input);

    /** Whether a condition over the circuit's signals holds now. */
    default boolean holds(Condition condition) {
        return condition.holds(new Condition.Signals() {
            @Override
            public String word(String part) {
                return signalOf(part);
            }

            @Override
            public double number(String part, String name) {
                return numberOf(part, name);
            }
        });
    }

    /** Whether the world is in that condition at this part, like {@code low-charge}. */
    default boolean condition(String name) {
        PartDefect.World world = fault(PartDefect.World.class);
        return world != null && name.equals(world.condition());
    }

    /** A branch of another part by its label, whose volts can be asked for; null where there is none. */
    Branch branchOf(String part, String label);

    /** A branch of the circuit's wiring, by wire id; null where there is no such wire. */
    Branch wire(String id);
}
