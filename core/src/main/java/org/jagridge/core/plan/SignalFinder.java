package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Time;
import org.jagridge.core.plan.InterlockRequest.Opening;
import org.jagridge.core.plan.InterlockRequest.Signal;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/**
 * Finds out what an opener or board that nobody knows offers: what was seen at its two signal terminals in each state is
 * held against what each kind of signal gives when it is run and measured. Nothing is known of it but what was seen.
 */
public final class SignalFinder {
    private static final String ID = "V1";
    private static final double VOLTS = 24;
    /** Less than that is nothing, on the low-impedance range. */
    private static final double LEAST_VOLTS = 3;

    private static final double MOVED_AT = 10;
    private static final double STANDS_AT = 200;
    private static final double OFF_AT = 250;

    /** A state that somebody can bring it to. */
    public enum State implements Worded {
        SHUT("shut, at a standstill", null, false, MOVED_AT - 1),
        MOVING("while its drive opens it", "open", false, MOVED_AT + 3),
        HALF("half open, at a standstill", "half", false, STANDS_AT),
        OPEN("fully open, at a standstill", "open", false, STANDS_AT),
        BY_HAND("while a hand opens it", "open", true, MOVED_AT + 3),
        MAINS_OFF("fully open, its drive's mains off", "open", false, OFF_AT + 10);

        private final String title;
        private final String target;
        private final boolean hand;
        private final double seconds;

        State(String title, String target, boolean hand, double seconds) {
            this.title = title;
            this.target = target;
            this.hand = hand;
            this.seconds = seconds;
        }

        public String title() {
            return title;
        }
    }

    /** What a meter shows there. */
    public enum Seen implements Worded {
        NOT_LOOKED_AT("not looked at"),
        NOTHING("nothing"),
        AC("AC volts"),
        DC("DC volts"),
        MADE("a contact made");

        private final String title;

        Seen(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /**
     * A kind of signal.
     *
     * @param gives what it gives in each state
     * @param against the states in which something else was seen
     */
    public record Candidate(Signal signal, Map<State, Seen> gives, List<State> against) {
        public boolean fits() {
            return against.isEmpty();
        }
    }

    /**
     * What it may be.
     *
     * @param next the state to look at next, where more than one kind is left that it tells apart
     */
    public record Finding(List<Candidate> candidates, Optional<State> next) {
        public List<Candidate> fitting() {
            return candidates.stream().filter(Candidate::fits).toList();
        }
    }

    private static final Map<Signal, Map<State, Seen>> GIVES = new EnumMap<>(Signal.class);

    static {
        for (Signal s : Signal.values()) {
            Map<State, Seen> gives = new EnumMap<>(State.class);
            Circuit circuit = InterlockKit.signalAlone(new Opening(ID, s, VOLTS, false, true, 10));
            for (State state : State.values()) {
                gives.put(state, measured(circuit, state));
            }
            GIVES.put(s, gives);
        }
    }

    private SignalFinder() {}

    /** What fits everything that was seen. */
    public static Finding find(Map<State, Seen> seen) {
        List<Candidate> candidates = new ArrayList<>();
        GIVES.forEach((signal, gives) -> candidates.add(new Candidate(
                signal,
                gives,
                Arrays.stream(State.values())
                        .filter(s -> seen.getOrDefault(s, Seen.NOT_LOOKED_AT) != Seen.NOT_LOOKED_AT
                                && seen.get(s) != gives.get(s))
                        .toList())));
        List<Candidate> left = candidates.stream().filter(Candidate::fits).toList();
        Optional<State> next = Arrays.stream(State.values())
                .filter(s -> seen.getOrDefault(s, Seen.NOT_LOOKED_AT) == Seen.NOT_LOOKED_AT)
                .filter(s -> left.stream().map(c -> c.gives().get(s)).distinct().count() > 1)
                .max(Comparator.comparingLong((State s) -> left.stream()
                                .map(c -> c.gives().get(s))
                                .distinct()
                                .count())
                        .thenComparing(Comparator.comparingInt(State::ordinal).reversed()));
        return new Finding(candidates, next);
    }

    private static Seen measured(Circuit circuit, State state) {
        List<Scenario.Step> steps = new ArrayList<>();
        if (state.target != null) {
            Map<String, Object> set = new LinkedHashMap<>();
            if (state.hand) {
                set.put(ID + ".movedBy", "hand");
            }
            set.put(ID + ".target", state.target);
            steps.add(new Scenario.Step(MOVED_AT, set, List.of()));
        }
        if (state == State.MAINS_OFF) {
            steps.add(new Scenario.Step(OFF_AT, Map.of("MAINS.on", false), List.of()));
        }
        Run run = Simulation.run(circuit, new Scenario(state.title, Map.of(), steps, List.of(), OFF_AT + 50));
        List<Terminal> ends = InterlockKit.signalTerminals(circuit, ID);
        if (ends.isEmpty()) {
            return Seen.NOTHING;
        }
        Frame frame = run.at(Time.micros(state.seconds));
        int a = run.assembly().node(ends.get(0)).orElseThrow();
        int b = run.assembly().node(ends.get(1)).orElseThrow();
        if (frame.acVolts(a, b) > LEAST_VOLTS) {
            return Seen.AC;
        }
        if (frame.dcVolts(a, b) > LEAST_VOLTS) {
            return Seen.DC;
        }
        boolean made = run.assembly().branchesOf(ends.get(0).part()).stream()
                .filter(x -> ends.get(0).equals(x.a()) && ends.get(1).equals(x.b()))
                .anyMatch(frame::conducts);
        return made ? Seen.MADE : Seen.NOTHING;
    }
}
