package org.jagridge.core.part;

import java.util.Locale;
import java.util.function.Supplier;

/**
 * Why a part changed. Made at every reaction and read at few, so its words are only put together when asked for.
 *
 * @param words puts together one plain clause
 * @param volts the volts (or amps) that decided, or null
 * @param threshold what they were compared with, or null
 * @param focus the branch whose current path explains the change, or null
 * @param lost whether the path is the one that was there before the change
 * @param delayed whether the reason lies at the moment the part was armed, not now
 * @param since when a clock inside the part that has just run out was started, or null where that is when
 *     the part last changed
 */
public record Because(
        Kind kind,
        Supplier<String> words,
        Double volts,
        Double threshold,
        Branch focus,
        boolean lost,
        boolean delayed,
        Instant since) {

    public Because(
            Kind kind,
            Supplier<String> words,
            Double volts,
            Double threshold,
            Branch focus,
            boolean lost,
            boolean delayed) {
        this(kind, words, volts, threshold, focus, lost, delayed, null);
    }

    /** The reason as one plain clause. */
    public String text() {
        return words.get();
    }

    /** What sort of reason. */
    public enum Kind {
        INPUT,
        TIMER,
        VOLTS,
        AMPS,
        LINK,
        FAULT,
        TEMPERATURE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public static Because input(String text) {
        return new Because(Kind.INPUT, () -> text, null, null, null, false, false);
    }

    public static Because link(String text) {
        return link(() -> text);
    }

    public static Because link(Supplier<String> words) {
        return new Because(Kind.LINK, words, null, null, null, false, false);
    }

    public static Because fault(String text) {
        return new Because(Kind.FAULT, () -> text, null, null, null, false, false);
    }

    public static Because temperature(Supplier<String> words) {
        return new Because(Kind.TEMPERATURE, words, null, null, null, false, false);
    }

    /** A delay that began earlier has run out. */
    public static Because timer(String text) {
        return timer(() -> text);
    }

    /** The same, with words that are only put together when asked for. */
    public static Because timer(Supplier<String> words) {
        return new Because(Kind.TIMER, words, null, null, null, false, true);
    }

    /** Volts across {@code focus} have risen to at least {@code threshold}. */
    public static Because risen(Branch focus, double volts, double threshold) {
        Supplier<String> words = () -> "%s now %s V ≥ %s V"
                .formatted(dashed(focus), Numbers.threeFigures(volts), Numbers.threeFigures(threshold));
        return new Because(Kind.VOLTS, words, volts, threshold, focus, false, false);
    }

    /** Volts across {@code focus} have fallen under (or to) {@code threshold}. */
    public static Because fallen(Branch focus, double volts, double threshold) {
        Supplier<String> words = () -> "%s now %s V ≤ %s V"
                .formatted(dashed(focus), Numbers.threeFigures(volts), Numbers.threeFigures(threshold));
        return new Because(Kind.VOLTS, words, volts, threshold, focus, true, false);
    }

    /** Amps through {@code focus} passed {@code threshold}. */
    public static Because amps(Supplier<String> words, Branch focus, double amps, double threshold) {
        return new Because(Kind.AMPS, words, amps, threshold, focus, false, true);
    }

    /** The same reason, and what follows from it by itself, as another clause. */
    public Because and(String more) {
        return new Because(kind, () -> text() + ": " + more, volts, threshold, focus, lost, delayed, since);
    }

    /** The same reason, but it arose when the part was armed. */
    public Because afterDelay() {
        return new Because(kind, words, volts, threshold, focus, lost, true, since);
    }

    /** The same reason, which also needs the current through {@code branch}. */
    public Because through(Branch branch) {
        return new Because(kind, words, volts, threshold, branch, lost, delayed, since);
    }

    /** The same reason; its clock was started at {@code start}. */
    public Because since(Instant start) {
        return new Because(kind, words, volts, threshold, focus, lost, delayed, start);
    }

    private static String dashed(Branch focus) {
        return focus.label().isEmpty() ? focus.owner() : focus.label().replace('-', '–');
    }
}
