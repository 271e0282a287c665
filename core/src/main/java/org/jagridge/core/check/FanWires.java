package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.HEAT_WITHOUT_FAN_WIRE;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Electric heat that is called without a fan. */
final class FanWires implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    FanWires(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        wiring.parts(Trait.THERMOSTAT).forEach(this::fan);
    }

    private void fan(Assembly.Member m) {
        boolean heats = wiring.isWired(m, "W") || wiring.isWired(m, "AUX") || wiring.isWired(m, "W2");
        boolean electric =
                m.params().is("heatSource", "electric") || !m.params().is("kind", "conventional");
        if (heats && electric && !wiring.isWired(m, "G")) {
            findings.add(
                    HEAT_WITHOUT_FAN_WIRE,
                    List.of(m.part().id()),
                    m.part().id() + " calls electric heat, but G isn't landed: strips without air overheat.");
        }
    }
}
