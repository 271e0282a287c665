package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.plan.InterlockRequest.Signal;
import org.jagridge.core.plan.SignalFinder.Candidate;
import org.jagridge.core.plan.SignalFinder.Finding;
import org.jagridge.core.plan.SignalFinder.Seen;
import org.jagridge.core.plan.SignalFinder.State;
import org.testng.annotations.Test;

/** What an opener offers, from what a meter shows at it; the table is that of the domain page, written down by hand. */
public class SignalFinderTest {
    private static final Map<Signal, String> TABLE = Map.of(
            // shut, moving, half, open, by hand, mains off: n nothing, a AC, d DC, m made
            Signal.DRY_WHEN_SHUT, "mnnnnn",
            Signal.DRY_WHEN_OPEN, "nnnmnm",
            Signal.AC_WHILE_MOVING, "nannnn",
            Signal.AC_WHILE_OPEN, "naaaan",
            Signal.DC_ALWAYS, "dddddn",
            Signal.NONE, "nnnnnn");

    private static final List<State> ORDER = List.of(State.values());

    private static Seen seen(char letter) {
        return switch (letter) {
            case 'a' -> Seen.AC;
            case 'd' -> Seen.DC;
            case 'm' -> Seen.MADE;
            default -> Seen.NOTHING;
        };
    }

    @Test
    public void eachKindGivesWhatTheTableSays() {
        for (Candidate c : SignalFinder.find(Map.of()).candidates()) {
            String row = TABLE.get(c.signal());
            for (State s : State.values()) {
                assertEquals(c.gives().get(s), seen(row.charAt(ORDER.indexOf(s))), c.signal() + " " + s);
            }
        }
    }

    /** Whoever looks where the finder says to look next ends with one kind, in three looks at the most. */
    @Test
    public void whoLooksWhereItSaysEndsWithOneKind() {
        for (Signal s : Signal.values()) {
            Map<State, Seen> seen = new HashMap<>();
            int looks = 0;
            Finding f = SignalFinder.find(seen);
            while (f.next().isPresent()) {
                State next = f.next().get();
                seen.put(next, seen(TABLE.get(s).charAt(ORDER.indexOf(next))));
                f = SignalFinder.find(seen);
                looks++;
            }
            assertEquals(f.fitting().stream().map(Candidate::signal).toList(), List.of(s));
            assertTrue(looks <= 3, s + " " + looks);
        }
    }

    @Test
    public void whatFitsNothingSaysWhereItDiffers() {
        Finding f = SignalFinder.find(Map.of(State.SHUT, Seen.AC, State.OPEN, Seen.DC));
        assertTrue(f.fitting().isEmpty());
        assertTrue(f.candidates().stream().noneMatch(c -> c.against().isEmpty()));
    }
}
