package org.jagridge.web.plan;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.plan.WiringPlan;
import org.jagridge.web.plan.BoardRows.Core;
import org.jagridge.web.plan.BoardRows.PostRow;
import org.jagridge.web.svg.Svg;

/**
 * The boards with their covers off: posts with their letters, cables between them, each conductor in the colour of its
 * insulation. A post or a core is a link that switches it on or off.
 */
final class BoardsSvg {
    private static final double BOX = 116;
    private static final double GAP = 186;
    private static final double ROW = 23;
    private static final double TOP = 46;
    private static final double HALF_CORE = 30;
    private static final List<String> PLACES = List.of(PlanForm.THERMOSTAT, "indoor", "outdoor");

    private final Svg svg = new Svg();
    private final PlanForm form;
    private final WiringPlan plan;
    private final BoardRows model;
    private final Map<String, List<PostRow>> rows = new LinkedHashMap<>();

    private BoardsSvg(PlanForm form, WiringPlan plan) {
        this.form = form;
        this.plan = plan;
        model = new BoardRows(form, plan);
    }

    static String write(PlanForm form, WiringPlan plan) {
        return new BoardsSvg(form, plan).draw();
    }

    private List<String> places() {
        boolean outdoors = form.text("water").isEmpty() && !List.of("", "none").contains(form.text("outdoor"));
        return outdoors ? PLACES : PLACES.subList(0, 2);
    }

    private static double left(int place) {
        return 22 + place * (BOX + GAP);
    }

    private String draw() {
        List<String> places = places();
        places.forEach(p -> rows.put(p, model.rowsOf(p)));
        double height = TOP + 20 + ROW * Math.max(longestBoard(), longestGap()) + directRows() * ROW;
        double width = left(places.size() - 1) + BOX + 22;
        svg.open(
                "svg",
                "xmlns",
                "http://www.w3.org/2000/svg",
                "class",
                "drawing boards",
                "viewBox",
                "0 0 " + Svg.number(width) + " " + Svg.number(height),
                "role",
                "group",
                "aria-label",
                "Boards and cables");
        for (int i = 0; i < places.size(); i++) {
            board(i, places.get(i));
        }
        for (int i = 0; i + 1 < places.size(); i++) {
            gap(places.get(i), places.get(i + 1), TOP + 12, left(i) + BOX, left(i + 1));
        }
        if (places.size() == 3) {
            double below = TOP + 26 + ROW * Math.max(longestBoard(), longestGap());
            gap(PlanForm.THERMOSTAT, "outdoor", below, left(0) + BOX, left(2));
        }
        jumpers(places);
        svg.close("svg");
        return svg.toString();
    }

    private int longestBoard() {
        return rows.values().stream().mapToInt(List::size).max().orElse(1);
    }

    private int longestGap() {
        return Math.max(
                        model.cores(PlanForm.THERMOSTAT, "indoor").size(),
                        model.cores("indoor", "outdoor").size())
                + 1;
    }

    private int directRows() {
        int direct = model.cores(PlanForm.THERMOSTAT, "outdoor").size();
        return direct == 0 ? 0 : direct + 2;
    }

    private void board(int i, String place) {
        double x = left(i);
        List<PostRow> list = rows.get(place);
        svg.element(
                "rect",
                "class",
                "place",
                "x",
                x,
                "y",
                TOP - 24.0,
                "width",
                BOX,
                "height",
                ROW * Math.max(longestBoard(), 1) + 40,
                "rx",
                7);
        svg.text(x + BOX / 2, TOP - 9, title(place), "middle", "board-name");
        for (int r = 0; r < list.size(); r++) {
            post(x, y(r), list.get(r));
        }
    }

