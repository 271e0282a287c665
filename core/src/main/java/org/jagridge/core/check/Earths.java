package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.EARTH_MISSING;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Supplies whose metalwork nothing earths. */
final class Earths implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Earths(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        earths();
    }

    private void earths() {
        for (Assembly.Member m : wiring.parts(Trait.MAINS)) {
            if (!wiring.isWired(m.part().id(), "PE")) {
                findings.add(
                        EARTH_MISSING,
                        List.of(m.part().id()),
                        "Nothing is landed on " + m.part().id() + ".PE: no metalwork is earthed in this drawing.");
            }
        }
    }
}
