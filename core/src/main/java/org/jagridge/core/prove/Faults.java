package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.FaultList;

/** The single faults that a proof takes in: all that parts and wires can have, and a link across each contact that guards. */
final class Faults {
    private Faults() {}

    static List<Fault> of(Circuit circuit) {
        Set<Fault> faults = new LinkedHashSet<>(FaultList.faultsOf(circuit));
        Assembly assembly = Assembly.of(circuit);
        for (Assembly.Member m : assembly.members()) {
            if (m.part().fitted() && (m.is(Trait.FOLLOWS) || m.is(Trait.SAFETY) || m.is(Trait.PROVING))) {
                for (Branch b : assembly.branchesOf(m.part().id())) {
                    if (b.role() == Role.CONTACT && isWired(circuit, b)) {
                        faults.add(Fault.of(FaultKind.LINK, "between", List.of(b.a().toString(), b.b().toString())));
                    }
                }
            }
        }
        return new ArrayList<>(faults);
    }

    /** Whether wires lead to both ends of a contact. */
    static boolean isWired(Circuit circuit, Branch b) {
        return b.a() != null
                && b.b() != null
                && circuit.wires().stream().anyMatch(w -> w.from().equals(b.a()) || w.to().equals(b.a()))
                && circuit.wires().stream().anyMatch(w -> w.from().equals(b.b()) || w.to().equals(b.b()));
    }
}
