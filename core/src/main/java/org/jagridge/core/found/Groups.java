package org.jagridge.core.found;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What is joined with what. */
final class Groups<T> {
    private final Map<T, T> parent = new HashMap<>();

    T root(T item) {
        T r = item;
        while (parent.containsKey(r)) {
            r = parent.get(r);
        }
        return r;
    }

    boolean together(T a, T b) {
        return root(a).equals(root(b));
    }

    void join(T a, T b) {
        T x = root(a);
        T y = root(b);
        if (!x.equals(y)) {
            parent.put(x, y);
        }
    }

    /** The groups of some items, in their order. */
    List<Set<T>> of(Iterable<T> items) {
        Map<T, Set<T>> groups = new LinkedHashMap<>();
        items.forEach(
                t -> groups.computeIfAbsent(root(t), r -> new LinkedHashSet<>()).add(t));
        return List.copyOf(groups.values());
    }
}
