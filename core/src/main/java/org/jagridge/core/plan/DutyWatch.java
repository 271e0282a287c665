package org.jagridge.core.plan;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;

/** Looks for what must not be between rest and rest. */
final class DutyWatch {
    /** What is shorter than this is a contact on its way. */
    private static final long PASSING = Time.SECOND / 2;
    /** A pump runs on this long after its call at the most. */
    private static final long OVERRUN = 180 * Time.SECOND;
    /** Heat may be this long without air while contacts move and a blower comes up. */
    private static final long WITHOUT_AIR = 3 * Time.SECOND;

    private final Duties duties;
    private final Set<Duty> allowed;
    private Set<Duty> now = EnumSet.noneOf(Duty.class);
    private long withoutAir;
    private final Map<Duty, Long> astray = new LinkedHashMap<>();
    private String wrong;

    DutyWatch(Duties duties, Set<Duty> wanted) {
        this.duties = duties;
        allowed = EnumSet.of(Duty.INDOOR_FAN);
        allowed.addAll(wanted);
    }

    /** The first thing that went wrong; null for nothing. */
    String wrong() {
        return wrong;
    }

    void sees(Frame frame) {
        now = duties.done(frame);
    }

    void lasts(long micros) {
        if (wrong != null || micros <= 0) {
            return;
        }
        for (Duty d : now) {
            if (!allowed.contains(d)) {
                long so = astray.merge(d, micros, Long::sum);
                if (so > (d == Duty.PUMP ? OVERRUN : PASSING)) {
                    wrong = d.title() + " runs and must not";
                }
            }
        }
        boolean hot = duties.needAir().stream().anyMatch(now::contains);
        withoutAir = hot && !now.contains(Duty.INDOOR_FAN) ? withoutAir + micros : 0;
        if (withoutAir > WITHOUT_AIR) {
            wrong = "heat without air: " + Duties.titles(duties.needAir()) + " on, the indoor fan off";
        }
    }
}
