package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.COIL_KIND;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** AC coils that only direct current can reach, and the other way round. */
final class CoilKinds implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    CoilKinds(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        coilKinds();
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
                findings.add(
                        COIL_KIND,
                        List.of(b.owner()),
                        b.title() + " is a " + p.text("coilKind") + " coil and can only get "
                                + (wantsDirect ? "AC" : "DC") + ".");
            }
        }
    }

    private boolean isDirect(Branch source) {
        Assembly.Member m = wiring.member(source.owner());
        return m.type().source(m.params()).direct();
    }
}
