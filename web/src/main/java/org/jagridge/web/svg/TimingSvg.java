package org.jagridge.web.svg;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.drawing.Timing;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Lanes;

/** Writes a timing chart: whole, or its names and its plot apart, so that the names can stay while the plot scrolls. */
public final class TimingSvg {
    /** More arrows than this hide what they join; then only those of the instant shown are drawn. */
    private static final int MOST_ARROWS = 60;

    /** Pixels by which a bar can still be seen. */
    private static final double LEAST_BAR = 1.5;

    private enum Piece {
        WHOLE,
        NAMES,
        PLOT
    }

    private final Timing timing;
    private final Run run;
    private final long cursor;
    private final Svg svg = new Svg();

    private TimingSvg(Timing timing, Run run, long cursor) {
        this.timing = timing;
        this.run = run;
        this.cursor = cursor;
    }

    /**
     * One picture.
     *
     * @param style for a file of its own, or null in a page
     */
    public static String whole(Timing timing, Run run, long cursor, String style) {
        return new TimingSvg(timing, run, cursor).write(Piece.WHOLE, style);
    }

    /** The names of the lanes with what each is at the cursor. */
    public static String names(Timing timing, Run run, long cursor) {
        return new TimingSvg(timing, run, cursor).write(Piece.NAMES, null);
    }

    /** All but the names, in the same coordinates. */
    public static String plot(Timing timing, Run run, long cursor) {
        return new TimingSvg(timing, run, cursor).write(Piece.PLOT, null);
    }

    private String write(Piece piece, String style) {
        double left = piece == Piece.PLOT ? timing.labelWidth() : 0;
        double width = piece == Piece.NAMES ? timing.labelWidth() : timing.width() - left;
        boolean plots = piece != Piece.NAMES;
        svg.open(
                "svg",
                "xmlns",
                "http://www.w3.org/2000/svg",
                "class",
                "drawing timing",
                "viewBox",
                Svg.number(left) + " 0 " + Svg.number(width) + " " + Svg.number(timing.height()),
                "width",
                width,
                "height",
                timing.height(),
                "role",
                "img",
                "aria-label",
                piece == Piece.NAMES ? "Parts of the timing chart" : "Timing chart",
                "data-instants",
                plots ? numbers(timing.instants().stream().map(t -> t / 1e6).toList()) : null,
                "data-xs",
                plots ? numbers(timing.xs()) : null);
        if (style != null) {
            svg.raw("<style>" + style + "</style>");
            svg.element("rect", "class", "paper", "width", width, "height", timing.height());
        }
        if (plots) {
            timing.folds().forEach(this::fold);
            timing.lanes().forEach(this::lane);
            timing.curves().forEach(this::curve);
            arrows();
            ticks();
            cursor();
        }
        if (piece != Piece.PLOT) {
            headings();
            timing.lanes().forEach(this::name);
            timing.curves().forEach(this::name);
        }
        return svg.close("svg").toString();
    }

    private void headings() {
        timing.headings().forEach(h -> svg.text(4, h.y(), h.words(), "start", "t-heading"));
    }

    private void name(Timing.Lane lane) {
        svg.text(4, lane.y() - 2, lane.part(), "start", "t-name", "data-part", lane.part());
        if (timing.headings().isEmpty()) {
            return;
        }
        String now = "";
        for (Timing.Bar b : lane.bars()) {
            now = b.from() <= cursor ? b.value() : now;
        }
        String steps = lane.bars().stream()
                .map(b -> Svg.number(b.x()) + " " + b.value())
                .collect(Collectors.joining("|"));
        svg.text(
                timing.labelWidth() - 6,
                lane.y() - 2,
                now,
                "end",
                "t-value",
                "data-part",
                lane.part(),
                "data-steps",
                steps);
    }

    private void name(Timing.Curve curve) {
        double base = curve.y() - curve.height() / 2 + 4;
        svg.text(4, base, curve.part(), "start", "t-name", "data-part", curve.part());
        double now = run.at(cursor).celsius(curve.part(), cursor).orElse(Double.NaN);
        svg.text(
                timing.labelWidth() - 6,
                base,
                celsius(now),
                "end",
                "t-value",
                "data-part",
                curve.part(),
                "data-points",
                curve.points().stream()
                        .map(p -> Svg.number(p.x()) + " " + celsius(p.celsius()))
                        .collect(Collectors.joining("|")));
    }

    private static String celsius(double value) {
        // a day has thousands of points: no formatter
        long tenths = Math.round(value * 10);
        return (tenths < 0 ? "-" : "") + Math.abs(tenths) / 10 + "." + Math.abs(tenths) % 10 + " °C";
    }

    private void lane(Timing.Lane lane) {
        svg.element(
                "path",
                "class",
                "lane",
                "d",
                "M" + Svg.number(timing.labelWidth()) + " " + Svg.number(lane.y()) + "H"
                        + Svg.number(timing.width() - 12));
        List<Timing.Bar> active =
                lane.bars().stream().filter(Timing.Bar::active).toList();
        if (timing.headings().isEmpty()) {
            together(lane, active);
        } else {
            active.forEach(b -> {
                svg.open(
                        "rect",
                        "class",
                        css(lane, b),
                        "x",
                        b.x(),
                        "y",
                        b.y(),
                        "width",
                        shown(b),
                        "height",
                        b.height(),
                        "data-part",
                        lane.part());
                svg.title(lane.part() + " " + b.value());
                svg.close("rect");
            });
        }
    }

