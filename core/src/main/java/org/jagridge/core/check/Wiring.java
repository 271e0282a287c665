package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.Ways;

/** A circuit's wiring as checks look at it: what is joined by wires alone, and what could be reached from where. */
final class Wiring {
    private final Assembly assembly;
    private final NodeGroups nets;
    private final Ways ways;
    private final Set<Terminal> wired = new HashSet<>();

    Wiring(Assembly assembly) {
        this.assembly = assembly;
        nets = NodeGroups.of(assembly, b -> b.role() == Role.WIRE || b.role() == Role.CONDUCTOR);
        ways = Ways.of(
                assembly, b -> !b.isWire() && b.role() != Role.EARTHING && b.role() != Role.CONDUCTOR, this::net);
        assembly.branches().stream().filter(Branch::isWire).forEach(b -> {
            wired.add(b.a());
            wired.add(b.b());
        });
    }

    Assembly assembly() {
        return assembly;
    }

    /** The net of a node: what wires, bars and splices join. */
    int net(int node) {
        return nets.root(node);
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
        return ways.at(netIndex);
    }

    /** The fitted parts that are one of these. */
    List<Assembly.Member> parts(Trait... traits) {
        return assembly.members().stream()
                .filter(m -> m.part().fitted() && Arrays.stream(traits).anyMatch(m::is))
                .toList();
    }

    List<Branch> branches(Role... roles) {
        Set<Role> wanted = Set.of(roles);
        return assembly.branches().stream()
                .filter(b -> wanted.contains(b.role()))
                .toList();
    }

    Assembly.Member member(String id) {
        return assembly.member(id).orElseThrow();
    }

    /** Whether a control has a terminal, as it was ordered. */
    static boolean has(Assembly.Member m, String terminal) {
        return m.params().texts("terminals").contains(terminal);
    }

    /** Whether a control has a terminal and a wire is on it. */
    boolean isWired(Assembly.Member m, String terminal) {
        return has(m, terminal) && isWired(m.part().id(), terminal);
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
        return ways.reached(
                start,
                b -> (b.role() == Role.CONTACT || b.role() == Role.PROTECTION) && !notThrough.contains(b.owner()));
    }

    /** Whether one side of a contact reaches only a return pole and the other side only loads. */
    boolean isOnReturnSide(Branch contact) {
        for (boolean first : new boolean[] {true, false}) {
            int near = net(first ? contact.nodeA() : contact.nodeB());
            int far = net(first ? contact.nodeB() : contact.nodeA());
            boolean nearReturn = !poles(near, contact.owner(), false).isEmpty()
                    && poles(near, contact.owner(), true).isEmpty();
            boolean farFed = !poles(far, contact.owner(), true).isEmpty();
            boolean farLoads = at(far).stream().anyMatch(b -> b.role().consumes());
            if (nearReturn && !farFed && farLoads) {
                return true;
            }
        }
        return false;
    }

    private Set<String> poles(int from, String without, boolean hot) {
        Set<String> sources = new HashSet<>();
        for (int n : withinReach(from, Set.of(without))) {
            for (Branch b : at(n)) {
                if (b.role().gives() && b.b() != null && net(hot ? b.nodeA() : b.nodeB()) == n) {
                    sources.add(b.owner());
                }
            }
        }
        return sources;
    }

    static boolean isLine(Branch source) {
        return source.role() == Role.SOURCE
                && source.a() != null
                && source.a().name().startsWith("L");
    }
}
