package org.jagridge.core.prove;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/**
 * Everything in a circuit that some of its parts depend on: what their terminals are joined to by any branch, what their
 * parameters name, and so on. The walk stops at the poles of the supplies and what these feed through nothing but wires,
 * fuses and isolators (the trunk): parts that meet only there don't disturb each other, as long as the supply holds its
 * volts. Contacts of other parts on the way are noted, and may be let free: opened and closed at will in place of what
 * moves them. That is more than what the circuit can do, so what never happens then never happens.
 */
final class Cone {
    /** The trunk of one circuit. */
    static final class Trunk {
        final Assembly assembly;
        final Map<Integer, List<Branch>> at = new HashMap<>();
        /** By node of the trunk: the branch that leads to its source, or null at a pole. */
        final Map<Integer, Branch> toSource = new HashMap<>();

        final Map<Integer, String> sources = new HashMap<>();
        private final Map<Integer, Integer> pole = new HashMap<>();
        /** Poles that are joined by nothing but conductors, as pairs. */
        private final Set<Set<Integer>> joined = new HashSet<>();

        Trunk(Assembly assembly) {
            this.assembly = assembly;
            for (Branch b : assembly.branches()) {
                if (b.role() != Role.EARTHING && b.role() != Role.ABSENT) {
                    at.computeIfAbsent(b.nodeA(), n -> new ArrayList<>()).add(b);
                    at.computeIfAbsent(b.nodeB(), n -> new ArrayList<>()).add(b);
                }
            }
            Deque<Integer> open = new ArrayDeque<>();
            for (Assembly.Member m : assembly.members()) {
                if (isSource(m)) {
                    for (Branch b : assembly.branchesOf(m.part().id())) {
                        if (b.role().gives() || m.is(Trait.MAINS)) {
                            root(b.nodeA(), m, open);
                            root(b.nodeB(), m, open);
                        }
                    }
                }
            }
            while (!open.isEmpty()) {
                int n = open.poll();
                for (Branch b : at.getOrDefault(n, List.of())) {
                    int other = b.nodeA() == n ? b.nodeB() : b.nodeA();
                    if (!carries(b)) {
                        continue;
                    }
                    if (!toSource.containsKey(other)) {
                        toSource.put(other, b);
                        pole.put(other, pole.get(n));
                        open.add(other);
                    } else if (!pole.get(other).equals(pole.get(n))) {
                        joined.add(Set.of(pole.get(n), pole.get(other)));
                    }
                }
            }
        }

        private void root(int node, Assembly.Member m, Deque<Integer> open) {
            if (node >= 0 && !toSource.containsKey(node)) {
                toSource.put(node, null);
                sources.put(node, m.part().id());
                pole.put(node, node);
                open.add(node);
            }
        }

        /** Sources of which both poles are joined, over other sources' poles or straight. */
        Set<String> shorted() {
            Map<Integer, Integer> group = new HashMap<>();
            sources.keySet().forEach(p -> group.put(p, p));
            for (Set<Integer> pair : joined) {
                int from = group.get(pair.iterator().next());
                pair.forEach(p -> {
                    int was = group.get(p);
                    group.replaceAll((k, g) -> g == was ? from : g);
                });
            }
            Set<String> shorted = new TreeSet<>();
            for (Map.Entry<Integer, String> a : sources.entrySet()) {
                for (Map.Entry<Integer, String> b : sources.entrySet()) {
                    if (a.getKey() < b.getKey()
                            && a.getValue().equals(b.getValue())
                            && group.get(a.getKey()).equals(group.get(b.getKey()))) {
                        shorted.add(title(a.getKey()) + " " + title(b.getKey()));
                    }
                }
            }
            return shorted;
        }

        /** A pole by its terminal. */
        private String title(int node) {
            return assembly.nodes().entrySet().stream()
                    .filter(e -> e.getValue() == node)
                    .map(e -> e.getKey().toString())
                    .sorted()
                    .findFirst()
                    .orElse("pole " + node);
        }

        /** It gives volts and does nothing else. */
        private boolean isSource(Assembly.Member m) {
            List<Branch> of = assembly.branchesOf(m.part().id());
            return m.is(Trait.MAINS)
                    || (of.stream().anyMatch(b -> b.role().gives())
                            && of.stream().noneMatch(b -> b.role() == Role.LOAD || b.role() == Role.COIL));
        }

        private boolean carries(Branch b) {
            return switch (b.role()) {
                case WIRE, CONDUCTOR, PROTECTION -> true;
                case CONTACT ->
                    assembly.member(b.owner())
                            .filter(m -> m.type().isolation(m.params()).isPresent())
                            .isPresent();
                default -> false;
            };
        }

        boolean has(int node) {
            return toSource.containsKey(node);
        }
    }

    private final Trunk trunk;
    private final Assembly assembly;
    private final Set<String> named;
    /** The parts that it depends on, in the order in which they are met. */
    final Set<String> parts = new LinkedHashSet<>();
    /** Those of them that only feed the others. */
    final Set<String> feeding = new LinkedHashSet<>();

    final Set<String> wires = new LinkedHashSet<>();
    /** By pole of a source: what lies on every way from it. */
    private final Map<Integer, Set<String>> feedingAll = new HashMap<>();
    /** Contacts that are met on the way, by the part that moves them. */
    final Map<String, Set<Branch>> contacts = new LinkedHashMap<>();

    private final Set<Integer> nodes = new HashSet<>();
    private final boolean lets;
    private boolean strict;
    /** The part whose contacts are asked for, and not what these are joined to. */
    private String movedBy;

