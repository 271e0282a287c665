package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
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
import org.jagridge.core.part.block.Travel;

/** {@code vent-damper}: on a call at D it opens in 15 s; only its end switch 3–4 then lets the burner on. */
final class VentDamper extends PartType {
    private static final double ON_VOLTS = 16;

    VentDamper() {
        super("vent-damper", "Vent damper", "Opens the flue before the burner runs, shuts it after.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("travelSeconds", 15.0, "s"), Field.choice("powerLoss", "open", "open", "stay"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("R", "C", "D", "3", "4");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.STUCK, "at", List.of("shut", "open"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("shut", "moving", "half", "open", Burnable.BURNT).restsOnlyAt("shut", Burnable.BURNT);
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "motor", "D-C", "call");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("R", "C", "D");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch motor = draft.load("R", "C", Shape.MOTOR);
        Branch call = draft.load("D", "C", Shape.BOX);
        Blade blade = new Blade(
                motor,
                call,
                draft.contact("3", "4", Shape.SWITCH, false),
                Time.micros(draft.params().number("travelSeconds")),
                draft.params().is("powerLoss", "open"));
        return Burnable.lowVoltage(blade, motor, call);
    }

    private record Blade(Branch motor, Branch call, Branch end, long whole, boolean springsOpen)
            implements Behaviour<Travel> {
        @Override
        public Travel start(Moment moment) {
            return Travel.rest(0, whole);
        }

        @Override
        public void stamp(Travel s, Stamp stamp) {
            stamp.load(motor, Complex.impedance(24 * 24 / 7.0, 0.5));
            stamp.load(call, Complex.real(2000));
            stamp.contact(end, !s.moves() && s.to() == 1);
        }

        @Override
        public Reaction<Travel> react(Travel s, Moment m) {
            boolean powered = m.volts(motor) >= ON_VOLTS && m.fault(PartDefect.LoadOpen.class) == null;
            boolean called = m.volts(call) >= ON_VOLTS;
            boolean stays = !powered && !springsOpen;
            double end = called || !powered ? 1 : 0;
            PartDefect.Stuck stuck = m.fault(PartDefect.Stuck.class);
            double at = stuck == null ? end : s.sticking(stuck.position().equals("open") ? 1 : 0, end, m.now());
            Travel next = stays ? s.stopped(m.now()) : s.toward(at, m.now());
            boolean turned = next.to() != s.to();
            Because because = turned
                    ? (called
                            ? Because.risen(call, m.volts(call), ON_VOLTS)
                            : Because.fallen(powered ? call : motor, m.volts(powered ? call : motor), ON_VOLTS))
                    : Because.timer(
                            "the way takes " + Time.words(s.moves() ? m.now().since(s.since()) : 0));
            return new Reaction<>(next, next.arrives(), because, turned ? because : null);
        }

        @Override
        public String signal(Travel s) {
            return s.moves() ? "moving" : s.to() == 1 ? "open" : s.to() == 0 ? "shut" : "half";
        }
    }
}
