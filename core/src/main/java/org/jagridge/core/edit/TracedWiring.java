package org.jagridge.core.edit;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.found.Tracing;
import org.jagridge.core.found.Tracing.End;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/**
 * Puts what was traced in place of what was drawn at those terminals. Two ends make a wire, with both colours where they
 * differ; three and more must meet at a splice that nobody has seen, and get one at a place out of sight.
 */
final class TracedWiring {
    private static final Place HIDDEN = new Place("hidden", "out of sight", Place.Access.WALL);

    private final Circuit.Builder to;
    private final Map<Set<Terminal>, Wire> drawn = new HashMap<>();

    private TracedWiring(Circuit from) {
        to = from.toBuilder();
    }

    static Circuit into(Circuit circuit, Tracing tracing) {
        TracedWiring wiring = new TracedWiring(circuit);
        wiring.clear(tracing.ends().stream().map(End::at).collect(Collectors.toSet()));
        for (Set<Integer> conductor : tracing.conductors()) {
            wiring.add(conductor.stream().map(tracing.ends()::get).toList());
        }
        return wiring.to.build();
    }

    /** Takes off what was drawn at these terminals, and the hidden splices that then join nothing. */
    private void clear(Set<Terminal> at) {
        to.wires().removeIf(w -> {
            boolean traced = at.contains(w.from()) || at.contains(w.to());
            if (traced) {
                drawn.put(Set.of(w.from(), w.to()), w);
            }
            return traced;
        });
        Set<String> wired = new LinkedHashSet<>();
        to.wires().forEach(w -> wired.addAll(List.of(w.from().part(), w.to().part())));
        List<String> unused = to.parts().stream()
                .filter(p -> p.place().equals(HIDDEN.id()) && PartTypes.is(p, Trait.JOINT) && !wired.contains(p.id()))
                .map(Part::id)
                .toList();
        to.wires().removeIf(w -> unused.contains(w.from().part()) || unused.contains(w.to().part()));
        to.parts().removeIf(p -> unused.contains(p.id()));
    }

    private void add(List<End> conductor) {
        if (conductor.size() == 2) {
            join(conductor.get(0), conductor.get(1));
        } else if (conductor.size() > 2) {
            splice(conductor);
        }
    }

    private void join(End a, End b) {
        Wire known = drawn.get(Set.of(a.at(), b.at()));
        Wire wire = known == null ? Wire.between(Edits.freeWireId(to.wires()), a.at(), b.at()) : known;
        boolean changes =
                !a.colour().isEmpty() && !b.colour().isEmpty() && !a.colour().equals(b.colour());
        if (known != null && known.cable() != null && !changes) {
            to.wires().add(wire);
            return;
        }
        String colour = a.colour().isEmpty() ? b.colour() : a.colour();
        boolean turned = !wire.from().equals(a.at());
        List<String> atEnds =
                changes ? turned ? List.of(b.colour(), a.colour()) : List.of(a.colour(), b.colour()) : List.of();
        to.wires()
                .add(new Wire(
                        wire.id(),
                        wire.from(),
                        wire.to(),
                        colour.isEmpty() || changes ? null : colour,
                        wire.size(),
                        wire.lengthMetres(),
                        wire.run(),
                        null,
                        null,
                        atEnds));
    }

    private void splice(List<End> conductor) {
        if (to.places().stream().noneMatch(p -> p.id().equals(HIDDEN.id()))) {
            to.places().add(HIDDEN);
        }
        Set<String> taken = to.parts().stream().map(Part::id).collect(Collectors.toSet());
        int number = 1;
        while (taken.contains("HS" + number)) {
            number++;
        }
        String id = "HS" + number;
        to.parts().add(PartTypes.fittings().splice(id, HIDDEN.id(), "hidden splice", conductor.size()));
        for (int i = 0; i < conductor.size(); i++) {
            End end = conductor.get(i);
            Wire wire = Wire.between(Edits.freeWireId(to.wires()), end.at(), new Terminal(id, String.valueOf(i + 1)));
            to.wires().add(end.colour().isEmpty() ? wire : wire.withColour(end.colour()));
        }
    }
}
