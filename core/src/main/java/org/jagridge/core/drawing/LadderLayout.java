package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Ladder.Text;
import org.jagridge.core.drawing.Ladder.Text.Anchor;
import org.jagridge.core.drawing.Ladder.TextKind;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;

/** Lays out a ladder for any circuit. */
public final class LadderLayout {
    private static final double MARGIN = 10;
    private static final double NUMBER_WIDTH = 26;
    private static final double SECTION_GAP = 14;
    private static final double SYMBOL_HEIGHT = 20;
    /** Letters that a rail of a control circuit is called by, the first that occurs on it. */
    private static final String[] CONTROL_HOT = {"R", "RC", "RH", "X1"};

    private static final String[] CONTROL_RETURN = {"C", "X2"};

    private final Nets nets;
    private final Spots spots;
    private final LadderPlan plan;
    private final LadderWords words;
    private final Set<Integer> fieldNodes = new HashSet<>();
    private final List<Ladder.Line> lines = new ArrayList<>();
    private final List<Ladder.Dot> dots = new ArrayList<>();
    private final List<Ladder.Symbol> symbols = new ArrayList<>();
    private final List<Text> texts = new ArrayList<>();
    private double width;

    private LadderLayout(Assembly assembly) {
        nets = new Nets(assembly);
        spots = new Spots(assembly, nets);
        plan = new LadderPlan(assembly, spots);
        words = new LadderWords(assembly, plan);
        for (Wire w : assembly.circuit().wires()) {
            if (w.run() == Wire.Run.FIELD) {
                fieldNodes.add(assembly.node(w.from()).orElseThrow());
                fieldNodes.add(assembly.node(w.to()).orElseThrow());
            }
        }
        for (Wire w : assembly.circuit().wires()) {
            if (w.run() == Wire.Run.FACTORY) {
                fieldNodes.remove(assembly.node(w.from()).orElseThrow());
                fieldNodes.remove(assembly.node(w.to()).orElseThrow());
            }
        }
    }

    public static Ladder of(Assembly assembly) {
        return new LadderLayout(assembly).layout();
    }

    private Ladder layout() {
        double y = MARGIN;
        for (LadderSection section : plan.sections()) {
            y = draw(section, y) + SECTION_GAP;
        }
        y = drawSpares(y);
        return new Ladder(
                width + MARGIN,
                y + MARGIN,
                lines,
                dots,
                symbols,
                texts,
                nets.all().stream()
                        .map(n -> n.withNumber(plan.numberOf(n.index())))
                        .toList());
    }

    private double draw(LadderSection section, double top) {
        LadderGrid grid = new LadderGrid(section, MARGIN + NUMBER_WIDTH, top, words::labelWidth);
        String hotName = railName(section.hotRail(), section.hotPole(), CONTROL_HOT);
        Text last = rail(grid, section.hotRail(), grid.railLeft(), MARGIN, hotName);
        if (section.returnRail() != LadderSection.NONE) {
            double free = last.left() + last.width() + 8;
            String returnName = railName(section.returnRail(), section.returnPole(), CONTROL_RETURN);
            last = rail(grid, section.returnRail(), grid.railRight(), free, returnName);
        }
        if (!section.isFed()) {
            double right = last.left() + last.width() + 12;
            text(TextKind.FUNCTION, right, grid.top() + 12, Anchor.START, "No source drawn here", "");
        }
        Map<Integer, Double> numbered = new HashMap<>();
        section.placed().forEach(p -> place(grid, p, numbered));
        verticals(grid);
        for (int row = 0; row < section.rows(); row++) {
            int rung = plan.rungOf(section, row);
            if (rung > 0) {
                text(TextKind.RUNG_NUMBER, MARGIN + 14, grid.y(row) + 4, Anchor.END, Integer.toString(rung), "");
            }
            List<String> wrapped = LadderWords.wrap(words.job(section, row));
            for (int i = 0; i < wrapped.size(); i++) {
                double y = grid.y(row) + 4 + (i - (wrapped.size() - 1) / 2.0) * 13;
                text(TextKind.FUNCTION, grid.railRight() + 12, y, Anchor.START, wrapped.get(i), "");
            }
        }
        return grid.bottom();
    }

