package org.jagridge.web.bench;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.Request;
import org.jagridge.core.meter.Walk;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** The states of benches, and what is read there. */
@Service
public class BenchService {
    static final long LONGEST = Time.micros(Scenario.LONGEST_SECONDS);

    private final BenchRepository benches;
    private final CircuitStore store;
    private final JsonMapper json;
    private final Acts acts;
    private final BenchRuns runs;

    BenchService(BenchRepository benches, CircuitStore store, JsonMapper json, Acts acts, BenchRuns runs) {
        this.acts = acts;
        this.runs = runs;
        this.benches = benches;
        this.store = store;
        this.json = json;
    }

    /**
     * The bench in a state.
     *
     * @param head last action of the state, 0 for the untouched bench, null for where it was left
     * @param micros instant, or null for where it was left
     * @throws NotFoundException where there is no such bench or action
     */
    BenchState state(long benchId, Long head, Long micros) {
        return state(benchId, head, micros, () -> false);
    }

    /** The address of a circuit's own bench as it was left, without an instant; empty where none has been opened. */
    public Optional<String> asLeft(String slug) {
        return benches.newestOfCircuit(slug)
                .map(b -> "/bench/" + b.id() + "?s=" + Objects.requireNonNullElse(b.head(), 0L));
    }

    /** An instant that a bench can be shown at. */
    static long within(long micros) {
        return Math.min(LONGEST, Math.max(0, micros));
    }

    private BenchState state(long benchId, Long head, Long micros, BooleanSupplier unwanted) {
        BenchRepository.Row bench = benches.require(benchId);
        long last = head != null ? head : Objects.requireNonNullElse(bench.head(), 0L);
        List<Action> actions = last == 0 ? List.of() : benches.chain(benchId, last);
        if (last != 0 && actions.isEmpty()) {
            throw new NotFoundException("Bench " + benchId + " has no state " + last + ".");
        }
        return state(bench, last, actions, within(micros != null ? micros : bench.cursorMicros()), unwanted);
    }

    private BenchState state(
            BenchRepository.Row bench, long last, List<Action> actions, long at, BooleanSupplier unwanted) {
        CircuitStore.Drawn drawn = store.revision(bench.revisionId());
        Run run = runs.run(bench.id(), last, actions, drawn.assembly(), at);
        return new BenchState(
                bench,
                last,
                at,
                actions,
                acts.faultsAt(actions, at),
                acts.temporariesAt(actions, at),
                acts.handWork(actions),
                drawn,
                run,
                i -> meter(actions.subList(0, i), drawn.assembly()),
                () -> runs.worlds(bench.id(), actions, drawn.assembly(), at, unwanted));
    }

    /**
     * A bench that isn't stored, after acts that nobody does.
     *
     * @param at no later than {@link #LONGEST}
     */
    BenchState rehearsed(CircuitRepository.Row circuit, List<Action> actions, long at) {
        // no bench has such a number
        BenchRepository.Row nobodys = new BenchRepository.Row(
                -circuit.revisionId(),
                circuit.revisionId(),
                null,
                0,
                circuit.slug(),
                circuit.name(),
                circuit.revision(),
                null,
                null,
                circuit.revision());
        return state(nobodys, -actions.size(), actions, at, () -> false);
    }

    /**
     * The walk to a load at the instant shown, with the volts now and without the faults that are in.
     *
     * @param key as {@link Walk#key} makes it
     */
    WalkView walk(BenchState state, String key, boolean across) {
        Branch load = Walk.loads(state.drawn().assembly()).stream()
                .filter(b -> Walk.key(b).equals(key))
                .findFirst()
                .orElseThrow(() -> new BadActException("There is no load \"" + key + "\" to walk to."));
        Frame healthy = state.frame();
        if (!state.faults().isEmpty()) {
            Scenario known = acts.known(state.actions(), state.micros() + Time.SECOND);
            healthy = Simulation.run(state.drawn().assembly(), known).at(state.micros());
        }
        return WalkView.of(state, healthy, load, across);
    }

    /**
     * What the meter shows.
     *
     * @param key what names the reading in records
     * @param turnedKey the same with the leads changed over
     * @param value volts, or amps in one conductor however often it passes through the clamp; NaN where there is none
     */
    public record Measured(
            String slug, String name, String key, String turnedKey, double value, String display, String says) {}

    /** What the meter of a bench shows at an instant. */
    public Measured measured(long benchId, long head, double seconds) {
        return measured(benchId, head, seconds, () -> false);
    }

    /**
     * The same.
     *
     * @param unwanted whether nobody waits for it any more
     * @throws java.util.concurrent.CancellationException where that comes true on the way
     */
    Measured measured(long benchId, long head, double seconds, BooleanSupplier unwanted) {
        BenchState state = state(benchId, head, Time.micros(seconds), unwanted);
        Request request = state.meter();
        Reading reading = Meter.at(state.run(), state.micros(), state.worlds()).read(request);
        return new Measured(
                state.bench().slug(),
                state.bench().name(),
                request.key(),
                request.turned().key(),
                request.mode().clamps() ? reading.value() / request.turns() : reading.value(),
                reading.display() + " " + reading.unit(),
                state.drawn().circuit().withMarks(reading.says()));
    }

    private Request meter(List<Action> actions, Assembly assembly) {
        for (int i = actions.size() - 1; i >= 0; i--) {
            if (actions.get(i).kind() == Action.Kind.METER) {
                return Leads.read(json.readTree(actions.get(i).body())).request(assembly);
            }
        }
        return Leads.starting(assembly).request(assembly);
    }
}
