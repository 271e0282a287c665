package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.BATTERIES_ONLY;
import static org.jagridge.core.check.FindingKind.COMMON_MISSING;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Thermostats that live on a common or on batteries. */
final class Commons implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Commons(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        wiring.parts(Trait.THERMOSTAT).forEach(m -> {
            common(m);
            batteries(m);
        });
    }

    private void common(Assembly.Member m) {
        if (m.params().is("power", "common") && !wiring.isWired(m, "C")) {
            findings.add(
                    COMMON_MISSING,
                    List.of(m.part().id()),
                    m.part().id() + " lives on R and C, but no C is landed: it stays blank.");
        }
    }

    private void batteries(Assembly.Member m) {
        if (m.params().is("power", "either") && !wiring.isWired(m, "C")) {
            findings.add(
                    BATTERIES_ONLY,
                    List.of(m.part().id()),
                    m.part().id() + " has no C, so it lives on its batteries: flat ones leave it blank.");
        }
    }
}
