package org.jagridge.core.part;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.BiconnectivityInspector;
import org.jgrapht.alg.connectivity.ConnectivityInspector;
import org.jgrapht.graph.MaskSubgraph;
import org.jgrapht.graph.Pseudograph;
import org.jgrapht.traverse.BreadthFirstIterator;

/**
 * An assembly as a graph: places joined by branches. A place is a node, or a group of nodes that count as one. Whoever
 * follows connections asks here; ways are the shortest, and among equal ones those over the branches that come first in
 * the assembly.
 */
public final class Ways {
    private final Graph<Integer, Branch> graph = new Pseudograph<>(null, null, false);
    /** What has been asked for. */
    private final Map<Integer, List<Branch>> at = new ConcurrentHashMap<>();

    private Ways() {}

    /** Branches between nodes. */
    public static Ways ofNodes(Assembly assembly, Predicate<Branch> which) {
        return of(assembly, which, n -> n);
    }

    /**
     * Branches between groups of nodes.
     *
     * @param place the number of the group that a node is in; earth is asked for as a node, too
     */
    public static Ways of(Assembly assembly, Predicate<Branch> which, IntUnaryOperator place) {
        Ways ways = new Ways();
        for (Branch b : assembly.branches()) {
            if (which.test(b)) {
                int from = place.applyAsInt(b.nodeA());
                int to = place.applyAsInt(b.nodeB());
                ways.graph.addVertex(from);
                ways.graph.addVertex(to);
                ways.graph.addEdge(from, to, b);
            }
        }
        return ways;
    }

    /** The branches at a place, in the order of the assembly; one with both ends there is given once. */
    public List<Branch> at(int place) {
        return at.computeIfAbsent(place, p -> graph.containsVertex(p) ? List.copyOf(graph.edgesOf(p)) : List.of());
    }

    /** The places that are reached from one over such branches, itself first, the nearest next. */
    public Set<Integer> reached(int from, Predicate<Branch> over) {
        Set<Integer> reached = new LinkedHashSet<>(Set.of(from));
        if (graph.containsVertex(from)) {
            walk(from, over).forEachRemaining(reached::add);
        }
        return reached;
    }

    /** The shortest way over such branches from a place to one that is wanted; empty where none is reached. */
    public Optional<List<Branch>> way(int from, IntPredicate wanted, Predicate<Branch> over) {
        if (wanted.test(from)) {
            return Optional.of(List.of());
        }
        if (!graph.containsVertex(from)) {
            return Optional.empty();
        }
        BreadthFirstIterator<Integer, Branch> walk = walk(from, over);
        while (walk.hasNext()) {
            int place = walk.next();
            if (wanted.test(place)) {
                List<Branch> way = new ArrayList<>();
                for (Integer p = place; walk.getSpanningTreeEdge(p) != null; p = walk.getParent(p)) {
                    way.add(walk.getSpanningTreeEdge(p));
                }
                Collections.reverse(way);
                return Optional.of(way);
            }
        }
        return Optional.empty();
    }

    /**
     * The branches over which one can get from a place to another without coming by any place twice: a branch with
     * which a direct joint of the two would lie in one block of the graph.
     */
    public Set<Branch> between(int from, int to) {
        if (from == to || !graph.containsVertex(from) || !graph.containsVertex(to)) {
            return Set.of();
        }
        Graph<Integer, Object> closed = new Pseudograph<>(null, null, false);
        for (Integer place : new ConnectivityInspector<>(graph).connectedSetOf(from)) {
            closed.addVertex(place);
        }
        if (!closed.containsVertex(to)) {
            return Set.of();
        }
        for (Integer place : closed.vertexSet()) {
            for (Branch b : graph.edgesOf(place)) {
                int other = graph.getEdgeSource(b) + graph.getEdgeTarget(b) - place;
                if (other != place) {
                    closed.addEdge(place, other, b);
                }
            }
        }
        Object joint = new Object();
        closed.addEdge(from, to, joint);
        return new BiconnectivityInspector<>(closed)
                .getBlocks().stream()
                        .filter(block -> block.containsEdge(joint))
                        .flatMap(block -> block.edgeSet().stream())
                        .filter(edge -> edge instanceof Branch)
                        .map(Branch.class::cast)
                        .collect(Collectors.toUnmodifiableSet());
    }

    private BreadthFirstIterator<Integer, Branch> walk(int from, Predicate<Branch> over) {
        return new BreadthFirstIterator<>(new MaskSubgraph<>(graph, v -> false, b -> !over.test(b)), from);
    }
}
