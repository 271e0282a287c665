package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Ladder.Text;
import org.jagridge.core.drawing.Ladder.Text.Anchor;
import org.jagridge.core.drawing.Ladder.TextKind;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/** Lays out a ladder for any circuit. */
public final class LadderLayout {
    private static final double MARGIN = 10;
    private static final double NUMBER_WIDTH = 26;
    private static final double ROW = 50;
    private static final double SECTION_HEAD = 38;
    private static final double SECTION_GAP = 14;
    private static final double LEAST_COLUMN = 62;
    private static final double CHANNEL = 16;
    private static final double LANE = 9;
    private static final double SYMBOL_HEIGHT = 20;
    private static final int SPARES_A_ROW = 4;
    /** Names that a rail is called by, the first that occurs on it. */
    private static final String[] LINE_HOT = {"L1", "L", "+"};

    private static final String[] LINE_RETURN = {"L2", "N", "-"};
    private static final String[] CONTROL_HOT = {"R", "RC", "RH", "X1"};
    private static final String[] CONTROL_RETURN = {"C", "X2"};
    private static final int FUNCTION_LETTERS = 24;

    private final Assembly assembly;
    private final Nets nets;
    private final List<LadderSection> sections = new ArrayList<>();
    private final List<Branch> spares = new ArrayList<>();
    private final Map<Branch, Integer> rungOf = new HashMap<>();
    private final Map<Integer, Integer> numberOf = new HashMap<>();
    private final Set<Integer> fieldNodes = new HashSet<>();
    private final List<Ladder.Line> lines = new ArrayList<>();
    private final List<Ladder.Dot> dots = new ArrayList<>();
    private final List<Ladder.Symbol> symbols = new ArrayList<>();
    private final List<Text> texts = new ArrayList<>();
    private double width;

    private LadderLayout(Assembly assembly) {
        this.assembly = assembly;
        nets = new Nets(assembly);
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
        divide();
        numberRungs();
        numberNets();
        double y = MARGIN;
        for (LadderSection section : sections) {
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
                        .map(n -> n.withNumber(numberOf.getOrDefault(n.index(), 0)))
                        .toList());
    }

    // ---- which branch belongs to which section

    private void divide() {
        List<Branch> drawn = assembly.branches().stream()
                .filter(b -> b.isDrawn() && !Nets.isMerged(b))
                .toList();
        int[] ends = new int[nets.all().size()];
        for (Branch b : drawn) {
            ends[nets.ofNode(b.nodeA())]++;
            ends[nets.ofNode(b.nodeB())]++;
        }
        List<Branch> kept = new ArrayList<>();
        for (Branch b : drawn) {
            boolean leadsNowhere = isDeadEnd(b.nodeA(), ends) || isDeadEnd(b.nodeB(), ends);
            (b.role() == Role.CONTACT && leadsNowhere ? spares : kept).add(b);
        }
        components(kept).forEach(component -> sections.add(new LadderSection(component, nets)));
    }

    /** Whether nothing else is on a node's net: no other branch, no wire. */
    private boolean isDeadEnd(int node, int[] ends) {
        int net = nets.ofNode(node);
        return ends[net] == 1 && nets.all().get(net).terminals().size() == 1;
    }

    /** Components joined by common nets; those with a supply first, then those with a transformer, then the rest. */
    private List<List<Branch>> components(List<Branch> branches) {
        Map<Integer, Integer> parent = new HashMap<>();
        for (Branch b : branches) {
            int x = root(parent, nets.ofNode(b.nodeA()));
            int y = root(parent, nets.ofNode(b.nodeB()));
            parent.put(Math.max(x, y), Math.min(x, y));
        }
        Map<Integer, List<Branch>> byRoot = new LinkedHashMap<>();
        for (Branch b : branches) {
            byRoot.computeIfAbsent(root(parent, nets.ofNode(b.nodeA())), r -> new ArrayList<>())
                    .add(b);
        }
        List<List<Branch>> components = new ArrayList<>(byRoot.values());
        components.sort(Comparator.comparingInt(LadderLayout::rank));
        return components;
    }

    private static int rank(List<Branch> component) {
        if (component.stream().anyMatch(b -> b.role() == Role.SOURCE)) {
            return 0;
        }
        return component.stream().anyMatch(b -> b.role() == Role.SECONDARY) ? 1 : 2;
    }

