package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Groups;

/** Counts where the lines of a drawing cross. */
final class Crossings {
    private static final double EPS = 0.01;
    /** Cores of one cable run this far apart at the most where they go side by side. */
    private static final double BESIDE = 17;

    private Crossings() {}

    private record Line(String key, String net, double x1, double y1, double x2, double y2) {
        boolean level() {
            return Math.abs(y1 - y2) < EPS;
        }
    }

    private record Spot(double x, double y) {}

    static int of(Ladder ladder) {
        List<Line> lines = ladder.lines().stream()
                .map(l -> new Line("" + l.net(), "" + l.net(), l.x1(), l.y1(), l.x2(), l.y2()))
                .toList();
        return count(lines).values().stream().mapToInt(i -> i).sum();
    }

    /** A bundle of cores counts as one line, and so do wires of one net that lie on each other. */
    static int of(Connection drawing, Circuit circuit) {
        return pairs(drawing, circuit).values().stream().mapToInt(i -> i).sum();
    }

    /** How often two lines cross, by their names with a bar between them. */
    static Map<String, Integer> pairs(Connection drawing, Circuit circuit) {
        Groups<Terminal> nets = new Groups<>();
        circuit.wires().forEach(w -> nets.join(w.from(), w.to()));
        List<Line> lines = new ArrayList<>();
        for (Connection.Route r : drawing.wires()) {
            Wire w = circuit.wire(r.wire()).orElseThrow();
            String net = nets.root(w.from()).toString();
            String key = w.cable() == null ? net : "cable " + w.cable();
            for (int i = 1; i < r.points().size(); i++) {
                Connection.Point p = r.points().get(i - 1);
                Connection.Point q = r.points().get(i);
                lines.add(new Line(key, net, p.x(), p.y(), q.x(), q.y()));
            }
        }
        return count(lines);
    }

    private static Map<String, Integer> count(List<Line> lines) {
        Map<String, List<Spot>> spots = new HashMap<>();
        for (Line h : lines) {
            for (Line v : lines) {
                if (h.level() && !v.level() && !h.net.equals(v.net) && crosses(h, v)) {
                    String pair = h.key.compareTo(v.key) < 0 ? h.key + "|" + v.key : v.key + "|" + h.key;
                    spots.computeIfAbsent(pair, k -> new ArrayList<>()).add(new Spot(v.x1, h.y1));
                }
            }
        }
        Map<String, Integer> counts = new HashMap<>();
        spots.forEach((pair, at) -> counts.put(pair, clusters(at)));
        return counts;
    }

    private static boolean crosses(Line h, Line v) {
        return v.x1 > Math.min(h.x1, h.x2) + EPS
                && v.x1 < Math.max(h.x1, h.x2) - EPS
                && h.y1 > Math.min(v.y1, v.y2) + EPS
                && h.y1 < Math.max(v.y1, v.y2) - EPS;
    }

    /** Where two bundles cross, each core crosses each: that is one crossing. */
    private static int clusters(List<Spot> spots) {
        Groups<Spot> near = new Groups<>();
        for (Spot a : spots) {
            for (Spot b : spots) {
                if (Math.hypot(a.x - b.x, a.y - b.y) < BESIDE) {
                    near.join(a, b);
                }
            }
        }
        return near.of(spots).size();
    }
}
