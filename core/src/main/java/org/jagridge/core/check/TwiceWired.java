package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.WIRE_TWICE;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/** Wires that join what another one joins already: mostly entered twice. */
final class TwiceWired implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    TwiceWired(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        Map<Set<Terminal>, Wire> first = new HashMap<>();
        for (Wire w : wiring.assembly().circuit().wires()) {
            Wire there = first.putIfAbsent(Set.of(w.from(), w.to()), w);
            if (there != null) {
                findings.add(
                        WIRE_TWICE,
                        Stream.of(w.from().part(), w.to().part())
                                .filter(id ->
                                        wiring.assembly().circuit().part(id).isPresent())
                                .distinct()
                                .toList(),
                        w.id() + " joins " + w.from() + " and " + w.to() + ", as " + there.id() + " does.");
            }
        }
    }
}
