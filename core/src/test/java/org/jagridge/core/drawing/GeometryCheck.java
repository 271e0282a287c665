package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/** Looks for what a draughtsman would call a mistake. Returns the mistakes in words. */
final class GeometryCheck {
    private static final double AT_A_SCREW = 6;
    private static final double EPS = 0.01;

    record Rect(String what, double x1, double y1, double x2, double y2) {
        boolean overlaps(Rect o) {
            return x1 < o.x2 - EPS && o.x1 < x2 - EPS && y1 < o.y2 - EPS && o.y1 < y2 - EPS;
        }
    }

    private GeometryCheck() {}

    static List<String> ladder(Ladder ladder) {
        List<String> mistakes = new ArrayList<>();
        List<Rect> texts = new ArrayList<>();
        for (Ladder.Text t : ladder.texts()) {
            Rect r = new Rect(
                    "text " + t.kind() + " \"" + t.text() + "\"",
                    t.left(),
                    t.y() - t.height() + 2,
                    t.left() + t.width(),
                    t.y() + 1);
            texts.add(r);
            if (r.x1 < 0 || r.y1 < 0 || r.x2 > ladder.width() + EPS || r.y2 > ladder.height()) {
                mistakes.add(r.what + " lies outside the drawing");
            }
        }
        List<Rect> symbols = new ArrayList<>();
        for (Ladder.Symbol s : ladder.symbols()) {
            symbols.add(new Rect(
                    "symbol " + s.branch().title(),
                    s.x() - s.width() / 2,
                    s.y() - s.height() / 2,
                    s.x() + s.width() / 2,
                    s.y() + s.height() / 2));
        }
        List<Rect> lines = new ArrayList<>();
        for (Ladder.Line l : ladder.lines()) {
            double across = l.y1() == l.y2() ? 0 : 0.5;
            double along = 0.5 - across;
            lines.add(new Rect(
                    "line of net " + l.net(),
                    Math.min(l.x1(), l.x2()) - across,
                    Math.min(l.y1(), l.y2()) - along,
                    Math.max(l.x1(), l.x2()) + across,
                    Math.max(l.y1(), l.y2()) + along));
        }
        cross(texts, texts, mistakes);
        cross(texts, symbols, mistakes);
        cross(texts, lines, mistakes);
        cross(symbols, symbols, mistakes);
        cross(symbols, lines, mistakes);
        sharedSegments(ladder, mistakes);
        return mistakes;
    }

    /** Texts, boxes and wires of a connection diagram, and the nets rebuilt from its lines. */
    static List<String> connection(Connection c, Circuit circuit) {
        List<String> mistakes = new ArrayList<>();
        List<Rect> texts = new ArrayList<>();
        List<Rect> parts = new ArrayList<>();
        for (Connection.Box place : c.places()) {
            Connection.Point t = place.titleAt();
            texts.add(new Rect(
                    "title " + place.title(),
                    t.x(),
                    t.y() - 9,
                    t.x() + place.title().length() * 7.0,
                    t.y() + 2));
        }
        for (Connection.Box part : c.parts()) {
            Connection.Point t = part.titleAt();
            double half = part.id().length() * 3.5;
            texts.add(new Rect("title " + part.id(), t.x() - half, t.y() - 9, t.x() + half, t.y() + 2));
            parts.add(new Rect(
                    "part " + part.id(),
                    part.x() + 0.5,
                    part.y() + 0.5,
                    part.x() + part.width() - 0.5,
                    part.y() + part.height() - 0.5));
        }
        for (Connection.Post p : c.posts()) {
            double half = p.label().length() * 3.05;
            double base = p.edge() == Connection.Edge.TOP ? p.y() + 15 : p.y() - 8;
            texts.add(new Rect("label " + p.terminal(), p.x() - half, base - 8, p.x() + half, base + 1));
        }
        List<Segment> segments = segments(c, circuit);
        List<Rect> lines = segments.stream().map(GeometryCheck::rect).toList();
        cross(texts, texts, mistakes);
        cross(texts, lines, mistakes);
        cross(parts, parts, mistakes);
        cross(parts, lines, mistakes);
        mistakes.addAll(rebuilt(segments));
        return mistakes;
    }

