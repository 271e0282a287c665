package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.FaultKind.Detail;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Stamp;

/**
 * What faults do, in two ways: some make another circuit (a wire landed elsewhere, a link, a wrong setting), some force
 * a branch of the present one (a broken wire, a welded contact). The rest are left to the part's own behaviour.
 */
final class FaultEffects {
    private static final double SHORTED_OHMS = 0.1;
    /** What a weak capacitor has left of what is printed on it. */
    private static final double WEAK = 0.5;

    private FaultEffects() {}

    static boolean changesCircuit(Fault fault) {
        return switch (fault.kind()) {
            case SHORT, LINK, SWAPPED, LANDED, LIFTED, TWISTED, LINK_MISSING, WIRE_EARTHED, WRONG_SETTING -> true;
            default -> false;
        };
    }

    /** The circuit that the faults make of {@code circuit}. */
    static Circuit apply(Circuit circuit, List<Fault> faults) {
        Circuit.Builder b = circuit.toBuilder();
        int added = 0;
        // hands take off what faults have put where it is
        List<Fault> handsLast = new ArrayList<>(faults);
        handsLast.sort(Comparator.comparing(f -> f.kind() == FaultKind.LIFTED || f.kind() == FaultKind.TWISTED));
        for (Fault fault : handsLast) {
            switch (fault.kind()) {
                case SHORT, LINK -> {
                    List<String> ends = fault.texts(Detail.BETWEEN);
                    b.wires()
                            .add(Wire.between(
                                    linkId(++added), Terminal.parse(ends.get(0)), Terminal.parse(ends.get(1))));
                }
                case WIRE_EARTHED -> {
                    Wire wire = wire(circuit, fault);
                    String place = placeOf(circuit, wire.from());
                    b.wires().add(Wire.between(linkId(++added), wire.from(), new Terminal(place, "PE")));
                }
                case SWAPPED -> {
                    List<String> ids = fault.texts(Detail.WIRES);
                    int end = (int) fault.number(Detail.END, 0);
                    Wire one = circuit.wire(ids.get(0)).orElseThrow();
                    Wire two = circuit.wire(ids.get(1)).orElseThrow();
                    replace(b, one.withEnd(end, two.end(end)));
                    replace(b, two.withEnd(end, one.end(end)));
                }
                case LANDED ->
                    replace(
                            b,
                            wire(circuit, fault)
                                    .withEnd((int) fault.number(Detail.END, 0), Terminal.parse(fault.text(Detail.AT))));
                case LIFTED -> {
                    Wire wire = wire(circuit, fault);
                    Terminal off = Terminal.parse(fault.text(Detail.AT));
                    new BareEnd(wire.id(), endAt(wire, off)).takeOff(b, placeOf(circuit, off));
                }
                case TWISTED -> twist(b, circuit, fault);
                case LINK_MISSING -> b.wires().removeIf(w -> w.id().equals(fault.text(Detail.WIRE)));
                case WRONG_SETTING -> {
                    Part part = circuit.part(fault.part()).orElseThrow();
                    Map<String, Object> params = new LinkedHashMap<>(part.params());
                    params.put(fault.text(Detail.PARAM), fault.details().get("value"));
                    b.parts().replaceAll(p -> p.id().equals(part.id()) ? part.withParams(params) : p);
                }
                default -> {}
            }
        }
        return b.build();
    }

    /** Both ends go into a splice of their own, away from all terminals. */
    private static void twist(Circuit.Builder b, Circuit circuit, Fault fault) {
        List<String> ids = fault.texts(Detail.WIRES);
        List<String> off = fault.texts(Detail.BETWEEN);
        String splice = "twist-" + b.parts().size();
        String place = placeOf(circuit, Terminal.parse(off.get(0)));
        b.parts()
                .add(new Part(
                        splice, "splice", place, null, Map.of("posts", 2.0), true, Part.WhenNotFitted.OPEN, Map.of()));
        for (int i = 0; i < 2; i++) {
            String id = ids.get(i);
            Wire wire = b.wires().stream()
                    .filter(w -> w.id().equals(id))
                    .findFirst()
                    .orElseThrow();
            // by where it is drawn: another fault may have put it elsewhere
            int end = endAt(circuit.wire(id).orElseThrow(), Terminal.parse(off.get(i)));
            replace(b, wire.withEnd(end, new Terminal(splice, String.valueOf(i + 1))));
        }
    }

    private static int endAt(Wire wire, Terminal terminal) {
        return wire.from().equals(terminal) ? 0 : 1;
    }

    private static String linkId(int number) {
        return "link-" + number;
    }

    private static Wire wire(Circuit circuit, Fault fault) {
        return circuit.wire(fault.text(Detail.WIRE)).orElseThrow();
    }

    private static String placeOf(Circuit circuit, Terminal terminal) {
        return circuit.part(terminal.part()).map(Part::place).orElse(terminal.part());
    }

