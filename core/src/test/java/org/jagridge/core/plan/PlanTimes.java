package org.jagridge.core.plan;

import java.io.IOException;
import java.util.Map;
import java.util.Set;

/**
 * Prints how long each set-up takes, best of three and warm, and what it costs to run every candidate without leaving any
 * out: a bench, not a test.
 */
public final class PlanTimes {
    private PlanTimes() {}

    @SuppressWarnings("unchecked")
    public static void main(String[] args) throws IOException {
        Object[][] all = SetupsTest.setups();
        for (Object[] row : all) {
            WiringPlanner.plan(WiringRequestReader.read(row[1]));
        }
        double worst = 0;
        String slowest = "";
        for (Object[] row : all) {
            WiringRequest request = WiringRequestReader.read((Map<String, Object>) row[1]);
            double best = Double.MAX_VALUE;
            for (int i = 0; i < 3; i++) {
                long t = System.nanoTime();
                WiringPlanner.plan(request);
                best = Math.min(best, (System.nanoTime() - t) / 1e6);
            }
            if (best > worst) {
                worst = best;
                slowest = (String) row[0];
            }
        }
        System.out.printf("planner, %d set-ups: the slowest %.0f ms (%s)%n", all.length, worst, slowest);
        WiringRequest cottage = WiringRequestReader.read(SetupsTest.request("cottage, four up and two out"));
        long t0 = System.nanoTime();
        WiringPlanner.plan(cottage);
        long t1 = System.nanoTime();
        int run = runEveryCandidate(cottage);
        long t2 = System.nanoTime();
        System.out.printf(
                "planner, the cottage: %.0f ms; every candidate run, %d circuits: %.1f times that%n",
                (t1 - t0) / 1e6, run, (double) (t2 - t1) / (t1 - t0));
    }

    /** @return how many circuits could be landed, and were run */
    private static int runEveryCandidate(WiringRequest request) {
        int circuits = 0;
        for (int n = 0; n <= WiringPlanner.MOST_MOVES; n++) {
            for (Set<Move> moves : WiringPlanner.candidates(request, n)) {
                Composition c = Composer.compose(request, Faces.of(request).get(0), moves);
                if (c.why == null) {
                    circuits++;
                    new CallTrial(c).run();
                }
            }
        }
        return circuits;
    }
}
