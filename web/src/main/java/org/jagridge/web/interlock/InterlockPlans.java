package org.jagridge.web.interlock;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.plan.InterlockAnswer;
import org.jagridge.core.plan.InterlockPlanner;
import org.jagridge.core.plan.InterlockRequest;
import org.springframework.stereotype.Service;

/** Plans one request after the other beside the pages that ask for them, and keeps the newest answers. */
@Service
class InterlockPlans {
    private static final int KEPT = 20;
    private static final long AT_ONCE_SECONDS = 2;
    private static final double MOST_SECONDS = 120;
    /** A page that waits asks every few seconds; what nobody has asked for so long isn't planned to its end. */
    private static final long LEFT_NANOS = 15_000_000_000L;

    private final Cache<InterlockRequest, Planned> plans =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final ExecutorService one = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "interlock-plans");
        t.setDaemon(true);
        return t;
    });

    /** What is planned, or being planned. */
    private static final class Planned {
        private final long began = System.nanoTime();
        private volatile long asked = began;
        private final CompletableFuture<InterlockAnswer> answer = new CompletableFuture<>();

        private boolean isLeft() {
            return System.nanoTime() - asked > LEFT_NANOS;
        }
    }

    /** The answer where it is there within a moment; else it comes by itself, and who asks again gets it. */
    Optional<InterlockAnswer> ask(InterlockRequest request) {
        Planned planned = plans.get(request, r -> {
            Planned p = new Planned();
            one.execute(() -> plan(r, p));
            return p;
        });
        planned.asked = System.nanoTime();
        try {
            return Optional.of(planned.answer.get(AT_ONCE_SECONDS, TimeUnit.SECONDS));
        } catch (TimeoutException e) {
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new CompletionException(e.getCause());
        }
    }

    private void plan(InterlockRequest request, Planned into) {
        try {
            Budget.ofSeconds(MOST_SECONDS, into::isLeft)
                    .run(() -> into.answer.complete(InterlockPlanner.plan(request)));
        } catch (RuntimeException | Error e) {
            // who comes back to what was left begins anew
            plans.asMap().remove(request, into);
            into.answer.completeExceptionally(e);
        }
    }

    /** How long a request has been planned, seconds. */
    long seconds(InterlockRequest request) {
        Planned planned = plans.getIfPresent(request);
        return planned == null ? 0 : (System.nanoTime() - planned.began) / 1_000_000_000L;
    }

    @PreDestroy
    void close() {
        one.shutdownNow();
    }
}
