package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.BACKFED_TRANSFORMER;
import static org.jagridge.core.check.FindingKind.FED_BACKWARDS;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.BackFed;
import org.jagridge.core.run.Frame;

/** Each supply and disconnect off, the others on: what lies behind it must be dead. */
final class SupplyTrials {
    private static final long SETTLES = Time.SECOND;

    private final Wiring wiring;
    private final Findings findings;
    private final Route route;

    SupplyTrials(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
        route = new Route(wiring.assembly());
    }

    /** The fitted parts that can be switched off. */
    static List<Assembly.Member> isolators(Wiring wiring) {
        return wiring.assembly().members().stream()
                .filter(m -> m.part().fitted() && m.type().isolation(m.params()).isPresent())
                .toList();
    }

    void look(List<Course> states) {
        for (Assembly.Member m : isolators(wiring)) {
            Isolation isolation = m.type().isolation(m.params()).orElseThrow();
            for (Course state : states) {
                Course off = state.set(m.part().id(), isolation.input(), isolation.off())
                        .after(SETTLES);
                liveBehind(m, off);
                backFed(m, state, off);
            }
        }
    }

    /** The terminal of what is off with the most volts to earth. */
    private void liveBehind(Assembly.Member m, Course off) {
        Frame f = off.frame();
        Map<Terminal, Double> live = new LinkedHashMap<>();
        for (Branch b : wiring.assembly().branchesOf(m.part().id())) {
            double a = f.voltsToEarth(b.nodeA());
            if (b.role() == Role.SOURCE && b.a() != null) {
                live.put(b.a(), a);
            } else if (b.role() == Role.CONTACT || b.role() == Role.PROTECTION) {
                // one side is the feed's
                double c = f.voltsToEarth(b.nodeB());
                boolean behindB = isFedWithout(m, b.nodeA(), f);
                live.put(behindB ? b.b() : b.a(), Math.min(a, c));
            }
        }
        live.entrySet().stream()
                .filter(e -> e.getValue() >= Frame.LIVE_VOLTS)
                .max(Map.Entry.comparingByValue())
                .ifPresent(e -> findings.tried(
                        FED_BACKWARDS,
                        m.part().id(),
                        String.format(
                                Locale.ROOT,
                                "With %s off in the state \"%s\" %s is at %.0f V to earth%s.",
                                m.part().id(),
                                off.hands().name(),
                                e.getKey(),
                                e.getValue(),
                                way(m, e.getKey(), f)),
                        off.trial()));
    }

    private boolean isFedWithout(Assembly.Member m, int node, Frame f) {
        return route.sources().stream()
                .filter(s -> !s.owner().equals(m.part().id()))
                .anyMatch(s -> route.from(s, n -> n == node, b -> b.role().joins() && f.conducts(b))
                        .isPresent());
    }

    private String way(Assembly.Member m, Terminal to, Frame f) {
        int node = wiring.assembly().node(to).orElseThrow();
        return route.sources().stream()
                .filter(s -> !s.owner().equals(m.part().id()) && f.conducts(s))
                .map(s -> route.from(s, n -> n == node, f::conducts))
                .flatMap(Optional::stream)
                .min(Comparator.comparingInt(List::size))
                .map(w -> ", by way of " + String.join(", ", w))
                .orElse("");
    }

    private void backFed(Assembly.Member m, Course state, Course off) {
        for (Branch b : wiring.branches(Role.PRIMARY)) {
            if (BackFed.is(b, off.frame()) && !BackFed.is(b, state.frame())) {
                findings.tried(
                        BACKFED_TRANSFORMER,
                        b.owner(),
                        String.format(
                                Locale.ROOT,
                                "With %s off in the state \"%s\" the primary of %s is live at %.0f V, fed backwards through"
                                        + " its secondary.",
                                m.part().id(),
                                off.hands().name(),
                                b.owner(),
                                off.frame().volts(b)),
                        off.trial());
            }
        }
    }
}
