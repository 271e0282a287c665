package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
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
import org.jagridge.core.part.Trait;

/** {@code pressure-switch}: proves draft. Closes a delay after the part it follows runs, opens 1 s after it stops. */
final class PressureSwitch extends PartType {
    private static final long OPENS_AFTER = Time.SECOND;

    PressureSwitch() {
        super("pressure-switch", "Draft-proving switch", "Closes when the inducer makes its draft.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.part("follows"), Field.number("delaySeconds", 2.0, "s").within(0, 600));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.CONDITION, "condition", List.of("blocked-flue"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.PROVING);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("open", "closed");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Element(
                draft.contact("1", "2", Shape.PROVING, false),
                draft.params().textOrNull("follows"),
                Time.micros(draft.params().number("delaySeconds")));
    }

    /** @param due when it moves next, or {@link Instant#NEVER} */
    record State(boolean closed, Instant due) {}

    private record Element(Branch contact, String follows, long delay) implements Behaviour<State> {
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
            String signal = follows == null ? null : m.signalOf(follows);
            boolean draft = signal != null && !signal.equals("off") && !m.condition("blocked-flue");
            if (draft == s.closed()) {
                return Reaction.stay(new State(s.closed(), Instant.NEVER));
            }
            long pause = draft ? delay : OPENS_AFTER;
            Instant due = s.due().isNever() ? m.after(pause) : s.due();
            if (due.hasCome(m.now())) {
                String words =
                        "%s after %s %s".formatted(Time.words(pause), follows, draft ? "began to run" : "stopped");
                return Reaction.change(new State(draft, Instant.NEVER), Because.timer(words));
            }
            Because arms = Because.link(() -> follows + " is " + signal);
            return new Reaction<>(new State(s.closed(), due), due, null, s.due().equals(due) ? null : arms);
        }

        @Override
        public String waitsFor(State s, Instant now) {
            return s.closed() || follows == null ? null : follows + " to run";
        }

        @Override
        public String signal(State s) {
            return s.closed() ? "closed" : "open";
        }
    }
}
