package org.jagridge.core.check;

import static org.jagridge.core.check.Finding.Severity.DANGER;
import static org.jagridge.core.check.Finding.Severity.ERROR;
import static org.jagridge.core.check.Finding.Severity.NOTE;
import static org.jagridge.core.check.Finding.Severity.WARNING;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;

/** Findings about how thermostats are landed. */
final class ThermostatChecks {
    private final Wiring wiring;
    private final List<Finding> findings = new ArrayList<>();

    private ThermostatChecks(Wiring wiring) {
        this.wiring = wiring;
    }

    static List<Finding> of(Wiring wiring) {
        ThermostatChecks c = new ThermostatChecks(wiring);
        for (Assembly.Member m : wiring.parts("thermostat")) {
            c.common(m);
            c.batteries(m);
            c.valve(m);
            c.feeds(m);
            c.fan(m);
        }
        return c.findings;
    }

    private void say(Finding.Severity severity, String code, Assembly.Member m, String message, String advice) {
        findings.add(Finding.of(severity, code, List.of(m.part().id()), message, advice));
    }

    private static boolean has(Assembly.Member m, String terminal) {
        return m.params().texts("terminals").contains(terminal);
    }

    private boolean wired(Assembly.Member m, String terminal) {
        return has(m, terminal) && wiring.isWired(m.part().id(), terminal);
    }

    private void common(Assembly.Member m) {
        if (m.params().is("power", "common") && !wired(m, "C")) {
            say(
                    ERROR,
                    "common-missing",
                    m,
                    m.part().id() + " lives on R and C, but no C is landed: it stays blank.",
                    "Bring a common to it, or choose one with batteries.");
        }
    }

    private void batteries(Assembly.Member m) {
        if (m.params().is("power", "either") && !wired(m, "C")) {
            say(
                    NOTE,
                    "batteries-only",
                    m,
                    m.part().id() + " has no C, so it lives on its batteries: flat ones leave it blank.",
                    "Land a C, or put the change of batteries on the list.");
        }
    }

    private void valve(Assembly.Member m) {
        if (wired(m, "O") && wired(m, "B")) {
            say(
                    ERROR,
                    "both-o-and-b",
                    m,
                    m.part().id() + " has wires on O and on B; a reversing valve wants one of them.",
                    "Use the one that the outdoor unit asks for.");
        }
        if (wired(m, "B") && reachesCommon(m, "B")) {
            say(
                    DANGER,
                    "b-on-common",
                    m,
                    "The wire on " + m.part().id() + ".B goes to a common: a heat call shorts R to C.",
                    "On older equipment B is the common. Move it to C.");
        }
        if (has(m, "E") && !wired(m, "E") && !wired(m, "AUX") && !m.params().is("kind", "conventional")) {
            say(
                    WARNING,
                    "emergency-unserved",
                    m,
                    "Emergency heat of " + m.part().id() + " goes nowhere: neither E nor AUX is landed.",
                    "Bridge E to AUX, or land it.");
        }
    }

    private boolean reachesCommon(Assembly.Member m, String terminal) {
        Optional<Integer> net = wiring.net(m.part().id(), terminal);
        return net.isPresent()
                && wiring.at(net.get()).stream()
                        .anyMatch(b -> b.role().gives() && b.b() != null && wiring.net(b.nodeB()) == net.get());
    }

    /** RH and RC: one transformer wants the jumper, two want none. */
    private void feeds(Assembly.Member m) {
        if (!has(m, "RH") || !has(m, "RC")) {
            return;
        }
        String id = m.part().id();
        boolean joined = wiring.joined(id, "RH", id, "RC");
        Set<String> heat = sources(m, "RH");
        Set<String> cool = sources(m, "RC");
        if (!joined && (heat.isEmpty() ^ cool.isEmpty())) {
            say(
                    ERROR,
                    "jumper-missing",
                    m,
                    (heat.isEmpty() ? "RH" : "RC") + " of " + id
                            + " has no feed: one transformer wants a jumper between RH and RC.",
                    "Put the jumper in.");
        }
        Set<String> all = new HashSet<>(heat);
        all.addAll(cool);
        if (joined && all.size() > 1) {
            say(
                    DANGER,
                    "jumper-left",
                    m,
                    "RH and RC of " + id + " are joined, and two transformers come to them: "
                            + String.join(", ", all.stream().sorted().toList()) + ".",
                    "Take the jumper out. With a second path between the systems one feeds the other backwards.");
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

    private void fan(Assembly.Member m) {
        boolean heats = wired(m, "W") || wired(m, "AUX") || wired(m, "W2");
        boolean electric =
                m.params().is("heatSource", "electric") || !m.params().is("kind", "conventional");
        if (heats && electric && !wired(m, "G")) {
            say(
                    WARNING,
                    "heat-without-fan-wire",
                    m,
                    m.part().id() + " calls electric heat, but G isn't landed: strips without air overheat.",
                    "Land G, or start the fan by a contact of the heat relay.");
        }
    }
}
