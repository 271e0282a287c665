package org.jagridge.core.part;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jgrapht.alg.util.UnionFind;

/** What is joined with what, as terminals by wires. What was never joined is a group of its own. */
public final class Groups<T> {
    private final UnionFind<T> joined = new UnionFind<>(Set.of());
    private final Set<T> known = new LinkedHashSet<>();

    /** The one that stands for an item's group until the next join. */
    public T root(T item) {
        return known.contains(item) ? joined.find(item) : item;
    }

    public boolean together(T a, T b) {
        return root(a).equals(root(b));
    }

    public void join(T a, T b) {
        joined.union(added(a), added(b));
    }

    private T added(T item) {
        if (known.add(item)) {
            joined.addElement(item);
        }
        return item;
    }

    /** The groups of some items, in their order. */
    public List<Set<T>> of(Iterable<T> items) {
        Map<T, Set<T>> groups = new LinkedHashMap<>();
        items.forEach(
                t -> groups.computeIfAbsent(root(t), r -> new LinkedHashSet<>()).add(t));
        return List.copyOf(groups.values());
    }
}
