package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Isolation;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;

/**
 * {@code supply}: the mains. Each leg is a source behind {@code ohms} between its terminal and the neutral (or the
 * star point inside); neutral and PE are bonded to earth by 1 mΩ each.
 */
final class Supply extends PartType {
    private static final double BOND_OHMS = 0.001;

    Supply() {
        super("supply", "Supply", "The mains: split phase, one phase, or two legs of three.");
    }

    @Override
    public String letters() {
        return "M";
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("system", "split-120-240", "split-120-240", "single-120", "single-230", "two-leg-208"),
                Field.positive("volts", null, "V per leg"),
                Field.positive("ohms", 0.05, "Ω per leg (a source without any would have no limit to its current)"),
                Field.positive("hertz", null, "Hz"));
    }

    @Override
    public List<String> terminals(Params params) {
        return switch (params.text("system")) {
            case "split-120-240" -> List.of("L1", "L2", "N", "PE");
            case "two-leg-208" -> List.of("L1", "L2", "PE");
            default -> List.of("L", "N", "PE");
        };
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("on", true));
    }

    @Override
    public List<String> cautions() {
        return List.of("Line voltage. Lock out, tag, and prove dead before you touch.");
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.BONDED, Trait.MAINS);
    }

    @Override
    public Optional<Isolation> isolation(Params params) {
        return Optional.of(new Isolation("on", false, "off at its source", true));
    }

    @Override
    public SourceRating source(Params params) {
        double leg = params.number("volts", params.is("system", "single-230") ? 230 : 120);
        // two legs of 208 V are 120° apart, not 180°
        return new SourceRating(leg, params.is("system", "two-leg-208") ? 208 : 2 * leg, false);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("on", "off");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        double volts = p.number("volts", p.is("system", "single-230") ? 230 : 120);
        List<Leg> legs = new ArrayList<>();
        List<Branch> bonds = new ArrayList<>();
        switch (p.text("system")) {
            case "split-120-240" -> {
                legs.add(new Leg(draft.source("L1", "N", Role.SOURCE, Shape.SUPPLY), Complex.polar(volts, 0)));
                legs.add(new Leg(draft.source("L2", "N", Role.SOURCE, Shape.SUPPLY), Complex.polar(volts, 180)));
            }
            case "two-leg-208" -> {
                int star = draft.innerNode();
                legs.add(new Leg(draft.hiddenSource("L1", star), Complex.polar(volts, 0)));
                legs.add(new Leg(draft.hiddenSource("L2", star), Complex.polar(volts, -120)));
                bonds.add(draft.bondInner(star));
            }
            default -> legs.add(new Leg(draft.source("L", "N", Role.SOURCE, Shape.SUPPLY), Complex.polar(volts, 0)));
        }
        if (!p.is("system", "two-leg-208")) {
            bonds.add(draft.bond("N"));
        }
        bonds.add(draft.bond("PE"));
        return new Mains(legs, bonds, p.number("ohms"));
    }

    private record Leg(Branch branch, Complex emf) {}

    private record Mains(List<Leg> legs, List<Branch> bonds, double ohms) implements Behaviour<Boolean> {
        @Override
        public Boolean start(Moment moment) {
            return moment.flag("on");
        }

        @Override
        public void stamp(Boolean on, Stamp stamp) {
            bonds.forEach(b -> stamp.resistance(b, BOND_OHMS));
            for (Leg leg : legs) {
                if (on) {
                    stamp.acSource(leg.branch(), leg.emf(), ohms);
                } else {
                    stamp.open(leg.branch());
                }
            }
        }

        @Override
        public Reaction<Boolean> react(Boolean on, Moment m) {
            boolean now = m.flag("on");
            return Reaction.change(now, Because.input(now ? "the supply is on" : "the supply is off"));
        }

        @Override
        public String signal(Boolean on) {
            return on ? "on" : "off";
        }
    }
}
