package org.jagridge.core.budget;

/** A piece of work would have taken longer than whoever asked for it waits, or isn't wanted any more. */
public final class OverBudgetException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final double seconds;

    OverBudgetException(double seconds) {
        super("not worked out within " + (seconds == Math.rint(seconds) ? (long) seconds + "" : seconds + "") + " s");
        this.seconds = seconds;
    }

    /** How long there was. */
    public double seconds() {
        return seconds;
    }
}
