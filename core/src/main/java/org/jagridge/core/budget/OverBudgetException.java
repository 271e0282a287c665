package org.jagridge.core.budget;

/** A piece of work would have taken longer than whoever asked for it waits, or isn't wanted any more. */
public final class OverBudgetException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final double seconds;
    private final String meanwhile;

    OverBudgetException(double seconds, String meanwhile) {
        super("not worked out within " + (seconds == Math.rint(seconds) ? (long) seconds + "" : seconds + "") + " s");
        this.seconds = seconds;
        this.meanwhile = meanwhile;
    }

    /** What was going on when the time was up, like "still moving: K1, TH"; empty where there is nothing to say. */
    public String meanwhile() {
        return meanwhile;
    }

    /** How long there was. */
    public double seconds() {
        return seconds;
    }
}
