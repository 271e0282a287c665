package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Reach.Pole;
import org.jagridge.core.run.Reach.Side;
import org.jagridge.core.run.Reach.ThroughLoad;

/**
 * What a voltage reading proves, from how each lead is connected. Example: full volts between R and a thermostat
 * terminal whose contact is open are the supply seen through the load's winding: they prove the wire and the coil, and
 * that the terminal is <em>not</em> powered.
 */
final class VoltsProof {
    /** Readings under this many volts count as none. */
    private static final double NOTHING = 0.05;
    /** Nodes are the ends of a reading within this share of it. */
    private static final double ACROSS = 0.2;
    /** What is further apart than this is joined by stray capacitance alone. */
    private static final double APART_OHMS = 200_000;
    /** From here on volts along a conductor are worth naming. */
    private static final double DROP = 0.1;

    private final Frame frame;
    private final Reach reach;
    private final Terminal plus;
    private final Terminal minus;
    private final int plusNode;
    private final int minusNode;
    private final double value;
    private final boolean direct;
    private final Meter.Floating ghost;

    /** @param ghost what a floating lead takes from beside it, or null */
    VoltsProof(
            Frame frame,
            Reach reach,
            Request request,
            int plusNode,
            int minusNode,
            double value,
            Meter.Floating ghost) {
        this.frame = frame;
        this.reach = reach;
        this.ghost = ghost;
        plus = request.plus();
        minus = request.minus();
        this.plusNode = plusNode;
        this.minusNode = minusNode;
        this.value = Math.abs(value);
        direct = request.mode() == Request.Mode.DC_VOLTS;
    }

    String says() {
        if (plusNode == minusNode) {
            return "Both leads are on the same terminal.";
        }
        if (isApart()) {
            return digits() + " between two supplies that nothing joins: " + connection(plusNode) + ", "
                    + connection(minusNode) + ". What shows is stray and proves neither side. Measure each to its own "
                    + "return.";
        }
        if (value < fullVolts() * 0.02 || value < NOTHING) {
            return saysNothing();
        }
        if (ghost != null) {
            Terminal lead = ghost.plus() ? plus : minus;
            return "A ghost: " + lead + " is joined to nothing, and takes " + digits() + " from the cores beside it ("
                    + ghost.ghost().from() + "). It can drive nothing; the low-impedance range takes it away.";
        }
        Branch load = atItsTerminals();
        if (load != null) {
            return acrossLoad(load);
        }
        for (Pole p : reach.polesOf(plusNode)) {
            for (Pole m : reach.polesOf(minusNode)) {
                if (p.source().equals(m.source()) && !p.terminal().equals(m.terminal())) {
                    return acrossSupply(p, m);
                }
            }
        }
        Optional<Branch> poor = poorJoint();
        if (poor.isPresent()) {
            return acrossPoorJoint(poor.get());
        }
        List<Branch> opens = reach.opensBetween(plusNode, minusNode, frame);
        if (!opens.isEmpty()) {
            return acrossOpen(opens.get(0));
        }
        load = between(Role.LOAD, Role.COIL, Role.PRIMARY);
        if (load != null) {
            return acrossLoad(load);
        }
        return general();
    }

    /** Whether the leads hang on different sources between which there is next to no way for a current. */
    private boolean isApart() {
        ThroughLoad a = reach.throughLoads(plusNode);
        ThroughLoad b = reach.throughLoads(minusNode);
        if (a == null || b == null || a.pole().source().equals(b.pole().source())) {
            return false;
        }
        return new Solver(frame.assembly().network())
                        .impedance(solved(frame), plusNode, minusNode)
                        .abs()
                > APART_OHMS;
    }

    /** The network that the range looks at: direct current only where there is a source of it. */
    private Solution solved(Frame f) {
        return direct && f.dc() != null ? f.dc() : f.ac();
    }

    /** The volts of the source that either lead hangs on, to judge what is much. */
    private double fullVolts() {
        double most = 0;
        for (Branch b : frame.assembly().branches()) {
            if (b.role().gives() && (onSource(plusNode, b) || onSource(minusNode, b))) {
                most = Math.max(most, frame.volts(b));
            }
        }
        return most;
    }

    private boolean onSource(int node, Branch source) {
        ThroughLoad way = reach.throughLoads(node);
        return way != null && way.pole().source().equals(source.owner());
    }

    /** A branch of one of the roles that lies right between the leads. */
    private Branch between(Role... roles) {
        for (Branch b : frame.assembly().branches()) {
            boolean across = (reach.joined(b.nodeA(), plusNode) && reach.joined(b.nodeB(), minusNode))
                    || (reach.joined(b.nodeA(), minusNode) && reach.joined(b.nodeB(), plusNode));
            if (across
                    && List.of(roles).contains(b.role())
                    && (frame.conducts(b) || b.role().consumes())) {
                return b;
            }
        }
        return null;
    }

