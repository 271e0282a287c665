package org.jagridge.web.waiting;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ForkJoinPool;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jagridge.core.budget.Budget;
import org.springframework.stereotype.Component;

/**
 * Threads of their own for proofs and plans, which keep all cores busy for seconds: in the threads that all share, whoever
 * wants a meter's sentence would have to help with somebody's proof first.
 */
@Component
public class Heavy {
    private final ForkJoinPool pool =
            new ForkJoinPool(Math.max(2, Runtime.getRuntime().availableProcessors()));

    /** Does a piece of work there, within the budget of who asks, and waits for it. */
    public <T> T call(Supplier<T> work) {
        Function<Void, T> mine = Budget.shared(nothing -> work.get());
        CompletableFuture<T> result = new CompletableFuture<>();
        pool.execute(() -> {
            try {
                result.complete(mine.apply(null));
            } catch (RuntimeException | Error e) {
                result.completeExceptionally(e);
            }
        });
        try {
            return result.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : e;
        }
    }

    @PreDestroy
    void close() {
        pool.shutdownNow();
    }
}
