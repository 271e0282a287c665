package org.jagridge.core.run;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Stamp;
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
    private final List<Fault> faults;

    Frame(
            long micros,
            Assembly assembly,
            List<Object> states,
            Solution ac,
            Solution dc,
            Map<String, String> signals,
            Map<String, Object> inputs,
            List<Fault> faults) {
        this.micros = micros;
        this.assembly = assembly;
        this.states = states;
        this.ac = ac;
        this.dc = dc;
        this.signals = signals;
        this.inputs = inputs;
        this.faults = faults;
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

    /** The faults that are there. */
    List<Fault> faults() {
        return faults;
    }

    /**
     * The same state as if no part or wire had a fault; what a fault has already done to a part (burnt, locked) stays.
     * Faults that change which wire goes where stay, too.
     */
    public Frame sound() {
        if (faults.isEmpty()) {
            return this;
        }
        Values[] values = stamped(List.of());
        Solver solver = new Solver(assembly.network());
        return new Frame(
                micros,
                assembly,
                states,
                solver.solve(values[0]),
                values[1].hasSource() ? solver.solve(values[1]) : null,
                signals,
                inputs,
                List.of());
    }

    /** The network as direct current sees it, also where the circuit has no source of it: what ohms are read in. */
    public Solution direct() {
        return dc != null ? dc : new Solver(assembly.network()).solve(stamped(faults)[1]);
    }

    /** The values for AC and for DC. */
    private Values[] stamped(List<Fault> present) {
        Values forAc = new Values(assembly.network());
        Values forDc = new Values(assembly.network());
        Stamp stamp = Stamps.begin(assembly, forAc, forDc, present);
        assembly.members().forEach(m -> Stamps.write(m, states.get(m.index()), stamp));
        return new Values[] {forAc, forDc};
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
