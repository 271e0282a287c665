package org.jagridge.core.part;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.network.Complex;

/** {@code motor}: a blower, fan, inducer or circulator of one speed, or with a tap a speed against COM. */
final class Motor extends PartType {
    Motor() {
        super("motor", "Motor", "Turns while a speed tap has 60 % of its rated volts.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("volts", 120.0, "V"),
                Field.positive("amps", 1.0, "A"),
                Field.positive("pf", 0.8, "").within(0.01, 1),
                Field.texts("speeds", List.of()),
                Field.choice("kind", "blower", "blower", "inducer", "fan", "circulator"));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> speeds = params.texts("speeds");
        if (speeds.isEmpty()) {
            return List.of("1", "2");
        }
        List<String> names = new ArrayList<>(speeds);
        names.add("COM");
        return names;
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return List.of(Fault.of(FaultKind.MOTOR_SEIZED, "part", part.id()));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        double volts = p.number("volts");
        Complex z = Complex.impedance(volts / p.number("amps"), p.number("pf"));
        List<String> speeds = p.texts("speeds");
        if (speeds.isEmpty()) {
            return new Load(draft.load("1", "2", Shape.MOTOR), z, volts, Load.MOTOR_ON, false);
        }
        List<Branch> taps =
                speeds.stream().map(s -> draft.load(s, "COM", Shape.MOTOR)).toList();
        return new Taps(speeds, taps, z, volts);
    }

    /** @param speed index of the highest speed that runs, or −1 */
    record State(int speed, boolean burnt, boolean seized, Stress stress) {}

    private record Taps(List<String> speeds, List<Branch> taps, Complex z, double rated) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(-1, false, false, Stress.NONE);
        }

        @Override
        public void stamp(State state, Stamp stamp) {
            for (Branch tap : taps) {
                if (state.burnt()) {
                    stamp.open(tap);
                } else {
                    stamp.load(tap, state.seized() ? z.times(1 / Load.LOCKED_TIMES) : z);
                }
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            if (s.burnt()) {
                return Reaction.stay(s);
            }
            boolean seized = m.fault(FaultKind.MOTOR_SEIZED) != null;
            int speed = -1;
            int energised = 0;
            for (int i = taps.size() - 1; i >= 0; i--) {
                if (m.volts(taps.get(i)) >= Load.MOTOR_ON * rated
                        && m.amps(taps.get(i)) > 0.1 * Load.MOTOR_ON * rated / z.abs()) {
                    speed = i;
                    energised++;
                }
            }
            Stress stress = s.stress().under(energised > 1 ? Stress.Kind.TWO_TAPS : Stress.Kind.NONE, m.now());
            Branch focus = taps.get(Math.max(0, speed >= 0 ? speed : s.speed()));
            double volts = m.volts(focus);
            if (stress.broken(m.now())) {
                return Reaction.change(new State(-1, true, false, Stress.NONE), stress.because(focus, volts, rated));
            }
            Because because = speed >= 0
                    ? Because.risen(focus, volts, Load.MOTOR_ON * rated)
                    : Because.fallen(focus, volts, Load.MOTOR_ON * rated);
            return new Reaction<>(
                    new State(seized ? -1 : speed, false, seized, stress), stress.breaksAt(), because, null);
        }

        @Override
        public String signal(State state) {
            return state.burnt() ? "burnt" : state.speed() < 0 ? "off" : speeds.get(state.speed());
        }
    }
}
