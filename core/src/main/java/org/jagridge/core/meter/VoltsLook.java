package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Reach.Pole;
import org.jagridge.core.run.Reach.Side;
import org.jagridge.core.run.Reach.ThroughLoad;
import org.jagridge.core.world.World;

/**
 * What a voltage reading stands across in one world, from how each lead is connected there. Example: full volts between
 * R and a thermostat terminal whose contact is open are the supply seen through the load's winding: the wire and the coil
 * are whole, and the terminal is <em>not</em> powered.
 */
final class VoltsLook {
    /** Readings count as none under {@link VoltsAt#NOTHING}, and under this share of what the source gives. */
    private static final double NEXT_TO_NOTHING = 0.02;
    /** From this share of it on they are all that it gives. */
    static final double FULL = 0.85;
    /** Nodes are the ends of a reading within this share of it. */
    private static final double ACROSS = 0.2;
    /** What is further apart than this is joined by stray capacitance alone. */
    private static final double APART_OHMS = 200_000;

    private final VoltsAt at;
    private final Frame frame;
    private final Reach reach;
    private final Terminal plus;
    private final Terminal minus;
    private final int plusNode;
    private final int minusNode;
    private final double value;
    private final boolean direct;

    private final Gauge.Floating ghost;
    private final Sound sound;

    /**
     * What a sound circuit has at the two leads.
     *
     * @param full what the sources give that the leads hang on; 0 where they hang on none
     * @param shows what a meter shows there, without a sign; 0 where there is no such place
     * @param fits whether that may be what it shows now
     */
    record Sound(double full, double shows, boolean fits) {}

    private VoltsLook(World world, Request request, double value, Sound sound) {
        this.sound = sound;
        at = VoltsAt.of(world, request, value);
        frame = at.frame();
        reach = at.reach();
        plus = at.plus();
        minus = at.minus();
        plusNode = at.plusNode();
        minusNode = at.minusNode();
        this.value = at.value();
        direct = at.direct();
        ghost = new Gauge(frame, reach)
                .floating(request.mode(), plusNode, minusNode)
                .orElse(null);
    }

    /**
     * The look of a reading in a world.
     *
     * @param value what the meter displays, volts
     */
    static Look of(World world, Request request, double value, Sound sound) {
        return new VoltsLook(world, request, value, sound).look();
    }

    /** What the sources that the leads hang on give in a world, at the most. */
    static double full(World world, Request request) {
        return new VoltsLook(world, request, 0, new Sound(0, 0, false)).fullVolts();
    }

