package org.jagridge.core.prove;

/** How far was searched, in words; never more than that. */
final class Bounds {
    private Bounds() {}

    static String of(StateSearch s, Limits limits) {
        return of(s.isComplete(), s.alwaysRests(), s.states(), s.onTheWay(), limits);
    }

    static String of(boolean complete, boolean rests, int states, int onTheWay, Limits limits) {
        String found = "%,d states at rest and %,d on the way".formatted(states, onTheWay);
        return (complete
                        ? "every state that hands come to from the start, at most %s in flight: %s"
                                .formatted(changes(limits), found)
                        : "not every state: the search stopped after " + found)
                + (rests ? "" : "; after some changes it wasn't at rest within two hours");
    }

    private static String changes(Limits limits) {
        return limits.changesInFlight() == 1 ? "one change" : limits.changesInFlight() + " changes";
    }
}
