package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Boxes moved by hand stay where they were put, whatever else changes, and the drawing stays legible. */
public class ArrangementTest {
    private static Circuit with(Circuit circuit, Map<String, Object> layout) {
        Circuit.Builder b = circuit.toBuilder();
        b.layout().clear();
        b.layout().putAll(layout);
        return b.build();
    }

    private static Connection drawn(Circuit circuit) {
        Connection c = ConnectionLayout.of(Assembly.of(circuit));
        List<String> mistakes = GeometryCheck.connection(c, circuit);
        assertTrue(mistakes.isEmpty(), String.join("\n", mistakes));
        return c;
    }

    private static Connection.Box box(Connection c, String id) {
        return c.parts().stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow();
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    /** Keeping an arrangement changes nothing in it. */
    @Test(dataProvider = "demos")
    public void anArrangementThatIsKeptIsDrawnAsBefore(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Circuit kept =
                with(circuit, Arrangement.moved(circuit, circuit.parts().get(0).id(), 0, 0));
        Connection before = drawn(circuit);
        Connection after = drawn(kept);
        assertEquals(after.parts(), before.parts());
        assertEquals(after.posts(), before.posts());
        assertEquals(after.places(), before.places());
    }

    @Test
    public void aMovedPartLiesWhereItWasPutAndTheOthersWhereTheyWere() {
        Circuit circuit = Circuits.demo("cold-store");
        Connection before = drawn(circuit);
        Connection after = drawn(with(circuit, Arrangement.moved(circuit, "CH", 6, 0)));
        assertEquals(box(after, "CH").x(), box(before, "CH").x() + 48, 1e-9);
        assertEquals(box(after, "CC"), box(before, "CC"));
    }

    @Test
    public void aPlaceMovesWithAllThatIsInIt() {
        Circuit circuit = Circuits.demo("cold-store");
        Connection before = drawn(circuit);
        Connection after = drawn(with(circuit, Arrangement.moved(circuit, "store", -40, -3)));
        double dx = box(after, "EF").x()
                - box(before, "EF").x()
                - (box(after, "CC").x() - box(before, "CC").x());
        double dy = box(after, "EF").y()
                - box(before, "EF").y()
                - (box(after, "CC").y() - box(before, "CC").y());
        assertEquals(dx, -320, 1e-9);
        assertEquals(dy, -24, 1e-9);
    }

    @Test
    public void aMoveOntoAnotherBoxIsRefusedInWords() {
        Circuit circuit = Circuits.demo("cold-store");
        String message = expectThrows(IllegalArgumentException.class, () -> Arrangement.moved(circuit, "store", 30, 0))
                .getMessage();
        assertEquals(message, "store would stand too close to unit; leave 24 pixels for wires");
        assertTrue(expectThrows(IllegalArgumentException.class, () -> Arrangement.moved(circuit, "K99", 1, 1))
                .getMessage()
                .contains("no box K99"));
    }

    @Test
    public void newPartsFindRoomInAKeptArrangementAndRemovedOnesLeaveNoTrace() {
        Circuit circuit = Circuits.demo("cold-store");
        Circuit kept = with(circuit, Arrangement.moved(circuit, "CH", 2, 0));
        Circuit.Builder more = kept.toBuilder();
        for (int i = 0; i < 6; i++) {
            more.part("NEW" + i, "relay", i < 4 ? "unit" : "store", "sets", 2.0);
        }
        more.wire("NEW0.A1", "NEW4.A1").wire("NEW1.11", "CC.A1").wire("NEW5.A2", "T1.X2");
        more.parts().removeIf(p -> p.id().equals("LMP"));
        more.wires()
                .removeIf(w -> w.from().part().equals("LMP") || w.to().part().equals("LMP"));
        Connection after = drawn(more.build());
        assertFalse(after.parts().stream().anyMatch(b -> b.id().equals("LMP")));
        assertEquals(
                box(after, "CC").x() - box(after, "T1").x(),
                box(drawn(kept), "CC").x() - box(drawn(kept), "T1").x(),
                1e-9);
    }

    @Test
    public void partsThatGrowPushTheirNeighboursAside() {
        Circuit circuit = Circuits.demo("lab-bench");
        Circuit.Builder grown = with(circuit, Arrangement.moved(circuit, "K1", 0, 0)).toBuilder();
        grown.parts()
                .replaceAll(p -> p.type().equals("relay")
                        ? new Part(
                                p.id(),
                                p.type(),
                                p.place(),
                                p.name(),
                                Map.of("sets", 4.0),
                                true,
                                p.whenNotFitted(),
                                p.labels())
                        : p);
        drawn(grown.build());
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {Map.of("connection", "here")},
            {Map.of("connection", Map.of("parts", List.of(1, 2)))},
            {Map.of("connection", Map.of("parts", Map.of("CC", Map.of("at", List.of("left", 3)))))},
            {Map.of("connection", Map.of("parts", Map.of("CC", Map.of("at", List.of(1e9, -1e9)))))},
            {
                Map.of(
                        "connection",
                        Map.of(
                                "parts",
                                Map.of(
                                        "CC",
                                        Map.of("at", List.of(5, 5), "top", List.of("Z9", 7)),
                                        "NONE",
                                        Map.of("at", List.of(0, 0)))))
            },
            {
                Map.of(
                        "connection",
                        Map.of(
                                "places",
                                Map.of("unit", List.of(0, 0, -5, -5)),
                                "parts",
                                Map.of("CC", Map.of("at", List.of(0, 0)), "T1", Map.of("at", List.of(0, 0)))))
            }
        };
    }

    /** A layout may hold anything; what doesn't make sense is passed over. */
    @Test(dataProvider = "nonsense")
    public void aLayoutThatMakesNoSenseDoesNoHarm(Map<String, Object> layout) {
        drawn(with(Circuits.demo("cold-store"), layout));
    }

    @Test
    public void generatedCircuitsCanBeRearrangedAtRandom() {
        for (int seed = 0; seed < 30; seed++) {
            Circuit circuit = GeneratedCircuits.of(seed, 30);
            Random random = new Random(seed);
            for (int i = 0; i < 5; i++) {
                String id = circuit.parts()
                        .get(random.nextInt(circuit.parts().size()))
                        .id();
                try {
                    circuit = with(
                            circuit, Arrangement.moved(circuit, id, random.nextInt(41) - 20, random.nextInt(41) - 20));
                } catch (IllegalArgumentException crowded) {
                    // it stays where it is
                }
            }
            drawn(circuit);
        }
    }

    @Test
    public void arrangingAnewForgetsTheMoves() {
        Circuit circuit = Circuits.demo("cold-store");
        Circuit kept = with(circuit, Arrangement.moved(circuit, "CH", 6, 0));
        assertEquals(Arrangement.without(kept), Map.of());
        assertEquals(drawn(with(kept, Arrangement.without(kept))), drawn(circuit));
    }
}