    /**
     * The name of the pole that a rail comes from: of a control circuit the trade's letter, if the rail has it; where no
     * source is, the rail's first terminal.
     */
    private String railName(int spot, Terminal pole, String... letters) {
        Net n = spots.netOf(spot);
        boolean mains = pole != null && pole.name().matches("L\\d?|N|[+-]");
        String letter = mains ? null : n.named(letters);
        return letter != null
                ? letter
                : pole != null ? pole.name() : n.terminals().get(0).toString();
    }

    /** Draws a rail with its name above it, the name not left of {@code free}. */
    private Text rail(LadderGrid grid, int spot, double x, double free, String label) {
        Net n = spots.at(spot);
        String ref = n.terminals().get(0).toString();
        // the supply closes the loop at the top
        double from = grid.section().supplyRows() > 0 ? grid.y(0) : grid.top() + 18;
        lines.add(new Ladder.Line(net(spot), n.nodes().get(0), x, from, x, grid.bottom(), true, null, false));
        double half = new Text(TextKind.RAIL, 0, 0, Anchor.START, label, ref).width() / 2;
        width = Math.max(width, x);
        return text(TextKind.RAIL, Math.max(x, free + half), grid.top() + 12, Anchor.MIDDLE, label, ref);
    }

    private void place(LadderGrid grid, LadderSection.Placed p, Map<Integer, Double> numbered) {
        Branch b = p.branch();
        double y = grid.y(p.row());
        double x = grid.centre(p.column());
        double half = LadderWords.symbolWidth(b) / 2;
        int leftNode = p.flipped() ? b.nodeB() : b.nodeA();
        int rightNode = p.flipped() ? b.nodeA() : b.nodeB();
        if (spots.jumpers().contains(b)) {
            lines.add(new Ladder.Line(
                    net(p.left()), leftNode, grid.x(p.left()), y, grid.x(p.right()), y, false, b, isField(leftNode)));
            return;
        }
        symbols.add(new Ladder.Symbol(b, x, y, half * 2, SYMBOL_HEIGHT, p.flipped(), plan.rungOf(b)));
        if (p.loops()) {
            loop(grid, p, x, half);
            labels(b, x, y);
            return;
        }
        double begin = grid.isOpenEnd(p.left()) ? grid.columnStart(p.column()) - 3 : grid.x(p.left());
        lines.add(new Ladder.Line(net(p.left()), leftNode, begin, y, x - half, y, false, b, isField(leftNode)));
        lines.add(new Ladder.Line(
                net(p.right()), rightNode, x + half, y, grid.x(p.right()), y, false, b, isField(rightNode)));
        if (grid.isOpenEnd(p.right())) {
            String open = (p.flipped() ? b.a() : b.b()).name();
            text(TextKind.OPEN_END, grid.columnEnd(p.column()) - 2, y + 10.5, Anchor.END, open, b.owner());
        }
        if (grid.isOpenEnd(p.left())) {
            String open = (p.flipped() ? b.b() : b.a()).name();
            boolean goesOn = plan.isOnASpare(p.left());
            text(
                    goesOn ? TextKind.WIRE_NUMBER : TextKind.OPEN_END,
                    grid.columnStart(p.column()) + 2,
                    y + 10.5,
                    Anchor.START,
                    goesOn ? Integer.toString(plan.numberOf(net(p.left()))) : open,
                    goesOn ? netRef(p.left()) : b.owner());
        }
        labels(b, x, y);
        if (!grid.isRail(p.right()) && numbered.putIfAbsent(p.right(), x) == null) {
            String number = Integer.toString(plan.numberOf(net(p.right())));
            double at = x + half + 3;
            text(TextKind.WIRE_NUMBER, at, y - 3, Anchor.START, number, netRef(p.right()));
        }
    }

    /** Both ends on one net: one goes straight to it, the other around by the next row. */
    private void loop(LadderGrid grid, LadderSection.Placed p, double x, double half) {
        Branch b = p.branch();
        int net = net(p.left());
        double y = grid.y(p.row());
        double back = grid.y(p.row() + 1);
        double own = grid.x(p.left());
        boolean fromTheRight = own > x;
        double near = fromTheRight ? x + half : x - half;
        double far = fromTheRight ? x - half : x + half;
        double turn = fromTheRight ? grid.columnStart(p.column()) + 3 : grid.columnEnd(p.column()) - 3;
        int node = b.nodeA();
        lines.add(new Ladder.Line(net, node, own, y, near, y, false, b, isField(node)));
        lines.add(new Ladder.Line(net, node, far, y, turn, y, false, b, isField(node)));
        lines.add(new Ladder.Line(net, node, turn, y, turn, back, false, b, isField(node)));
        lines.add(new Ladder.Line(net, node, turn, back, own, back, false, b, isField(node)));
    }

