package org.jagridge.web.svg;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ColourLetters;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Connection;
import org.jagridge.core.drawing.Connection.Box;
import org.jagridge.core.drawing.Connection.Post;
import org.jagridge.core.drawing.Connection.Route;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/** Writes a connection diagram: wires in the colour of their insulation, the electrical state as a halo under them. */
public final class ConnectionSvg {
    private final Connection connection;
    private final Circuit circuit;
    private final Assembly assembly;
    private final LiveState live;
    private final Svg svg = new Svg();

    /** Number of each terminal's net, for paper; empty where the ends aren't labelled. */
    private final Map<Terminal, Integer> nets;

    private ConnectionSvg(Connection connection, Assembly assembly, LiveState live, Map<Terminal, Integer> nets) {
        this.nets = nets;
        this.connection = connection;
        this.assembly = assembly;
        circuit = assembly.circuit();
        this.live = live;
    }

    /** The drawing as one {@code svg} element; {@code live} is null for the circuit at rest. */
    public static String write(Connection connection, Assembly assembly, LiveState live, String style) {
        return new ConnectionSvg(connection, assembly, live, Map.of()).write(style);
    }

    /** The drawing for paper: at both ends of each wire stand the number of its net and the letters of its colour. */
    public static String forPaper(Connection connection, Assembly assembly, Ladder ladder, String style) {
        Map<Terminal, Integer> nets = new HashMap<>();
        ladder.nets().forEach(n -> n.terminals().forEach(t -> nets.put(t, n.number())));
        return new ConnectionSvg(connection, assembly, null, nets).write(style);
    }

    private String write(String style) {
        StandAlone.open(
                svg,
                connection.width(),
                connection.height(),
                "connection",
                "Connection diagram: " + circuit.name(),
                style);
        connection.places().forEach(this::place);
        connection.sleeves().forEach(this::sleeve);
        connection.parts().forEach(p -> part(p, ""));
        connection.wires().forEach(this::wire);
        connection.posts().forEach(this::post);
        if (!nets.isEmpty()) {
            connection.posts().forEach(this::ends);
        }
        if (!connection.tray().isEmpty()) {
            Box first = connection.tray().get(0);
            svg.text(first.x(), first.y() - 7, "No terminals", "start", "t-post");
            connection.tray().forEach(p -> part(p, " in-tray"));
        }
        return svg.close("svg").toString();
    }

    // ---- what changes while the drawing stands

    /** What parts, wires and posts show of an instant: by the id of a part, by that of a wire, by terminal. */
    record Marks(Map<String, Mark> parts, Map<String, Mark> wires, Map<String, Mark> posts) {}

    /**
     * The marks of a circuit's drawing, which needn't be laid out for it.
     *
     * @param drawn the circuit as it is drawn
     * @param now the same with what hands and faults have changed, which the live state is of
     */
    static Marks marks(Assembly drawn, Assembly now, LiveState live) {
        ConnectionSvg drawing = new ConnectionSvg(null, now, live, Map.of());
        Marks marks = new Marks(new LinkedHashMap<>(), new LinkedHashMap<>(), new LinkedHashMap<>());
        drawn.circuit().parts().forEach(p -> marks.parts().put(p.id(), drawing.mark(p.id())));
        drawn.circuit()
                .wires()
                .forEach(w -> marks.wires()
                        .put(w.id(), drawing.mark(w, drawn.node(w.from()).orElseThrow())));
        drawn.nodes().forEach((t, node) -> marks.posts().put(t.toString(), drawing.mark(node)));
        return marks;
    }

    private Mark mark(String part) {
        String signal = live == null ? null : live.frame().signals().get(part);
        boolean works = live != null
                && assembly.branchesOf(part).stream().anyMatch(b -> Symbols.shows(b.shape()) && live.works(b));
        boolean fitted = circuit.part(part).map(Part::fitted).orElse(true);
        return new Mark(
                "part" + (works ? " on" : "") + (live != null && live.burnt(part) ? " burnt" : "")
                        + (fitted ? "" : " absent"),
                signal,
                null,
                null);
    }

    private Mark mark(Wire wire, int node) {
        boolean broken = live != null
                && !live.frame().conducts(assembly.branchesOf(wire.id()).get(0));
        boolean flows =
                live != null && live.flows(assembly.branchesOf(wire.id()).get(0));
        return Mark.of("wire " + side(node) + (flows ? " flow" : "") + (broken ? " broken" : "")
                + (wire.run() == Wire.Run.FIELD ? " field" : ""));
    }

    private Mark mark(int node) {
        return Mark.of("post " + side(node));
    }

    private String side(int node) {
        return live == null ? "rest" : live.side(node);
    }

    // ---- the drawing

    private void place(Box place) {
        svg.open("g", "class", "place-box", "data-place", place.id());
        svg.title("place " + place.id() + ", " + place.title());
        svg.element(
                "rect",
                "class",
                "place",
                "x",
                place.x(),
                "y",
                place.y(),
                "width",
                place.width(),
                "height",
                place.height(),
                "rx",
                5);
        svg.text(place.titleAt().x(), place.titleAt().y(), place.title(), "start", "t-place");
        svg.close("g");
    }

