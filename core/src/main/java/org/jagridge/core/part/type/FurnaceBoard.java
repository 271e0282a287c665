package org.jagridge.core.part.type;

import java.util.ArrayList;
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

/** The living side of a {@link FurnaceControl}. */
final class FurnaceBoard implements Behaviour<FurnaceBoard.State> {
    private static final double ON_VOLTS = 16;
    private static final double EARTH_VOLTS = 80;
    private static final Complex OWN = Complex.real(24 * 24 / 3.0);
    private static final Complex INPUT = Complex.real(2000);
    private static final Complex SENSE = Complex.real(10_000);
    private static final Complex FLAME_SENSE = Complex.real(1_000_000);

    /** Where the burner is. */
    enum Phase {
        IDLE("idle"),
        PROVING("purge"),
        PURGE("purge"),
        IGNITER("igniter"),
        TRIAL("trial"),
        HEATING("heating"),
        POST_PURGE("post-purge"),
        LIMIT("limit"),
        LOCKOUT("lockout");

        private final String word;

        Phase(String word) {
            this.word = word;
        }

        boolean runsInducer() {
            return this != IDLE && this != LOCKOUT && this != LIMIT;
        }
    }

    /**
     * @param end when the phase is over, or {@link Instant#NEVER}
     * @param failures failed trials in a row
     * @param blowerOn when the heat blower starts, or NEVER
     * @param blowerOff when it stops, or NEVER while it isn't to stop
     * @param cool whether Y and G call for cooling
     * @param fan whether G calls
     */
    record State(
            Phase phase,
            Instant end,
            int failures,
            boolean blower,
            Instant blowerOn,
            Instant blowerOff,
            boolean cool,
            boolean fan,
            Fuse.State fuse) {
        State phase(Phase next, Instant until) {
            return new State(next, until, failures, blower, blowerOn, blowerOff, cool, fan, fuse);
        }

        State failures(int n) {
            return new State(phase, end, n, blower, blowerOn, blowerOff, cool, fan, fuse);
        }

        State blower(boolean on, Instant startAt, Instant stopAt) {
            return new State(phase, end, failures, on, startAt, stopAt, cool, fan, fuse);
        }

        State calls(boolean coolNow, boolean fanNow) {
            return new State(phase, end, failures, blower, blowerOn, blowerOff, coolNow, fanNow, fuse);
        }

        State fuse(Fuse.State now) {
            return new State(phase, end, failures, blower, blowerOn, blowerOff, cool, fan, now);
        }
    }

    private static final Instant NEVER = Instant.NEVER;

    private final Params p;
    private final List<Branch> links = new ArrayList<>();
    private final Branch own;
    private final Branch callW;
    private final Branch callY;
    private final Branch callG;
    private final Branch draft;
    private final Branch limit;
    private final Branch rollout;
    private final Branch earth;
    private final Branch inducer;
    private final Branch igniter;
    private final Branch blowHeat;
    private final Branch blowCool;
    private final Branch blowFan;
    private final Branch gas;
    private final Fuse.Element fuse;
    private final String flame;
    private final String igniterPart;

    FurnaceBoard(PartDraft d) {
        p = d.params();
        links.add(d.link("X2", "C"));
        for (String out : List.of("PS1", "LIM1", "RO1")) {
            links.add(d.link("R", out));
        }
        fuse = Fuse.inside(d, "X1", "R", p.number("fuseAmps"));
        own = d.load("X1", "X2", Shape.BOX);
        callW = d.load("W", "C", Shape.BOX);
        callY = d.load("Y", "C", Shape.BOX);
        callG = d.load("G", "C", Shape.BOX);
        draft = d.load("PS2", "C", Shape.BOX);
        limit = d.load("LIM2", "C", Shape.BOX);
        rollout = d.load("RO2", "C", Shape.BOX);
        earth = d.load("L", "PE", Shape.BOX);
        inducer = d.contact("L", "IND", Shape.CONTACT_OPEN, false);
        igniter = d.contact("L", "IGN", Shape.CONTACT_OPEN, false);
        blowHeat = d.contact("L", "BLH", Shape.CONTACT_OPEN, false);
        blowCool = d.contact("L", "BLC", Shape.CONTACT_OPEN, false);
        blowFan = d.contact("L", "BLF", Shape.CONTACT_OPEN, false);
        gas = d.contact("R", "GV", Shape.CONTACT_OPEN, false);
        flame = p.textOrNull("flame");
        igniterPart = p.textOrNull("igniter");
    }

    /** What line voltage burns: all but the sense of the earth, which hangs on the line. */
    List<Branch> inputs() {
        return List.of(own, callW, callY, callG, draft, limit, rollout);
    }

