package org.jagridge.core.part.block;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;

/**
 * The coil and armature of a relay or contactor. The impedance of an AC coil falls from open to sealed: |Z| = V²/VA
 * with the inrush VA at power factor 0.6 while the armature is out, the sealed VA at 0.35 while it is in. So a
 * transformer that sags under the inrush may never let it seat.
 */
public final class Coil {
    private static final double SEALED_PF = 0.35;
    private static final double OPEN_PF = 0.6;

    /** Where the armature is. */
    public enum Armature {
        OUT("out"),
        IN("in"),
        BURNT("burnt"),
        CHATTER("chatter");

        private final String word;

        Armature(String word) {
            this.word = word;
        }
    }

    /** @param due when the armature will move, or {@link Instant#NEVER} */
    public record State(Armature armature, Instant due, Stress stress) {
        public static final State OUT = new State(Armature.OUT, Instant.NEVER, Stress.NONE);

        public boolean in() {
            return armature == Armature.IN;
        }

        public String word() {
            return armature.word;
        }

        private State rest() {
            return due.isNever() ? this : new State(armature, Instant.NEVER, stress);
        }
    }

    private final Branch branch;
    private final boolean direct;
    private final double rated;
    private final double pullIn;
    private final double dropOut;
    private final long operate;
    private final long release;
    private final Complex open;
    private final Complex sealed;
    /** Whether it takes less once its armature is in, and so burns where that never gets there. */
    private final boolean seats;

    private Coil(
            Branch branch,
            boolean direct,
            double rated,
            double pullIn,
            double dropOut,
            long operateMs,
            long releaseMs,
            Complex open,
            Complex sealed) {
        this.branch = branch;
        this.direct = direct;
        this.rated = rated;
        this.pullIn = pullIn;
        this.dropOut = dropOut;
        operate = operateMs * Time.MILLISECOND;
        release = releaseMs * Time.MILLISECOND;
        this.open = open;
        this.sealed = sealed;
        seats = !direct && !sealed.equals(open);
    }

    /** The parameters of a coil, with the VA that the type has by default. */
    public static List<Field> params(double sealedVa, double inrushVa) {
        return new ArrayList<>(List.of(
                Field.positive("coilVolts", 24.0, "V"),
                Field.choice("coilKind", "AC", "AC", "DC"),
                Field.positive("sealedVa", sealedVa, "VA"),
                Field.positive("inrushVa", inrushVa, "VA"),
                Field.positive("watts", 1.2, "W"),
                Field.positive("contactVolts", 240.0, "V"),
                Field.positive("contactAmps", 10.0, "A")));
    }

    /** A coil as its parameters say. */
    public static Coil of(Branch branch, Params p, long operateMs, long releaseMs) {
        double v = p.number("coilVolts");
        if (p.is("coilKind", "DC")) {
            Complex z = Complex.real(v * v / p.number("watts"));
            return new Coil(branch, true, v, 0.75 * v, 0.15 * v, operateMs, releaseMs, z, z);
        }
        return new Coil(
                branch,
                false,
                v,
                0.78 * v,
                0.45 * v,
                operateMs,
                releaseMs,
                Complex.impedance(v * v / p.number("inrushVa"), OPEN_PF),
                Complex.impedance(v * v / p.number("sealedVa"), SEALED_PF));
    }

    /** An AC coil whose impedance doesn't change with the armature, with its own thresholds in volts. */
    public static Coil plain(Branch branch, Complex z, double pullIn, double dropOut, long operateMs, long releaseMs) {
        return new Coil(branch, false, 24, pullIn, dropOut, operateMs, releaseMs, z, z);
    }

    /** A coil for line volts with its own thresholds; its rating is high above them. 15/10 ms. */
    public static Coil line(Branch branch, Complex z, double pullIn, double dropOut) {
        return new Coil(branch, false, 2 * pullIn, pullIn, dropOut, 15, 10, z, z);
    }

    /** The coil of a small relay inside another part: 24 V, 3.5 VA sealed, 6 VA open, 15/10 ms. */
    public static Coil small(Branch branch) {
        return new Coil(
                branch,
                false,
                24,
                0.78 * 24,
                0.45 * 24,
                15,
                10,
                Complex.impedance(96, OPEN_PF),
                Complex.impedance(24 * 24 / 3.5, SEALED_PF));
    }

    public void stamp(State s, Stamp stamp) {
        if (s.armature() == Armature.BURNT) {
            stamp.open(branch);
        } else {
            // on DC a coil is only its copper, whatever the armature does
            stamp.load(branch, s.in() ? sealed : open, open.re());
        }
    }

    public Reaction<State> react(State s, Moment m) {
        if (s.armature() == Armature.BURNT || s.armature() == Armature.CHATTER) {
            return Reaction.stay(s);
        }
        double volts = isWhole(m) ? (direct ? Math.abs(m.dcVolts(branch)) : m.volts(branch)) : 0;
        Stress stress = s.stress().under(stressNow(s, m), m.now());
        if (stress.broken(m.now())) {
            State burnt = new State(Armature.BURNT, Instant.NEVER, Stress.NONE);
            return Reaction.change(burnt, stress.because(branch, m.volts(branch), rated));
        }
        Reaction<State> move = move(new State(s.armature(), s.due(), stress), volts, m);
        return move.wake(move.state().stress().breaksAt());
    }

    /** The armature held in by hand, whatever the coil does. */
    public Reaction<State> pressed(State s, Moment m) {
        Reaction<State> own = react(s, m);
        if (own.state().armature() == Armature.BURNT || s.armature() == Armature.CHATTER) {
            return own;
        }
        State in = new State(Armature.IN, Instant.NEVER, own.state().stress());
        return s.in() ? Reaction.stay(in) : Reaction.change(in, Because.input("pressed in by hand"));
    }

    /** A broken or shorted winding may have volts across it and still not pull. */
    private static boolean isWhole(Moment m) {
        return m.fault(PartDefect.CoilOpen.class) == null && m.fault(PartDefect.CoilShorted.class) == null;
    }

    private Stress.Kind stressNow(State s, Moment m) {
        double volts = isWhole(m) ? m.volts(branch) : 0;
        if (volts > Stress.OVERVOLTAGE * rated) {
            return Stress.Kind.OVERVOLTAGE;
        }
        if (!direct && Math.abs(m.dcVolts(branch)) > 0.7 * rated) {
            return Stress.Kind.DIRECT_CURRENT;
        }
        return seats && !s.in() && volts > 0.45 * rated ? Stress.Kind.OVERHEATED : Stress.Kind.NONE;
    }

    private Reaction<State> move(State s, double volts, Moment m) {
        boolean wants = s.in() ? volts <= dropOut : volts >= pullIn;
        if (!wants || m.fault(PartDefect.ArmatureStuck.class) != null) {
            return Reaction.stay(s.rest());
        }
        Because because = s.in() ? Because.fallen(branch, volts, dropOut) : Because.risen(branch, volts, pullIn);
        if (s.due().isNever()) {
            Instant due = m.after(s.in() ? release : operate);
            return Reaction.arm(new State(s.armature(), due, s.stress()), due, because);
        }
        if (!s.due().hasCome(m.now())) {
            return Reaction.waiting(s, s.due());
        }
        Armature next = s.in() ? Armature.OUT : Armature.IN;
        return Reaction.change(new State(next, Instant.NEVER, s.stress()), because.afterDelay());
    }

    public State chattering(State s) {
        return new State(Armature.CHATTER, Instant.NEVER, Stress.NONE);
    }
}