    private static void replace(Circuit.Builder b, Wire wire) {
        b.wires().replaceAll(w -> w.id().equals(wire.id()) ? wire : w);
    }

    /** By branch: the mhos that the faults put in place of what the part or wire says, or NaN. */
    static double[] forced(Assembly assembly, List<Fault> faults) {
        double[] forced = new double[assembly.branches().size()];
        Arrays.fill(forced, Double.NaN);
        int added = 0;
        for (Fault fault : faults) {
            switch (fault.kind()) {
                case WIRE_OPEN -> force(forced, assembly.branchesOf(fault.text(Detail.WIRE)), 0);
                case WIRE_RESISTIVE ->
                    force(forced, assembly.branchesOf(fault.text(Detail.WIRE)), 1 / fault.number(Detail.OHMS, 10));
                case SHORT ->
                    force(
                            forced,
                            assembly.branchesOf(linkId(++added)),
                            1 / Math.max(1e-4, fault.number(Detail.OHMS, SHORTED_OHMS)));
                case LINK, WIRE_EARTHED -> added++;
                case CONTACT_OPEN -> force(forced, contact(assembly, fault), 0);
                case CONTACT_WELDED -> {
                    force(forced, contact(assembly, fault), Stamp.CLOSED);
                    force(forced, opposite(assembly, fault), 0);
                }
                case COIL_OPEN -> force(forced, ofRole(assembly, fault, Role.COIL), 0);
                case COIL_SHORTED -> force(forced, ofRole(assembly, fault, Role.COIL), 1 / SHORTED_OHMS);
                case LOAD_OPEN -> force(forced, ofRole(assembly, fault, Role.LOAD), 0);
                case LOAD_SHORTED -> force(forced, ofRole(assembly, fault, Role.LOAD), 1 / SHORTED_OHMS);
                case CAPACITOR_OPEN -> force(forced, sections(assembly, fault), 0);
                case WINDING_OPEN -> {
                    Role role = Objects.equals(fault.text(Detail.WINDING), "primary") ? Role.PRIMARY : Role.SECONDARY;
                    force(forced, ofRole(assembly, fault, role), 0);
                }
                default -> {}
            }
        }
        return forced;
    }

    /** By branch: the mhos that a worn contact has at the most; it opens as a good one does. */
    static double[] most(Assembly assembly, List<Fault> faults) {
        double[] most = new double[assembly.branches().size()];
        Arrays.fill(most, Double.POSITIVE_INFINITY);
        faults.stream()
                .filter(f -> f.kind() == FaultKind.CONTACT_RESISTIVE)
                .forEach(f -> force(most, contact(assembly, f), 1 / f.number(Detail.OHMS, 8)));
        return most;
    }

    /** By branch: the share of its farads that a capacitor still has. */
    static double[] left(Assembly assembly, List<Fault> faults) {
        double[] left = new double[assembly.branches().size()];
        Arrays.fill(left, 1);
        faults.stream()
                .filter(f -> f.kind() == FaultKind.CAPACITOR_WEAK)
                .forEach(f -> force(left, sections(assembly, f), WEAK));
        return left;
    }

    private static void force(double[] values, List<Branch> branches, double value) {
        branches.forEach(b -> values[b.index()] = value);
    }

    private static List<Branch> contact(Assembly assembly, Fault fault) {
        return assembly.branchesOf(fault.part()).stream()
                .filter(b -> b.label().equals(fault.text(Detail.CONTACT)))
                .toList();
    }

    /** The section of a capacitor that a fault names, by the post that is not the common one; all where it names none. */
    private static List<Branch> sections(Assembly assembly, Fault fault) {
        String section = fault.text(Detail.SECTION);
        return assembly.branchesOf(fault.part()).stream()
                .filter(b -> section == null
                        || b.label().equals(section)
                        || b.label().equals("C-" + section))
                .toList();
    }

    /** The contacts that share the common of a welded one and stand the other way at rest: they can't close. */
    private static List<Branch> opposite(Assembly assembly, Fault fault) {
        List<Branch> result = new ArrayList<>();
        for (Branch welded : contact(assembly, fault)) {
            for (Branch b : assembly.branchesOf(fault.part())) {
                if (b.role() == Role.CONTACT && b.nodeA() == welded.nodeA() && b.restClosed() != welded.restClosed()) {
                    result.add(b);
                }
            }
        }
        return result;
    }

    private static List<Branch> ofRole(Assembly assembly, Fault fault, Role role) {
        return assembly.branchesOf(fault.part()).stream()
                .filter(b -> b.role() == role)
                .toList();
    }

    /** The fault of that kind in a part, or null. */
    static Fault of(List<Fault> faults, String part, FaultKind kind) {
        for (Fault f : faults) {
            if (f.kind() == kind && part.equals(f.part())) {
                return f;
            }
        }
        return null;
    }
}
