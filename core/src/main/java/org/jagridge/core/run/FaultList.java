package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** Every single fault that the parts and wires of a circuit can have, computed from what they are made of. */
public final class FaultList {
    private FaultList() {}

    public static List<Fault> faultsOf(Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        List<Fault> faults = new ArrayList<>();
        for (Assembly.Member m : assembly.members()) {
            String part = m.part().id();
            for (Branch b : assembly.branchesOf(part)) {
                if (b.role() == Role.COIL) {
                    faults.add(Fault.of(FaultKind.COIL_OPEN, "part", part));
                } else if (b.role() == Role.CONTACT) {
                    faults.add(Fault.of(FaultKind.CONTACT_OPEN, "part", part, "contact", b.label()));
                    faults.add(Fault.of(FaultKind.CONTACT_WELDED, "part", part, "contact", b.label()));
                }
            }
        }
        circuit.wires().forEach(w -> faults.add(Fault.of(FaultKind.WIRE_OPEN, "wire", w.id())));
        return faults;
    }
}
