package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitWriter;
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
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Benches: their states, and the acts that lead from one to the next. */
@Service
public class BenchService {
    /** A fresh bench is shown this long after its power came on, when everything has come to rest. */
    private static final long FIRST_LOOK = 10 * Time.SECOND;

    /** For working out once more what follows from an act that has been worked out before. */
    private static final double STORED_SECONDS = 30;

    private static final long LONGEST = Time.micros(Scenario.LONGEST_SECONDS);

    private final BenchRepository benches;
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final JsonMapper json;
    private final Acts acts;
    private final BenchRuns runs;
    private final TransactionTemplate atOnce;
    /** By circuit: who comes first makes its bench, who comes at the same time finds it. */
    private final Map<String, Object> resuming = new ConcurrentHashMap<>();

    BenchService(
            BenchRepository benches,
            CircuitRepository circuits,
            CircuitStore store,
            JsonMapper json,
            Acts acts,
            BenchRuns runs,
            PlatformTransactionManager transactions) {
        atOnce = new TransactionTemplate(transactions);
        this.acts = acts;
        this.runs = runs;
        this.benches = benches;
        this.circuits = circuits;
        this.store = store;
        this.json = json;
    }

    /**
     * A bench of its own on which a trial has been done, up to the instant at which it was seen. The circuit's own bench
     * stays as it is.
     *
     * @param about what was seen, a sentence
     * @return its address
     */
    public String open(long revisionId, Scenario hands, long micros, String about) {
        List<Action> actions = acts.of(hands, micros);
        return address(row(benches.add(revisionId, micros, about, actions)));
    }

    /** The address of a circuit's bench as it was left; a new bench where it has none. */
    String resume(String slug) {
        CircuitRepository.Row circuit = circuits.require(slug);
        BenchRepository.Row bench;
        synchronized (resuming.computeIfAbsent(circuit.slug(), s -> new Object())) {
            bench = benches.newestOf(circuit.revisionId())
                    .or(() -> benches.newestOfCircuit(slug).map(old -> row(takeOver(old, circuit.revisionId()))))
                    .orElseGet(() -> row(benches.add(circuit.revisionId(), FIRST_LOOK)));
        }
        return address(bench);
    }

    /** Where a bench was left. */
    private static String address(BenchRepository.Row bench) {
        return BenchState.url(bench.id(), Objects.requireNonNullElse(bench.head(), 0L), within(bench.cursorMicros()));
    }

    /**
     * A bench for another revision of the circuit with what was done at an older one, as far as it still applies; all of
     * it or, where the process ends on the way, nothing. The old bench stays as it is.
     *
     * @return the new bench's id
     */
    private long takeOver(BenchRepository.Row old, long revisionId) {
        Takeover takeover = new Takeover(store.revision(revisionId).assembly(), json);
        List<Action> fitting = new ArrayList<>();
        List<String> leftOut = new ArrayList<>();
        for (Action a : old.head() == null ? List.<Action>of() : benches.chain(old.id(), old.head())) {
            takeover.misfit(a).ifPresentOrElse(leftOut::add, () -> fitting.add(a));
        }
        return atOnce.execute(status -> carried(old, revisionId, fitting, leftOut));
    }

    private long carried(BenchRepository.Row old, long revisionId, List<Action> fitting, List<String> leftOut) {
        long bench = benches.add(revisionId, old.cursorMicros());
        Map<Long, Long> newIds = new HashMap<>();
        Long last = null;
        for (Action a : fitting) {
            String body = a.body();
            if (a.kind() == Action.Kind.CLEAR) {
                Long fault = newIds.get(json.readTree(body).get("action").longValue());
                if (fault == null) {
                    continue;
                }
                body = json.writeValueAsString(Map.of("action", fault));
            }
            last = benches.add(
                    bench, new Action(0, last, last, a.micros(), a.micros(), a.kind(), body), old.cursorMicros());
            newIds.put(a.id(), last);
        }
        benches.settle(newIds.keySet(), BenchRepository.Settled.CARRIED);
        if (!leftOut.isEmpty()) {
            benches.leftOut(bench, String.join("\n", leftOut));
        }
        return bench;
    }

