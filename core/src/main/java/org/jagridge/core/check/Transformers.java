package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.TRANSFORMER_OVERLOADED;

import org.jagridge.core.circuit.Params;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Frame;

/** Transformers that give more than they are made for. */
final class Transformers implements RunCheck {
    private static final double OVERLOAD = 1.2;

    private final Assembly assembly;
    private final Findings findings;

    Transformers(Assembly assembly, Findings findings) {
        this.assembly = assembly;
        this.findings = findings;
    }

    @Override
    public void settled(Frame f, long lasts, During during) {
        for (Branch b : f.assembly().branches()) {
            if (b.role() == Role.SECONDARY) {
                transformer(b, f, during);
            }
        }
    }

    private Params params(Branch b) {
        return assembly.member(b.owner()).orElseThrow().params();
    }

    private void transformer(Branch b, Frame f, During during) {
        Params p = params(b);
        if (!p.has("va")) {
            return;
        }
        double va = f.amps(b) * p.number("secondaryVolts", 24);
        if (va > OVERLOAD * p.number("va")) {
            findings.tried(
                    TRANSFORMER_OVERLOADED,
                    b.owner(),
                    "%s gives %s VA, rated %s VA,%s."
                            .formatted(b.owner(), Numbers.threeFigures(va), Numbers.plain(p.number("va")), during),
                    during.at(f.micros()));
        }
    }
}
