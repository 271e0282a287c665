package org.jagridge.core.run;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Temperature;

/** The state of a circuit from one instant to the next: every part's state and the solved network. Immutable. */
public final class Frame {
    /** What a low-impedance meter takes, and about what a hand does, mhos (3 kΩ). */
    public static final double BODY_MHOS = 1 / 3000.0;
    /** Volts to earth from which a terminal counts as live. */
    public static final double LIVE_VOLTS = 30;

    private final Configuration configuration;
    private final Teller.Mark mark;
    private final Assembly assembly;
    private final Solution ac;
    private final Solution dc;
    private Solution direct;
    private Map<String, String> signals;
    private Map<String, Object> inputs;
    private List<Branch> backFed;

    Frame(Configuration configuration) {
        this(configuration, null);
    }

    /** @param mark where the telling of a run stands here, or null */
    Frame(Configuration configuration, Teller.Mark mark) {
        this.configuration = configuration;
        this.mark = mark;
        assembly = configuration.variant.assembly;
        ac = configuration.ac;
        dc = configuration.dc;
    }

    Teller.Mark mark() {
        return mark;
    }

    /** Where the circuit stands: the engine goes on from there. */
    public Configuration configuration() {
        return configuration;
    }

    /** When this state began. */
    public long micros() {
        return configuration.now.micros();
    }

    public Assembly assembly() {
        return assembly;
    }

    public Solution ac() {
        return ac;
    }

    /** The DC solution, or null for a circuit without DC sources. */
    public Solution dc() {
        return dc;
    }

    /** Main signals by part. */
    @SuppressWarnings("unchecked")
    public synchronized Map<String, String> signals() {
        if (signals == null) {
            Map<String, String> map = new LinkedHashMap<>();
            for (Assembly.Member m : assembly.members()) {
                String signal = ((Behaviour<Object>) m.behaviour()).signal(state(m));
                if (signal != null) {
                    map.put(m.part().id(), signal);
                }
            }
            signals = Collections.unmodifiableMap(map);
        }
        return signals;
    }

    /** Primaries whose own supply is off and that are live all the same. */
    synchronized List<Branch> backFed() {
        if (backFed == null) {
            backFed = BackFed.primaries(this);
        }
        return backFed;
    }

    /** Inputs by {@code PART.input}. */
    public synchronized Map<String, Object> inputs() {
        if (inputs == null) {
            Map<String, Object> flat = new LinkedHashMap<>();
            for (Assembly.Member m : assembly.members()) {
                configuration
                        .inputs
                        .get(m.index())
                        .forEach((k, v) -> flat.put(m.part().id() + "." + k, v));
            }
            inputs = Collections.unmodifiableMap(flat);
        }
        return inputs;
    }

    private Object state(Assembly.Member m) {
        return configuration.states[m.index()];
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
                .map(m -> OptionalDouble.of(((Temperature<Object>) m.behaviour()).celsius(state(m), new Instant(now))))
                .orElse(OptionalDouble.empty());
    }

    /**
     * What a part waits for, besides volts at its terminals; null where there is nothing to say.
     *
     * @param now microseconds, not before this state began
     */
    @SuppressWarnings("unchecked")
    public String waitsFor(Assembly.Member m, long now) {
        return ((Behaviour<Object>) m.behaviour()).waitsFor(state(m), new Instant(now));
    }

    /**
     * The same state as if no part or wire had a fault; what a fault has already done to a part (burnt, locked) stays.
     * Faults that change which wire goes where stay, too.
     */
    public Frame sound() {
        if (configuration.faults.isEmpty()) {
            return this;
        }
        Values[] values = stamped(List.of());
        Solver solver = assembly.network().solver();
        return new Frame(configuration.solved(
                List.of(),
                solver.solveNear(ac, values[0]),
                !values[1].hasSource()
                        ? null
                        : dc == null ? solver.solve(values[1]) : solver.solveNear(dc, values[1])));
    }

    /** The network as direct current sees it, also where the circuit has no source of it: what ohms are read in. */
    public synchronized Solution direct() {
        if (direct == null) {
            direct = dc != null ? dc : assembly.network().solver().solve(stamped(configuration.faults)[1]);
        }
        return direct;
    }

    /** The values for AC and for DC. */
    private Values[] stamped(List<Fault> present) {
        Values forAc = new Values(assembly.network());
        Values forDc = new Values(assembly.network());
        Stamp stamp = Stamps.begin(assembly, forAc, forDc, present);
        assembly.members().forEach(m -> Stamps.write(m, state(m), stamp));
        return new Values[] {forAc, forDc};
    }

    /** RMS volts across a branch. */
    public double volts(Branch branch) {
        double a = ac.branchMagnitude(branch.index());
        return dc == null ? a : Complex.length(a, dc.branchMagnitude(branch.index()));
    }

    /** RMS AC volts between two nodes. */
    public double acVolts(int from, int to) {
        return ac.volts(from, to).abs();
    }

    /** DC volts between two nodes, without their sign. */
    public double dcVolts(int from, int to) {
        return dc == null ? 0 : dc.volts(from, to).abs();
    }

    /** RMS amps through a branch. */
    public double amps(Branch branch) {
        double a = ac.amps(branch.index()).abs();
        return dc == null ? a : Complex.length(a, dc.amps(branch.index()).abs());
    }

    /** Volts to earth that a load of 3 kΩ doesn't take away, AC and DC together. */
    public double voltsToEarth(int node) {
        if (node == Network.EARTH) {
            return 0;
        }
        double loaded = loadedToEarth(ac, node);
        return dc == null ? loaded : Complex.length(loaded, loadedToEarth(dc, node));
    }

    private double loadedToEarth(Solution solution, int node) {
        // what shows little without a load shows less with one
        double open = solution.volts(node, Network.EARTH).abs();
        return open < 1
                ? open
                : assembly.network()
                        .solver()
                        .loadedVolts(solution, node, Network.EARTH, BODY_MHOS)
                        .abs();
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
