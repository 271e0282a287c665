package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.TIMER_OUT_OF_RANGE;
import static org.jagridge.core.check.FindingKind.TIMER_SETTING_LINE;
import static org.jagridge.core.check.FindingKind.TIMER_SETTING_LOW;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Trait;

/** Timers whose dial or voltage setting doesn't fit. */
final class Timers implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Timers(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        timers();
        timerSettings();
    }

    private void timers() {
        for (Assembly.Member m : wiring.parts(Trait.DIAL)) {
            Params p = m.params();
            double s = p.number("seconds");
            if (s < p.number("minSeconds") || s > p.number("maxSeconds")) {
                findings.add(
                        TIMER_OUT_OF_RANGE,
                        List.of(m.part().id()),
                        "%s is set to %s s, but its dial goes from %s to %s s."
                                .formatted(
                                        m.part().id(),
                                        Numbers.plain(s),
                                        Numbers.plain(p.number("minSeconds")),
                                        Numbers.plain(p.number("maxSeconds"))));
            }
        }
    }

    private void timerSettings() {
        for (Assembly.Member m : wiring.parts(Trait.DIAL)) {
            String id = m.part().id();
            String feed = m.params().is("form", "series") ? "IN" : "A1";
            Set<Boolean> line = new HashSet<>();
            wiring.polesWithinReach(wiring.net(id, feed).orElseThrow()).forEach(r -> {
                if (r.hot()) {
                    line.add(Wiring.isLine(r.source()));
                }
            });
            boolean low = m.params().is("setting", "24V");
            if (line.contains(true) && low) {
                findings.add(TIMER_SETTING_LINE, List.of(id), id + " is set to 24 V and line voltage can reach it.");
            } else if (line.equals(Set.of(false)) && !low) {
                findings.add(
                        TIMER_SETTING_LOW, List.of(id), id + " is set to line voltage and gets 24 V: it never times.");
            }
        }
    }
}
