package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.part.Groups;

/**
 * The ways of all wires between boxes that stand: first each cable as a bundle from gland to gland ({@link CableRouter}),
 * then the wires and the ends of the cores within the places ({@link WireRouter}).
 */
final class WireLayout {
    /** Steps around all frames for wires that go outside of them. */
    private static final int OUTSIDE = 8;

    private static final int WAYS = 2;

    private final Circuit circuit;
    private final Placement placement;
    private final int left;
    private final int top;
    private final Lattice lattice;
    private final Map<Terminal, Integer> nets = new HashMap<>();
    private final Map<String, Integer> strands = new HashMap<>();
    private final Groups<String> merged = new Groups<>();
    private final Map<String, Integer> cables = new HashMap<>();
    private final List<WireRouter.Job> jobs = new ArrayList<>();
    /** The way of a core from gland to gland, by wire, from the wire's first end on. */
    private final Map<String, int[]> bundled = new HashMap<>();

    private WireLayout(Circuit circuit, Placement placement) {
        this.circuit = circuit;
        this.placement = placement;
        left = placement.frames().values().stream().mapToInt(Frame::x).min().orElse(0) - OUTSIDE;
        top = placement.frames().values().stream().mapToInt(Frame::y).min().orElse(0) - OUTSIDE;
        int right = placement.frames().values().stream()
                        .mapToInt(f -> f.x() + f.width())
                        .max()
                        .orElse(0)
                + OUTSIDE;
        int bottom = placement.frames().values().stream()
                        .mapToInt(f -> f.y() + f.height())
                        .max()
                        .orElse(0)
                + OUTSIDE;
        lattice = new Lattice(right - left + 1, bottom - top + 1);
        Groups<Terminal> joined = new Groups<>();
        circuit.wires().forEach(w -> joined.join(w.from(), w.to()));
        Map<Terminal, Integer> numbers = new HashMap<>();
        for (Wire w : circuit.wires()) {
            for (Terminal t : List.of(w.from(), w.to())) {
                nets.put(t, numbers.computeIfAbsent(joined.root(t), r -> numbers.size() + 1));
            }
        }
    }

    /**
     * The lattice points of each wire by its id; empty where the wires don't fit between the boxes.
     *
     * @param inHaste the first ways that are found will do
     */
    static Optional<Map<String, List<int[]>>> of(Circuit circuit, Placement placement, boolean inHaste) {
        return new WireLayout(circuit, placement).ways(inHaste);
    }

    private Optional<Map<String, List<int[]>>> ways(boolean inHaste) {
        mergeWhereTooManyMeet();
        obstacles();
        Glands.of(circuit, placement).forEach(this::bundle);
        for (Wire w : circuit.wires()) {
            int[] core = bundled.get(w.id());
            if (core == null) {
                job(w, w.id(), before(w.from()), before(w.to()));
            } else {
                job(w, w.id() + " 1", before(w.from()), core[0]);
                job(w, w.id() + " 2", core[core.length - 1], before(w.to()));
            }
        }
        return new WireRouter(lattice).route(jobs, inHaste).map(this::joined);
    }

    private void obstacles() {
        int number = 1;
        for (Place place : circuit.places()) {
            Frame f = placement.frames().get(place.id());
            int x = f.x() - left;
            int y = f.y() - top;
            lattice.place(number++, x + 1, y + 1, x + f.width(), y + f.height());
            lattice.block(x, y + 1, x + Placement.titleWidth(place) - 1, y + Placement.TITLE);
        }
        for (Block b : placement.blocks().values()) {
            lattice.block(b.x() - left, b.y() - top, b.x() + b.width() - left, b.y() + b.height() - top);
        }
        nets.forEach((terminal, net) -> lattice.reserved[before(terminal)] = net);
    }

    /** The point before a post. */
    private int before(Terminal t) {
        Placement.Post post = placement.post(t);
        return lattice.at(post.x() - left, post.y() + post.out() - top);
    }

