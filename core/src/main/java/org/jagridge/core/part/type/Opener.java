package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;

/** {@code opener}: the drive of an opening, and the signal it offers on S1–S2. No mains, no signal. */
final class Opener extends PartType {
    private static final double LEAST_MAINS = 80;
    private static final double OWN_OHMS = 4000;

    Opener() {
        super(
                "opener",
                "Opener drive",
                "Drives an opening and offers a signal: AC while it travels, AC while it isn't shut, or DC always.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.part("opening"),
                Field.choice("signal", "ac-while-moving", "ac-while-moving", "ac-while-open", "dc-always"),
                Field.positive("volts", null, "V"),
                Field.positive("ohms", 1.5, "Ω"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("S1", "S2", "L", "N");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.DERIVED_SOURCE);
    }

    @Override
    public SourceRating source(Params params) {
        boolean direct = params.is("signal", "dc-always");
        double volts = params.number("volts", direct ? 28 : 24);
        return direct ? SourceRating.dc(volts) : SourceRating.ac(volts);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "on");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("L", "N");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        boolean direct = p.is("signal", "dc-always");
        return new Drive(
                draft.source("S1", "S2", Role.SOURCE, direct ? Shape.DC_SUPPLY : Shape.SUPPLY),
                draft.load("L", "N", Shape.BOX),
                p.textOrNull("opening"),
                p.text("signal"),
                p.number("volts", direct ? 28 : 24),
                p.number("ohms"));
    }

    private record Drive(Branch source, Branch mains, String opening, String signal, double volts, double ohms)
            implements Behaviour<Boolean> {
        @Override
        public Boolean start(Moment moment) {
            return false;
        }

        @Override
        public void stamp(Boolean on, Stamp stamp) {
            stamp.load(mains, Complex.real(OWN_OHMS));
            if (!on) {
                stamp.open(source);
            } else if (signal.equals("dc-always")) {
                stamp.dcSource(source, volts, ohms);
            } else {
                stamp.acSource(source, Complex.real(volts), ohms);
            }
        }

        @Override
        public Reaction<Boolean> react(Boolean was, Moment m) {
            double line = m.acVolts(mains);
            String state = opening == null ? "shut" : m.signalOf(opening);
            boolean travels = "moving".equals(state);
            boolean byOpener = opening == null || !"hand".equals(m.wordOf(opening, "movedBy"));
            boolean wants = switch (signal) {
                case "ac-while-moving" -> travels && byOpener;
                case "ac-while-open" -> !"shut".equals(state);
                default -> true;
            };
            boolean on = line >= LEAST_MAINS && wants;
            Because because = line < LEAST_MAINS
                    ? Because.fallen(mains, line, LEAST_MAINS)
                    : wants == was ? Because.risen(mains, line, LEAST_MAINS) : Because.link(opening + " is " + state);
            return Reaction.change(on, because);
        }

        @Override
        public String signal(Boolean on) {
            return on ? "on" : "off";
        }
    }
}
