package org.jagridge.core.meter;

import java.util.Optional;
import java.util.OptionalDouble;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** The numbers that a meter shows in one frame, and nothing of what they mean. */
final class Gauge {
    /** Input conductance of the normal range, mhos (10 MΩ). */
    static final double HIGH_IMPEDANCE = 1e-7;
    /** Input conductance of the low-impedance range, mhos (3 kΩ). */
    static final double LOW_IMPEDANCE = Frame.BODY_MHOS;

    private final Frame frame;
    private final Assembly assembly;
    private final Reach reach;

    Gauge(Frame frame, Reach reach) {
        this.frame = frame;
        this.reach = reach;
        assembly = frame.assembly();
    }

    /**
     * A lead on a conductor that hangs on nothing, beside live cores.
     *
     * @param plus whether it is the red one
     */
    record Floating(Ghost ghost, boolean plus) {}

    /** The node that a lead is on, wherever the bare end is that it is clipped to; empty where there is no such place. */
    Optional<Integer> node(Terminal lead) {
        return assembly.node(BareEnd.landed(lead, assembly.circuit()));
    }

    /** RMS volts, or with their sign where they are direct; each lead at a node. */
    double volts(Request request, int plus, int minus) {
        boolean direct = request.mode() == Request.Mode.DC_VOLTS;
        Solution solution = direct ? frame.dc() : frame.ac();
        if (solution == null) {
            return 0;
        }
        double mhos = request.lowImpedance() ? LOW_IMPEDANCE : HIGH_IMPEDANCE;
        Optional<Floating> floating = floating(request.mode(), plus, minus);
        if (floating.isPresent()) {
            Complex other = solution.volts(floating.get().plus() ? minus : plus, Network.EARTH);
            return floating.get().ghost().volts(other, mhos);
        }
        Complex v = assembly.network().solver().loadedVolts(solution, plus, minus, mhos);
        return direct ? v.re() : v.abs();
    }

    /** Which lead floats beside something live while the other one hangs on something. */
    Optional<Floating> floating(Request.Mode mode, int plus, int minus) {
        if (mode != Request.Mode.AC_VOLTS || plus == minus) {
            return Optional.empty();
        }
        boolean plusHangs = hangs(plus);
        if (plusHangs == hangs(minus)) {
            return Optional.empty();
        }
        return Ghost.at(frame, reach, plusHangs ? minus : plus).map(g -> new Floating(g, !plusHangs));
    }

    private boolean hangs(int node) {
        return reach.throughLoads(node) != null || reach.joined(node, Network.EARTH);
    }

    /** The conductor that a clamp is around. */
    Optional<Branch> conductor(String wire) {
        return assembly.branchesOf(wire).stream().filter(Branch::isWire).findFirst();
    }

    /** What a clamp around one conductor or several shows, for one turn; empty where one of them isn't there. */
    OptionalDouble clamped(Request request) {
        Complex sum = Complex.ZERO;
        boolean direct = request.mode() == Request.Mode.DC_AMPS;
        Solution solution = direct ? frame.dc() : frame.ac();
        for (Request.Conductor c : request.conductors()) {
            Optional<Branch> wire = conductor(c.wire());
            if (wire.isEmpty()) {
                return OptionalDouble.empty();
            }
            Complex amps =
                    solution == null ? Complex.ZERO : solution.amps(wire.get().index());
            sum = c.turned() ? sum.minus(amps) : sum.plus(amps);
        }
        return OptionalDouble.of(direct ? sum.re() : sum.abs());
    }
}
