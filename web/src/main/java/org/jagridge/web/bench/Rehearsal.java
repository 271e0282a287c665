package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.budget.Budget;
import org.jagridge.core.circuit.Field;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.settings.Settings;
import org.jagridge.web.svg.LiveState;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/**
 * Acts that are worked out and thrown away, so that what the virtual machine has to compile for acts at a bench is compiled
 * before hands come. Nothing is stored.
 */
@Service
public class Rehearsal {
    /** For the acts at one circuit. */
    private static final double SECONDS = 4;

    private final BenchService states;
    private final Acts acts;
    private final Settings settings;
    private final JsonMapper json;

    Rehearsal(BenchService states, Acts acts, Settings settings, JsonMapper json) {
        this.states = states;
        this.acts = acts;
        this.settings = settings;
        this.json = json;
    }

    /**
     * Throws the switches of a circuit in turn, and works out what there would be to see.
     *
     * @param times how many acts
     * @throws org.jagridge.core.budget.OverBudgetException where they take longer than there is time
     */
    public void act(CircuitRepository.Row circuit, int times) {
        Budget.ofSeconds(SECONDS).run(() -> {
            BenchState state = states.rehearsed(circuit, List.of(), 0);
            List<String> switches = switches(state);
            for (int i = 0; i < times && !switches.isEmpty(); i++) {
                String key = switches.get(i % switches.size());
                boolean on = Boolean.TRUE.equals(state.frame().inputs().get(key));
                List<Action> all = new ArrayList<>(state.actions());
                all.add(acts.set(key, !on, state.micros()));
                state = states.rehearsed(circuit, all, state.micros() + Action.TAKES);
                BenchView.of(state, settings.look(), json);
                Facts.of(state, new LiveState(state.frame()));
            }
        });
    }

    private static List<String> switches(BenchState state) {
        return state.drawn().assembly().members().stream()
                .flatMap(m -> m.inputs().stream()
                        .filter(f -> f.kind() == Field.Kind.FLAG)
                        .map(f -> m.part().id() + "." + f.name()))
                .toList();
    }
}
