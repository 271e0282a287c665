package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.meter.StripTable;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.ModeTable;
import org.jagridge.core.trace.Presets;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.Kept;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Component;

/** Scenarios of a circuit by name, and their runs: a run is a pure function of both, so it is kept. */
@Component
public class Told {
    private static final int RUNS_MEGABYTES = 64;
    private static final int TABLES_MEGABYTES = 4;
    private static final String OWN = "own-";

    private final CircuitStore store;
    private final Kept<Asked, Run> runs = new Kept<>(RUNS_MEGABYTES, Run::kilobytes);
    private final Kept<Long, List<Presets.Preset>> presets = new Kept<>(TABLES_MEGABYTES, p -> p.size());
    private final Kept<Long, ModeTable> modes =
            new Kept<>(TABLES_MEGABYTES, m -> m.rows().size());

    private final Kept<Strip, Optional<StripTable>> strips =
            new Kept<>(TABLES_MEGABYTES, t -> t.map(s -> s.rows().size()).orElse(1));

    Told(CircuitStore store) {
        this.store = store;
    }

    private record Strip(long revisionId, Part part) {}

    private record Asked(long revisionId, Scenario scenario) {}

    /**
     * A scenario that can be told.
     *
     * @param own whether the circuit's file holds it
     */
    public record Choice(String key, String name, boolean own) {}

    private List<Presets.Preset> presets(long revisionId) {
        return presets.get(
                revisionId, () -> Presets.of(store.revision(revisionId).circuit()));
    }

    /** The table of a strip of a revision; empty where no supply of it has a return. */
    Optional<StripTable> strip(long revisionId, Part strip) {
        return strips.get(
                new Strip(revisionId, strip),
                () -> StripTable.of(store.revision(revisionId).assembly(), strip));
    }

    /** The key of a circuit's own scenario, by its index. */
    static String own(int index) {
        return OWN + index;
    }

    /** The index that a key names, or null for one that isn't the circuit's own. */
    static Integer ownIndex(String key) {
        return key.matches(OWN + "\\d{1,4}") ? Integer.valueOf(key.substring(OWN.length())) : null;
    }

    /** What a revision's parts suggest, then the circuit's own scenarios. */
    public List<Choice> choices(long revisionId) {
        List<Choice> choices = new ArrayList<>();
        presets(revisionId).forEach(p -> choices.add(new Choice(p.key(), p.name(), false)));
        List<Scenario> own = store.revision(revisionId).circuit().scenarios();
        for (int i = 0; i < own.size(); i++) {
            choices.add(new Choice(own(i), own.get(i).name(), true));
        }
        return choices;
    }

    /** The call to tell where none is chosen: heating where there is some, since it is the longest story. */
    public static String first(List<Choice> choices) {
        return choices.stream()
                .map(Choice::key)
                .filter(k -> k.endsWith("-heat"))
                .findFirst()
                .orElse(choices.get(0).key());
    }

    /**
     * The scenario of a key.
     *
     * @throws NotFoundException where the circuit has no such one
     */
    public Scenario scenario(long revisionId, String key) {
        List<Scenario> own = store.revision(revisionId).circuit().scenarios();
        Integer index = ownIndex(key);
        if (index != null && index < own.size()) {
            return own.get(index);
        }
        return presets(revisionId).stream()
                .filter(p -> p.key().equals(key))
                .findFirst()
                .map(Presets.Preset::scenario)
                .orElseThrow(() -> new NotFoundException("This circuit has no scenario \"" + key + "\"."));
    }

    /**
     * A run of a revision.
     *
     * @param fault index in the circuit's list of faults, or null for none
     */
    public Run run(long revisionId, String key, Integer fault) {
        return run(revisionId, scenario(revisionId, key), fault);
    }

    /** A run of a revision with any scenario that its parts allow. */
    Run run(long revisionId, Scenario scenario, Integer fault) {
        Drawn drawn = store.revision(revisionId);
        Scenario whole = with(scenario, drawn, fault);
        return runs.get(new Asked(revisionId, whole), () -> Simulation.run(drawn.assembly(), whole));
    }

    /** The mode table of a revision. */
    ModeTable modes(long revisionId) {
        return modes.get(
                revisionId, () -> ModeTable.of(store.revision(revisionId).assembly(), presets(revisionId)));
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
