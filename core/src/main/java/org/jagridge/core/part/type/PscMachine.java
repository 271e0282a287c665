package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDefect;
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
import org.jagridge.core.part.Trait;

/**
 * {@code compressor} and {@code psc-motor}: windings C–R and C–S with the overload in C; the start winding is always in
 * circuit through the run capacitor. Starts with at least 0.8 of its volts, a live start circuit and (a compressor) equal
 * pressures; starting current 5 × for 0.3 s. Else it stalls at 5 × and the overload opens in 8 s, closes after 15 min.
 * Once running it runs on with a dead capacitor, and stalls under 0.65.
 */
final class PscMachine extends PartType {
    private static final double STARTS = 0.8;
    private static final double STALLS = 0.65;
    private static final double LIVE = 0.3;
    /** A machine that stands under current pulls its volts down and still stands under current. */
    private static final double HELD = 0.05;

    private static final long STARTING = 3 * Time.SECOND / 10;

    private final boolean compressor;

    PscMachine(boolean compressor) {
        super(
                compressor ? "compressor" : "psc-motor",
                compressor ? "Compressor" : "Capacitor motor",
                compressor
                        ? "Needs volts, a live start circuit and equal pressures to start."
                        : "A motor with a start winding that is fed through its capacitor.");
        this.compressor = compressor;
    }

    @Override
    public List<Field> params() {
        List<Field> fields = new ArrayList<>(List.of(
                Field.positive("volts", 240.0, "V"),
                Field.positive("runAmps", compressor ? 12.0 : 1.2, "A"),
                Field.positive("startAmps", compressor ? 4.0 : 0.5, "A"),
                Field.positive("pf", 0.75, "").within(0.01, 1),
                Field.positive("lockedFactor", 5.0, ""),
                Field.number("equaliseSeconds", compressor ? 180.0 : 0.0, "s").within(0, 3600),
                Field.positive("overloadTripSeconds", 8.0, "s"),
                Field.positive("overloadResetSeconds", 900.0, "s"),
                Field.part("startRelay")));
        if (!compressor) {
            // what it drives: a blower, a fan; where nobody says, it may be either
            fields.add(Field.text("kind", null));
        }
        return fields;
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("C", "R", "S");
    }

