package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Component;

/** Scenarios of a circuit by name, and their runs: a run is a pure function of both, so it is kept. */
@Component
class Told {
    private static final int RUNS_KEPT = 24;
    private static final String OWN = "own-";

    private final CircuitStore store;
    private final Map<String, Run> runs = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Run> eldest) {
            return size() > RUNS_KEPT;
        }
    };

    Told(CircuitStore store) {
        this.store = store;
    }

    /** A scenario that can be told. @param own whether the circuit's file holds it */
    record Choice(String key, String name, boolean own) {}

    /** The circuit's own scenarios, then what its parts suggest. */
    static List<Choice> choices(Drawn drawn) {
        List<Choice> choices = new ArrayList<>();
        Presets.of(drawn.circuit()).forEach(p -> choices.add(new Choice(p.key(), p.name(), false)));
        List<Scenario> own = drawn.circuit().scenarios();
        for (int i = 0; i < own.size(); i++) {
            choices.add(new Choice(OWN + i, own.get(i).name(), true));
        }
        return choices;
    }

    /**
     * The scenario of a key.
     *
     * @throws NotFoundException where the circuit has no such one
     */
    static Scenario scenario(Drawn drawn, String key) {
        List<Scenario> own = drawn.circuit().scenarios();
        if (key.matches(OWN + "\\d{1,4}") && Integer.parseInt(key.substring(OWN.length())) < own.size()) {
            return own.get(Integer.parseInt(key.substring(OWN.length())));
        }
        return Presets.find(drawn.circuit(), key)
                .map(Presets.Preset::scenario)
                .orElseThrow(() -> new NotFoundException("This circuit has no scenario \"" + key + "\"."));
    }

    /**
     * A run of a revision.
     *
     * @param fault index in the circuit's list of faults, or null for none
     */
    synchronized Run run(long revisionId, String key, Integer fault) {
        String name = revisionId + "/" + key + "/" + fault;
        Run known = runs.get(name);
        if (known == null) {
            Drawn drawn = store.revision(revisionId);
            known = Simulation.run(drawn.assembly(), with(scenario(drawn, key), drawn, fault));
            runs.put(name, known);
        }
        return known;
    }

    private static Scenario with(Scenario s, Drawn drawn, Integer fault) {
        if (fault == null) {
            return s;
        }
        if (fault < 0 || fault >= drawn.faults().size()) {
            throw new NotFoundException("This circuit has no fault number " + fault + ".");
        }
        List<Fault> faults = new ArrayList<>(s.faults());
        faults.add(drawn.faults().get(fault));
        return new Scenario(s.name(), s.start(), s.steps(), faults, s.untilSeconds());
    }
}
