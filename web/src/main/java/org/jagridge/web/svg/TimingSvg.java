package org.jagridge.web.svg;

import java.util.stream.LongStream;
import org.jagridge.core.drawing.TimeAxis;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Lanes;

/** Writes the timing chart: a lane a part that moved, bars while it is active, and the cursor. */
public final class TimingSvg {
    private static final double LABEL = 74;
    private static final double LANE = 17;
    private static final double TOP = 12;
    private static final double LEAST_TICK = 58;

    private TimingSvg() {}

    public static String write(Run run, Lanes lanes, long cursor, double width) {
        long end = Math.max(cursor, run.restAt()) + Time.SECOND;
        TimeAxis axis = new TimeAxis(
                LongStream.concat(run.events().stream().mapToLong(Event::micros), LongStream.of(cursor)),
                end,
                width - LABEL - 12);
        double height = TOP + LANE * Math.max(1, lanes.lanes().size()) + 20;
        Svg svg = new Svg();
        svg.open(
                "svg",
                "xmlns",
                "http://www.w3.org/2000/svg",
                "class",
                "drawing timing",
                "viewBox",
                "0 0 " + Svg.number(width) + " " + Svg.number(height),
                "width",
                width,
                "height",
                height,
                "role",
                "img",
                "aria-label",
                "Timing chart",
                "data-label-width",
                LABEL,
                "data-instants",
                numbers(axis.instants().stream().map(t -> (double) t / 1e6).toList()),
                "data-xs",
                numbers(axis.instants().stream().map(t -> LABEL + axis.x(t)).toList()));
        double y = TOP;
        for (Lanes.Lane lane : lanes.lanes()) {
            svg.text(4, y + 12, lane.part(), "start", "t-name", "data-part", lane.part());
            svg.element(
                    "path",
                    "class",
                    "lane",
                    "d",
                    "M" + LABEL + " " + Svg.number(y + 14) + "H" + Svg.number(width - 12));
            for (Lanes.Span s : lane.spans()) {
                if (s.active()) {
                    double x1 = LABEL + axis.x(s.from());
                    double x2 = LABEL + axis.x(Math.min(s.to(), end));
                    svg.open(
                            "rect",
                            "class",
                            "span" + (lane.load() ? " load" : "") + (s.from() > cursor ? " ahead" : ""),
                            "x",
                            x1,
                            "y",
                            y + 3,
                            "width",
                            Math.max(1.5, x2 - x1),
                            "height",
                            11,
                            "data-part",
                            lane.part());
                    svg.title(lane.part() + " " + s.value());
                    svg.close("rect");
                }
            }
            y += LANE;
        }
        ticks(svg, axis, height);
        double x = LABEL + axis.x(cursor);
        svg.element("path", "class", "cursor", "d", "M" + Svg.number(x) + " 4V" + Svg.number(height - 14));
        svg.element(
                "path",
                "class",
                "cursor-head",
                "d",
                "M" + Svg.number(x - 5) + " 1H" + Svg.number(x + 5) + "L" + Svg.number(x) + " 8Z");
        return svg.close("svg").toString();
    }

    private static String numbers(java.util.List<Double> list) {
        StringBuilder b = new StringBuilder();
        list.forEach(d -> b.append(b.isEmpty() ? "" : " ")
                .append(java.math.BigDecimal.valueOf(d)
                        .setScale(6, java.math.RoundingMode.HALF_UP)
                        .stripTrailingZeros()
                        .toPlainString()));
        return b.toString();
    }

    private static void ticks(Svg svg, TimeAxis axis, double height) {
        double free = -1e9;
        for (long t : axis.instants()) {
            double x = LABEL + axis.x(t);
            if (x - free >= LEAST_TICK) {
                svg.text(x, height - 3, label(t), "middle", "t-detail");
                free = x;
            }
        }
    }

    private static String label(long micros) {
        long ms = Math.round(micros / 1e3);
        long s = ms / 1000;
        String whole = s / 60 + ":" + (s % 60 < 10 ? "0" : "") + s % 60;
        return ms % 1000 == 0 ? whole : whole + "." + String.format(java.util.Locale.ROOT, "%03d", ms % 1000);
    }
}
