package org.jagridge.core.part;

import java.util.function.BiFunction;

/**
 * What a part makes of the present moment.
 *
 * @param state its next state (the same one where nothing changed)
 * @param wakeAt when it wants to be asked again even if nothing else changes, or {@link Instant#NEVER}
 * @param because the reason for a change of signal, or null
 * @param arms the reason for a delay that begins now, or null
 */
public record Reaction<S>(S state, Instant wakeAt, Because because, Because arms) {
    public static <S> Reaction<S> stay(S state) {
        return new Reaction<>(state, Instant.NEVER, null, null);
    }

    public static <S> Reaction<S> waiting(S state, Instant wakeAt) {
        return new Reaction<>(state, wakeAt, null, null);
    }

    /** A delay begins now and ends at {@code wakeAt}. */
    public static <S> Reaction<S> arm(S state, Instant wakeAt, Because because) {
        return new Reaction<>(state, wakeAt, null, because);
    }

    public static <S> Reaction<S> change(S state, Because because) {
        return new Reaction<>(state, Instant.NEVER, because, null);
    }

    public Reaction<S> wake(Instant at) {
        return new Reaction<>(state, Instant.earliest(wakeAt, at), because, arms);
    }

    /** The same reaction told of a state that this one is a piece of. */
    public <T> Reaction<T> as(T whole) {
        return new Reaction<>(whole, wakeAt, because, arms);
    }

    /** Two reactions of one part as one; the first that gives a reason gives the part's. */
    public static <A, B, S> Reaction<S> both(Reaction<A> a, Reaction<B> b, BiFunction<A, B, S> join) {
        return new Reaction<>(
                join.apply(a.state(), b.state()),
                Instant.earliest(a.wakeAt(), b.wakeAt()),
                a.because() != null ? a.because() : b.because(),
                a.arms() != null ? a.arms() : b.arms());
    }
}
