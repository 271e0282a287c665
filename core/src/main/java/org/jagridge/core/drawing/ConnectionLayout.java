package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Connection.Box;
import org.jagridge.core.drawing.Connection.Edge;
import org.jagridge.core.drawing.Connection.Point;
import org.jagridge.core.drawing.Connection.Post;
import org.jagridge.core.drawing.Connection.Route;
import org.jagridge.core.drawing.Connection.Sleeve;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.part.Assembly;

/** Lays out the connection diagram: boxes as they are kept or by {@link ElkPlacement}, wires by {@link WireRouter}. */
public final class ConnectionLayout {
    /** Steps around all frames for wires that go outside of them. */
    private static final int OUTSIDE = 6;
    /** If the wires don't fit, there is this much more room at the next attempt. */
    private static final double STRETCH = 1.35;

    private static final int MOST_STRETCHES = 12;
    private static final double MARGIN = 8;

    private final Assembly assembly;
    private final Circuit circuit;
    private final Map<Terminal, Integer> nets;

    private ConnectionLayout(Assembly assembly) {
        this.assembly = assembly;
        circuit = assembly.circuit();
        nets = Placement.nets(circuit);
    }

    public static Connection of(Assembly assembly) {
        return new ConnectionLayout(assembly).layout();
    }

    private Connection layout() {
        Placement placement = placement(circuit);
        for (int i = 0; i < MOST_STRETCHES; i++) {
            Optional<Map<String, List<int[]>>> routes = route(placement);
            if (routes.isPresent()) {
                return draw(placement, routes.get());
            }
            Placement wider = placement.stretched(STRETCH);
            placement = new Placement(Placement.framesAround(circuit, wider.frames(), wider.blocks()), wider.blocks())
                    .apart();
        }
        throw new IllegalStateException("no room for the wires of " + circuit.name());
    }

    static Placement placement(Circuit circuit) {
        return KeptPlacement.of(circuit).orElseGet(() -> ElkPlacement.of(circuit));
    }

    private static int left(Placement p) {
        return p.frames().values().stream().mapToInt(Frame::x).min().orElse(0) - OUTSIDE;
    }

    private static int top(Placement p) {
        return p.frames().values().stream().mapToInt(Frame::y).min().orElse(0) - OUTSIDE;
    }

    private Optional<Map<String, List<int[]>>> route(Placement p) {
        int left = left(p);
        int top = top(p);
        int right = p.frames().values().stream()
                        .mapToInt(f -> f.x() + f.width())
                        .max()
                        .orElse(0)
                + OUTSIDE;
        int bottom = p.frames().values().stream()
                        .mapToInt(f -> f.y() + f.height())
                        .max()
                        .orElse(0)
                + OUTSIDE;
        WireRouter router = new WireRouter(right - left + 1, bottom - top + 1);
        int number = 1;
        for (Place place : circuit.places()) {
            Frame f = p.frames().get(place.id());
            router.place(
                    number++, f.x() - left + 1, f.y() - top + 1, f.x() + f.width() - left, f.y() + f.height() - top);
            router.block(
                    f.x() - left,
                    f.y() - top + 1,
                    f.x() + Placement.titleWidth(place) - left - 1,
                    f.y() - top + Placement.TITLE);
        }
        for (Block b : p.blocks().values()) {
            router.block(b.x() - left, b.y() - top, b.x() + b.width() - left, b.y() + b.height() - top);
        }
        nets.forEach((terminal, net) -> {
            Placement.Post post = p.post(terminal);
            router.reserve(post.x() - left, post.y() + post.out() - top, net);
        });
        Map<String, Glands.Passage> glands = Glands.of(circuit, p);
        Glands.reserved(glands, circuit, nets)
                .forEach((net, points) -> points.forEach(q -> router.reserve(q[0] - left, q[1] - top, net)));
        List<WireRouter.Job> jobs = new ArrayList<>();
        for (Wire w : circuit.wires()) {
            Placement.Post a = p.post(w.from());
            Placement.Post b = p.post(w.to());
            List<int[]> points = new ArrayList<>();
            points.add(new int[] {a.x() - left, a.y() + a.out() - top});
            if (glands.containsKey(w.id())) {
                glands.get(w.id()).points().forEach(q -> points.add(new int[] {q[0] - left, q[1] - top}));
            }
            points.add(new int[] {b.x() - left, b.y() + b.out() - top});
            jobs.add(new WireRouter.Job(w.id(), nets.get(w.from()), w.cable(), points));
        }
        return router.route(jobs);
    }

