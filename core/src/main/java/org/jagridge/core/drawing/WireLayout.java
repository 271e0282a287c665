package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    private static final int WAYS = 2;
    private static final int MOST_ORDERS = 4;

    private final Circuit circuit;
    private final Placement placement;
    private final List<Glands.Gland> glands;
    private final Tracks columns;
    private final Tracks rows;
    private final Lattice lattice;
    /** Made once the cables lie. */
    private WireRouter router;

    private boolean fits;
    private final Map<Terminal, Integer> nets = new HashMap<>();
    private final Map<String, Integer> strands = new HashMap<>();
    private final Map<String, Integer> cableNumbers = new HashMap<>();
    private final List<WireRouter.Job> jobs = new ArrayList<>();
    /** The way of a core from gland to gland, by wire, from the wire's first end on. */
    private final Map<String, int[]> bundled = new HashMap<>();

    /** The cables that found no way as a bundle. */
    private final List<String> unbundled = new ArrayList<>();

    private WireLayout(Circuit circuit, Placement placement, List<String> around) {
        this.circuit = circuit;
        this.placement = placement;
        glands = Glands.of(circuit, placement, around);
        columns = tracks(true);
        rows = tracks(false);
        lattice = new Lattice(columns.count(), rows.count());
        Groups<Terminal> joined = new Groups<>();
        circuit.wires().forEach(w -> joined.join(w.from(), w.to()));
        Map<Terminal, Integer> numbers = new HashMap<>();
        for (Wire w : circuit.wires()) {
            for (Terminal t : List.of(w.from(), w.to())) {
                nets.put(t, numbers.computeIfAbsent(joined.root(t), r -> numbers.size() + 1));
            }
        }
    }

    /** The tracks across one direction: near blocks, titles, the edges of frames, and glands. */
    private Tracks tracks(boolean across) {
        List<int[]> busy = new ArrayList<>();
        if (circuit.places().isEmpty()) {
            busy.add(new int[] {0, 0});
        }
        for (Place place : circuit.places()) {
            Frame f = placement.frames().get(place.id());
            int from = across ? f.x() : f.y();
            int to = from + (across ? f.width() : f.height());
            busy.add(new int[] {from, from + (across ? Placement.titleWidth(place) : Placement.TITLE)});
            busy.add(new int[] {to, to + 1});
        }
        placement
                .blocks()
                .values()
                .forEach(b -> busy.add(
                        across ? new int[] {b.x(), b.x() + b.width()} : new int[] {b.y(), b.y() + b.height()}));
        int axis = across ? 0 : 1;
        for (Glands.Gland g : glands) {
            for (int i = 0; i < g.cores().size(); i++) {
                busy.add(new int[] {g.from(i, 0)[axis], g.from(i, 0)[axis]});
                busy.add(new int[] {g.to(i, 0)[axis], g.to(i, 0)[axis]});
            }
        }
        int first = busy.stream().mapToInt(r -> r[0]).min().orElse(0);
        int last = busy.stream().mapToInt(r -> r[1]).max().orElse(0);
        BitSet steps = new BitSet();
        busy.forEach(r -> steps.set(r[0] - first, r[1] - first + 1));
        return new Tracks(first, last, steps);
    }

    /**
     * @param points the lattice points of each wire by its id
     * @param crossings how often wires of two nets cross, the cores of a cable as one
     * @param apart how many cables have cores that go their own ways
     * @param steps of how much work it was to find them
     */
    record Ways(Map<String, List<int[]>> points, int crossings, int apart, int steps) {}

    /** The ways of all wires; empty where they don't fit between the boxes. */
    static Optional<Ways> of(Circuit circuit, Placement placement) {
        return begun(circuit, placement).again().ways();
    }

    /** With the ways that were found first: about what can be had, in a fraction of the time. */
    static WireLayout begun(Circuit circuit, Placement placement) {
        WireLayout layout = bundled(circuit, placement);
        layout.fits = layout.router.route(layout.allJobs());
        return layout;
    }

    /** The same after a second look at each wire. */
    WireLayout again() {
        if (fits) {
            router.again();
        }
        return this;
    }

    Optional<Ways> ways() {
        return fits
                ? Optional.of(new Ways(joined(router.paths()), crossings(), apart(), router.steps()))
                : Optional.empty();
    }

    /**
     * With every cable as a bundle where that can be: one that finds no way comes before the others next time, and goes
     * around if that doesn't help.
     */
    static WireLayout bundled(Circuit circuit, Placement placement) {
        List<String> first = new ArrayList<>();
        List<String> around = new ArrayList<>();
        WireLayout layout = new WireLayout(circuit, placement, around);
        layout.bundle(first);
        for (int i = 0; i < MOST_ORDERS && !layout.unbundled.isEmpty(); i++) {
            around.addAll(layout.unbundled.stream().filter(first::contains).toList());
            first.removeAll(layout.unbundled);
            first.addAll(0, layout.unbundled);
            WireLayout next = new WireLayout(circuit, placement, around);
            next.bundle(first);
            layout = next.unbundled.size() <= layout.unbundled.size() ? next : layout;
        }
        return layout;
    }

    List<String> unbundled() {
        return unbundled;
    }

    private void bundle(List<String> first) {
        obstacles();
        fans();
        CableRouter cables = new CableRouter(lattice);
        glands.stream()
                .sorted(Comparator.comparingInt(
                        g -> first.contains(g.cable()) ? first.indexOf(g.cable()) : first.size()))
                .forEach(g -> bundle(g, cables));
        router = new WireRouter(lattice);
    }

    /** The same where the wires don't fit: some lie on others, or on boxes, but each is there. */
    static Map<String, List<int[]>> onOthers(Circuit circuit, Placement placement) {
        WireLayout layout = bundled(circuit, placement);
        return layout.joined(layout.router.routeOnOthers(layout.allJobs()));
    }

    private int apart() {
        return (int) circuit.wires().stream()
                .filter(w -> w.cable() != null && !bundled.containsKey(w.id()))
                .filter(w -> !placeOf(w.from()).equals(placeOf(w.to())))
                .map(Wire::cable)
                .distinct()
                .count();
    }

    private int crossings() {
        Map<Integer, String> netOf = new HashMap<>();
        strands.forEach((key, strand) -> netOf.put(strand, key.split(" ", 2)[0]));
        int crossings = 0;
        for (int p = 0; p < lattice.blocked.length; p++) {
            int level = lattice.strand[2 * p + Lattice.HORIZONTAL];
            int upright = lattice.strand[2 * p + Lattice.VERTICAL];
            boolean crosses = level != 0
                    && upright != 0
                    && !netOf.get(level).equals(netOf.get(upright))
                    && !isOfTheCableBefore(p, lattice.width, Lattice.HORIZONTAL)
                    && !isOfTheCableBefore(p, 1, Lattice.VERTICAL);
            crossings += crosses ? 1 : 0;
        }
        return crossings;
    }

    /** Whether a point has a core that lies beside another of its cable, which was counted before. */
    private boolean isOfTheCableBefore(int p, int back, int orientation) {
        int cable = lattice.cable[2 * p + orientation];
        return cable != 0 && p >= back && lattice.cable[2 * (p - back) + orientation] == cable;
    }

    private List<WireRouter.Job> allJobs() {
        for (Wire w : circuit.wires()) {
            int[] core = bundled.get(w.id());
            if (core == null) {
                job(w, w.id(), before(w.from()), before(w.to()));
            } else {
                job(w, w.id() + " 1", before(w.from()), core[0]);
                job(w, w.id() + " 2", core[core.length - 1], before(w.to()));
            }
        }
        return jobs;
    }

    private void obstacles() {
        int number = 1;
        for (Place place : circuit.places()) {
            Frame f = placement.frames().get(place.id());
            lattice.place(number++, x(f.x() + 1), y(f.y() + 1), x(f.x() + f.width()), y(f.y() + f.height()));
            lattice.block(
                    x(f.x()), y(f.y() + 1), x(f.x() + Placement.titleWidth(place) - 1), y(f.y() + Placement.TITLE));
        }
        for (Block b : placement.blocks().values()) {
            lattice.block(x(b.x()), y(b.y()), x(b.x() + b.width()), y(b.y() + b.height()));
        }
        nets.forEach((terminal, net) -> lattice.reserved[before(terminal)] = net);
    }

    private int x(int step) {
        return columns.of(step);
    }

    private int y(int step) {
        return rows.of(step);
    }

    /** The point before a post. */
    private int before(Terminal t) {
        Placement.Post post = placement.post(t);
        return lattice.at(x(post.x()), y(post.y() + post.out()));
    }

    private void bundle(Glands.Gland g, CableRouter cables) {
        int n = g.cores().size();
        CableRouter.Gland from = outside(g.from());
        CableRouter.Gland to = outside(g.to());
        Optional<List<int[]>> ways = cables.route(n, from, g.out(), to, g.in());
        if (ways.isEmpty()) {
            unbundled.add(g.cable());
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
        return new CableRouter.Gland(x(gland.get(1)[0]), y(gland.get(1)[1]));
    }

    private int point(int[] p) {
        return lattice.at(x(p[0]), y(p[1]));
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

    /** Wires of one net and colour, which may lie on each other. */
    private int strand(Wire w) {
        return strands.computeIfAbsent(key(w), k -> strands.size() + 1);
    }

    private String key(Wire w) {
        return nets.get(w.from()) + " " + circuit.colourOf(w);
    }

    /**
     * Between two posts there is room for one wire: from each there are two ways. Where wires of more colours meet, they go
     * a little further together before they part, as in a fan.
     */
    private void fans() {
        ConnectionLayout.colours(circuit).forEach((t, colours) -> {
            Placement.Post post = placement.post(t);
            int before = before(t);
            for (int i = 2; i <= 1 + fanSteps(colours.size()); i++) {
                int point = lattice.at(x(post.x()), y(post.y() + i * post.out()));
                if (lattice.blocked[point] || lattice.reserved[point] != 0 || lattice.fan[point] != 0) {
                    return;
                }
                lattice.fan[point] = before + 1;
            }
        });
    }

    /** How many steps wires of so many colours go together. */
    static int fanSteps(int colours) {
        return Math.max(0, colours - WAYS);
    }

    private int cable(Wire w) {
        return w.cable() == null ? 0 : cableNumbers.computeIfAbsent(w.cable(), k -> cableNumbers.size() + 1);
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
                    points.add(new int[] {columns.step(p % lattice.width), rows.step(p / lattice.width)});
                }
                last = p;
            }
            ways.put(w.id(), points);
        }
        return ways;
    }
}
