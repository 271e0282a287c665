package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.TRANSFORMER_OVERLOADED;

import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Rating;
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

    private void transformer(Branch b, Frame f, During during) {
        Rating rating = assembly.member(b.owner()).orElseThrow().rating();
        double va = f.amps(b) * rating.secondaryVolts();
        if (rating.voltAmperes() > 0 && va > OVERLOAD * rating.voltAmperes()) {
            findings.tried(
                    TRANSFORMER_OVERLOADED,
                    b.owner(),
                    "%s gives %s VA, rated %s VA,%s."
                            .formatted(
                                    b.owner(), Numbers.threeFigures(va), Numbers.plain(rating.voltAmperes()), during),
                    during.at(f.micros()));
        }
    }
}
