package org.jagridge.core.check;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;

/** A circuit's wiring as checks look at it: what is joined by wires alone, and what could be reached from where. */
final class Wiring {
    private final Assembly assembly;
    private final int[] net;
    private final Map<Integer, List<Branch>> atNet = new HashMap<>();
    private final Set<Terminal> wired = new HashSet<>();

    Wiring(Assembly assembly) {
        this.assembly = assembly;
        net = new int[assembly.nodeCount()];
        for (int i = 0; i < net.length; i++) {
            net[i] = i;
        }
        for (Branch b : assembly.branches()) {
            if (b.role() == Role.WIRE || b.role() == Role.CONDUCTOR) {
                int x = root(b.nodeA());
                int y = root(b.nodeB());
                net[Math.max(x, y)] = Math.min(x, y);
            }
        }
        for (Branch b : assembly.branches()) {
            if (b.isWire()) {
                wired.add(b.a());
                wired.add(b.b());
            } else if (b.role() != Role.EARTHING && b.role() != Role.CONDUCTOR) {
                atNet.computeIfAbsent(net(b.nodeA()), n -> new ArrayList<>()).add(b);
                atNet.computeIfAbsent(net(b.nodeB()), n -> new ArrayList<>()).add(b);
            }
        }
    }

    private int root(int i) {
        int r = i;
        while (net[r] != r) {
            r = net[r];
        }
        return r;
    }

    Assembly assembly() {
        return assembly;
    }

    /** The net of a node: what wires, bars and splices join. */
    int net(int node) {
        return root(node);
    }

    Optional<Integer> net(String part, String terminal) {
        return assembly.node(new Terminal(part, terminal)).map(this::net);
    }

    boolean isWired(String part, String terminal) {
        return wired.contains(new Terminal(part, terminal));
    }

    boolean joined(String partA, String a, String partB, String b) {
        Optional<Integer> x = net(partA, a);
        return x.isPresent() && x.equals(net(partB, b));
    }

    List<Branch> at(int netIndex) {
        return atNet.getOrDefault(netIndex, List.of());
    }

    List<Assembly.Member> parts(String... types) {
        Set<String> wanted = Set.of(types);
        return assembly.members().stream()
                .filter(m -> m.part().fitted() && wanted.contains(m.part().type()))
                .toList();
    }

    List<Branch> branches(Role... roles) {
        Set<Role> wanted = Set.of(roles);
        return assembly.branches().stream()
                .filter(b -> wanted.contains(b.role()))
                .toList();
    }

    Part part(String id) {
        return assembly.circuit().part(id).orElseThrow();
    }

    /** A pole of a source that could reach a net, and whether it is the hot one. */
    record Reached(Branch source, boolean hot) {}

    /** Every pole that could be joined hard to a net through contacts, fuses and breakers, were they all closed. */
    List<Reached> polesWithinReach(int start) {
        List<Reached> poles = new ArrayList<>();
        for (int n : withinReach(start, Set.of())) {
            for (Branch b : at(n)) {
                if (b.role().gives()) {
                    if (net(b.nodeA()) == n) {
                        poles.add(new Reached(b, true));
                    }
                    if (b.b() != null && net(b.nodeB()) == n) {
                        poles.add(new Reached(b, false));
                    }
                }
            }
        }
        return poles;
    }

    /** Nets joined to {@code start} were all contacts closed, but for those of the parts in {@code closed}. */
    Set<Integer> withinReach(int start, Set<String> notThrough) {
        Set<Integer> seen = new HashSet<>(Set.of(start));
        Deque<Integer> queue = new ArrayDeque<>(seen);
        while (!queue.isEmpty()) {
            int n = queue.pollFirst();
            for (Branch b : at(n)) {
                boolean joins = b.role() == Role.CONTACT || b.role() == Role.PROTECTION;
                if (joins && !notThrough.contains(b.owner())) {
                    int other = net(b.nodeA()) == n ? net(b.nodeB()) : net(b.nodeA());
                    if (seen.add(other)) {
                        queue.addLast(other);
                    }
                }
            }
        }
        return seen;
    }
}
