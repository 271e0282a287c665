package org.jagridge.core.check;

import static org.jagridge.core.check.Finding.Severity.DANGER;
import static org.jagridge.core.check.Finding.Severity.ERROR;
import static org.jagridge.core.check.Finding.Severity.WARNING;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;

/** Findings about supplies: shorts, ties, and volts that don't fit what they reach. */
final class SupplyChecks {
    private static final double TOO_MUCH = 1.3;
    private static final double TOO_LITTLE = 0.7;

    private final Wiring wiring;
    private final List<Finding> findings = new ArrayList<>();

    private SupplyChecks(Wiring wiring) {
        this.wiring = wiring;
    }

    static List<Finding> of(Wiring wiring) {
        SupplyChecks c = new SupplyChecks(wiring);
        c.shorts();
        c.ties();
        c.voltsThatReach();
        c.coilKinds();
        c.taps();
        return c.findings;
    }

    /** Hot and return of one source joined by wires, or by nothing but contacts that can all close together. */
    private void shorts() {
        for (Branch s : wiring.branches(Role.SOURCE, Role.SECONDARY)) {
            if (s.b() == null || s.a() == null) {
                continue;
            }
            int hot = wiring.net(s.nodeA());
            int ret = wiring.net(s.nodeB());
            if (hot == ret) {
                findings.add(Finding.of(
                        DANGER,
                        "short-circuit",
                        List.of(s.owner()),
                        "Wires alone join " + s.a() + " to " + s.b() + ".",
                        "Find the wire that is landed wrong before power is put on. R never goes to C."));
                continue;
            }
            List<Branch> way = new ArrayList<>();
            if (shortThrough(hot, ret, new HashSet<>(Set.of(hot)), way)) {
                List<String> contacts = way.stream().map(Branch::title).toList();
                findings.add(Finding.of(
                        ERROR,
                        "short-reachable",
                        way.stream().map(Branch::owner).distinct().toList(),
                        s.a() + " meets " + s.b() + " through nothing but " + String.join(", ", contacts) + ".",
                        "There must be a load in that way. See which terminal of it was missed."));
            }
        }
    }

    /** A way through contacts that can be closed at the same time: never a part's two opposite contacts. */
    private boolean shortThrough(int from, int to, Set<Integer> seen, List<Branch> way) {
        for (Branch b : wiring.at(from)) {
            boolean joins = b.role() == Role.CONTACT || b.role() == Role.PROTECTION;
            boolean opposed = way.stream()
                    .anyMatch(w -> w.owner().equals(b.owner())
                            && w.role() == Role.CONTACT
                            && b.role() == Role.CONTACT
                            && w.restClosed() != b.restClosed());
            if (!joins || opposed || isPositionSwitch(b, way)) {
                continue;
            }
            int next = wiring.net(b.nodeA()) == from ? wiring.net(b.nodeB()) : wiring.net(b.nodeA());
            if (!seen.add(next)) {
                continue;
            }
            way.add(b);
            if (next == to || shortThrough(next, to, seen, way)) {
                return true;
            }
            way.remove(way.size() - 1);
        }
        return false;
    }

    /** A part that joins its common to one of several terminals can't join two of them to each other. */
    private boolean isPositionSwitch(Branch b, List<Branch> way) {
        String type = wiring.part(b.owner()).type();
        boolean exclusive =
                type.equals("changeover-switch") || type.equals("cylinder-stat") || type.equals("programmer");
        return exclusive && way.stream().anyMatch(w -> w.owner().equals(b.owner()));
    }

    private void ties() {
        List<Branch> sources = wiring.branches(Role.SECONDARY);
        for (int i = 0; i < sources.size(); i++) {
            for (int j = i + 1; j < sources.size(); j++) {
                tie(sources.get(i), sources.get(j));
            }
        }
    }

    private void tie(Branch a, Branch b) {
        boolean hots = wiring.net(a.nodeA()) == wiring.net(b.nodeA());
        boolean commons = wiring.net(a.nodeB()) == wiring.net(b.nodeB());
        boolean crossed =
                wiring.net(a.nodeA()) == wiring.net(b.nodeB()) || wiring.net(a.nodeB()) == wiring.net(b.nodeA());
        List<String> parts = List.of(a.owner(), b.owner());
        boolean opposed = reversed(wiring.assembly().member(a.owner()).orElseThrow())
                != reversed(wiring.assembly().member(b.owner()).orElseThrow());
        if (opposed && (hots || commons)) {
            findings.add(Finding.of(
                    DANGER,
                    "transformer-pair-reversed",
                    parts,
                    a.owner() + " and " + b.owner()
                            + " are joined and out of phase: twice the volts stand between their other poles.",
                    "Take the tie out, or turn one secondary round."));
        }
        String both = a.owner() + " and " + b.owner();
        if ((hots && commons) || (crossed && (hots || commons))) {
            findings.add(Finding.of(
                    DANGER,
                    "supplies-tied",
                    parts,
                    both + " are tied at both poles: a unit that is switched off is live backwards through the other.",
                    "Take the tie out. Each unit keeps its own transformer."));
        } else if (hots || crossed) {
            findings.add(Finding.of(
                    WARNING,
                    "supplies-tied-once",
                    parts,
                    both + " are tied at one pole. No current flows by that, until a second path joins them.",
                    "Two transformers want no jumper between RH and RC."));
        }
    }

