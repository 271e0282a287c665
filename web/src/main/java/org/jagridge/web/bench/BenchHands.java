package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.part.Assembly;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** What hands do at a bench: the acts that lead from one of its states to the next. */
@Service
public class BenchHands {
    /** For working out once more what follows from an act that has been worked out before. */
    private static final double STORED_SECONDS = 30;

    private final BenchService states;
    private final BenchOpener opener;
    private final BenchRepository benches;
    private final JsonMapper json;
    private final BenchRuns runs;

    BenchHands(BenchService states, BenchOpener opener, BenchRepository benches, JsonMapper json, BenchRuns runs) {
        this.states = states;
        this.opener = opener;
        this.benches = benches;
        this.json = json;
        this.runs = runs;
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
    BenchState put(BenchState from, String act, String one, String other, Why why) {
        List<Temporary> read =
                new HandWork(from.drawn().assembly(), from.temporaries().values()).read(act, one, other, why);
        return act(
                from,
                read.stream()
                        .map(t -> {
                            Map<String, Object> body = new LinkedHashMap<>();
                            body.put("change", CircuitWriter.fault(t.change()));
                            body.putAll(t.why().body());
                            body.put("around", t.around());
                            return new Done(t.kind(), json.writeValueAsString(body));
                        })
                        .toList());
    }

    /** Does the same at a circuit's own bench, where it was left. */
    public void put(String slug, String act, String one, String other, Why why) {
        opener.resume(slug);
        BenchRepository.Row bench = benches.newestOfCircuit(slug).orElseThrow();
        put(states.state(bench.id(), null, null), act, one, other, why);
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
        BenchState back = states.state(from.bench().id(), target, last.undoMicros());
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
        Object value = switch (field.kind()) {
            case NUMBER ->
                (Object) Quantity.read(text, field.unit())
                        .orElseThrow(() -> new BadActException("\"" + text + "\" is not a number."));
            case FLAG, MOMENTARY -> (Object) Boolean.valueOf(text);
            default -> (Object) text;
        };
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
        if (then > BenchService.LONGEST) {
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
        BenchRuns.Tried tried = runs.tryOut(
                from.bench().id(),
                prefix(from.actions(), parent),
                actions,
                from.drawn().assembly(),
                then);
        long id = benches.add(from.bench().id(), actions, then);
        runs.stored(from.bench().id(), id, tried);
        // it is stored, so it mustn't be told that it isn't: what follows is worked out already, and has time of its
        // own
        return Budget.ofSeconds(STORED_SECONDS)
                .call(() -> states.state(from.bench().id(), id, then));
    }

    private static List<Action> prefix(List<Action> actions, Long last) {
        return last == null
                ? List.of()
                : actions.stream().takeWhile(a -> a.id() <= last).toList();
    }
}
