package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Fixed;

/** {@code capacitor}: single 1–2, or dual with HERM and FAN against C. */
final class Capacitor extends PartType {
    Capacitor() {
        super(
                "capacitor",
                "Capacitor",
                "Shifts the current of a start winding. Holds its charge after the power is off.");
    }

    @Override
    public String letters() {
        return "CAP";
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("form", "dual", "dual", "single"), Field.numbers("microfarads", List.of(40.0, 5.0), "µF"));
    }

    @Override
    public List<String> terminals(Params params) {
        return params.is("form", "single") ? List.of("1", "2") : List.of("C", "HERM", "FAN");
    }

    @Override
    public List<String> cautions() {
        return List.of("Discharge it, then prove it dead, before you touch or measure it.");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        List<String> sections = params.is("form", "single") ? List.of("1-2") : List.of("HERM", "FAN");
        List<Fault> faults = new ArrayList<>(each(part, FaultKind.CAPACITOR_OPEN, "section", sections));
        faults.addAll(each(part, FaultKind.CAPACITOR_WEAK, "section", sections));
        return faults;
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.HOLDS_CHARGE);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("C", "HERM", "FAN");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Double> printed = draft.params().numbers("microfarads");
        List<Branch> sections = new ArrayList<>();
        if (draft.params().is("form", "single")) {
            sections.add(draft.branch("1", "2", "1-2", Role.LOAD, Shape.CAPACITOR, false));
        } else {
            sections.add(draft.branch("C", "HERM", "C-HERM", Role.LOAD, Shape.CAPACITOR, false));
            sections.add(draft.branch("C", "FAN", "C-FAN", Role.LOAD, Shape.CAPACITOR, false));
        }
        return new Fixed(stamp -> {
            for (int i = 0; i < sections.size(); i++) {
                stamp.capacitance(sections.get(i), printed.get(Math.min(i, printed.size() - 1)) * 1e-6);
            }
        });
    }
}