    private static int root(Map<Integer, Integer> parent, int i) {
        int r = i;
        while (parent.getOrDefault(r, r) != r) {
            r = parent.get(r);
        }
        return r;
    }

    // ---- numbers

    private void numberRungs() {
        int rung = 1;
        for (LadderSection section : sections) {
            int first = rung;
            section.placed().forEach(p -> rungOf.put(p.branch(), first + p.row()));
            rung += section.rows();
        }
        for (int i = 0; i < spares.size(); i++) {
            rungOf.put(spares.get(i), rung + i / SPARES_A_ROW);
        }
    }

    /** Wire numbers: hundreds by section, rails first, then as the rungs are read. */
    private void numberNets() {
        int hundred = 100;
        for (LadderSection section : sections) {
            int next = hundred + 1;
            List<Integer> reading = new ArrayList<>(List.of(section.hotRail()));
            if (section.returnRail() != LadderSection.NONE) {
                reading.add(section.returnRail());
            }
            section.placed().forEach(p -> reading.addAll(List.of(p.left(), p.right())));
            for (int net : reading) {
                if (numberOf.putIfAbsent(net, next) == null) {
                    next++;
                }
            }
            hundred += 100 * (1 + (next - hundred) / 100);
        }
        int next = hundred + 1;
        Map<Integer, Integer> ends = new HashMap<>();
        for (Branch b : spares) {
            ends.merge(nets.ofNode(b.nodeA()), 1, Integer::sum);
            ends.merge(nets.ofNode(b.nodeB()), 1, Integer::sum);
        }
        for (Branch b : spares) {
            for (int net : new int[] {nets.ofNode(b.nodeA()), nets.ofNode(b.nodeB())}) {
                boolean joins = nets.all().get(net).terminals().size() > 1 || ends.get(net) > 1;
                if (joins && numberOf.putIfAbsent(net, next) == null) {
                    next++;
                }
            }
        }
    }

    // ---- coordinates

    /** One section with its coordinates while it is drawn. */
    private final class Canvas {
        final LadderSection section;
        final double top;
        final double[] channelStart;
        final double[] columnStart;
        final double[] columnEnd;
        final Map<Integer, Integer> lane = new HashMap<>();
        final Map<Integer, int[]> span = new TreeMap<>();
        final double railLeft;
        final double railRight;

        Canvas(LadderSection section, double top) {
            this.section = section;
            this.top = top;
            int[] lanes = assignLanes();
            channelStart = new double[section.columns() + 1];
            columnStart = new double[section.columns()];
            columnEnd = new double[section.columns()];
            double x = MARGIN + NUMBER_WIDTH;
            railLeft = x + 4;
            for (int k = 0; k <= section.columns(); k++) {
                channelStart[k] = x;
                x += k == section.columns() ? 0 : CHANNEL + LANE * Math.max(0, lanes[k] - 1);
                if (k < section.columns()) {
                    columnStart[k] = x;
                    x += columnWidth(k);
                    columnEnd[k] = x;
                }
            }
            railRight = x + 8;
        }

        private double columnWidth(int column) {
            double w = LEAST_COLUMN;
            for (LadderSection.Placed p : section.placed()) {
                if (p.column() == column) {
                    w = Math.max(w, labelWidth(p.branch()) + 14);
                }
            }
            return w;
        }

        /** Gives each net with a vertical piece a lane of its channel, so that no two overlap. */
        private int[] assignLanes() {
            for (LadderSection.Placed p : section.placed()) {
                extend(p.left(), p.row());
                extend(p.right(), p.loops() ? p.row() + 1 : p.row());
            }
            int[] lanes = new int[section.columns() + 1];
            Map<Integer, List<Integer>> byLevel = new TreeMap<>();
            span.forEach((net, rows) -> {
                if (rows[0] < rows[1] && !isRail(net)) {
                    byLevel.computeIfAbsent(section.levelOf(net), l -> new ArrayList<>())
                            .add(net);
                }
            });
            byLevel.forEach((level, list) -> {
                list.sort(Comparator.comparingInt((Integer n) -> span.get(n)[0]).thenComparingInt(n -> n));
                List<Integer> laneEnds = new ArrayList<>();
                for (int net : list) {
                    int i = 0;
                    while (i < laneEnds.size() && laneEnds.get(i) >= span.get(net)[0]) {
                        i++;
                    }
                    if (i == laneEnds.size()) {
                        laneEnds.add(0);
                    }
                    laneEnds.set(i, span.get(net)[1]);
                    lane.put(net, i);
                }
                lanes[level] = laneEnds.size();
            });
            return lanes;
        }

