package org.jagridge.core.budget;

import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Function;

/**
 * Many like pieces of work on all cores. Whoever asks works on them, and helpers that all share work beside, a piece at a
 * time in turn, so that nobody waits for what somebody else has begun. (A parallel stream of the JDK's common pool that is
 * asked for from several threads spins while it waits: half of the processor where the planner's tests run.)
 */
public final class Parallel {
    private static final ExecutorService HELPERS =
            Executors.newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors() - 1), work -> {
                Thread helper = new Thread(work, "helper");
                helper.setDaemon(true);
                return helper;
            });

    private Parallel() {}

    /**
     * What a function gives for each item, in their order, within this thread's budget.
     *
     * @throws RuntimeException the first that the function throws; items that nobody has begun by then are left out
     */
    public static <A, B> List<B> map(Collection<A> items, Function<? super A, ? extends B> function) {
        Course<A, B> course = new Course<>(List.copyOf(items), Budget.shared(function::apply));
        int helpers = Math.min(items.size(), Runtime.getRuntime().availableProcessors()) - 1;
        for (int i = 0; i < helpers; i++) {
            HELPERS.execute(course);
        }
        return course.results();
    }

    /** The items of one call, each taken by whoever comes first. */
    private static final class Course<A, B> implements Runnable {
        private final List<A> items;
        private final Function<A, B> function;
        private final Object[] results;
        private final AtomicInteger next = new AtomicInteger();
        private final CountDownLatch open;
        private final AtomicReference<Throwable> failure = new AtomicReference<>();

        Course(List<A> items, Function<A, B> function) {
            this.items = items;
            this.function = function;
            results = new Object[items.size()];
            open = new CountDownLatch(items.size());
        }

        /** A helper's turn. */
        @Override
        public void run() {
            if (step()) {
                HELPERS.execute(this);
            }
        }

        /** Does the next item; whether there was one. */
        private boolean step() {
            int i = next.getAndIncrement();
            if (i >= items.size()) {
                return false;
            }
            try {
                if (failure.get() == null) {
                    results[i] = function.apply(items.get(i));
                }
            } catch (RuntimeException | Error e) {
                failure.compareAndSet(null, e);
            } finally {
                open.countDown();
            }
            return true;
        }

        @SuppressWarnings("unchecked")
        List<B> results() {
            boolean more = true;
            while (more) {
                more = step();
            }
            await();
            if (failure.get() instanceof Error e) {
                throw e;
            }
            if (failure.get() instanceof RuntimeException e) {
                throw e;
            }
            return (List<B>) Collections.unmodifiableList(Arrays.asList(results));
        }

        /** For what helpers have begun; they ask the same budget, so it ends. */
        private void await() {
            boolean interrupted = false;
            while (open.getCount() > 0) {
                try {
                    open.await();
                } catch (InterruptedException e) {
                    interrupted = true;
                }
            }
            if (interrupted) {
                Thread.currentThread().interrupt();
            }
        }
    }
}
