package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.SAFETY_BYPASSED;
import static org.jagridge.core.check.FindingKind.SAFETY_IN_RETURN;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/** Safeties that are bypassed, or sit where an earth fault goes around them. */
final class Safeties implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Safeties(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        safeties();
    }

    private void safeties() {
        for (Assembly.Member m : wiring.parts(Trait.SAFETY, Trait.PROVING)) {
            if (m.is(Trait.SENSES_CURRENT)) {
                continue;
            }
            String id = m.part().id();
            if (wiring.joined(id, "1", id, "2")) {
                findings.add(
                        SAFETY_BYPASSED,
                        List.of(id),
                        id + " (" + m.part().title() + ") is bypassed: a wire joins its two terminals.");
                continue;
            }
            for (Branch b : wiring.assembly().branchesOf(id)) {
                if (b.role() == Role.CONTACT && wiring.isOnReturnSide(b)) {
                    findings.add(
                            SAFETY_IN_RETURN,
                            List.of(id),
                            id + " sits between a load and the return, so an earth fault goes around it.");
                }
            }
        }
    }
}
