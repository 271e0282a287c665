package org.jagridge.core.part.block;

import java.util.List;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;

/** The two windings of a transformer, with what kills them. Used wherever a part has a transformer inside. */
public final class Windings implements Behaviour<Windings.State> {
    private static final double STRAY_FARADS = 100e-12;
    private static final double NO_LOAD_AMPS = 0.05;
    private static final double LIMIT = 1.2;
    private static final double COOLING_SECONDS = 60;
    /** Fraction of rated volts from which a transformer counts as live. */
    private static final double LIVE = 0.5;

    public enum Condition {
        DEAD,
        LIVE,
        BURNT,
        CUT_OUT
    }

    public record State(Condition condition, Heat heat) {
        public boolean whole() {
            return condition == Condition.LIVE || condition == Condition.DEAD;
        }
    }

    private final Branch primary;
    private final Branch secondary;
    private final int coupling;
    private final List<Branch> strays;
    private final double primaryVolts;
    private final double secondaryVolts;
    private final double ratio;
    private final double ohms;
    private final double ratedAmps;
    private final double k;
    private final int polarity;
    private final double cutoutAmps;
    private final boolean resettable;

    private Windings(PartDraft draft, String p1, String p2, String x1, String x2) {
        Params p = draft.params();
        primary = draft.branch(p1, p2, p1 + "-" + p2, Role.PRIMARY, Shape.WINDING, false);
        secondary = draft.source(x1, x2, Role.SECONDARY, Shape.WINDING);
        coupling = draft.coupling(primary, secondary);
        strays = List.of(draft.stray(p1), draft.stray(p2), draft.stray(x1), draft.stray(x2));
        primaryVolts = p.number("primaryVolts", 120);
        secondaryVolts = p.number("secondaryVolts", 24);
        double va = p.number("va", 40);
        double r = p.number("regulation", 0.12);
        ratio = primaryVolts / (secondaryVolts * (1 + r));
        ohms = r * secondaryVolts * secondaryVolts / va;
        ratedAmps = va / secondaryVolts;
        double shortTimes = secondaryVolts * (1 + r) / ohms / ratedAmps;
        k = p.number("burnoutSeconds", 30) * (shortTimes * shortTimes - LIMIT * LIMIT);
        polarity = p.has("reversed") && p.flag("reversed") ? -1 : 1;
        cutoutAmps = p.number("cutoutAmps", Double.POSITIVE_INFINITY);
        resettable = p.has("cutoutAmps");
    }

    public static Windings between(PartDraft draft, String p1, String p2, String x1, String x2) {
        return new Windings(draft, p1, p2, x1, x2);
    }

    public Branch secondary() {
        return secondary;
    }

    @Override
    public State start(Moment moment) {
        return new State(Condition.DEAD, Heat.COLD);
    }

    @Override
    public void stamp(State state, Stamp stamp) {
        strays.forEach(b -> stamp.capacitance(b, STRAY_FARADS));
        if (state.whole()) {
            stamp.transformer(
                    primary,
                    secondary,
                    coupling,
                    ratio,
                    ohms,
                    ohms / 2 * Math.pow(primaryVolts / secondaryVolts, 2),
                    polarity,
                    NO_LOAD_AMPS / primaryVolts);
        } else {
            stamp.openTransformer(primary, secondary, coupling);
        }
    }

    @Override
    public Reaction<State> react(State s, Moment m) {
        if (s.condition() == Condition.CUT_OUT && resettable && m.pushed("reset")) {
            return Reaction.change(new State(Condition.DEAD, Heat.COLD), Because.input("reset was pushed"));
        }
        if (!s.whole()) {
            return Reaction.stay(s);
        }
        double amps = m.acAmps(secondary).abs();
        Heat heat = s.heat().then(Heat.rate(amps / ratedAmps, LIMIT, k), COOLING_SECONDS, m.now());
        if (amps > cutoutAmps) {
            return Reaction.change(new State(Condition.CUT_OUT, Heat.COLD), over(amps, cutoutAmps));
        }
        if (heat.full().hasCome(m.now())) {
            return Reaction.change(new State(Condition.BURNT, Heat.COLD), over(amps, ratedAmps * LIMIT));
        }
        double in = m.acVolts(primary) / primaryVolts;
        double out = m.acVolts(secondary) / secondaryVolts;
        boolean open = m.fault(PartDefect.WindingOpen.class) != null;
        Condition condition = !open && Math.max(in, out) >= LIVE ? Condition.LIVE : Condition.DEAD;
        boolean begins = heat.rate() > 0 && s.heat().rate() != heat.rate();
        Because because = condition == Condition.LIVE
                ? Because.risen(primary, m.acVolts(primary), LIVE * primaryVolts)
                : Because.fallen(primary, m.acVolts(primary), LIVE * primaryVolts);
        return new Reaction<>(
                new State(condition, heat), heat.full(), because, begins ? over(amps, ratedAmps * LIMIT) : null);
    }

    private Because over(double amps, double threshold) {
        return Because.amps(
                () -> "%.1f A from a transformer of %.2f A".formatted(amps, ratedAmps), secondary, amps, threshold);
    }

    @Override
    public String signal(State state) {
        return switch (state.condition()) {
            case LIVE -> "live";
            case DEAD -> "dead";
            case BURNT -> "burnt";
            case CUT_OUT -> "cut-out";
        };
    }
}
