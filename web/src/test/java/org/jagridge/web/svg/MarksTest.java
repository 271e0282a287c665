package org.jagridge.web.svg;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.drawing.ConnectionLayout;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.LadderLayout;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.InputSource;

/** A drawing at rest with the marks of an instant laid over it is the drawing of that instant. */
public class MarksTest {
    @DataProvider
    public Object[][] demos() {
        return new Object[][] {{"lab-bench"}, {"propagation-house"}, {"wardens-cottage"}, {"old-hall"}, {"seminar-room"}
        };
    }

    @Test(dataProvider = "demos")
    public void aDrawingAtRestWithMarksIsTheLiveOne(String slug) throws Exception {
        Assembly assembly = Assembly.of(demo(slug));
        Ladder ladder = LadderLayout.of(assembly);
        int shown = 0;
        for (Presets.Preset preset : Presets.of(assembly.circuit())) {
            Run run = Simulation.run(assembly, preset.scenario());
            for (long micros : new long[] {0, 1_000_000, 20_000_000, run.until()}) {
                LiveState live = new LiveState(run.at(Math.min(micros, run.until())));
                for (SymbolSet symbols : SymbolSet.values()) {
                    Look look = new Look(symbols, false);
                    Marks marks = Marks.of(ladder, assembly, live, look);
                    assertEquals(
                            ladder(LadderSvg.write(ladder, null, look, slug, null), marks),
                            ladder(LadderSvg.write(ladder, live, look, slug, null), null));
                    shown++;
                }
            }
        }
        assertTrue(shown > 8);
        Run run = Simulation.run(assembly, Presets.of(assembly.circuit()).get(0).scenario());
        LiveState live = new LiveState(run.at(10_000_000));
        var connection = ConnectionLayout.of(assembly);
        assertEquals(
                connection(
                        ConnectionSvg.write(connection, assembly, null, null),
                        Marks.of(ladder, assembly, live, Look.USUAL)),
                connection(ConnectionSvg.write(connection, assembly, live, null), null));
    }

    private static Circuit demo(String slug) throws IOException {
        try (var in = MarksTest.class.getResourceAsStream("/demo/" + slug + ".json")) {
            return CircuitReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    /** What each line, dot and symbol shows; with marks in place of what is written where there are some. */
    private static List<String> ladder(String svg, Marks marks) throws Exception {
        List<Element> pieces = new ArrayList<>();
        for (String css : List.of("line", "dot", "symbol")) {
            children(svg).stream().filter(e -> isOf(e, css)).forEach(pieces::add);
        }
        if (marks != null) {
            assertEquals(marks.ladder().size(), pieces.size());
        }
        List<String> all = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            all.add(
                    marks == null
                            ? written(pieces.get(i))
                            : words(marks.kinds().get(marks.ladder().get(i))));
        }
        return all;
    }

    private static List<String> connection(String svg, Marks marks) throws Exception {
        List<String> all = new ArrayList<>();
        for (Element e : children(svg)) {
            boolean part = isOf(e, "part");
            if (!part && !isOf(e, "wire") && !isOf(e, "post")) {
                continue;
            }
            Map<String, Integer> named =
                    marks == null ? Map.of() : part ? marks.parts() : isOf(e, "wire") ? marks.wires() : marks.posts();
            Integer kind =
                    named.get(e.getAttribute(part ? "data-part" : isOf(e, "wire") ? "data-wire" : "data-terminal"));
            // the metalwork of a place is no part and has nothing that changes
            all.add(
                    kind == null
                            ? written(e).replace(" in-tray", "")
                            : words(marks.kinds().get(kind)));
        }
        return all;
    }

    private static boolean isOf(Element e, String css) {
        return List.of(e.getAttribute("class").split(" ", -1)).contains(css);
    }

    private static String words(Mark mark) throws Exception {
        String inside =
                mark.glyph() == null ? "" : text(parse("<g class=\"" + mark.side() + "\">" + mark.glyph() + "</g>"));
        return mark.css() + "|" + (mark.signal() == null ? "" : mark.signal()) + "|" + inside;
    }

    private static String written(Element e) {
        String inside = "";
        for (Node n = e.getFirstChild(); n != null; n = n.getNextSibling()) {
            if (n instanceof Element child && isOf(child, "left")) {
                inside = text(child);
            }
        }
        return e.getAttribute("class") + "|" + e.getAttribute("data-signal") + "|" + inside;
    }

    private static String text(Element e) {
        StringBuilder s = new StringBuilder(e.getTagName());
        for (int i = 0; i < e.getAttributes().getLength(); i++) {
            s.append(' ').append(e.getAttributes().item(i));
        }
        for (Node n = e.getFirstChild(); n != null; n = n.getNextSibling()) {
            s.append(n instanceof Element child ? "(" + text(child) + ")" : n.getTextContent());
        }
        return s.toString();
    }

    private static Element parse(String svg) throws Exception {
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(svg)))
                .getDocumentElement();
    }

    private static List<Element> children(String svg) throws Exception {
        List<Element> children = new ArrayList<>();
        for (Node n = parse(svg).getFirstChild(); n != null; n = n.getNextSibling()) {
            if (n instanceof Element e) {
                children.add(e);
            }
        }
        return children;
    }
}