    /** Pieces of line that two wires of different colours share; a few pixels where three colours meet at a screw they may. */
    static List<String> coloursOnEachOther(Connection c, Circuit circuit) {
        Map<Terminal, Terminal> netOf = nets(circuit);
        Set<Terminal> crowded = new HashSet<>();
        ConnectionLayout.colours(circuit).forEach((t, set) -> {
            if (set.size() > 2) {
                crowded.add(netOf.get(t));
            }
        });
        List<String> mistakes = new ArrayList<>();
        List<Segment> segments = segments(c, circuit);
        for (int i = 0; i < segments.size(); i++) {
            for (int j = i + 1; j < segments.size(); j++) {
                Segment a = segments.get(i);
                Segment b = segments.get(j);
                String colourA =
                        String.valueOf(circuit.colourOf(circuit.wire(a.wire).orElseThrow()));
                String colourB =
                        String.valueOf(circuit.colourOf(circuit.wire(b.wire).orElseThrow()));
                if (!colourA.equals(colourB) && a.shared(b) > (crowded.contains(a.net) ? AT_A_SCREW : 1)) {
                    mistakes.add(a + " lies on " + b);
                }
            }
        }
        return mistakes;
    }

    /** A straight piece of a wire; {@code net} is the true one. */
    private record Segment(String wire, Terminal net, double x1, double y1, double x2, double y2) {
        boolean has(double x, double y) {
            return x >= Math.min(x1, x2) - EPS
                    && x <= Math.max(x1, x2) + EPS
                    && y >= Math.min(y1, y2) - EPS
                    && y <= Math.max(y1, y2) + EPS;
        }

        /** The length that two pieces have in common. */
        double shared(Segment o) {
            boolean level = Math.abs(y1 - y2) < EPS && Math.abs(o.y1 - o.y2) < EPS && Math.abs(y1 - o.y1) < EPS;
            boolean upright = Math.abs(x1 - x2) < EPS && Math.abs(o.x1 - o.x2) < EPS && Math.abs(x1 - o.x1) < EPS;
            return level
                    ? Math.min(Math.max(x1, x2), Math.max(o.x1, o.x2))
                            - Math.max(Math.min(x1, x2), Math.min(o.x1, o.x2))
                    : upright
                            ? Math.min(Math.max(y1, y2), Math.max(o.y1, o.y2))
                                    - Math.max(Math.min(y1, y2), Math.min(o.y1, o.y2))
                            : 0;
        }

        boolean touches(Segment o) {
            return has(o.x1, o.y1) || has(o.x2, o.y2) || o.has(x1, y1) || o.has(x2, y2);
        }
    }

    private static Rect rect(Segment s) {
        double across = s.y1 == s.y2 ? 0 : 0.5;
        return new Rect(
                "wire " + s.wire,
                Math.min(s.x1, s.x2) - across,
                Math.min(s.y1, s.y2) - 0.5 + across,
                Math.max(s.x1, s.x2) + across,
                Math.max(s.y1, s.y2) + 0.5 - across);
    }

    private static Map<Terminal, Terminal> nets(Circuit circuit) {
        Map<Terminal, Terminal> netOf = new HashMap<>();
        for (Wire w : circuit.wires()) {
            Terminal a = netOf.computeIfAbsent(w.from(), t -> t);
            Terminal b = netOf.computeIfAbsent(w.to(), t -> t);
            if (!a.equals(b)) {
                netOf.replaceAll((t, net) -> net.equals(b) ? a : net);
            }
        }
        return netOf;
    }

    private static List<Segment> segments(Connection c, Circuit circuit) {
        Map<Terminal, Terminal> netOf = nets(circuit);
        List<Segment> segments = new ArrayList<>();
        for (Connection.Route r : c.wires()) {
            Terminal net = netOf.get(circuit.wire(r.wire()).orElseThrow().from());
            for (int i = 1; i < r.points().size(); i++) {
                Connection.Point p = r.points().get(i - 1);
                Connection.Point q = r.points().get(i);
                if (p.x() != q.x()
                        && p.y() != q.y()
                        && Math.abs(p.x() - q.x()) > EPS
                        && Math.abs(p.y() - q.y()) > EPS) {
                    throw new AssertionError(r.wire() + " runs askew");
                }
                segments.add(new Segment(r.wire(), net, p.x(), p.y(), q.x(), q.y()));
            }
        }
        return segments;
    }

