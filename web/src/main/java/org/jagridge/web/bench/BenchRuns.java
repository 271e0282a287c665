package org.jagridge.web.bench;

import java.util.ArrayList;
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

    /** Those of a circuit of two hundred parts take 250 MB, and seconds. */
    private final Kept<Long, Worlds> newestWorlds = new Kept<>(Kept.orAnEighth(RUNS_MEGABYTES), Worlds::kilobytes);

    BenchRuns(Acts acts) {
        this.acts = acts;
    }

    /**
     * The run of a state.
     *
     * @param last its last action
     */
    Run run(long bench, long last, List<Action> actions, Assembly assembly, long at) {
        long horizon = horizon(actions, at);
        return runs.get(key(bench, last, horizon), () -> make(bench, actions, assembly, horizon));
    }

    private static String key(long bench, long last, long horizon) {
        return bench + "/" + last + "/" + horizon;
    }

    /** What comes of acts that aren't stored yet. */
    record Tried(Run run, long horizon) {}

    /** The acts of a try are stored now. */
    void stored(long bench, long last, Tried tried) {
        runs.put(key(bench, last, tried.horizon()), tried.run());
    }

    /**
     * Works out what follows from acts that aren't stored yet, so that those which can't be worked out never are.
     *
     * @param before what was done before them
     */
    Tried tryOut(long bench, List<Action> before, List<Action> acts, Assembly assembly, long at) {
        List<Action> all = new ArrayList<>(before);
        for (Action a : acts) {
            all.add(new Action(
                    -all.size() - 1, a.parent(), a.undoTo(), a.undoMicros(), a.micros(), a.kind(), a.body()));
        }
        long horizon = horizon(all, at);
        return new Tried(make(bench, all, assembly, horizon), horizon);
    }

    private static long horizon(List<Action> actions, long at) {
        long lastAct = actions.stream().mapToLong(Action::micros).max().orElse(0);
        return (Math.max(at, lastAct) / LOOK_AHEAD + 2) * LOOK_AHEAD;
    }

    private Run make(long bench, List<Action> actions, Assembly assembly, long horizon) {
        Scenario scenario = acts.scenario(actions, horizon);
        Run run = newest.find(bench)
                .filter(r -> r.isOf(assembly))
                .map(r -> Simulation.resume(r, scenario))
                .orElseGet(() -> Simulation.run(assembly, scenario));
        newest.put(bench, run);
        return run;
    }

    /**
     * What may be the case for those at the bench, who know what hands did and of none of the faults.
     *
     * @param unwanted whether nobody waits for it any more
     * @throws java.util.concurrent.CancellationException where that comes true on the way
     */
    Worlds worlds(long bench, List<Action> actions, Assembly assembly, long micros, BooleanSupplier unwanted) {
        Scenario known = acts.known(actions, micros + Time.SECOND);
        Optional<Worlds> before = newestWorlds.find(bench);
        if (before.isPresent() && before.get().areOf(assembly, known, micros)) {
            return before.get();
        }
        Worlds worlds = Worlds.at(assembly, known, micros, before.orElse(null), unwanted);
        newestWorlds.put(bench, worlds);
        return worlds;
    }
}
