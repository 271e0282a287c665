package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.OPTION_NOT_FITTED;

import java.util.List;
import org.jagridge.core.circuit.Part;

/** Options that are drawn and not there. */
final class Options implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Options(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        notFitted();
    }

    private void notFitted() {
        for (Part p : wiring.assembly().circuit().parts()) {
            if (!p.fitted()) {
                findings.add(
                        OPTION_NOT_FITTED,
                        List.of(p.id()),
                        p.id() + " (" + p.title() + ") is drawn as an option and is not fitted.");
            }
        }
    }
}
