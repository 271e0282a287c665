package org.jagridge.web.circuits;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;

/** What is kept is computed once; nobody waits but for the very same. */
public class KeptTest {
    @Test
    public void whoAsksForAnotherDoesNotWait() throws Exception {
        Kept<Integer, String> kept = new Kept<>(1, s -> 1);
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch go = new CountDownLatch(1);
        AtomicInteger times = new AtomicInteger();
        CompletableFuture<String> slow = CompletableFuture.supplyAsync(() -> kept.get(0, () -> {
            times.incrementAndGet();
            begun.countDown();
            try {
                assertTrue(go.await(20, TimeUnit.SECONDS));
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            return "slow";
        }));
        assertTrue(begun.await(20, TimeUnit.SECONDS));
        // whatever its hash
        for (int i = 1; i < 2000; i++) {
            assertEquals(kept.get(i, () -> "quick"), "quick");
        }
        CompletableFuture<String> same = CompletableFuture.supplyAsync(() -> kept.get(0, () -> "again"));
        go.countDown();
        assertEquals(slow.get(20, TimeUnit.SECONDS), "slow");
        assertEquals(same.get(20, TimeUnit.SECONDS), "slow");
        assertEquals(times.get(), 1);
    }

    @Test
    public void whatFailsIsNotKept() {
        Kept<String, String> kept = new Kept<>(1, s -> 1);
        assertThrows(
                IllegalStateException.class,
                () -> kept.get("a", () -> {
                    throw new IllegalStateException("no");
                }));
        assertTrue(kept.find("a").isEmpty());
        assertEquals(kept.get("a", () -> "b"), "b");
        assertEquals(kept.find("a").orElseThrow(), "b");
    }

    @Test
    public void oneMayBeMadeOfAnother() {
        Kept<Integer, Integer> kept = new Kept<>(1, s -> 1);
        assertEquals(kept.get(2, () -> 1 + kept.get(1, () -> 1)), Integer.valueOf(2));
    }
}
