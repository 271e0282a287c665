package org.jagridge.core.part.block;

import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;

/** A plain load that is on while it has enough volts. */
public final class Load implements Behaviour<Load.State> {
    /** Fraction of rated volts at which a load counts as on. */
    public static final double ON = 0.7;

    /** Volts that burn nothing: a thermopile has no more. */
    private static final double HARMLESS_VOLTS = 2;

    /** A small motor that stands draws this many times its running current. */
    public static final double LOCKED_TIMES = 3;

    /** The same for motors. */
    public static final double MOTOR_ON = 0.6;

    /** @param seized whether a motor's rotor stands: it draws and doesn't turn */
    public record State(boolean on, boolean burnt, boolean seized, Stress stress) {
        public static final State OFF = new State(false, false, false, Stress.NONE);
    }

    private final Branch branch;
    private final Complex impedance;
    private final double rated;
    private final double onFraction;
    private final boolean burnsOut;

    /** @param burnsOut whether it gives way over 1.3 × its rated volts */
    public Load(Branch branch, Complex impedance, double rated, double onFraction, boolean burnsOut) {
        this.branch = branch;
        this.impedance = impedance;
        this.rated = rated;
        this.onFraction = onFraction;
        this.burnsOut = burnsOut;
    }

    @Override
    public State start(Moment moment) {
        return State.OFF;
    }

    @Override
    public void stamp(State state, Stamp stamp) {
        if (state.burnt()) {
            stamp.open(branch);
        } else {
            stamp.load(branch, state.seized() ? impedance.times(1 / LOCKED_TIMES) : impedance);
        }
    }

    @Override
    public Reaction<State> react(State s, Moment m) {
        if (s.burnt()) {
            return Reaction.stay(s);
        }
        double volts = m.volts(branch);
        boolean over = burnsOut && volts > Math.max(HARMLESS_VOLTS, Stress.OVERVOLTAGE * rated);
        Stress stress = s.stress().under(over ? Stress.Kind.OVERVOLTAGE : Stress.Kind.NONE, m.now());
        if (stress.broken(m.now())) {
            return Reaction.change(new State(false, true, false, Stress.NONE), stress.because(branch, volts, rated));
        }
        // a load without current is off, whatever stands across it
        boolean seized = m.fault(PartDefect.MotorSeized.class) != null;
        boolean on = !seized && volts >= onFraction * rated && m.amps(branch) > 0.1 * volts / impedance.abs();
        State next = new State(on, false, seized, stress);
        Because because = on
                ? Because.risen(branch, volts, onFraction * rated)
                : Because.fallen(branch, volts, onFraction * rated);
        return new Reaction<>(next, stress.breaksAt(), because, null);
    }

    @Override
    public String signal(State state) {
        return state.burnt() ? "burnt" : state.on() ? "on" : "off";
    }
}
