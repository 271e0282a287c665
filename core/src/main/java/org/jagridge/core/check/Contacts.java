package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.CONTACT_DROP;
import static org.jagridge.core.check.FindingKind.CONTACT_OVERLOADED;
import static org.jagridge.core.check.FindingKind.TIMER_LOAD;

import org.jagridge.core.circuit.Params;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;

/** Contacts that lose or carry too much. */
final class Contacts implements RunCheck {
    private static final double FLOWS = 0.1;
    /** Volts. A sound contact loses millivolts. */
    private static final double DROPS = 0.5;
    /** Volts. The series element of an electronic timer loses about one with a small coil behind it. */
    private static final double ELEMENT_DROP = 2;

    /** Amps with which a series timer stays made at all. */
    private static final double HOLDS = 0.005;
    /** And those that makers ask for. */
    private static final double LEAST_LOAD = 0.02;

    private final Assembly assembly;
    private final Findings findings;

    Contacts(Assembly assembly, Findings findings) {
        this.assembly = assembly;
        this.findings = findings;
    }

    @Override
    public void settled(Frame f, long lasts, During during) {
        for (Branch b : f.assembly().branches()) {
            if (b.role() == Role.CONTACT) {
                contact(b, f, during);
            }
        }
    }

    private Params params(Branch b) {
        return assembly.member(b.owner()).orElseThrow().params();
    }

    private boolean isSeriesTimer(Branch b) {
        return assembly.member(b.owner()).orElseThrow().is(Trait.DIAL)
                && params(b).is("form", "series");
    }

    /** While a series timer waits, nearly all the volts stand across it at a trickle; that is no loss. */
    private boolean losesTooMuch(Branch b, Frame f) {
        return isSeriesTimer(b)
                ? f.amps(b) > FLOWS && f.volts(b) > ELEMENT_DROP
                : f.conducts(b) && f.volts(b) > DROPS && !isHalfWave(b, f);
    }

    /** AC and DC at once across a contact: it passes one half of the wave, as a call that shares its conductor does. */
    private static boolean isHalfWave(Branch b, Frame f) {
        return f.dc() != null && f.dc().branchMagnitude(b.index()) > DROPS && f.ac().branchMagnitude(b.index()) > DROPS;
    }

    private void contact(Branch b, Frame f, During during) {
        if (losesTooMuch(b, f)) {
            findings.tried(
                    CONTACT_DROP,
                    b.owner(),
                    "%s loses %s V while it is closed%s."
                            .formatted(b.title(), Numbers.threeFigures(f.volts(b)), during),
                    during.at(f.micros()));
        }
        if (isSeriesTimer(b) && f.amps(b) >= HOLDS && f.amps(b) < LEAST_LOAD) {
            findings.tried(
                    TIMER_LOAD,
                    b.owner(),
                    "%s holds %s mA%s; its maker asks for 20 at least."
                            .formatted(b.owner(), Numbers.threeFigures(1000 * f.amps(b)), during),
                    during.at(f.micros()));
        }
        double most = assembly.member(b.owner()).orElseThrow().rating().contactAmps();
        if (most > 0 && f.amps(b) > most) {
            findings.tried(
                    CONTACT_OVERLOADED,
                    b.owner(),
                    "%s carries %s A, rated %s A,%s."
                            .formatted(b.title(), Numbers.threeFigures(f.amps(b)), Numbers.plain(most), during),
                    during.at(f.micros()));
        }
    }
}
