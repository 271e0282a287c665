package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Groups;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/**
 * A change that joins the same terminals as before by other wires: it works as it did, and takes more or less conductor.
 * Splices join without being anything's terminals themselves.
 */
public final class Rerouting {
    private final Circuit before;
    private final Circuit after;

    private Rerouting(Circuit before, Circuit after) {
        this.before = before;
        this.after = after;
    }

    /** The change in a sentence or two; empty where the wires are as they were, or join other terminals than before. */
    public static Optional<String> between(Circuit before, Circuit after) {
        Rerouting r = new Rerouting(before, after);
        boolean rewired = !ways(before).equals(ways(after));
        return rewired && parts(before).equals(parts(after)) && nets(before).equals(nets(after))
                ? Optional.of(
                        "Same nets, another route: each terminal is joined to the same ones as before. " + r.copper())
                : Optional.empty();
    }

    private static boolean isJoint(Part part) {
        return PartTypes.is(part, Trait.JOINT);
    }

    /** The parts that do something, with all that makes them what they are. */
    private static Set<Part> parts(Circuit c) {
        return c.parts().stream().filter(p -> !isJoint(p)).collect(Collectors.toSet());
    }

    private static Set<List<Object>> ways(Circuit c) {
        Set<List<Object>> ways = new HashSet<>();
        c.wires().forEach(w -> ways.add(List.of(Set.of(w.from(), w.to()), String.valueOf(c.lengthOf(w)))));
        return ways;
    }

    /** By net, the terminals that it joins, those of joints left out; a terminal on its own is no net. */
    private static Set<Set<Terminal>> nets(Circuit c) {
        Groups<Terminal> groups = new Groups<>();
        Set<Terminal> wired = new HashSet<>();
        for (Wire w : c.wires()) {
            groups.join(at(w.from(), c), at(w.to(), c));
            for (int end = 0; end < 2; end++) {
                if (c.part(w.end(end).part()).filter(Rerouting::isJoint).isEmpty()) {
                    wired.add(w.end(end));
                }
            }
        }
        return groups.of(wired).stream().filter(net -> net.size() > 1).collect(Collectors.toSet());
    }

    /** All terminals of a joint are one. */
    private static Terminal at(Terminal t, Circuit c) {
        return c.part(t.part())
                .filter(Rerouting::isJoint)
                .map(p -> new Terminal(p.id(), "1"))
                .orElse(t);
    }

    private String copper() {
        Map<String, Double> then = metres(before);
        Map<String, Double> now = metres(after);
        Set<String> sizes = new TreeSet<>(then.keySet());
        sizes.addAll(now.keySet());
        List<String> words = new ArrayList<>();
        for (String size : sizes) {
            double more = now.getOrDefault(size, 0.0) - then.getOrDefault(size, 0.0);
            if (Math.abs(more) >= 0.005) {
                words.add(Numbers.threeFigures(Math.abs(more)) + " m " + (more > 0 ? "more" : "less") + " conductor"
                        + (size.isEmpty() ? "" : " of " + size));
            }
        }
        long unknownThen = unknown(before);
        long unknown = unknown(after);
        String rest = unknown + unknownThen == 0
                ? ""
                : " Of " + unknownThen + " wires before and " + unknown + " now nobody wrote down the length.";
        return words.isEmpty()
                ? (rest.isEmpty() ? "It takes as much conductor as before." : rest.strip())
                : "It takes " + String.join(", ", words) + "." + rest;
    }

    private static Map<String, Double> metres(Circuit c) {
        Map<String, Double> metres = new TreeMap<>();
        for (Wire w : c.wires()) {
            c.lengthOf(w).ifPresent(length -> {
                String size = c.sizeOf(w) == null ? "" : c.sizeOf(w).word();
                metres.merge(size, length, Double::sum);
            });
        }
        return metres;
    }

    private static long unknown(Circuit c) {
        return c.wires().stream().filter(w -> c.lengthOf(w).isEmpty()).count();
    }
}