    @Override
    public State start(Moment m) {
        return new State(Phase.IDLE, NEVER, 0, false, NEVER, NEVER, false, false, fuse.start(m));
    }

    @Override
    public void stamp(State s, Stamp stamp) {
        links.forEach(b -> stamp.contact(b, true));
        fuse.stamp(s.fuse(), stamp);
        stamp.load(own, OWN);
        for (Branch b : List.of(callW, callY, callG)) {
            stamp.load(b, INPUT);
        }
        for (Branch b : List.of(draft, limit, rollout)) {
            stamp.load(b, SENSE);
        }
        stamp.load(earth, FLAME_SENSE);
        Phase phase = s.phase();
        // a blower that only runs out its time after heat goes over to the speed that is called for now
        boolean overrun = s.blower() && !s.blowerOff().isNever() && phase != Phase.HEATING;
        boolean heatBlower = phase == Phase.LIMIT || (s.blower() && !(overrun && s.cool()));
        stamp.contact(inducer, phase.runsInducer());
        stamp.contact(igniter, phase == Phase.IGNITER || phase == Phase.TRIAL);
        stamp.contact(gas, phase == Phase.TRIAL || phase == Phase.HEATING);
        stamp.contact(blowHeat, heatBlower);
        stamp.contact(blowCool, !heatBlower && s.cool());
        stamp.contact(blowFan, !heatBlower && !s.cool() && s.fan());
    }

    @Override
    public Reaction<State> react(State s, Moment m) {
        Reaction<Fuse.State> f = fuse.react(s.fuse(), m);
        Reaction<State> board = board(s, m);
        return new Reaction<>(
                board.state().fuse(f.state()),
                Instant.earliest(board.wakeAt(), f.wakeAt()),
                f.because() != null ? f.because() : board.because(),
                board.arms() != null ? board.arms() : f.arms());
    }

    private Reaction<State> board(State s, Moment m) {
        if (m.acVolts(own) < ON_VOLTS) {
            State dead = new State(Phase.IDLE, NEVER, 0, false, NEVER, NEVER, false, false, s.fuse());
            return Reaction.change(dead, Because.fallen(own, m.acVolts(own), ON_VOLTS));
        }
        boolean heat = m.acVolts(callW) >= ON_VOLTS;
        boolean cool = m.acVolts(callY) >= ON_VOLTS;
        boolean fan = m.acVolts(callG) >= ON_VOLTS;
        State called = s.calls(cool && fan, fan);
        Move move = burner(called, heat, m);
        State next = blower(move.state(), m);
        Because because = move.because() != null
                ? move.because()
                : next.blower() != move.state().blower()
                        ? blowerReason(move.state(), next.blower())
                        : callReason(s, next, m);
        Instant wake = Instant.earliest(next.end(), Instant.earliest(next.blowerOn(), next.blowerOff()));
        boolean waits = !next.end().equals(s.end()) && !next.end().isNever();
        return new Reaction<>(next, wake, because, waits ? because : null);
    }

    private record Move(State state, Because because) {}

    private Because blowerReason(State before, boolean on) {
        String delay = on ? "blowerOnSeconds" : "blowerOffSeconds";
        Instant due = on ? before.blowerOn() : before.blowerOff();
        return over("the blower's " + span(delay) + " are over").since(due.minus(Time.micros(p.number(delay))));
    }

    private Because callReason(State before, State after, Moment m) {
        if (before.cool() != after.cool()) {
            return volts(callY, after.cool(), m);
        }
        return volts(callG, after.fan(), m);
    }

    private static Because volts(Branch call, boolean on, Moment m) {
        double v = m.acVolts(call);
        return on ? Because.risen(call, v, ON_VOLTS) : Because.fallen(call, v, ON_VOLTS);
    }

    private Instant after(String param, Moment m) {
        return m.after(Time.micros(p.number(param)));
    }

    private String span(String param) {
        return Time.words(Time.micros(p.number(param)));
    }

    private static Because over(String what) {
        return Because.timer(what);
    }