    /** A load whose own two terminals the leads are on. */
    private Branch atItsTerminals() {
        for (Branch b : frame.assembly().branches()) {
            boolean there = (b.nodeA() == plusNode && b.nodeB() == minusNode)
                    || (b.nodeA() == minusNode && b.nodeB() == plusNode);
            // electronics that are unplugged are not there
            boolean gone = b.shape() == Shape.BOX && !frame.conducts(b);
            if (there && b.role().consumes() && !gone) {
                return b;
            }
        }
        return null;
    }

    /** Both leads are joined hard to the poles of one source. */
    private String acrossSupply(Pole plusPole, Pole minusPole) {
        String ways = Stream.of(reaches(plusPole, plus, plusNode), reaches(minusPole, minus, minusNode))
                .flatMap(Optional::stream)
                .collect(Collectors.joining(", and "));
        return ways.isEmpty()
                ? "This is the supply itself: " + plusPole.source() + " gives " + digits()
                        + ". It says nothing of any load yet."
                : digits() + ", all that " + plusPole.source() + " gives: " + ways
                        + ". It says nothing yet of what comes after.";
    }

    /** "T1.X1 reaches TH.G through F1 1–2, TH R–G"; empty for a lead that is on the pole itself. */
    private Optional<String> reaches(Pole pole, Terminal lead, int node) {
        int from = frame.assembly().node(Terminal.parse(pole.terminal())).orElseThrow();
        if (from == node) {
            return Optional.empty();
        }
        String through = MadeWay.between(frame, reach, from, node).stream()
                .map(b -> b.title().replace('-', '–'))
                .collect(Collectors.joining(", "));
        return Optional.of(pole.terminal() + " reaches " + lead + (through.isEmpty() ? "" : " through " + through));
    }

    /** A wire or contact right across which the reading stands, and which would hardly drop any if it were sound. */
    private Optional<Branch> poorJoint() {
        Frame without = reach.joined(plusNode, minusNode) ? frame.sound() : frame;
        if (without == frame) {
            return Optional.empty();
        }
        Solution now = solved(frame);
        Values sound = solved(without).values();
        return frame.assembly().branches().stream()
                .filter(b -> b.role().joins() && reach.joined(b.nodeA(), plusNode) && frame.conducts(b))
                .filter(b -> 2 * now.values().admittance(b.index()).abs()
                        < sound.admittance(b.index()).abs())
                .filter(b -> standsAcross(b, now))
                .findFirst();
    }

    private boolean standsAcross(Branch b, Solution now) {
        double near = ACROSS * value;
        boolean forward = now.volts(b.nodeA(), plusNode).abs() < near
                && now.volts(b.nodeB(), minusNode).abs() < near;
        boolean backward = now.volts(b.nodeA(), minusNode).abs() < near
                && now.volts(b.nodeB(), plusNode).abs() < near;
        return forward || backward;
    }

    private String acrossPoorJoint(Branch b) {
        double ohms = 1 / solved(frame).values().admittance(b.index()).re();
        return digits() + " across " + (b.isWire() ? "the wire " + b.owner() : b.title()) + ", where a sound one shows "
                + "next to none: a poor joint of " + DeadTest.ohmsWords(ohms) + ". It takes that from the load; "
                + threeFigures(frame.amps(b)) + " A flow through it.";
    }

    private String acrossOpen(Branch open) {
        Terminal dead = farSide();
        Terminal live = dead.equals(plus) ? minus : plus;
        ThroughLoad way = reach.throughLoads(dead.equals(plus) ? plusNode : minusNode);
        String what = open.isWire() ? "the broken wire " + open.owner() : "the open contact " + open.title();
        if (way == null) {
            return digits() + " across " + what + ". Its far side " + dead + " goes nowhere.";
        }
        if (way.loads().isEmpty()) {
            return digits() + " across " + what + ": one side is on "
                    + reach.polesOf(plusNode).iterator().next().terminal() + ", the other on "
                    + reach.polesOf(minusNode).iterator().next().terminal() + ".";
        }
        return "Full voltage across an open switch: " + what + ". " + dead + " is not powered; the meter sees "
                + way.pole().terminal() + " through " + names(way.loads()) + ", which proves that " + live
                + " is live and that the way from " + dead + " through " + names(way.loads()) + " is whole.";
    }

    /** The lead that isn't joined hard to a hot pole. */
    private Terminal farSide() {
        boolean plusHot = isHot(plusNode);
        boolean minusHot = isHot(minusNode);
        if (plusHot != minusHot) {
            return plusHot ? minus : plus;
        }
        return reach.polesOf(plusNode).isEmpty() ? plus : minus;
    }

    private boolean isHot(int node) {
        Side side = reach.sideOf(node);
        return side == Side.HOT || side == Side.SECOND_HOT;
    }

