package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Stamp;

/** Writes what the branches of an assembly are, given the states of its parts and the faults that are there. */
final class Stamps {
    private Stamps() {}

    /** A stamp into two sets of values, with the wires written. */
    static Stamp begin(Assembly assembly, Values ac, Values dc, List<Fault> faults) {
        Stamp stamp = new Stamp(
                ac,
                dc,
                FaultEffects.forced(assembly, faults),
                FaultEffects.most(assembly, faults),
                FaultEffects.left(assembly, faults),
                assembly.hertz());
        for (Branch b : assembly.branches()) {
            if (b.isWire()) {
                stamp.resistance(b, ohms(assembly, b));
            }
        }
        return stamp;
    }

    private static double ohms(Assembly assembly, Branch wire) {
        return assembly.circuit().ohmsOf(assembly.circuit().wire(wire.owner()).orElseThrow());
    }

    /** Writes one part. */
    @SuppressWarnings("unchecked")
    static void write(Assembly.Member member, Object state, Stamp stamp) {
        ((Behaviour<Object>) member.behaviour()).stamp(state, stamp);
    }
}
