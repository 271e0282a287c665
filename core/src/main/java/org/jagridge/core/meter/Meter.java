package org.jagridge.core.meter;

import java.util.Locale;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;

/** Reads one frame of a run. The meter loads its own reading, not the run. */
public final class Meter {
    /** Input conductance of the normal range, mhos (10 MΩ). */
    static final double HIGH_IMPEDANCE = 1e-7;
    /** Input conductance of the low-impedance range, mhos (3 kΩ). */
    static final double LOW_IMPEDANCE = 1 / 3000.0;

    private final Frame frame;
    private final Assembly assembly;

    public Meter(Frame frame) {
        this.frame = frame;
        assembly = frame.assembly();
    }

    public static Meter at(Run run, long micros) {
        return new Meter(run.at(micros));
    }

    /**
     * Takes a reading.
     *
     * @throws IllegalArgumentException where the circuit has no such terminal or wire
     */
    public Reading read(Request request) {
        return request.mode().clamps() ? clamp(request) : volts(request);
    }

    private Reading volts(Request request) {
        int plus = node(request.plus());
        int minus = node(request.minus());
        double value = volts(request, plus, minus);
        String says = new VoltsProof(frame, request, plus, minus, value).says();
        return new Reading(value, "V", digits(value), says);
    }

    private double volts(Request request, int plus, int minus) {
        boolean direct = request.mode() == Request.Mode.DC_VOLTS;
        Solution solution = direct ? frame.dc() : frame.ac();
        if (solution == null) {
            return 0;
        }
        double mhos = request.lowImpedance() ? LOW_IMPEDANCE : HIGH_IMPEDANCE;
        Complex v = new Solver(assembly.network()).loadedVolts(solution, plus, minus, mhos);
        return direct ? v.re() : v.abs();
    }

    private int node(Terminal terminal) {
        return assembly.node(terminal)
                .orElseThrow(() -> new IllegalArgumentException("there is no terminal " + terminal));
    }

    private Reading clamp(Request request) {
        Branch wire = assembly.branchesOf(request.wire()).stream()
                .filter(Branch::isWire)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no wire " + request.wire()));
        boolean direct = request.mode() == Request.Mode.DC_AMPS;
        Solution solution = direct ? frame.dc() : frame.ac();
        Complex amps = solution == null ? Complex.ZERO : solution.amps(wire.index());
        double value = request.turns() * (direct ? amps.re() : amps.abs());
        return new Reading(value, "A", digits(value), saysAmps(request, wire, value));
    }

    private static String saysAmps(Request request, Branch wire, double value) {
        String between = wire.a() + " to " + wire.b();
        if (Math.abs(value) < 0.005) {
            return "No current in " + wire.owner() + " (" + between + "): nothing it feeds is drawing now. "
                    + "That says nothing of its volts.";
        }
        String turns = request.turns() == 1
                ? ""
                : String.format(
                        Locale.ROOT,
                        " The display counts %s turns; the conductor carries %.3g A.",
                        org.jagridge.core.part.Numbers.plain(request.turns()),
                        value / request.turns());
        return "Current flows in " + wire.owner() + " (" + between + "), so its circuit is complete." + turns;
    }

    /** Four places, as a meter of this kind shows them. */
    static String digits(double value) {
        double a = Math.abs(value);
        int decimals = a >= 100 ? 1 : a >= 10 ? 2 : 3;
        String s = String.format(Locale.ROOT, "%." + decimals + "f", value);
        return s.matches("-0\\.0+") ? s.substring(1) : s;
    }
}
