package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.core.meter.Walk;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.OneChange;
import org.jagridge.core.trace.Why;
import org.jagridge.core.world.Worlds;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.Kept;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.sequence.Told;
import org.springframework.stereotype.Component;

/** Makes the check sheet of a call: at an instant at which the load works, in the sound circuit. */
@Component
class SheetPlans {
    /** Long enough for what a load does when it comes on to settle. */
    private static final long SETTLED = Time.SECOND;

    /** When a call that brings nothing on is asked why. */
    private static final long LOOKED = 120 * Time.SECOND;

    private static final int MOST_TOLD = 8;
    private static final int MEGABYTES = 8;
    /** A plan has some dozen lines of text. */
    private static final int PLAN_KILOBYTES = 16;

    private record Key(long revisionId, String scenario, String load, CheckSheet.School school) {}

    private static final int WORLDS_MEGABYTES = 64;
    private final Kept<Key, Plan> plans = new Kept<>(MEGABYTES, p -> PLAN_KILOBYTES);
    private final Kept<Plan, Worlds> worlds = new Kept<>(Kept.orAnEighth(WORLDS_MEGABYTES), Worlds::kilobytes);
    private final Told told;
    private final CircuitStore store;

    SheetPlans(Told told, CircuitStore store) {
        this.told = told;
        this.store = store;
    }

    /** @param at the instant that the sheet is for, microseconds of its scenario */
    record Plan(String scenario, Branch load, long at, Run run, CheckSheet sheet) {}

    /** A load that works in a call, and from when on. */
    record Working(Branch load, long from) {
        String key() {
            return Walk.key(load);
        }
    }

    /** The loads that come on in a call, the last one first: it needs all the others. */
    List<Working> working(long revisionId, String scenario) {
        Run run = told.run(revisionId, scenario, null);
        List<Working> working = new ArrayList<>();
        for (Branch b : Walk.loads(store.revision(revisionId).assembly())) {
            long from = worksFrom(run, b);
            if (from >= 0 && draws(run, b, from + SETTLED)) {
                working.add(0, new Working(b, from));
            }
        }
        working.sort(Comparator.comparingLong(Working::from).reversed());
        return working;
    }

    /**
     * Why a call brings nothing on, and what would.
     *
     * @param changes what one hand could do, each tried
     */
    record Nothing(List<String> why, List<String> changes) {}

    /** For a call in which no load comes on. */
    Nothing nothing(long revisionId, String scenario) {
        Run run = told.run(revisionId, scenario, null);
        long first = run.scenario().steps().stream()
                .mapToLong(s -> Time.micros(s.atSeconds()))
                .filter(t -> t > 0)
                .min()
                .orElse(0);
        List<String> why = Why.at(run, Math.min(run.until(), first + LOOKED)).off().stream()
                .map(Why.Reason::toString)
                .limit(MOST_TOLD)
                .toList();
        List<String> changes = OneChange.thatHelp(store.revision(revisionId).assembly(), run.scenario()).stream()
                .map(OneChange::toString)
                .limit(MOST_TOLD)
                .toList();
        return new Nothing(why, changes);
    }

    /** Of a motor's taps, the one that is fed. */
    private static boolean draws(Run run, Branch load, long at) {
        Frame frame = run.at(Math.min(at, run.until()));
        double most = frame.assembly().branchesOf(load.owner()).stream()
                .filter(b -> b.role() == load.role())
                .mapToDouble(frame::amps)
                .max()
                .orElse(0);
        return frame.amps(load) > most / 2;
    }

    /** When a load first works because of what is done in the run; −1 where it never does. */
    private static long worksFrom(Run run, Branch load) {
        boolean does = load.role() == Role.COIL || (load.role() == Role.LOAD && load.shape() != Shape.BOX);
        if (!does || !run.signals().containsKey(load.owner())) {
            return -1;
        }
        Signal signal = PartTypes.signalOf(run.circuit().part(load.owner()).orElseThrow());
        return run.signals().get(load.owner()).stream()
                .skip(1)
                .filter(s -> signal.isAtWork(s.value()))
                .mapToLong(Run.Step::micros)
                .findFirst()
                .orElse(-1);
    }

    /**
     * The sheet of a load in a call.
     *
     * @throws NotFoundException where the load doesn't work in it
     */
    Plan plan(long revisionId, String scenario, String loadKey, CheckSheet.School school) {
        Key key = new Key(revisionId, scenario, loadKey, school);
        return plans.get(key, () -> make(revisionId, scenario, loadKey, school));
    }

    /** What may be the case where a sheet is measured. */
    Worlds worlds(Plan plan) {
        return worlds.get(
                plan,
                () -> Worlds.at(plan.run().assembly(), plan.run().scenario().withoutFaults(), plan.at()));
    }

    private Plan make(long revisionId, String scenario, String loadKey, CheckSheet.School school) {
        Working w = working(revisionId, scenario).stream()
                .filter(x -> x.key().equals(loadKey))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("\"" + loadKey + "\" doesn't work in this call."));
        Run run = told.run(revisionId, scenario, null);
        long next = run.frames().stream()
                .mapToLong(f -> f.micros())
                .filter(t -> t > w.from() + SETTLED)
                .findFirst()
                .orElse(run.until());
        long at = Math.min(w.from() + SETTLED, next);
        String name = told.scenario(revisionId, scenario).name();
        return new Plan(name, w.load(), at, run, CheckSheet.of(run, at, w.load(), school));
    }
}
