package org.jagridge.core.run;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Stamp;

/** Writes what the branches of an assembly are, given the states of its parts and the faults that are there. */
final class Stamps {
    private Stamps() {}

    /** The wires of an assembly, in the order of the circuit, with their ohms, which no state changes. */
    private static final class Wires {
        final List<Branch> wires;
        final double[] ohms;

        Wires(Assembly assembly) {
            Circuit circuit = assembly.circuit();
            wires = assembly.branches().stream().filter(Branch::isWire).toList();
            ohms = circuit.wires().stream().mapToDouble(circuit::ohmsOf).toArray();
        }
    }

    /** A stamp into two sets of values, with the wires written. */
    static Stamp begin(Assembly assembly, Values ac, Values dc, List<Fault> faults) {
        Stamp stamp = of(assembly, ac, dc, faults);
        Wires wires = wires(assembly);
        for (int i = 0; i < wires.ohms.length; i++) {
            stamp.resistance(wires.wires.get(i), wires.ohms[i]);
        }
        return stamp;
    }

    /** A stamp into two sets of values, with nothing written. */
    private static Stamp of(Assembly assembly, Values ac, Values dc, List<Fault> faults) {
        return new Stamp(
                ac,
                dc,
                FaultEffects.forced(assembly, faults),
                FaultEffects.most(assembly, faults),
                FaultEffects.left(assembly, faults),
                assembly.hertz());
    }

    /** A stamp for other faults into what a stamp has written, with the wires and parts anew that the faults take hold of. */
    static Stamp change(Assembly assembly, Stamp from, Values ac, Values dc, List<Fault> faults, Object[] states) {
        Stamp to = of(assembly, ac, dc, faults);
        Set<String> parts = new HashSet<>();
        Wires wires = wires(assembly);
        to.heldOtherwise(from).forEach(i -> {
            Branch b = assembly.branches().get(i);
            if (b.isWire()) {
                to.resistance(b, wires.ohms[i - wires.wires.get(0).index()]);
            } else {
                parts.add(b.owner());
            }
        });
        for (String part : parts) {
            assembly.member(part).ifPresent(m -> write(m, states[m.index()], to));
        }
        return to;
    }

    private static Wires wires(Assembly assembly) {
        return assembly.kept(Wires.class, Wires::new);
    }

    /** Writes one part. */
    @SuppressWarnings("unchecked")
    static void write(Assembly.Member member, Object state, Stamp stamp) {
        ((Behaviour<Object>) member.behaviour()).stamp(state, stamp);
    }
}
