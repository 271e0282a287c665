package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solver;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/**
 * The volts that a conductor which hangs on nothing takes from the cores beside it in its cable. Cores that follow each
 * other in the cable's list are neighbours, and the last and the first; they couple by C = 60 pF/m.
 *
 * <p>With a meter of g mhos to the other lead at V_m the floating conductor is at V = (Σ jωC·V_k + g·V_m) / (Σ jωC + g +
 * g_leak). Example: 6 m beside two cores at common, 26.6 V away from the other lead: ωC = 2·π·60 · 360 pF = 0.136 µS
 * each, so a 10 MΩ meter (0.1 µS) shows 25 V, and a 3 kΩ one shows 0.02 V.
 */
final class Ghost {
    private static final double FARADS_PER_METRE = 60e-12;

    private final Complex current;
    private final double mhos;
    private final Set<String> cores;

    private Ghost(Complex current, double mhos, Set<String> cores) {
        this.current = current;
        this.mhos = mhos;
        this.cores = cores;
    }

    /** The coupling of a node; empty for one that hangs on something, or that no cable leads to. */
    static Optional<Ghost> at(Frame frame, Reach reach, int node) {
        Assembly assembly = frame.assembly();
        if (node == Network.EARTH || reach.throughLoads(node) != null || isEarthed(reach, node)) {
            return Optional.empty();
        }
        Circuit circuit = assembly.circuit();
        double omega = 2 * Math.PI * assembly.hertz();
        Complex current = Complex.ZERO;
        double mhos = 0;
        Set<String> cores = new LinkedHashSet<>();
        for (Wire w : circuit.wires()) {
            Cable cable = cable(circuit, w);
            Branch own = branch(assembly, w);
            if (cable == null || own == null || !touches(own, node, reach)) {
                continue;
            }
            for (Wire beside : neighbours(circuit, cable, w)) {
                Branch other = branch(assembly, beside);
                boolean floats = other == null || reach.throughLoads(other.nodeA()) == null;
                if (!floats && !reach.joined(other.nodeA(), node)) {
                    // a broken core couples with the half that hangs at this end
                    double share = frame.conducts(own) ? 1 : 0.5;
                    double susceptance = omega * FARADS_PER_METRE * cable.lengthMetres() * share;
                    Complex volts = frame.ac().volts(other.nodeA(), Network.EARTH);
                    current = current.plus(volts.times(susceptance));
                    mhos += susceptance;
                    cores.add(beside.core() + " in " + cable.id());
                }
            }
        }
        return mhos == 0 ? Optional.empty() : Optional.of(new Ghost(current, mhos, cores));
    }

    private static boolean isEarthed(Reach reach, int node) {
        return reach.joined(node, Network.EARTH);
    }

    private static Cable cable(Circuit circuit, Wire w) {
        return circuit.cables().stream()
                .filter(k -> k.id().equals(w.cable()) && k.lengthMetres() != null)
                .findFirst()
                .orElse(null);
    }

    private static Branch branch(Assembly assembly, Wire w) {
        return assembly.branchesOf(w.id()).stream()
                .filter(Branch::isWire)
                .findFirst()
                .orElse(null);
    }

    private static boolean touches(Branch wire, int node, Reach reach) {
        return reach.joined(wire.nodeA(), node) || reach.joined(wire.nodeB(), node);
    }

    /** The wires in the cores beside a wire's. */
    private static List<Wire> neighbours(Circuit circuit, Cable cable, Wire w) {
        int n = cable.cores().size();
        int at = cable.cores().indexOf(w.core());
        Set<String> beside = new LinkedHashSet<>();
        if (at >= 0 && n > 1) {
            beside.add(cable.cores().get((at + 1) % n));
            beside.add(cable.cores().get((at + n - 1) % n));
        }
        List<Wire> wires = new ArrayList<>();
        circuit.wires().stream()
                .filter(o -> cable.id().equals(o.cable()) && beside.contains(o.core()))
                .forEach(wires::add);
        return wires;
    }

    /** Volts of the floating conductor against the other lead, with the meter across. */
    double volts(Complex otherLead, double meterMhos) {
        // V − V_m = (Σ jB·(V_k − V_m) − g_leak·V_m) / (Σ jB + g + g_leak)
        Complex pull = current.plus(otherLead.times(-mhos));
        Complex up = new Complex(-pull.im(), pull.re()).plus(otherLead.times(-Solver.ISLAND_LEAK));
        Complex down = new Complex(meterMhos + Solver.ISLAND_LEAK, mhos);
        return up.over(down).abs();
    }

    /** Which cores it comes from: "blue in TC and yellow in TC". */
    String from() {
        return String.join(" and ", cores);
    }
}
