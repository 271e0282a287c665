package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.drawing.Placement.Post;

/**
 * Moves boxes to other spots in the rows of their place, so that what is wired together stands near: simulated annealing
 * (S. Kirkpatrick, C. Gelatt, M. Vecchi, "Optimization by simulated annealing", Science 220, 1983, 671–680), the same
 * every time. Devices of a kind stay in the order of their ids, supplies in theirs from the mains on, and no row is left empty.
 */
final class Nearer {
    /**
     * What is weighed.
     *
     * @param upright what a step up or down counts, against one to the side
     * @param around steps that a wire is taken to be longer by, whose posts look away from each other
     */
    record Weights(double upright, double around) {}

    private static final String SUPPLY = "supply";
    private static final int BOX_GAP = 4;
    private static final int STEPS_A_BOX = 1500;
    private static final int MOST_STEPS = 40_000;
    /** The mean length of a wire times this is how much longer all wires may get in one step, at first. */
    private static final double WARMTH = 0.6;
    /** After so many steps, less one, it is asked whether there is time for more. */
    private static final int ASKED = 1023;

    /** A box on the move, with its neighbours in the order of its kind. */
    private static final class Box {
        private final Block block;
        private final boolean supply;
        private final List<Line> lines = new ArrayList<>();
        private Row row;
        private int x;
        private int at;
        private Box before;
        private Box after;

        Box(Block block, boolean supply) {
            this.block = block;
            this.supply = supply;
        }

        boolean isBefore(Box other) {
            return row == other.row ? at < other.at : row.number < other.row.number;
        }

        boolean isInOrder() {
            return (before == null || before.isBefore(this)) && (after == null || isBefore(after));
        }
    }

    private static final class Row {
        private final int number;
        private final int y;
        private final int left;
        private final int wide;
        private final boolean supplies;
        private List<Box> boxes;
        private int offset;

        Row(int number, int y, int left, int wide, List<Box> boxes) {
            this.number = number;
            this.y = y;
            this.left = left;
            this.wide = wide;
            this.boxes = boxes;
            supplies = boxes.get(0).supply;
            pack();
        }

        int slack() {
            int slack = wide + BOX_GAP;
            for (Box b : boxes) {
                slack -= b.block.width() + BOX_GAP;
            }
            return slack;
        }

        /** Sets each box beside the one before it. */
        void pack() {
            int x = left + offset;
            int at = 0;
            for (Box b : boxes) {
                b.row = this;
                b.x = x;
                b.at = at++;
                x += b.block.width() + BOX_GAP;
            }
        }
    }

    /** A wire between two posts, each so far from its box's corner. */
    private static final class Line {
        private final Box a;
        private final Box b;
        private final Post from;
        private final Post to;
        private double length;
        private double before;
        private int step = -1;

        Line(Box a, Post from, Box b, Post to) {
            this.a = a;
            this.from = from;
            this.b = b;
            this.to = to;
        }

        private int x(Box box, Post post) {
            return box.x + post.x() - box.block.x();
        }

        private int y(Box box, Post post) {
            return box.row.y + post.y() - box.block.y();
        }

        double measured(Weights weights) {
            int up = from.out() < 0 ? y(a, from) : y(b, to);
            int down = from.out() < 0 ? y(b, to) : y(a, from);
            boolean away = from.out() != to.out() && down > up;
            return Math.abs(x(a, from) - x(b, to))
                    + weights.upright() * Math.abs(up - down)
                    + (away ? weights.around() : 0);
        }
    }

    private final Placement placement;
    private final Weights weights;
    private final Random random = new Random(7);
    private final Map<String, Box> boxes = new LinkedHashMap<>();
    private final List<Row> rows = new ArrayList<>();
    private final Map<Row, List<Row>> rowsBeside = new HashMap<>();
    private final List<Line> lines = new ArrayList<>();

    private Nearer(Circuit circuit, Placement placement, Set<String> supplies, Weights weights) {
        this.placement = placement;
        this.weights = weights;
        placement.blocks().values().forEach(b -> boxes.put(b.id(), new Box(b, supplies.contains(b.id()))));
        rows();
        order(circuit);
        for (Wire w : circuit.wires()) {
            Box a = boxes.get(w.from().part());
            Box b = boxes.get(w.to().part());
            Line line = new Line(a, placement.post(w.from()), b, placement.post(w.to()));
            line.length = line.measured(weights);
            lines.add(line);
            Stream.of(a, b).distinct().forEach(box -> box.lines.add(line));
        }
    }

    static Placement of(Circuit circuit, Placement rows, Set<String> supplies, Weights weights) {
        Nearer nearer = new Nearer(circuit, rows, supplies, weights);
        nearer.anneal();
        return nearer.placed();
    }

