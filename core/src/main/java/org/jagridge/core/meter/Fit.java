package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Defect;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.part.Branch;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/**
 * The worlds in which a meter would show what it shows: within its tolerance of ±(2 % + 0.3 V) or ±(3 % + 0.05 A), with
 * supplies that may be off by ±10 % as a whole. Where what is measured hangs on a source of a few volts, the 0.3 V are a
 * hundredth of it.
 */
final class Fit {
    private static final double VOLTS_SHARE = 0.02;
    private static final double VOLTS = 0.3;
    private static final double AMPS_SHARE = 0.03;
    private static final double AMPS = 0.05;
    private static final double SUPPLY = 0.1;
    /** Sources under this many volts are measured in a finer range. */
    private static final double FINE = 24;
    /** Poor joints are looked for between these many ohms. */
    private static final double LEAST_OHMS = 0.3;

    private static final double MOST_OHMS = 1e5;
    private static final int HALVINGS = 14;

    private final Worlds worlds;
    private final Request request;
    private final double shown;
    private final double volts;

    private Fit(Worlds worlds, Request request, double shown) {
        this.worlds = worlds;
        this.request = request;
        this.shown = shown;
        volts = floor(worlds);
    }

    /** The volts that a meter may be off whatever it shows: less on the fine range of a circuit of a few volts. */
    static double floor(Worlds worlds) {
        double least = FINE;
        for (Branch b : worlds.assembly().branches()) {
            if (b.role().gives() && worlds.sound().frame().volts(b) > 0) {
                least = Math.min(least, worlds.sound().frame().volts(b));
            }
        }
        return VOLTS * least / FINE;
    }

    /**
     * The worlds that fit, the sound one first.
     *
     * @param shown on the display, for one turn of the conductor
     */
    static List<World> of(Worlds worlds, Request request, double shown) {
        Fit fit = new Fit(worlds, request, shown);
        List<World> fitting = new ArrayList<>();
        for (World w : worlds.all()) {
            if (fit.fits(w)) {
                fitting.add(w);
            }
        }
        if (fitting.isEmpty() || !fitting.get(0).isSound()) {
            fitting.addAll(fit.poorJoints());
        }
        return fitting;
    }

    private boolean fits(World w) {
        OptionalDouble value = value(w, request);
        return value.isPresent() && difference(value.getAsDouble()) == 0;
    }

    /** What a meter would show in a world; empty where it has no such place. */
    static OptionalDouble value(World w, Request request) {
        Gauge gauge = new Gauge(w.frame(), w.reach());
        if (request.mode().clamps()) {
            return gauge.clamped(request);
        }
        Optional<Integer> plus = gauge.node(request.plus());
        Optional<Integer> minus = gauge.node(request.minus());
        return plus.isPresent() && minus.isPresent()
                ? OptionalDouble.of(gauge.volts(request, plus.get(), minus.get()))
                : OptionalDouble.empty();
    }

    /** 0 where a value is within the tolerance, less where it is too small, more where it is too large. */
    private int difference(double value) {
        boolean clamps = request.mode().clamps();
        double tolerance = (clamps ? AMPS_SHARE : VOLTS_SHARE) * Math.abs(shown) + (clamps ? AMPS : volts);
        double off = SUPPLY * Math.abs(value) + tolerance;
        return value < shown - off ? -1 : value > shown + off ? 1 : 0;
    }

    /** A wire or contact may be poor by any number of ohms: the one that fits is looked for. */
    private List<World> poorJoints() {
        return mayBePoor(worlds).flatMap(f -> poorJoint(f).stream()).toList();
    }

    /** Each wire and contact that may be poor, once. */
    static Stream<Fault> mayBePoor(Worlds worlds) {
        return worlds.possible().stream()
                .filter(Fit::isPoorJoint)
                .map(f -> with(f, 1))
                .distinct();
    }

    static boolean isPoorJoint(Fault f) {
        return f.kind() == FaultKind.WIRE_RESISTIVE || f.kind() == FaultKind.CONTACT_RESISTIVE;
    }

    private Optional<World> poorJoint(Fault fault) {
        Optional<World> least = worlds.keptSince(with(fault, LEAST_OHMS));
        Optional<World> most = worlds.keptSince(with(fault, MOST_OHMS));
        int atLeast = difference(least);
        int atMost = difference(most);
        if (atLeast * atMost >= 0) {
            // as good as open is a world of its own
            return atLeast == 0 ? least : Optional.empty();
        }
        double low = LEAST_OHMS;
        double high = MOST_OHMS;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = Math.sqrt(low * high);
            Optional<World> world = worlds.since(with(fault, middle));
            int there = difference(world);
            if (there == 0) {
                return world;
            }
            low = there == atLeast ? middle : low;
            high = there == atLeast ? high : middle;
        }
        return Optional.empty();
    }

    /** The same for a world; as for too much where it has no such place. */
    private int difference(Optional<World> world) {
        OptionalDouble value = world.map(w -> value(w, request)).orElse(OptionalDouble.empty());
        return value.isPresent() ? difference(value.getAsDouble()) : 1;
    }

    /** The same joint with so many ohms. */
    static Fault with(Fault poor, double ohms) {
        Defect defect = poor.defect() instanceof PartDefect.ContactResistive c
                ? new PartDefect.ContactResistive(c.part(), c.contact(), ohms)
                : new WiringDefect.WireResistive(poor.wire(), ohms);
        return new Fault(defect);
    }
}