    /** Lines that touch end to line are joined, a mere crossing isn't: no two nets may hang together. */
    private static List<String> rebuilt(List<Segment> segments) {
        List<String> mistakes = new ArrayList<>();
        int[] parent = new int[segments.size()];
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
        Map<Terminal, Set<Integer>> groups = new HashMap<>();
        for (int i = 0; i < parent.length; i++) {
            for (int j = i + 1; j < parent.length; j++) {
                Segment a = segments.get(i);
                Segment b = segments.get(j);
                if (a.touches(b)) {
                    parent[root(parent, j)] = root(parent, i);
                    if (!a.net.equals(b.net)) {
                        mistakes.add("wires " + a.wire + " and " + b.wire + " of two nets touch: " + a + " " + b);
                    }
                }
            }
        }
        for (int i = 0; i < parent.length; i++) {
            groups.computeIfAbsent(segments.get(i).net, n -> new HashSet<>()).add(root(parent, i));
        }
        groups.forEach((net, g) -> {
            if (g.size() > 1) {
                mistakes.add("the net of " + net + " is drawn in " + g.size() + " pieces");
            }
        });
        return mistakes;
    }

    /** Each of one list against each of another, but for those that begin right of where the first ends. */
    private static void cross(List<Rect> a, List<Rect> b, List<String> mistakes) {
        List<Integer> sorted =
                new ArrayList<>(IntStream.range(0, b.size()).boxed().toList());
        sorted.sort(Comparator.comparingDouble(i -> b.get(i).x1));
        double widest = b.stream().mapToDouble(r -> r.x2 - r.x1).max().orElse(0);
        double[] begin = sorted.stream().mapToDouble(i -> b.get(i).x1).toArray();
        for (int i = 0; i < a.size(); i++) {
            Rect r = a.get(i);
            int first = Arrays.binarySearch(begin, r.x1 - widest - 1);
            for (int j = first < 0 ? -first - 1 : 0; j < begin.length && begin[j] < r.x2; j++) {
                int k = sorted.get(j);
                if ((a != b || i < k) && r.overlaps(b.get(k))) {
                    mistakes.add(r + " overlaps " + b.get(k));
                }
            }
        }
    }

    private static void sharedSegments(Ladder ladder, List<String> mistakes) {
        List<Ladder.Line> lines = ladder.lines();
        for (int i = 0; i < lines.size(); i++) {
            for (int j = i + 1; j < lines.size(); j++) {
                Ladder.Line a = lines.get(i);
                Ladder.Line b = lines.get(j);
                if (a.net() != b.net() && collinearOverlap(a, b)) {
                    mistakes.add("nets " + a.net() + " and " + b.net() + " share a piece: " + a + " " + b);
                }
            }
        }
    }

    private static boolean collinearOverlap(Ladder.Line a, Ladder.Line b) {
        boolean horizontal = a.y1() == a.y2() && b.y1() == b.y2() && Math.abs(a.y1() - b.y1()) < EPS;
        boolean vertical = a.x1() == a.x2() && b.x1() == b.x2() && Math.abs(a.x1() - b.x1()) < EPS;
        if (horizontal) {
            return Math.min(Math.max(a.x1(), a.x2()), Math.max(b.x1(), b.x2()))
                    > Math.max(Math.min(a.x1(), a.x2()), Math.min(b.x1(), b.x2())) - EPS;
        }
        return vertical
                && Math.min(Math.max(a.y1(), a.y2()), Math.max(b.y1(), b.y2()))
                        > Math.max(Math.min(a.y1(), a.y2()), Math.min(b.y1(), b.y2())) - EPS;
    }

