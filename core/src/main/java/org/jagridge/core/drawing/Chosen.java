package org.jagridge.core.drawing;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.drawing.Nearer.Weights;
import org.jagridge.core.part.Assembly;

/**
 * How a connection diagram is arranged that no hand has arranged: in rows, or, where it isn't too much work to try,
 * with what is wired together nearer to each other; that one whose wires cross least, by the proportions of a pane.
 *
 * @param wires their ways; empty where they don't fit
 */
record Chosen(Placement placement, Optional<WireLayout.Ways> wires) {
    /** Where finding the ways was more work than that, it isn't done once more for each weighing. */
    private static final int LITTLE_WORK = 450_000;

    /** So many matter less than a good shape. */
    private static final int FEW_CROSSINGS = 5;

    private static final List<Weights> WEIGHTS = List.of(
            new Weights(2, 0),
            new Weights(1, 12),
            new Weights(1, 0),
            new Weights(0.5, 12),
            new Weights(3, 0),
            new Weights(1, 30));

    static Chosen of(Assembly assembly) {
        return assembly.kept(Chosen.class, Chosen::made);
    }

    private static Chosen made(Assembly assembly) {
        Circuit circuit = assembly.circuit();
        Placement rows = RowPlacement.of(assembly);
        Try inRows = Try.of(circuit, rows);
        if (inRows.steps() > LITTLE_WORK) {
            return inRows.chosen();
        }
        Set<String> supplies = RowPlacement.supplies(assembly);
        List<Try> nearer = Parallel.map(
                WEIGHTS, w -> Try.of(circuit, RowPlacement.drawnIn(assembly, Nearer.of(circuit, rows, supplies, w))));
        return Stream.concat(Stream.of(inRows), nearer.stream())
                .min(Comparator.comparingInt(Try::apart).thenComparingDouble(Try::cost))
                .orElseThrow()
                .chosen();
    }

    /** An arrangement with the first ways of its wires; empty where they don't fit. */
    private record Try(Placement placement, WireLayout layout, Optional<WireLayout.Ways> first) {
        static Try of(Circuit circuit, Placement placement) {
            WireLayout layout = WireLayout.begun(circuit, placement);
            return new Try(placement, layout, layout.ways());
        }

        Chosen chosen() {
            return new Chosen(placement, layout.again().ways());
        }

        int steps() {
            return first.map(WireLayout.Ways::steps).orElse(Integer.MAX_VALUE);
        }

        int apart() {
            return first.map(WireLayout.Ways::apart).orElse(Integer.MAX_VALUE);
        }

        /** Crossings, and more of them the less it has the proportions of a pane; what doesn't fit costs without end. */
        double cost() {
            return first.map(w -> (w.crossings() + FEW_CROSSINGS) * (1 + RowPlacement.misfit(placement)))
                    .orElse(Double.MAX_VALUE);
        }
    }
}
