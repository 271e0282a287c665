package org.jagridge.core.part;

import static org.jagridge.core.Circuits.control;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.circuit.Terminal;
import org.testng.annotations.Test;

/** Connections are followed as somebody with a finger would, in the shortest way. */
public class WaysTest {
    private final Assembly lamps = Assembly.of(control()
            .part("S1", "switch", "unit")
            .part("S2", "switch", "unit")
            .part("LP", "lamp", "unit")
            .wire("T1.X1", "S1.1")
            .wire("S1.2", "S2.1")
            .wire("S2.2", "LP.1")
            .wire("LP.2", "T1.X2")
            .build());

    private int node(String terminal) {
        return lamps.node(Terminal.parse(terminal)).orElseThrow();
    }

    @Test
    public void whatWiresJoinIsOneGroupAndASwitchIsBetweenTwo() {
        NodeGroups nets = NodeGroups.of(lamps, Branch::isWire);
        assertTrue(nets.together(node("T1.X1"), node("S1.1")));
        assertFalse(nets.together(node("S1.1"), node("S1.2")));
        assertFalse(nets.together(node("LP.1"), node("LP.2")));
        assertEquals(nets.root(node("M.PE")), Integer.valueOf(node("M.PE")), "alone it is its own group");
    }

    @Test
    public void theWayNamesTheBranchesInOrder() {
        NodeGroups nets = NodeGroups.of(lamps, Branch::isWire);
        Ways ways = Ways.of(lamps, b -> b.role() == Role.CONTACT, nets::root);
        int goal = nets.root(node("LP.1"));
        Optional<List<Branch>> way = ways.way(nets.root(node("T1.X1")), n -> n == goal, b -> true);
        assertEquals(way.orElseThrow().stream().map(Branch::owner).toList(), List.of("S1", "S2"));
        assertTrue(ways.way(
                        nets.root(node("T1.X1")),
                        n -> n == goal,
                        b -> !b.owner().equals("S2"))
                .isEmpty());
        assertEquals(ways.way(goal, n -> n == goal, b -> false), Optional.of(List.of()), "it is there already");
        assertTrue(ways.way(-99, n -> n == goal, b -> true).isEmpty(), "a place that no branch touches");
        assertEquals(ways.at(-99), List.of());
    }

    /** Against a search written for this test alone, on circuits made by dice. */
    @Test
    public void waysAreShortestAndReachWhatAnySearchReaches() {
        int found = 0;
        for (int seed = 0; seed < 60; seed++) {
            Assembly assembly = Assembly.of(GeneratedCircuits.of(seed, 40));
            Ways ways = Ways.ofNodes(assembly, b -> b.role().joins());
            for (int from = 0; from < assembly.nodeCount(); from += 7) {
                Map<Integer, Integer> far = distances(assembly, from);
                assertEquals(ways.reached(from, b -> true), far.keySet());
                for (int to = 0; to < assembly.nodeCount(); to += 5) {
                    int goal = to;
                    Optional<List<Branch>> way = ways.way(from, n -> n == goal, b -> true);
                    assertEquals(way.map(List::size).orElse(-1), far.getOrDefault(to, -1));
                    found += way.isPresent() ? 1 : 0;
                }
            }
        }
        assertTrue(found > 500, found + " ways");
    }

    private static Map<Integer, Integer> distances(Assembly assembly, int from) {
        Map<Integer, Integer> far = new HashMap<>(Map.of(from, 0));
        Deque<Integer> queue = new ArrayDeque<>(List.of(from));
        Set<Integer> done = new HashSet<>();
        while (!queue.isEmpty()) {
            int n = queue.poll();
            if (!done.add(n)) {
                continue;
            }
            for (Branch b : assembly.branches()) {
                if (b.role().joins() && (b.nodeA() == n || b.nodeB() == n)) {
                    int other = b.nodeA() == n ? b.nodeB() : b.nodeA();
                    if (far.putIfAbsent(other, far.get(n) + 1) == null) {
                        queue.add(other);
                    }
                }
            }
        }
        return far;
    }

    /** Against every way that there is, followed one by one. */
    @Test
    public void whatLiesBetweenTwoPlacesIsOnSomeWay() {
        int some = 0;
        for (int seed = 0; seed < 60; seed++) {
            Assembly assembly = Assembly.of(GeneratedCircuits.of(seed, 14));
            Ways ways = Ways.ofNodes(assembly, b -> b.role().joins());
            for (int from = 0; from < assembly.nodeCount(); from += 7) {
                for (int to = 0; to < assembly.nodeCount(); to += 3) {
                    Set<Branch> on = new HashSet<>();
                    follow(ways, from, to, new ArrayDeque<>(List.of(from)), new ArrayDeque<>(), on);
                    assertEquals(ways.between(from, to), on, "seed " + seed + ", " + from + " to " + to);
                    some += on.isEmpty() ? 0 : 1;
                }
            }
        }
        assertTrue(some > 100, some + " pairs");
    }

    private static void follow(Ways ways, int here, int to, Deque<Integer> places, Deque<Branch> way, Set<Branch> on) {
        if (here == to) {
            on.addAll(way);
            return;
        }
        for (Branch b : ways.at(here)) {
            int other = b.nodeA() == here ? b.nodeB() : b.nodeA();
            if (!places.contains(other)) {
                places.push(other);
                way.push(b);
                follow(ways, other, to, places, way, on);
                places.pop();
                way.pop();
            }
        }
    }
}