    private BenchRepository.Row row(long benchId) {
        return benches.find(benchId).orElseThrow(() -> new NotFoundException("There is no bench " + benchId + "."));
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

    private static long within(long micros) {
        return Math.min(LONGEST, Math.max(0, micros));
    }

    private BenchState state(long benchId, Long head, Long micros, BooleanSupplier unwanted) {
        BenchRepository.Row bench = row(benchId);
        long last = head != null ? head : Objects.requireNonNullElse(bench.head(), 0L);
        List<Action> actions = last == 0 ? List.of() : benches.chain(benchId, last);
        if (last != 0 && actions.isEmpty()) {
            throw new NotFoundException("Bench " + benchId + " has no state " + last + ".");
        }
        CircuitStore.Drawn drawn = store.revision(bench.revisionId());
        long at = within(micros != null ? micros : bench.cursorMicros());
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
            List<Action> sound = state.actions().stream()
                    .filter(a -> a.kind() == Action.Kind.SET)
                    .toList();
            healthy = Simulation.run(state.drawn().assembly(), acts.scenario(sound, state.micros() + Time.SECOND))
                    .at(state.micros());
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

    /**
     * Sets an input at the instant shown.
     *
     * @throws BadActException where there is no such input or it doesn't take that value
     */
    BenchState set(BenchState from, String key, String text) {
        Field field = input(from.drawn().assembly(), key);
        Object value = read(field, text);
        if (value.equals(from.frame().inputs().get(key))) {
            return from;
        }
        return act(from, Action.Kind.SET, json.writeValueAsString(Map.of("key", key, "value", value)));
    }

    /** Pushes a button and lets it go again. */
    BenchState push(BenchState from, String key) {
        Field field = input(from.drawn().assembly(), key);
        if (field.kind() == Field.Kind.MOMENTARY) {
            return act(from, Action.Kind.SET, json.writeValueAsString(Map.of("key", key, "value", true)));
        }
        if (field.kind() != Field.Kind.FLAG) {
            throw new BadActException("\"" + key + "\" is nothing to push.");
        }
        boolean rest = Boolean.TRUE.equals(field.initial());
        return act(from, Action.Kind.SET, json.writeValueAsString(Map.of("key", key, "value", !rest, "back", rest)));
    }

    /** Puts in one of the circuit's faults, by its place in the list of faults. */
    BenchState fault(BenchState from, int index) {
        List<Fault> all = from.drawn().faults();
        if (index < 0 || index >= all.size()) {
            throw new BadActException("There is no fault number " + index + " in this circuit.");
        }
        return act(from, Action.Kind.FAULT, json.writeValueAsString(CircuitWriter.fault(all.get(index))));
    }

    /**
     * Does something to the wiring for a test, as {@link HandWork} reads it.
     *
     * @throws BadActException where that can't be, or where it goes around a safety and no reason is given
     */
    BenchState put(BenchState from, String act, String one, String other, String reason) {
        List<Temporary> read =
                new HandWork(from.drawn().assembly(), from.temporaries().values()).read(act, one, other, reason);
        return act(
                from,
                read.stream()
                        .map(t -> {
                            Map<String, Object> body = new LinkedHashMap<>();
                            body.put("change", CircuitWriter.fault(t.change()));
                            body.put("reason", t.reason());
                            body.put("around", t.around());
                            return new Done(t.kind(), json.writeValueAsString(body));
                        })
                        .toList());
    }

    /** Does the same at a circuit's own bench, where it was left. */
    public void put(String slug, String act, String one, String other, String reason) {
        resume(slug);
        BenchRepository.Row bench = benches.newestOfCircuit(slug).orElseThrow();
        put(state(bench.id(), null, null), act, one, other, reason);
    }

    /** Takes a fault, a link or a lifted wire's gap out again. */
    BenchState clear(BenchState from, long action) {
        if (!from.faults().containsKey(action) && !from.temporaries().containsKey(action)) {
            throw new BadActException("That is not there now.");
        }
        Temporary landed = from.temporaries().get(action);
        from.temporaries().values().stream()
                .filter(t -> landed != null && t.holds(landed, from.drawn().circuit()))
                .findFirst()
                .ifPresent(t -> {
                    throw new BadActException("That end is in a twist: " + t.words() + ". Take the twist apart first.");
                });
        return act(from, List.of(cleared(action)));
    }

    /** Puts everything back that was put in for a test: in the order opposite to that in which it came. */
    BenchState clearTemporaries(BenchState from) {
        List<Long> there = new ArrayList<>(from.temporaries().keySet());
        if (there.isEmpty()) {
            throw new BadActException("Nothing is put in for a test.");
        }
        Collections.reverse(there);
        return act(from, there.stream().map(this::cleared).toList());
    }

    private Done cleared(long action) {
        return new Done(Action.Kind.CLEAR, json.writeValueAsString(Map.of("action", action)));
    }

    /**
     * Puts the meter's leads, clamp and dial.
     *
     * @throws BadActException where there is no such place
     */
    BenchState meter(BenchState from, Leads written) {
        Leads leads = written.named(from.drawn().circuit());
        leads.misfit(from.frame().assembly()).ifPresent(words -> {
            throw new BadActException(words);
        });
        return act(from, Action.Kind.METER, json.writeValueAsString(leads.toMap()));
    }

    /** The state before the last act; the act stays in the database. */
    BenchState undo(BenchState from) {
        if (from.actions().isEmpty()) {
            throw new BadActException("Nothing has been done at this bench yet.");
        }
        Action last = from.actions().get(from.actions().size() - 1);
        List<Long> undone = from.actions().stream()
                .filter(a -> Objects.equals(a.undoTo(), last.undoTo()))
                .map(Action::id)
                .toList();
        long target = Objects.requireNonNullElse(last.undoTo(), 0L);
        // first, for it is told that nothing was changed where this takes too long
        BenchState back = state(from.bench().id(), target, last.undoMicros());
        benches.undo(from.bench().id(), last, undone);
        return back;
    }

    private static Field input(Assembly assembly, String key) {
        return Optional.of(key)
                .filter(Input::isWellFormed)
                .flatMap(k -> assembly.input(Input.parse(k)))
                .orElseThrow(() -> new BadActException("There is nothing to set called \"" + key + "\"."));
    }

    private static Object read(Field field, String text) {
        Object value = text;
        try {
            value = switch (field.kind()) {
                case NUMBER -> (Object) Double.valueOf(text.strip().replace(',', '.'));
                case FLAG, MOMENTARY -> (Object) Boolean.valueOf(text);
                default -> (Object) text;
            };
        } catch (NumberFormatException e) {
            throw new BadActException("\"" + text + "\" is not a number.");
        }
        String mistake = field.mistakeIn(value);
        if (mistake != null) {
            throw new BadActException(mistake + ".");
        }
        return value;
    }

    /** What hands did, not yet stored. */
    private record Done(Action.Kind kind, String body) {}

    private BenchState act(BenchState from, Action.Kind kind, String body) {
        return act(from, List.of(new Done(kind, body)));
    }

    /**
     * Appends what was done at the instant shown, which undo takes back as one. What follows is worked out first: an act
     * that can't be worked out isn't stored. Acts after that instant are set aside: the
     * new state doesn't have them, but undo brings them back.
     */
    private BenchState act(BenchState from, List<Done> all) {
        boolean moves = all.stream().anyMatch(d -> d.kind().moves());
        Long parent = null;
        boolean leadsKept = true;
        for (Action a : from.actions()) {
            if (moves && a.kind().moves() && a.micros() > from.micros()) {
                leadsKept = false;
                break;
            }
            parent = a.id();
        }
        long then = from.micros() + (moves ? Action.TAKES : 0);
        if (then > LONGEST) {
            throw new BadActException("This bench has run for a week. Start a fresh one.");
        }
        Long undoTo = from.head() == 0 ? null : from.head();
        List<Action> actions = new ArrayList<>();
        for (Done d : all) {
            actions.add(new Action(0, parent, undoTo, from.micros(), from.micros(), d.kind(), d.body()));
        }
        if (!leadsKept) {
            // the leads lay where they lie; what was set aside with the later acts must not move them
            String leads = json.writeValueAsString(Leads.of(from.meter()).toMap());
            actions.add(new Action(0, parent, undoTo, from.micros(), then, Action.Kind.METER, leads));
        }
        runs.tryOut(
                from.bench().id(),
                prefix(from.actions(), parent),
                actions,
                from.drawn().assembly(),
                then);
        long id = benches.add(from.bench().id(), actions, then);
        // it is stored, so it mustn't be told that it isn't: what follows is worked out already, and has time of its
        // own
        return Budget.ofSeconds(STORED_SECONDS).call(() -> state(from.bench().id(), id, then));
    }

    private static List<Action> prefix(List<Action> actions, Long last) {
        return last == null
                ? List.of()
                : actions.stream().takeWhile(a -> a.id() <= last).toList();
    }
}
