package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.TWO_TAPS;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Motors with two speed taps on one wire. */
final class Taps implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Taps(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        taps();
    }

    private void taps() {
        for (Assembly.Member m : wiring.parts(Trait.SPEED_TAPS)) {
            List<String> speeds = m.params().texts("speeds");
            for (int i = 0; i < speeds.size(); i++) {
                for (int j = i + 1; j < speeds.size(); j++) {
                    String id = m.part().id();
                    if (wiring.isWired(id, speeds.get(i)) && wiring.joined(id, speeds.get(i), id, speeds.get(j))) {
                        findings.add(
                                TWO_TAPS,
                                List.of(id),
                                "Two speed taps of " + id + " are on one wire: " + speeds.get(i) + " and "
                                        + speeds.get(j) + ".");
                    }
                }
            }
        }
    }
}
