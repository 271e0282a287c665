package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.BOTH_O_AND_B;
import static org.jagridge.core.check.FindingKind.B_ON_COMMON;
import static org.jagridge.core.check.FindingKind.EMERGENCY_UNSERVED;

import java.util.List;
import java.util.Optional;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** How the reversing valve and emergency heat are landed at a thermostat. */
final class Valves implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Valves(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        wiring.parts(Trait.THERMOSTAT).forEach(this::valve);
    }

    private void valve(Assembly.Member m) {
        if (wiring.isWired(m, "O") && wiring.isWired(m, "B")) {
            findings.add(
                    BOTH_O_AND_B,
                    List.of(m.part().id()),
                    m.part().id() + " has wires on O and on B; a reversing valve wants one of them.");
        }
        if (wiring.isWired(m, "B") && reachesCommon(m, "B")) {
            findings.add(
                    B_ON_COMMON,
                    List.of(m.part().id()),
                    "The wire on " + m.part().id() + ".B goes to a common: a heat call shorts R to C.");
        }
        if (Wiring.has(m, "E")
                && !wiring.isWired(m, "E")
                && !wiring.isWired(m, "AUX")
                && !m.params().is("kind", "conventional")) {
            findings.add(
                    EMERGENCY_UNSERVED,
                    List.of(m.part().id()),
                    "Emergency heat of " + m.part().id() + " goes nowhere: neither E nor AUX is landed.");
        }
    }

    private boolean reachesCommon(Assembly.Member m, String terminal) {
        Optional<Integer> net = wiring.net(m.part().id(), terminal);
        return net.isPresent()
                && wiring.at(net.get()).stream()
                        .anyMatch(b -> b.role().gives() && b.b() != null && wiring.net(b.nodeB()) == net.get());
    }
}
