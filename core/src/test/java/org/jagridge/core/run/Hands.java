package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;

/** Hands that throw anything of a circuit by dice. */
final class Hands {
    private final Random random;
    private final List<Act.Set> sets;
    private final List<Fault> faults;

    Hands(Circuit circuit, long seed) {
        random = new Random(seed);
        sets = setsOf(circuit);
        faults = FaultList.faultsOf(circuit);
    }

    /** Every input of a circuit to each of a few of its values. */
    static List<Act.Set> setsOf(Circuit circuit) {
        List<Act.Set> sets = new ArrayList<>();
        for (Assembly.Member m : Assembly.of(circuit).members()) {
            for (Field f : m.inputs()) {
                valuesOf(f).forEach(v -> sets.add(new Act.Set(new Input(m.part().id(), f.name()), v)));
            }
        }
        return sets;
    }

    private static List<?> valuesOf(Field f) {
        return switch (f.kind()) {
            case FLAG -> List.of(true, false);
            case MOMENTARY -> List.of(true);
            case CHOICE -> f.choices();
            default ->
                List.of(-8.0, 4.0, 19.0, 25.0, 70.0).stream()
                        .filter(v -> f.mistakeIn(v) == null)
                        .toList();
        };
    }

    boolean haveAny() {
        return !sets.isEmpty();
    }

    Act.Set any() {
        return sets.get(random.nextInt(sets.size()));
    }

    Fault anyFault() {
        return faults.get(random.nextInt(faults.size()));
    }

    /** From a tick to some minutes. */
    long anyWait() {
        return 1 + (long) (Math.pow(random.nextDouble(), 4) * 900e6);
    }

    boolean mayBe(double chance) {
        return random.nextDouble() < chance;
    }
}
