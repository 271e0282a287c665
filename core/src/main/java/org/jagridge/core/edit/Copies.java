package org.jagridge.core.edit;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/** A group of parts once more, with other numbers: an opening with its opener, its relay and its cable. */
final class Copies {
    private static final Pattern NUMBERED = Pattern.compile("^(.*?)(\\d{0,6})$");

    private final Circuit circuit;
    private final boolean outside;
    private final Map<String, String> parts = new LinkedHashMap<>();
    private final Map<String, String> cables = new LinkedHashMap<>();

    Copies(Circuit circuit, List<String> ids, boolean outside) {
        this.circuit = circuit;
        this.outside = outside;
        Set<String> taken = circuit.parts().stream().map(Part::id).collect(Collectors.toCollection(HashSet::new));
        circuit.places().forEach(p -> taken.add(p.id()));
        ids.forEach(id -> parts.put(id, next(id, taken)));
        Set<String> takenCables =
                circuit.cables().stream().map(Cable::id).collect(Collectors.toCollection(HashSet::new));
        for (Cable k : circuit.cables()) {
            List<Wire> cores = circuit.wires().stream()
                    .filter(w -> k.id().equals(w.cable()))
                    .toList();
            if (!cores.isEmpty() && cores.stream().allMatch(this::isCopied)) {
                cables.put(k.id(), next(k.id(), takenCables));
            }
        }
    }

    /** The next number that is free after the one in the id; from 2 on for an id without one. */
    private static String next(String id, Set<String> taken) {
        Matcher m = NUMBERED.matcher(id);
        if (!m.matches()) {
            throw new IllegalArgumentException(id);
        }
        int number = m.group(2).isEmpty() ? 2 : Integer.parseInt(m.group(2)) + 1;
        while (!taken.add(m.group(1) + number)) {
            number++;
        }
        return m.group(1) + number;
    }

    private boolean isCopied(Wire w) {
        boolean from = parts.containsKey(w.from().part());
        boolean to = parts.containsKey(w.to().part());
        return outside ? from || to : from && to;
    }

    Circuit made() {
        Circuit.Builder b = circuit.toBuilder();
        circuit.parts().stream()
                .filter(p -> parts.containsKey(p.id()))
                .forEach(p -> b.parts().add(renamed(p)));
        circuit.cables().stream()
                .filter(k -> cables.containsKey(k.id()))
                .forEach(k -> b.cables()
                        .add(new Cable(cables.get(k.id()), k.from(), k.to(), k.lengthMetres(), k.size(), k.cores())));
        for (Wire w : circuit.wires()) {
            if (isCopied(w)) {
                Wire copy = w.withEnd(0, renamed(w.from()))
                        .withEnd(1, renamed(w.to()))
                        .withId(Edits.freeWireId(b.wires()));
                // the core itself is taken by the wire that is there
                boolean sharesCable = w.cable() != null && !cables.containsKey(w.cable());
                b.wires()
                        .add(
                                w.cable() == null
                                        ? copy
                                        : sharesCable
                                                ? copy.withColour(w.core()).withCable(null, null)
                                                : copy.withCable(cables.get(w.cable()), w.core()));
            }
        }
        return b.build();
    }

    private Terminal renamed(Terminal t) {
        return new Terminal(parts.getOrDefault(t.part(), t.part()), t.name());
    }

    /** A part that looks at another one of the group looks at the copy of that. */
    private Part renamed(Part p) {
        Map<String, Object> params = new LinkedHashMap<>(p.params());
        params.replaceAll((key, value) -> value instanceof String word ? parts.getOrDefault(word, word) : value);
        return new Part(
                parts.get(p.id()), p.type(), p.place(), p.name(), params, p.fitted(), p.whenNotFitted(), p.labels());
    }
}
