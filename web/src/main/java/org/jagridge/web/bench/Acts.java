package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.part.Time;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What the acts of a bench come to: the scenario they make, and what they have put in. */
@Component
class Acts {
    private static final long PUSH_LASTS = Time.SECOND / 2;

    private final JsonMapper json;

    Acts(JsonMapper json) {
        this.json = json;
    }

    /** The acts that make a scenario of hands, up to an instant. */
    List<Action> of(Scenario hands, long until) {
        List<Action> actions = new ArrayList<>();
        hands.start().forEach((key, value) -> actions.add(set(key, value, 0)));
        hands.steps().stream()
                .filter(step -> Time.micros(step.atSeconds()) <= until)
                .forEach(step -> step.set()
                        .forEach((key, value) -> actions.add(set(key, value, Time.micros(step.atSeconds())))));
        return actions;
    }

    /** An input that is set, not yet stored. */
    Action set(String key, Object value, long micros) {
        String body = json.writeValueAsString(Map.of("key", key, "value", value));
        return new Action(0, null, null, micros, micros, Action.Kind.SET, body);
    }

    /** What hands did, to the knowledge of all who stand at the bench: of the faults that were put in nobody may know. */
    Scenario known(List<Action> actions, long horizon) {
        List<Action> hands = actions.stream()
                .filter(a -> a.kind() != Action.Kind.FAULT)
                .filter(a -> a.kind() != Action.Kind.CLEAR || clearsHandWork(actions, a))
                .toList();
        return scenario(hands, horizon);
    }

    private boolean clearsHandWork(List<Action> actions, Action clear) {
        long cleared = json.readTree(clear.body()).get("action").longValue();
        return actions.stream().anyMatch(a -> a.id() == cleared && a.kind().isTemporary());
    }

    Scenario scenario(List<Action> actions, long horizon) {
        List<Scenario.Step> steps = new ArrayList<>();
        Map<Long, Long> cleared = clearTimes(actions);
        for (Action a : actions) {
            double at = Time.seconds(a.micros());
            JsonNode body = json.readTree(a.body());
            if (a.kind() == Action.Kind.SET) {
                String key = body.get("key").stringValue();
                steps.add(new Scenario.Step(at, Map.of(key, plain(body.get("value"))), List.of()));
                if (body.has("back")) {
                    double then = Time.seconds(a.micros() + PUSH_LASTS);
                    steps.add(new Scenario.Step(then, Map.of(key, plain(body.get("back"))), List.of()));
                }
            } else if (a.kind().stays()) {
                Fault fault = fault(body);
                Long until = cleared.get(a.id());
                Fault timed = fault.during(at, until == null ? null : Time.seconds(until));
                steps.add(new Scenario.Step(at, Map.of(), List.of(timed)));
            }
        }
        return new Scenario("Bench", Map.of(), steps, List.of(), Time.seconds(horizon));
    }

    private Map<Long, Long> clearTimes(List<Action> actions) {
        Map<Long, Long> times = new LinkedHashMap<>();
        for (Action a : actions) {
            if (a.kind() == Action.Kind.CLEAR) {
                times.put(json.readTree(a.body()).get("action").longValue(), a.micros());
            }
        }
        return times;
    }

    private static Fault fault(JsonNode body) {
        return CircuitReader.readFault(body.has("change") ? body.get("change") : body);
    }

    private static Object plain(JsonNode value) {
        return value.isBoolean()
                ? (Object) value.booleanValue()
                : value.isNumber() ? (Object) value.doubleValue() : value.stringValue();
    }

    Map<Long, Fault> faultsAt(List<Action> actions, long at) {
        Map<Long, Fault> faults = new LinkedHashMap<>();
        presentAt(actions, at).stream()
                .filter(a -> a.kind() == Action.Kind.FAULT)
                .forEach(a -> faults.put(a.id(), fault(json.readTree(a.body()))));
        return faults;
    }

    Map<Long, Temporary> temporariesAt(List<Action> actions, long at) {
        Map<Long, Temporary> temporaries = new LinkedHashMap<>();
        presentAt(actions, at).stream()
                .filter(a -> a.kind().isTemporary())
                .forEach(a -> temporaries.put(a.id(), temporary(a)));
        return temporaries;
    }

    Temporary temporary(Action a) {
        JsonNode body = json.readTree(a.body());
        List<String> around = new ArrayList<>();
        body.get("around").forEach(n -> around.add(n.stringValue()));
        // links of before had a reason only
        Why why = new Why(
                body.path("reason").asString(""),
                body.path("who").asString(""),
                body.path("until").asString(""));
        return new Temporary(a.kind(), fault(body), why, around);
    }

    Map<String, String> handWork(List<Action> actions) {
        Map<String, String> words = new LinkedHashMap<>();
        actions.stream()
                .filter(a -> a.kind().isTemporary())
                .map(this::temporary)
                .forEach(t -> words.put(t.change().words(), t.words()));
        return words;
    }

    /** What was put in by then and hasn't been taken out. */
    private List<Action> presentAt(List<Action> actions, long at) {
        Map<Long, Long> cleared = clearTimes(actions);
        return actions.stream()
                .filter(a -> a.kind().stays() && a.micros() <= at && cleared.getOrDefault(a.id(), Long.MAX_VALUE) > at)
                .toList();
    }
}
