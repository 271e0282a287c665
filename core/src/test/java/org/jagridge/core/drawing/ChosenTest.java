package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertSame;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** An arrangement that was chosen before is taken only where it is what would be chosen now. */
public class ChosenTest {
    private static final int EDITS = 12;

    @DataProvider
    public Object[] demos() {
        return new Object[] {"lab-bench", "student-flat", "wardens-cottage"};
    }

    private static Circuit.Builder builder(Circuit c) {
        Circuit.Builder b = Circuit.builder(c.name());
        b.places().addAll(c.places());
        b.parts().addAll(c.parts());
        b.cables().addAll(c.cables());
        b.wires().addAll(c.wires());
        return b;
    }

    private static <T> void replace(List<T> list, int i, T by) {
        list.set(i, by);
    }

    /** One thing changed by chance: a name, a length, a core's colour, an end, a place's name, a cable, the order. */
    private static Circuit edited(Circuit circuit, Random random) {
        Circuit.Builder b = builder(circuit);
        int p = random.nextInt(b.parts().size());
        int w = random.nextInt(b.wires().size());
        Part part = b.parts().get(p);
        Wire wire = b.wires().get(w);
        switch (random.nextInt(8)) {
            case 0 ->
                replace(
                        b.parts(),
                        p,
                        new Part(
                                part.id(),
                                part.type(),
                                part.place(),
                                "Renamed",
                                part.params(),
                                !part.fitted(),
                                part.whenNotFitted(),
                                Map.of()));
            case 1 ->
                replace(
                        b.wires(),
                        w,
                        new Wire(
                                wire.id(),
                                wire.from(),
                                wire.to(),
                                wire.colour(),
                                null,
                                99.0,
                                Wire.Run.FACTORY,
                                wire.cable(),
                                wire.core(),
                                wire.colourAtEnds()));
            case 2 -> replace(b.wires(), w, wire.withCable(null, null).withColour("pink"));
            case 3 -> {
                Wire other = b.wires().get(random.nextInt(b.wires().size()));
                replace(b.wires(), w, wire.withEnd(1, other.from()));
            }
            case 4 -> {
                Place place = b.places().get(0);
                replace(b.places(), 0, new Place(place.id(), "A place with quite a long name", place.access()));
            }
            case 5 -> b.cables().replaceAll(c -> new Cable(c.id(), c.from(), c.to(), 77.0, c.size(), c.cores()));
            case 6 -> b.parts().add(0, b.parts().remove(p));
            default -> b.wires().remove(w);
        }
        return b.build();
    }

    private static String words(Chosen chosen) {
        StringBuilder words = new StringBuilder(chosen.placement().toString());
        chosen.wires()
                .ifPresent(w -> w.points().forEach((id, points) -> {
                    words.append('\n').append(id);
                    points.forEach(
                            q -> words.append(' ').append(q[0]).append(',').append(q[1]));
                }));
        return words.toString();
    }

    @Test(dataProvider = "demos")
    public void whatIsKeptIsWhatWouldBeChosenAfresh(String slug) {
        Random random = new Random(17);
        Circuit circuit = Circuits.demo(slug);
        for (int i = 0; i < EDITS; i++) {
            String kept = words(Chosen.of(Assembly.of(circuit)));
            assertEquals(kept, words(Chosen.afresh(Assembly.of(circuit))), slug + " after " + i + " edits");
            circuit = edited(circuit, random);
        }
    }

    @Test
    public void whatIsNotDrawnIsNoReasonToArrangeAnew() {
        Circuit circuit = Circuits.demo("student-flat");
        Chosen first = Chosen.of(Assembly.of(circuit));
        Circuit.Builder renamed = builder(circuit);
        renamed.parts().replaceAll(p -> p.with("note", "x").without("note"));
        renamed.cables().replaceAll(c -> new Cable(c.id(), c.from(), c.to(), 3.5, null, c.cores()));
        assertSame(Chosen.of(Assembly.of(renamed.build())), first);
        Circuit.Builder fewer = builder(circuit);
        fewer.wires().remove(fewer.wires().size() - 1);
        assertNotEquals(words(Chosen.of(Assembly.of(fewer.build()))), words(first));
    }
}
