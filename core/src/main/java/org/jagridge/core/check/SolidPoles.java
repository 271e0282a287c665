package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.SOLID_POLE;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Contactor poles that are solid bars. */
final class SolidPoles implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    SolidPoles(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        solidPoles();
    }

    private void solidPoles() {
        for (Assembly.Member m : wiring.parts(Trait.BAR_POLES)) {
            List<String> poles = m.params().texts("poles");
            for (int i = 0; i < poles.size(); i++) {
                if (poles.get(i).equals("bar") && wiring.isWired(m.part().id(), "L" + (i + 1))) {
                    findings.add(
                            SOLID_POLE,
                            List.of(m.part().id()),
                            m.part().id() + ".T" + (i + 1)
                                    + " is live with the contactor out: that pole is a solid bar.");
                }
            }
        }
    }
}
