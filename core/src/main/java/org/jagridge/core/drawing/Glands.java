package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
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
    /** Directions, and the edges of a frame that look that way. */
    static final int EAST = 0;

    static final int SOUTH = 1;
    static final int WEST = 2;
    static final int NORTH = 3;

    /**
     * A cable's two glands.
     *
     * @param cores in the order in which they leave: from left to right or from above
     * @param from inside and outside point of the first of them at the cable's first place
     * @param out the direction in which they leave
     * @param to inside and outside point of the leftmost or uppermost core at the second place
     * @param in the direction in which they arrive there
     */
    record Gland(String cable, List<Wire> cores, List<int[]> from, int out, List<int[]> to, int in) {
        /** The inside or outside point, 0 or 1, of the i-th core at the first place. */
        int[] from(int i, int which) {
            return beside(from.get(which), out, i);
        }

        /** The same at the second place: the bundle keeps its order, seen along its way. */
        int[] to(int i, int which) {
            return beside(to.get(which), in, index(in, left(out, i, cores.size()), cores.size()));
        }
    }

    /** How many cores are left of the i-th, seen in a direction. */
    static int left(int direction, int i, int cores) {
        return direction == SOUTH || direction == WEST ? cores - 1 - i : i;
    }

    /** From the left, or from above, the number of a core that has so many to its left, seen in a direction. */
    static int index(int direction, int left, int cores) {
        return left(direction, left, cores);
    }

    private static int[] beside(int[] p, int direction, int by) {
        return isUpright(direction) ? new int[] {p[0] + by, p[1]} : new int[] {p[0], p[1] + by};
    }

    private static boolean isUpright(int direction) {
        return direction == SOUTH || direction == NORTH;
    }

    private static final int NONE = Integer.MIN_VALUE;

    private final Circuit circuit;
    private final Placement placement;
    private final Set<String> taken = new HashSet<>();
    private final List<Gland> glands = new ArrayList<>();

    private Glands(Circuit circuit, Placement placement) {
        this.circuit = circuit;
        this.placement = placement;
    }

    /** @param around cables that find no way between the edges that look at each other */
    static List<Gland> of(Circuit circuit, Placement placement, Collection<String> around) {
        Glands glands = new Glands(circuit, placement);
        circuit.cables().forEach(c -> glands.add(c, around.contains(c.id())));
        return glands.glands;
    }

    private String placeOf(Terminal t) {
        return circuit.part(t.part()).map(p -> p.place()).orElse(t.part());
    }

    private void add(Cable cable, boolean around) {
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
        List<int[]> edges = new ArrayList<>(edges(a, b));
        if (around) {
            Collections.rotate(edges, -1);
        }
        for (int[] pair : edges) {
            if (add(cable, cores, a, pair[0], b, pair[1])) {
                return;
            }
        }
    }

    /** The edges that look at each other, then the lower ones, then the upper ones. */
    private static List<int[]> edges(Frame a, Frame b) {
        boolean over = a.y() + a.height() <= b.y();
        boolean under = b.y() + b.height() <= a.y();
        int[] facing = over || under
                ? new int[] {over ? SOUTH : NORTH, over ? NORTH : SOUTH}
                : new int[] {a.x() < b.x() ? EAST : WEST, a.x() < b.x() ? WEST : EAST};
        return List.of(facing, new int[] {SOUTH, SOUTH}, new int[] {NORTH, NORTH});
    }

    private boolean add(Cable cable, List<Wire> wires, Frame a, int edgeA, Frame b, int edgeB) {
        int in = (edgeB + 2) % 4;
        int n = wires.size();
        // the order of the cores is that of their terminals at the first end, and at the second as it arrives there
        int sameWay = left(edgeA, 0, 2) == left(in, 0, 2) ? 1 : -1;
        List<Wire> cores = new ArrayList<>(wires);
        cores.sort(Comparator.comparingDouble(
                w -> along(w, a.id(), edgeA) - a.x() + sameWay * (along(w, b.id(), edgeB) - b.x())));
        double wishA = middle(cores, a, edgeA) - n / 2.0;
        double wishB = middle(cores, b, edgeB) - n / 2.0;
        int[] rangeA = range(a, edgeA, n);
        int[] rangeB = range(b, edgeB, n);
        IntPredicate openA = start -> isOpen(a, edgeA, start, n);
        IntPredicate openB = start -> isOpen(b, edgeB, start, n);
        int atA = NONE;
        if (edgeA == in) {
            // straight across where there is room
            int[] both = {Math.max(rangeA[0], rangeB[0]), Math.min(rangeA[1], rangeB[1])};
            atA = nearest(both, (wishA + wishB) / 2, openA.and(openB));
        }
        int atB = atA;
        if (atA == NONE) {
            atA = nearest(rangeA, wishA, openA);
            atB = nearest(rangeB, wishB, openB);
        }
        if (atA == NONE || atB == NONE) {
            return false;
        }
        Gland gland = new Gland(cable.id(), cores, through(a, edgeA, atA), edgeA, through(b, edgeB, atB), in);
        for (int i = 0; i < n; i++) {
            for (int which = 0; which < 2; which++) {
                taken(gland.from(i, which));
                taken(gland.to(i, which));
            }
        }
        glands.add(gland);
        return true;
    }

    private double middle(List<Wire> cores, Frame f, int edge) {
        return cores.stream().mapToInt(w -> along(w, f.id(), edge)).average().orElse(0);
    }

    /** Where a core's terminal in a place lies along an edge. */
    private int along(Wire w, String place, int edge) {
        Placement.Post post = placement.post(placeOf(w.from()).equals(place) ? w.from() : w.to());
        return isUpright(edge) ? post.x() : post.y();
    }

    private void taken(int[] p) {
        taken.add(p[0] + "," + p[1]);
    }

    private Set<String> places(Wire w) {
        return new HashSet<>(List.of(placeOf(w.from()), placeOf(w.to())));
    }

    /** Where on a frame's edge the first of n cores may pass. */
    private static int[] range(Frame f, int edge, int n) {
        return isUpright(edge)
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
    private boolean isOpen(Frame f, int edge, int start, int n) {
        for (int i = -1; i <= n; i++) {
            for (int[] p : through(f, edge, start + i)) {
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
    private static List<int[]> through(Frame f, int edge, int at) {
        return switch (edge) {
            case SOUTH -> List.of(new int[] {at, f.y() + f.height()}, new int[] {at, f.y() + f.height() + 1});
            case NORTH -> List.of(new int[] {at, f.y() + 1}, new int[] {at, f.y()});
            case EAST -> List.of(new int[] {f.x() + f.width(), at}, new int[] {f.x() + f.width() + 1, at});
            default -> List.of(new int[] {f.x() + 1, at}, new int[] {f.x(), at});
        };
    }
}