    /** From lattice steps to pixels, cut to what is used. */
    private Connection draw(Placement p, Map<String, List<int[]>> routes) {
        int left = left(p);
        int top = top(p);
        int[] used = {Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MIN_VALUE, Integer.MIN_VALUE};
        p.frames().values().forEach(f -> use(used, f.x(), f.y(), f.x() + f.width() + 1, f.y() + f.height() + 1));
        routes.values()
                .forEach(route ->
                        route.forEach(q -> use(used, q[0] + left, q[1] + top, q[0] + left + 1, q[1] + top + 1)));
        Scale scale = new Scale(used[0], used[1]);
        List<Box> places = new ArrayList<>();
        for (Place place : circuit.places()) {
            Frame f = p.frames().get(place.id());
            double x = scale.x(f.x() + 0.5);
            double y = scale.y(f.y() + 0.5);
            places.add(new Box(
                    place.id(),
                    place.name(),
                    place.access().word(),
                    x,
                    y,
                    f.width() * Placement.STEP,
                    f.height() * Placement.STEP,
                    new Point(x + 6, y + 13)));
        }
        List<Box> parts = new ArrayList<>();
        List<Post> posts = new ArrayList<>();
        for (Block b : p.blocks().values()) {
            double w = b.width() * Placement.STEP;
            double h = b.height() * Placement.STEP;
            double x = scale.x(b.x());
            double y = scale.y(b.y());
            String note = circuit.part(b.id()).map(Part::title).orElse("metalwork");
            parts.add(new Box(b.id(), b.id(), note, x, y, w, h, new Point(x + w / 2, y + h / 2 + 4)));
            b.top().forEach(t -> posts.add(post(p.post(t), scale)));
            b.bottom().forEach(t -> posts.add(post(p.post(t), scale)));
        }
        List<Route> wires = new ArrayList<>();
        for (Wire w : circuit.wires()) {
            wires.add(route(w, p, routes.get(w.id()), scale, left, top));
        }
        List<Sleeve> sleeves = new ArrayList<>();
        for (Route route : wires) {
            Wire w = circuit.wire(route.wire()).orElseThrow();
            if (w.cable() != null) {
                sleeves.addAll(sleeves(w.cable(), route, places));
            }
        }
        return new Connection(
                (used[2] - used[0]) * Placement.STEP + 2 * MARGIN,
                (used[3] - used[1]) * Placement.STEP + 2 * MARGIN,
                places,
                parts,
                posts,
                wires,
                sleeves);
    }

    /** The pieces of a core's way that lie outside of the cable's two places. */
    private List<Sleeve> sleeves(String cable, Route route, List<Box> places) {
        var ends = circuit.cable(cable).orElseThrow();
        List<Box> inside = places.stream()
                .filter(p -> p.id().equals(ends.from()) || p.id().equals(ends.to()))
                .toList();
        List<Sleeve> pieces = new ArrayList<>();
        for (int i = 1; i < route.points().size(); i++) {
            List<Point[]> left = new ArrayList<>();
            left.add(new Point[] {route.points().get(i - 1), route.points().get(i)});
            for (Box box : inside) {
                left = left.stream()
                        .flatMap(s -> outside(s[0], s[1], box).stream())
                        .toList();
            }
            left.forEach(s -> pieces.add(new Sleeve(cable, s[0], s[1])));
        }
        return pieces;
    }

    /** What of a straight piece lies outside of a box: none, one or two pieces. */
    private static List<Point[]> outside(Point a, Point b, Box box) {
        boolean level = a.y() == b.y();
        double across = level ? a.y() : a.x();
        double low = level ? box.y() : box.x();
        double high = level ? box.y() + box.height() : box.x() + box.width();
        if (across < low || across > high) {
            return List.<Point[]>of(new Point[] {a, b});
        }
        double from = Math.min(level ? a.x() : a.y(), level ? b.x() : b.y());
        double to = Math.max(level ? a.x() : a.y(), level ? b.x() : b.y());
        double enter = level ? box.x() : box.y();
        double leave = level ? box.x() + box.width() : box.y() + box.height();
        List<Point[]> pieces = new ArrayList<>();
        for (double[] p : new double[][] {{from, Math.min(to, enter)}, {Math.max(from, leave), to}}) {
            if (p[1] > p[0]) {
                pieces.add(new Point[] {
                    level ? new Point(p[0], across) : new Point(across, p[0]),
                    level ? new Point(p[1], across) : new Point(across, p[1])
                });
            }
        }
        return pieces;
    }

    private static void use(int[] used, int x1, int y1, int x2, int y2) {
        used[0] = Math.min(used[0], x1);
        used[1] = Math.min(used[1], y1);
        used[2] = Math.max(used[2], x2);
        used[3] = Math.max(used[3], y2);
    }

    /** Lattice steps to pixels. */
    private record Scale(int left, int top) {
        double x(double step) {
            return (step - left) * Placement.STEP + MARGIN;
        }

        double y(double step) {
            return (step - top) * Placement.STEP + MARGIN;
        }
    }

    private Post post(Placement.Post p, Scale scale) {
        Terminal t = p.terminal();
        return new Post(
                t,
                Placement.label(circuit, t),
                assembly.node(t).orElseThrow(),
                scale.x(p.x()),
                scale.y(p.y()),
                p.out() < 0 ? Edge.TOP : Edge.BOTTOM);
    }

    /** The wire's bends, with its two posts at the ends. */
    private Route route(Wire w, Placement p, List<int[]> path, Scale scale, int left, int top) {
        List<Point> all = new ArrayList<>();
        all.add(at(p.post(w.from()), scale));
        path.forEach(q -> all.add(new Point(scale.x(q[0] + left), scale.y(q[1] + top))));
        all.add(at(p.post(w.to()), scale));
        List<Point> bends = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            boolean straight = i > 0
                    && i < all.size() - 1
                    && ((all.get(i - 1).x() == all.get(i).x()
                                    && all.get(i).x() == all.get(i + 1).x())
                            || (all.get(i - 1).y() == all.get(i).y()
                                    && all.get(i).y() == all.get(i + 1).y()));
            if (!straight) {
                bends.add(all.get(i));
            }
        }
        return new Route(w.id(), assembly.node(w.from()).orElseThrow(), bends);
    }

    private static Point at(Placement.Post p, Scale scale) {
        return new Point(scale.x(p.x()), scale.y(p.y()));
    }
}
