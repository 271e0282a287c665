package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.ReferenceCase;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The connection diagram shows every part, terminal and wire, and no wire runs through a box. */
public class ConnectionLayoutTest {
    @DataProvider
    public Object[][] circuits() {
        List<Object[]> rows = new ArrayList<>();
        Circuits.DEMOS.forEach(slug -> rows.add(new Object[] {slug, Circuits.demo(slug)}));
        for (String name : List.of("fan-relay", "two-transformers-jumper", "long-run")) {
            rows.add(new Object[] {name, ReferenceCase.load(name).circuit()});
        }
        return rows.toArray(Object[][]::new);
    }

    @Test(dataProvider = "circuits")
    public void everyWireEndsAtItsTwoTerminals(String name, Circuit circuit) {
        Connection c = ConnectionLayout.of(Assembly.of(circuit));
        assertEquals(c.wires().size(), circuit.wires().size());
        for (Connection.Route route : c.wires()) {
            List<Terminal> ends = List.of(
                    at(c, route.points().get(0)),
                    at(c, route.points().get(route.points().size() - 1)));
            assertTrue(
                    ends.contains(circuit.wire(route.wire()).orElseThrow().from())
                            && ends.contains(
                                    circuit.wire(route.wire()).orElseThrow().to()),
                    route.wire() + " ends at " + ends);
        }
    }

    /** The terminal whose post is nearest to a point. */
    private static Terminal at(Connection c, Connection.Point p) {
        return c.posts().stream()
                .min(java.util.Comparator.comparingDouble(post -> Math.hypot(post.x() - p.x(), post.y() - p.y())))
                .orElseThrow()
                .terminal();
    }

    @Test(dataProvider = "circuits")
    public void noWireRunsThroughAPartOrATitle(String name, Circuit circuit) {
        Connection c = ConnectionLayout.of(Assembly.of(circuit));
        List<String> mistakes = new ArrayList<>();
        for (Connection.Route r : c.wires()) {
            for (int i = 1; i < r.points().size(); i++) {
                Connection.Point a = r.points().get(i - 1);
                Connection.Point b = r.points().get(i);
                for (Connection.Box box : c.parts()) {
                    if (crosses(
                            a, b, box.x() + 1, box.y() + 1, box.x() + box.width() - 1, box.y() + box.height() - 1)) {
                        mistakes.add(r.wire() + " runs through " + box.id());
                    }
                }
                for (Connection.Box place : c.places()) {
                    double w = place.title().length() * 7.0;
                    Connection.Point t = place.titleAt();
                    if (crosses(a, b, t.x(), t.y() - 9, t.x() + w, t.y())) {
                        mistakes.add(r.wire() + " runs through the title of " + place.id());
                    }
                }
            }
        }
        assertTrue(mistakes.isEmpty(), String.join("\n", mistakes));
    }

    @Test(dataProvider = "circuits")
    public void noPostLabelLiesOnAnother(String name, Circuit circuit) {
        Connection c = ConnectionLayout.of(Assembly.of(circuit));
        for (Connection.Post a : c.posts()) {
            for (Connection.Post b : c.posts()) {
                boolean neighbours = a != b && a.edge() == b.edge() && Math.abs(a.y() - b.y()) < 1;
                double least = 3.1 * (a.label().length() + b.label().length());
                assertTrue(
                        !neighbours || Math.abs(a.x() - b.x()) >= least,
                        a.terminal() + " and " + b.terminal() + " are " + Math.abs(a.x() - b.x()) + " apart");
            }
        }
    }

    private static boolean crosses(Connection.Point a, Connection.Point b, double x1, double y1, double x2, double y2) {
        return Math.max(a.x(), b.x()) > x1
                && Math.min(a.x(), b.x()) < x2
                && Math.max(a.y(), b.y()) > y1
                && Math.min(a.y(), b.y()) < y2;
    }

    @Test(dataProvider = "circuits")
    public void partsLieInTheirPlaceAndNotOnEachOther(String name, Circuit circuit) {
        Connection c = ConnectionLayout.of(Assembly.of(circuit));
        for (Connection.Box part : c.parts()) {
            String place = circuit.part(part.id()).map(p -> p.place()).orElse(part.id());
            Connection.Box around = c.places().stream()
                    .filter(p -> p.id().equals(place))
                    .findFirst()
                    .orElseThrow();
            assertTrue(
                    part.x() >= around.x()
                            && part.x() + part.width() <= around.x() + around.width()
                            && part.y() >= around.y()
                            && part.y() + part.height() <= around.y() + around.height(),
                    part.id() + " lies outside of " + place);
            for (Connection.Box other : c.parts()) {
                boolean apart = other == part
                        || other.x() >= part.x() + part.width()
                        || part.x() >= other.x() + other.width()
                        || other.y() >= part.y() + part.height()
                        || part.y() >= other.y() + other.height();
                assertTrue(apart, part.id() + " lies on " + other.id());
            }
        }
    }
}