    @Override
    public List<String> cautions() {
        return compressor ? List.of("Capacitors hold their charge. Discharge before you touch C, R or S.") : List.of();
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return List.of(Fault.of(FaultKind.MOTOR_SEIZED, "part", part.id()));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return compressor
                ? Set.of(Trait.COMPRESSOR)
                : !params.has("kind")
                        ? Set.of(Trait.PERHAPS_AIR_MOVER)
                        : params.is("kind", "blower") ? Set.of(Trait.AIR_MOVER) : Set.of();
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "running", "stalled", "overload");
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "run winding", "S-C", "start winding");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.of("C", "R", "S");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Machine(draft);
    }

    enum Phase {
        OFF("off"),
        STARTING("off"),
        RUNNING("running"),
        STALLED("stalled"),
        OVERLOAD("overload");

        private final String word;

        Phase(String word) {
            this.word = word;
        }
    }

    /**
     * @param due when the phase ends by itself, or {@link Instant#NEVER}
     * @param stoppedAt when it last stopped running or tried to, or NEVER for not yet
     */
    record State(Phase phase, Instant due, Instant stoppedAt) {}

    private static final class Machine implements Behaviour<State> {
        private static final Instant NEVER = Instant.NEVER;

        private final Branch overload;
        private final Branch run;
        private final Branch start;
        private final double volts;
        private final double startAmps;
        private final Complex runZ;
        private final Complex lockedZ;
        private final Complex startZ;
        private final long equalise;
        private final long trip;
        private final long reset;
        private final String startRelay;

        Machine(PartDraft d) {
            Params p = d.params();
            overload = d.branch("C", "_M", "C", Role.PROTECTION, Shape.NONE, true);
            d.show("_M", "C");
            run = d.branch("R", "_M", "R-C", Role.LOAD, Shape.MOTOR, false);
            start = d.branch("S", "_M", "S-C", Role.LOAD, Shape.MOTOR, false);
            volts = p.number("volts");
            startAmps = p.number("startAmps");
            runZ = Complex.impedance(volts / p.number("runAmps"), p.number("pf"));
            lockedZ = runZ.times(1 / p.number("lockedFactor"));
            startZ = Complex.impedance(volts / startAmps, p.number("pf"));
            equalise = Time.micros(p.number("equaliseSeconds"));
            trip = Time.micros(p.number("overloadTripSeconds"));
            reset = Time.micros(p.number("overloadResetSeconds"));
            startRelay = p.textOrNull("startRelay");
        }

        @Override
        public State start(Moment moment) {
            return new State(Phase.OFF, NEVER, NEVER);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.contact(overload, s.phase() != Phase.OVERLOAD);
            boolean locked = s.phase() == Phase.STARTING || s.phase() == Phase.STALLED;
            stamp.load(run, locked ? lockedZ : runZ);
            stamp.load(start, startZ);
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            double v = m.acVolts(run);
            double least = s.phase() == Phase.OFF || s.phase() == Phase.OVERLOAD ? LIVE : HELD;
            boolean fed = v >= least * volts && m.amps(run) > 0.01;
            if (s.phase() == Phase.OVERLOAD) {
                return s.due().hasCome(m.now())
                        ? Reaction.change(
                                new State(Phase.OFF, NEVER, s.stoppedAt()),
                                Because.timer("the overload has cooled for " + Time.words(reset)))
                        : Reaction.waiting(s, s.due());
            }
            if (!fed) {
                boolean turned = s.phase() == Phase.RUNNING || s.phase() == Phase.STARTING;
                Instant stopped = turned ? m.now() : s.stoppedAt();
                return Reaction.change(new State(Phase.OFF, NEVER, stopped), Because.fallen(run, v, LIVE * volts));
            }
            return switch (s.phase()) {
                case OFF -> begin(s, v, m);
                case STARTING ->
                    v < STARTS * volts
                            ? stall(m, Because.fallen(run, v, STARTS * volts))
                            : s.due().hasCome(m.now())
                                    ? Reaction.change(
                                            new State(Phase.RUNNING, NEVER, s.stoppedAt()),
                                            Because.risen(run, v, STARTS * volts)
                                                    .afterDelay())
                                    : Reaction.waiting(s, s.due());
                case RUNNING ->
                    v < STALLS * volts || m.fault(PartDefect.MotorSeized.class) != null
                            ? stall(
                                    m,
                                    m.fault(PartDefect.MotorSeized.class) != null
                                            ? Because.fault("seized")
                                            : Because.fallen(run, v, STALLS * volts))
                            : Reaction.stay(s);
                default ->
                    s.due().hasCome(m.now())
                            ? Reaction.change(
                                            new State(Phase.OVERLOAD, m.after(reset), s.stoppedAt()),
                                            Because.timer("locked current for " + Time.words(trip)))
                                    .wake(m.after(reset))
                            : Reaction.waiting(s, s.due());
            };
        }

        private Reaction<State> begin(State s, double v, Moment m) {
            Because why = obstacle(s, v, m);
            if (why != null) {
                return stall(m, why);
            }
            Instant due = m.after(STARTING);
            return Reaction.arm(
                    new State(Phase.STARTING, due, s.stoppedAt()), due, Because.risen(run, v, STARTS * volts));
        }

        /** What keeps it from starting now, or null. */
        private Because obstacle(State s, double v, Moment m) {
            if (m.fault(PartDefect.MotorSeized.class) != null) {
                return Because.fault("seized");
            }
            if (m.acAmps(start).abs() < 0.2 * startAmps) {
                return new Because(
                        Because.Kind.AMPS,
                        () -> "%.2f A in the start winding: its circuit is open"
                                .formatted(m.acAmps(start).abs()),
                        m.acAmps(start).abs(),
                        0.2 * startAmps,
                        run,
                        false,
                        false);
            }
            boolean helped = startRelay != null;
            if (!helped
                    && !s.stoppedAt().isNever()
                    && !s.stoppedAt().plus(equalise).hasCome(m.now())) {
                return Because.link(
                        "stopped less than " + Time.words(equalise) + " ago: the pressures aren't equal yet");
            }
            return v < STARTS * volts ? Because.fallen(run, v, STARTS * volts) : null;
        }

        private Reaction<State> stall(Moment m, Because why) {
            Instant due = m.after(trip);
            return new Reaction<>(new State(Phase.STALLED, due, m.now()), due, why, why);
        }

        @Override
        public State canonical(State s, Instant now) {
            return s.stoppedAt().plus(equalise).hasCome(now) ? new State(s.phase(), s.due(), NEVER) : s;
        }

        @Override
        public String signal(State s) {
            return s.phase().word;
        }
    }
}
