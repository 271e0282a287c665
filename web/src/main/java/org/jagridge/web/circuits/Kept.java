package org.jagridge.web.circuits;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/** The most recently used of what is computed from something that never changes. Safe for several threads. */
public final class Kept<K, V> {
    private final Map<K, V> values;

    /** @param most how many are kept */
    public Kept(int most) {
        values = new LinkedHashMap<>(16, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    /** The value of a key, computed where it isn't kept. What fails isn't kept. */
    public synchronized V get(K key, Supplier<V> compute) {
        V known = values.get(key);
        if (known == null) {
            known = compute.get();
            values.put(key, known);
        }
        return known;
    }
}