    private Move burner(State s, boolean heat, Moment m) {
        boolean proved = m.acVolts(draft) >= ON_VOLTS;
        boolean cold = m.acVolts(limit) >= ON_VOLTS;
        boolean safe = m.acVolts(rollout) >= ON_VOLTS;
        boolean due = s.end().hasCome(m.now());
        Phase phase = s.phase();
        if (phase == Phase.LOCKOUT) {
            return due
                    ? new Move(s.phase(Phase.IDLE, NEVER).failures(0), over("the lockout hour is over"))
                    : new Move(s, null);
        }
        if ((!cold || !safe) && phase != Phase.LIMIT && (heat || phase != Phase.IDLE)) {
            Because why = volts(cold ? rollout : limit, false, m);
            return new Move(stopGas(s, m).phase(Phase.LIMIT, NEVER), why);
        }
        if (phase == Phase.LIMIT) {
            return cold && safe ? new Move(s.phase(Phase.IDLE, NEVER), volts(limit, true, m)) : new Move(s, null);
        }
        if (!heat && phase != Phase.IDLE && phase != Phase.POST_PURGE) {
            return new Move(
                    stopGas(s, m).phase(Phase.POST_PURGE, after("postPurgeSeconds", m)), volts(callW, false, m));
        }
        return switch (phase) {
            // a draft switch that is closed before the inducer runs proves nothing
            case IDLE ->
                heat && !proved
                        ? new Move(s.phase(Phase.PROVING, after("provingSeconds", m)), volts(callW, true, m))
                        : new Move(s, null);
            case PROVING ->
                proved
                        ? new Move(s.phase(Phase.PURGE, after("purgeSeconds", m)), volts(draft, true, m))
                        : due ? failed(s, m, "no draft within " + span("provingSeconds")) : new Move(s, null);
            case PURGE ->
                lostDraft(
                        s,
                        proved,
                        m,
                        due
                                ? new Move(
                                        s.phase(Phase.IGNITER, after("igniterSeconds", m)),
                                        over("purged for " + span("purgeSeconds")))
                                : null);
            case IGNITER ->
                lostDraft(
                        s,
                        proved,
                        m,
                        due
                                ? new Move(
                                        s.phase(Phase.TRIAL, after("trialSeconds", m)),
                                        over("the igniter is hot after " + span("igniterSeconds")))
                                : null);
            case TRIAL -> lostDraft(s, proved, m, trial(s, due, m));
            case HEATING -> lostDraft(s, proved, m, flameThere(m) ? null : failed(s, m, "the flame is lost"));
            default -> due ? new Move(s.phase(Phase.IDLE, NEVER), over("post-purge is over")) : new Move(s, null);
        };
    }

    private Move trial(State s, boolean due, Moment m) {
        boolean ignites = igniterPart == null || "on".equals(m.signalOf(igniterPart));
        if (ignites && flameThere(m) && due) {
            State lit = s.phase(Phase.HEATING, NEVER).failures(0);
            return new Move(
                    lit.blower(lit.blower(), lit.blower() ? NEVER : after("blowerOnSeconds", m), NEVER),
                    Because.link("flame proved at the end of the trial"));
        }
        return due ? failed(s, m, "no flame in the trial of " + span("trialSeconds")) : null;
    }

    private Move lostDraft(State s, boolean proved, Moment m, Move otherwise) {
        if (!proved) {
            return new Move(stopGas(s, m).phase(Phase.PROVING, after("provingSeconds", m)), volts(draft, false, m));
        }
        return otherwise == null ? new Move(s, null) : otherwise;
    }

    private Move failed(State s, Moment m, String why) {
        State off = stopGas(s, m).failures(s.failures() + 1);
        return off.failures() >= p.integer("trials")
                ? new Move(
                        off.phase(Phase.LOCKOUT, after("lockoutSeconds", m)),
                        over(why + ", " + off.failures() + " times"))
                : new Move(off.phase(Phase.IDLE, NEVER), over(why));
    }

    /** Whether the flame burns and is sensed: gas on, no fault of the burner, an earth, and L really the live. */
    private boolean flameThere(Moment m) {
        boolean burns = flame == null || "on".equals(m.signalOf(flame));
        return burns && !m.condition("no-flame") && m.acVolts(earth) >= EARTH_VOLTS;
    }

    /** The gas goes off; a blower that runs or was to run for heat gets its overrun. */
    private State stopGas(State s, Moment m) {
        return s.phase() == Phase.HEATING || s.blower()
                ? s.blower(s.blower(), NEVER, s.blowerOff().isNever() ? after("blowerOffSeconds", m) : s.blowerOff())
                : s.blower(false, NEVER, NEVER);
    }

    private State blower(State s, Moment m) {
        if (!s.blowerOn().isNever() && s.blowerOn().hasCome(m.now())) {
            return s.blower(true, NEVER, NEVER);
        }
        return !s.blowerOff().isNever() && s.blowerOff().hasCome(m.now()) ? s.blower(false, NEVER, NEVER) : s;
    }

    @Override
    public String signal(State s) {
        if (s.fuse().blown()) {
            return Fuse.ON_BOARD_BLOWN;
        }
        if (s.phase() == Phase.IDLE) {
            return s.cool() ? "cooling" : s.fan() ? "fan" : "idle";
        }
        return s.phase().word;
    }
}
