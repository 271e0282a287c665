package org.jagridge.core.meter;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;
import org.jagridge.core.world.Worlds;

/**
 * Reads one frame of a run. The meter loads its own reading, not the run. The number is of the circuit as it is; what is
 * said of it is worked out from the number, the diagram and what hands have done ({@link Worlds}), and knows no more.
 */
public final class Meter {
    private final Run run;
    private final Frame frame;
    private final long now;
    private final Assembly assembly;
    private final Supplier<Worlds> worlds;
    private final Reach reach;
    private final Gauge gauge;

    private Meter(Run run, Frame frame, long now, Supplier<Worlds> worlds) {
        this.run = run;
        this.frame = frame;
        this.now = now;
        this.worlds = worlds;
        assembly = frame.assembly();
        reach = new Reach(frame);
        gauge = new Gauge(frame, reach);
    }

    /** A meter at the moment when a state begins, which knows nothing of what was before and says nothing. */
    Meter(Frame frame) {
        this(null, frame, frame.micros(), null);
    }

    /** A meter whose user knows of none of the faults of the run. */
    public static Meter at(Run run, long micros) {
        return at(run, micros, new Supplier<>() {
            private Worlds made;

            @Override
            public Worlds get() {
                if (made == null) {
                    made = Worlds.at(run.assembly(), run.scenario().withoutFaults(), micros);
                }
                return made;
            }
        });
    }

    /** @param worlds what may be the case for the one who measures; asked for only where something is said */
    public static Meter at(Run run, long micros, Supplier<Worlds> worlds) {
        return new Meter(run, run.at(micros), micros, worlds);
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
                ? request.turns() * clamped(request)
                : gauge.volts(request, node(request.plus()), node(request.minus()));
    }

    /** A reading of volts or amps without a word of what it proves. */
    public Reading shown(Request request) {
        double value = value(request);
        return new Reading(value, request.mode().clamps() ? "A" : "V", digits(value), "");
    }

    /** What the meter shows, with its unit, without the reasons: cheaper than a reading. */
    public String display(Request request) {
        if (request.mode().clamps()) {
            return digits(value(request)) + " A";
        }
        if (request.mode().isVolts()) {
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
                ? OhmsProof.read(
                        new DeadTest(run, frame, reach, request, node(request.plus()), node(request.minus())),
                        request,
                        worlds)
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
        if (node(request.plus()) == node(request.minus())) {
            return new Reading(0, "V", digits(0), "Both leads are on the same terminal. That says nothing of it.");
        }
        double value = value(request);
        String digits = digits(value);
        return new Reading(
                value, "V", digits, new VoltsProof(worlds.get(), request, Double.parseDouble(digits)).says());
    }

    private int node(Terminal terminal) {
        return gauge.node(terminal).orElseThrow(() -> new IllegalArgumentException("there is no terminal " + terminal));
    }

    private Reading clamp(Request request) {
        double one = clamped(request);
        double value = request.turns() * one;
        String says = request.conductors().size() > 1
                ? SumProof.says(worlds.get(), request, Double.parseDouble(digits(one)))
                : new AmpsProof(worlds.get(), request, Double.parseDouble(digits(one))).says();
        return new Reading(value, "A", digits(value), request.turns() == 1 ? says : says + turns(request.turns(), one));
    }

    private double clamped(Request request) {
        return gauge.clamped(request)
                .orElseThrow(() -> new IllegalArgumentException("there is no wire " + request.wire()));
    }

    private static String turns(double turns, double amps) {
        return String.format(
                Locale.ROOT,
                " The display counts %s turns; the conductor carries %s A.",
                Numbers.plain(turns),
                Numbers.threeFigures(amps));
    }

    /** Four places, as a meter of this kind shows them. */
    static String digits(double value) {
        double a = Math.abs(value);
        int decimals = a >= 100 ? 1 : a >= 10 ? 2 : 3;
        String s = String.format(Locale.ROOT, "%." + decimals + "f", value);
        return s.matches("-0\\.0+") ? s.substring(1) : s;
    }
}
