package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Hold;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/** Every single fault that the parts and wires of a circuit can have, computed from what they are made of. */
public final class FaultList {
    private FaultList() {}

    public static List<Fault> faultsOf(Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        List<Fault> faults = new ArrayList<>();
        for (Assembly.Member m : assembly.members()) {
            if (m.part().fitted()) {
                assembly.branchesOf(m.part().id()).forEach(b -> ofBranch(b, faults));
                faults.addAll(PartTypes.catalogue().require(m.part()).ownFaults(m.part(), m.params()));
            }
        }
        for (Wire w : circuit.wires()) {
            faults.add(Fault.of(FaultKind.WIRE_OPEN, "wire", w.id()));
            faults.add(Fault.of(FaultKind.WIRE_EARTHED, "wire", w.id()));
            if (w.from().part().equals(w.to().part())) {
                faults.add(Fault.of(FaultKind.LINK_MISSING, "wire", w.id()));
            }
            if (w.run() == Wire.Run.FIELD) {
                faults.add(Fault.of(FaultKind.WIRE_RESISTIVE, "wire", w.id(), "ohms", 10));
                landedNextTo(w, assembly, faults);
            }
        }
        for (Assembly.Member m : assembly.members()) {
            List<String> at = PartTypes.catalogue().require(m.part()).terminals(m.params());
            if (at.contains("RH") && at.contains("RC")) {
                String part = m.part().id();
                faults.add(Fault.of(FaultKind.LINK, "between", List.of(part + ".RC", part + ".RH")));
            }
        }
        circuit.cables().forEach(c -> cores(circuit, c, faults));
        return faults;
    }

    /** The circuit that a fault makes of another; the same one where it doesn't change which wire goes where. */
    public static Circuit rewired(Circuit circuit, Fault fault) {
        return FaultEffects.changesCircuit(fault) ? FaultEffects.apply(circuit, List.of(fault)) : circuit;
    }

    /** Whether a fault changes which wire goes where. */
    public static boolean rewires(Fault fault) {
        return FaultEffects.changesCircuit(fault);
    }

    /**
     * Why a part can't have a defect, whatever it is wired to; empty where it can. What a wrong setting is set to is left
     * to the parameter's own declaration.
     */
    public static Optional<String> misfit(Part part, PartDefect defect) {
        Circuit.Builder b = Circuit.builder("alone");
        b.places().add(new Place(part.place(), part.place(), Place.Access.PANEL));
        b.parts().add(part);
        Assembly alone = Assembly.of(b.build());
        if (canHave(alone, part, defect)) {
            return Optional.empty();
        }
        Set<String> possible = new TreeSet<>();
        List<Fault> faults = faultsOf(alone.circuit());
        faults.stream().filter(f -> f.kind() == defect.kind()).forEach(f -> possible.add(f.words()));
        if (possible.isEmpty()) {
            faults.forEach(f -> possible.add(f.kind().word()));
        }
        return Optional.of(part.id() + ", a " + part.type() + ", can't have the fault " + defect.words()
                + "; it can have " + (possible.isEmpty() ? "none" : String.join(", ", possible)));
    }

    private static boolean canHave(Assembly alone, Part part, PartDefect defect) {
        if (defect instanceof PartDefect.WrongSetting) {
            return true;
        }
        if (defect instanceof PartDefect.ArmatureStuck) {
            return alone.branchesOf(part.id()).stream().anyMatch(b -> b.role() == Role.COIL);
        }
        if (!defect.holds().isEmpty()) {
            return defect.holds().stream()
                    .filter(h -> h.which() != Hold.Which.OPPOSITE)
                    .allMatch(h -> !FaultEffects.branches(alone, h).isEmpty());
        }
        PartType type = PartTypes.catalogue().require(part);
        return type.ownFaults(part, new Params(type.params(), part.params())).stream()
                .anyMatch(f -> f.defect().equals(defect));
    }

    private static void ofBranch(Branch b, List<Fault> faults) {
        String part = b.owner();
        switch (b.role()) {
            case COIL -> {
                faults.add(Fault.of(FaultKind.COIL_OPEN, "part", part));
                faults.add(Fault.of(FaultKind.COIL_SHORTED, "part", part));
                faults.add(Fault.of(FaultKind.ARMATURE_STUCK, "part", part));
            }
            case CONTACT -> {
                faults.add(Fault.of(FaultKind.CONTACT_OPEN, "part", part, "contact", b.label()));
                faults.add(Fault.of(FaultKind.CONTACT_WELDED, "part", part, "contact", b.label()));
                faults.add(Fault.of(FaultKind.CONTACT_RESISTIVE, "part", part, "contact", b.label(), "ohms", 8));
            }
            // blown or tripped by what is gone again
            case PROTECTION -> {
                if (b.isDrawn()) {
                    faults.add(Fault.of(FaultKind.CONTACT_OPEN, "part", part, "contact", b.label()));
                }
            }
            case PRIMARY -> faults.add(Fault.of(FaultKind.WINDING_OPEN, "part", part, "winding", "primary"));
            case SECONDARY -> faults.add(Fault.of(FaultKind.WINDING_OPEN, "part", part, "winding", "secondary"));
            case LOAD -> {
                boolean machine = b.shape() != Shape.BOX && b.shape() != Shape.CAPACITOR && b.isDrawn();
                if (machine
                        && faults.stream().noneMatch(f -> f.kind() == FaultKind.LOAD_OPEN && part.equals(f.part()))) {
                    faults.add(Fault.of(FaultKind.LOAD_OPEN, "part", part));
                    faults.add(Fault.of(FaultKind.LOAD_SHORTED, "part", part));
                }
            }
            default -> {}
        }
    }

    /** A field wire on the next terminal of the part it goes to: the commonest slip of a hand. */
    private static void landedNextTo(Wire w, Assembly assembly, List<Fault> faults) {
        assembly.member(w.to().part()).ifPresent(m -> {
            List<String> terminals = PartTypes.catalogue().require(m.part()).terminals(m.params());
            int next = terminals.indexOf(w.to().name()) + 1;
            if (next > 0 && next < terminals.size()) {
                String at = w.to().part() + "." + terminals.get(next);
                faults.add(Fault.of(FaultKind.LANDED, "wire", w.id(), "end", 1, "at", at));
            }
        });
    }

    /** Of the cores of one cable, any two may chafe through to each other; people swap those that lie side by side. */
    private static void cores(Circuit circuit, Cable cable, List<Fault> faults) {
        List<Wire> wires = circuit.wires().stream()
                .filter(w -> cable.id().equals(w.cable()))
                .sorted(Comparator.comparingInt(w -> cable.cores().indexOf(w.core())))
                .toList();
        for (int i = 1; i < wires.size(); i++) {
            Wire b = wires.get(i);
            faults.add(Fault.of(
                    FaultKind.SWAPPED, "wires", List.of(wires.get(i - 1).id(), b.id()), "end", 1));
            for (Wire a : wires.subList(0, i)) {
                List<String> between = List.of(a.to().toString(), b.to().toString());
                faults.add(Fault.of(FaultKind.SHORT, "between", between, "ohms", 0.1));
            }
        }
    }
}
