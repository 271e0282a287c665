package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.FUSE_OVER_WIRE;
import static org.jagridge.core.check.FindingKind.FUSE_TOO_LARGE;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Rating;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.Ways;

/** Fuses that let more through than what hangs on them bears. */
final class FuseSizes implements WiringCheck {
    /** A fuse of more than this times the transformer's rated amps doesn't protect it. */
    private static final double FUSE_TIMES = 3.2;

    /** NEC 440.22: with a compressor on it a fuse may have this much more. */
    private static final double MACHINE_TIMES = 2.25;

    private final Wiring wiring;
    private final Findings findings;

    FuseSizes(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        fuses();
        fuseWires();
    }

    /** A control fuse so large that the winding goes first. */
    private void fuses() {
        for (Branch fuse : wiring.branches(Role.PROTECTION)) {
            Assembly.Member m = wiring.member(fuse.owner());
            double amps = m.rating().protectionAmps();
            if (!m.is(Trait.FUSE)) {
                continue;
            }
            for (int node : new int[] {fuse.nodeA(), fuse.nodeB()}) {
                for (Branch s : wiring.at(wiring.net(node))) {
                    Rating rating = wiring.member(s.owner()).rating();
                    if (s.role() == Role.SECONDARY
                            && rating.voltAmperes() > 0
                            && amps > FUSE_TIMES * rating.voltAmperes() / rating.secondaryVolts()) {
                        findings.add(
                                FUSE_TOO_LARGE,
                                List.of(fuse.owner(), s.owner()),
                                fuse.owner() + " (" + Numbers.plain(amps) + " A) lets " + s.owner() + " ("
                                        + Numbers.plain(rating.voltAmperes()) + " VA) burn out first.");
                    }
                }
            }
        }
    }

    /** A fuse or breaker that lets more through than the conductors on it, and the field wires behind it, may carry. */
    private void fuseWires() {
        Ways wires = Ways.ofNodes(
                wiring.assembly(), b -> b.isWire() || b.role() == Role.CONDUCTOR || b.role() == Role.CONTACT);
        for (Branch fuse : wiring.branches(Role.PROTECTION)) {
            Assembly.Member m = wiring.member(fuse.owner());
            double amps = m.rating().protectionAmps();
            if (amps == 0) {
                continue;
            }
            Set<Integer> behind = behind(wires, fuse);
            Map<ConductorSize, List<String>> tooSmall = new EnumMap<>(ConductorSize.class);
            for (Branch b : wiring.branches(Role.WIRE)) {
                Wire w = wiring.assembly().circuit().wire(b.owner()).orElseThrow();
                ConductorSize size = wiring.assembly().circuit().sizeOf(w);
                Set<Integer> ends = Set.of(b.nodeA(), b.nodeB());
                boolean onIt = ends.contains(fuse.nodeA()) || ends.contains(fuse.nodeB());
                boolean field = w.run() == Wire.Run.FIELD && behind.contains(b.nodeA());
                if (size != null && (field || (onIt && m.is(Trait.FUSE))) && amps > most(size, behind)) {
                    tooSmall.computeIfAbsent(size, k -> new ArrayList<>()).add(w.id());
                }
            }
            tooSmall.forEach((size, ids) -> findings.add(
                    FUSE_OVER_WIRE,
                    List.of(fuse.owner()),
                    ids,
                    fuse.owner() + " (" + Numbers.plain(amps) + " A) lets more through than " + String.join(", ", ids)
                            + " (" + size.word() + ") may carry."));
        }
    }

    /** Nodes on the side of a fuse that no source feeds past it; empty where both or neither are. */
    private Set<Integer> behind(Ways wires, Branch fuse) {
        boolean feedsA = feeds(wires, fuse.nodeA());
        return feedsA == feeds(wires, fuse.nodeB())
                ? Set.of()
                : wires.reached(feedsA ? fuse.nodeB() : fuse.nodeA(), b -> true);
    }

    /** A machine has a protector of its own, so that what feeds one may have a larger fuse. */
    private double most(ConductorSize size, Set<Integer> behind) {
        boolean machine = wiring.assembly().branches().stream()
                .filter(b -> b.role() == Role.LOAD && (behind.contains(b.nodeA()) || behind.contains(b.nodeB())))
                .anyMatch(b -> wiring.member(b.owner()).is(Trait.COMPRESSOR));
        return (machine ? MACHINE_TIMES : 1) * size.protectionAmps();
    }

    /** Whether a node is joined to the hot pole of a source with no other protection between. */
    private boolean feeds(Ways wires, int node) {
        Set<Integer> reached = wires.reached(node, b -> true);
        return wiring.branches(Role.SOURCE, Role.SECONDARY).stream().anyMatch(s -> reached.contains(s.nodeA()));
    }
}
