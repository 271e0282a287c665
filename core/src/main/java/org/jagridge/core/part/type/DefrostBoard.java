package org.jagridge.core.part.type;

import java.util.List;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;

/** The living side of a {@link DefrostControl}. */
final class DefrostBoard implements Behaviour<DefrostBoard.State> {
    private static final double ON_VOLTS = 16;
    private static final Complex OWN = Complex.real(24 * 24 / 2.0);
    private static final Complex SENSE = Complex.real(10_000);
    private static final double FEELS = 1e-9;
    private static final Instant NEVER = Instant.NEVER;

    /**
     * @param counted compressor time counted before {@code since}
     * @param since from when it counts now, or NEVER while it doesn't
     * @param defrost whether it defrosts (or is to go on defrosting when Y comes back)
     * @param left defrost time left before {@code since}
     */
    record State(boolean running, boolean defrost, long counted, long left, Instant since) {
        boolean defrosting() {
            return running && defrost;
        }
    }

    private final Branch own;
    private final Branch call;
    private final Branch feedSensor;
    private final Branch sensor;
    private final Branch contactor;
    private final Branch fan;
    private final Branch strips;
    private final Branch valveNormal;
    private final Branch valveDefrost;
    /** Feels what its valve input says; next to no current. */
    private final Branch asked;

    private final boolean valveO;
    private final boolean onlyCold;
    private final long interval;
    private final long longest;

    DefrostBoard(PartDraft d) {
        Params p = d.params();
        boolean valveO = p.is("valve", "O");
        own = d.load("R", "C", Shape.BOX);
        call = d.load("Y", "C", Shape.BOX);
        feedSensor = d.link("R", "DF1");
        sensor = d.load("DF2", "C", Shape.BOX);
        contactor = d.contact("Y", "CC", Shape.CONTACT_CLOSED, true);
        fan = d.contact("OF1", "OF2", Shape.CONTACT_CLOSED, true);
        strips = d.contact("R", "W2", Shape.CONTACT_OPEN, false);
        asked = d.inside(valveO ? "O" : "B", "C");
        this.valveO = valveO;
        valveNormal = d.contact(valveO ? "O" : "B", "RV", Shape.CONTACT_CLOSED, true);
        valveDefrost = valveO ? d.contact("R", "RV", Shape.CONTACT_OPEN, false) : null;
        onlyCold = p.flag("countsOnlyCold");
        interval = Time.micros(60 * p.number("intervalMinutes"));
        longest = Time.micros(60 * p.number("maxDefrostMinutes"));
    }

    /** What line voltage burns. */
    List<Branch> inputs() {
        return List.of(own, call, sensor);
    }

    @Override
    public State start(Moment moment) {
        return new State(false, false, 0, 0, NEVER);
    }

    @Override
    public void stamp(State s, Stamp stamp) {
        stamp.load(own, OWN);
        stamp.load(call, SENSE);
        stamp.load(sensor, SENSE);
        stamp.conductance(asked, FEELS);
        stamp.contact(feedSensor, true);
        boolean defrost = s.defrosting();
        stamp.contact(contactor, true);
        stamp.contact(fan, !defrost);
        stamp.contact(strips, defrost);
        stamp.contact(valveNormal, !defrost);
        if (valveDefrost != null) {
            stamp.contact(valveDefrost, defrost);
        }
    }

    @Override
    public Reaction<State> react(State s, Moment m) {
        boolean powered = m.acVolts(own) >= ON_VOLTS;
        if (!powered) {
            State dead = new State(false, false, 0, 0, NEVER);
            return Reaction.change(dead, Because.fallen(own, m.acVolts(own), ON_VOLTS));
        }
        boolean running = m.acVolts(call) >= ON_VOLTS;
        // a board doesn't start a defrost while its valve input says cooling
        boolean energised = m.acVolts(asked) >= ON_VOLTS;
        boolean cools = energised == valveO;
        boolean cold = m.acVolts(sensor) >= ON_VOLTS && (s.defrost() || !cools);
        long past = s.since().isNever() ? 0 : m.now().since(s.since());
        if (!running) {
            long counted = s.defrost() ? s.counted() : s.counted() + past;
            long left = s.defrost() ? s.left() - past : 0;
            boolean unfinished = s.defrost() && left > 0;
            State still = new State(
                    false, unfinished, s.running() ? counted : s.counted(), s.running() ? left : s.left(), NEVER);
            return Reaction.change(still, Because.fallen(call, m.acVolts(call), ON_VOLTS));
        }
        return s.defrost() ? defrost(s, cold, past, m) : count(s, cold, past, m);
    }

    @Override
    public State canonical(State s, Instant now) {
        if (s.since().isNever()) {
            return s;
        }
        long past = now.since(s.since());
        return s.defrost()
                ? new State(s.running(), true, 0, s.left() - past, now)
                : new State(s.running(), false, s.counted() + past, 0, now);
    }

    private Reaction<State> defrost(State s, boolean cold, long past, Moment m) {
        boolean over = s.left() - past <= 0;
        if (!cold || over) {
            Because why = cold
                    ? Because.timer("defrost has lasted " + Time.words(longest))
                    : Because.fallen(sensor, m.acVolts(sensor), ON_VOLTS);
            return new Reaction<>(new State(true, false, 0, 0, m.now()), m.after(interval), why, why);
        }
        Instant since = s.since().isNever() ? m.now() : s.since();
        return new Reaction<>(
                new State(true, true, s.counted(), s.left(), since),
                since.plus(s.left()),
                Because.risen(call, m.acVolts(call), ON_VOLTS),
                null);
    }

    private Reaction<State> count(State s, boolean cold, long past, Moment m) {
        boolean counts = cold || !onlyCold;
        long counted = s.counted() + past;
        if (counts && counted >= interval) {
            if (cold) {
                Because why = Because.timer(Time.words(interval) + " of running time, coil sensor closed");
                return new Reaction<>(new State(true, true, 0, longest, m.now()), m.after(longest), why, why);
            }
            // nothing to clear now: the next look is an interval later
            State next = new State(true, false, 0, 0, m.now());
            return new Reaction<>(next, m.after(interval), null, null);
        }
        boolean counting = !s.since().isNever();
        State next = counts == counting
                ? new State(true, false, s.counted(), 0, s.since())
                : new State(true, false, counted, 0, counts ? m.now() : NEVER);
        Instant wake = next.since().isNever() ? NEVER : next.since().plus(interval - next.counted());
        Because called = Because.risen(call, m.acVolts(call), ON_VOLTS);
        boolean resumed = s.since().isNever() && !next.since().isNever();
        return new Reaction<>(next, wake, called, resumed ? called : null);
    }

    @Override
    public String signal(State s) {
        return s.defrosting() ? "defrost" : s.running() ? "running" : "idle";
    }
}