        private void extend(int net, int row) {
            int[] rows = span.computeIfAbsent(net, n -> new int[] {row, row});
            rows[0] = Math.min(rows[0], row);
            rows[1] = Math.max(rows[1], row);
        }

        boolean isRail(int net) {
            return net == section.hotRail() || net == section.returnRail();
        }

        boolean isOpenEnd(int net) {
            return !isRail(net) && section.ends(net) == 1;
        }

        double x(int net) {
            if (net == section.hotRail()) {
                return railLeft;
            }
            if (net == section.returnRail()) {
                return railRight;
            }
            // a net without a vertical piece keeps clear of the lanes, so that its line only crosses what stands there
            Integer own = lane.get(net);
            return channelStart[section.levelOf(net)] + (own == null ? 3 : 8 + LANE * own);
        }

        double centre(int column) {
            return (columnStart[column] + columnEnd[column]) / 2;
        }

        double y(int row) {
            return top + SECTION_HEAD + ROW * row;
        }
    }

    private double draw(LadderSection section, double top) {
        Canvas c = new Canvas(section, top);
        double bottom = c.y(section.rows() - 1) + 18;
        Text hot = rail(c, section.hotRail(), c.railLeft, MARGIN, section.isLine() ? LINE_HOT : CONTROL_HOT);
        if (section.returnRail() != LadderSection.NONE) {
            double free = hot.left() + hot.width() + 8;
            rail(c, section.returnRail(), c.railRight, free, section.isLine() ? LINE_RETURN : CONTROL_RETURN);
        }
        Map<Integer, List<String>> functions = new TreeMap<>();
        Map<Integer, Double> numbered = new HashMap<>();
        for (LadderSection.Placed p : section.placed()) {
            place(c, p, numbered);
            if (p.branch().role().consumes() || p.branch().role() == Role.ABSENT) {
                functions.computeIfAbsent(p.row(), r -> new ArrayList<>()).add(function(p.branch()));
            }
        }
        verticals(c);
        for (int row = 0; row < section.rows(); row++) {
            int rung = rungOf.get(section.placed().get(0).branch())
                    - section.placed().get(0).row()
                    + row;
            text(TextKind.RUNG_NUMBER, MARGIN + 14, c.y(row) + 4, Anchor.END, Integer.toString(rung), "");
            List<String> words = functions.getOrDefault(row, List.of());
            List<String> wrapped =
                    wrap(String.join(", ", words.stream().distinct().toList()));
            for (int i = 0; i < wrapped.size(); i++) {
                double y = c.y(row) + 4 + (i - (wrapped.size() - 1) / 2.0) * 13;
                text(TextKind.FUNCTION, c.railRight + 12, y, Anchor.START, wrapped.get(i), "");
            }
        }
        return bottom;
    }

    /** Draws a rail with its name above it, the name not left of {@code free}. */
    private Text rail(Canvas c, int net, double x, double free, String... names) {
        Net n = nets.all().get(net);
        String ref = n.terminals().get(0).toString();
        String name = n.named(names);
        String label = name == null ? ref : name;
        double bottom = c.y(c.section.rows() - 1) + 18;
        lines.add(new Ladder.Line(net, n.nodes().get(0), x, c.top + 18, x, bottom, true, null, false));
        double half = new Text(TextKind.RAIL, 0, 0, Anchor.START, label, ref).width() / 2;
        width = Math.max(width, x);
        return text(TextKind.RAIL, Math.max(x, free + half), c.top + 12, Anchor.MIDDLE, label, ref);
    }

