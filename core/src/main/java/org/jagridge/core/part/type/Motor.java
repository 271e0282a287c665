package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Rating;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Load;
import org.jagridge.core.part.block.Stress;

/**
 * {@code motor}: a blower, fan, inducer or circulator of one speed, or with a tap a speed against COM. Idle taps of a
 * running motor are live. With {@code tapVolts} the taps are low-voltage signals against TC and the line is on 1 and 2.
 */
final class Motor extends PartType {
    /** The winding between two taps as an idle one shows it: its tap is live, and gives next to no current. */
    private static final double BETWEEN_OHMS = 50_000;

    private static final double IDLE_OHMS = 2_000_000;
    /** A tap that becomes fed has at least this share of the highest tap's volts; an idle one between two fed ones 0.988. */
    private static final double FED = 0.99;
    /** A fed tap's winding is in the circuit until this share of the rated volts is lost: an idle one shows 0.03 %. */
    private static final double UNFED = 0.05;

    Motor() {
        super("motor", "Motor", "Turns while a speed tap has 60 % of its rated volts.");
    }

    @Override
    public String letters() {
        return "MOT";
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("volts", 120.0, "V"),
                Field.positive("amps", 1.0, "A"),
                Field.positive("pf", 0.8, "").within(0.01, 1),
                Field.texts("speeds", List.of()),
                Field.positive("tapVolts", null, "V"),
                Field.choice("kind", "blower", "blower", "inducer", "fan", "circulator"));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> speeds = params.texts("speeds");
        if (speeds.isEmpty()) {
            return List.of("1", "2");
        }
        List<String> names = new ArrayList<>(params.has("tapVolts") ? List.of("1", "2") : List.of());
        names.addAll(speeds);
        names.add(params.has("tapVolts") ? "TC" : "COM");
        return names;
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return List.of(Fault.of(FaultKind.MOTOR_SEIZED, "part", part.id()));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return params.is("kind", "blower") ? Set.of(Trait.SPEED_TAPS, Trait.AIR_MOVER) : Set.of(Trait.SPEED_TAPS);
    }

    @Override
    public Rating rating(Params params) {
        return super.rating(params).withWorkingAmps(params.number("amps"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of(Stream.concat(Stream.of("off", "on", "burnt"), params.texts("speeds").stream())
                .toArray(String[]::new));
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
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
        if (p.has("tapVolts")) {
            return new SignalledMotor(draft, z);
        }
        List<Branch> taps =
                speeds.stream().map(s -> draft.load(s, "COM", Shape.MOTOR)).toList();
        List<Branch> between = new ArrayList<>();
        for (int i = 1; i < speeds.size(); i++) {
            between.add(draft.inside(speeds.get(i - 1), speeds.get(i)));
        }
        return new Taps(speeds, taps, between, z, volts);
    }

    /**
     * @param speed index of the highest speed that runs, or −1
     * @param fed the taps whose winding is in the circuit; what a weak feed drops over itself doesn't put it out again
     */
    record State(int speed, boolean burnt, boolean seized, Stress stress, List<Boolean> fed) {}

    private record Taps(List<String> speeds, List<Branch> taps, List<Branch> between, Complex z, double rated)
            implements Behaviour<State> {
        private List<Boolean> nothingFed() {
            return Collections.nCopies(taps.size(), false);
        }

        @Override
        public State start(Moment moment) {
            return new State(-1, false, false, Stress.NONE, nothingFed());
        }

        @Override
        public void stamp(State state, Stamp stamp) {
            between.forEach(b -> stamp.resistance(b, BETWEEN_OHMS));
            for (int i = 0; i < taps.size(); i++) {
                if (state.burnt()) {
                    stamp.open(taps.get(i));
                } else if (state.fed().get(i)) {
                    stamp.load(taps.get(i), state.seized() ? z.times(1 / Load.LOCKED_TIMES) : z);
                } else {
                    stamp.resistance(taps.get(i), IDLE_OHMS);
                }
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            if (s.burnt()) {
                return Reaction.stay(s);
            }
            boolean seized = m.fault(PartDefect.MotorSeized.class) != null;
            double most = 0;
            for (Branch tap : taps) {
                most = Math.max(most, m.volts(tap));
            }
            int speed = -1;
            int energised = 0;
            List<Boolean> fed = new ArrayList<>();
            for (int i = taps.size() - 1; i >= 0; i--) {
                double v = m.volts(taps.get(i));
                boolean in = v >= (s.fed().get(i) ? UNFED * rated : Math.max(Load.MOTOR_ON * rated, FED * most))
                        && m.fault(PartDefect.LoadOpen.class) == null;
                fed.add(0, in);
                if (in) {
                    speed = v >= Load.MOTOR_ON * rated ? i : speed;
                    energised++;
                }
            }
            Stress stress = s.stress().under(energised > 1 ? Stress.Kind.TWO_TAPS : Stress.Kind.NONE, m.now());
            Branch focus = taps.get(Math.max(0, speed >= 0 ? speed : s.speed()));
            double volts = m.volts(focus);
            if (stress.broken(m.now())) {
                return Reaction.change(
                        new State(-1, true, false, Stress.NONE, nothingFed()), stress.because(focus, volts, rated));
            }
            Because because = speed >= 0
                    ? Because.risen(focus, volts, Load.MOTOR_ON * rated)
                    : Because.fallen(focus, volts, Load.MOTOR_ON * rated);
            return new Reaction<>(
                    new State(seized ? -1 : speed, false, seized, stress, List.copyOf(fed)),
                    stress.breaksAt(),
                    because,
                    null);
        }

        @Override
        public String signal(State state) {
            return state.burnt() ? "burnt" : state.speed() < 0 ? "off" : speeds.get(state.speed());
        }
    }
}
