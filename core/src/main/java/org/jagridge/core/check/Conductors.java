package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.CONDUCTOR_OVERLOADED;

import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.run.Frame;

/** Conductors that carry more than their size may. */
final class Conductors implements RunCheck {
    private final Assembly assembly;
    private final Findings findings;

    Conductors(Assembly assembly, Findings findings) {
        this.assembly = assembly;
        this.findings = findings;
    }

    @Override
    public void settled(Frame f, long lasts, During during) {
        for (Wire w : assembly.circuit().wires()) {
            ConductorSize size = assembly.circuit().sizeOf(w);
            if (size == null) {
                continue;
            }
            for (Branch b : assembly.branchesOf(w.id())) {
                if (f.amps(b) > size.amps()) {
                    findings.triedWire(
                            CONDUCTOR_OVERLOADED,
                            w.id(),
                            "%s (%s) carries %s A and may carry %s A%s."
                                    .formatted(
                                            w.id(),
                                            size.word(),
                                            Numbers.threeFigures(f.amps(b)),
                                            Numbers.plain(size.amps()),
                                            during),
                            during.at(f.micros()));
                }
            }
        }
    }
}
