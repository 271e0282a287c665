package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.NO_PROTECTION;
import static org.jagridge.core.check.FindingKind.NO_PROTECTION_LINE;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.Ways;

/** Sources that feed something with nothing between that would open on too much current. */
final class Protections implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Protections(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        Ways unprotected = Ways.of(wiring.assembly(), b -> b.role() == Role.CONTACT, wiring::net);
        for (Branch s : wiring.branches(Role.SOURCE, Role.SECONDARY)) {
            boolean mains = wiring.member(s.owner()).is(Trait.MAINS);
            if (s.a() == null || !(mains || isBareTransformer(s.owner()))) {
                continue;
            }
            Set<String> fed = new LinkedHashSet<>();
            for (int net : unprotected.reached(wiring.net(s.nodeA()), c -> true)) {
                wiring.at(net).stream().filter(b -> b.role().consumes()).forEach(b -> fed.add(b.owner()));
            }
            if (!fed.isEmpty()) {
                findings.once(
                        mains ? NO_PROTECTION_LINE : NO_PROTECTION,
                        s.owner(),
                        "Nothing drawn between " + s.a() + " and " + String.join(", ", List.copyOf(fed))
                                + " opens on too much current.");
            }
        }
    }

    /** A board or heater with a transformer inside has what protects it inside, too. */
    private boolean isBareTransformer(String part) {
        return wiring.assembly().branchesOf(part).stream()
                .allMatch(b ->
                        List.of(Role.PRIMARY, Role.SECONDARY, Role.EARTHING).contains(b.role()));
    }
}