    /** Whether the wires at a node, if there are any, are all field wiring. */
    private boolean isField(int node) {
        return fieldNodes.contains(node);
    }

    private int net(int spot) {
        return spots.netOf(spot).index();
    }

    private String netRef(int spot) {
        return spots.netOf(spot).terminals().get(0).toString();
    }

    private void verticals(LadderGrid grid) {
        grid.spans().forEach((spot, rows) -> {
            if (rows[0] == rows[1] || grid.isRail(spot)) {
                return;
            }
            double x = grid.x(spot);
            int node = spots.at(spot).nodes().get(0);
            lines.add(new Ladder.Line(net(spot), node, x, grid.y(rows[0]), x, grid.y(rows[1]), false, null, false));
            Map<Integer, Integer> pieces = new TreeMap<>();
            for (LadderSection.Placed p : grid.section().placed()) {
                if (p.left() == spot) {
                    pieces.merge(p.row(), 1, Integer::sum);
                }
                if (p.right() == spot) {
                    pieces.merge(p.loops() ? p.row() + 1 : p.row(), 1, Integer::sum);
                }
            }
            pieces.forEach((row, count) -> {
                boolean inner = row != rows[0] && row != rows[1];
                if (count + (inner ? 2 : 1) >= 3) {
                    dots.add(new Ladder.Dot(net(spot), node, x, grid.y(row)));
                }
            });
        });
    }

    private double drawSpares(double top) {
        if (plan.spares().isEmpty()) {
            return top;
        }
        double cell = plan.spares().stream()
                .mapToDouble(b -> Math.max(LadderWords.LEAST_WIDTH, words.labelWidth(b)) + 56)
                .max()
                .orElse(LadderWords.LEAST_WIDTH);
        double y = top + 14;
        text(TextKind.FUNCTION, MARGIN + NUMBER_WIDTH, y, Anchor.START, "Wired at one end only", "");
        for (int i = 0; i < plan.spares().size(); i++) {
            Branch b = plan.spares().get(i);
            double x = MARGIN + NUMBER_WIDTH + cell * (i % LadderPlan.SPARES_A_ROW) + cell / 2;
            y = top + 44 + LadderGrid.ROW * Math.floorDiv(i, LadderPlan.SPARES_A_ROW);
            double half = LadderWords.symbolWidth(b) / 2;
            symbols.add(new Ladder.Symbol(b, x, y, half * 2, SYMBOL_HEIGHT, false, plan.rungOf(b)));
            stub(b, b.nodeA(), x - half, x - half - 8, y, Anchor.END);
            stub(b, b.nodeB(), x + half, x + half + 8, y, Anchor.START);
            labels(b, x, y);
            width = Math.max(width, x + cell / 2);
        }
        return y + 26;
    }

    /** A short end with the number of the wire it belongs to, where it has one. */
    private void stub(Branch b, int node, double from, double to, double y, Anchor anchor) {
        int net = nets.ofNode(node);
        lines.add(new Ladder.Line(net, node, from, y, to, y, false, b, isField(node)));
        if (plan.isNumbered(net)) {
            double x = anchor == Anchor.START ? to + 2 : to - 2;
            text(
                    TextKind.WIRE_NUMBER,
                    x,
                    y + 4,
                    anchor,
                    Integer.toString(plan.numberOf(net)),
                    nets.all().get(net).terminals().get(0).toString());
        }
    }

    private void labels(Branch b, double x, double y) {
        text(TextKind.NAME, x, y - 14, Anchor.MIDDLE, b.owner(), b.owner());
        String detail = words.detail(b);
        if (!detail.isEmpty()) {
            text(TextKind.DETAIL, x, y + 21, Anchor.MIDDLE, detail, b.owner());
        }
    }

    private Text text(TextKind kind, double x, double y, Anchor anchor, String text, String ref) {
        Text t = new Text(kind, x, y, anchor, text, ref);
        texts.add(t);
        width = Math.max(width, t.left() + t.width());
        return t;
    }
}
