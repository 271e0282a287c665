package org.jagridge.core.meter;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;

/** Reads one frame of a run. The meter loads its own reading, not the run. */
public final class Meter {
    /** Input conductance of the normal range, mhos (10 MΩ). */
    static final double HIGH_IMPEDANCE = 1e-7;
    /** Input conductance of the low-impedance range, mhos (3 kΩ). */
    static final double LOW_IMPEDANCE = 1 / 3000.0;

    private final Run run;
    private final Frame frame;
    private final long now;
    private final Assembly assembly;
    private Reach reach;

    private Meter(Run run, Frame frame, long now) {
        this.run = run;
        this.frame = frame;
        this.now = now;
        assembly = frame.assembly();
    }

    /** A meter at the moment when a state begins, which knows nothing of what was before. */
    public Meter(Frame frame) {
        this(null, frame, frame.micros());
    }

    public static Meter at(Run run, long micros) {
        return new Meter(run, run.at(micros), micros);
    }

    /** The range for a supply: the one that shows more of it. */
    Request.Mode volts(Terminal hot, Terminal common) {
        double ac = Math.abs(value(new Request(Request.Mode.AC_VOLTS, hot, common, null, 1, false)));
        double dc = Math.abs(value(new Request(Request.Mode.DC_VOLTS, hot, common, null, 1, false)));
        return dc > ac ? Request.Mode.DC_VOLTS : Request.Mode.AC_VOLTS;
    }

    /** The number alone, of volts or amps. */
    double value(Request request) {
        return request.mode().clamps()
                ? request.turns() * amps(request)
                : volts(request, node(request.plus()), node(request.minus()));
    }

    /** What the meter shows, with its unit, without the reasons: cheaper than a reading. */
    public String display(Request request) {
        if (request.mode().clamps()) {
            return digits(value(request)) + " A";
        }
        if (request.mode() == Request.Mode.AC_VOLTS || request.mode() == Request.Mode.DC_VOLTS) {
            return digits(value(request)) + " V";
        }
        Reading r = read(request);
        return r.display() + (r.hasValue() ? " " + r.unit() : "");
    }

    /**
     * Takes a reading.
     *
     * @throws IllegalArgumentException where the circuit has no such terminal or wire
     */
    public Reading read(Request request) {
        Reading r = taken(request);
        return new Reading(
                r.value(),
                r.unit(),
                r.display(),
                BareEnd.told(r.says()),
                r.refused() == null ? null : BareEnd.told(r.refused()));
    }

    private Reading taken(Request request) {
        if (request.mode().clamps()) {
            return clamp(request);
        }
        if (request.mode() == Request.Mode.CELSIUS) {
            return celsius(request.plus());
        }
        return request.mode().needsDead()
                ? new DeadTest(run, frame, request, node(request.plus()), node(request.minus())).read()
                : volts(request);
    }

    /** A probe at a part: what it measures itself, or the room that it reads. */
    private Reading celsius(Terminal at) {
        node(at);
        String id = at.part();
        // the metalwork of a place is no part
        Object reads = assembly.circuit()
                .part(id)
                .map(Part::params)
                .map(p -> p.get("reads"))
                .orElse(null);
        for (String place : reads instanceof String room ? List.of(id, room) : List.of(id)) {
            OptionalDouble celsius = frame.celsius(place, now);
            if (celsius.isPresent()) {
                return celsius(id, celsius.getAsDouble());
            }
        }
        for (String own : List.of("celsius", "roomCelsius", "coilCelsius")) {
            if (frame.inputs().get(id + "." + own) instanceof Number n) {
                return celsius(id, n.doubleValue());
            }
        }
        return Reading.refused(
                "°C", "There is nothing to probe at " + id + ": put the probe where a sensor or a thermostat is.");
    }

    private static Reading celsius(String part, double value) {
        String digits = String.format(Locale.ROOT, "%.1f", value);
        return new Reading(value, "°C", digits, "It is " + digits + " °C at " + part + ".");
    }

    private Reading volts(Request request) {
        int plus = node(request.plus());
        int minus = node(request.minus());
        double value = volts(request, plus, minus);
        VoltsProof proof =
                new VoltsProof(frame, reach(), request, plus, minus, value, floating(request.mode(), plus, minus));
        return new Reading(value, "V", digits(value), proof.says());
    }

    private double volts(Request request, int plus, int minus) {
        boolean direct = request.mode() == Request.Mode.DC_VOLTS;
        Solution solution = direct ? frame.dc() : frame.ac();
        if (solution == null) {
            return 0;
        }
        double mhos = request.lowImpedance() ? LOW_IMPEDANCE : HIGH_IMPEDANCE;
        Floating floating = floating(request.mode(), plus, minus);
        if (floating != null) {
            Complex other = solution.volts(floating.plus() ? minus : plus, Network.EARTH);
            return floating.ghost().volts(other, mhos);
        }
        Complex v = new Solver(assembly.network()).loadedVolts(solution, plus, minus, mhos);
        return direct ? v.re() : v.abs();
    }

    /**
     * A lead on a conductor that hangs on nothing, beside live cores.
     *
     * @param plus whether it is the red one
     */
    record Floating(Ghost ghost, boolean plus) {}

    /** Which lead floats beside something live while the other one hangs on something; null for none. */
    private Floating floating(Request.Mode mode, int plus, int minus) {
        if (mode != Request.Mode.AC_VOLTS || plus == minus) {
            return null;
        }
        boolean plusHangs = hangs(plus);
        if (plusHangs == hangs(minus)) {
            return null;
        }
        return Ghost.at(frame, reach(), plusHangs ? minus : plus)
                .map(g -> new Floating(g, !plusHangs))
                .orElse(null);
    }

    private boolean hangs(int node) {
        return reach().throughLoads(node) != null || reach().joined(node, Network.EARTH);
    }

    private Reach reach() {
        if (reach == null) {
            reach = new Reach(frame);
        }
        return reach;
    }

    private int node(Terminal terminal) {
        return assembly.node(BareEnd.landed(terminal, assembly.circuit()))
                .orElseThrow(() -> new IllegalArgumentException("there is no terminal " + terminal));
    }

    private Reading clamp(Request request) {
        double one = amps(request);
        double value = request.turns() * one;
        String says = new AmpsProof(frame, clamped(request), request.mode() == Request.Mode.DC_AMPS, one).says();
        return new Reading(value, "A", digits(value), request.turns() == 1 ? says : says + turns(request.turns(), one));
    }

    private Branch clamped(Request request) {
        return assembly.branchesOf(request.wire()).stream()
                .filter(Branch::isWire)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no wire " + request.wire()));
    }

    /** Amps in one conductor. */
    private double amps(Request request) {
        boolean direct = request.mode() == Request.Mode.DC_AMPS;
        Solution solution = direct ? frame.dc() : frame.ac();
        Complex amps =
                solution == null ? Complex.ZERO : solution.amps(clamped(request).index());
        return direct ? amps.re() : amps.abs();
    }

    private static String turns(double turns, double amps) {
        return String.format(
                Locale.ROOT, " The display counts %s turns; the conductor carries %.3g A.", Numbers.plain(turns), amps);
    }

    /** Four places, as a meter of this kind shows them. */
    static String digits(double value) {
        double a = Math.abs(value);
        int decimals = a >= 100 ? 1 : a >= 10 ? 2 : 3;
        String s = String.format(Locale.ROOT, "%." + decimals + "f", value);
        return s.matches("-0\\.0+") ? s.substring(1) : s;
    }
}