    /** A piece of a cable's jacket; pieces of neighbouring cores run into one band. */
    private void sleeve(Connection.Sleeve s) {
        String d = "M" + Svg.number(s.from().x()) + " " + Svg.number(s.from().y()) + "L" + Svg.number(s.to().x()) + " "
                + Svg.number(s.to().y());
        svg.open("path", "class", "sleeve", "data-cable", s.cable(), "d", d);
        svg.title("cable " + s.cable());
        svg.close("path");
    }

    private String placeOf(String part) {
        return circuit.part(part).map(Part::place).orElse(part);
    }

    private void part(Box box, String more) {
        Mark mark = mark(box.id());
        boolean fitted = circuit.part(box.id()).map(Part::fitted).orElse(true);
        String signal = mark.signal();
        svg.open(
                "g",
                "class",
                mark.css() + more,
                "data-part",
                box.id(),
                "data-in-place",
                placeOf(box.id()),
                "data-signal",
                signal,
                "tabindex",
                0,
                "role",
                "button");
        svg.title(box.title() + ", " + box.note() + (fitted ? "" : ", not fitted")
                + (signal == null || !fitted ? "" : ", " + signal));
        svg.element(
                "rect",
                "class",
                "body",
                "x",
                box.x(),
                "y",
                box.y(),
                "width",
                box.width(),
                "height",
                box.height(),
                "rx",
                3);
        svg.text(box.titleAt().x(), box.titleAt().y(), box.title(), "middle", "t-part");
        mark(box);
        svg.close("g");
    }

    /** What a box is at a glance, where that isn't a matter of course: a wire nut, an earth. */
    private void mark(Box box) {
        // what is no part is the metalwork of a place
        Set<Trait> traits = circuit.part(box.id()).map(PartTypes::traitsOf).orElse(Set.of(Trait.EARTH));
        String at = "translate(" + Svg.number(box.x() + 9) + " "
                + Svg.number(box.titleAt().y() - 4) + ")";
        if (traits.contains(Trait.EARTH)) {
            svg.element("path", "class", "sym thin", "transform", at, "d", "M0-6V0M-5 0H5M-3 2.5H3M-1 5H1");
        } else if (traits.contains(Trait.JOINT)) {
            svg.element("path", "class", "sym thin", "transform", at, "d", "M-3 5L-5-2Q0-8 5-2L3 5ZM-1-4V4M2-3V4");
        }
    }

    private void wire(Route route) {
        Wire wire = circuit.wire(route.wire()).orElseThrow();
        StringBuilder d = new StringBuilder();
        for (Connection.Point p : route.points()) {
            d.append(d.isEmpty() ? 'M' : 'L')
                    .append(Svg.number(p.x()))
                    .append(' ')
                    .append(Svg.number(p.y()));
        }
        String colour = circuit.colourOf(wire);
        svg.open(
                "g",
                "class",
                mark(wire, route.node()).css(),
                "data-wire",
                wire.id(),
                "data-cable-of",
                wire.cable(),
                "tabindex",
                0,
                "role",
                "button");
        svg.title(
                "wire " + wire.id() + (colour == null ? "" : ", " + colour) + ", " + wire.from() + " to " + wire.to());
        svg.element("path", "class", "halo", "d", d);
        svg.element("path", "class", "jacket", "d", d);
        svg.element("path", "class", "core ins-" + insulation(colour), "d", d);
        svg.close("g");
    }

    /** The colour as a class; a second conductor of a colour, like red-2, is drawn as the first. */
    private static String insulation(String colour) {
        return colour == null ? "unknown" : colour.toLowerCase(Locale.ROOT).replaceAll("[^a-z].*", "");
    }

    private void post(Post p) {
        svg.element(
                "circle",
                "class",
                mark(p.node()).css(),
                "cx",
                p.x(),
                "cy",
                p.y(),
                "r",
                4,
                "data-terminal",
                p.terminal(),
                "data-part",
                p.terminal().part(),
                "data-in-place",
                placeOf(p.terminal().part()),
                "tabindex",
                0,
                "role",
                "button",
                "aria-label",
                "terminal " + p.terminal());
        switch (p.edge()) {
            case TOP -> svg.text(p.x(), p.y() + 15, p.label(), "middle", "t-post");
            case BOTTOM -> svg.text(p.x(), p.y() - 8, p.label(), "middle", "t-post");
        }
    }

    /** Along the wires at a post, read from below: their net, and the letters of their colours. */
    private void ends(Post p) {
        Set<String> words = new LinkedHashSet<>();
        for (Wire w : circuit.wires()) {
            for (int end = 0; end < 2; end++) {
                if (w.end(end).equals(p.terminal())) {
                    words.add(ColourLetters.at(circuit, w, end));
                }
            }
        }
        if (!words.isEmpty()) {
            boolean up = p.edge() == Connection.Edge.TOP;
            words.remove("");
            int net = nets.getOrDefault(p.terminal(), 0);
            String text = (net == 0 ? "" : net + " ") + String.join(" ", words);
            double y = p.y() + (up ? -6 : 6);
            svg.raw("<text class=\"t-end\" text-anchor=\"" + (up ? "start" : "end") + "\" transform=\"translate("
                    + Svg.number(p.x() - 2.5) + " " + Svg.number(y) + ") rotate(-90)\">" + text.strip() + "</text>");
        }
    }
}
