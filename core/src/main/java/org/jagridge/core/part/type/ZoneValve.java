package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
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
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.block.Burnable;
import org.jagridge.core.part.block.Load;
import org.jagridge.core.part.block.Travel;

/** {@code zone-valve}: a motor 1–2 opens it against a spring; the end switch 3–4 makes at the end of the travel. */
final class ZoneValve extends PartType {
    private static final double POWER_FACTOR = 0.5;

    ZoneValve() {
        super("zone-valve", "Zone valve", "Opens for its zone; its end switch then calls boiler and pump.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("volts", 24.0, "V"),
                Field.positive("va", 7.0, "VA"),
                Field.positive("travelSeconds", 30.0, "s"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2", "3", "4");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.STUCK, "at", List.of("shut", "open"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("shut", "moving", "open", Burnable.BURNT).restsOnlyAt("shut", Burnable.BURNT);
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("1", "2");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double volts = draft.params().number("volts");
        Branch motor = draft.load("1", "2", Shape.MOTOR);
        Valve valve = new Valve(
                motor,
                draft.contact("3", "4", Shape.SWITCH, false),
                Complex.impedance(volts * volts / draft.params().number("va"), POWER_FACTOR),
                Load.MOTOR_ON * volts,
                Time.micros(draft.params().number("travelSeconds")));
        return new Burnable<>(valve, volts, List.of(motor), List.of(), m -> true);
    }

    private record Valve(Branch motor, Branch end, Complex z, double onVolts, long whole) implements Behaviour<Travel> {
        @Override
        public Travel start(Moment moment) {
            return Travel.rest(0, whole);
        }

        @Override
        public void stamp(Travel s, Stamp stamp) {
            stamp.load(motor, z);
            stamp.contact(end, isOpen(s));
        }

        private static boolean isOpen(Travel s) {
            return !s.moves() && s.to() == 1;
        }

        @Override
        public Reaction<Travel> react(Travel s, Moment m) {
            double volts = m.volts(motor);
            boolean on = volts >= onVolts && m.amps(motor) > 0.001;
            double end = on ? 1 : 0;
            PartDefect.Stuck stuck = m.fault(PartDefect.Stuck.class);
            Travel next = s.toward(
                    stuck == null ? end : s.sticking(stuck.position().equals("open") ? 1 : 0, end, m.now()), m.now());
            boolean turned = next.to() != s.to();
            Because because = turned
                    ? (on ? Because.risen(motor, volts, onVolts) : Because.fallen(motor, volts, onVolts))
                    : Because.timer(() -> "the travel takes " + Time.words(whole));
            return new Reaction<>(next, next.arrives(), because, turned ? because : null);
        }

        @Override
        public String signal(Travel s) {
            return s.moves() ? "moving" : s.to() == 1 ? "open" : "shut";
        }
    }
}
