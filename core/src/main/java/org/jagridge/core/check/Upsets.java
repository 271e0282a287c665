package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.BACKFED_TRANSFORMER;
import static org.jagridge.core.check.FindingKind.BURNS_OUT;
import static org.jagridge.core.check.FindingKind.CHATTER;

import java.util.Set;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;

/** Parts that burn out, blow, trip, chatter or are fed backwards in a normal run. */
final class Upsets implements RunCheck {
    private static final Set<String> GONE = Set.of("burnt", "blown", "tripped");

    private final Findings findings;

    Upsets(Findings findings) {
        this.findings = findings;
    }

    @Override
    public void look(Run run, During during) {
        for (RunProblem p : run.problems()) {
            FindingKind kind = p.code().equals(BACKFED_TRANSFORMER.code()) ? BACKFED_TRANSFORMER : CHATTER;
            findings.tried(kind, p.parts().get(0), p.message() + during + ".", during.at(p.micros()));
        }
        for (Event e : run.events()) {
            if (!e.isInput() && GONE.contains(e.to())) {
                findings.tried(
                        BURNS_OUT,
                        e.part(),
                        e.part() + " is " + e.to() + during + ": " + e.because().text() + ".",
                        during.at(e.micros()));
            }
        }
    }
}
