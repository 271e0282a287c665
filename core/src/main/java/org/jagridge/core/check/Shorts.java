package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.SHORT_CIRCUIT;
import static org.jagridge.core.check.FindingKind.SHORT_REACHABLE;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.Ways;

/** Hot and return of one source joined by wires, or by nothing but contacts that can all be closed together. */
final class Shorts implements WiringCheck {
    /** Ways that part at more relays than this are not followed to their ends. */
    private static final int MOST_STATES = 20_000;

    private final Wiring wiring;
    private final Findings findings;
    private final Ways closable;

    /**
     * Where a way has come, and how the parts on it must stand for it to be closed. Breadth first over these, so that
     * every way is tried that no part forbids, and the shortest is told, in whatever order the parts are listed.
     */
    private record Step(int net, Map<String, String> positions, Branch by, Step before) {
        List<Branch> way() {
            List<Branch> way = new ArrayList<>();
            for (Step s = this; s.by != null; s = s.before) {
                way.add(s.by);
            }
            Collections.reverse(way);
            return way;
        }
    }

    private record State(int net, Map<String, String> positions) {}

    Shorts(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
        closable =
                Ways.of(wiring.assembly(), b -> b.role() == Role.CONTACT || b.role() == Role.PROTECTION, wiring::net);
    }

    @Override
    public void look() {
        List<Branch> sources = wiring.branches(Role.SOURCE, Role.SECONDARY);
        for (Branch s : sources) {
            if (s.a() != null && s.b() != null) {
                between(s.owner(), s.a(), s.nodeA(), s.b(), s.nodeB());
            }
            // two hot legs of one supply
            sources.stream()
                    .filter(o -> o.index() > s.index() && o.owner().equals(s.owner()) && o.nodeA() != s.nodeA())
                    .filter(o -> o.nodeB() == s.nodeB())
                    .forEach(o -> between(s.owner(), s.a(), s.nodeA(), o.a(), o.nodeA()));
        }
    }

    private void between(String source, Terminal one, int oneNode, Terminal other, int otherNode) {
        int from = wiring.net(oneNode);
        int to = wiring.net(otherNode);
        if (from == to) {
            findings.add(SHORT_CIRCUIT, List.of(source), "Wires alone join " + one + " to " + other + ".");
            return;
        }
        List<Branch> way = way(from, to);
        if (!way.isEmpty()) {
            List<String> contacts = way.stream().map(Branch::title).toList();
            findings.add(
                    SHORT_REACHABLE,
                    way.stream().map(Branch::owner).distinct().toList(),
                    one + " meets " + other + " through nothing but " + String.join(", ", contacts) + ".");
        }
    }

    /** The shortest way through contacts, fuses and breakers that can be closed at the same time; empty for none. */
    private List<Branch> way(int from, int to) {
        Set<Branch> useful = closable.between(from, to);
        if (useful.isEmpty()) {
            return List.of();
        }
        Set<String> once = new HashSet<>();
        Set<String> again = useful.stream()
                .map(Branch::owner)
                .filter(owner -> !once.add(owner))
                .collect(Collectors.toSet());
        Deque<Step> queue = new ArrayDeque<>(List.of(new Step(from, Map.of(), null, null)));
        Set<State> seen = new HashSet<>(Set.of(new State(from, Map.of())));
        while (!queue.isEmpty() && seen.size() < MOST_STATES) {
            Step step = queue.pollFirst();
            if (step.net() == to) {
                return step.way();
            }
            wiring.at(step.net()).stream()
                    .filter(useful::contains)
                    .sorted(Comparator.comparing(Branch::title))
                    .forEach(b -> {
                        // a part with one contact here forbids nothing
                        Map<String, String> positions =
                                again.contains(b.owner()) ? with(step.positions(), b) : step.positions();
                        int next = wiring.net(b.nodeA()) == step.net() ? wiring.net(b.nodeB()) : wiring.net(b.nodeA());
                        if (positions != null && seen.add(new State(next, positions))) {
                            queue.addLast(new Step(next, positions, b, step));
                        }
                    });
        }
        return List.of();
    }

    /** The positions with that of one more contact; null where its part can't stand both ways at once. */
    private Map<String, String> with(Map<String, String> positions, Branch b) {
        if (b.role() != Role.CONTACT) {
            return positions;
        }
        boolean exclusive = wiring.member(b.owner()).is(Trait.EXCLUSIVE_CONTACTS);
        String position = exclusive ? b.label() : b.restClosed() ? "at rest" : "moved";
        String known = positions.get(b.owner());
        if (known != null) {
            return known.equals(position) ? positions : null;
        }
        Map<String, String> more = new HashMap<>(positions);
        more.put(b.owner(), position);
        return more;
    }
}
