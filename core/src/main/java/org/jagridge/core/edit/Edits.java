package org.jagridge.core.edit;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.found.Tracing;
import org.jagridge.core.part.PartType;

/**
 * The changes there are. Where a method takes {@code old}, that is the id of what is replaced, or null to add something;
 * a new id then goes for everything that named the old one, as far as wires, cables and parts do.
 */
public final class Edits {
    private Edits() {}

    /** Renames the circuit and sets its notes. */
    public static Edit name(String name, String notes) {
        return new Edit("name: " + name, c -> c.toBuilder(name).notes(notes).build());
    }

    public static Edit place(String old, Place place) {
        return new Edit(words("place", old, place.id(), place.name()), c -> {
            Circuit.Builder b = c.toBuilder();
            put(b.places(), old, place, Place::id);
            Renaming.in(b, Renaming.Thing.PLACE, old, place.id());
            return b.build();
        });
    }

    public static Edit part(String old, Part part) {
        return new Edit(words("part", old, part.id(), part.type()), c -> {
            Circuit.Builder b = c.toBuilder();
            put(b.parts(), old, part, Part::id);
            Renaming.in(b, Renaming.Thing.PART, old, part.id());
            return b.build();
        });
    }

    /**
     * Adds a scenario, or puts it in place of an own one.
     *
     * @param index of the one it replaces, or null
     * @throws MalformedException where another one has its name, or there is none of that index
     */
    public static Edit scenario(Integer index, Scenario scenario) {
        return new Edit("scenario " + scenario.name(), c -> {
            for (int i = 0; i < c.scenarios().size(); i++) {
                if ((index == null || i != index) && c.scenarios().get(i).name().equals(scenario.name())) {
                    throw problem("/name", "there is a scenario \"" + scenario.name() + "\" already");
                }
            }
            Circuit.Builder b = c.toBuilder();
            if (index == null) {
                b.scenarios().add(scenario);
            } else {
                b.scenarios().set(scenarioIndex(c, index), scenario);
            }
            return b.build();
        });
    }

    public static Edit removeScenario(int index) {
        return new Edit("remove scenario " + (index + 1), c -> {
            Circuit.Builder b = c.toBuilder();
            b.scenarios().remove(scenarioIndex(c, index));
            return b.build();
        });
    }

    private static int scenarioIndex(Circuit c, int index) {
        if (index < 0 || index >= c.scenarios().size()) {
            throw problem("", "the circuit has no scenario number " + (index + 1) + " any more");
        }
        return index;
    }

    private static MalformedException problem(String path, String message) {
        return new MalformedException(List.of(new Problem(path, message)));
    }

    public static Edit cable(String old, Cable cable) {
        return new Edit(words("cable", old, cable.id(), cable.cores().size() + " cores"), c -> {
            Circuit.Builder b = c.toBuilder();
            put(b.cables(), old, cable, Cable::id);
            b.wires().replaceAll(w -> old != null && old.equals(w.cable()) ? w.withCable(cable.id(), w.core()) : w);
            return b.build();
        });
    }

    /** Adds or changes a wire; a new one gets the next free id where its own is empty. */
    public static Edit wire(String old, Wire wire) {
        return new Edit(words("wire", old, wire.id(), wire.from() + " to " + wire.to()), c -> {
            Circuit.Builder b = c.toBuilder();
            put(b.wires(), old, wire.id().isEmpty() ? wire.withId(freeWireId(b.wires())) : wire, Wire::id);
            Renaming.in(b, Renaming.Thing.WIRE, old, wire.id());
            return b.build();
        });
    }

    /** The first id that is free of those that parts of a type usually have, from 1 on. */
    public static String freePartId(Collection<Part> parts, PartType type) {
        Set<String> taken = parts.stream().map(Part::id).collect(Collectors.toSet());
        int number = 1;
        while (taken.contains(type.letters() + number)) {
            number++;
        }
        return type.letters() + number;
    }

    /**
     * Copies parts with new numbers, the wires between them, and the cables whose cores all run between them.
     *
     * @param outside whether the wires to other parts are copied, too, to the same terminals there
     */
    public static Edit copies(List<String> ids, boolean outside) {
        return new Edit("copied " + String.join(", ", ids), c -> {
            List<String> known = c.parts().stream().map(Part::id).toList();
            for (String id : ids) {
                if (c.part(id).isEmpty()) {
                    throw problem("/parts", "there is no part " + id + " to copy" + Nearest.hint(id, known));
                }
            }
            return new Copies(c, ids, outside).made();
        });
    }

    /** Adds several wires, each without an id of its own. */
    public static Edit wires(List<Wire> wires) {
        String each = wires.stream().map(w -> w.from() + "–" + w.to()).collect(Collectors.joining(", "));
        return new Edit(wires.size() == 1 ? "wire " + each : wires.size() + " wires: " + each, c -> {
            Circuit.Builder b = c.toBuilder();
            wires.forEach(w -> b.wires().add(w.withId(freeWireId(b.wires()))));
            return b.build();
        });
    }

    /** Adds the parts that a rung names first, and its wires. */
    public static Edit rung(ChainEntry.Rung rung) {
        Edit wires = wires(rung.wires());
        String parts = rung.parts().stream().map(Part::id).collect(Collectors.joining(", "));
        return rung.parts().isEmpty()
                ? wires
                : new Edit("new " + parts + "; " + wires.words(), c -> {
                    Circuit.Builder b = c.toBuilder();
                    b.parts().addAll(rung.parts());
                    return wires.change().apply(b.build());
                });
    }

