package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.FUSE_OVER_WIRE;
import static org.jagridge.core.check.FindingKind.FUSE_TOO_LARGE;

import java.util.List;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/** Fuses that let more through than what hangs on them bears. */
final class FuseSizes implements WiringCheck {
    /** A fuse of more than this times the transformer's rated amps doesn't protect it. */
    private static final double FUSE_TIMES = 3.2;

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
            if (!wiring.member(fuse.owner()).is(Trait.FUSE)) {
                continue;
            }
            double amps = wiring.assembly()
                    .member(fuse.owner())
                    .orElseThrow()
                    .params()
                    .number("amps");
            for (int node : new int[] {fuse.nodeA(), fuse.nodeB()}) {
                for (Branch s : wiring.at(wiring.net(node))) {
                    Params p = wiring.assembly().member(s.owner()).orElseThrow().params();
                    if (s.role() == Role.SECONDARY
                            && p.has("va")
                            && amps > FUSE_TIMES * p.number("va") / p.number("secondaryVolts", 24)) {
                        findings.add(
                                FUSE_TOO_LARGE,
                                List.of(fuse.owner(), s.owner()),
                                fuse.owner() + " (" + Numbers.plain(amps) + " A) lets " + s.owner() + " ("
                                        + Numbers.plain(p.number("va")) + " VA) burn out first.");
                    }
                }
            }
        }
    }

    /** A fuse that lets more through than a conductor on it may carry. */
    private void fuseWires() {
        for (Assembly.Member m : wiring.parts(Trait.FUSE)) {
            double amps = m.params().number("amps");
            for (Wire w : wiring.assembly().circuit().wires()) {
                boolean onIt = w.from().part().equals(m.part().id())
                        || w.to().part().equals(m.part().id());
                if (onIt && w.size() != null && amps > ampacity(w.size().ohmsPerKilometre())) {
                    findings.add(
                            FUSE_OVER_WIRE,
                            List.of(m.part().id()),
                            List.of(w.id()),
                            m.part().id() + " (" + Numbers.plain(amps) + " A) lets more through than " + w.id() + " ("
                                    + w.size().word() + ") may carry.");
                }
            }
        }
    }

    /** Usual limits of small copper conductors by their resistance: 3 A at 22 AWG up to 40 A at 8 AWG. */
    private static double ampacity(double ohmsPerKilometre) {
        double[][] limits = {{50, 3}, {30, 5}, {20, 7}, {12, 10}, {8, 15}, {5, 20}, {3, 30}};
        for (double[] l : limits) {
            if (ohmsPerKilometre >= l[0]) {
                return l[1];
            }
        }
        return 40;
    }
}
