package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.PartTypes;

/** Finds which of the changes of an instant led to the next one. */
final class Causes {
    /**
     * A part that has just changed, seen or not.
     *
     * @param told the events that tell of it: its own event; for a change that its signal doesn't show, what led to that
     */
    record Moved(String part, Supplier<List<Integer>> told) {
        List<Integer> events() {
            return told.get();
        }
    }

    private final Homes homes;
    /** For each part, itself and the parts that its parameters name. */
    private final Map<String, Set<String>> known = new HashMap<>();

    Causes(Assembly healthy, Homes homes) {
        this.homes = homes;
        for (Assembly.Member m : healthy.members()) {
            Set<String> names = new HashSet<>(Set.of(m.part().id()));
            PartTypes.catalogue().require(m.part()).references(m.params()).stream()
                    .filter(r -> !r.wire())
                    .map(PartDeclaration.Reference::id)
                    .forEach(names::add);
            known.put(m.part().id(), names);
        }
    }

    /**
     * The events that led to a part's change: what moved on its current path; for what depends on no current, its own
     * inputs and the parts it follows; where neither is found, what moved on the same supply.
     */
    List<Integer> of(String part, Because because, CurrentPath.Path path, List<Moved> batch) {
        if (batch.isEmpty()) {
            return List.of();
        }
        List<Integer> onPath = events(batch, m -> path.owners().contains(m.part()));
        if (!onPath.isEmpty()) {
            return onPath;
        }
        List<Integer> followed =
                events(batch, m -> known.getOrDefault(part, Set.of()).contains(m.part()));
        if (!followed.isEmpty() || isOfItself(because)) {
            return followed;
        }
        List<Integer> sameSupply = events(batch, m -> homes.share(part, m.part()));
        return sameSupply.isEmpty() ? events(batch, m -> true) : sameSupply;
    }

    /** Whether the reason lies in the part and what it follows, never in the wiring. */
    private static boolean isOfItself(Because because) {
        return because.kind() == Because.Kind.TEMPERATURE || because.kind() == Because.Kind.TIMER;
    }

    private static List<Integer> events(List<Moved> batch, Predicate<Moved> which) {
        List<Integer> events = new ArrayList<>();
        batch.stream().filter(which).flatMap(m -> m.events().stream()).forEach(e -> {
            if (!events.contains(e)) {
                events.add(e);
            }
        });
        return events;
    }
}
