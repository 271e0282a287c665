package org.jagridge.core.drawing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;
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

    /** Points of wires' ways that are kept, of all drawings together: some 30 megabytes. */
    private static final int MOST_POINTS = 1_000_000;

    /** What was chosen before: an edit that changes nothing that is drawn needn't wait for it once more. */
    private static final Cache<Seen, Done> KEPT = Caffeine.newBuilder()
            .maximumWeight(MOST_POINTS)
            .<Seen, Done>weigher((seen, done) -> done.points())
            .build();

    static Chosen of(Assembly assembly) {
        return assembly.kept(Chosen.class, Chosen::made);
    }

    /**
     * All that the arrangements and ways are found from.
     *
     * @param order in which the rows have their blocks
     */
    private record Seen(
            List<Place> places,
            List<Part> parts,
            List<Cable> cables,
            List<Wire> wires,
            Placement rows,
            List<String> order,
            Set<String> supplies) {

        static Seen of(Assembly assembly) {
            Circuit circuit = assembly.circuit();
            Placement rows = RowPlacement.of(assembly);
            return new Seen(
                    circuit.places(),
                    circuit.parts().stream().map(Seen::bare).toList(),
                    circuit.cables().stream()
                            .map(c -> new Cable(c.id(), c.from(), c.to(), null, null, c.cores()))
                            .toList(),
                    circuit.wires().stream().map(Seen::bare).toList(),
                    rows,
                    List.copyOf(rows.blocks().keySet()),
                    RowPlacement.supplies(assembly));
        }

        private static Part bare(Part p) {
            return new Part(p.id(), p.type(), p.place(), null, Map.of(), true, Part.WhenNotFitted.OPEN, Map.of());
        }

        private static Wire bare(Wire w) {
            return new Wire(
                    w.id(),
                    w.from(),
                    w.to(),
                    w.colour(),
                    null,
                    null,
                    Wire.Run.FIELD,
                    w.cable(),
                    w.core(),
                    w.colourAtEnds());
        }

        /** A circuit of no more than that, so that nothing else can matter. */
        Circuit circuit() {
            Circuit.Builder bare = Circuit.builder("");
            bare.places().addAll(places);
            bare.parts().addAll(parts);
            bare.cables().addAll(cables);
            bare.wires().addAll(wires);
            return bare.build();
        }
    }

    /**
     * What came of it.
     *
     * @param moved where boxes came to stand
     * @param drawn the same in frames, which the whole circuit has its part in
     */
    private record Done(List<Placement> moved, List<Placement> drawn, Chosen chosen) {
        int points() {
            return 1
                    + chosen.wires().stream()
                            .flatMap(w -> w.points().values().stream())
                            .mapToInt(List::size)
                            .sum();
        }

        boolean holdsFor(Assembly assembly) {
            return moved.stream()
                    .map(m -> RowPlacement.drawnIn(assembly, m))
                    .toList()
                    .equals(drawn);
        }
    }

    private static Chosen made(Assembly assembly) {
        Seen seen = Seen.of(assembly);
        Done kept = KEPT.getIfPresent(seen);
        if (kept != null && kept.holdsFor(assembly)) {
            return kept.chosen();
        }
        Done done = done(assembly, seen);
        KEPT.put(seen, done);
        return done.chosen();
    }

    /** The same without a look at what was chosen before. */
    static Chosen afresh(Assembly assembly) {
        return done(assembly, Seen.of(assembly)).chosen();
    }

    private static Done done(Assembly assembly, Seen seen) {
        Circuit circuit = seen.circuit();
        Try inRows = Try.of(circuit, seen.rows());
        if (inRows.steps() > LITTLE_WORK) {
            return new Done(List.of(), List.of(), inRows.chosen());
        }
        record Moved(Placement moved, Try drawn) {}
        List<Moved> nearer = Parallel.map(WEIGHTS, w -> {
            Placement moved = Nearer.of(circuit, seen.rows(), seen.supplies(), w);
            return new Moved(moved, Try.of(circuit, RowPlacement.drawnIn(assembly, moved)));
        });
        Chosen chosen = Stream.concat(Stream.of(inRows), nearer.stream().map(Moved::drawn))
                .min(Comparator.comparingInt(Try::apart).thenComparingDouble(Try::cost))
                .orElseThrow()
                .chosen();
        return new Done(
                nearer.stream().map(Moved::moved).toList(),
                nearer.stream().map(n -> n.drawn().placement()).toList(),
                chosen);
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