    /** All bars of a lane that look and mean the same as one shape: a bench that has run for long has thousands of them. */
    private void together(Timing.Lane lane, List<Timing.Bar> bars) {
        record Alike(String css, String value) {}
        Map<Alike, StringBuilder> shapes = new LinkedHashMap<>();
        for (Timing.Bar b : bars) {
            shapes.computeIfAbsent(new Alike(css(lane, b), b.value()), k -> new StringBuilder())
                    .append('M')
                    .append(Svg.number(b.x()))
                    .append(' ')
                    .append(Svg.number(b.y()))
                    .append('h')
                    .append(Svg.number(shown(b)))
                    .append('v')
                    .append(Svg.number(b.height()))
                    .append('h')
                    .append(Svg.number(-shown(b)))
                    .append('z');
        }
        shapes.forEach((alike, d) -> {
            svg.open("path", "class", alike.css(), "d", d, "data-part", lane.part());
            svg.title(lane.part() + " " + alike.value());
            svg.close("path");
        });
    }

    private String css(Timing.Lane lane, Timing.Bar b) {
        String kind = lane.kind() == Lanes.Kind.LOAD || lane.kind() == Lanes.Kind.COIL ? " load" : "";
        return "span" + kind + (b.from() > cursor ? " ahead" : "");
    }

    private static double shown(Timing.Bar b) {
        return Math.max(LEAST_BAR, b.width());
    }

    private void curve(Timing.Curve curve) {
        StringBuilder d = new StringBuilder();
        for (Timing.Point p : curve.points()) {
            d.append(d.isEmpty() ? "M" : "L")
                    .append(Svg.number(p.x()))
                    .append(' ')
                    .append(Svg.number(p.y()));
        }
        svg.open("path", "class", "curve", "d", d, "data-part", curve.part());
        svg.title(curve.part() + " " + celsius(curve.low()) + " to " + celsius(curve.high()));
        svg.close("path");
    }

    private void fold(Timing.Fold fold) {
        double y = timing.height() - 20;
        svg.open("rect", "class", "fold", "x", fold.x() + 3, "y", 12, "width", fold.width() - 6, "height", y - 12);
        svg.title(fold.words() + " in which nothing changes");
        svg.close("rect");
        if (fold.width() >= 9 * fold.words().length() * 0.7) {
            svg.text(fold.x() + fold.width() / 2, 10, fold.words(), "middle", "t-fold");
        }
    }

    private void arrows() {
        Set<Integer> shown = run.events().stream()
                .filter(e -> e.micros() == cursor)
                .map(Event::index)
                .collect(Collectors.toSet());
        boolean all = timing.arrows().size() <= MOST_ARROWS;
        for (Timing.Arrow a : timing.arrows()) {
            boolean now = shown.contains(a.effect()) || shown.contains(a.cause());
            if (all || now) {
                svg.open(
                        "path",
                        "class",
                        "arrow" + (now ? " now" : ""),
                        "d",
                        path(a),
                        "data-cause",
                        a.cause(),
                        "data-effect",
                        a.effect());
                svg.title(run.events().get(a.cause()).part() + " → "
                        + run.events().get(a.effect()).part());
                svg.close("path");
            }
        }
    }

    /** A bow from the cause to the effect; where both are at one instant it bulges to the left of it. */
    private static String path(Timing.Arrow a) {
        double gap = a.x2() - a.x1();
        double c1 = gap < 20 ? Math.min(a.x1(), a.x2()) - 12 : a.x1() + gap / 2;
        double c2 = gap < 20 ? c1 : a.x2() - Math.min(30, gap / 2);
        String to = Svg.number(a.x2()) + " " + Svg.number(a.y2());
        return "M" + Svg.number(a.x1()) + " " + Svg.number(a.y1()) + "C" + Svg.number(c1) + " " + Svg.number(a.y1())
                + " " + Svg.number(c2) + " " + Svg.number(a.y2()) + " " + to + "m-5 -3l5 3l-5 3";
    }

    private void ticks() {
        for (Timing.Tick t : timing.ticks()) {
            String anchor = t.x() < timing.labelWidth() + 20 ? "start" : t.x() > timing.width() - 36 ? "end" : "middle";
            svg.text(t.x(), timing.height() - 3, t.words(), anchor, "t-detail");
        }
    }

    private void cursor() {
        double x = timing.xs().get(Math.max(0, timing.instants().indexOf(cursor)));
        svg.element("path", "class", "cursor", "d", "M" + Svg.number(x) + " 4V" + Svg.number(timing.height() - 14));
        svg.element(
                "path",
                "class",
                "cursor-head",
                "d",
                "M" + Svg.number(x - 5) + " 1H" + Svg.number(x + 5) + "L" + Svg.number(x) + " 8Z");
    }

    private static String numbers(List<Double> list) {
        StringBuilder b = new StringBuilder();
        list.forEach(d -> b.append(b.isEmpty() ? "" : " ")
                .append(BigDecimal.valueOf(d)
                        .setScale(6, RoundingMode.HALF_UP)
                        .stripTrailingZeros()
                        .toPlainString()));
        return b.toString();
    }
}
