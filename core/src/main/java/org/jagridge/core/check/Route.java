package org.jagridge.core.check;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import org.jagridge.core.network.Network;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/**
 * Finds ways on which volts can come from a source: over branches, across transformers in either direction, and from
 * the mains of an opener to its signal. A way ends at earth, since what is bonded to earth can't be live.
 */
final class Route {
    private final Assembly assembly;
    private final Map<Integer, List<Branch>> atNode = new HashMap<>();
    private final Set<Integer> earthed;

    Route(Assembly assembly) {
        this.assembly = assembly;
        for (Branch b : assembly.branches()) {
            atNode.computeIfAbsent(b.nodeA(), n -> new ArrayList<>()).add(b);
            atNode.computeIfAbsent(b.nodeB(), n -> new ArrayList<>()).add(b);
        }
        earthed = earthed();
    }

    /** Nodes bonded to earth by conductors that nothing opens. */
    private Set<Integer> earthed() {
        NodeGroups conductors = NodeGroups.of(assembly, b -> b.role() == Role.WIRE || b.role() == Role.CONDUCTOR);
        Set<Integer> bonded = new HashSet<>();
        for (Branch b : assembly.branches()) {
            // supplies and earth parts bond; the strays of a transformer do not
            if (b.role() == Role.EARTHING && b.nodeB() == Network.EARTH && is(b, Trait.BONDED)) {
                bonded.add(conductors.root(b.nodeA()));
            }
        }
        Set<Integer> nodes = new HashSet<>();
        for (int n = 0; n < assembly.nodeCount(); n++) {
            if (bonded.contains(conductors.root(n))) {
                nodes.add(n);
            }
        }
        return nodes;
    }

    /** The sources that volts come from in the end: one that is fed is reached through what feeds it. */
    List<Branch> sources() {
        return assembly.branches().stream()
                .filter(b -> b.role() == Role.SOURCE && !is(b, Trait.DERIVED_SOURCE) && !is(b, Trait.HARMLESS_SOURCE))
                .toList();
    }

    private boolean is(Branch b, Trait trait) {
        return assembly.member(b.owner()).map(m -> m.is(trait)).orElse(false);
    }

    /**
     * The shortest way from a source's poles to a wanted node, as the parts and wires on it; empty where there is none.
     *
     * @param passes whether volts get over a branch
     */
    Optional<List<String>> from(Branch source, IntPredicate wanted, Predicate<Branch> passes) {
        Map<Integer, Branch> cameBy = new HashMap<>();
        Map<Integer, Integer> cameFrom = new HashMap<>();
        Deque<Integer> queue = new ArrayDeque<>();
        for (int pole : new int[] {source.nodeA(), source.nodeB()}) {
            if (canBeLive(pole) && cameFrom.putIfAbsent(pole, -1) == null) {
                queue.add(pole);
                cameBy.put(pole, source);
            }
        }
        while (!queue.isEmpty()) {
            int n = queue.pollFirst();
            if (wanted.test(n)) {
                return Optional.of(owners(n, cameBy, cameFrom));
            }
            for (Branch b : atNode.getOrDefault(n, List.of())) {
                if (b.role() == Role.EARTHING || !passes.test(b)) {
                    continue;
                }
                List<Integer> next = new ArrayList<>(List.of(b.nodeA() == n ? b.nodeB() : b.nodeA()));
                next.addAll(acrossTransformer(b));
                for (int other : next) {
                    if (canBeLive(other) && cameFrom.putIfAbsent(other, n) == null) {
                        cameBy.put(other, b);
                        queue.addLast(other);
                    }
                }
            }
        }
        return Optional.empty();
    }

    private boolean canBeLive(int node) {
        return node != Network.EARTH && !earthed.contains(node);
    }

    /** The ends of the other winding, and of an opener's signal. */
    private List<Integer> acrossTransformer(Branch b) {
        List<Integer> nodesAcross = new ArrayList<>();
        boolean passes = b.role() == Role.PRIMARY || b.role() == Role.SECONDARY || b.role() == Role.LOAD;
        if (passes) {
            for (Branch o : assembly.branchesOf(b.owner())) {
                boolean winding = b.role() != Role.LOAD && (o.role() == Role.PRIMARY || o.role() == Role.SECONDARY);
                boolean signal = b.role() == Role.LOAD && o.role() == Role.SOURCE && is(o, Trait.DERIVED_SOURCE);
                if (o.index() != b.index() && (winding || signal)) {
                    nodesAcross.addAll(List.of(o.nodeA(), o.nodeB()));
                }
            }
        }
        return nodesAcross;
    }

    private static List<String> owners(int end, Map<Integer, Branch> cameBy, Map<Integer, Integer> cameFrom) {
        List<String> owners = new ArrayList<>();
        for (int n = end; n >= 0; n = cameFrom.get(n)) {
            String owner = cameBy.get(n).owner();
            if (owners.isEmpty() || !owners.get(owners.size() - 1).equals(owner)) {
                owners.add(owner);
            }
        }
        Collections.reverse(owners);
        return owners;
    }
}
