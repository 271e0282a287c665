package org.jagridge.web.bench;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.world.Worlds;
import org.jagridge.web.circuits.Kept;
import org.springframework.stereotype.Component;

/** The runs and worlds of benches, each made from the one before and kept for the next. */
@Component
class BenchRuns {
    /** How far beyond the instant shown a run looks ahead. */
    private static final long LOOK_AHEAD = 900 * Time.SECOND;

    private static final int RUNS_MEGABYTES = 96;

    private final Acts acts;
    private final Kept<String, Run> runs = new Kept<>(RUNS_MEGABYTES, Run::kilobytes);
    /** By bench: the run that was made last, from which the next one goes on. */
    private final Kept<Long, Run> newest = new Kept<>(RUNS_MEGABYTES, Run::kilobytes);

    private final Kept<Long, Worlds> newestWorlds = new Kept<>(RUNS_MEGABYTES, Worlds::kilobytes);

    BenchRuns(Acts acts) {
        this.acts = acts;
    }

    /**
     * The run of a state.
     *
     * @param last its last action
     */
    Run run(long bench, long last, List<Action> actions, Assembly assembly, long at) {
        long lastAct = actions.stream().mapToLong(Action::micros).max().orElse(0);
        long horizon = (Math.max(at, lastAct) / LOOK_AHEAD + 2) * LOOK_AHEAD;
        String key = bench + "/" + last + "/" + horizon;
        return runs.get(key, () -> {
            Scenario scenario = acts.scenario(actions, horizon);
            Run run = newest.find(bench)
                    .filter(r -> r.isOf(assembly))
                    .map(r -> Simulation.resume(r, scenario))
                    .orElseGet(() -> Simulation.run(assembly, scenario));
            newest.put(bench, run);
            return run;
        });
    }

    /**
     * What may be the case for those at the bench, who know what hands did and of none of the faults.
     *
     * @param unwanted whether nobody waits for it any more
     * @throws java.util.concurrent.CancellationException where that comes true on the way
     */
    Worlds worlds(long bench, List<Action> actions, Assembly assembly, long micros, BooleanSupplier unwanted) {
        List<Action> hands = actions.stream()
                .filter(a -> a.kind() != Action.Kind.FAULT)
                .filter(a -> a.kind() != Action.Kind.CLEAR || acts.clearsHandWork(actions, a))
                .toList();
        Scenario known = acts.scenario(hands, micros + Time.SECOND);
        Optional<Worlds> before = newestWorlds.find(bench);
        if (before.isPresent() && before.get().areOf(assembly, known, micros)) {
            return before.get();
        }
        Worlds worlds = Worlds.at(assembly, known, micros, before.orElse(null), unwanted);
        newestWorlds.put(bench, worlds);
        return worlds;
    }
}