    private void place(Canvas c, LadderSection.Placed p, Map<Integer, Double> numbered) {
        Branch b = p.branch();
        double y = c.y(p.row());
        double x = c.centre(p.column());
        double half = symbolWidth(b) / 2;
        symbols.add(new Ladder.Symbol(b, x, y, half * 2, SYMBOL_HEIGHT, p.flipped(), rungOf.get(b)));
        int leftNode = p.flipped() ? b.nodeB() : b.nodeA();
        int rightNode = p.flipped() ? b.nodeA() : b.nodeB();
        if (p.loops()) {
            loop(c, p, x, half);
            labels(b, x, y);
            return;
        }
        double begin = c.isOpenEnd(p.left()) ? c.columnStart[p.column()] - 3 : c.x(p.left());
        lines.add(new Ladder.Line(p.left(), leftNode, begin, y, x - half, y, false, b, isField(leftNode)));
        lines.add(new Ladder.Line(p.right(), rightNode, x + half, y, c.x(p.right()), y, false, b, isField(rightNode)));
        if (c.isOpenEnd(p.right())) {
            String open = (p.flipped() ? b.a() : b.b()).name();
            text(TextKind.OPEN_END, c.columnEnd[p.column()] - 2, y + 10.5, Anchor.END, open, b.owner());
        }
        if (c.isOpenEnd(p.left())) {
            String open = (p.flipped() ? b.b() : b.a()).name();
            boolean goesOn = isOnASpare(p.left());
            text(
                    goesOn ? TextKind.WIRE_NUMBER : TextKind.OPEN_END,
                    c.columnStart[p.column()] + 2,
                    y + 10.5,
                    Anchor.START,
                    goesOn ? Integer.toString(numberOf.get(p.left())) : open,
                    goesOn ? netRef(p.left()) : b.owner());
        }
        labels(b, x, y);
        if (!c.isRail(p.right()) && numbered.putIfAbsent(p.right(), x) == null) {
            String number = Integer.toString(numberOf.get(p.right()));
            double at = x + half + 3;
            text(TextKind.WIRE_NUMBER, at, y - 3, Anchor.START, number, netRef(p.right()));
        }
    }

    /** Both ends on one net: one goes straight to it, the other around by the next row. */
    private void loop(Canvas c, LadderSection.Placed p, double x, double half) {
        Branch b = p.branch();
        int net = p.left();
        double y = c.y(p.row());
        double back = c.y(p.row() + 1);
        boolean fromTheRight = c.x(net) > x;
        double near = fromTheRight ? x + half : x - half;
        double far = fromTheRight ? x - half : x + half;
        double turn = fromTheRight ? c.columnStart[p.column()] + 3 : c.columnEnd[p.column()] - 3;
        int node = b.nodeA();
        lines.add(new Ladder.Line(net, node, c.x(net), y, near, y, false, b, isField(node)));
        lines.add(new Ladder.Line(net, node, far, y, turn, y, false, b, isField(node)));
        lines.add(new Ladder.Line(net, node, turn, y, turn, back, false, b, isField(node)));
        lines.add(new Ladder.Line(net, node, turn, back, c.x(net), back, false, b, isField(node)));
    }

    /** Whether the wires at a node, if there are any, are all field wiring. */
    private boolean isField(int node) {
        return fieldNodes.contains(node);
    }

    private boolean isOnASpare(int net) {
        return spares.stream().anyMatch(b -> nets.ofNode(b.nodeA()) == net || nets.ofNode(b.nodeB()) == net);
    }

    private String netRef(int net) {
        return nets.all().get(net).terminals().get(0).toString();
    }

    private void verticals(Canvas c) {
        c.span.forEach((net, rows) -> {
            if (rows[0] == rows[1] || c.isRail(net)) {
                return;
            }
            double x = c.x(net);
            int node = nets.all().get(net).nodes().get(0);
            lines.add(new Ladder.Line(net, node, x, c.y(rows[0]), x, c.y(rows[1]), false, null, false));
            Map<Integer, Integer> pieces = new TreeMap<>();
            for (LadderSection.Placed p : c.section.placed()) {
                if (p.left() == net) {
                    pieces.merge(p.row(), 1, Integer::sum);
                }
                if (p.right() == net) {
                    pieces.merge(p.loops() ? p.row() + 1 : p.row(), 1, Integer::sum);
                }
            }
            pieces.forEach((row, count) -> {
                boolean inner = row != rows[0] && row != rows[1];
                if (count + (inner ? 2 : 1) >= 3) {
                    dots.add(new Ladder.Dot(net, node, x, c.y(row)));
                }
            });
        });
    }

