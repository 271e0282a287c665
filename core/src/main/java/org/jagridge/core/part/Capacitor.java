package org.jagridge.core.part;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;

/** {@code capacitor}: single 1–2, or dual with HERM and FAN against C. Weak ones have half of what is printed. */
final class Capacitor extends PartType {
    private static final double WEAK = 0.5;

    Capacitor() {
        super(
                "capacitor",
                "Capacitor",
                "Shifts the current of a start winding. Holds its charge after the power is off.");
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
    public Behaviour<?> build(PartDraft draft) {
        List<Double> values = draft.params().numbers("microfarads");
        List<Branch> sections = new ArrayList<>();
        List<String> names = new ArrayList<>();
        if (draft.params().is("form", "single")) {
            sections.add(draft.branch("1", "2", "1-2", Role.LOAD, Shape.CAPACITOR, false));
            names.add("1-2");
        } else {
            sections.add(draft.branch("C", "HERM", "C-HERM", Role.LOAD, Shape.CAPACITOR, false));
            sections.add(draft.branch("C", "FAN", "C-FAN", Role.LOAD, Shape.CAPACITOR, false));
            names.addAll(List.of("HERM", "FAN"));
        }
        return new Sections(sections, names, values);
    }

    private record Sections(List<Branch> sections, List<String> names, List<Double> microfarads)
            implements Behaviour<List<Double>> {
        private List<Double> values(Moment m) {
            List<Double> now = new ArrayList<>();
            for (int i = 0; i < sections.size(); i++) {
                double printed = microfarads.get(Math.min(i, microfarads.size() - 1));
                double share = hit(m.fault(FaultKind.CAPACITOR_OPEN), i)
                        ? 0
                        : hit(m.fault(FaultKind.CAPACITOR_WEAK), i) ? WEAK : 1;
                now.add(printed * share);
            }
            return now;
        }

        private boolean hit(Fault fault, int section) {
            String named = fault == null ? null : fault.text(FaultKind.Detail.SECTION);
            return fault != null && (named == null || named.equals(names.get(section)));
        }

        @Override
        public List<Double> start(Moment m) {
            return values(m);
        }

        @Override
        public void stamp(List<Double> values, Stamp stamp) {
            for (int i = 0; i < sections.size(); i++) {
                stamp.capacitance(sections.get(i), values.get(i) * 1e-6);
            }
        }

        @Override
        public Reaction<List<Double>> react(List<Double> values, Moment m) {
            return Reaction.stay(values(m));
        }
    }
}