    private void bundle(Glands.Gland g) {
        int n = g.cores().size();
        CableRouter.Gland from = outside(g.from());
        CableRouter.Gland to = outside(g.to());
        Optional<List<int[]>> ways = new CableRouter(lattice).route(n, from, g.out(), to, g.in());
        if (ways.isEmpty()) {
            return;
        }
        for (int i = 0; i < n; i++) {
            Wire w = g.cores().get(i);
            int[] outer = ways.get().get(i);
            int[] way = new int[outer.length + 2];
            System.arraycopy(outer, 0, way, 1, outer.length);
            way[0] = point(g.from(i, 0));
            way[way.length - 1] = point(g.to(i, 0));
            lattice.fix(way, strand(w), cable(w));
            lattice.reserved[way[0]] = nets.get(w.from());
            lattice.reserved[way[way.length - 1]] = nets.get(w.from());
            boolean forward = placeOf(w.from())
                    .equals(circuit.cable(g.cable()).orElseThrow().from());
            bundled.put(w.id(), forward ? way : reversed(way));
        }
    }

    private CableRouter.Gland outside(List<int[]> gland) {
        return new CableRouter.Gland(gland.get(1)[0] - left, gland.get(1)[1] - top);
    }

    private int point(int[] p) {
        return lattice.at(p[0] - left, p[1] - top);
    }

    private String placeOf(Terminal t) {
        return circuit.part(t.part()).map(p -> p.place()).orElse(t.part());
    }

    private static int[] reversed(int[] way) {
        int[] r = new int[way.length];
        for (int i = 0; i < way.length; i++) {
            r[i] = way[way.length - 1 - i];
        }
        return r;
    }

    /** Wires of one net and colour, which may lie on each other; and those that have no way of their own from a terminal. */
    private int strand(Wire w) {
        return strands.computeIfAbsent(merged.root(key(w)), k -> strands.size() + 1);
    }

    private String key(Wire w) {
        return nets.get(w.from()) + " " + circuit.colourOf(w);
    }

    /** Between two posts there is room for one wire: from each there are two ways. A third colour lies on one of the others. */
    private void mergeWhereTooManyMeet() {
        Map<Terminal, Set<String>> at = new LinkedHashMap<>();
        for (Wire w : circuit.wires()) {
            for (Terminal t : List.of(w.from(), w.to())) {
                at.computeIfAbsent(t, k -> new LinkedHashSet<>()).add(key(w));
            }
        }
        at.values().forEach(keys -> {
            List<String> all = List.copyOf(keys);
            for (int i = WAYS; i < all.size(); i++) {
                merged.join(all.get(i % WAYS), all.get(i));
            }
        });
    }

    private int cable(Wire w) {
        return w.cable() == null ? 0 : cables.computeIfAbsent(w.cable(), k -> cables.size() + 1);
    }

    private void job(Wire w, String id, int from, int to) {
        jobs.add(new WireRouter.Job(id, nets.get(w.from()), strand(w), cable(w), from, to));
    }

    private Map<String, List<int[]>> joined(Map<String, int[]> paths) {
        Map<String, List<int[]>> ways = new LinkedHashMap<>();
        for (Wire w : circuit.wires()) {
            int[] core = bundled.get(w.id());
            List<int[]> pieces = core == null
                    ? List.of(paths.get(w.id()))
                    : List.of(paths.get(w.id() + " 1"), core, paths.get(w.id() + " 2"));
            List<int[]> points = new ArrayList<>();
            int last = -1;
            for (int p : (Iterable<Integer>) pieces.stream().flatMapToInt(Arrays::stream)::iterator) {
                // the pieces meet at the glands: each of these points once
                if (p != last) {
                    points.add(new int[] {p % lattice.width + left, p / lattice.width + top});
                }
                last = p;
            }
            ways.put(w.id(), points);
        }
        return ways;
    }
}
