package org.jagridge.core.plan;

import java.util.List;
import java.util.Set;
import org.jagridge.core.check.Finding;
import org.jagridge.core.circuit.Circuit;

/**
 * A way to wire it that has been run in every call and holds.
 *
 * @param moves what was done to make it possible
 * @param lost what doesn't work with it, in words
 * @param modes each call with what ran
 */
public record WiringPlan(
        int rank,
        String title,
        List<Move> moves,
        List<String> lost,
        Prices.Price cost,
        List<Purchase> buy,
        List<Conductor> schedule,
        List<Joint> fit,
        List<Joint> takeOut,
        List<Unused> unused,
        List<StripPost> strip,
        List<Mode> modes,
        List<Budget> budget,
        List<Finding> findings,
        List<String> said,
        Circuit circuit) {

    /** What has to be bought. */
    public record Purchase(String what, String article, int count, String why) {}

    /**
     * One core of a cable.
     *
     * @param carries the letter
     * @param was on which letter it was landed before; null where nobody said
     */
    public record Conductor(
            String wire, String cable, String core, String from, String to, String carries, String why, String was) {
        Conductor saying(String more) {
            return new Conductor(wire, cable, core, from, to, carries, why + more, was);
        }
    }

    /** Two terminals at one place, joined or to be parted. */
    public record Joint(String from, String to, String why) {}

    /** A core or terminal on which nothing lands. */
    public record Unused(String what, String why) {}

    /** A post of a wiring centre: what it carries, and each conductor that lands there. */
    public record StripPost(String post, String carries, List<String> conductors) {}

    /**
     * A call as it was run.
     *
     * @param call like {@code cooling}
     * @param runs what ran when it had settled
     * @param why the first thing that went wrong; null where it holds
     */
    public record Mode(String call, Set<Duty> runs, boolean holds, String why) {}

    /**
     * What a transformer gives in a call.
     *
     * @param inrushVa the most at any instant of the call's beginning, and when its mains come back
     * @param farthest the terminal of the coil that gets the least volts
     * @param volts what it gets once all is pulled in
     */
    public record Budget(
            String transformer,
            double ratedVa,
            String call,
            double sealedVa,
            double inrushVa,
            String farthest,
            double volts,
            double leastVolts,
            boolean isShort,
            String working) {}

    WiringPlan ranked(int place) {
        return new WiringPlan(
                place, title, moves, lost, cost, buy, schedule, fit, takeOut, unused, strip, modes, budget, findings,
                said, circuit);
    }
}
