package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.block.Burnable;

/** {@code diagnostic-module}: compares the call on Y with the compressor's currents and says what doesn't fit. */
final class DiagnosticModule extends PartType {
    private static final double ON_VOLTS = 16;
    private static final double FLOWS = 0.5;
    /** After a call the compressor gets this long to start. */
    private static final long PATIENCE = 2 * Time.SECOND;

    DiagnosticModule() {
        super("diagnostic-module", "Diagnostic module", "Watches call and currents and says what doesn't fit.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.wire("runWire"), Field.wire("startWire"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("R", "C", "Y");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.inWords();
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "power");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch supply = draft.load("R", "C", Shape.BOX);
        Branch call = draft.load("Y", "C", Shape.BOX);
        Watch watch = new Watch(
                supply,
                call,
                draft.params().textOrNull("runWire"),
                draft.params().textOrNull("startWire"));
        return Burnable.lowVoltage(watch, supply, call);
    }

    /**
     * What it says.
     *
     * @param suspect a verdict that doesn't stand yet
     * @param since when it arose
     */
    record State(String verdict, String suspect, Instant since) {}

    private record Watch(Branch supply, Branch call, String runWire, String startWire) implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State("no supply", "no supply", Instant.NEVER);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(supply, Complex.real(24 * 24 / 1.0));
            stamp.load(call, Complex.real(10_000));
        }

        private static double amps(String wire, Moment m) {
            Branch b = wire == null ? null : m.wire(wire);
            return b == null ? 0 : m.acAmps(b).abs();
        }

        private String verdict(Moment m) {
            if (m.acVolts(supply) < ON_VOLTS) {
                return "no supply";
            }
            boolean calls = m.acVolts(call) >= ON_VOLTS;
            boolean runs = amps(runWire, m) >= FLOWS;
            boolean starts = startWire == null || amps(startWire, m) >= FLOWS / 5;
            if (!calls) {
                return runs ? "current without a call: welded contactor" : "no call";
            }
            if (!runs) {
                return "call without current: no supply, overload or open winding";
            }
            return starts ? "runs as called" : "run current without start current: open start circuit";
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            String now = verdict(m);
            if (now.equals(s.verdict())) {
                return Reaction.stay(new State(now, now, s.since()));
            }
            Instant since = now.equals(s.suspect()) ? s.since() : m.now();
            boolean alarm = now.contains(":");
            if (!alarm || since.plus(PATIENCE).hasCome(m.now())) {
                return Reaction.change(new State(now, now, since), Because.link("call and currents compared"));
            }
            return Reaction.waiting(new State(s.verdict(), now, since), since.plus(PATIENCE));
        }

        @Override
        public State canonical(State s, Instant now) {
            return s.suspect().equals(s.verdict()) ? new State(s.verdict(), s.suspect(), Instant.NEVER) : s;
        }

        @Override
        public String signal(State s) {
            return s.verdict();
        }
    }
}
