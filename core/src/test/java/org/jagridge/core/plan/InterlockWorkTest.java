package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.core.plan.Consequences.Heat;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.plan.InterlockRequest.Control;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.plan.InterlockRequest.Opening;
import org.jagridge.core.plan.InterlockRequest.Signal;
import org.jagridge.core.plan.InterlockWork.Loop;
import org.jagridge.core.plan.InterlockWork.Work;
import org.testng.annotations.Test;

/** Cut list, labels and loops of a plan, what it saves, and the next place. */
public class InterlockWorkTest {
    private static InterlockRequest request(double metres, Signal signal) {
        return new InterlockRequest(
                List.of(
                        new Opening("V1", signal, 28, true, true, metres),
                        new Opening("V2", signal, 28, true, true, 7)),
                List.of(new Heater("H1", Control.PAIR_24V, 2), new Heater("H2", Control.LINE_CALL, 1.5)),
                Map.of("H1", List.of("V1", "V2"), "H2", List.of("V2")),
                Map.of(),
                false,
                "North bay");
    }

    private static final Map<InterlockRequest, InterlockAnswer> ANSWERS = new ConcurrentHashMap<>();

    private static InterlockAnswer answer(InterlockRequest request) {
        return ANSWERS.computeIfAbsent(request, InterlockPlanner::plan);
    }

    private static Plan best(InterlockRequest request) {
        return answer(request).plans().get(0);
    }

    @Test
    public void everyCoreThatLeavesThePanelIsCutAndMarkedAtBothEnds() {
        InterlockRequest request = request(20, Signal.DC_ALWAYS);
        Plan plan = best(request);
        Work work = InterlockWork.of(request, plan);
        assertEquals(work.metres(), plan.metres(), 1e-9);
        long field = plan.circuit().wires().stream()
                .filter(w -> plan.circuit().lengthOf(w).isPresent())
                .count();
        assertEquals(work.cuts().stream().mapToInt(InterlockWork.Cut::cores).sum(), field);
        assertTrue(work.cuts().stream().anyMatch(c -> c.to().equals("At V1") && c.metres() == 20), "" + work.cuts());
        assertEquals(
                work.labels().size(), 2 * field + plan.circuit().parts().size(), "both ends of each, and each device");
        assertTrue(plan.circuit().name().startsWith("North bay"));
    }

    @Test
    public void theVoltsAtTheLoopsEndAreMeasuredInTheCircuit() {
        InterlockRequest request = request(400, Signal.DRY_WHEN_SHUT);
        Plan plan = answer(request).plans().stream()
                .filter(p -> p.techniques().containsValue("series-dry-contact"))
                .findFirst()
                .orElseThrow();
        for (Loop l : InterlockWork.of(request, plan).loops()) {
            // a conductor of 18 AWG has 20.95 Ω/km
            double ohms = l.metres() * 20.95e-3;
            assertTrue(l.lost() >= 0 && l.lost() < 24, l.toString());
            assertTrue(ohms < 1 || l.lost() > 0.05, l.toString());
            assertEquals(l.hasCoil(), l.heater().equals("H2"));
            assertTrue(l.holds(), l.toString());
        }
    }

    @Test
    public void withoutTheInterlockTheHeatBurnsForAsLongAsItIsOpen() {
        InterlockRequest request = request(20, Signal.DC_ALWAYS);
        List<Heat> heat = Consequences.of(request, best(request), new Consequences.Day(3, 6));
        assertEquals(heat.size(), 2);
        for (Heat h : heat) {
            // vents take 12 s to shut and count as open meanwhile
            assertEquals(h.hoursWithout(), 6 + 3 * 12 / 3600.0, 0.01, h.toString());
            assertTrue(h.hoursWith() < 0.01, h.toString());
            assertEquals(h.startsWithout(), 1);
            assertEquals(h.startsWith(), 4);
        }
    }

    @Test
    public void atTheNextPlaceOnlyWhatIsOtherwiseIsListed() {
        InterlockRequest first = request(20, Signal.DC_ALWAYS);
        InterlockRequest next = request(31, Signal.DC_ALWAYS);
        Plan a = best(first);
        assertTrue(PlaceDifferences.of(first, a, first, a).isEmpty());
        List<PlaceDifferences.Row> rows = PlaceDifferences.of(first, a, next, best(next));
        assertTrue(
                rows.stream()
                        .anyMatch(r -> r.what().equals("opening V1") && r.next().contains("31 m")),
                "" + rows);
        assertTrue(rows.stream().noneMatch(r -> r.what().equals("opening V2")), "" + rows);
        assertTrue(rows.stream().anyMatch(r -> r.what().contains("metres")), "" + rows);
    }
}
