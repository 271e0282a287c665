package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.COIL_UNDERVOLTED;
import static org.jagridge.core.check.FindingKind.UNDER_VOLTAGE;

import java.util.Locale;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;

/** Coils that hold with too few volts. */
final class Coils implements RunCheck {
    private static final double HEALTHY_COIL = 0.85;

    /** Share of its volts from which a coil that stays out is fed at all. */
    private static final double HUMS = 0.4;

    private static final long LONG = 30 * Time.SECOND;

    private final Assembly assembly;
    private final Findings findings;

    Coils(Assembly assembly, Findings findings) {
        this.assembly = assembly;
        this.findings = findings;
    }

    @Override
    public void settled(Frame f, long lasts, During during) {
        for (Branch b : f.assembly().branches()) {
            if (b.role() == Role.COIL) {
                coil(b, f, during);
                neverSeats(b, f, lasts, during);
            }
        }
    }

    /** Fed for long with too little to pull in: it hums, overheats, and its contacts stay where they are. */
    private void neverSeats(Branch b, Frame f, long lasts, During during) {
        double rated = assembly.member(b.owner()).orElseThrow().rating().coilVolts();
        boolean fed = rated > 0 && f.volts(b) >= HUMS * rated;
        if (fed && lasts >= LONG && "out".equals(f.signals().get(b.owner()))) {
            findings.tried(
                    UNDER_VOLTAGE,
                    b.owner(),
                    String.format(
                            Locale.ROOT,
                            "%s gets %.1f V, %.0f %% of its rating, and doesn't pull in%s.",
                            b.owner(),
                            f.volts(b),
                            100 * f.volts(b) / rated,
                            during),
                    during.at(f.micros()));
        }
    }

    private void coil(Branch b, Frame f, During during) {
        double rated = assembly.member(b.owner()).orElseThrow().rating().coilVolts();
        if (rated == 0 || !"in".equals(f.signals().get(b.owner()))) {
            return;
        }
        double share = f.volts(b) / rated;
        if (share < HEALTHY_COIL) {
            findings.tried(
                    COIL_UNDERVOLTED,
                    b.owner(),
                    String.format(
                            Locale.ROOT,
                            "%s holds with %.1f V, %.0f %% of its rating,%s.",
                            b.owner(),
                            f.volts(b),
                            100 * share,
                            during),
                    during.at(f.micros()));
        }
    }
}
