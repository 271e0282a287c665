package org.jagridge.web.circuits;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;

/**
 * The most used of what is computed from something that never changes, up to so much memory. Safe for several threads:
 * one computes a value while those who ask for the same wait and those who ask for another don't.
 */
public final class Kept<K, V> {
    private final Cache<K, V> values;

    /**
     * @param megabytes how much memory all values may take together, roughly
     * @param kilobytes what one takes, roughly
     */
    public Kept(int megabytes, ToIntFunction<V> kilobytes) {
        values = Caffeine.newBuilder()
                .maximumWeight(1024L * megabytes)
                .<K, V>weigher((k, v) -> kilobytes.applyAsInt(v) + 1)
                .executor(Runnable::run)
                .build();
    }

    /** The value of a key, computed where it isn't kept. What fails isn't kept. */
    public V get(K key, Supplier<V> compute) {
        return values.get(key, k -> compute.get());
    }

    /** The value of a key where it is kept. */
    public Optional<V> find(K key) {
        return Optional.ofNullable(values.getIfPresent(key));
    }

    public void put(K key, V value) {
        values.put(key, value);
    }
}
