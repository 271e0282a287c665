package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.SUPPLIES_TIED;
import static org.jagridge.core.check.FindingKind.SUPPLIES_TIED_ONCE;
import static org.jagridge.core.check.FindingKind.TRANSFORMER_PAIR_REVERSED;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** Transformers that are tied to each other. */
final class Ties implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Ties(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        ties();
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
        boolean hotOnCommon = wiring.net(a.nodeA()) == wiring.net(b.nodeB());
        boolean commonOnHot = wiring.net(a.nodeB()) == wiring.net(b.nodeA());
        boolean atBoth = (hots || hotOnCommon) && (commons || commonOnHot);
        List<String> parts = List.of(a.owner(), b.owner());
        String both = a.owner() + " and " + b.owner();
        boolean opposed = reversed(wiring.assembly().member(a.owner()).orElseThrow())
                != reversed(wiring.assembly().member(b.owner()).orElseThrow());
        if (opposed ? hots || commons : hotOnCommon && commonOnHot) {
            findings.add(
                    TRANSFORMER_PAIR_REVERSED,
                    parts,
                    both + " are joined and out of phase: twice the volts stand "
                            + (atBoth
                                    ? "in a circle with nothing in it to hold the current back."
                                    : "between their other poles."));
        }
        if (atBoth) {
            findings.add(
                    SUPPLIES_TIED,
                    parts,
                    both + " are tied at both poles: a unit that is switched off is live backwards through the other.");
        } else if (hots || hotOnCommon || commonOnHot) {
            findings.add(
                    SUPPLIES_TIED_ONCE,
                    parts,
                    both + " are tied at one pole. No current flows by that, until a second path joins them.");
        }
    }

    private static boolean reversed(Assembly.Member m) {
        return m.params().has("reversed") && m.params().flag("reversed");
    }
}
