package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.RECTIFIER_MINUS_TIED;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Rectifiers with a shorted diode. */
final class Rectifiers implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Rectifiers(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        rectifiers();
    }

    private void rectifiers() {
        for (Assembly.Member m : wiring.parts(Trait.RECTIFIER)) {
            String id = m.part().id();
            if (wiring.joined(id, "-", id, "~1") || wiring.joined(id, "-", id, "~2")) {
                findings.add(
                        RECTIFIER_MINUS_TIED,
                        List.of(id),
                        "The minus of " + id + " is tied to its AC side: that shorts a diode.");
            }
        }
    }
}