    private Look look() {
        if (isApart()) {
            String both = at.connection(plusNode) + ", " + at.connection(minusNode);
            boolean shows = value >= VoltsAt.NOTHING;
            return new Look(
                    Look.Kind.APART,
                    List.of(both),
                    at.nothing() + " between two supplies that nothing joins: " + both + ". "
                            + (shows ? "What shows is stray and" : "It")
                            + " proves neither side. Measure each to its own return.",
                    shows
                            ? "these are stray volts between two supplies that nothing joins"
                            : "they belong to two supplies that nothing joins");
        }
        double full = fullVolts();
        if (value < full * NEXT_TO_NOTHING || value < VoltsAt.NOTHING) {
            return new ZeroLook(at).look();
        }
        if (ghost != null) {
            Terminal lead = ghost.plus() ? plus : minus;
            String from = ghost.ghost().from();
            return new Look(
                    Look.Kind.GHOST,
                    List.of(lead, from),
                    "A ghost: " + lead + " is joined to nothing, and takes " + at.digits()
                            + " from the cores beside it (" + from
                            + "). It can drive nothing; the low-impedance range takes it away.",
                    lead + " is joined to nothing and takes a ghost from " + from);
        }
        Branch load = at.atItsTerminals();
        if (load != null) {
            return acrossLoad(load, full);
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
        List<Branch> opens = reach.opensBetween(plusNode, minusNode);
        if (!opens.isEmpty()) {
            return acrossOpen(opens.get(0), full);
        }
        load = between(Role.LOAD, Role.COIL, Role.PRIMARY);
        return load != null ? acrossLoad(load, full) : other();
    }

    /** Whether the leads hang on different sources between which there is next to no way for a current. */
    private boolean isApart() {
        ThroughLoad a = reach.throughLoads(plusNode);
        ThroughLoad b = reach.throughLoads(minusNode);
        if (a == null || b == null || a.pole().source().equals(b.pole().source())) {
            return false;
        }
        return frame.assembly()
                        .network()
                        .solver()
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

    /** Both leads are joined hard to the poles of one source. */
    private Look acrossSupply(Pole plusPole, Pole minusPole) {
        String ways = Stream.of(reaches(plusPole, plus, plusNode), reaches(minusPole, minus, minusNode))
                .flatMap(Optional::stream)
                .collect(Collectors.joining(", and "));
        String source = plusPole.source();
        return new Look(
                Look.Kind.SUPPLY,
                List.of(source, plusPole.terminal(), minusPole.terminal()),
                ways.isEmpty()
                        ? "This is the supply itself: " + source + " gives " + at.digits()
                                + ". It says nothing of any load yet."
                        : at.digits() + ", all that " + source
                                + " gives: both ways to it are whole. It says nothing yet of " + "what comes after.",
                "this is what " + source + " gives",
                ways.isEmpty() ? "" : " " + ways + ".");
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

    private Look acrossPoorJoint(Branch b) {
        String what = b.isWire() ? "the wire " + b.owner() : b.title();
        return new Look(
                Look.Kind.POOR_JOINT,
                List.of(b.owner(), b.label()),
                at.digits() + " across " + what
                        + ", where a sound one shows next to none: a poor joint. It takes that from " + "the load.",
                what + " is a poor joint");
    }

    private Look acrossOpen(Branch open, double full) {
        String what = open.isWire() ? "the broken wire " + open.owner() : "the open contact " + open.title();
        boolean plusHot = at.isHot(plusNode);
        boolean minusHot = at.isHot(minusNode);
        Terminal far =
                plusHot == minusHot ? (reach.polesOf(plusNode).isEmpty() ? plus : minus) : plusHot ? minus : plus;
        Terminal near = far.equals(plus) ? minus : plus;
        int farNode = far.equals(plus) ? plusNode : minusNode;
        ThroughLoad way = reach.throughLoads(farNode);
        List<Object> about = new ArrayList<>(List.of(open.owner(), open.label(), far));
        String share = value >= FULL * (sound.full() > 0 ? sound.full() : full) ? "Full voltage" : at.digits();
        if (way == null) {
            return new Look(
                    Look.Kind.OPEN,
                    about,
                    at.digits() + " across " + what + ". Its far side " + far + " goes nowhere.",
                    what + " lies between, and its far side goes nowhere");
        }
        about.add(way.loads().stream().map(Branch::owner).toList());
        String pole = way.pole(source(near)).terminal();
        about.add(pole);

        if (way.loads().isEmpty()) {
            return new Look(
                    Look.Kind.OPEN,
                    about,
                    at.digits() + " across " + what + ": one side is on "
                            + reach.polesOf(plusNode).iterator().next().terminal() + ", the other on "
                            + reach.polesOf(minusNode).iterator().next().terminal() + ".",
                    what + " lies between two poles");
        }
        String through = VoltsAt.names(way.loads());
        boolean live = way.pole().side() != Side.RETURN || frame.voltsToEarth(farNode) >= VoltsAt.DANGEROUS;
        about.add(live);
        return new Look(
                Look.Kind.OPEN,
                about,
                share + " across an open switch: " + what + ". "
                        + (live
                                ? far + " is off, but live: it hangs on "
                                        + pole + " through " + through
                                        + ", and the way there is whole."
                                : far + " is not powered; the meter sees "
                                        + pole + " through " + through
                                        + ", which proves that " + near + " is live and that the way from " + far
                                        + " through " + through + " is whole."),
                "this is " + pole + " seen through " + through + " across " + what
                        + (live ? ", with " + far + " live through it" : ""));
    }

    /** The source that a lead is on hard, or null. */
    private String source(Terminal lead) {
        return reach.polesOf(lead.equals(plus) ? plusNode : minusNode).stream()
                .map(Pole::source)
                .findFirst()
                .orElse(null);
    }

    private Look acrossLoad(Branch load, double full) {
        String place = load.owner() + " (" + load.label().replace('-', '–') + ")";
        boolean enough = value >= FULL * (sound.full() > 0 ? sound.full() : full);
        return new Look(
                Look.Kind.LOAD,
                List.of(load.owner(), load.label(), enough),
                at.digits() + " across " + place + ": "
                        + (enough
                                ? "it is fed and its return is sound. It doesn't say yet that " + load.owner()
                                        + " takes its current: that takes amps."
                                : sound.fits()
                                        ? "as in a sound circuit; the rest of the volts stands elsewhere on the way."
                                        : value > sound.shows()
                                                ? "more than it should have now."
                                                : "less than it should have; the rest is lost before or behind it."),
                place
                        + (enough
                                ? " has full volts"
                                : sound.fits()
                                        ? " has its share of the volts"
                                        : value > sound.shows()
                                                ? " has volts that it shouldn't have now"
                                                : " has what is left of its volts"));
    }

    private Look other() {
        for (int node : new int[] {plusNode, minusNode}) {
            if (reach.throughLoads(node) == null && node != Network.EARTH && !reach.joined(node, Network.EARTH)) {
                Terminal lead = node == plusNode ? plus : minus;
                return new Look(
                        Look.Kind.STRAY,
                        List.of(lead),
                        at.digits() + " of stray volts: " + lead
                                + " is joined to nothing live, so the meter has no way back. It proves nothing of either.",
                        lead + " is joined to nothing live and the volts are stray");
            }
        }
        String both = plus + " (" + at.connection(plusNode) + ") and " + minus + " (" + at.connection(minusNode) + ")";
        return new Look(
                Look.Kind.BETWEEN,
                List.of(both),
                at.digits() + " between " + both + ".",
                "these are the volts between " + both);
    }
}
