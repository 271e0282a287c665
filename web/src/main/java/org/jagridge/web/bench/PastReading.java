package org.jagridge.web.bench;

import java.util.List;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Request;
import org.jagridge.web.svg.Clock;

/**
 * What the meter showed after one of the last acts, where the leads then were.
 *
 * @param where the leads or the clamp were
 */
record PastReading(String time, String where, String display) {
    private static final int SHOWN = 6;

    /** The newest first. */
    static List<PastReading> of(BenchState state) {
        return acts(state).limit(SHOWN).mapToObj(i -> after(i, state)).toList();
    }

    static boolean anyOf(BenchState state) {
        return acts(state).findAny().isPresent();
    }

    /** The numbers of the acts before the last whose outcome has been shown by now, the newest first. */
    private static IntStream acts(BenchState state) {
        List<Action> actions = state.actions();
        return IntStream.iterate(actions.size() - 2, i -> i >= 0, i -> i - 1)
                .filter(i -> shownBefore(actions, i) <= state.micros());
    }

    private static PastReading after(int i, BenchState state) {
        long shown = shownBefore(state.actions(), i);
        Request r = state.meterAfter(i);
        return new PastReading(
                Clock.of(shown),
                where(r, state.drawn().circuit()),
                Meter.at(state.run(), shown).display(r));
    }

    /** The last instant at which an act's outcome stood, before another one at the same time changed it. */
    private static long shownBefore(List<Action> actions, int i) {
        long shown = actions.get(i).shownAt();
        boolean changed = actions.subList(i + 1, actions.size()).stream()
                .anyMatch(later -> later.kind().moves() && later.micros() == shown);
        return changed ? Math.max(0, shown - 1) : shown;
    }

    private static String where(Request r, Circuit circuit) {
        if (r.mode().clamps()) {
            return r.wire();
        }
        return r.mode() == Request.Mode.CELSIUS
                ? r.plus().part()
                : Leads.written(r.plus(), circuit) + " – " + Leads.written(r.minus(), circuit);
    }
}
