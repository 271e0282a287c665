package org.jagridge.core.meter;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Reach.Pole;
import org.jagridge.core.run.Reach.Side;
import org.jagridge.core.run.Reach.ThroughLoad;
import org.jagridge.core.world.World;

/**
 * Two leads in a world and the volts between them.
 *
 * @param plusNode the node of the network that the first lead is on
 * @param minusNode that of the second
 * @param value what the meter displays, volts, without a sign
 * @param direct whether these are volts of direct current
 */
record VoltsAt(
        Frame frame,
        Reach reach,
        Terminal plus,
        Terminal minus,
        int plusNode,
        int minusNode,
        double value,
        boolean direct) {
    /** Volts to earth from which a hand is in danger. */
    static final double DANGEROUS = Frame.LIVE_VOLTS;

    /** Readings under this many volts count as none. */
    static final double NOTHING = 0.05;

    /** A source with both poles on one screw that gives less than this share of its volts is shorted. */
    private static final double SHORTED = 0.5;

    static VoltsAt of(World world, Request request, double value) {
        Gauge gauge = new Gauge(world.frame(), world.reach());
        return new VoltsAt(
                world.frame(),
                world.reach(),
                request.plus(),
                request.minus(),
                gauge.node(request.plus()).orElseThrow(),
                gauge.node(request.minus()).orElseThrow(),
                Math.abs(value),
                request.mode() == Request.Mode.DC_VOLTS);
    }

    /** A load whose own two terminals the leads are on. */
    Branch atItsTerminals() {
        for (Branch b : frame.assembly().branches()) {
            // electronics that are unplugged are not there
            boolean gone = b.shape() == Shape.BOX && !frame.conducts(b);
            if (isRightBetween(b) && b.role().consumes() && !gone) {
                return b;
            }
        }
        return null;
    }

    boolean isRightBetween(Branch b) {
        return (b.nodeA() == plusNode && b.nodeB() == minusNode) || (b.nodeA() == minusNode && b.nodeB() == plusNode);
    }

    /** Whether a node is hard on the hot pole of a source that isn't shorted. */
    boolean isHot(int node) {
        Set<Pole> poles = reach.polesOf(node);
        return poles.stream().anyMatch(p -> p.side() != Side.RETURN && !isShorted(p, poles));
    }

    /** Whether another pole of its source meets it and it gives way; a poor joint across it doesn't take its volts. */
    private boolean isShorted(Pole hot, Set<Pole> poles) {
        double rated = frame.assembly()
                .member(hot.source())
                .map(m -> m.type().source(m.params()).volts())
                .orElse(0.0);
        return poles.stream().anyMatch(p -> p.source().equals(hot.source()) && !p.equals(hot))
                && frame.assembly().branchesOf(hot.source()).stream()
                        .filter(b -> b.role().gives() && (isPole(b.a(), hot) || isPole(b.b(), hot)))
                        .allMatch(b -> frame.volts(b) < SHORTED * rated);
    }

    private static boolean isPole(Terminal end, Pole pole) {
        return end != null && end.toString().equals(pole.terminal());
    }

    boolean isEarth(int node) {
        return node == Network.EARTH || reach.joined(node, Network.EARTH);
    }

    /** "alternating" or "direct" where volts of that kind stand between the leads, which the range doesn't show. */
    Optional<String> otherKind() {
        Solution other = direct ? frame.ac() : frame.dc();
        boolean are = other != null
                && frame.assembly()
                                .network()
                                .solver()
                                .loadedVolts(other, plusNode, minusNode, Gauge.LOW_IMPEDANCE)
                                .abs()
                        >= NOTHING;
        return are ? Optional.of(direct ? "alternating" : "direct") : Optional.empty();
    }

    /** "hard on T1.X1", "on T1.X2 through K1". */
    String connection(int node) {
        ThroughLoad way = reach.throughLoads(node);
        if (way == null) {
            return isEarth(node) ? "earth" : "joined to nothing";
        }
        if (frame.assembly().node(Terminal.parse(way.pole().terminal())).orElseThrow() == node) {
            return "a pole of " + way.pole().source();
        }
        return way.loads().isEmpty()
                ? "hard on " + way.pole().terminal()
                : "on " + way.pole().terminal() + " through " + names(way.loads());
    }

    static String names(List<Branch> loads) {
        return loads.stream().map(Branch::owner).distinct().collect(Collectors.joining(" and "));
    }

    /** The display where it shows next to nothing. */
    String nothing() {
        return value < NOTHING ? (direct ? "0 V DC" : "0 V") : digits();
    }

    String digits() {
        return Numbers.threeFigures(value) + (direct ? " V DC" : " V");
    }
}
