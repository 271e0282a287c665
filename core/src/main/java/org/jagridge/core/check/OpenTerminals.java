package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.OPEN_TERMINAL;

import java.util.List;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/** Coils, machines and windings with one end in the air. */
final class OpenTerminals implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    OpenTerminals(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        openTerminals();
    }

    /** A coil, machine or winding with one end in the air. */
    private void openTerminals() {
        for (Branch b : wiring.assembly().branches()) {
            boolean matters = b.role() == Role.COIL
                    || b.role() == Role.PRIMARY
                    || (b.role() == Role.LOAD && b.shape() != Shape.BOX && b.shape() != Shape.CAPACITOR);
            if (!matters || !b.isDrawn() || isTapOf(b)) {
                continue;
            }
            for (Terminal t : List.of(b.a(), b.b())) {
                Terminal other = t.equals(b.a()) ? b.b() : b.a();
                if (isOpen(t) && !isOpen(other)) {
                    findings.add(
                            OPEN_TERMINAL,
                            List.of(b.owner()),
                            t + " has no wire, so " + b.owner() + " can never work.");
                }
            }
        }
    }

    private boolean isOpen(Terminal t) {
        int net = wiring.net(wiring.assembly().node(t).orElseThrow());
        return !wiring.isWired(t.part(), t.name()) && wiring.at(net).size() < 2;
    }

    /** A speed tap that nobody uses is no mistake. */
    private boolean isTapOf(Branch b) {
        return b.shape() == Shape.MOTOR && b.b() != null && b.b().name().equals("COM");
    }
}
