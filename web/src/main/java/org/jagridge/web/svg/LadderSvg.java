package org.jagridge.web.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.Net;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** Writes a ladder: its geometry, and over it the live state where one is given. */
public final class LadderSvg {
    private final Ladder ladder;
    private final LiveState live;
    private final SymbolSet symbols;
    private final Svg svg = new Svg();

    private LadderSvg(Ladder ladder, LiveState live, Look look) {
        this.ladder = ladder;
        this.live = look.atRest() ? null : live;
        symbols = look.symbols();
    }

    /**
     * The drawing as one {@code svg} element.
     *
     * @param live null for the circuit at rest
     */
    public static String write(Ladder ladder, LiveState live, Look look, String name, String style) {
        return new LadderSvg(ladder, live, look).write(name, style);
    }

    /** What the lines, dots and symbols show of an instant, in the order in which they are written. */
    static List<Mark> marks(Ladder ladder, LiveState live, Look look) {
        LadderSvg drawing = new LadderSvg(ladder, live, look);
        List<Mark> marks = new ArrayList<>();
        ladder.lines().forEach(l -> marks.add(drawing.mark(l)));
        ladder.dots().forEach(d -> marks.add(drawing.mark(d)));
        ladder.symbols().forEach(s -> marks.add(drawing.mark(s)));
        return marks;
    }

    private String write(String name, String style) {
        StandAlone.open(svg, ladder.width(), ladder.height(), "ladder", "Ladder diagram: " + name, style);
        ladder.lines().forEach(this::line);
        for (Ladder.Dot d : ladder.dots()) {
            svg.element(
                    "circle", "class", mark(d).css(), "cx", d.x(), "cy", d.y(), "r", 3.2, "data-net", number(d.net()));
        }
        ladder.symbols().forEach(this::symbol);
        ladder.texts().forEach(this::text);
        return svg.close("svg").toString();
    }

    private String number(int net) {
        return Integer.toString(ladder.nets().get(net).number());
    }

    private String side(int node) {
        return live == null ? "rest" : live.side(node);
    }

    private void line(Ladder.Line l) {
        svg.element(
                "path",
                "class",
                mark(l).css(),
                "data-net",
                number(l.net()),
                "d",
                "M" + Svg.number(l.x1()) + " " + Svg.number(l.y1()) + "L" + Svg.number(l.x2()) + " "
                        + Svg.number(l.y2()));
    }

    private Mark mark(Ladder.Line l) {
        boolean flows = live != null && l.branch() != null && live.flows(l.branch());
        return Mark.of("line " + side(l.node()) + (l.rail() ? " rail" : "") + (flows ? " flow" : "")
                + (l.field() ? " field" : ""));
    }

    private Mark mark(Ladder.Dot d) {
        return Mark.of("dot " + side(d.node()));
    }

    private Mark mark(Ladder.Symbol s) {
        Branch b = s.branch();
        return new Mark(
                "symbol" + (live != null && live.flows(b) ? " flow" : "")
                        + (live != null && live.burnt(b.owner()) ? " burnt" : "")
                        + (b.role() == Role.ABSENT ? " absent" : ""),
                live == null ? null : live.frame().signals().get(b.owner()),
                "left " + side(s.flipped() ? b.nodeB() : b.nodeA()),
                live == null ? symbols.atRest(b, s.width()) : symbols.of(b, s.width(), live.joins(b), live.works(b)));
    }

    private void symbol(Ladder.Symbol s) {
        Branch b = s.branch();
        Mark mark = mark(s);
        svg.open(
                "g",
                "class",
                mark.css(),
                "transform",
                "translate(" + Svg.number(s.x()) + " " + Svg.number(s.y()) + ")",
                "data-part",
                b.owner(),
                "data-branch",
                b.label(),
                "data-signal",
                mark.signal(),
                "tabindex",
                0,
                "role",
                "button");
        svg.title((s.rung() == 0 ? "supply" : "rung " + s.rung()) + ", " + b.title()
                + (mark.signal() == null ? "" : ", " + mark.signal()));
        svg.element("rect", "class", "hit", "x", -s.width() / 2, "y", -12, "width", s.width(), "height", 24);
        svg.open("g", "class", mark.side());
        svg.raw(mark.glyph());
        svg.close("g").close("g");
        terminal(s.flipped() ? b.b() : b.a(), s.x() - s.width() / 2, s.y());
        terminal(s.flipped() ? b.a() : b.b(), s.x() + s.width() / 2, s.y());
    }

    private void terminal(Terminal t, double x, double y) {
        svg.element("circle", "class", "tap", "cx", x, "cy", y, "r", 5, "data-terminal", t, "data-part", t.part());
    }

    private void text(Ladder.Text t) {
        String css = "t-" + t.kind().name().toLowerCase(Locale.ROOT).replace('_', '-');
        String anchor = t.anchor().name().toLowerCase(Locale.ROOT);
        boolean wire = t.kind() == Ladder.TextKind.WIRE_NUMBER;
        boolean part = t.kind() == Ladder.TextKind.NAME || t.kind() == Ladder.TextKind.DETAIL;
        svg.text(
                t.x(),
                t.y(),
                t.text(),
                anchor,
                css,
                "data-part",
                part ? t.ref() : null,
                "data-net",
                wire ? t.text() : null);
    }

    /** The number of the net that a terminal is on, or 0. */
    public static int netNumber(Ladder ladder, Terminal terminal) {
        return ladder.nets().stream()
                .filter(n -> n.terminals().contains(terminal))
                .mapToInt(Net::number)
                .findFirst()
                .orElse(0);
    }
}
