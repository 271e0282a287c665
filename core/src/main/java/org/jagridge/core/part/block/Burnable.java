package org.jagridge.core.part.block;

import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;

/**
 * A control that doesn't outlive more volts than it is made for: over 1.3 × its rating for 5 s at any of its inputs its
 * electronics are open for good, and it does what it does without power.
 *
 * @param inner what it is while it lives
 * @param rated volts of its inputs
 * @param inputs the branches that take its supply and its signals
 * @param outputs contacts that burn with it where {@value #LINE_VOLTS} V stand across them
 * @param there whether it is in the circuit at all
 */
public record Burnable<S>(
        Behaviour<S> inner, double rated, List<Branch> inputs, List<Branch> outputs, Predicate<Moment> there)
        implements Behaviour<Burnable.State<S>> {
    /** Volts across an open contact that only line voltage makes. */
    private static final double LINE_VOLTS = 60;

    /** The signal of one that is burnt. */
    public static final String BURNT = "burnt";

    public record State<S>(S inner, Stress stress, boolean burnt) {}

    public Burnable {
        inputs = List.copyOf(inputs);
        outputs = List.copyOf(outputs);
    }

    /** A control for 24 V. */
    public static <S> Burnable<S> lowVoltage(Behaviour<S> inner, Branch... inputs) {
        return new Burnable<>(inner, 24, List.of(inputs), List.of(), m -> true);
    }

    @Override
    public State<S> start(Moment m) {
        return new State<>(inner.start(m), Stress.NONE, false);
    }

    @Override
    public void stamp(State<S> s, Stamp stamp) {
        inner.stamp(s.inner(), stamp);
        if (s.burnt()) {
            inputs.forEach(stamp::open);
            outputs.forEach(stamp::open);
        }
    }

    @Override
    public Reaction<State<S>> react(State<S> s, Moment m) {
        if (s.burnt()) {
            Reaction<S> r = inner.react(s.inner(), new Without(m, Set.copyOf(inputs)));
            return r.as(new State<>(r.state(), s.stress(), true));
        }
        Branch worst = worst(m);
        double volts = worst == null ? 0 : m.volts(worst);
        boolean over = volts > Stress.OVERVOLTAGE * rated;
        Stress stress = s.stress().under(over ? Stress.Kind.OVERVOLTAGE : Stress.Kind.NONE, m.now());
        if (stress.broken(m.now())) {
            return Reaction.change(new State<>(s.inner(), Stress.NONE, true), stress.because(worst, volts, rated));
        }
        Reaction<S> r = inner.react(s.inner(), m);
        return r.as(new State<>(r.state(), stress, false)).wake(stress.breaksAt());
    }

    private Branch worst(Moment m) {
        if (!there.test(m)) {
            return null;
        }
        Branch worst = worst(inputs, 0, null, m);
        return worst(outputs, LINE_VOLTS, worst, m);
    }

    /** Of these and the one before them, the first with the most volts; only those with at least so many count. */
    private static Branch worst(List<Branch> branches, double least, Branch before, Moment m) {
        Branch worst = before;
        double most = before == null ? -1 : m.volts(before);
        for (Branch b : branches) {
            double volts = m.volts(b);
            if (volts >= least && volts > most) {
                worst = b;
                most = volts;
            }
        }
        return worst;
    }

    @Override
    public String signal(State<S> s) {
        return s.burnt() ? BURNT : inner.signal(s.inner());
    }

    @Override
    public String waitsFor(State<S> s, Instant now) {
        return s.burnt() ? null : inner.waitsFor(s.inner(), now);
    }

    @Override
    public State<S> chattering(State<S> s) {
        return new State<>(inner.chattering(s.inner()), s.stress(), s.burnt());
    }

    @Override
    public State<S> canonical(State<S> s, Instant now) {
        return new State<>(inner.canonical(s.inner(), now), s.stress(), s.burnt());
    }

    /** The same moment with nothing at the burnt inputs. */
    private record Without(Moment m, Set<Branch> dead) implements Moment {
        @Override
        public Instant now() {
            return m.now();
        }

        @Override
        public double number(String input) {
            return m.number(input);
        }

        @Override
        public String word(String input) {
            return m.word(input);
        }

        @Override
        public boolean flag(String input) {
            return m.flag(input);
        }

        @Override
        public boolean pushed(String input) {
            return m.pushed(input);
        }

        @Override
        public double acVolts(Branch b) {
            return dead.contains(b) ? 0 : m.acVolts(b);
        }

        @Override
        public double dcVolts(Branch b) {
            return dead.contains(b) ? 0 : m.dcVolts(b);
        }

        @Override
        public Complex acAmps(Branch b) {
            return m.acAmps(b);
        }

        @Override
        public double dcAmps(Branch b) {
            return m.dcAmps(b);
        }

        @Override
        public <D extends PartDefect> D fault(Class<D> kind) {
            return m.fault(kind);
        }

        @Override
        public String signalOf(String part) {
            return m.signalOf(part);
        }

        @Override
        public boolean isAtWork(String part) {
            return m.isAtWork(part);
        }

        @Override
        public double celsiusOf(String part) {
            return m.celsiusOf(part);
        }

        @Override
        public Instant whenCelsius(String part, double target) {
            return m.whenCelsius(part, target);
        }

        @Override
        public double numberOf(String part, String name) {
            return m.numberOf(part, name);
        }

        @Override
        public String wordOf(String part, String input) {
            return m.wordOf(part, input);
        }

        @Override
        public boolean isSet(String part, String input) {
            return m.isSet(part, input);
        }

        @Override
        public Branch branchOf(String part, String label) {
            return m.branchOf(part, label);
        }

        @Override
        public Branch wire(String id) {
            return m.wire(id);
        }
    }
}
