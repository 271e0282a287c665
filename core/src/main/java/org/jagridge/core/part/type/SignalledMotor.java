package org.jagridge.core.part.type;

import java.util.List;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.block.Load;

/** A motor with line volts on 1 and 2 whose speed taps are low-voltage signals against TC. */
final class SignalledMotor implements Behaviour<SignalledMotor.State> {
    private static final double TAP_VA = 0.5;
    private static final double IDLE_SHARE = 0.02;

    /** @param speed index of the speed it runs at, or −1 */
    record State(int speed, boolean seized) {}

    private final List<String> speeds;
    private final Branch line;
    private final List<Branch> taps;
    private final Complex z;
    private final double lineVolts;
    private final double tapVolts;

    SignalledMotor(PartDraft draft, Complex z) {
        this.z = z;
        speeds = draft.params().texts("speeds");
        lineVolts = draft.params().number("volts");
        tapVolts = draft.params().number("tapVolts");
        line = draft.load("1", "2", Shape.MOTOR);
        taps = speeds.stream().map(s -> draft.load(s, "TC", Shape.BOX)).toList();
    }

    @Override
    public State start(Moment moment) {
        return new State(-1, false);
    }

    @Override
    public void stamp(State s, Stamp stamp) {
        double share = s.seized() ? Load.LOCKED_TIMES : s.speed() >= 0 ? 1 : IDLE_SHARE;
        stamp.load(line, z.times(1 / share));
        taps.forEach(t -> stamp.load(t, Complex.real(tapVolts * tapVolts / TAP_VA)));
    }

    @Override
    public Reaction<State> react(State s, Moment m) {
        double fed = m.volts(line);
        int speed = -1;
        for (int i = taps.size() - 1; i >= 0; i--) {
            if (fed >= Load.MOTOR_ON * lineVolts && m.volts(taps.get(i)) >= Load.MOTOR_ON * tapVolts) {
                speed = i;
            }
        }
        boolean seized = speed >= 0 && m.fault(PartDefect.MotorSeized.class) != null;
        Branch tap = taps.get(Math.max(0, speed >= 0 ? speed : s.speed()));
        double threshold = Load.MOTOR_ON * tapVolts;
        Because because = speed >= 0
                ? Because.risen(tap, m.volts(tap), threshold)
                : fed < Load.MOTOR_ON * lineVolts
                        ? Because.fallen(line, fed, Load.MOTOR_ON * lineVolts)
                        : Because.fallen(tap, m.volts(tap), threshold);
        return Reaction.change(new State(seized ? -1 : speed, seized), because);
    }

    @Override
    public String signal(State s) {
        return s.speed() < 0 ? "off" : speeds.get(s.speed());
    }
}