    /**
     * Follows the lines by their ends alone (a line's end on another line joins them, a mere crossing doesn't; a stub
     * with a wire number joins the lines of that number) and compares the symbols' ends with the true nets.
     */
    static List<String> netsRebuilt(Ladder ladder) {
        List<Ladder.Line> lines = ladder.lines();
        int[] parent = new int[lines.size()];
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
        for (int i = 0; i < parent.length; i++) {
            for (int j = i + 1; j < parent.length; j++) {
                if (touches(lines.get(i), lines.get(j))) {
                    parent[root(parent, j)] = root(parent, i);
                }
            }
        }
        joinByNumber(ladder, parent);
        Map<Integer, Set<Integer>> netsOfGroup = new HashMap<>();
        Map<Integer, Set<Integer>> groupsOfNet = new HashMap<>();
        for (int i = 0; i < parent.length; i++) {
            int net = lines.get(i).net();
            netsOfGroup.computeIfAbsent(root(parent, i), g -> new HashSet<>()).add(net);
            groupsOfNet.computeIfAbsent(net, n -> new HashSet<>()).add(root(parent, i));
        }
        List<String> mistakes = new ArrayList<>();
        netsOfGroup.values().stream()
                .filter(s -> s.size() > 1)
                .forEach(s -> mistakes.add("joined by lines: nets " + s));
        groupsOfNet.forEach((net, groups) -> {
            if (groups.size() > 1) {
                mistakes.add("net " + net + " is drawn in " + groups.size() + " pieces");
            }
        });
        return mistakes;
    }

    /** The two ends of each symbol meet lines of the nets of its two terminals, the right way round. */
    static List<String> looseEnds(Ladder ladder) {
        List<String> mistakes = new ArrayList<>();
        for (Ladder.Symbol s : ladder.symbols()) {
            double half = s.width() / 2;
            Terminal left = s.flipped() ? s.branch().b() : s.branch().a();
            Terminal right = s.flipped() ? s.branch().a() : s.branch().b();
            if (!meets(ladder, s.x() - half, s.y(), left)) {
                mistakes.add(s.branch().title() + " hangs loose at " + left);
            }
            if (!meets(ladder, s.x() + half, s.y(), right)) {
                mistakes.add(s.branch().title() + " hangs loose at " + right);
            }
        }
        return mistakes;
    }

    private static boolean meets(Ladder ladder, double x, double y, Terminal terminal) {
        return ladder.lines().stream()
                .anyMatch(l -> ladder.nets().get(l.net()).terminals().contains(terminal)
                        && ((Math.abs(l.x1() - x) < EPS && Math.abs(l.y1() - y) < EPS)
                                || (Math.abs(l.x2() - x) < EPS && Math.abs(l.y2() - y) < EPS)));
    }

    private static void joinByNumber(Ladder ladder, int[] parent) {
        Map<String, Integer> first = new HashMap<>();
        for (Ladder.Text t : ladder.texts()) {
            if (t.kind() != Ladder.TextKind.WIRE_NUMBER) {
                continue;
            }
            for (int i = 0; i < parent.length; i++) {
                Ladder.Line l = ladder.lines().get(i);
                if (Integer.toString(ladder.nets().get(l.net()).number()).equals(t.text())) {
                    Integer other = first.putIfAbsent(t.text(), i);
                    if (other != null) {
                        parent[root(parent, i)] = root(parent, other);
                    }
                }
            }
        }
    }

    private static int root(int[] parent, int i) {
        return parent[i] == i ? i : root(parent, parent[i]);
    }

    private static boolean touches(Ladder.Line a, Ladder.Line b) {
        return on(a.x1(), a.y1(), b) || on(a.x2(), a.y2(), b) || on(b.x1(), b.y1(), a) || on(b.x2(), b.y2(), a);
    }

    private static boolean on(double x, double y, Ladder.Line l) {
        return x >= Math.min(l.x1(), l.x2()) - EPS
                && x <= Math.max(l.x1(), l.x2()) + EPS
                && y >= Math.min(l.y1(), l.y2()) - EPS
                && y <= Math.max(l.y1(), l.y2()) + EPS;
    }
}
