package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.PARALLELED_PAIRS;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Heaters whose own 24 V pairs are joined. */
final class HeaterPairs implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    HeaterPairs(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        heaterPairs();
    }

    private void heaterPairs() {
        List<Assembly.Member> heaters = wiring.parts(Trait.OWN_PAIR);
        for (int i = 0; i < heaters.size(); i++) {
            for (int j = i + 1; j < heaters.size(); j++) {
                String a = heaters.get(i).part().id();
                String b = heaters.get(j).part().id();
                if (wiring.joined(a, "R", b, "R") || wiring.joined(a, "W", b, "W")) {
                    findings.add(
                            PARALLELED_PAIRS,
                            List.of(a, b),
                            "The 24 V pairs of " + a + " and " + b + " are joined; each has a transformer of its own.");
                }
            }
        }
    }
}
