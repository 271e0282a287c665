package org.jagridge.core;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.PartTypes;

/**
 * Circuits made by dice: any kind of part, several places and supplies, chains, stars, bridges, feeds from both ends,
 * open ends and cores of cables. Most of them would be no use to anybody; every one must still be drawn legibly.
 */
public final class GeneratedCircuits {
    private static final List<String> SUPPLIES = List.of("split-120-240", "single-120", "single-230", "two-leg-208");
    private static final List<String> COLOURS = List.of("red", "white", "green", "yellow", "blue", "orange", "brown");

    private final Random random;
    private final Circuit.Builder builder;
    private final List<String> places = new ArrayList<>();

    private GeneratedCircuits(long seed) {
        random = new Random(seed);
        builder = Circuit.builder("Generated " + seed);
    }

    /** The circuit of a seed: the same every time, with 4 to {@code mostParts} parts. */
    public static Circuit of(long seed, int mostParts) {
        return new GeneratedCircuits(seed).build(mostParts);
    }

    private Circuit build(int mostParts) {
        int placeCount = 1 + random.nextInt(5);
        for (int i = 0; i < placeCount; i++) {
            places.add("place" + i);
            List<Place.Access> access = List.of(Place.Access.values());
            builder.place("place" + i, "Place number " + i, access.get(random.nextInt(5)));
        }
        int parts = 4 + random.nextInt(mostParts - 3);
        builder.part("M", "supply", "place0", "system", SUPPLIES.get(random.nextInt(SUPPLIES.size())));
        builder.part("T1", "transformer", "place0");
        for (int i = 2; i < parts; i++) {
            addPart(i);
        }
        wire();
        return builder.build();
    }

    private void addPart(int i) {
        String place = places.get(random.nextInt(places.size()));
        String id = (random.nextBoolean() ? "P" : "PART-") + i;
        switch (random.nextInt(15)) {
            case 0, 1, 2 -> builder.part(id, "relay", place, "sets", 1.0 + random.nextInt(4));
            case 3 -> builder.part(id, "contactor", place, "poles", List.of("contact", "bar"));
            case 4 -> builder.part(id, "thermostat", place);
            case 5 -> builder.part(id, "motor", place, "speeds", List.of("HI", "MED", "LO"));
            case 6 -> builder.part(id, "splice", place);
            case 7, 8 -> builder.part(id, "switch", place);
            case 9, 10 -> builder.part(id, "lamp", place);
            default -> {
                List<PartType> all = List.copyOf(PartTypes.catalogue().all());
                builder.part(id, all.get(random.nextInt(all.size())).type(), place);
            }
        }
    }

    private void wire() {
        List<Terminal> ends = new ArrayList<>();
        builder.parts().forEach(p -> {
            PartType type = PartTypes.catalogue().require(p);
            type.terminals(new Params(type.params(), p.params())).forEach(t -> ends.add(new Terminal(p.id(), t)));
        });
        builder.places().forEach(p -> ends.add(p.metalwork()));
        Collections.shuffle(ends, random);
        int nets =
                2 + builder.parts().size() / 2 + random.nextInt(builder.parts().size());
        List<List<Terminal>> byNet = new ArrayList<>();
        for (int i = 0; i < nets; i++) {
            byNet.add(new ArrayList<>());
        }
        for (Terminal end : ends) {
            if (random.nextInt(5) > 1) {
                byNet.get(random.nextInt(4) == 0 ? random.nextInt(2) : random.nextInt(nets))
                        .add(end);
            }
        }
        byNet.forEach(this::join);
    }

    /** Joins a net's terminals as a chain or, at random, from an earlier one: never the same pair twice. */
    private void join(List<Terminal> net) {
        boolean star = random.nextInt(4) == 0;
        for (int i = 1; i < net.size(); i++) {
            add(net.get(star ? random.nextInt(i) : i - 1), net.get(i));
        }
    }

    private void add(Terminal from, Terminal to) {
        int n = builder.wires().size() + 1;
        String id = "w" + n;
        String colour = COLOURS.get(random.nextInt(COLOURS.size()));
        String here = placeOf(from);
        String there = placeOf(to);
        Wire.Run run = random.nextBoolean() ? Wire.Run.FIELD : Wire.Run.FACTORY;
        if (here.equals(there) || random.nextBoolean()) {
            builder.wires().add(new Wire(id, from, to, colour, null, null, run, null, null, List.of()));
            return;
        }
        String cable = "C-" + here + "-" + there;
        if (builder.cables().stream().noneMatch(c -> c.id().equals(cable))) {
            builder.cables().add(new Cable(cable, here, there, 12.0, null, COLOURS));
        }
        builder.wires().add(new Wire(id, from, to, null, null, null, run, cable, colour, List.of()));
    }

    private String placeOf(Terminal t) {
        Map<String, String> byPart = new HashMap<>();
        builder.parts().forEach(p -> byPart.put(p.id(), p.place()));
        return byPart.getOrDefault(t.part(), t.part());
    }
}
