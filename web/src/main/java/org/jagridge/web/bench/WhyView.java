package org.jagridge.web.bench;

import java.util.List;
import org.jagridge.core.trace.Why;

/** Why each load is on, and why each of the others is off, in words. */
record WhyView(List<String> on, List<String> off) {
    static WhyView of(BenchState state) {
        Why why = Why.at(state.run(), state.micros());
        return new WhyView(words(why.on()), words(why.off()));
    }

    private static List<String> words(List<Why.Reason> reasons) {
        return reasons.stream().map(Why.Reason::toString).toList();
    }
}
