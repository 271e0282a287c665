package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.block.Burnable;

/**
 * {@code sequencer}: a heater H1–H2 of 4 W bends strips that close M1 after 20 s, M2 after 40, M3 after 60, and let them
 * open in reverse, 10, 20 and 40 s after the call. A closing that isn't due yet is cancelled when the call ends.
 */
final class Sequencer extends PartType {
    private static final double ON_VOLTS = 0.7 * 24;

    Sequencer() {
        super("sequencer", "Thermal sequencer", "Brings on heating elements one after another.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.number("stages", 1.0, "").within(1, 3),
                Field.numbers("onSeconds", List.of(20.0, 40.0, 60.0), "s"),
                Field.numbers("offSeconds", List.of(40.0, 20.0, 10.0), "s"));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("H1", "H2"));
        for (int i = 1; i <= params.integer("stages"); i++) {
            names.addAll(List.of("M" + i + "a", "M" + i + "b"));
        }
        return names;
    }

    @Override
    public Signal signal(Params params) {
        return Signal.someOf(numbers(params.integer("stages")), "none", Burnable.BURNT);
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("H1", "H2");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        List<Branch> contacts = new ArrayList<>();
        for (int i = 1; i <= p.integer("stages"); i++) {
            contacts.add(draft.contact("M" + i + "a", "M" + i + "b", Shape.CONTACT_OPEN, false));
        }
        Branch heater = draft.branch("H1", "H2", "H1-H2", Role.COIL, Shape.RESISTOR, false);
        Strips strips = new Strips(
                heater,
                contacts,
                p.numbers("onSeconds").stream().map(Time::micros).toList(),
                p.numbers("offSeconds").stream().map(Time::micros).toList());
        return Burnable.lowVoltage(strips, heater);
    }

    /** @param since when the call last began or ended */
    record State(boolean called, Instant since, List<Boolean> closed) {}

    private record Strips(Branch heater, List<Branch> contacts, List<Long> on, List<Long> off)
            implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(
                    false, Instant.NEVER, contacts.stream().map(c -> false).toList());
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(heater, Complex.real(24 * 24 / 4.0));
            for (int i = 0; i < contacts.size(); i++) {
                stamp.contact(contacts.get(i), s.closed().get(i));
            }
        }

        private long delay(boolean called, int stage) {
            List<Long> list = called ? on : off;
            return list.get(Math.min(stage, list.size() - 1));
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            double volts = m.volts(heater);
            boolean called = volts >= ON_VOLTS && m.amps(heater) > 0.01;
            Instant since = called == s.called() ? s.since() : m.now();
            List<Boolean> closed = new ArrayList<>(s.closed());
            Instant wake = Instant.NEVER;
            long moved = 0;
            for (int i = 0; i < closed.size(); i++) {
                if (closed.get(i) == called) {
                    continue;
                }
                Instant due = since.plus(delay(called, i));
                if (due.hasCome(m.now())) {
                    closed.set(i, called);
                    moved = due.since(since);
                } else {
                    wake = Instant.earliest(wake, due);
                }
            }
            long after = moved;
            Because arms = called == s.called()
                    ? null
                    : called ? Because.risen(heater, volts, ON_VOLTS) : Because.fallen(heater, volts, ON_VOLTS);
            return new Reaction<>(
                    new State(called, since, List.copyOf(closed)),
                    wake,
                    Because.timer(() -> Time.words(after) + " after the call " + (called ? "began" : "ended")),
                    arms);
        }

        @Override
        public State canonical(State s, Instant now) {
            boolean waits = s.closed().contains(!s.called());
            return waits ? s : new State(s.called(), Instant.NEVER, s.closed());
        }

        @Override
        public String signal(State s) {
            String stages = IntStream.range(0, s.closed().size())
                    .filter(i -> s.closed().get(i))
                    .mapToObj(i -> Integer.toString(i + 1))
                    .collect(Collectors.joining(" "));
            return stages.isEmpty() ? "none" : stages;
        }
    }
}
