package org.jagridge.core.budget;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** Pieces of work on all cores: each done once, in order, and nobody held up by anybody else. */
public class ParallelTest {
    private static final List<Integer> MANY = IntStream.range(0, 500).boxed().toList();

    @Test
    public void eachIsDoneOnceAndTheOrderIsKept() {
        AtomicInteger done = new AtomicInteger();
        List<Integer> squares = Parallel.map(MANY, i -> {
            done.incrementAndGet();
            return i * i;
        });
        assertEquals(squares, MANY.stream().map(i -> i * i).toList());
        assertEquals(done.get(), MANY.size());
        assertEquals(Parallel.map(List.of(), i -> i), List.of());
    }

    @Test
    public void piecesMayHaveNoResultAndPiecesOfTheirOwn() {
        assertEquals(Parallel.map(List.of(1, 2), i -> null).size(), 2);
        List<List<Integer>> nested = Parallel.map(MANY.subList(0, 20), i -> Parallel.map(MANY, k -> i + k));
        assertEquals(nested.get(19).get(499), Integer.valueOf(518));
    }

    @Test
    public void theFirstThatFailsIsThrownAndTheRestIsLeft() {
        IllegalStateException mine = new IllegalStateException("three");
        AtomicInteger begun = new AtomicInteger();
        IllegalStateException thrown = expectThrows(
                IllegalStateException.class,
                () -> Parallel.map(MANY, i -> {
                    begun.incrementAndGet();
                    throw mine;
                }));
        assertSame(thrown, mine);
        assertTrue(begun.get() <= Runtime.getRuntime().availableProcessors(), begun + " were begun");
        assertThrows(
                AssertionError.class,
                () -> Parallel.map(List.of(1), i -> {
                    throw new AssertionError(i);
                }));
    }

    @Test
    public void everyPieceCountsAgainstTheBudgetOfWhoAsks() {
        Budget mine = Budget.ofSeconds(60);
        Set<Budget> seen = ConcurrentHashMap.newKeySet();
        mine.run(() -> Parallel.map(MANY, i -> seen.add(Budget.current())));
        assertEquals(seen, Set.of(mine));
        assertThrows(
                OverBudgetException.class,
                () -> Budget.ofSeconds(0)
                        .run(() -> Parallel.map(MANY, i -> {
                            Budget.check();
                            return i;
                        })));
    }

    /** All helpers hang in somebody's large work, and a small one is done all the same. */
    @Test(timeOut = 60_000)
    public void nobodyWaitsForWhatSomebodyElseHasBegun() throws InterruptedException {
        int threads = Runtime.getRuntime().availableProcessors() + 1;
        CountDownLatch hang = new CountDownLatch(1);
        CountDownLatch hanging = new CountDownLatch(Runtime.getRuntime().availableProcessors());
        Thread other = new Thread(() -> Parallel.map(MANY.subList(0, threads), i -> {
            hanging.countDown();
            try {
                hang.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return i;
        }));
        other.start();
        hanging.await();
        assertEquals(Parallel.map(MANY, i -> -i).get(7), Integer.valueOf(-7));
        hang.countDown();
        other.join();
    }
}