    /** Puts traced wiring, with its hidden splices, in place of what was drawn at the traced terminals. */
    public static Edit traced(Tracing tracing) {
        long joined = tracing.conductors().stream().filter(c -> c.size() > 1).count();
        return new Edit(
                "traced " + joined + (joined == 1 ? " conductor" : " conductors"), c -> TracedWiring.into(c, tracing));
    }

    public static Edit removeWire(String id) {
        return removal("wire", id, c -> c.wire(id).isPresent(), b -> b.wires().removeIf(w -> w.id().equals(id)));
    }

    /** Removes a part with the wires that end at it, what scenarios set of it, and the rules about it. */
    public static Edit removePart(String id) {
        return removal("part", id, c -> c.part(id).isPresent(), b -> {
            b.parts().removeIf(p -> p.id().equals(id));
            b.rules()
                    .removeIf(r -> r.claim().conditions().stream()
                            .anyMatch(c -> c.parts().contains(id)));
            b.wires().removeIf(w -> w.from().part().equals(id) || w.to().part().equals(id));
        });
    }

    /** Removes a cable; its wires stay, each with its core's colour. */
    public static Edit removeCable(String id) {
        return removal("cable", id, c -> c.cable(id).isPresent(), b -> {
            b.cables().removeIf(k -> k.id().equals(id));
            b.wires()
                    .replaceAll(
                            w -> id.equals(w.cable()) ? w.withColour(w.core()).withCable(null, null) : w);
        });
    }

    /** Removes a place that nothing is in any more. */
    public static Edit removePlace(String id) {
        return removal("place", id, c -> c.place(id).isPresent(), b -> {
            if (b.parts().stream().anyMatch(p -> p.place().equals(id))) {
                throw new MalformedException(List.of(
                        new Problem("/places", "there are still parts in " + id + "; move or remove them first")));
            }
            b.places().removeIf(p -> p.id().equals(id));
            b.wires().removeIf(w -> w.from().part().equals(id) || w.to().part().equals(id));
        });
    }

    /** Replaces what the drawings keep about positions. */
    public static Edit layout(String words, Function<Circuit, Map<String, Object>> layout) {
        return new Edit(words, c -> {
            Circuit.Builder b = c.toBuilder();
            b.layout().clear();
            b.layout().putAll(layout.apply(c));
            return b.build();
        });
    }

    /** Puts another circuit in place of this one. */
    public static Edit replace(String words, Circuit by) {
        return new Edit(words, c -> by);
    }

    private static Edit removal(String what, String id, Predicate<Circuit> there, Consumer<Circuit.Builder> act) {
        return new Edit("removed " + what + " " + id, c -> {
            if (!there.test(c)) {
                throw new MalformedException(List.of(new Problem("", "there is no " + what + " " + id + " any more")));
            }
            Circuit.Builder b = c.toBuilder();
            act.accept(b);
            b.scenarios().replaceAll(s -> fitting(s, b));
            return b.build();
        });
    }

    /** A scenario without what it sets of parts that are gone, and without faults of them and of wires that are gone. */
    private static Scenario fitting(Scenario s, Circuit.Builder b) {
        Set<String> there = new HashSet<>();
        b.parts().forEach(p -> there.add(p.id()));
        b.places().forEach(p -> there.add(p.id()));
        b.wires().forEach(w -> there.add(w.id()));
        return new Scenario(
                s.name(),
                fitting(s.start(), there),
                s.steps().stream()
                        .map(t -> new Scenario.Step(t.atSeconds(), fitting(t.set(), there), fitting(t.faults(), there)))
                        .toList(),
                fitting(s.faults(), there),
                s.untilSeconds());
    }

    private static Map<String, Object> fitting(Map<String, Object> inputs, Set<String> there) {
        Map<String, Object> kept = new LinkedHashMap<>(inputs);
        kept.keySet().removeIf(key -> !there.contains(Input.parse(key).part()));
        return kept;
    }

    private static List<Fault> fitting(List<Fault> faults, Set<String> there) {
        return faults.stream()
                .filter(f -> there.containsAll(f.defect().touches()))
                .toList();
    }

    private static String words(String what, String old, String id, String more) {
        String name = id.isEmpty() ? "" : " " + id;
        return (old == null ? "added " : "changed ") + what
                + (old != null && !old.equals(id) ? " " + old + ", now" + name : name) + ": " + more;
    }

    private static <T> void put(List<T> list, String old, T item, Function<T, String> id) {
        if (old == null) {
            list.add(item);
            return;
        }
        for (int i = 0; i < list.size(); i++) {
            if (id.apply(list.get(i)).equals(old)) {
                list.set(i, item);
                return;
            }
        }
        throw new MalformedException(List.of(new Problem("", "there is no " + old + " any more to be changed")));
    }

    /** The next free id {@code w1}, {@code w2} …, after the highest that is there. */
    static String freeWireId(List<Wire> wires) {
        int highest = 0;
        for (Wire w : wires) {
            if (w.id().matches("w\\d{1,8}")) {
                highest = Math.max(highest, Integer.parseInt(w.id().substring(1)));
            }
        }
        return "w" + (highest + 1);
    }
}