    private Cone(Trunk trunk, Collection<String> named, boolean lets) {
        this.trunk = trunk;
        assembly = trunk.assembly;
        this.named = new HashSet<>(named);
        this.lets = lets;
    }

    /** What parts depend on, with as many contacts free as may be. */
    static Cone of(Trunk trunk, Collection<String> named) {
        return of(trunk, named, false);
    }

    /** @param strict whether contacts that the same thing moves are left with what moves them */
    static Cone of(Trunk trunk, Collection<String> named, boolean strict) {
        Cone cone = new Cone(trunk, named, true);
        cone.strict = strict;
        named.forEach(cone::take);
        while (cone.expand()) {
            // until nothing that is free depends on what is not, or on what moves another
        }
        return cone;
    }

    /** A part with everything that moves it. */
    static Cone whatMoves(Trunk trunk, String part) {
        Cone cone = new Cone(trunk, List.of(part), false);
        cone.movedBy = part;
        cone.take(part);
        return cone;
    }

    /** Takes in what moves contacts that mustn't be free; whether there was one. */
    private boolean expand() {
        List<String> free = List.copyOf(contacts.keySet());
        Map<String, Set<String>> movers = new HashMap<>();
        for (String f : free) {
            Cone up = whatMoves(trunk, f);
            Set<String> own = new HashSet<>(up.parts);
            own.removeAll(up.feeding);
            movers.put(f, own);
        }
        Set<String> mine = new HashSet<>(parts);
        mine.removeAll(feeding);
        Set<String> tied = new LinkedHashSet<>();
        for (String f : free) {
            if (contacts.get(f).size() > 1 || meet(movers.get(f), mine)) {
                tied.add(f);
            }
            for (String g : free) {
                if (strict && !f.equals(g) && meet(movers.get(f), movers.get(g))) {
                    tied.add(f);
                }
            }
        }
        tied.forEach(f -> {
            contacts.remove(f);
            named.add(f);
            take(f);
        });
        return !tied.isEmpty();
    }

    /** Breakers, fuses and isolators that everything here hangs on: throwing one is the same as the source going off. */
    Set<String> inSeriesWithSource() {
        Set<String> all = new LinkedHashSet<>();
        feedingAll.forEach((pole, set) -> {
            if (assembly.member(trunk.sources.get(pole)).orElseThrow().is(Trait.MAINS)) {
                all.addAll(set);
            }
        });
        all.retainAll(feeding);
        return all;
    }

    private static boolean meet(Set<String> a, Set<String> b) {
        return a.stream().anyMatch(b::contains);
    }

    private void take(String id) {
        Assembly.Member m = assembly.member(id).orElse(null);
        if (m == null) {
            assembly.branchesOf(id).forEach(b -> {
                wires.add(id);
                visit(b.nodeA());
                visit(b.nodeB());
            });
            return;
        }
        if (!parts.add(id) && !feeding.remove(id)) {
            return;
        }
        for (PartDeclaration.Reference r : m.type().references(m.params())) {
            take(r.id());
        }
        for (Branch b : assembly.branchesOf(id)) {
            boolean moved = b.role() == Role.CONTACT && (m.is(Trait.FOLLOWS) || id.equals(movedBy));
            if (b.role() != Role.EARTHING && b.role() != Role.ABSENT && !moved) {
                visit(b.nodeA());
                visit(b.nodeB());
            }
        }
    }

    private void visit(int node) {
        if (node < 0 || !nodes.add(node)) {
            return;
        }
        if (trunk.has(node)) {
            feed(node);
            return;
        }
        for (Branch b : trunk.at.getOrDefault(node, List.of())) {
            int other = b.nodeA() == node ? b.nodeB() : b.nodeA();
            if (b.role() == Role.CONTACT
                    && trunk.at.getOrDefault(other, List.of()).size() < 2) {
                continue;
            }
            if (b.isWire()) {
                wires.add(b.owner());
            } else if (lets && isFree(b)) {
                contacts.computeIfAbsent(b.owner(), o -> new LinkedHashSet<>()).add(b);
            } else {
                take(b.owner());
            }
            visit(other);
        }
    }

    /** Whether a contact's part has nothing but contacts, or what moves it is nowhere joined to them. */
    private boolean isFree(Branch b) {
        if (b.role() != Role.CONTACT || named.contains(b.owner()) || b.a() == null || b.b() == null) {
            return false;
        }
        Assembly.Member m = assembly.member(b.owner()).orElse(null);
        return m != null
                && (m.is(Trait.FOLLOWS)
                        || assembly.branchesOf(b.owner()).stream().allMatch(x -> x.role() == Role.CONTACT));
    }

    /** The way from a node of the trunk to its source. */
    private void feed(int node) {
        int n = node;
        Set<String> isolators = new LinkedHashSet<>();
        for (Branch b = trunk.toSource.get(n); b != null; b = trunk.toSource.get(n)) {
            if (b.isWire()) {
                wires.add(b.owner());
            } else {
                isolators.add(b.owner());
                if (parts.add(b.owner())) {
                    feeding.add(b.owner());
                }
            }
            n = b.nodeA() == n ? b.nodeB() : b.nodeA();
            nodes.add(n);
        }
        feedingAll.computeIfAbsent(n, x -> new LinkedHashSet<>(isolators)).retainAll(isolators);
        String source = trunk.sources.get(n);
        if (parts.add(source)) {
            feeding.add(source);
            assembly.branchesOf(source).stream()
                    .filter(b -> b.role() == Role.PRIMARY
                            || (b.role() != Role.EARTHING && !b.role().gives()))
                    .forEach(b -> {
                        visit(b.nodeA());
                        visit(b.nodeB());
                    });
        }
    }
}
