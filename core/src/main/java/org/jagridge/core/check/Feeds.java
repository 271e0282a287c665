package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.JUMPER_LEFT;
import static org.jagridge.core.check.FindingKind.JUMPER_MISSING;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Trait;

/** RH and RC: one transformer wants the jumper, two want none. */
final class Feeds implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Feeds(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        wiring.parts(Trait.THERMOSTAT).forEach(this::feeds);
    }

    /** RH and RC: one transformer wants the jumper, two want none. */
    private void feeds(Assembly.Member m) {
        if (!Wiring.has(m, "RH") || !Wiring.has(m, "RC")) {
            return;
        }
        String id = m.part().id();
        boolean joined = wiring.joined(id, "RH", id, "RC");
        Set<String> heat = sources(m, "RH");
        Set<String> cool = sources(m, "RC");
        if (!joined && (heat.isEmpty() ^ cool.isEmpty())) {
            findings.add(
                    JUMPER_MISSING,
                    List.of(m.part().id()),
                    (heat.isEmpty() ? "RH" : "RC") + " of " + id
                            + " has no feed: one transformer wants a jumper between RH and RC.");
        }
        Set<String> all = new HashSet<>(heat);
        all.addAll(cool);
        if (joined && all.size() > 1) {
            findings.add(
                    JUMPER_LEFT,
                    List.of(m.part().id()),
                    "RH and RC of " + id + " are joined, and two transformers come to them: "
                            + String.join(", ", all.stream().sorted().toList()) + ".");
        }
    }

    private Set<String> sources(Assembly.Member m, String terminal) {
        Set<String> sources = new HashSet<>();
        wiring.net(m.part().id(), terminal).ifPresent(net -> {
            for (int n : wiring.withinReach(net, Set.of(m.part().id()))) {
                for (Branch b : wiring.at(n)) {
                    if (b.role().gives() && wiring.net(b.nodeA()) == n) {
                        sources.add(b.owner());
                    }
                }
            }
        });
        return sources;
    }
}
