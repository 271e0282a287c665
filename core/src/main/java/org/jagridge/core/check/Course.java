package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.Frame;

/** A state that trials have come to, and all that hands did to come there. Going on makes a new one. */
record Course(Engine engine, Scenario hands, long micros, Configuration state) {
    /** Where a scenario stands at an instant; what it would do later isn't done. */
    static Course of(Engine engine, Scenario scenario, double seconds) {
        long micros = Time.micros(seconds);
        return new Course(engine, scenario, micros, engine.follow(scenario, List.of(), micros));
    }

    /** The same scenario farther on. */
    Course until(double seconds) {
        return new Course(engine, hands, Time.micros(seconds), engine.follow(state, hands, Time.micros(seconds)));
    }

    Course set(String part, String input, Object value) {
        return set(Map.of(new Input(part, input), value));
    }

    Course set(Map<Input, Object> values) {
        List<Act> acts = new ArrayList<>();
        Map<String, Object> told = new LinkedHashMap<>();
        values.forEach((input, value) -> {
            acts.add(new Act.Set(input, value));
            told.put(input.toString(), value);
        });
        List<Scenario.Step> steps = new ArrayList<>(hands.steps());
        steps.add(new Scenario.Step(Time.seconds(micros), told, List.of()));
        Scenario more = new Scenario(hands.name(), hands.start(), steps, List.of(), hands.untilSeconds());
        return new Course(engine, more, micros, engine.advance(state, new Act.Together(acts)));
    }

    Course after(long wait) {
        return new Course(engine, hands, micros + wait, engine.advance(state, new Act.Wait(wait)));
    }

    Frame frame() {
        return state.frame();
    }

    Trial trial() {
        double until = Math.max(hands.untilSeconds(), Time.seconds(micros) + 60);
        return new Trial(new Scenario(hands.name(), hands.start(), hands.steps(), hands.faults(), until), micros);
    }
}
