package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
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
import org.jagridge.core.part.block.Burnable;
import org.jagridge.core.part.block.Coil;

/** {@code air-handler-board}: a fuse, R and C, a fan relay on G, and with posts also Y, W and O that pass a wire on. */
final class AirHandlerBoard extends PartType {
    AirHandlerBoard() {
        super(
                "air-handler-board",
                "Air handler board",
                "Fuse, R and C, and a fan relay. Some have posts for Y, W and O.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.flag("posts", true),
                Field.number("blowerOffSeconds", 0.0, "s").within(0, 600),
                Field.positive("fuseAmps", 3.0, "A"));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("L1", "L2", "X1", "X2", "R", "C", "G", "BL"));
        if (params.flag("posts")) {
            names.addAll(List.of("Y", "W", "O"));
        }
        return names;
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.momentary("replaced"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("on", "off", Fuse.ON_BOARD_BLOWN, Burnable.BURNT);
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("L1", "L2", "BL");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch common = draft.link("X2", "C");
        Branch supply = draft.inside("X1", "X2");
        Fuse.Element fuse = Fuse.inside(draft, "X1", "R", draft.params().number("fuseAmps"));
        Branch coil = draft.coil("G", "C");
        Board board = new Board(
                common,
                supply,
                fuse,
                Coil.small(coil),
                draft.contact("L1", "BL", Shape.CONTACT_OPEN, false),
                Time.micros(draft.params().number("blowerOffSeconds")));
        return Burnable.lowVoltage(board, supply, coil);
    }

    /** @param offAt when a blower that overruns stops, or {@link Instant#NEVER} */
    record State(Fuse.State fuse, Coil.State coil, boolean blower, Instant offAt) {}

    private record Board(Branch common, Branch supply, Fuse.Element fuse, Coil coil, Branch blower, long overrun)
            implements Behaviour<State> {
        private static final double LEAST_SUPPLY = 16;

        @Override
        public State start(Moment m) {
            return new State(fuse.start(m), Coil.State.OUT, false, Instant.NEVER);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.contact(common, true);
            fuse.stamp(s.fuse(), stamp);
            coil.stamp(s.coil(), stamp);
            stamp.contact(blower, s.blower());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            Reaction<Fuse.State> f = fuse.react(s.fuse(), m);
            Reaction<Coil.State> c = coil.react(s.coil(), m);
            boolean in = c.state().in();
            boolean powered = m.acVolts(supply) >= LEAST_SUPPLY;
            Instant offAt = in ? Instant.NEVER : s.coil().in() ? m.after(overrun) : s.offAt();
            boolean runs = in || (powered && !offAt.isNever() && !offAt.hasCome(m.now()));
            Because because = f.because() != null
                    ? f.because()
                    : c.because() != null
                            ? c.because()
                            : powered
                                    ? Because.timer(() -> Time.words(overrun) + " after G ended")
                                            .since(offAt.minus(overrun))
                                    : Because.fallen(supply, m.acVolts(supply), LEAST_SUPPLY);
            State next = new State(f.state(), c.state(), runs, runs ? offAt : Instant.NEVER);
            return new Reaction<>(
                    next,
                    Instant.earliest(f.wakeAt(), Instant.earliest(c.wakeAt(), next.offAt())),
                    because,
                    c.arms() != null ? c.arms() : f.arms());
        }

        @Override
        public String signal(State s) {
            return s.fuse().blown() ? Fuse.ON_BOARD_BLOWN : s.blower() ? "on" : "off";
        }
    }
}
