package org.jagridge.core.budget;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * How long a thread may work on what it is about. Everything that can take long asks {@link #check} on its way; without a
 * budget it takes the time that it takes. Work that is handed on to other threads takes the budget along with
 * {@link #current} or {@link #shared}.
 */
public final class Budget {
    private static final ThreadLocal<Budget> MINE = new ThreadLocal<>();
    private static final Budget NONE = new Budget(Double.POSITIVE_INFINITY, () -> false);
    private static final double NANOS = 1e9;

    private final double seconds;
    private final long began = System.nanoTime();
    private final BooleanSupplier unwanted;

    private Budget(double seconds, BooleanSupplier unwanted) {
        this.seconds = seconds;
        this.unwanted = unwanted;
    }

    /** So many seconds from now on. */
    public static Budget ofSeconds(double seconds) {
        return ofSeconds(seconds, () -> false);
    }

    /** The same, or less where nobody wants it any more. */
    public static Budget ofSeconds(double seconds, BooleanSupplier unwanted) {
        return new Budget(seconds, unwanted);
    }

    /** The budget of this thread's work; one without an end where none was begun. */
    public static Budget current() {
        Budget mine = MINE.get();
        return mine == null ? NONE : mine;
    }

    /** A piece of work. */
    public interface Work<E extends Exception> {
        void run() throws E;
    }

    /** Counts what this thread does in a piece of work against this budget; then what was there before goes on. */
    public <E extends Exception> void run(Work<E> work) throws E {
        Budget before = MINE.get();
        MINE.set(this);
        try {
            work.run();
        } finally {
            if (before == null) {
                MINE.remove();
            } else {
                MINE.set(before);
            }
        }
    }

    /** The same for work that has a result. */
    public <T> T call(Supplier<T> work) {
        List<T> result = new ArrayList<>(1);
        run(() -> result.add(work.get()));
        return result.get(0);
    }

    /** The same function for other threads: what they do counts against this thread's budget. */
    public static <A, B> Function<A, B> shared(Function<A, B> function) {
        Budget mine = current();
        return a -> mine.call(() -> function.apply(a));
    }

    /**
     * Asks whether this thread's work may go on.
     *
     * @throws OverBudgetException where its time is up or nobody wants it any more
     */
    public static void check() {
        check(() -> "");
    }

    /**
     * The same.
     *
     * @param meanwhile what is going on, asked for only where the time is up
     * @throws OverBudgetException where its time is up or nobody wants it any more
     */
    public static void check(Supplier<String> meanwhile) {
        Budget mine = MINE.get();
        if (mine != null && (System.nanoTime() - mine.began > mine.seconds * NANOS || mine.unwanted.getAsBoolean())) {
            throw new OverBudgetException(mine.seconds, meanwhile.get());
        }
    }
}
