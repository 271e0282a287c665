package org.jagridge.core.meter;

import java.util.List;
import org.jagridge.core.meter.DeadTest.Claim;
import org.jagridge.core.meter.DeadTest.Seen;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Frame;

/** What the capacitance range shows in one frame, against what is printed on the capacitor. */
final class CapacitorLook {
    /** A run capacitor is good within this share of what is printed on it. */
    private static final double GOOD = 0.06;

    private final Leads leads;
    private final Frame frame;

    CapacitorLook(Leads leads) {
        this.leads = leads;
        frame = leads.frame();
    }

    /** Whether it has what is printed on it. */
    boolean isGood(Branch capacitor) {
        double share = microfarads(frame, List.of(capacitor)) / microfarads(frame.sound(), List.of(capacitor));
        return Math.abs(share - 1) <= GOOD;
    }

    List<Branch> between() {
        return leads.assembly().branches().stream()
                .filter(b -> b.shape() == Shape.CAPACITOR && leads.isBetween(b))
                .toList();
    }

    Seen look() {
        if (leads.plus() == leads.minus()) {
            return new Seen(0, "Both leads are on the same terminal.");
        }
        List<Branch> found = between();
        if (found.isEmpty() && !inSeries().isEmpty()) {
            return series(inSeries());
        }
        if (found.isEmpty()) {
            return new Seen(0, "There is no capacitor between " + leads.words() + ".");
        }
        double beside = leads.ohms(frame);
        if (beside < DeadTest.DISCHARGES_OHMS) {
            return Seen.refused("Something lies beside " + found.get(0).title() + " (" + OhmsLook.words(beside)
                    + "): the reading would be of both. Take the wires off one of its posts first.");
        }
        double is = microfarads(frame, found);
        double printed = microfarads(frame.sound(), found);
        String what = String.join(" and ", found.stream().map(Branch::title).toList());
        if (is < 0.01 * printed) {
            return new Seen(
                    is,
                    "Next to nothing at " + what + ": it is open. " + Numbers.threeFigures(printed)
                            + " µF are printed on it.",
                    new Claim(Claim.Kind.WORN, found.get(0)));
        }
        return Math.abs(is - printed) > GOOD * printed
                ? new Seen(
                        is,
                        what + " has " + percent(1 - is / printed) + " less than the " + Numbers.threeFigures(printed)
                                + " µF printed on it; more than 6 % off is worn out. Replace it.",
                        new Claim(Claim.Kind.WORN, found.get(0)))
                : new Seen(
                        is,
                        what + " is good: " + Numbers.threeFigures(printed)
                                + " µF are printed on it, and 6 % off is allowed.",
                        new Claim(Claim.Kind.GOOD, found.get(0)));
    }

    /** Two sections of one capacitor that meet at their common post, with the leads on the other two. */
    private List<Branch> inSeries() {
        List<Branch> sections = leads.assembly().branches().stream()
                .filter(b -> b.shape() == Shape.CAPACITOR)
                .toList();
        for (Branch one : sections) {
            for (Branch other : sections) {
                boolean meet = one.owner().equals(other.owner()) && one.nodeA() == other.nodeA() && !one.equals(other);
                if (meet
                        && leads.reach().joined(one.nodeB(), leads.plus())
                        && leads.reach().joined(other.nodeB(), leads.minus())) {
                    return List.of(one, other);
                }
            }
        }
        return List.of();
    }

    private Seen series(List<Branch> two) {
        double one = microfarads(frame, two.subList(0, 1));
        double other = microfarads(frame, two.subList(1, 2));
        double is = one + other == 0 ? 0 : one * other / (one + other);
        return new Seen(
                is,
                Seen.SHOWN + " of two sections in series: " + two.get(0).title() + " and "
                        + two.get(1).title() + ". Measure each from the common post.");
    }

    private double microfarads(Frame f, List<Branch> capacitors) {
        double radians = 2 * Math.PI * leads.assembly().hertz();
        return capacitors.stream()
                        .mapToDouble(c -> f.ac().values().admittance(c.index()).im() / radians)
                        .sum()
                * 1e6;
    }

    private static String percent(double share) {
        return Math.round(100 * share) + " %";
    }
}
