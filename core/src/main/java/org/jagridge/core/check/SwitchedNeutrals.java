package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.SWITCHED_NEUTRAL;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/** Contacts that switch a neutral. */
final class SwitchedNeutrals implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    SwitchedNeutrals(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        switchedNeutrals();
    }

    /** A contact between a line load and its neutral: the load stays live when it is off. */
    private void switchedNeutrals() {
        for (Branch b : wiring.branches(Role.CONTACT)) {
            Assembly.Member m = wiring.member(b.owner());
            boolean safety = m.is(Trait.SAFETY) || (m.is(Trait.PROVING) && !m.is(Trait.SENSES_CURRENT));
            if (!safety && wiring.isOnReturnSide(b) && reachesNeutral(b)) {
                findings.add(
                        SWITCHED_NEUTRAL,
                        List.of(b.owner()),
                        b.title() + " switches the neutral: what hangs on it stays live when it is off.");
            }
        }
    }

    private boolean reachesNeutral(Branch contact) {
        for (int node : new int[] {contact.nodeA(), contact.nodeB()}) {
            for (Branch b : wiring.at(wiring.net(node))) {
                boolean neutral =
                        b.role() == Role.SOURCE && b.b() != null && b.b().name().equals("N");
                if (neutral && wiring.net(b.nodeB()) == wiring.net(node)) {
                    return true;
                }
            }
        }
        return false;
    }
}