    private String title(String place) {
        if (place.equals("outdoor")) {
            return form.text("outdoor").equals("heat-pump") ? "Heat pump" : "Condensing unit";
        }
        String kind =
                !place.equals("indoor") ? place : form.text("water").isEmpty() ? form.text("indoor") : "wiring centre";
        String words = kind.isEmpty() ? "indoor unit" : kind.replace('-', ' ');
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    private static double y(int row) {
        return TOP + 12 + ROW * row;
    }

    private void post(double x, double y, PostRow row) {
        String css = "board-post" + (row.there() ? "" : " off") + (row.terminal() == null ? "" : " landed");
        if (row.toggle() != null) {
            svg.open("a", "href", row.toggle(), "class", css, "data-post", row.letter());
            svg.title(
                    row.there() ? row.letter() + " is there; take it away" : row.letter() + " isn't there; put it in");
        } else {
            svg.open("g", "class", css);
        }
        svg.element("rect", "class", "post-row", "x", x + 8, "y", y - 10, "width", BOX - 16, "height", 20.0, "rx", 4);
        svg.element("circle", "class", "post", "cx", x + 14, "cy", y, "r", 4.5);
        svg.element("circle", "class", "post", "cx", x + BOX - 14, "cy", y, "r", 4.5);
        svg.text(x + BOX / 2, y + 4, row.letter(), "middle", "post-letter");
        if (row.terminal() != null && !row.terminal().startsWith("TH.")) {
            svg.text(x + BOX - 24, y + 3.5, Terminal.parse(row.terminal()).part(), "end", "post-part");
        }
        svg.close(row.toggle() != null ? "a" : "g");
    }

    private void gap(String from, String to, double top, double x1, double x2) {
        double middle = (x1 + x2) / 2;
        double y = top;
        String cable = null;
        for (Core core : model.cores(from, to)) {
            if (!core.cable().equals(cable)) {
                cable = core.cable();
                svg.text(
                        middle,
                        y - 1,
                        cable.startsWith("NEW") ? cable + ", a new cable" : cable,
                        "middle",
                        "cable-name");
                y += 15;
            }
            core(core, x1, x2, middle, y, from, to);
            y += ROW - 3;
        }
    }

    private void core(Core core, double x1, double x2, double middle, double y, String from, String to) {
        WiringPlan.Conductor k = core.carries();
        String css = "board-core" + (core.dead() ? " dead" : "") + (k == null ? " spare" : "");
        String says = core.cable() + " " + core.name() + ": "
                + (k != null
                        ? k.from() + " to " + k.to() + ", " + k.carries() + ": " + k.why()
                                + (k.was() == null ? "" : "; it was on " + k.was())
                        : core.dead() ? "dead or taken" : "spare");
        if (core.toggle() != null) {
            svg.open("a", "href", core.toggle(), "class", css, "data-core", core.cable() + "." + core.name());
        } else {
            svg.open("g", "class", css, "data-core", core.cable() + "." + core.name());
        }
        svg.title(says);
        svg.open("g", "class", "wire factory");
        double a = middle - HALF_CORE;
        double b = middle + HALF_CORE;
        String d = path("M", a, y, "L", b, y);
        if (k != null) {
            Double ya = rowY(from, model.placeOf(k.from()).equals(from) ? k.from() : k.to());
            Double yb = rowY(to, model.placeOf(k.from()).equals(from) ? k.to() : k.from());
            if (ya != null && yb != null) {
                d = path(
                        "M", x1 - 14, ya, "C", x1 + 22, ya, a - 26, y, a, y, "L", b, y, "C", b + 26, y, x2 - 22, yb,
                        x2 + 14, yb);
            }
        }
        svg.element("path", "class", "jacket", "d", d);
        svg.element("path", "class", "core ins-" + insulation(core.name()), "d", d);
        svg.close("g");
        String label = k == null ? core.dead() ? core.name() + " ×" : core.name() : k.carries() + " " + core.name();
        double wide = 7 + 5.6 * label.length();
        svg.element(
                "rect",
                "class",
                "core-label",
                "x",
                middle - wide / 2,
                "y",
                y - 7.5,
                "width",
                wide,
                "height",
                15.0,
                "rx",
                3);
        svg.text(middle, y + 3.5, label, "middle", "core-name");
        svg.close(core.toggle() != null ? "a" : "g");
    }

    /** A path out of its letters and numbers. */
    private static String path(Object... steps) {
        return Arrays.stream(steps)
                .map(x -> x instanceof Double d ? Svg.number(d) : x.toString())
                .collect(Collectors.joining(" "));
    }

    private Double rowY(String place, String terminal) {
        List<PostRow> list = rows.getOrDefault(place, List.of());
        for (int r = 0; r < list.size(); r++) {
            if (terminal.equals(list.get(r).terminal())) {
                return y(r);
            }
        }
        return null;
    }

    private static String insulation(String name) {
        String colour = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z].*", "");
        return Set.of(
                                "black", "red", "blue", "white", "yellow", "green", "orange", "brown", "purple", "grey",
                                "gray", "pink")
                        .contains(colour)
                ? colour
                : "unknown";
    }

    /** Wires that stay at one place: brackets at the outer side of its board, or inside the middle one. */
    private void jumpers(List<String> places) {
        if (plan == null) {
            return;
        }
        int nth = 0;
        for (WiringPlan.Joint j : plan.fit()) {
            String place = model.placeOf(j.from());
            Double a = rowY(place, j.from());
            Double b = rowY(place, j.to());
            int i = places.indexOf(place);
            if (a == null || b == null || i < 0) {
                continue;
            }
            double inset = 8 + 5 * (nth++ % 5);
            boolean right = i == places.size() - 1 && i > 0;
            double x = right ? left(i) + BOX - 14 : left(i) + 14;
            double out = right ? x + inset : x - inset;
            String d = path("M", x, a, "L", out, a, "L", out, b, "L", x, b);
            svg.open("g", "class", "wire factory jumper");
            svg.title("fit " + j.from() + " to " + j.to() + ": " + j.why());
            svg.element("path", "class", "jacket", "d", d);
            svg.element("path", "class", "core ins-unknown", "d", d);
            svg.close("g");
        }
    }
}
