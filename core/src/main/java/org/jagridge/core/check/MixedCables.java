package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.MIXED_VOLTAGE_CABLE;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Wire;

/** Cables that carry line and low voltage. */
final class MixedCables implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    MixedCables(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        mixedCables();
    }

    private void mixedCables() {
        for (Cable cable : wiring.assembly().circuit().cables()) {
            Set<String> classes = new TreeSet<>();
            List<String> wires = new ArrayList<>();
            for (Wire w : wiring.assembly().circuit().wires()) {
                if (cable.id().equals(w.cable())) {
                    wires.add(w.id());
                    int net = wiring.net(wiring.assembly().node(w.from()).orElseThrow());
                    wiring.polesWithinReach(net).forEach(r -> classes.add(Wiring.isLine(r.source()) ? "line" : "low"));
                }
            }
            if (classes.size() > 1) {
                findings.add(
                        MIXED_VOLTAGE_CABLE,
                        List.of(),
                        wires,
                        "Cable " + cable.id() + " carries line and low voltage.");
            }
        }
    }
}
