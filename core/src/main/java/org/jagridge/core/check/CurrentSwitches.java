package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.CURRENT_SWITCH_ON_DC;
import static org.jagridge.core.check.FindingKind.CURRENT_SWITCH_TOO_FEW_TURNS;

import java.util.List;
import java.util.Map;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;

/** Current switches that stay open though current flows. */
final class CurrentSwitches implements RunCheck {
    private static final double FLOWS = 0.1;

    private final Assembly assembly;
    private final Findings findings;

    CurrentSwitches(Assembly assembly, Findings findings) {
        this.assembly = assembly;
        this.findings = findings;
    }

    @Override
    public void settled(Frame f, long lasts, During during) {
        currentSwitches(f, during);
    }

    /** A current switch that stays open though its conductor carries current: it wants more turns. */
    private void currentSwitches(Frame f, During during) {
        for (Assembly.Member m : assembly.members()) {
            if (!m.is(Trait.SENSES_CURRENT)
                    || !"open".equals(f.signals().get(m.part().id()))) {
                continue;
            }
            for (Map<String, Object> sense : m.params().structures("senses")) {
                List<Branch> wire = assembly.branchesOf((String) sense.get("wire"));
                double amps = wire.isEmpty() ? 0 : f.acAmps(wire.get(0)).abs();
                if (!wire.isEmpty() && amps < FLOWS && f.amps(wire.get(0)) > FLOWS) {
                    findings.tried(
                            CURRENT_SWITCH_ON_DC,
                            m.part().id(),
                            m.part().id() + " senses " + sense.get("wire") + ", which carries direct current" + during
                                    + ".",
                            CURRENT_SWITCH_ON_DC.advice(),
                            during.at(f.micros()));
                }
                if (amps > FLOWS) {
                    int turns = (int) Math.ceil(m.params().number("closeAmps") / amps);
                    findings.tried(
                            CURRENT_SWITCH_TOO_FEW_TURNS,
                            m.part().id(),
                            "%s stays open at %s A through %s%s."
                                    .formatted(m.part().id(), Numbers.threeFigures(amps), sense.get("wire"), during),
                            "Pass the conductor through it " + turns + " times.",
                            during.at(f.micros()));
                }
            }
        }
    }
}
