package org.jagridge.core.meter;

import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Reach.Side;
import org.jagridge.core.run.Reach.ThroughLoad;

/** What a reading of no volts is in one world: a rest, a conductor, two live points alike, or nothing joined at all. */
final class ZeroLook {
    /** From here on volts along a conductor are worth naming. */
    private static final double DROP = 0.1;

    private final VoltsAt at;
    private final Frame frame;
    private final Reach reach;
    private final Terminal plus;
    private final Terminal minus;
    private final int plusNode;
    private final int minusNode;

    ZeroLook(VoltsAt at) {
        this.at = at;
        frame = at.frame();
        reach = at.reach();
        plus = at.plus();
        minus = at.minus();
        plusNode = at.plusNode();
        minusNode = at.minusNode();
    }

    Look look() {
        if (reach.joined(plusNode, minusNode)) {
            return joined();
        }
        Optional<String> otherKind = at.otherKind();
        if (otherKind.isPresent()) {
            return unshown(otherKind.get());
        }
        ThroughLoad a = reach.throughLoads(plusNode);
        ThroughLoad b = reach.throughLoads(minusNode);
        boolean plusOn = !reach.polesOf(plusNode).isEmpty();
        boolean minusOn = !reach.polesOf(minusNode).isEmpty();
        if (!plusOn && !minusOn && a == null && b == null) {
            return unfed();
        }
        if (plusOn && minusOn) {
            String both = at.connection(plusNode) + ", " + at.connection(minusNode);
            if (!at.isHot(plusNode) && !at.isHot(minusNode)) {
                return new Look(
                        Look.Kind.JOINED,
                        List.of(both),
                        at.nothing() + " between two returns: " + both + ". It says nothing of what is fed.",
                        "both are on a return");
            }
            return new Look(
                    Look.Kind.BOTH_LIVE,
                    List.of(both),
                    at.nothing() + " between two points that are both live: " + both
                            + ". They are at the same voltage. Never take this for dead.",
                    "both are live at the same voltage (" + both + ")");
        }
        if (a == null || b == null) {
            Terminal floating = a == null ? plus : minus;
            Terminal other = a == null ? minus : plus;
            if (at.isEarth(a == null ? plusNode : minusNode)) {
                return new Look(
                        Look.Kind.RESTS,
                        List.of(floating, other, "", false),
                        at.nothing() + ": " + floating + " is earth, and " + other
                                + " shows no volts to it. This doesn't prove " + other + " dead.",
                        other + " shows no volts to earth");
            }
            return new Look(
                    Look.Kind.FLOATING,
                    List.of(floating),
                    at.nothing() + ": " + floating
                            + " is joined to nothing, so the meter has no way back. This doesn't prove " + other
                            + " dead.",
                    floating + " is joined to nothing");
        }
        Terminal idle = plusOn ? minus : plus;
        Terminal base = plusOn ? plus : minus;
        int baseNode = plusOn ? plusNode : minusNode;
        Branch own = at.atItsTerminals();
        List<Branch> through = own != null ? List.of(own) : (plusOn ? b : a).loads();
        boolean live = at.isHot(baseNode) || frame.voltsToEarth(baseNode) >= VoltsAt.DANGEROUS;
        String rests = "no current flows through " + VoltsAt.names(through) + " and " + idle
                + " rests at the voltage of " + base;
        return new Look(
                Look.Kind.RESTS,
                List.of(idle, base, VoltsAt.names(through), live),
                at.nothing() + ": " + rests
                        + (live
                                ? ", which is live: never take this for dead."
                                : " and is not powered. It proves that only if the supply is live: check the source first."),
                rests + (live ? ", which is live" : ""));
    }

    private Look unshown(String kind) {
        String stand = kind + " volts stand between them, which this range doesn't show";
        return new Look(
                Look.Kind.OTHER_KIND,
                List.of(),
                at.nothing() + " between " + plus + " and " + minus + ", and yet " + stand
                        + ". Turn to the other range; never take this for dead.",
                stand);
    }

    private Look unfed() {
        return new Look(
                Look.Kind.UNFED,
                List.of(),
                at.nothing() + ": " + plus + " and " + minus
                        + " are joined to no live source. Both are dead now, if the meter proves itself on a known live "
                        + "point before and after.",
                "neither is joined to a live source");
    }

    private Look joined() {
        String by = frame.assembly().branches().stream()
                .filter(b -> at.isRightBetween(b) && (b.role() == Role.CONTACT || b.role() == Role.PROTECTION))
                .map(Branch::title)
                .findFirst()
                .orElse("");
        Side side = reach.sideOf(plusNode);
        boolean hot = side != null && side != Side.RETURN;
        String joint = by.isEmpty()
                ? (at.value() < DROP ? at.nothing() + ": " : at.digits() + ", the drop of what flows: ") + plus
                        + " and " + minus + " are joined by conductors"
                : "About 0 V across a closed contact, " + by;
        String clause = by.isEmpty() ? "both are on one conductor" : by + " is closed";
        if (side == null) {
            return unfed();
        }
        return new Look(
                Look.Kind.JOINED,
                List.of(by, hot),
                joint + ", and both are " + (hot ? "live" : "on the return") + ".",
                clause + (hot ? " and both are live" : " on the return"));
    }
}
