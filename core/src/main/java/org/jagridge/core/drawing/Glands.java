package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Placement.Frame;

/**
 * Where cables go through the frames of their two places: side by side, in the same order at both ends, on the edges
 * that face each other, as near to their terminals as there is room. A cable without room has no gland, and its cores
 * go their own ways.
 */
final class Glands {
    /** The four lattice points that a core passes: inside and outside of either frame, from the wire's first end on. */
    record Passage(List<int[]> points) {}

    private static final int NONE = Integer.MIN_VALUE;

    private final Circuit circuit;
    private final Placement placement;
    private final Set<String> taken = new HashSet<>();
    private final Map<String, Passage> passages = new LinkedHashMap<>();

    private Glands(Circuit circuit, Placement placement) {
        this.circuit = circuit;
        this.placement = placement;
    }

    /** The passages by wire. */
    static Map<String, Passage> of(Circuit circuit, Placement placement) {
        Glands glands = new Glands(circuit, placement);
        circuit.cables().forEach(glands::add);
        return glands.passages;
    }

    private String placeOf(Terminal t) {
        return circuit.part(t.part()).map(p -> p.place()).orElse(t.part());
    }

    private void add(Cable cable) {
        if (cable.from().equals(cable.to())) {
            return;
        }
        List<Wire> cores = new ArrayList<>(circuit.wires().stream()
                .filter(w -> cable.id().equals(w.cable()))
                .filter(w -> Set.of(cable.from(), cable.to()).equals(places(w)))
                .toList());
        Frame a = placement.frames().get(cable.from());
        Frame b = placement.frames().get(cable.to());
        if (cores.isEmpty()) {
            return;
        }
        boolean stacked = a.y() + a.height() <= b.y() || b.y() + b.height() <= a.y();
        cores.sort(Comparator.comparingDouble(w -> middle(w, stacked)));
        double wish =
                cores.stream().mapToDouble(w -> middle(w, stacked)).average().orElse(0);
        int n = cores.size();
        int[] rangeA = range(a, stacked, n);
        int[] rangeB = range(b, stacked, n);
        int low = Math.max(rangeA[0], rangeB[0]);
        int high = Math.min(rangeA[1], rangeB[1]);
        boolean aFirst = stacked ? a.y() < b.y() : a.x() < b.x();
        IntPredicate openA = start -> isOpen(a, stacked, aFirst, start, n);
        IntPredicate openB = start -> isOpen(b, stacked, !aFirst, start, n);
        // straight across where there is room, else each edge for itself
        int atA = nearest(new int[] {low, high}, wish - n / 2.0, openA.and(openB));
        int atB = atA;
        if (atA == NONE) {
            atA = nearest(rangeA, wish - n / 2.0, openA);
            atB = nearest(rangeB, atA == NONE ? 0 : atA, openB);
        }
        if (atA == NONE || atB == NONE) {
            return;
        }
        for (int i = 0; i < n; i++) {
            List<int[]> points = new ArrayList<>();
            points.addAll(through(a, stacked, aFirst, atA + i));
            List<int[]> other = through(b, stacked, !aFirst, atB + i);
            points.add(other.get(1));
            points.add(other.get(0));
            points.forEach(p -> taken.add(p[0] + "," + p[1]));
            if (placeOf(cores.get(i).from()).equals(cable.to())) {
                Collections.reverse(points);
            }
            passages.put(cores.get(i).id(), new Passage(points));
        }
    }

    private Set<String> places(Wire w) {
        return new HashSet<>(List.of(placeOf(w.from()), placeOf(w.to())));
    }

    private double middle(Wire w, boolean stacked) {
        Placement.Post a = placement.post(w.from());
        Placement.Post b = placement.post(w.to());
        return stacked ? (a.x() + b.x()) / 2.0 : (a.y() + b.y()) / 2.0;
    }

    /** Where on a frame's edge the first of n cores may pass. */
    private static int[] range(Frame f, boolean stacked, int n) {
        return stacked
                ? new int[] {f.x() + 2, f.x() + f.width() - n - 1}
                : new int[] {f.y() + 2 + Placement.TITLE, f.y() + f.height() - n - 1};
    }

    /** The number of a range nearest to a wish that passes, or NONE. */
    private static int nearest(int[] range, double wish, IntPredicate passes) {
        int best = NONE;
        for (int start = range[0]; start <= range[1]; start++) {
            if ((best == NONE || Math.abs(start - wish) < Math.abs(best - wish)) && passes.test(start)) {
                best = start;
            }
        }
        return best;
    }

    /** Whether n cores in a row, and one point beside them, find their points free. */
    private boolean isOpen(Frame f, boolean stacked, boolean farEdge, int start, int n) {
        for (int i = -1; i <= n; i++) {
            for (int[] p : through(f, stacked, farEdge, start + i)) {
                if (taken.contains(p[0] + "," + p[1]) || inTitle(f, p) || onBlock(p)) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean inTitle(Frame f, int[] p) {
        return p[1] <= f.y() + Placement.TITLE
                && p[1] >= f.y()
                && p[0] <= f.x() + Placement.titleWidth(circuit.place(f.id()).orElseThrow());
    }

    private boolean onBlock(int[] p) {
        return placement.blocks().values().stream()
                .anyMatch(b -> p[0] >= b.x() - 1
                        && p[0] <= b.x() + b.width() + 1
                        && p[1] >= b.y() - 1
                        && p[1] <= b.y() + b.height() + 1);
    }

    /** The points inside and outside of a frame's edge; the edge itself lies half a step further. */
    private static List<int[]> through(Frame f, boolean stacked, boolean farEdge, int at) {
        if (stacked) {
            int inside = farEdge ? f.y() + f.height() : f.y() + 1;
            return List.of(new int[] {at, inside}, new int[] {at, farEdge ? inside + 1 : inside - 1});
        }
        int inside = farEdge ? f.x() + f.width() : f.x() + 1;
        return List.of(new int[] {inside, at}, new int[] {farEdge ? inside + 1 : inside - 1, at});
    }

    /** All points with the net that may use them. */
    static Map<Integer, List<int[]>> reserved(
            Map<String, Passage> passages, Circuit circuit, Map<Terminal, Integer> nets) {
        Map<Integer, List<int[]>> points = new HashMap<>();
        passages.forEach((wire, passage) -> points.computeIfAbsent(
                        nets.get(circuit.wire(wire).orElseThrow().from()), n -> new ArrayList<>())
                .addAll(passage.points()));
        return points;
    }
}
