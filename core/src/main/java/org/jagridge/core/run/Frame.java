package org.jagridge.core.run;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Temperature;

/** The state of a circuit from one instant to the next: every part's state and the solved network. */
public final class Frame {
    private final long micros;
    private final Assembly assembly;
    private final List<Object> states;
    private final Solution ac;
    private final Solution dc;
    private final Map<String, String> signals;
    private final Map<String, Object> inputs;

    Frame(
            long micros,
            Assembly assembly,
            List<Object> states,
            Solution ac,
            Solution dc,
            Map<String, String> signals,
            Map<String, Object> inputs) {
        this.micros = micros;
        this.assembly = assembly;
        this.states = states;
        this.ac = ac;
        this.dc = dc;
        this.signals = signals;
        this.inputs = inputs;
    }

    /** When this state began. */
    public long micros() {
        return micros;
    }

    public Assembly assembly() {
        return assembly;
    }

    /** The states of the parts in the order of the assembly's members. */
    public List<Object> states() {
        return states;
    }

    public Solution ac() {
        return ac;
    }

    /** The DC solution, or null for a circuit without DC sources. */
    public Solution dc() {
        return dc;
    }

    /** Main signals by part. */
    public Map<String, String> signals() {
        return signals;
    }

    /** Inputs by {@code PART.input}. */
    public Map<String, Object> inputs() {
        return inputs;
    }

    /**
     * The temperature of a room, of the weather or of a coil while this state lasts.
     *
     * @param now microseconds, not before this state began
     */
    @SuppressWarnings("unchecked")
    public OptionalDouble celsius(String part, long now) {
        return assembly.member(part)
                .filter(m -> m.behaviour() instanceof Temperature)
                .map(m -> OptionalDouble.of(((Temperature<Object>) m.behaviour()).celsius(states.get(m.index()), now)))
                .orElse(OptionalDouble.empty());
    }

    /** RMS volts across a branch. */
    public double volts(Branch branch) {
        double a = ac.branchMagnitude(branch.index());
        return dc == null ? a : Math.hypot(a, dc.branchMagnitude(branch.index()));
    }

    /** RMS AC volts between two nodes. */
    public double acVolts(int from, int to) {
        return ac.volts(from, to).abs();
    }

    /** RMS amps through a branch. */
    public double amps(Branch branch) {
        double a = ac.amps(branch.index()).abs();
        return dc == null ? a : Math.hypot(a, dc.amps(branch.index()).abs());
    }

    public Complex acAmps(Branch branch) {
        return ac.amps(branch.index());
    }

    /** Whether the branch conducts at all. */
    public boolean conducts(Branch branch) {
        return ac.values().conducts(branch.index())
                || (dc != null && dc.values().conducts(branch.index()));
    }
}
