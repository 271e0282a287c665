package org.jagridge.core.world;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** One of the states in which a circuit may be: with at most one fault that nobody knows of. Faults that make the same
 * state are one world.
 */
public final class World {
    private final List<Fault> faults;
    private final Frame frame;
    private Reach reach;

    World(Configuration configuration, List<Fault> faults) {
        this.faults = List.copyOf(faults);
        frame = configuration.frame();
    }

    /** Which faults make it; one of them is there, unless the circuit {@link #isSound}. */
    public List<Fault> faults() {
        return faults;
    }

    /** Whether it is the circuit without a hidden fault (which some faults may look like). */
    public boolean isSound() {
        return faults.isEmpty();
    }

    public Frame frame() {
        return frame;
    }

    /** What is joined to what in it. */
    public synchronized Reach reach() {
        if (reach == null) {
            reach = new Reach(frame);
        }
        return reach;
    }
}
