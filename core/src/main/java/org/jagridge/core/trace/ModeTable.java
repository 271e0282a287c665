package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Effect;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/**
 * The table that instructors write on the board: each call against each load, computed by running the call.
 *
 * @param loads ids of the parts across the top
 */
public record ModeTable(List<String> loads, List<Row> rows) {
    /**
     * One call.
     *
     * @param air what a heat pump does to the air, whatever was called for; null for anything else
     */
    public record Row(Presets.Preset call, List<Cell> cells, Effect.Air air) {
        /** Whether the room gets the opposite of what was called for. */
        public boolean isWrong() {
            return (air == Effect.Air.HEATS && call.key().endsWith("-cool"))
                    || (air == Effect.Air.COOLS
                            && (call.key().endsWith("-heat") || call.key().endsWith("-aux")));
        }
    }

    /**
     * What a load does in a call.
     *
     * @param value its signal while it works, once that has settled, like {@code on} or {@code HI}; empty where it stays
     *     off
     * @param from when it begins to work, microseconds from the call; −1 where it doesn't
     * @param to when it stops for good; −1 where it works to the end
     */
    public record Cell(String value, long from, long to) {
        static final Cell OFF = new Cell("", -1, -1);

        public boolean works() {
            return from >= 0;
        }
    }

    public static ModeTable of(Circuit circuit) {
        return of(Assembly.of(circuit), Presets.of(circuit));
    }

    /**
     * Computes the table. Loads are what does the work: machines, heaters, valves, lamps and contactors' coils.
     *
     * @param presets of the assembly's circuit; the calls among them make the rows
     */
    public static ModeTable of(Assembly assembly, List<Presets.Preset> presets) {
        Circuit circuit = assembly.circuit();
        Optional<Effect> effect = Effect.of(circuit);
        Set<String> signals =
                Simulation.run(assembly, Scenario.quiet(0)).signals().keySet();
        List<String> loads = circuit.parts().stream()
                .map(p -> p.id())
                .filter(id -> assembly.branchesOf(id).stream().anyMatch(Branch::doesWork)
                        || assembly.member(id).map(m -> m.is(Trait.HEAT_SOURCE)).orElse(false))
                .filter(signals::contains)
                .toList();
        List<Row> rows = new ArrayList<>();
        for (Presets.Preset preset : presets) {
            if (preset.call()) {
                Run run = Simulation.run(assembly, preset.scenario());
                long begins = Math.round(preset.scenario().steps().get(0).atSeconds() * 1e6);
                rows.add(new Row(
                        preset,
                        loads.stream().map(id -> cell(run, id, begins)).toList(),
                        effect.map(e -> e.mostly(run)).orElse(null)));
            }
        }
        return new ModeTable(loads, rows);
    }

    /** What it does for most of the time that it works, and not the first that it does on the way there. */
    private static String settled(Map<String, Long> lasted) {
        return lasted.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse("");
    }

    private static Cell cell(Run run, String part, long begins) {
        List<Run.Step> steps = run.signals().get(part);
        if (steps == null) {
            return Cell.OFF;
        }
        Signal signal = run.circuit().part(part).map(PartTypes::signalOf).orElse(Signal.none());
        Map<String, Long> lasted = new LinkedHashMap<>();
        long from = -1;
        long to = -1;
        for (int i = 0; i < steps.size(); i++) {
            Run.Step s = steps.get(i);
            boolean active = signal.isAtWork(s.value());
            if (active) {
                long end = i + 1 < steps.size() ? steps.get(i + 1).micros() : run.until();
                lasted.merge(s.value(), end - s.micros(), Long::sum);
                if (from < 0) {
                    from = Math.max(0, s.micros() - begins);
                }
                to = -1;
            } else if (from >= 0 && to < 0) {
                to = s.micros() - begins;
            }
        }
        return from < 0 ? Cell.OFF : new Cell(settled(lasted), from, to);
    }
}