    /** Every coil and low-voltage load against the supplies that could reach both of its ends. */
    private void voltsThatReach() {
        for (Branch b : wiring.branches(Role.COIL, Role.LOAD, Role.PRIMARY)) {
            Params p = wiring.assembly().member(b.owner()).orElseThrow().params();
            double rated = ratedVolts(b, p);
            if (rated <= 0 || !b.isDrawn()) {
                continue;
            }
            double reach = voltsAcross(b);
            if (reach > TOO_MUCH * rated) {
                findings.add(Finding.of(
                        DANGER,
                        "over-voltage",
                        List.of(b.owner()),
                        "%s is made for %s V and can get %s V."
                                .formatted(b.title(), Numbers.plain(rated), Numbers.plain(reach)),
                        "It burns out in seconds. Check which wire comes to it."));
            } else if (reach > 0 && reach < TOO_LITTLE * rated) {
                findings.add(Finding.of(
                        ERROR,
                        "under-voltage",
                        List.of(b.owner()),
                        "%s is made for %s V and gets %s V at the most."
                                .formatted(b.title(), Numbers.plain(rated), Numbers.plain(reach)),
                        "It won't work. Check its coil or the transformer's tap."));
            }
        }
    }

    private static double ratedVolts(Branch b, Params p) {
        if (b.role() == Role.COIL) {
            return p.has("coilVolts") ? p.number("coilVolts") : 0;
        }
        if (b.role() == Role.PRIMARY) {
            return p.has("primaryVolts") ? p.number("primaryVolts") : 0;
        }
        boolean plain = List.of("1-2").contains(b.label()) || b.label().endsWith("-COM");
        return plain && p.has("volts") ? p.number("volts") : 0;
    }

    /** The most nominal volts that the poles within reach of a branch's two ends can put across it; 0 for none. */
    private double voltsAcross(Branch b) {
        double most = 0;
        for (Wiring.Reached x : wiring.polesWithinReach(wiring.net(b.nodeA()))) {
            for (Wiring.Reached y : wiring.polesWithinReach(wiring.net(b.nodeB()))) {
                if (x.source().owner().equals(y.source().owner())) {
                    most = Math.max(most, volts(x, y));
                }
            }
        }
        return most;
    }

    private double volts(Wiring.Reached x, Wiring.Reached y) {
        Assembly.Member m = wiring.assembly().member(x.source().owner()).orElseThrow();
        double leg = nominal(m);
        if (x.source() == y.source()) {
            return x.hot() == y.hot() ? 0 : leg;
        }
        // two legs of one supply
        return x.hot() && y.hot()
                ? (m.params().is("system", "two-leg-208") ? 208 : 2 * leg)
                : x.hot() || y.hot() ? leg : 0;
    }

    private static double nominal(Assembly.Member m) {
        Params p = m.params();
        return switch (m.part().type()) {
            case "supply" -> p.number("volts", p.is("system", "single-230") ? 230 : 120);
            case "thermopile" -> 0;
            case "transformer", "plug-supply" -> p.number("secondaryVolts");
            case "opener" -> p.number("volts", p.is("signal", "dc-always") ? 28 : 24);
            case "dc-supply", "battery" -> p.number("volts");
            case "rectifier" -> 22;
            default -> 24;
        };
    }

    /** AC coils on direct current and the other way round. */
    private void coilKinds() {
        for (Branch b : wiring.branches(Role.COIL)) {
            Params p = wiring.assembly().member(b.owner()).orElseThrow().params();
            if (!p.has("coilKind") || !b.isDrawn()) {
                continue;
            }
            Set<Boolean> direct = new HashSet<>();
            wiring.polesWithinReach(wiring.net(b.nodeA())).forEach(r -> direct.add(isDirect(r.source())));
            wiring.polesWithinReach(wiring.net(b.nodeB())).forEach(r -> direct.add(isDirect(r.source())));
            boolean wantsDirect = p.is("coilKind", "DC");
            if (direct.equals(Set.of(!wantsDirect))) {
                findings.add(Finding.of(
                        ERROR,
                        "coil-kind",
                        List.of(b.owner()),
                        b.title() + " is a " + p.text("coilKind") + " coil and can only get "
                                + (wantsDirect ? "AC" : "DC") + ".",
                        "Choose a relay for that kind of current."));
            }
        }
    }

    private boolean isDirect(Branch source) {
        Assembly.Member m = wiring.assembly().member(source.owner()).orElseThrow();
        return switch (m.part().type()) {
            case "dc-supply", "battery", "thermopile", "rectifier" -> true;
            case "opener" -> m.params().is("signal", "dc-always");
            default -> false;
        };
    }

    private static boolean reversed(Assembly.Member m) {
        return m.params().has("reversed") && m.params().flag("reversed");
    }

    private void taps() {
        for (Assembly.Member m : wiring.parts("motor")) {
            List<String> speeds = m.params().texts("speeds");
            for (int i = 0; i < speeds.size(); i++) {
                for (int j = i + 1; j < speeds.size(); j++) {
                    String id = m.part().id();
                    if (wiring.isWired(id, speeds.get(i)) && wiring.joined(id, speeds.get(i), id, speeds.get(j))) {
                        findings.add(Finding.of(
                                DANGER,
                                "two-taps",
                                List.of(id),
                                "Two speed taps of " + id + " are on one wire: " + speeds.get(i) + " and "
                                        + speeds.get(j) + ".",
                                "One tap at a time; park the others on an unused terminal."));
                    }
                }
            }
        }
    }
}
