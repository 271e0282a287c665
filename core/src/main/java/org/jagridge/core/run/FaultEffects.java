package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Defect;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Hold;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;

/** Does what defects say of themselves: makes the circuit that some of them make, and takes hold of branches. */
final class FaultEffects {
    private FaultEffects() {}

    static boolean changesCircuit(Fault fault) {
        return fault.defect() instanceof Defect.Rewiring;
    }

    /** The circuit that the faults make of {@code circuit}. */
    static Circuit apply(Circuit circuit, List<Fault> faults) {
        Circuit.Builder b = circuit.toBuilder();
        faults.stream()
                .map(Fault::defect)
                .filter(Defect.Rewiring.class::isInstance)
                .map(Defect.Rewiring.class::cast)
                .sorted(Comparator.comparing(Defect.Rewiring::turn))
                .forEach(d -> d.rewire(circuit, b, PartTypes.fittings()));
        return b.build();
    }

    /** By branch: what stands where no fault takes hold. Nobody writes into it. */
    private static final class Free {
        final double[] forced;
        final double[] most;
        final double[] left;

        Free(Assembly assembly) {
            int n = assembly.branches().size();
            forced = filled(n, Double.NaN);
            most = filled(n, Double.POSITIVE_INFINITY);
            left = filled(n, 1);
        }

        private static double[] filled(int n, double value) {
            double[] values = new double[n];
            Arrays.fill(values, value);
            return values;
        }
    }

    private static Free free(Assembly assembly) {
        return assembly.kept(Free.class, Free::new);
    }

    /** By branch: the mhos that the faults put in place of what the part or wire says, or NaN. To be read only. */
    static double[] forced(Assembly assembly, List<Fault> faults) {
        return held(assembly, faults, Hold.Effect.CONDUCTANCE, free(assembly).forced);
    }

    /** By branch: the mhos that a worn contact has at the most; it opens as a good one does. To be read only. */
    static double[] most(Assembly assembly, List<Fault> faults) {
        return held(assembly, faults, Hold.Effect.AT_MOST, free(assembly).most);
    }

    /** By branch: the share of its farads that a capacitor still has. To be read only. */
    static double[] left(Assembly assembly, List<Fault> faults) {
        return held(assembly, faults, Hold.Effect.SHARE, free(assembly).left);
    }

    private static double[] held(Assembly assembly, List<Fault> faults, Hold.Effect effect, double[] free) {
        double[] values = free;
        for (Fault fault : faults) {
            for (Hold hold : fault.defect().holds()) {
                if (hold.effect() != effect) {
                    continue;
                }
                for (Branch b : branches(assembly, hold)) {
                    values = values == free ? free.clone() : values;
                    values[b.index()] = hold.value();
                }
            }
        }
        return values;
    }

    /** The branches that a hold takes hold of. */
    static List<Branch> branches(Assembly assembly, Hold hold) {
        List<Branch> of = assembly.branchesOf(hold.owner());
        return switch (hold.which()) {
            case ALL -> of;
            case CONTACT -> labelled(of, hold.label());
            case OPPOSITE -> opposite(assembly, of, hold.label());
            case COIL -> ofRole(of, Role.COIL);
            case LOAD -> ofRole(of, Role.LOAD);
            case PRIMARY -> ofRole(of, Role.PRIMARY);
            case SECONDARY -> ofRole(of, Role.SECONDARY);
            case SECTION ->
                hold.label() == null
                        ? of
                        : of.stream()
                                .filter(b -> b.label().equals(hold.label())
                                        || b.label().equals("C-" + hold.label()))
                                .toList();
        };
    }

    private static List<Branch> labelled(List<Branch> of, String label) {
        return of.stream()
                .filter(b -> b.role().joins() && b.label().equals(label))
                .toList();
    }

    private static List<Branch> ofRole(List<Branch> of, Role role) {
        return of.stream().filter(b -> b.role() == role).toList();
    }

    /** A welded contact holds its opposite open: that can't close. */
    private static List<Branch> opposite(Assembly assembly, List<Branch> of, String label) {
        List<Branch> result = new ArrayList<>();
        for (Branch welded : labelled(of, label)) {
            List<Set<String>> sets = assembly.member(welded.owner())
                    .map(m -> m.type().changeoverSets())
                    .orElse(List.of());
            for (Branch b : of) {
                boolean together =
                        sets.isEmpty() || sets.stream().anyMatch(s -> s.containsAll(List.of(label, b.label())));
                if (together
                        && b.role() == Role.CONTACT
                        && b.nodeA() == welded.nodeA()
                        && b.restClosed() != welded.restClosed()) {
                    result.add(b);
                }
            }
        }
        return result;
    }
}
