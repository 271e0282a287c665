package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;

/**
 * Ranks the parts of a circuit for the layout of the connection diagram: by place, and within a place by a colouring in
 * which no two wired parts share a colour. Greedy in the order of the largest number of colours already seen around a
 * part (D. Brélaz, "New methods to color the vertices of a graph", Communications of the ACM 22 (1979), 251–256), ties
 * by the order of the circuit; of the free colours the one that has the fewest parts so far, unless all have enough.
 */
final class Columns {
    private static final int PLACE_STEP = 1000;
    /** Parts side by side before another layer is begun, so that a drawing stays about as wide as a pane. */
    private static final int PARTS_ABREAST = 4;

    private Columns() {}

    /** Rank by part id (and by place id for the place's metalwork). Wired parts never have the same rank. */
    static Map<String, Integer> of(Circuit circuit) {
        Map<String, Set<String>> neighbours = neighbours(circuit);
        Map<String, Integer> rank = new HashMap<>();
        int base = 0;
        for (Place place : circuit.places()) {
            List<String> ids = new ArrayList<>(circuit.parts().stream()
                    .filter(p -> p.place().equals(place.id()))
                    .map(Part::id)
                    .toList());
            ids.add(place.id());
            colour(ids, neighbours, base, rank);
            base += PLACE_STEP;
        }
        return rank;
    }

    private static Map<String, Set<String>> neighbours(Circuit circuit) {
        Map<String, Set<String>> neighbours = new HashMap<>();
        for (Wire w : circuit.wires()) {
            String a = w.from().part();
            String b = w.to().part();
            if (!a.equals(b)) {
                neighbours.computeIfAbsent(a, x -> new HashSet<>()).add(b);
                neighbours.computeIfAbsent(b, x -> new HashSet<>()).add(a);
            }
        }
        return neighbours;
    }

    private static void colour(
            List<String> ids, Map<String, Set<String>> neighbours, int base, Map<String, Integer> rank) {
        List<String> open = new ArrayList<>(ids);
        Map<Integer, Integer> used = new HashMap<>();
        while (!open.isEmpty()) {
            String next = open.stream()
                    .max(Comparator.comparingInt((String id) ->
                                    around(id, neighbours, base, rank).size())
                            .thenComparingInt(id -> -ids.indexOf(id)))
                    .orElseThrow();
            open.remove(next);
            Set<Integer> taken = around(next, neighbours, base, rank);
            int colours = used.size();
            int best = -1;
            for (int c = 0; c < colours; c++) {
                if (!taken.contains(c) && used.get(c) < PARTS_ABREAST && (best < 0 || used.get(c) < used.get(best))) {
                    best = c;
                }
            }
            best = best < 0 ? colours : best;
            used.merge(best, 1, Integer::sum);
            rank.put(next, base + best);
        }
    }

    /** The colours of a part's neighbours in the same place. */
    private static Set<Integer> around(
            String id, Map<String, Set<String>> neighbours, int base, Map<String, Integer> rank) {
        Set<Integer> colours = new TreeSet<>();
        for (String n : neighbours.getOrDefault(id, Set.of())) {
            Integer r = rank.get(n);
            if (r != null && r >= base && r < base + PLACE_STEP) {
                colours.add(r - base);
            }
        }
        return colours;
    }
}