    private String acrossLoad(Branch load) {
        String signal = frame.signals().get(load.owner());
        String state = signal == null ? "" : " It is " + signal + ".";
        if (!frame.conducts(load)) {
            return digits() + " at " + load.owner() + ", but no current: the fault is in " + load.owner()
                    + " itself (open). Prove it with amps, or with ohms when dead." + state;
        }
        double amps = frame.amps(load);
        return digits() + " across " + load.owner() + " (" + load.label().replace('-', '–')
                + "): it is fed and its return is sound; it draws " + threeFigures(amps) + " A." + state;
    }

    private String general() {
        for (int node : new int[] {plusNode, minusNode}) {
            if (reach.throughLoads(node) == null) {
                return digits() + " of stray volts: " + (node == plusNode ? plus : minus)
                        + " is joined to nothing live, so the meter has no way back. It proves nothing of either.";
            }
        }
        return digits() + " between " + plus + " (" + connection(plusNode) + ") and " + minus + " ("
                + connection(minusNode) + ").";
    }

    private String saysNothing() {
        if (reach.joined(plusNode, minusNode)) {
            return joinedSays();
        }
        if (reach.polesOf(plusNode).isEmpty()
                && reach.polesOf(minusNode).isEmpty()
                && reach.throughLoads(plusNode) == null
                && reach.throughLoads(minusNode) == null) {
            return "0 V: " + plus + " and " + minus + " are joined to no live source. Both are dead now, if the meter "
                    + "proves itself on a known live point before and after.";
        }
        if (!reach.polesOf(plusNode).isEmpty() && !reach.polesOf(minusNode).isEmpty()) {
            return "0 V between two points that are both live: " + connection(plusNode) + ", " + connection(minusNode)
                    + ". They are at the same voltage. Never take this for dead.";
        }
        ThroughLoad a = reach.throughLoads(plusNode);
        ThroughLoad b = reach.throughLoads(minusNode);
        if (a == null || b == null) {
            Terminal floating = a == null ? plus : minus;
            return "0 V: " + floating + " is joined to nothing, so the meter has no way back. This doesn't prove "
                    + (a == null ? minus : plus) + " dead.";
        }
        Terminal idle = reach.polesOf(plusNode).isEmpty() ? plus : minus;
        Terminal base = idle.equals(plus) ? minus : plus;
        return "0 V: no current flows through " + names(loadsOf(idle)) + ", so " + idle + " rests at the voltage of "
                + base + " and is not powered. It proves that only if the supply is live: check the source first.";
    }

    private List<Branch> loadsOf(Terminal idle) {
        List<Branch> loads =
                reach.throughLoads(idle.equals(plus) ? plusNode : minusNode).loads();
        return loads.isEmpty() ? List.of() : loads;
    }

    private String joinedSays() {
        List<Branch> closed = new ArrayList<>();
        for (Branch b : frame.assembly().branches()) {
            boolean across = (b.nodeA() == plusNode && b.nodeB() == minusNode)
                    || (b.nodeA() == minusNode && b.nodeB() == plusNode);
            if (across && (b.role() == Role.CONTACT || b.role() == Role.PROTECTION)) {
                closed.add(b);
            }
        }
        Set<Pole> poles = reach.polesOf(plusNode);
        String joint = closed.isEmpty()
                ? (value < DROP ? "0 V: " : digits() + ", the drop of what flows: ") + plus + " and " + minus
                        + " are joined by conductors"
                : "About 0 V across a closed contact, " + closed.get(0).title();
        if (poles.isEmpty()) {
            return joint
                    + ". But 0 V is also what a dead supply gives: neither is on a live pole now. Check the source "
                    + "first, then each point to common.";
        }
        Pole pole = poles.iterator().next();
        boolean hot = pole.side() != Side.RETURN;
        return joint + ", and both are " + (hot ? "live" : "on the return") + " (" + pole.terminal()
                + "). It proves that only with the supply live: a dead supply reads 0 V as well, so check the source"
                + (hot ? ", then " + minus + " to common." : ".");
    }

    private String connection(int node) {
        ThroughLoad way = reach.throughLoads(node);
        if (way == null) {
            return "joined to nothing";
        }
        if (frame.assembly().node(Terminal.parse(way.pole().terminal())).orElseThrow() == node) {
            return "a pole of " + way.pole().source();
        }
        return way.loads().isEmpty()
                ? "hard on " + way.pole().terminal()
                : "on " + way.pole().terminal() + " through " + names(way.loads());
    }

    private static String names(List<Branch> loads) {
        List<String> names = new ArrayList<>();
        for (Branch b : loads) {
            if (!names.contains(b.owner())) {
                names.add(b.owner());
            }
        }
        return String.join(" and ", names);
    }

    private String digits() {
        return threeFigures(value) + (direct ? " V DC" : " V");
    }

    private static String threeFigures(double v) {
        return Numbers.threeFigures(v);
    }
}