    private void rows() {
        for (Frame frame : placement.frames().values()) {
            Map<Integer, List<Box>> byHeight = new TreeMap<>();
            boxes.values().stream()
                    .filter(b -> b.block.place().equals(frame.id()))
                    .sorted(Comparator.comparingInt(b -> b.block.x()))
                    .forEach(b -> byHeight.computeIfAbsent(b.block.y(), y -> new ArrayList<>())
                            .add(b));
            int left = byHeight.values().stream()
                    .mapToInt(row -> row.get(0).block.x())
                    .min()
                    .orElse(0);
            int right = boxes.values().stream()
                    .filter(b -> b.block.place().equals(frame.id()))
                    .mapToInt(b -> b.block.x() + b.block.width())
                    .max()
                    .orElse(0);
            int wide = Math.max(right - left, frame.width() - 2 * (left - frame.x()));
            List<Row> beside = new ArrayList<>();
            byHeight.forEach((y, row) -> beside.add(new Row(rows.size() + beside.size(), y, left, wide, row)));
            beside.forEach(row -> rowsBeside.put(row, beside));
            rows.addAll(beside);
        }
    }

    /** Devices of a kind as they stand now: left before right, above before below. */
    private void order(Circuit circuit) {
        Map<String, Box> last = new HashMap<>();
        for (Row row : rows) {
            for (Box b : row.boxes) {
                String type = b.supply
                        ? SUPPLY
                        : circuit.part(b.block.id()).map(Part::type).orElse("");
                Box before = last.put(b.block.place() + " " + type, b);
                if (before != null) {
                    before.after = b;
                    b.before = before;
                }
            }
        }
    }

    private void anneal() {
        int steps = rows.isEmpty() ? 0 : Math.min(MOST_STEPS, STEPS_A_BOX * boxes.size());
        double mean = lines.stream().mapToDouble(l -> l.length).average().orElse(0);
        for (int i = 0; i < steps; i++) {
            if ((i & ASKED) == 0) {
                Budget.check();
            }
            double cold = 1 - (double) i / steps;
            step(i, WARMTH * mean * cold * cold + 1e-6);
        }
    }

    /** Moves a box, has two change places, or shifts a row; and takes it back where wires get too long by it. */
    private void step(int number, double warmth) {
        Row a = rows.get(random.nextInt(rows.size()));
        int what = random.nextInt(5);
        List<Row> beside = rowsBeside.get(a);
        Row b = what == 4 || random.nextInt(3) == 0 ? a : beside.get(random.nextInt(beside.size()));
        List<Box> inA = a.boxes;
        List<Box> inB = b.boxes;
        int offsetA = a.offset;
        int offsetB = b.offset;
        boolean may = what == 4 ? shift(a) : what < 2 ? swap(a, b) : move(a, b);
        if (!may || !isShorter(a, b, number, warmth)) {
            b.boxes = inB;
            a.boxes = inA;
            b.offset = offsetB;
            a.offset = offsetA;
            b.pack();
            a.pack();
            forget(a, number);
            forget(b, number);
        }
    }

    private boolean shift(Row row) {
        row.offset = random.nextInt(Math.max(1, row.slack() + 1));
        return true;
    }

    private boolean swap(Row a, Row b) {
        int i = random.nextInt(a.boxes.size());
        int k = random.nextInt(b.boxes.size());
        Box one = a.boxes.get(i);
        Box other = b.boxes.get(k);
        if (one == other || a.supplies != b.supplies) {
            return false;
        }
        a.boxes = new ArrayList<>(a.boxes);
        b.boxes = a == b ? a.boxes : new ArrayList<>(b.boxes);
        a.boxes.set(i, other);
        b.boxes.set(k, one);
        return settled(a, b) && one.isInOrder() && other.isInOrder();
    }

    private boolean move(Row a, Row b) {
        if ((a != b && a.boxes.size() == 1) || a.supplies != b.supplies) {
            return false;
        }
        a.boxes = new ArrayList<>(a.boxes);
        b.boxes = a == b ? a.boxes : new ArrayList<>(b.boxes);
        Box box = a.boxes.remove(random.nextInt(a.boxes.size()));
        b.boxes.add(random.nextInt(b.boxes.size() + 1), box);
        return settled(a, b) && box.isInOrder();
    }

    private static boolean settled(Row a, Row b) {
        int slackA = a.slack();
        int slackB = b.slack();
        a.offset = Math.max(0, Math.min(a.offset, slackA));
        b.offset = Math.max(0, Math.min(b.offset, slackB));
        a.pack();
        b.pack();
        return slackA >= 0 && slackB >= 0;
    }

    private boolean isShorter(Row a, Row b, int step, double warmth) {
        a.pack();
        b.pack();
        double more = 0;
        for (Row row : a == b ? new Row[] {a} : new Row[] {a, b}) {
            for (Box box : row.boxes) {
                for (Line line : box.lines) {
                    if (line.step != step) {
                        line.step = step;
                        line.before = line.length;
                        line.length = line.measured(weights);
                        more += line.length - line.before;
                    }
                }
            }
        }
        return more <= 0 || random.nextDouble() < Math.exp(-more / warmth);
    }

    /** Takes back what was measured in a step. */
    private static void forget(Row row, int step) {
        for (Box box : row.boxes) {
            for (Line line : box.lines) {
                if (line.step == step) {
                    line.step = -1;
                    line.length = line.before;
                }
            }
        }
    }

    private Placement placed() {
        Map<String, Block> blocks = new LinkedHashMap<>();
        boxes.forEach((id, b) -> blocks.put(id, b.block.at(b.x, b.row.y)));
        return new Placement(placement.frames(), blocks);
    }
}
