package org.jagridge.web.svg;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.drawing.Timing;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Lanes;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A lane's bars drawn together are the bars of the lane, each where it was and with what it says. */
public class TimingSvgTest {
    private static final Pattern SHAPE = Pattern.compile(
            "<path class=\"(span[^\"]*)\" d=\"([^\"]*)\" data-part=\"([^\"]*)\"><title>([^<]*)</title>");
    private static final Pattern BAR = Pattern.compile("M(\\S+) (\\S+)h(\\S+)v(\\S+)h(\\S+)z");

    @DataProvider
    public Object[] demos() {
        return new Object[] {"lab-bench", "propagation-house", "wardens-cottage"};
    }

    private static Circuit demo(String slug) throws IOException {
        try (var in = TimingSvgTest.class.getResourceAsStream("/demo/" + slug + ".json")) {
            return CircuitReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    private static String row(String css, String part, String title, String x, String y, String width) {
        return String.join(" | ", css, part, title, x, y, width);
    }

    @Test(dataProvider = "demos")
    public void everyBarIsInAShapeOfItsLane(String slug) throws IOException {
        Circuit circuit = demo(slug);
        int bars = 0;
        for (Presets.Preset preset : Presets.of(circuit)) {
            Run run = Simulation.run(circuit, preset.scenario());
            for (long cursor : List.of(0L, 15_000_000L, run.until())) {
                Timing timing = Timing.of(run, Lanes.moved(run), new Timing.Wish(cursor, 554, 74, false));
                Set<String> wanted = new TreeSet<>();
                for (Timing.Lane lane : timing.lanes()) {
                    boolean load = lane.kind() == Lanes.Kind.LOAD || lane.kind() == Lanes.Kind.COIL;
                    for (Timing.Bar b : lane.bars()) {
                        if (b.active()) {
                            wanted.add(row(
                                    "span" + (load ? " load" : "") + (b.from() > cursor ? " ahead" : ""),
                                    lane.part(),
                                    lane.part() + " " + b.value(),
                                    Svg.number(b.x()),
                                    Svg.number(b.y()),
                                    Svg.number(Math.max(1.5, b.width()))));
                        }
                    }
                }
                Set<String> drawn = new TreeSet<>();
                Matcher shapes = SHAPE.matcher(TimingSvg.whole(timing, run, cursor, null));
                while (shapes.find()) {
                    Matcher bar = BAR.matcher(shapes.group(2));
                    while (bar.find()) {
                        assertEquals(bar.group(5), "-" + bar.group(3));
                        drawn.add(row(
                                shapes.group(1),
                                shapes.group(3),
                                shapes.group(4),
                                bar.group(1),
                                bar.group(2),
                                bar.group(3)));
                    }
                }
                assertEquals(drawn, wanted, slug + " " + preset.key() + " at " + cursor);
                bars += drawn.size();
            }
        }
        assertTrue(bars > 20, bars + " bars");
    }
}
