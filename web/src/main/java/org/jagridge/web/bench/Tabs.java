package org.jagridge.web.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;

/** Counts what each tab of a browser asks, so that an answer that is overtaken needn't be worked out to its end. */
final class Tabs {
    private static final int MOST = 1000;

    private final Cache<String, AtomicLong> asked =
            Caffeine.newBuilder().maximumSize(MOST).build();

    /** A tab asks the next thing; a tab without a name is none. */
    void next(String tab) {
        if (!tab.isEmpty()) {
            asked.get(tab, t -> new AtomicLong()).incrementAndGet();
        }
    }

    /** Whether a tab has asked something since now. */
    BooleanSupplier overtaken(String tab) {
        if (tab.isEmpty()) {
            return () -> false;
        }
        AtomicLong count = asked.get(tab, t -> new AtomicLong());
        long mine = count.get();
        return () -> count.get() != mine;
    }
}
