package org.jagridge.core.prove;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.prove.Openings.Design;
import org.jagridge.core.run.Simulation;

/** How long proofs take, and how a step of the search compares with a replay from the start. */
public final class ProofTimes {
    private static final int ROUNDS = 3;
    private static final int REPLAYS = 40;

    private ProofTimes() {}

    public static void main(String[] args) {
        for (int[] size : new int[][] {{1, 1}, {4, 1}, {8, 2}}) {
            Circuit circuit = Openings.of(size[0], size[1], Design.SHUT);
            double best = Double.MAX_VALUE;
            long steps = 0;
            for (int i = 0; i < ROUNDS; i++) {
                Limits limits = Limits.usual();
                long from = System.nanoTime();
                Prover.prove(circuit, circuit.rules(), true, limits);
                best = Math.min(best, (System.nanoTime() - from) / 1e9);
                steps = limits.done().get();
            }
            double replay = replaySeconds(circuit);
            System.out.printf(
                    "proof %d openings x %d heaters, all single faults: %.2f s, %,d instants, %.0f us each; one replay of"
                            + " the whole from the start %.0f us, %.0f times as much%n",
                    size[0], size[1], best, steps, best / steps * 1e6, replay * 1e6, replay / (best / steps));
        }
    }

    /** A run of one change in the whole circuit from its start. */
    private static double replaySeconds(Circuit circuit) {
        Scenario scenario = new Scenario(
                "one change",
                Map.of(),
                List.of(new Scenario.Step(3, Map.of("V1.target", "half"), List.of())),
                List.of(),
                60);
        double best = Double.MAX_VALUE;
        for (int i = 0; i < REPLAYS; i++) {
            long from = System.nanoTime();
            Simulation.run(circuit, scenario);
            best = Math.min(best, (System.nanoTime() - from) / 1e9);
        }
        return best;
    }
}
