package org.jagridge.web.circuits;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;

/**
 * The most used of what is computed from something that never changes, up to so much memory. Safe for several threads:
 * one computes a value while those who ask for the same wait for it; nobody else does.
 */
public final class Kept<K, V> {
    private final AsyncCache<K, V> values;

    /**
     * @param megabytes how much memory all values may take together, roughly
     * @param kilobytes what one takes, roughly
     */
    public Kept(int megabytes, ToIntFunction<V> kilobytes) {
        values = Caffeine.newBuilder()
                .maximumWeight(1024L * megabytes)
                .<K, V>weigher((k, v) -> kilobytes.applyAsInt(v) + 1)
                .executor(Runnable::run)
                .buildAsync();
    }

    /** So many megabytes, or an eighth of all memory that the application may take, where that is more. */
    public static int orAnEighth(int megabytes) {
        return (int) Math.max(megabytes, Runtime.getRuntime().maxMemory() / 8 / (1024 * 1024));
    }

    /** The value of a key, computed where it isn't kept. What fails isn't kept. */
    public V get(K key, Supplier<V> compute) {
        CompletableFuture<V> mine = new CompletableFuture<>();
        CompletableFuture<V> there = values.asMap().putIfAbsent(key, mine);
        if (there != null) {
            return wait(there, compute);
        }
        try {
            V value = compute.get();
            mine.complete(value);
            return value;
        } catch (RuntimeException | Error e) {
            // taken out of the cache by that; who waits computes it for themselves
            mine.cancel(false);
            throw e;
        }
    }

    /** Who waits has time of their own: where the one who computes gave up, it is computed once more. */
    private V wait(CompletableFuture<V> there, Supplier<V> compute) {
        try {
            return there.join();
        } catch (CancellationException e) {
            return compute.get();
        }
    }

    /** The value of a key where it is kept. */
    public Optional<V> find(K key) {
        return Optional.ofNullable(values.synchronous().getIfPresent(key));
    }

    public void put(K key, V value) {
        values.put(key, CompletableFuture.completedFuture(value));
    }
}
