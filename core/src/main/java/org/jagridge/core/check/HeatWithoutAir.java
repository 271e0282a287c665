package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.HEAT_WITHOUT_AIR;

import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;

/** Heaters that overheat without air and run without any. */
final class HeatWithoutAir implements RunCheck {
    private static final long LONG = 60 * Time.SECOND;

    private final Assembly assembly;
    private final Findings findings;

    HeatWithoutAir(Assembly assembly, Findings findings) {
        this.assembly = assembly;
        this.findings = findings;
    }

    @Override
    public void settled(Frame f, long lasts, During during) {
        if (lasts <= LONG) {
            return;
        }
        for (Assembly.Member m : assembly.members()) {
            if (m.is(Trait.NEEDS_AIR)
                    && works(m, f)
                    && assembly.members().stream().noneMatch(a -> moves(a, m, f))) {
                findings.tried(
                        HEAT_WITHOUT_AIR,
                        m.part().id(),
                        m.part().id() + " heats for over a minute without a blower" + during + ".",
                        during.at(f.micros() + LONG));
            }
        }
    }

    /** Whether a part moves, or may move, the air at a heater. */
    private static boolean moves(Assembly.Member air, Assembly.Member heater, Frame f) {
        boolean mayBe = air.is(Trait.PERHAPS_AIR_MOVER)
                && air.part().place().equals(heater.part().place());
        return (air.is(Trait.AIR_MOVER) || mayBe) && works(air, f);
    }

    private static boolean works(Assembly.Member m, Frame f) {
        String signal = f.signals().get(m.part().id());
        return signal != null && m.signal().isAtWork(signal);
    }
}
