package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;

/**
 * {@code current-switch}: closes when |Σ I × turns| of the conductors through it reaches 0.8 A, opens at 0.7 A, 20 ms
 * both ways, AC only. Example: 0.5 A with two turns counts as 1.0 A; out and back through the hole cancel.
 */
final class CurrentSwitch extends PartType {
    private static final long MOVES_IN = 20 * Time.MILLISECOND;

    CurrentSwitch() {
        super(
                "current-switch",
                "Current switch",
                "Proves that current flows in a conductor. It doesn't prove airflow: a seized blower passes.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.pairs("senses", "wire", "turns", "x"),
                Field.positive("closeAmps", 0.8, "A"),
                Field.positive("openAmps", 0.7, "A"),
                Field.positive("maxContactAmps", 1.5, "A"));
    }

    @Override
    public List<Problem> mistakesIn(Params params) {
        List<Problem> problems = new ArrayList<>();
        int i = 0;
        for (Object s : params.list("senses")) {
            if (!(s instanceof Map<?, ?> map) || !(map.get("wire") instanceof String)) {
                problems.add(new Problem("senses/" + i, "each is an object like {\"wire\": \"w8\", \"turns\": 2}"));
            }
            i++;
        }
        return problems;
    }

    @Override
    public List<Reference> references(Params params) {
        return params.structures("senses").stream()
                .map(s -> new Reference("senses", (String) s.get("wire"), true))
                .toList();
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    private record Sense(String wire, double times) {}

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.PROVING, Trait.SENSES_CURRENT);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("open", "closed");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Sense> senses = new ArrayList<>();
        for (Map<String, Object> s : draft.params().structures("senses")) {
            double turns = s.get("turns") instanceof Number n ? n.doubleValue() : 1;
            double direction = s.get("direction") instanceof Number n ? n.doubleValue() : 1;
            senses.add(new Sense((String) s.get("wire"), turns * direction));
        }
        return new Element(
                draft.contact("1", "2", Shape.CURRENT, false),
                senses,
                draft.params().number("closeAmps"),
                draft.params().number("openAmps"));
    }

    record State(boolean closed, Instant due) {}

    private record Element(Branch contact, List<Sense> senses, double closeAmps, double openAmps)
            implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return new State(false, Instant.NEVER);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.contact(contact, s.closed());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            Complex sum = Complex.ZERO;
            Branch through = null;
            for (Sense sense : senses) {
                Branch wire = m.wire(sense.wire());
                if (wire != null) {
                    through = wire;
                    sum = sum.plus(m.acAmps(wire).times(sense.times()));
                }
            }
            double amps = sum.abs();
            boolean moves = s.closed() ? amps <= openAmps : amps >= closeAmps;
            if (!moves || through == null) {
                return Reaction.stay(new State(s.closed(), Instant.NEVER));
            }
            Instant due = s.due().isNever() ? m.after(MOVES_IN) : s.due();
            double threshold = s.closed() ? openAmps : closeAmps;
            String sign = s.closed() ? "≤" : "≥";
            Branch focus = Objects.requireNonNull(through);
            Because because = new Because(
                    Because.Kind.AMPS,
                    () -> "%.2f A counted %s %.2f A".formatted(amps, sign, threshold),
                    amps,
                    threshold,
                    focus,
                    s.closed(),
                    true);
            if (due.hasCome(m.now())) {
                return Reaction.change(new State(!s.closed(), Instant.NEVER), because);
            }
            return new Reaction<>(new State(s.closed(), due), due, null, s.due().equals(due) ? null : because);
        }

        @Override
        public String waitsFor(State s, Instant now) {
            return s.closed()
                    ? null
                    : "%s A in %s"
                            .formatted(
                                    Numbers.plain(closeAmps),
                                    String.join(
                                            ", ",
                                            senses.stream().map(Sense::wire).toList()));
        }

        @Override
        public String signal(State s) {
            return s.closed() ? "closed" : "open";
        }
    }
}
