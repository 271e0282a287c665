package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/**
 * Two terminals that equipment feeds from within: a heater that is called by joining its pair, a boiler's dry call, two
 * legs of a supply without a neutral. A ladder shows the equipment over the rails of the loop that it feeds.
 */
final class OwnPair {
    private OwnPair() {}

    /** The equipment that feeds a section from within, as a source between its two terminals. */
    static List<Branch> in(Assembly assembly, Set<Integer> spots, Spots all) {
        List<Branch> pairs = new ArrayList<>();
        assembly.branches().stream()
                .filter(b -> b.role().gives() && !b.isDrawn())
                .map(Branch::owner)
                .distinct()
                .forEach(owner -> of(assembly, owner, spots, all).ifPresent(pairs::add));
        return pairs;
    }

    private static Optional<Branch> of(Assembly assembly, String owner, Set<Integer> spots, Spots all) {
        List<Branch> inside = assembly.branchesOf(owner).stream()
                .filter(b -> !b.isDrawn() && b.role() != Role.EARTHING)
                .toList();
        List<Map.Entry<Terminal, Integer>> there = assembly.nodes().entrySet().stream()
                .filter(e -> e.getKey().part().equals(owner))
                .filter(e -> spots.contains(all.ofNode(e.getValue())))
                .filter(e -> inside.stream().anyMatch(b -> touches(b, e.getValue())))
                .collect(Collectors.toMap(e -> all.ofNode(e.getValue()), e -> e, (a, b) -> a, java.util.TreeMap::new))
                .values()
                .stream()
                .toList();
        if (there.size() < 2) {
            return Optional.empty();
        }
        Branch giver = inside.stream().filter(b -> b.role().gives()).findFirst().orElseThrow();
        int first = IntStream.range(0, there.size())
                .filter(i -> touches(giver, there.get(i).getValue()))
                .findFirst()
                .orElse(0);
        var hot = there.get(first);
        var other = there.get(first == 0 ? 1 : 0);
        boolean legs = inside.stream().filter(b -> b.role() == Role.SOURCE).count() > 1;
        return Optional.of(new Branch(
                giver.index(),
                owner,
                hot.getKey().name() + "-" + other.getKey().name(),
                hot.getValue(),
                other.getValue(),
                hot.getKey(),
                other.getKey(),
                Role.SOURCE,
                legs ? Shape.SUPPLY : Shape.BOX,
                false));
    }

    private static boolean touches(Branch b, int node) {
        return (b.nodeA() == node && Objects.nonNull(b.a())) || (b.nodeB() == node && Objects.nonNull(b.b()));
    }
}