    private double drawSpares(double top) {
        if (spares.isEmpty()) {
            return top;
        }
        double cell = spares.stream()
                .mapToDouble(b -> Math.max(LEAST_COLUMN, labelWidth(b)) + 56)
                .max()
                .orElse(LEAST_COLUMN);
        double y = top + 14;
        text(TextKind.FUNCTION, MARGIN + NUMBER_WIDTH, y, Anchor.START, "Contacts that lead nowhere", "");
        for (int i = 0; i < spares.size(); i++) {
            Branch b = spares.get(i);
            double x = MARGIN + NUMBER_WIDTH + cell * (i % SPARES_A_ROW) + cell / 2;
            y = top + 44 + ROW * (i / SPARES_A_ROW);
            double half = symbolWidth(b) / 2;
            symbols.add(new Ladder.Symbol(b, x, y, half * 2, SYMBOL_HEIGHT, false, rungOf.get(b)));
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
        if (numberOf.containsKey(net)) {
            double x = anchor == Anchor.START ? to + 2 : to - 2;
            text(TextKind.WIRE_NUMBER, x, y + 4, anchor, Integer.toString(numberOf.get(net)), netRef(net));
        }
    }

    private void labels(Branch b, double x, double y) {
        text(TextKind.NAME, x, y - 14, Anchor.MIDDLE, b.owner(), b.owner());
        String detail = detail(b);
        if (!detail.isEmpty()) {
            text(TextKind.DETAIL, x, y + 21, Anchor.MIDDLE, detail, b.owner());
        }
    }

    private double labelWidth(Branch b) {
        double name = b.owner().length() * Text.widthOfLetter(TextKind.NAME);
        double detail = detail(b).length() * Text.widthOfLetter(TextKind.DETAIL);
        return Math.max(Math.max(name, detail), symbolWidth(b) + 46);
    }

    private static double symbolWidth(Branch b) {
        return switch (b.shape()) {
            case WINDING -> 56;
            case RESISTOR -> 40;
            case BOX -> 44;
            default -> 26;
        };
    }

    /** Under a coil the rungs of its contacts, at a contact its terminals and the rung of its coil. */
    private String detail(Branch b) {
        if (b.role() == Role.ABSENT) {
            return "not fitted";
        }
        if (b.role() == Role.COIL) {
            return crossReference(b.owner());
        }
        if (b.role() == Role.CONTACT && b.shape() != Shape.SWITCH && b.shape() != Shape.PUSH_BUTTON) {
            String coil = assembly.branchesOf(b.owner()).stream()
                    .filter(c -> c.role() == Role.COIL && rungOf.containsKey(c))
                    .map(c -> " (" + rungOf.get(c) + ")")
                    .findFirst()
                    .orElse("");
            return b.label().replace('-', '–') + coil;
        }
        return assembly.branchesOf(b.owner()).size() > 1
                        || b.role() == Role.PROTECTION
                        || b.role().gives()
                ? b.label().replace('-', '–')
                : "";
    }

    private String crossReference(String part) {
        List<String> open = new ArrayList<>();
        List<String> closed = new ArrayList<>();
        for (Branch b : assembly.branchesOf(part)) {
            if (b.role() == Role.CONTACT && rungOf.containsKey(b) && !spares.contains(b)) {
                (b.restClosed() ? closed : open).add(Integer.toString(rungOf.get(b)));
            }
        }
        List<String> words = new ArrayList<>();
        if (!open.isEmpty()) {
            words.add("NO " + String.join(", ", open.stream().distinct().toList()));
        }
        if (!closed.isEmpty()) {
            words.add("NC " + String.join(", ", closed.stream().distinct().toList()));
        }
        return String.join(" · ", words);
    }

    private String function(Branch b) {
        Part part = assembly.circuit().part(b.owner()).orElseThrow();
        if (part.name() != null) {
            return part.name();
        }
        return PartTypes.catalogue().require(part).title() + " " + part.id();
    }

    /** At most two lines of {@value #FUNCTION_LETTERS} letters. */
    static List<String> wrap(String words) {
        if (words.length() <= FUNCTION_LETTERS) {
            return words.isEmpty() ? List.of() : List.of(words);
        }
        int cut = words.lastIndexOf(' ', FUNCTION_LETTERS);
        cut = cut < 1 ? FUNCTION_LETTERS : cut;
        String rest = words.substring(cut).strip();
        return List.of(
                words.substring(0, cut),
                rest.length() <= FUNCTION_LETTERS ? rest : rest.substring(0, FUNCTION_LETTERS - 1) + "…");
    }

    private Text text(TextKind kind, double x, double y, Anchor anchor, String text, String ref) {
        Text t = new Text(kind, x, y, anchor, text, ref);
        texts.add(t);
        width = Math.max(width, t.left() + t.width());
        return t;
    }
}
