package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

/** Lays out the connection diagram: boxes as they are kept or {@link Chosen chosen}, wires by {@link WireLayout}. */
public final class ConnectionLayout {
    /** If the wires don't fit, there is this much more room at the next attempt. */
    private static final double STRETCH = 1.35;

    /** More room than that many times made doesn't help: what is in the way grows along. */
    private static final int MOST_STRETCHES = 6;

    private static final double MARGIN = 8;
    private static final double TRAY_TITLE = 22;
    private static final double TRAY_BOX = 24;
    private static final double TRAY_ROW = 32;
    private static final double TRAY_LETTER = 7.2;
    /** Pixels that wires of other colours begin beside the middle of a post. */
    private static final double FAN = 3;
    /** How far a title is moved to the side by a mark before it, pixels. */
    private static final double BESIDE_MARK = 6;
    /** How far beside the post the outermost may begin, pixels: half of what posts are apart. */
    private static final double WIDEST_FAN = 7;

    private final Assembly assembly;
    private final Circuit circuit;
    private final Map<Terminal, Set<String>> colours;

    private ConnectionLayout(Assembly assembly) {
        this.assembly = assembly;
        circuit = assembly.circuit();
        colours = colours(circuit);
    }

    /** The colours of the wires on each terminal. */
    static Map<Terminal, Set<String>> colours(Circuit circuit) {
        Map<Terminal, Set<String>> colours = new LinkedHashMap<>();
        for (Wire w : circuit.wires()) {
            for (Terminal t : List.of(w.from(), w.to())) {
                colours.computeIfAbsent(t, k -> new HashSet<>()).add(String.valueOf(circuit.colourOf(w)));
            }
        }
        return colours;
    }

    public static Connection of(Assembly assembly) {
        return new ConnectionLayout(assembly).layout();
    }

    private Connection layout() {
        Optional<Placement> kept = KeptPlacement.of(circuit);
        Chosen chosen = kept.isPresent() ? null : Chosen.of(assembly);
        Placement placement = kept.orElseGet(() -> chosen.placement());
        Optional<WireLayout.Ways> ways = chosen == null ? WireLayout.of(circuit, placement) : chosen.wires();
        for (int i = 0; i < MOST_STRETCHES; i++) {
            if (ways.isPresent()) {
                return draw(placement, ways.get().points());
            }
            Placement wider = placement.stretched(STRETCH);
            placement = new Placement(Placement.framesAround(circuit, wider.frames(), wider.blocks()), wider.blocks())
                    .apart();
            ways = WireLayout.of(circuit, placement);
        }
        return draw(placement, WireLayout.onOthers(circuit, placement));
    }

    static Placement placement(Assembly assembly) {
        return KeptPlacement.of(assembly.circuit())
                .orElseGet(() -> Chosen.of(assembly).placement());
    }

    /** From lattice steps to pixels, cut to what is used. */
    private Connection draw(Placement p, Map<String, List<int[]>> routes) {
        int[] used = {Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MIN_VALUE, Integer.MIN_VALUE};
        Map<String, Frame> frames = FrameTrim.of(circuit, p, routes.values());
        frames.values().forEach(f -> use(used, f.x(), f.y(), f.x() + f.width() + 1, f.y() + f.height() + 1));
        routes.values().forEach(route -> route.forEach(q -> use(used, q[0], q[1], q[0] + 1, q[1] + 1)));
        Scale scale = new Scale(used[0], used[1]);
        List<Box> places = new ArrayList<>();
        for (Place place : circuit.places()) {
            Frame f = frames.get(place.id());
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
            double middle = x + w / 2 + (Placement.isMarked(circuit, b.id()) ? BESIDE_MARK : 0);
            parts.add(new Box(b.id(), b.id(), note, x, y, w, h, new Point(middle, y + h / 2 + 4)));
            b.top().forEach(t -> posts.add(post(p.post(t), scale)));
            b.bottom().forEach(t -> posts.add(post(p.post(t), scale)));
        }
        List<Route> wires = new ArrayList<>();
        for (Wire w : circuit.wires()) {
            wires.add(route(w, p, routes.get(w.id()), scale));
        }
        List<Sleeve> sleeves = new ArrayList<>();
        for (Route route : wires) {
            Wire w = circuit.wire(route.wire()).orElseThrow();
            if (w.cable() != null) {
                sleeves.addAll(sleeves(w.cable(), route, places));
            }
        }
        double width = (used[2] - used[0]) * Placement.STEP + 2 * MARGIN;
        double height = (used[3] - used[1]) * Placement.STEP + 2 * MARGIN;
        List<Box> tray = tray(width, height);
        double bottom = tray.stream()
                .mapToDouble(b -> b.y() + b.height() + MARGIN)
                .max()
                .orElse(height);
        double right =
                tray.stream().mapToDouble(b -> b.x() + b.width() + MARGIN).max().orElse(width);
        return new Connection(Math.max(width, right), bottom, places, parts, posts, wires, sleeves, tray);
    }

    /** Boxes for the parts that no wire can land on, from left to right under the drawing. */
    private List<Box> tray(double width, double below) {
        List<Box> tray = new ArrayList<>();
        double x = MARGIN;
        double y = below + TRAY_TITLE;
        for (Part part : circuit.parts()) {
            Assembly.Member member = assembly.member(part.id()).orElseThrow();
            if (member.type().terminals(member.params()).isEmpty()) {
                double w = part.id().length() * TRAY_LETTER + 3 * MARGIN;
                if (x > MARGIN && x + w > width) {
                    x = MARGIN;
                    y += TRAY_ROW;
                }
                tray.add(new Box(
                        part.id(),
                        part.id(),
                        part.title(),
                        x,
                        y,
                        w,
                        TRAY_BOX,
                        new Point(x + w / 2, y + TRAY_BOX / 2 + 4)));
                x += w + MARGIN;
            }
        }
        return tray;
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
    private Route route(Wire w, Placement p, List<int[]> path, Scale scale) {
        List<Point> all = new ArrayList<>();
        path.forEach(q -> all.add(new Point(scale.x(q[0]), scale.y(q[1]))));
        begin(all, w.from(), p, scale);
        Collections.reverse(all);
        begin(all, w.to(), p, scale);
        Collections.reverse(all);
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

    /**
     * Puts a post before a wire's points; where wires of several colours begin, those that turn to a side begin beside it,
     * the first to turn outermost.
     */
    private void begin(List<Point> points, Terminal t, Placement p, Scale scale) {
        Point post = at(p.post(t), scale);
        int colours = this.colours.get(t).size();
        int together = WireLayout.fanSteps(colours);
        int turn = 0;
        while (turn <= together
                && turn + 1 < points.size()
                && points.get(turn + 1).x() == post.x()) {
            turn++;
        }
        if (colours > 1 && turn <= together && turn + 1 < points.size()) {
            double side = Math.signum(points.get(turn + 1).x() - post.x());
            double beside = side * (together + 1 - turn) * Math.min(FAN, WIDEST_FAN / (together + 1));
            for (int i = 0; i <= turn; i++) {
                points.set(i, new Point(post.x() + beside, points.get(i).y()));
            }
            points.add(0, new Point(post.x() + beside, post.y()));
        }
        points.add(0, post);
    }

    private static Point at(Placement.Post p, Scale scale) {
        return new Point(scale.x(p.x()), scale.y(p.y()));
    }
}
